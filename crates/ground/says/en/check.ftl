# The check before the first chip: how each line stands, and its cure.

# blank

check-stock-outside = { $used } is outside { $wanted }.
check-stock-not-measured = Not measured: { $wanted } is wanted.
check-stock-to = { $side ->
    [internal] Bore it to { $aim }.
   *[external] Turn it to { $aim }.
}
check-stock-within = { $used }, within { $wanted }.
check-stock-measure = { $side ->
    [internal] Bore it, measure, and tell it; aim at { $aim }.
   *[external] Turn it, measure, and tell it; aim at { $aim }.
}
check-bring-up-tailstock = Bring up the tailstock.
check-set-steady = Set a steady.
check-no-support-serves-work-so = No support serves work so thin or held so already: leave the thread a little full and finish it with a die, or make it entirely by one.
check-how-far-stands-out-was = How far it stands out was not told; no less than the thread itself. { $bends }
check-measure-from-jaws-tell = Measure it from the jaws, and tell it.
check-chamfer-to = Take it to { $to }.
check-clamp-by-face-faceplate-or = Clamp it by its face, on the faceplate, or hold it in what presses it all round.
check-part-must-be-larger-outside = The part must be larger outside, or the thread smaller: no way of holding it mends that.
check-relief-to = Take it to { $deep }.
check-relief-past-tip = { $there }, past the deepest this tip reaches by { $past }.
check-relief-untold = { $end ->
    [ring] No ring told: this tip wants { $diameter } across and { $width } wide.
    [pocket] No pocket told: this tip wants { $diameter } across and { $width } wide.
   *[relief] No relief told: this tip wants { $diameter } across and { $width } wide.
}
check-turn-before-thread-tell = Turn it before the thread, and tell it.
check-foremost-untold-in-bore = What stands ahead of the point in the bore, the bar's nose or its screw, was not told: it meets the end first.
check-relief-wide = { $carriage ->
    [toward] { $there } to stop in, { $needed } needed.
   *[away] { $there } to start in, { $needed } needed.
}
check-relief-width-untold = { $carriage ->
    [toward] Its width was not told: { $needed } to stop in is needed.
   *[away] Its width was not told: { $needed } to start in is needed.
}
check-relief-at-least = Make it at least { $width }.
check-relief-widen = Widen it to { $width }.
check-leave-smaller-radius-corners = Leave a smaller radius in its corners.
check-turn-spindle-by-hand-last = Turn the spindle by hand for the last turns.
check-measure-from-point-whatever-stands = Measure from the point to whatever stands foremost, and tell it.
check-foremost-untold-behind = What stands ahead of the point, the bar's nose or its screw, was not told: it meets what is behind the bore first.
check-turn-groove-start-turn-spindle = Turn a groove to start in, and turn the spindle by hand.
check-turn-groove-start = Turn a groove to start in.
check-measure-from-end-thread-whatever = Measure from the end of the thread to whatever stands there, and tell it.
check-let-stand-out = Let it stand out { $out }.
check-make-room-there-tell = Make { $needs } of room there, and tell it.
check-cut-runs-toward-room-there = { $meets ->
    [center] The cut runs toward the { -center }, and the room there was not told; it runs on { $stopping } after the hand moves.
   *[tailstock] The cut runs toward the tailstock, and the room there was not told; it runs on { $stopping } after the hand moves.
}
check-measure-from-end-thread-where = Measure from the end of the thread to where the { -carriage }, the slide or the tool would meet it, and tell it.
check-room-by-hand = { $there } to stop in, as told; turned by hand it stops where the hand does.
check-room-short = { $there } to stop in, as told, where it runs on { $takes }.
check-by-hand-or-room-there = Turn the spindle by hand, or make room there.
check-room-serves = { $there } to stop in, as told; it runs on { $takes }.

# gears

check-look-trains-without-those-bounds = Look for trains without those bounds.
check-add-gears-lathe-or-see = Add gears to the lathe, or see which to make or buy.
check-leave-train-app = Leave the train to the app.
check-no-train-these-gears-hangs = No train of these gears hangs: see near sizes, and which gear to make or buy.
check-seen-to-hang = { $train }: seen to hang and mesh on this lathe.
check-by-tooth-counts-alone-arm = { $train }: by tooth counts alone, the arm is not measured.
check-hang-with-slip-paper-each = Hang it with a slip of paper in each mesh, and turn it by hand.
check-on-the-lathe = { $train } is on the lathe.
check-on-the-lathe-lever = { $train } is on the lathe; lever at { $lever }.
check-wanted-what-hangs-there-was = { $train } is wanted; what hangs there was not told.
check-machine-isolated-hang-guard-back = Machine isolated, hang it, guard back on; then say it is on.
    .crank = Nobody at the crank: hang it, guard back on; then say it is on.
check-no-nut-short-enough-buy = No nut is short enough for it: { $gears ->
    [fixed] this lathe does not cut it true
   *[changed] buy the gear that makes it true
}.
check-engage-no-more-than-nut = Engage no more than { $shorter } of nut, { $gears ->
    [fixed] or take a lathe that cuts it true
   *[changed] or buy the gear that makes it true
}.
check-to-change = { $train } is wanted: { $changes }.
check-end-as-suits-train = End each pass as suits the train.
check-not-with-this-lathe-train = Not with this lathe and train: { $said }; { $consequence }.
check-end-as-suits-lathe = End each pass as suits this lathe.
check-ending = To end each pass, { $said }.

# setup

check-let-carriage-run-way-suits = Let the { -carriage } run the way that suits the hand.
check-hang-train-with-idlers-shown = Hang the train with the idlers shown.
check-hang-one-idler-more-or = Hang one idler more, or one fewer.
check-nothing-known-tumbler = Nothing is known of the tumbler.
check-turn-spindle-once-by-hand = Turn the spindle once by hand and see which way the { -carriage } goes.
check-hand-as-wanted = A { $word } thread, as wanted.
check-load-flank-faces = It faces the { $word }: the tool meets { $met }.
check-which-way-faces-was-not = Which way it faces was not told: the { $word } is taken, so the tool meets { $met }.
check-hold-drawing-lathe-tell-turned = Hold the drawing to the lathe and tell it: turned about, the thread carries its load on the wrong flank.
check-spindle-turned-by-hand = The spindle is turned by hand.
check-speed-serves = { $speed }; { $binds } allows { $limit }. It runs on { $stopping } before it stops.
check-speed-over = { $speed } is over { $limit }: { $speed_limit } allows no more.
check-no-speed-this-lathe = { $speed } is no speed of this lathe.
check-turn-spindle-by-hand-even = Turn the spindle by hand: even the slowest is over what is allowed here.
check-leave-speed-app = Leave the speed to the app.
check-slowest-over-hand = The slowest, { $speed }, is over the { $limit } that { $binds } is given.
check-try-air-first-hand-lever = Try it on air first, hand on the lever, and tell what you care to thread at; or turn the spindle by hand.
check-slowest-over-table = The slowest, { $speed }, is over the { $limit } of the table, which is where to start and no limit.
check-oil-well-watch-edge-or = Oil it well and watch the edge; or turn the spindle by hand.
check-there-no-room-stop-at = There is no room to stop in at any speed; the slowest is { $speed }.
check-slowest-over = The slowest, { $speed }, is over { $limit }: { $binds } allows no more.
check-by-hand-or-make-room = Turn the spindle by hand, or make room past the end of the thread.
check-by-hand-or-relief = Turn the spindle by hand for the last turns, widen the relief, or cut away from the shoulder.
check-turn-spindle-by-hand = Turn the spindle by hand.
check-chuck-screws-cut-runs-reversed = The chuck screws on and the cut runs reversed: it can unscrew.
check-run-carriage-other-way-with = Run the { -carriage } the other way with the spindle forward.
check-chuck-screws-spindle-reversed-after = The chuck screws on and the spindle is reversed after every pass: started hard, it can unscrew.
check-open-instead-close-by-dial = Open the { -half-nut } instead and close it by the dial.
check-turn-spindle-by-hand-instead = Turn the spindle by hand instead.
check-open-instead-close-by-chalk = Open the { -half-nut } instead and close it by chalk marks, the { -carriage } back at a fixed stop.
check-screwed-never-run-reverse-here = Screwed on, and never run in reverse here. Key out.
check-held-so-may-run-reverse = Held so that it may run in reverse. Key out.
check-on-the-plain-lathe = No lathe was told. On the plain one taken: { $said }
check-tell-the-lathe = Tell your lathe: it is then reckoned for it.
check-stands-on-untold = { $said } That stands on what was not told of the lathe: { $facts }.
check-tell-of-the-lathe = Tell it of the lathe: { $facts }.
check-lathe-fact = { $fact ->
    [leadscrew] the leadscrew
    [gears] its gears
    [dial] whether it has a { -dial }
    [cross_slide] what the cross-slide's dial says
    [reads] whether that reads the radius or the diameter
    [compound] what the { -compound }'s dial says
    [speeds_rpm] the spindle's speeds
    [chuck] how the chuck is held
    [coast_turns] how far it coasts
   *[reverses] whether the spindle reverses
}
check-chuck-untold = How the chuck is held was not told, and the spindle is reversed here: one that screws on could come off.
check-look-how-chuck-held = See how it is held, and tell it; until then keep the spindle turning forwards.
check-held-directions-used-key-out = Held for the directions used. Key out.

# bit

check-no-bar-was-picked-at = No bar was picked: at most { $span } tip to back goes in.
check-no-bar-was-picked = No bar was picked.
check-pick-one-from-drawer = Pick one from the drawer.
check-no-bit-picked = No { -bit } was picked from the drawer.
check-grind-one = Grind one for it.
check-set-on-center = Set it on { -center }, and tell it.
check-set-on-center-and-grind = Set it on { -center }, and grind its sides to { $wanted }.
check-grind-sides = Grind its sides to { $wanted }.
check-ground-past-what-thread-takes = Ground past what the thread takes; { $wanted } was wanted.
check-what-sides-were-ground-was = What its sides were ground to was not told.
check-grind-tell = Grind { $wanted }, and tell it.
check-tip-grind = Grind it true, with { $shape ->
    [flat] a flat of { $size }
   *[radius] a radius of { $size }
}.
check-tip-untold = { $bit }. The passes stop at { $stop }, to be measured.
check-tip-measure = Measure it; { $shape ->
    [flat] a flat of { $size }
   *[radius] a radius of { $size }
} is the aim.

# cut

check-leave-passes-app = Leave the passes to the app.
check-cuts-of = { $count ->
    [1] 1 cut, of up to { $most }. { $lightened }
   *[other] { $count } cuts, of up to { $most } each. { $lightened }
}
check-plunge-straight-by-cross-slide-with = Plunge straight in by the cross-slide, with lighter cuts.
check-lean-as-thread-wants = Lean the { -compound } as the thread wants.

# gauge

check-no-size-limits-makes-room = No size in the limits makes room: a truer train or tool, or a shorter mate.
    .fixed = No size in the limits makes room: a truer tool, a shorter mate, or a lathe that cuts this pitch truer.
check-aim = Aim at { $size }.
check-prove-by = Prove it by { $proof }.
check-get-what-missing-before-first = Get what is missing before the first chip.
check-nothing-at-hand-proves = Nothing at hand proves it: { $ways }.

# The lines by their names.
line-blank = Blank
line-bore = Bore
line-tool-goes-in = Tool goes in
line-tool = Tool
line-both-sides-clear = Both sides clear
line-tip = Tip
line-stick-out = Stick-out
line-chamfer = Chamfer
line-runs-true = Runs true
line-turns-parallel = Turns parallel
line-wall = Wall
line-thread-left = Full thread left
check-relief-no-wider = Turn the relief no wider than { $width }.
check-end-it-so = End it { $end }, which leaves { $usable }.
check-too-short-to-end = A longer thread; the point ground over to that side or a narrower bit; or a die or a tap to make it.
line-relief-deep = Relief deep enough
line-relief-wide = Relief wide enough
line-beyond-end = Beyond the end
line-tail-room = Room at the tailstock
line-coming-back = Coming back
line-passes = Passes
line-slide = Slide
line-mate-goes = Mate goes on
line-proof = Proof of size
line-gears-hang = Gears hang
    .fixed = Levers
line-gears-on = Gears are on
line-lead-true = Lead true
line-half-nut = { -Half-nut }
    .engaged = Ending a pass
line-hand = Hand
line-load-flank = Flank that carries the load
line-speed = Speed
line-chuck = Chuck
line-all-read = All that is kept was read
line-also = Also
check-use-newer-program = Use the newer program that wrote it.
check-see-station = See its station.
check-says = { $wrong ->
    [0] Nothing stands against the first chip.
    [1] Not yet: one thing to put right.
   *[other] Not yet: { $wrong } things to put right.
}{ $open ->
    [0] { "" }
    [1] { " " }One thing is not known.
   *[other] { " " }{ $open } things are not known.
}
check-side-deg = { $side ->
    [leading] { $angle } leading
   *[trailing] { $angle } trailing
}
check-groove-and-room = Turn a groove to start in, and make { $room } of room behind it.
check-travel-wanted = { $travel } of travel wanted.
check-hang-instead = Hang { $train } instead.
check-gears-to = { $n ->
    [1] 1 gear
   *[other] { $n } gears
} { $way ->
    [off] to take off
   *[on] to hang
}
check-spindle-cranked = The spindle is turned by hand: no speed is chosen.
check-levers-alone = Levers to { $lever }: the gears of this lathe stay as they are.
check-levers-other-pitch = Take a pitch its levers make, or another lathe.
check-tell-ahead = Tell what it carries ahead of its thread: nothing, where it is a plain one.
check-stand-out = Stand the work further out, so that the mate goes on before it meets the jaws.
check-more-room = Make more room beyond the thread, so that the mate goes on before it meets what stands there.
check-longer-thread = Cut the thread longer, by what the mate lacks.
