# What is made of a plan on request: the board, cautions, pictures, schools, steps, what if.
board-scrapped = scrapped
board-tell-lathe = tell its lathe
board-done = done
board-ready = ready to cut
board-to-put-right = { $n ->
    [1] 1 thing to put right
   *[other] { $n } things to put right
}
board-nut-first = nut first
board-screw-first = screw first

caution-chuck-screws = The chuck screws on: in reverse it can unscrew and come off.
caution-change-gears = Change gears with the machine isolated; guard back on before it runs.
    .crank = Change gears with nobody at the crank; guard back on before it is turned.
caution-chuck-key = Chuck key out before the spindle starts.
caution-dog = A dog's tail catches sleeves: guard it, and keep clear of the driver plate.
caution-out-of-balance = Work out of balance: balance it, start at the slowest, and stand aside.
caution-fixed-stop = A fixed stop with the { -half-nut } closed breaks something: set it beyond where the carriage stops, or take it off.
    .engaged = A fixed stop with the screw engaged breaks something: set it beyond where the { -carriage } stops, or take it off.
caution-carbide = Draw a carbide tip right out before the spindle reverses: backed through the cut it breaks.
caution-by-hand = Spindle turned by hand: isolate the drive, and take the handle off before it is run again.
    .crank = Fingers and sleeves clear of the chuck while it is turned by hand.
caution-chips-of-bore = Chips of a bore come out by brush or hook with the spindle stopped, never by finger.
caution-chips = Chips by brush or hook, never by hand: they come off in strings.
caution-indicator = Keep the indicator's stem clear of the chuck's reach.
caution-dust = Its swarf is dust: a mask or suction, never an air line; wipe the slides after.
caution-fire = Its fine swarf burns and water feeds it: keep the swarf thick, the tray clear, dry sand at hand.
caution-strings = Its swarf comes in one string: stop to clear it with a hook, before it winds round the work.
caution-fumes = Overheated it gives off fumes that must not be breathed: keep the { -bit } sharp and cool, no smoking near it, and burn none of the swarf.
caution-cracks = It cracks: light jaws, a sharp { -bit }, no oil or spirit on it, eyes shielded.
caution-yields = It gives way and grows as it warms: light jaws, a light touch of the anvils, measured cool.
caution-hardens = It hardens where a { -bit } rubs: never let it dwell, and cut no less than the least cut.
caution-always = No gloves, sleeves or rings near the work. First pass slow, hand on the lever. { -Half-nut } and feed never engaged together.
    .engaged = No gloves, sleeves or rings near the work. First pass slow, hand on the lever.
    .crank = No gloves, sleeves or rings near the work. First pass slow.

picture-from-above = From above, the operator below. { $way }{ $lean ->
    [tailstock] { " " }{ -Compound } { $angle }° from the cross-slide, its handle end leaning toward the tailstock.
    [headstock] { " " }{ -Compound } { $angle }° from the cross-slide, its handle end leaning toward the headstock.
   *[none] { " " }Fed straight in by the cross-slide.
}{ $told ->
    [no] { " " }How far it stands out was not told.
   *[yes] { "" }
}
picture-upright = tool right way up
picture-inverted = tool inverted
sign-thread = thread{ " " }
sign-run-up = run-up{ " " }
sign-runs-on = runs on{ " " }
sign-relief = relief{ " " }
sign-room = room{ " " }
sign-from-jaws = from the jaws{ " " }
dim-run-up = run-up
word-forward = forward
word-reversed = reversed
word-start = start
word-stop = stop
word-out = out
word-in = in
thread-from-front = The thread from the front: { $hand }, { $starts ->
    [1] single start
   *[other] { $starts } starts
}.
thread-cut-open = The bore cut open, its far wall seen: { $hand }, { $starts ->
    [1] single start
   *[other] { $starts } starts
}.
round-closed = Cut under power; tool out; spindle stopped and reversed; { -half-nut } closed throughout.
    .engaged = Cut under power; tool out; spindle stopped and reversed; the screw engaged throughout.
round-same-mark = Cut under power; tool out, { -half-nut } opened; spindle stopped and reversed to the same mark; { -half-nut } closed on it.
round-hand = Cut spindle turned by hand; tool out; spindle turned back by hand; { -half-nut } closed throughout.
    .engaged = Cut spindle turned by hand; tool out; spindle turned back by hand; the screw engaged throughout.
round-chalk = Cut under power; tool out, { -half-nut } opened; { -carriage } back to its stop; { -half-nut } closed as the chalk marks meet.
round-dial = Cut under power; tool out, { -half-nut } opened; { -carriage } back by its handwheel; { -half-nut } closed as the dial allows.

height-rule-says = Nip a thin rule lightly between round work and the tip: plumb, the tip is on { -center }; { $post ->
    [rear] its top leans toward you when the tip is high, away from you when it is low
   *[front] its top leans away from you when the tip is high, toward you when it is low
}.

step-stock = { $side ->
    [inside] Bore of { $material }, bored { $min } to { $max }.
   *[outside] Blank of { $material }, turned { $min } to { $max }.
}
held-in-chuck = in the chuck
step-held = Held { $held }.
step-held-far = Held { $held }. { $far }
note-indicator-swings = what the indicator swings
note-each-dial = what each dial reads
note-starts-and-stops = where the { -carriage } starts and stops
note-which-mark = which mark
note-measures = what it measures
step-gears = Gears hung: { $chain }{ $idles ->
    [yes] , idler { $idlers }
   *[no] { "" }
}{ $levers ->
    [yes] , lever at { $lever }
   *[no] { "" }
}.
step-gears-paper = A slip of thin paper folded through each mesh; never run dry-tight.
step-square-bore = Bar level, tool square to the bore.
step-square-work = Tool square to the work.
step-leans-tailstock = Its handle end leans toward the tailstock.
step-leans-headstock = Its handle end leans toward the headstock.
step-backlash-bore = This bore is fed by drawing the slide toward you: take its play up that way.
step-backlash-how = Run each slide in the way it will be fed, and stay on that side of its play.
step-zero-both = Tool touched on the work; cross-slide and { -compound } both at zero.
step-zero = Tool touched on the work; cross-slide at zero.
step-stops = { $way ->
    [toward] Start at the tailstock end, { $clear } clear of the work; stop at the headstock end, { $stops } after the hand moves.
   *[away] Start at the headstock end, { $clear } clear of the work; stop at the tailstock end, { $stops } after the hand moves.
}
step-stops-in-groove = Start standing in the groove, the point { $from } from the end face, the play taken up before the { -carriage } moves; { $way ->
    [toward] stop at the headstock end
   *[away] stop at the tailstock end
}, { $stops } after the hand moves.
step-stops-mark = Mark both on the bed or the { -carriage }'s dial.
step-stops-mark-ends = Mark both on the bed or the { -carriage }'s dial. It ends: { $ends }.
step-fixed-stop = Carriage stop set beyond the end of the pass, or off the bed: it does not throw the { -half-nut } out.
    .engaged = Carriage stop set beyond the end of the pass, or off the bed: it does not throw the screw out.
step-speed = Speed { $speed }.
step-speed-by-hand = Speed by hand.
step-speed-binds = { $what } binds, at { $limit }.

what-if-wrong-mark = The { -half-nut } closed a leadscrew pitch off, half way through
what-if-wrong-mark-says = A second groove, { $along } along: the crest is cut through and the thread is spoilt. Look for the tool in the groove before it touches.
what-if-leaned = The { -compound } leaned the other way
what-if-leaned-says = The shape comes out alike, but the other edge cuts and the slide is pushed back against its nut: it chatters and digs in. Lean its handle end the way the picture shows.
what-if-scale = The { -compound } set from the wrong end of its scale, { $angle }° from the cross-slide
what-if-scale-says = The groove is cut wide on its trailing side: { $acts ->
    [groove] the groove is { $by } wider
   *[size] it acts like { $by } off the pitch diameter
}. Check the scale counts from where the card says.
what-if-off-square = The tool { $deg }° off square
what-if-off-square-says = One flank is cut { $deg }° steeper and the other { $deg }° flatter: { $acts ->
    [groove] the groove is { $by } wider
   *[size] it acts like { $by } off the pitch diameter
} at the pitch line, and a true mate bears on one end of each flank.
what-if-tip = The tip { $wider } wider than was told
what-if-tip-says = At the same dial { $acts ->
    [groove] the groove is { $by } wider
   *[size] it acts like { $by } off the pitch diameter
}: measure before the last cuts, and the true tip is found.
what-if-twice = The last cut twice as deep
what-if-twice-says = { $more } more than was meant: { $acts ->
    [groove] the groove is { $by } wider
   *[size] it acts like { $by } off the pitch diameter
}. Past the middle, take half of what is left and measure.
what-if-backlash = A pass begun { $late } late, its backlash not taken up
what-if-backlash-says = That pass cuts beside the groove until the play is gone: { $acts ->
    [groove] the groove is { $by } wider
   *[size] it acts like { $by } off the pitch diameter
}. Start every pass two or three pitches out.

board-go-on = go on after the stop
board-find-groove = find the groove
board-measure-now = measure now
board-cut-pass = cut pass { $n }
board-step = { $step }
board-hang = hang { $drivers } / { $driven }

groove-this-pass = { $area } this pass, { $left } to come; the crest is { $crest } wide.
groove-edges = Leading edge { $leading }, tip { $tip }, trailing edge { $trailing }.
groove-after = The groove after this pass, { $deep } deep; { $left } still to come.

picture-held = The work held { $says }, from above.
dim-runs-on = runs on after the hand moves
dim-room-past = room past the end of the thread
dim-stands-out = stands out of the jaws
motion-you-stand = you stand here
picture-on-scale = { $deg }° on its scale

height-rule = A thin rule
height-center = Against a { -center }
height-center-says = Bring the tip up to the point of a { -center } in the tailstock, or in the spindle: level with it, and the two points meet.
height-facing = A facing cut
height-facing-says = Face the end with it: a pip left in the middle is cut away by a tip on { -center }; one left standing says it is low, one rubbed under says it is high.
height-indicator = By indicator, or a height gauge
height-indicator-says = The height of the { -center }s over the bed or the cross-slide, found once and kept: set the tip to it with an indicator on a stand.
square-fishtail = A fishtail gauge
square-fishtail-says = Its back along the work, its notch over the point: no light on either flank, with white paper under it.
square-square = A square
square-square-says = A small square from the work to the tool's own side, where that was ground true to the point.
square-quill = The tailstock quill
square-quill-says = The gauge's back along the quill run out beside the tool: parallel to the axis wherever the work is rough.
square-chuck = The chuck's face
square-chuck-says = The bar, or the tool's holder, laid along the face of the chuck or faceplate, with the spindle stopped and the key out.

step-stock-how = Against the drawing: length, shoulder, chamfer.
step-run-out = Run-out read, and mended.
step-guard = Guard back on, everything turned once by hand.
step-height = Tool at { -center } height.
step-backlash = Backlash taken up.
step-blued = The work blued.
step-blued-how = Layout blue shows the scratch, and where the tool rubs.
step-zero-how = Touch on a strip of thin paper, then in by its thickness.
step-tripping-stop = Tripping stop set where the pass ends, and tried.
step-fluid = On the work: { $fluid }.
step-dial = The mark the first pass closes on, chosen and named.
step-dry-run = A dry run, tool clear of the work.
step-scratch = A scratch, just seen.
step-scratch-how = { $deep } deep; hand on the lever.
step-pitch = Pitch checked: { $pitch }.
step-clean = Clean and oil: slides, leadscrew, the chuck's register.
step-pitch-how = A gauge in it, or { $length } over { $spaces } spaces of one scratch.

ways-ending = The thread ending { $says }.

plan-body-ahead = How far the { -bit } stands ahead of its point was not told: half a { -bit } of { $half } is taken.
plan-no-lathe = No lathe was chosen: a plain one is assumed. Choose yours before a gear is hung or a dial is set.
plan-first-pass = First pass slow, hand on the lever. No gloves, sleeves or rings near the work; chips by brush or hook.

# A figure somebody was going to use, tested.

own-cuts = So deep from touch this tip leaves a pitch diameter of { $size }{ $how ->
    [in] , within { $low } to { $high }.
    [short] : { $by } short of { $low } to { $high }.
    [past] : { $by } past { $low } to { $high }, which no cut mends.
   *[doubt] , give or take { $by } for want of measuring the tip: stop short of it and measure; { $low } to { $high } is wanted.
}
own-trap-divided = It has the cosine of { $angle }° in it already: it is travel of the { -compound }. Wound straight in it goes { $by } too deep.
own-trap-not-divided = It is the depth straight in. Wound on the { -compound } at { $angle }° it stops { $by } of travel short: divide it by the cosine.
own-trap-divided-twice = The cosine of { $angle }° was divided by twice: { $by } of travel too much.
own-trap-diameter = It is twice what is wanted, { $by } too much: a depth on the diameter, where this is on the radius.
own-trap-half = It is half of what is wanted, { $by } short: a radius told where the dial reads the diameter.
own-trap-height = It is the height that “{ $rule }” gives, for a tip of that rule’s own: for this tip it is { $by } out.
own-bore = A bore of { $bore }, which is { $basic } % of the basic depth too{ $how ->
    [in] , within { $low } to { $high }.
    [under] : under { $low } to { $high }, so the tool, or a tap, works harder than it need.
   *[over] : over { $low } to { $high }, so the crests are past their limit.
}
own-trap-percent = { $percent } % of the basic depth is a bore of { $bore }, within the limits: which of the two depths was it a share of?
own-percent-between = give a percentage from 1 to 130
own-percent-of-a-bore = a percentage is told of the bore of a 60° nut
own-no-wires = no wires serve this thread
own-wires = With it a reading over { $wire } { $serves ->
    [yes] is right within { $by }, of { $room } of tolerance.
   *[no] shows the pitch diameter { $by } too { $way ->
        [small] small
       *[large] large
    }, of { $room } of tolerance.
}
own-trap-other-wire = It is the constant of the { $other } wire.
own-trap-sixty = It is the constant of a 60° form.
own-trap-no-pitch = The pitch’s part was left out of it: { $part }.
own-trap-lead = The lead was put where the pitch belongs.
test-piece-tip = Its readings found the tip { $tip } wide, give or take { $doubt }: the part is laid out for that.
test-piece-spring = { $share } % of a cut sprang away, give or take { $doubt } %: the part’s settings allow for it.
test-piece-angle = Two sizes of wire found that the bit cuts { $found }, give or take { $doubt }, where { $told } is reckoned with.
test-piece-reaction = It ran { $past } past its mark at { $rpm } rpm: a hand { $more } s slower than reckoned, { $now } s in all. Speed and room follow from it.
test-piece-relief = It ran { $past } past its mark: a relief { $wide } wide leaves it that room, where the thread can spare it.
test-piece-field = { $what }: { $there } on the test piece, { $here } on the part.
test-piece-untold = not told
test-piece-what = { $field ->
    [included_angle_deg] The bit’s angle
    [tip_flat_mm] The tip’s flat
    [tip_radius_mm] The tip’s radius
    [leading_relief_deg] The bit’s leading relief
    [trailing_relief_deg] The bit’s trailing relief
    [rake_deg] The bit’s rake
    [height_mm] The bit’s height from { -center }
    [relief_width_mm] The relief’s width
    [relief_diameter_mm] The relief’s diameter
    [chamfer_mm] The chamfer
    [runout_mm] The room to stop in
    [reaction_s] The hand’s reaction
    [spindle_rpm] The spindle’s speed
    [backlash_mm] The play
   *[compound_angle_deg] The { -compound }’s angle
}
