# Where the run stands, in a word or two.

pass-scratch = Scratch pass
pass-stocking = Stocking { $n }
pass-cut = Pass { $n }
pass-spring = Spring pass
pass-measured = Measured cut

# What to do next.

next-stocking = Stocking tool: set { $setting }.
next-form-tool = Now the form tool: set it central in the groove, touch it on the crest, zero the dial. Then set { $setting }.
next-scratch = Scratch pass: set { $setting }, hand on the lever, and check the pitch.
next-set = Set { $setting }.
next-spring = Spring pass: leave it at { $setting }.

run-scrapped = Scrapped. Undo takes that back; a new part is begun from its batch, or as a new job.
run-stopped = Stopped for now.
run-closed-proven = Done with at the lathe. { $proved }
run-closed-unproven = Done with at the lathe, and nothing proved it: by its settings it came to { $size }, give or take { $doubt }.
run-must-touch = Touch the groove with the new { -bit }, and tell what the dial reads: its tip is not known.
run-measure-now = Measure now: the tip is not known, and what is left follows from what is found.
run-all-cut = All passes cut: measure before you take it out.

# The way back after a mishap.

back-kept-slot = Back between { -center }s in the same slot, the dog’s tail pulled the same way: the zero and every setting stand, the gears and the half-nut’s mark untouched.
back-kept-mark = The chuck is back on its marked place, register and thread clean: the zero and every setting stand, the gears and the half-nut’s mark untouched.
back-prove = Prove it first: { $setting } ({ $reading }), where the groove stands, one pass from the start, and it must run in the groove without cutting.
back-if-not = If it cuts a flank it is not back as it was: tell that the thread was lost, and pick it up.
back-another-place = A place further round, of three, is a third of the lead: the tip does not stand in its groove, and is picked up anew.
back-parted = Parted off for the trial: gripped by what was finished with it, in a collet, soft jaws or on a mandrel, its threaded end where it was, and then as anything gripped anew.
run-overran = It ran { $past } past its mark: before the next pass bring the mark that much forward, or go slower; the groove beyond it is cut as deep as the dial stood.
rechucked-swings = It swings { $swing }: half of that, { $half }, is too deep on one side and wanting on the other. Bring it under { $under } before it is cut on.
rechucked-swings-little = It swings { $swing }: half of that, { $half }, is nothing this thread feels.
rechucked-run-out = Read the run-out first: whatever it swings, half of that is too deep on one side.
stopped-left-at = Left at { $setting } ({ $reading }). Leave the { -half-nut } as it stands, the work in its chuck, the gears on.
    .engaged = Left at { $setting } ({ $reading }). Leave the work in its chuck, the gears on.
stopped-going-on = Going on: touch nothing but the tool’s retract; see that the dial stands where it did, and take a pass at that depth first.
bit-broke = Find every piece of the broken tip: one left in the groove breaks the next. Then set the new { -bit } to height and square.
bit-square = Set the { -bit } to height and square, as the first was.
bit-zero = Touch it on the crest of the work, burrs filed, and set both dials to zero: that is its one zero.
bit-tell-dial = Blue both flanks first. Tell what the dial that carries the depth reads there, and the tip follows from it; if only the bottom marks, say so.
bit-reads-about = There the dial reads about { $setting } ({ $reading }): if it does not, tell what it reads, and the tip follows from that.
