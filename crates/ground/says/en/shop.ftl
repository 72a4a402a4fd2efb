# A lathe as its owner sees it, part by part.

part-none = none
part-not-told = not told
part-nothing-told = nothing told
part-leadscrew-untold = Every train is reckoned from it: count its threads first.
part-leadscrew = { $screw }, { $hand }
    .engaged = { $screw }, { $hand }, always engaged
    .slide = { $screw }, { $hand }, driving the { -compound }
part-leadscrew-across = { $screw }, { $hand }, { $across } across
    .engaged = { $screw }, { $hand }, { $across } across, always engaged
    .slide = { $screw }, { $hand }, { $across } across, driving the { -compound }
part-stud-untold = Ten turns of the spindle and a rule along the bed would tell.
part-stud-turn-for-turn = turn for turn with the spindle
part-stud = { $ratio } of a turn for each turn of the spindle
part-gearbox-none = none: the train drives it straight
part-gearbox-one = one ratio, { $ratio }
part-gearbox = { $n } lever positions, { $least } to { $most }
part-tumbler-untold = Without it the idlers are taken to give the hand.
part-tumbler-both = turns the leadscrew either way
part-tumbler-right = has the right-hand place only
part-tumbler-left = has the left-hand place only
part-tumbler-none = there is none: idlers give the hand
part-gears-untold = A common set of module 1, 20 to 127, stands in for yours.
part-gears-dp = { $n } of DP { $dp }, { $low } to { $high } teeth
part-gears-module = { $n } of module { $module }, { $low } to { $high } teeth
part-gears-joined = { $n } joined in pairs
part-gears-bound = { $n } on some shafts only
part-mounted-untold = Until it is told every gear counts as a change.
part-arm-untold = Until it is measured a train is judged by its tooth counts alone.
part-arm-simple = simple trains only
part-arm-compound = trains of two or four gears
part-arm-six = trains of up to six gears
part-arm-unmeasured = not measured, { $trains }
part-arm = stud to leadscrew { $apart }, { $studs ->
    [1] 1 stud
   *[other] { $studs } studs
}, { $trains }
part-arm-slot = stud to leadscrew { $apart }, studs { $near } to { $far } from it, { $studs ->
    [1] 1 stud
   *[other] { $studs } studs
}, { $trains }
part-dial-marks-as-teeth = marks as many as teeth
part-dial-marks = { $n } marks
part-dial = { $teeth } teeth, { $marks }
part-dials = gears of { $teeth } teeth, { $marks }
part-slide-untold = Settings are given on this dial: read a division and a turn off it.
part-slide = { $division } { $unit } a division, { $turn } { $unit } a turn, { $reads ->
    [diameter] reads diameter
   *[travel] reads travel
}
part-travel = travel { $travel }
part-swings = swings { $low } to { $high }°
part-scale-bed = scale zero along the bed
part-scale-cross = scale zero along the cross-slide
part-speeds-untold = These stand in for yours.
part-dial-untold = Until it is told none is followed.
part-post-untold = The front is taken: a tool at the rear cuts upside down, or with the spindle reversed.
part-speeds-between = any from { $from } to { $to } rpm
part-spindle-untold = Told, it settles whether the spindle may be reversed and how it stops.
part-spindle = { $chuck ->
    [screwed] chuck screwed on
    [cams] chuck held by cams
   *[bolted] chuck bolted on
}, { $reverses ->
    [yes] reverses
   *[no] does not reverse
}, { $stop ->
    [both] clutch and brake
    [clutch] a clutch
    [brake] a brake
   *[neither] neither clutch nor brake
}, { $turns ->
    [1] coasts 1 turn
   *[other] coasts { $turns } turns
}
    .crank = { $chuck ->
        [screwed] chuck screwed on
        [cams] chuck held by cams
       *[bolted] chuck bolted on
    }, turned by hand
part-post-rear = at the rear
part-post-front = at the front
part-stop-none = none on the bed
part-stop-fixed = a fixed block on the bed
part-stop-trips = one that throws the feed out
part-reads-diameter = cross-slide as diameter
part-reads-travel = cross-slide as travel
part-reads-compound = { -compound }
part-readout = reads { $axes }{ $told ->
    [yes] , to { $to }
   *[no] { "" }
}
part-readout-axes-untold = there is one{ $told ->
    [yes] , to { $to }
   *[no] { "" }
}; which slides it reads is not told

lathe-drawn = The { $name } seen from the gear end, with what hangs on its arm, and from the front.
lathe-no-train-told = no train told
lathe-no-gearbox = no gearbox
lathe-places = { $n } places
lathe-no-readout = no readout
lathe-no-dial = no dial
lathe-speeds = { $from } to { $to } rpm
    .crank = by hand
part-gears-fixed = cannot be changed: the levers choose the pitch
part-mounted-fixed = always the same
part-arm-none = none
part-compound-none = none: the cross-slide carries the depth
part-speeds-cranked = none: the spindle is turned by hand
