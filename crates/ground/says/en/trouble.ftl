# What may be wrong, what may be behind it, what would settle it, what cures it.
cause-metal-left = It is not cut to its size yet
cause-metal-left-settles = Measure it, clean and cool, and tell the reading at Gauge.
cause-metal-left-cure = Take the next cut as Gauge gives it, and try the { $mate } again.
cause-burr = A burr, or a torn crest
cause-burr-settles = A fingernail along the flanks and crests, both ways; a burr catches one way. Blue the thread, run the { $mate } on as far as it goes, and see where the blue is gone.
cause-burr-cure = Take the burr off at its place; a threading pass at the depth it stands at, then brush and wipe.
cause-crests = Crests too full, sharp or raised
cause-crests-settles = Read over the crests with flat anvils (a bore: with a plain plug).
cause-crests-cure = Dress the crests into their limits: threading raises them, most in soft stock.
cause-flank-angle = The flanks stand at the wrong angle
cause-flank-angle-settles = Read it over two sizes of wire at one depth: Gauge makes the angle of them. Or the { -bit } under a glass against a gauge.
cause-flank-angle-cure = Grind, or set square, a true { -bit }; pick the thread up with it and take the flanks clean.
cause-lead-error = The train’s error adds up along the { $mate }
cause-lead-error-settles = Count the turns it goes before it binds: an error binds at the same place every time, and a shorter { $mate } goes on.
cause-lead-error-cure = A truer train (Gears lists them); or a shorter { $mate }; or cut toward the far limit, where there is room for it.
cause-root-shallow = The root is not deep enough: the tip is too wide
cause-root-shallow-settles = Blue the root: the { $mate }’s crests rub it off there, and the flanks keep theirs.
cause-root-shallow-cure = A narrower tip, to the same flanks: pick the thread up, deepen the root only.
cause-entrance = The entrance is damaged, or not chamfered
cause-entrance-settles = Look at the first half turn: a feather, or a bruise from the chuck or the { -center }.
cause-entrance-cure = Chamfer it and take the feather back.
cause-wrong-hand = It is cut the other hand
cause-wrong-hand-settles = Hold it on end: a right-hand thread rises to the right.
cause-wrong-hand-cure = Nothing mends this part. Turn the tumbler, or the spindle, the other way; follow the chain at Gears before the next scratch.
cause-other-mate = The { $mate } is not what it is taken for
cause-other-mate-settles = Try the { $mate } on a gauge, or on a bought thread of the same size; count its pitch.
cause-other-mate-cure = Measure the { $mate }, tell it at Thread, and this one is fitted to it as it is.
cause-past-limit = It is cut past its limit
cause-past-limit-settles = Measure it again, wiped and cool; twice the same counts.
cause-past-limit-cure = Gauge says what can still be done: another class, a { $mate } made to it, or scrap.
cause-off-centre = The tool is off { -center } height
cause-off-centre-settles = A thin rule nipped between work and tip stands plumb on { -center }.
cause-off-centre-cure = Set it to height, square it, and pick the thread up.
cause-rubs = A side of the { -bit } rubs
cause-rubs-settles = Look for a bright band below the edge, on the leading side first.
cause-rubs-cure = Grind that side to the relief { -Bit } gives, stone the edge, and pick the thread up.
cause-dull = The { -bit } is dull, or has an edge built up on it
cause-dull-settles = A glass on the edge, or a fingernail: a dull edge shines.
cause-dull-cure = Stone or grind it. Steel wants oil on it: a dry edge picks up metal and tears.
cause-too-fast = It turns too fast
cause-too-fast-settles = Halve the speed for one pass.
cause-too-fast-cure = The speed Set-up gives, or slower.
cause-both-flanks = Both flanks cut at once
cause-both-flanks-settles = Look at the chip: two that meet in the middle jam and tear.
cause-both-flanks-cure = Feed down the flank, or step aside each pass; finish with light cuts straight in.
cause-lean = The { -compound } leans too far
cause-lean-settles = A square or the lathe’s own scale: it is counted from the cross-slide on some and from the bed on others.
cause-lean-cure = Set it at or under half the thread’s angle; touch, and zero again.
cause-slender = The work, or the bar, stands out too far
cause-slender-settles = Press a thumb on it near the cut, with the spindle stopped and an indicator on it.
cause-slender-cure = A { -center }, a steady, a stouter or shorter bar; then spring passes.
cause-tailstock = The tailstock is out of line
cause-tailstock-settles = Two diameters over a length, one cut: tell them at Blank.
cause-tailstock-cure = Move the tailstock by half of what it tapers over its length; pick the thread up.
cause-bends = The free end bends away
cause-bends-settles = Read it at both ends; a spring pass that takes metal off the free end shows it.
cause-bends-cure = Bring up the tailstock, or a steady; spring passes until nothing comes off.
cause-spring = Much of every cut springs away
cause-spring-settles = A pass with nothing wound in: what it takes off is what sprang.
cause-spring-cure = Spring passes at the last depth; slides snugged, stick-out cut down.
cause-wrong-mark = The { -half-nut } closed on a wrong mark
cause-wrong-mark-settles = Close it on the mark of the first pass, take up the play, and see whether the tip stands in the first groove.
cause-wrong-mark-cure = The shallow groove does no harm until it is deep: pick up the first, and go on. Use the marks Gears shows, or keep it closed.
cause-dial-drift = The dial’s marks drift on this train
cause-dial-drift-settles = The tip lies a little further to one side of the groove every pass.
cause-dial-drift-cure = Keep the { -half-nut } closed and reverse the spindle.
cause-play = Play not taken up before the cut begins
cause-play-settles = Start further off: if the second groove goes away, that was it.
cause-play-cure = A longer run-up, and the carriage held back by hand against the play.
cause-starts = A start missed, or cut twice
cause-starts-settles = Blue one groove and follow it round: it comes back one lead along.
cause-starts-cure = Index again from the first start, as Gears says, and scratch each before any is deep.
cause-rechucked = It was out of its chuck, and is not back as it was
cause-rechucked-settles = An indicator on a diameter turned in the first chucking.
cause-rechucked-cure = True it to that, then pick the thread up.
cause-gears-on = Other gears are on the lathe than this plan’s
cause-gears-on-settles = Read the teeth off the gears on the arm, spindle end first.
cause-gears-on-cure = Isolate the machine; hang the train Gears shows, guard back on; scratch and measure again. A scratch can be cut over.
cause-misfit = A gear is in the wrong place, or a lever a notch off
cause-misfit-settles = Measure the scratch over ten spaces and tell it at Gears: the mistake that gives just that is named.
cause-misfit-cure = Put that right, and scratch again.
cause-first-thread = The first half thread is a feather
cause-first-thread-settles = Start it turning backward till it drops, then forward.
cause-first-thread-cure = Take the feather back; square the end face.
cause-round = It is out of round
cause-round-settles = Read it at three places around.
cause-round-cure = Lighter grip, or jaws eased for the last passes; spring passes.
cause-packed = Chips packed at the bottom
cause-packed-settles = A scriber along the bottom; blow it out away from you, eyes shielded, or wash it.
cause-packed-cure = Clear the bottom, deepen the relief if it is full.
cause-stops-late = The carriage needs more room to stop than there is
cause-stops-late-settles = A dry run, tool clear: see where it stops.
cause-stops-late-cure = Slower; a wider relief; the spindle turned by hand for the last turns; or cut away from the shoulder.
cause-relief = The relief is too shallow or too narrow for this tip
cause-relief-settles = Listen at the end of the pass: a tip that meets the wall ticks.
cause-relief-cure = Open the relief to what Blank gives for this tip.
cause-grip = It is held too lightly
cause-grip-settles = A witness line across work and jaw: it parts.
cause-grip-cure = A clean, longer grip; a { -center }; a dog. Find the groove again before the next cut.
cause-unscrews = The chuck is working off its thread
cause-unscrews-settles = Stop. A witness line across chuck and spindle nose.
cause-unscrews-cure = Screw it home, clean. No hard start in reverse on this lathe: another way of ending the pass.
cause-too-deep = A cut was too deep for it
cause-too-deep-settles = Compare with the passes of the plan.
cause-too-deep-cure = More passes, each lighter; the last ones lightest.
cause-reversed = The spindle was reversed with the tip in the cut
cause-reversed-settles = The break runs up from the underside.
cause-reversed-cure = Tool clear before the spindle reverses; high-speed steel where it must follow back.
cause-weak-tip = The tip is too narrow
cause-weak-tip-settles = A glass on the tip.
cause-weak-tip-cure = Stone the flat { -Bit } asks for: a sharp point burns and breaks.
cause-broke = A piece of the tip is left in the groove
cause-broke-settles = Find every piece; a magnet, a needle along the groove.
cause-broke-cure = Pick it out, set the new { -bit }, tell what became of the old one, and pick the thread up.
cause-opened = Opening the { -half-nut } loses this thread
cause-opened-settles = Do nothing yet: is the tool clear, does the spindle stand still?
cause-opened-cure = Tell it at the lathe (Else: the { -half-nut } was opened), and find the groove again.
cause-wrong-wires = Other wires, or a reading misread
cause-wrong-wires-settles = Measure a wire; zero the micrometer; read it again.
cause-wrong-wires-cure = Tell the reading again, with the wire it was read over.
cause-no-proof = Nothing at hand proves the size
cause-no-proof-settles = Set-up lists the ways and what stands in each one’s.
cause-no-proof-cure = Turn a plug first, make the mate first, or a test piece and repeat its last setting. Where no bar or gauge reaches: a finishing tap cut as the mate, a little over size, fluted, tapered at its lead, hardened and tempered; harden and temper with eyes covered, fumes drawn off and fire in mind.

symptom-wont-start = The { $mate } will not start
symptom-binds = The { $mate } starts, then binds
symptom-crooked = The { $mate } goes on crooked
symptom-loose = It is loose
symptom-torn = The flanks are torn
symptom-chatter = It chatters
symptom-tapered = It tapers
symptom-double-groove = There are two grooves
symptom-wrong-pitch = It is the wrong pitch
symptom-wrong-hand = It is the wrong hand
symptom-wires-yes-nut-no = The measurement says yes, the { $mate } says no
symptom-nothing-measures = It will not fit, and nothing can be measured
symptom-tip-broken = The tip is broken
symptom-ran-in = The tool ran into the shoulder
symptom-slipped = The work slipped
symptom-nut-opened = The { -half-nut } was opened by mistake

word-nut = nut
word-screw = screw
rescue-pick-up = Pick up the thread
rescue-dress-crests = Dress the crests
rescue-clean-entrance = Clean the entrance
rescue-out-and-back = Out of the chuck, and back
rescue-begin-again = Begin again
rescue-new = { $side ->
    [outside] Turn a new blank to { $aim }, end and chamfer with it, in one chucking.
   *[inside] Bore a new bore to { $aim }, end and chamfer with it, in one chucking.
}

# What this job's own numbers say.
shows-crests-untold = { $side ->
    [outside] What it was turned to was not told
   *[inside] What it was bored to was not told
}; { $min } to { $max } is wanted.
shows-crests-full = { $side ->
    [outside] It was turned to { $used }
   *[inside] It was bored to { $used }
}, where { $min } to { $max } is wanted: crests { $over } too full.
shows-crests-within = { $side ->
    [outside] It was turned to { $used }
   *[inside] It was bored to { $used }
}, within { $min } to { $max }.
shows-height = The tip stands { $by } { $way ->
    [above] above
   *[below] below
} { -center }.
shows-taper = It reads { $by } { $way ->
    [larger] larger
   *[smaller] smaller
} at the far end, { $end ->
    [held] with a { -center } holding it
   *[free] and nothing holds that end
}.

trouble-no-cause = “{ $cause }” is no cause that is known; take one of the trouble sheet

rescue-just-clear = A pass with the tool just clear, hand on the lever, to see that it follows the groove; only then one at that depth.
rescue-read-crests = Read over the crests: { $min } to { $max } is wanted.
rescue-over-that = Over that: a light turning cut at the speed it was turned at, the threading tool out of the way. Within it: a fine file, left-handed, clear of the chuck, laid flat across the crests.
rescue-bar-back = Put the boring bar back and wind it to the reading noted when the bore was finished ({ $used } across).
rescue-one-pass = One pass there, no deeper: it takes off what the threading raised, and nothing else.
rescue-threading-pass = One threading pass at the depth the dial stands at, to clear what that pushed into the groove; brush it, wipe, and try again.
rescue-chamfer = Chamfer to { $to }: a tool at 45°, not a file held by hand at the spinning edge.
rescue-half-turn = Take back the first half turn, where the thread is a feather, with a small three-square file, the spindle stopped.
rescue-mate-too = Bring up the same on the mate; blow and brush both out, wipe, and start it by hand, turning backward till it drops.
rescue-measure-first = Measure, or try the mate, first: once it is out the groove must be found again.
rescue-mark-work = Mark the work against a jaw, or the dog against its slot; note both dials and the mark the { -half-nut } closes on.
rescue-chuck-too = Better, if the chuck comes off with the work still in it: take both off together.
rescue-back-in = Back in: bring the swing under { $under } before anything else; half of it is too deep on one side.
rescue-not-lost = What is lost is the part: the gears hung, the { -compound }, the tool set to height and square are not. Leave them.
rescue-touch = Touch, both dials to zero, a scratch, and check the pitch: those are the steps that tell.
rescue-put-right = Put right what spoilt this one before the first deep pass; measure two cuts sooner.

shows-short = Read last, it is { $left } short of its limit.
shows-within = Read last, it is { $left } within its limit.
shows-passes-left = The passes are not all cut yet.
shows-not-read = It was not read since it was last cut.
shows-burr-left = It reads within its limits, neither lead nor flanks are out, and it does not go: a burr is what is left.
shows-goes = It goes.
shows-fingernail = No number tells of a burr: a fingernail does.
shows-flanks = The flanks feel like { $feels } of the { $room } there are.
shows-angle-untold = The angle of the { -bit } was not told.
shows-no-train = No train is hung that cuts this pitch.
shows-flat-most = A flat of { $flat } was told; { $most } at most is wanted.
shows-tip-unmeasured = The tip was not measured.
shows-first-holds = It reads within its limits and stops after { $turns } of a turn: the first thread holds it.
shows-chamfer-wanted = A chamfer to { $to } is wanted, its first thread backed off.
shows-hand-right = The whole chain cuts { $cut }, as asked.
shows-hand-wrong = The whole chain cuts { $cut }, where { $asked } is asked for.
shows-mate-unmeasured = The mate was not measured.
shows-mate-out = The mate was measured at { $size }, where its limits are { $low } to { $high }.
shows-mate-felt-out = By the trials it goes at { $size }, where its limits are { $low } to { $high }.
shows-mate-within = The mate was measured at { $size }, within its limits.
shows-mate-felt-within = By the trials it goes at { $size }, within its limits.
shows-past = Read last, it is { $past } past its limit.
shows-not-past = Read last, it is not past its limit.
shows-sides-untold = Nothing tells of its sides.
shows-picked = The { $tool } picked: { $says }
shows-was-sharp = The { $tool } was sharp when it was told last.
shows-sharp-untold = How sharp it is was not told.
shows-speed = { $speed }, where { $what } allows { $limit }.
shows-straight-in-coarse = Fed straight in, both edges cut at once the whole way down a pitch of { $pitch }.
shows-straight-in = It is fed straight in: both edges cut at once.
shows-not-straight-in = It is not fed straight in.
shows-bar-out-untold = How far the bar stands out was not told.
shows-no-center = No { -center } holds the free end.
shows-parallel-nothing = The parallel test found nothing that shows.
shows-no-parallel = No parallel test was made.
shows-is-parallel = Read along it, it is parallel.
shows-free-end = The free end is not held: several readings along it would tell.
shows-center-holds = A { -center } holds the free end.
shows-steady = A steady stands beside the cut.
shows-no-free-end = A bore has no free end to bend.
shows-springs-much = By { $n } readings { $share } % of every cut springs away.
shows-springs = By { $n } readings { $share } % of a cut springs away.
shows-two-readings = Two readings at two depths would tell how much springs away.
shows-nut-opened = The { -half-nut } was told to have been opened where it should have stayed closed.
shows-any-position = On this train any position of the dial is right.
shows-nut-stays = The { -half-nut } stays closed.
shows-play-much = The drive has { $play } of play, over two pitches: a short run-up leaves it in.
shows-play = The drive has { $play } of play, and the run-up of { $run_up } takes it up.
shows-play-untold = How much play the drive has was not told.
shows-one-start = It has one start.
shows-starts = It has { $count } starts.
shows-starts-no-way = It has { $count } starts, and no way on to the next serves on this train and lathe.
shows-rechucked = It was told to have been out of its chuck since the cut began.
shows-rechucked-unread = It was out of its chuck, and no run-out was read since.
shows-not-rechucked = It was not told to have been out of its chuck.
shows-no-train-told = No train is told to be on the lathe.
shows-scratch-right = The scratch was noted as { $size }, which is right.
shows-changed-about = Driver and driven changed about, this train cuts { $lead }.
shows-stops-after = It reads within its limits and stops after { $turns } turns.
shows-look-first = Look at the first half turn.
shows-out-of-round = Read around it, it is out of round by { $by }.
shows-round = Read around it, it is round.
shows-one-place = It was read at one place only.
shows-overran = A pass was told to have run { $by } past its mark.
shows-by-hand = By hand nothing runs on.
shows-no-relief = It ends with no relief.
shows-jaws = Jaws worn, work oily, or the tailstock let go.
shows-chuck-not-screwed = The chuck does not screw on.
shows-chuck-screws = The chuck screws on; a hard start in reverse loosens it.
shows-takes = Pass { $n } takes { $takes } at once, where { $most } is a bold first cut in { $material }.
shows-carbide-back = The { -half-nut } stays closed and the spindle reverses: carbide drawn back through its own cut chips.
shows-reverses = The spindle reverses each pass: the tool must be clear first.
shows-reverses-not = The spindle does not reverse in the cut.
shows-flat-allowed = A flat of { $flat } was told; { $min } to { $max } is allowed.
shows-bit-broke = A { -bit } was told to have broken.
shows-piece-left = A piece left in the groove breaks the next.
shows-opened = It was told to have been opened where it should have stayed closed.
shows-nothing-lost = On this train nothing is lost by it: { $says }
shows-compound-idle = The { -compound } does not carry the depth.
shows-wires = The size is reckoned for wires of { $size }.
shows-no-wires = No wires are in it.
shows-no-proof = No way of proving the size was found with the part as held.
shows-proof = It can be proven by { $by }: { $why }.
shows-not-blind = It is not a blind bore.
shows-stops-near = It stops { $far } in, near the bottom.
shows-blind = It is a blind bore.
shows-height-untold = The tool’s height was not told.
