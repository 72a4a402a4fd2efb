# Routes, cards, batches, what is printed.

line-of-speed = Speed
line-of-most-a-cut = Most a cut
line-of-finished-length = Finished length
line-of-how = How
line-of-support = Support
line-of-to-diameter = To diameter
line-of-wide-at-least = Wide, at least
line-of-its-corners = Its corners
line-of-drill = Drill
line-of-at = At
line-of-length-to-saw = Length to saw, with what the jaws hold
line-of-made-up-of = Made up of
line-of-thickest = For
line-of-drill-first = Drill first
line-of-blade = Blade, wide
line-of-rough = Cut { $n }
line-of-roughing = Roughing
line-of-finish = To finish
line-of-speed-rough = Speed to rough
line-of-material = Material
line-of-left-to-bore-on-diameter = Left to bore, on diameter
line-of-not-under = Not under
line-of-not-over = Not over
line-of-held = Held
line-of-a-plain-plug-enters-that = A plain plug enters that measures
line-of-size = Size
line-of-register-not-under = Register, not under
line-of-register-not-over = Register, not over
line-of-deep = Deep
line-of-gears-drivers-driven = Gears, drivers / driven
line-of-way = Way
line-of-then = Then
line-of-passes = Passes
line-of-pitch-diameter-not-under = Pitch diameter, not under
line-of-over-wires-aim = Over wires, aim
line-of-wires-of = Wires of
line-of-by = By
line-of-gauge-to-turn-first = Gauge to turn first
line-of-fitted = Fitted

# Why one operation stands before another.
lesson-saw-face = a sawn end is faced after it is sawn
lesson-face-center = a { -center } drilled in a rough end starts off the axis and the point wanders
lesson-face-turn = lengths are taken from the faced end
lesson-center-turn = what the tailstock supports is turned after it is supported
lesson-face-drill = a drill wanders on an end that is not faced
lesson-drill-bore = the bar needs the drilled hole to enter
lesson-turn-relief = the relief’s depth is taken from the turned diameter
lesson-bore-relief = the relief’s depth is taken from the bore
lesson-turn-chamfer = turning after it takes the chamfer off again
lesson-bore-chamfer = boring after it takes the chamfer off again
lesson-turn-thread = the thread is cut on its turned blank
lesson-bore-thread = the thread is cut in its finished bore
lesson-relief-thread = without its relief the tool has nowhere to end, and digs in
lesson-chamfer-thread = unchamfered, the first thread raises a feather edge that holds the mate off
lesson-plain-thread = heavy cuts after the thread may shift the part, or mark it: thread last
lesson-thread-dress = threading raises the crests it is dressed for
lesson-dress-prove = a burr lifts the wires and binds the mate: dress before it is measured
lesson-thread-prove = there is nothing to measure yet
lesson-prove-part-off = parted off, it does not go back true: prove it while it is held
lesson-part-off-length = the second end is reached when the part is off
lesson-length-second-chamfer = facing after it takes the chamfer off again

order-stands-after = “{ $first }” stands after “{ $then }”: { $why }.
op-saw = Saw the stock
op-face = Face the end
op-center = { -Center } it
op-drill = Drill
op-turn = Turn the blank
op-bore = Bore
op-plain = Plain sizes
op-relief = The relief
op-chamfer = Chamfer the entrance
op-thread = Thread
op-chase = Finish with the die
op-chase-tap = Finish with the tap
op-die = Cut it with the die
op-tap = Tap it
op-dress = Dress crests and ends
op-prove = Prove the size
op-part-off = Part off
op-length = Face the second end to length
op-second-chamfer = Chamfer the second end
op-own = Your own
op-bore-to-arbor = Drill and bore it true to the arbor, and ream it where a reamer fits
line-of-bit = { -Bit }
line-of-compound = { -Compound }
card-center-drill = { -Center } drill
card-center-drill-says = straight, to two thirds of its cone
card-support-not-asked = not asked for by its length
card-support-grease = grease the point; try it again once warm
card-train = { $drivers } / { $driven }
card-train-at = { $drivers } / { $driven }, gearbox { $lever }
card-to-first-measurement = To the first measurement
card-full-depth = Full depth on the dial
card-depth-compound = { $turns } ({ $reading }), { -compound }, { $deg }°
card-depth-cross = { $turns } ({ $reading }), cross-slide
card-passes-time = { $passes }, { $time }
card-stock-over = Stock, over this by the wall it needs
card-stock-shoulder = Stock, over this by its shoulder, whose size was not told
card-stock-least = Stock, at least
card-bore-to = Bore to
card-turn-to = Turn to
card-bored = Bored, as measured
card-turned = Turned, as measured
route-held-center-up = { $held }, the { -center } up
route-held-steady = { $held }, a steady beside the cut
route-held-by-outside = by its outside, in soft or padded jaws
route-proven = proven
time-hours = { $h } h { $min } min

# A batch.
batch-each-part = Each part complete
batch-each-chucking = Each chucking on all parts
batch-each-operation = Each operation on all parts
batch-own = Your own order
batch-flip = Turned end for end it goes back within about { $off } ({ $held }): the second end is no truer to the first than that, in any order. What must be truer is cut in one chucking, or between { -center }s.
batch-own-saves = Parts wait for one another where you said, and go through the rest one by one.
batch-each-part-saves = A mistake shows on the first part, and each part teaches the next; nothing is taken out half done.
batch-each-chucking-saves = Tools and stops of one chucking stay as they are until all parts have had it; each part still has one chucking for all that must run true.
batch-each-operation-saves = One tool, one stop and one dial reading at a time: note them once and repeat them. Every part is chucked again for every operation.
batch-not-true = Put back, a part stands up to { $worst } off { -center }: its thread would not be true to its blank. Only with work held between { -center }s, in a collet or a four-jaw.
sized-other-unit = { $size } is far from { $low } to { $high }: was it read in the other unit?
sized-far = { $size } is far from { $low } to { $high }: read it again
sized-none = this part has no plain sizes; add one first
sized-known = the plain sizes of this part are: { $known }
tally-good = { $good } of { $wanted } good{ $scrapped ->
    [0] { "" }
   *[other] , { $scrapped } scrapped
}.
tally-part = part { $n }: { $size }{ $scrapped ->
    [yes] , scrapped
   *[no] { "" }
}
tally-drawn = { $name }, part after part: { $each }.
drift-not-read = Not read yet.
drift-three-parts = Three parts read tell whether it drifts.
drift-gets = It gets { $each } { $way ->
    [larger] larger
   *[smaller] smaller
} a part. { $past ->
    [0] It stays in limits to the end of the batch
    [1] The next part would be past the limit
   *[other] In { $past } parts it would be past the limit
}: set the next { $off } { $set ->
    [larger] larger
   *[smaller] smaller
}, to the middle.
dim-low-limit = low limit
dim-high-limit = high limit
dim-read-last = read last

# The story of a run.
story-scrapped = { $n ->
    [1] One pass
   *[other] { $n } passes
}; scrapped: { $why }
story-not-begun = Not begun.
story-in-limits = { $n ->
    [1] One pass
   *[other] { $n } passes
}; in limits, { $size } give or take { $doubt }.
story-past-limit = { $n ->
    [1] One pass
   *[other] { $n } passes
}; past the limit, { $size }.
story-not-there = { $n ->
    [1] One pass
   *[other] { $n } passes
}; read, and not there yet.
story-never-read = { $n ->
    [1] One pass
   *[other] { $n } passes
}; done with, never read.
story-not-read-since = { $n ->
    [1] One pass
   *[other] { $n } passes
}; not read since.
story-pass = { $n ->
    [0] The scratch
   *[other] Pass { $n }
} cut at { $at }.
story-took = { $n ->
    [0] The scratch
   *[other] Pass { $n }
} cut at a reading of { $reading } { $unit } instead.
story-trouble = { $wrong }. { $found ->
    [yes] Found
   *[no] Not that
}: { $cause }.
story-touched = { $touched ->
    [bottom] The groove was touched with the new tip, its bottom only, at { $at }.
   *[flanks] The groove was touched with the new tip, both flanks, at { $at }.
}
story-bit = { $why ->
    [broke] The { -bit } broke; another goes on
    [reground] The { -bit } was ground again, and goes on
   *[swapped] Another { -bit } goes on
}{ $tip ->
    [flat] { " " }with a flat of { $size }
    [radius] { " " }with a radius of { $size }
   *[untold] { "" }
}.
story-ticked = Set-up: { $step } done.
story-ticked-noted = Set-up: { $step } done, noted: { $note }.
story-unticked = Set-up: { $step } to do again.
story-go-stops = Gauge: the go end did not go.
story-go-goes = Gauge: go went, not-go did not.
story-not-go-goes = Gauge: the not-go end went.
story-read = Read { $by ->
    [wires] { $size } over three wires
    [wire] { $size } over one wire
    [micrometer] { $size } by thread micrometer
    [two-balls] { $size } between two balls
    [three-balls] { $size } between three balls
    [roots] { $size } across the roots
   *[nothing] nothing
}{ $sized ->
    [yes] { " " }of { $wire }
   *[no] { "" }
}{ $places ->
    [0] { "" }
    [1] , and at 1 more place
   *[other] , and at { $places } more places
}{ $named ->
    [yes] , with the { $instrument }
   *[no] { "" }
}.
story-wont-enter = Tried: the mate will not enter.
story-tight = Tried: the mate goes the whole way, tight.
story-free = Tried: the mate runs free.

card-no-pip = to the middle, no pip left
speed-rpm = { $rpm } rpm
card-dress-bore = a light cut at the bore’s size, or a scraper with the spindle stopped, never a finger; then one pass at the depth it stands at
card-dress = a fine file flat on the crests, lathe slow, left-handed and clear of the chuck; then one pass at the depth it stands at
card-part-off = square to the work, close to the chuck; a { -center } drawn back first, and never between { -center }s
card-size = { $name }: { $min } to { $max }
card-size-dial = { $name }: { $dial } from a touch on the bar at ⌀ { $bar }, then measured

order-out-of-chuck = It is out of its chuck before it is measured: measure before you open it, or nothing can be taken off any more.
order-runs-true = It must run true, and its blank is made in another chucking: turn it and thread it in one.
order-fitted = { $other } is fitted to this one as made: make and measure this first.

route-in-chuck-centers = in the chuck, to { -center } both ends
route-end-for-end = turned end for end, { $held }

route-the-screw = The screw
route-the-nut = The nut
route-the-part = The part
must-everything = Everything listed above is done: what is forgotten here does not run true afterwards.
must-proven = { $thread } is proven: pitch diameter { $low } to { $high }.
must-told = Its pitch diameter as measured is told at Gauge: its mate is fitted to it.
must-mate = Its mate runs the whole thread by hand, tried with the part still held.
must-brushed = Brushed, wiped, and the entrance free of burrs.

batch-carried = Part { $from } found the tip { $tip } wide, give or take { $doubt }, and { $spring } % of a cut springing away: the next is laid out for { $laid }.

batch-less = { $min } min less than the slowest of the three.

tally-pitch-diameter = Pitch diameter
tally-flat = Flat of the tip, as found
drift-none = No drift that scatter does not explain ({ $each } a part, give or take { $doubt }).
drift-tip-wears = The tip wears: { $each } wider a part. Grind it again before the flat is past what the thread allows.
drift-tip-narrower = The tip is found { $each } narrower a part: look whether it is the same tool.

story-give-or-take = give or take { $doubt }
story-stood = The dial stood at { $at }.
story-sprung = A spring pass at { $at }.
story-rechucked = { $back ->
    [slot] Out, and back between { -center }s in the same slot.
    [mark] The chuck off with the work in it, and back on its mark.
    [place] Out, and back a place further round.
    [anew] Out, and gripped anew.
   *[untold] Out of the chuck, and back.
}
story-laid-on = Tried: laid on, the mate stands off by { $off }.
story-met = { $by ->
    [jaws] It met the jaws first.
    [shoulder] It met the shoulder first.
    [register] It met the register first.
    [end] It met the end first.
   *[nothing] Nothing met before the threads.
}
story-lost = The thread was lost: found again from here.
story-stopped = Stopped for the day.
story-resumed = Gone on with.
story-done = Done with.
story-sized = { $name }: { $size } read.
story-overran = Ran { $past } past the mark.
story-scrap = Scrapped: { $why }
story-undone = The last was taken back.
story-enters = Tried: the mate enters { $turns } turns.
story-shakes = Tried: the mate shakes by { $shake }.
story-sizes = Sizes read, in order, against limits of { $low } to { $high }: the first { $first }, the last { $last }.
paper-relief = Relief
paper-proof = Proof
card-at-45 = 45°, or the flank’s own angle
line-of-levers = Levers
stock-shoulder = the shoulder
stock-outside = the outside
stock-facing = facing both ends
stock-blade = parting off
stock-grip = grip
card-thickest = { $what }, { $mm }, and { $more } to run true in bright bar; black bar wants two or three times that
card-rough = to { $diameter }: cross-slide at { $dial } from its touch on the work
card-rough-each = { $n ->
    [1] one cut of { $each } on the radius
   *[other] { $n } cuts of { $each } each on the radius
}, { $feed } a turn{ $bound ->
    [motor] , as much as the motor drives
    [stick-out] , as much as it stands without bending, held so
   *[usual] , usual on a lathe of this size
}
card-finish = measure; { $left } on the diameter is left for the last cut, which is what was measured less the size wanted
line-of-die = Die
lesson-thread-chase = die or tap only finishes what the single point cut
lesson-chase-prove = only what die or tap left is the size
lesson-turn-die = a die raises the crests: it wants its blank turned down first
lesson-chamfer-die = without its bevel a die starts crooked
lesson-relief-die = the die’s lead runs out into the relief
lesson-drill-tap = a tap cuts only in the hole made for it
lesson-chamfer-tap = an edge left square is raised by the tap
card-chase-tap = started in line with the tailstock’s { -center }; a turn in, half a turn back, with oil; of a set the last that reaches; then tried with the mate
line-of-tap = Tap
line-of-bevel-at = Bevel at { $deg }°, long
line-of-hole-full = Hole, to the full diameter
line-of-hole-tip = To the drill’s tip
line-of-front-to = Its front to
line-of-torque = Torque
line-of-each-hand = At each hand
line-of-each-jaw = At each of three jaws
line-of-under-power = Under power
card-chase = opened at first, squared by the tailstock and free to follow; a turn on, in steel half a turn back, with oil; then closed to fit, the mate tried between; turned about for the last threads before the shoulder
card-chase-screwed = by hand, the work held from turning and not the spindle: backing a die off can unscrew this chuck
maker-says = { $by ->
    [die] With a die
    [tap] With a tap
   *[point] With a single point
}{ $finished ->
    [die] , finished by a die
    [tap] , finished by a tap
   *[no] { "" }
}
maker-no-proof = nothing at hand proves it
maker-hazard-turned = A turning spindle: nothing loose near it, chips never by hand, the first pass slow.
maker-hazard-bore = A bar in a turning bore: no finger in it, chips only with the spindle stopped.
maker-runs-true = It must run true to what is finished, and a { $by } follows its own lead: cut it with a single point.
maker-not-there = No { $by } for it is in the drawer.
maker-heavy = The { $by } takes more than two hands give steadily: a single point takes the most of it, the { $by } only finishes.
maker-against = Against the { $by }: { $why }
maker-quicker = The { $by } is in the drawer, and makes it in { $takes } where a single point takes { $point }; nothing asks it to run true to what is finished.
maker-no-quicker = The { $by } is no quicker here, and a single point runs true to all that is turned with it.

# Operations beside the thread.
op-groove = Turn a groove
op-ream = Ream
op-knurl = Knurl
op-cross-drill = Drill across
op-flats = Two flats
op-hexagon = A hexagon
op-slot = A slot
op-split = Split it
op-mandrel = On a mandrel
op-fit = Fit it to its mate
op-weld = Weld or braze
op-harden = Harden
op-temper = Let it down
op-polish = Polish
op-asks = { $field ->
    [diameter_mm] Diameter
    [width_mm] Width
    [depth_mm] Depth
    [at_mm] From the face
    [length_mm] Length
    [pitch_mm] Pitch of the wheel
    [across_mm] Across flats
   *[temper_c] Let down to, °C
}
op-not-asked = this operation asks only for: { $asks }
op-out-of-bounds = { $bounds } is wanted
op-across-inside = flats lie inside the round of { $diameter }: give less
op-depth-inside = deeper than the middle of { $diameter }: give less
lesson-knurl-thread = knurling presses hard and springs the work: what must run true comes after it
lesson-cross-drill-thread = a hole drilled through a finished thread leaves its burr in it
lesson-weld-thread = welding pulls the part and spatters: thread it after
lesson-thread-harden = hardened, it is not cut any more
lesson-harden-temper = it is let down after it is hardened, and at once
lesson-temper-polish = polished before, its colors would hide under scale; after, it is bright again
line-of-cross-slide = Cross-slide
line-of-caution = Caution
line-of-from-the-face = From the face
line-of-wide = Wide
line-of-left-for-it = Left for it, on diameter
line-of-knurl-blank = Turn to, under the knurl
line-of-grows-to = Grows to
line-of-hole = Hole
line-of-through = Through
line-of-axis-over = Middle of the work from its side
line-of-across-flats = Across flats
line-of-across-corners = Across corners
line-of-flat-wide = Each flat wide
line-of-off-each = Off each side
line-of-long = Long
line-of-to-middle = From the side to the middle
line-of-closes-by = Closed, smaller on diameter by
line-of-bore = Bore
line-of-rises = It rises over the length by
line-of-keep-off = Thread kept from the weld by, at least
line-of-leave-on = Leave on finished sizes, on diameter
line-of-let-down-to = Let down to
line-of-color = { -Color }
line-of-wants = Still to tell
card-from-touch = { $dial } from its touch on the work
card-blade-too-wide = the drawer’s blade, { $blade }, is wider than the groove: grind or buy a narrower one
card-plunges = { $n ->
    [1] one plunge with the blade of { $blade }
   *[other] { $n } plunges with the blade of { $blade }, the carriage moved { $aside } in all; the walls faced last, then the bottom once across
}
card-no-blade = no blade in the drawer goes to its middle: a groover of no more than its width
card-ream = straight from the drill, without stopping; half the drill’s speed and twice its feed, oil; never turned backward
card-knurl-teeth = { $n } teeth of { $pitch } go round it whole
card-knurl-grows = { $straight } straight, { $raised } crossed and raised, { $sunk } crossed and sunk, filled full; try it on scrap
card-knurl = pressed in hard at the start, the wheels half on the end; look that it tracks, then oil and a coarse feed, once there and back
card-knurl-caution = It presses hard: stick-out short, a { -center } up, and no brush or rag near the wheels where they draw in.
card-cross-in-thread = it comes out in the thread: drill it before and thread last, light over the hole; or after, and run the mate or a file through each groove it cut
card-cross-beside = beside the thread: drilled and deburred before the mate is tried
card-cross-caution = In a V, clamped; a drill that catches spins what is held by hand.
card-hex-full = sharp corners, each side { $side }
card-hex-rounded = its corners stay round: the bar is { $d }
card-flats = filed to a button turned on the end, or milled; opposite sides measured together; the thread wrapped, not gripped bare
card-hexagon = six sides by the index, a block or the chuck’s jaws in turn, each pair of opposite ones measured; before the thread, so that no { -vise } grips it
card-slot = marked across the middle, sawn with a blade of its width or two side by side; before hardening; its burr off both ways
card-split = sawn last of all on a plug, or with a slip left in, so that the thread is cut in a whole ring; the burr dressed off each flank
card-mandrel = oiled, the small end in first from the bore’s truer side, pressed and not driven; cut toward the large end; { -center }s of the mandrel clean, the tail { -center } oiled
card-fit = both wiped clean and cool; by hand alone, never under power; what touches first is looked for before more is cut
card-weld = tacked and measured before it is run; the thread wrapped in wet cloth or a nut run on it; turned true again after it has cooled slowly
card-weld-caution = Eyes, fumes and fire; the lathe’s ways covered and its earth clamp on the work, never through the spindle’s bearings.
card-harden = { $hardens ->
    [yes] { $material } hardens: to its maker’s heat and quench; threads coated or packed against scale, and left to be lapped; it moves and grows, so nothing is promised of its sizes
   *[no] { $material } does not harden so: case-harden it, or make the part of a steel that does
}
card-harden-caution = Eyes and hands covered, fumes drawn off, a lid by the oil; tongs, and nobody in line with the quench.
card-color = { $color ->
    [pale-straw] pale straw
    [dark-straw] dark straw
    [brown-purple] brown to purple
    [purple] purple
    [dark-blue] dark blue
    [pale-blue] pale blue
   *[none] no { -color } tells it: by a furnace
}
card-temper = polished bright where the { -color } is to be seen, warmed slowly from the thick end, quenched when it arrives
card-polish = a file first, then a strip pulled over the work from behind by its ends; a thread by brush and paste, not by cloth
card-polish-caution = No emery wrapped round turning work, no finger in a bore, sleeves back; the ways covered from grit.

# The part as a whole.
part-untold = not told
part-more-untold = what was not told of it
part-overlap = { $a } and { $b } stand over one another from { $stretch }: one of their places or lengths is wrong.
part-shoulder-untold = { $behind }, ⌀ { $mm }, stands right behind { $thread }, whose job says it runs out into the open: a tool that does not stop runs into it. Tell its shoulder at Blank.
part-drawn = The whole piece, from its first face: { $says }.
part-length = { $mm } from face to face.
part-length-untold = How long it is was not told: something on it has no length yet.
stretch-untold = nothing told for { $long }
stretch-unknown = nothing told of its outside
stretch-thread = { $name } × { $long }
stretch-plain =
    { $name } { $flats ->
        [flats] { $size } across flats
       *[round] ⌀ { $size }
    } × { $long }
stretch-open =
    { $name } { $flats ->
        [flats] { $size } across flats
       *[round] ⌀ { $size }
    }, as long as was not told
dim-part-long = { $name }, its length
dim-part-across = { $name }, its size
dim-part-whole = From face to face
part-major = Outside
part-major-inside = Full diameter
part-pitch = Pitch diameter
part-minor = Root
part-minor-inside = Bore
part-not-under = not under { $mm }
part-not-over = not over { $mm }
part-threaded = Threaded length
part-chamfered = Chamfered to
part-relief-wide = Relief, wide at least
part-relief-down = Relief, to diameter
part-size =
    { $name } { $kind ->
        [hexagon] (across six flats)
        [square] (across four flats)
        [bore] (bore)
        [length] (length)
        [depth] (depth)
       *[outside] (⌀)
    }
part-register = Register
part-shoulder-across = Shoulder, ⌀
part-whole = From face to face
part-plain = Plain sizes
route-took-minutes = minutes it took, over 0 and up to 2000
route-photo-of = a photograph is of a job: say which piece it is done to
route-paced =
    { $n ->
        [one] by the one such told
       *[other] by { $n } such told
    } on the { $lathe }: { $times } times what is reckoned
day-lathe-takes = { $lathe }: about { $time }
day-wires = wires of { $mm }
day-mate = its mate as made: { $title }
day-now-on = Go on with { $title } on the { $lathe }: it is in mid-cut, and stands as it was left.
day-now-blank = { $title } on the { $lathe }: { $blank }
day-now-change = { $title } on the { $lathe }: first { $changes }.
