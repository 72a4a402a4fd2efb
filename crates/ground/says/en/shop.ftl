# A lathe as its owner sees it, part by part.

part-none = none
came-assumed = assumed
came-partly = partly assumed
came-trial = measured
came-plate = from its plate
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
    [drawbar] collet on a drawbar
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
        [drawbar] collet on a drawbar
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

# A lathe asked of its owner, one thing at a time.
ask-not-read = “{ $text }” does not read. { $written }
ask-not-a-choice = “{ $text }” is none of the answers: choose one of those listed.
ask-division-and-turn = division { $division }, turn { $turn }
ask-screw = What is its leadscrew?
ask-screw-how = Lay a rule along it: count the threads in an inch, or measure ten spaces in milli{ -meter }s. On a small lathe without one, the screw that feeds the slide.
ask-screw-written = Write threads to the inch or a pitch, as in 8 TPI or 3 mm.
ask-pitches = How is a pitch chosen?
ask-pitches-gears = By gears I change
ask-pitches-gears-under = no gearbox; a { -half-nut } takes hold of the screw
ask-pitches-both = By a gearbox, and gears I change
ask-pitches-both-under = its plate names the gears it assumes
ask-pitches-box = By a gearbox alone
ask-pitches-box-under = the gears behind it stay as they are
ask-pitches-engaged = By gears I change, and there is no { -half-nut }
ask-pitches-engaged-under = the screw drives the { -carriage } and cannot be let go
ask-pitches-slide = By gears that drive the { -compound }’s own screw
ask-pitches-slide-under = that slide cuts the thread, so the cross-slide carries the depth
ask-pitches-untold = Until it is told gears are taken to be changed by hand, with a { -half-nut }.
ask-plate = What does the gearbox’s plate print?
ask-plate-how = Copy its figures line by line, as they stand: rows of one lever, a column for each place of the other. Leave a dash out; begin with mm where it prints milli{ -meter }s.
ask-plate-written = Write rows of pitches, as in 8 9 10 11 on one line and 16 18 20 22 on the next.
ask-plate-untold = Until it is told the gearbox is taken as straight through.
ask-gears = Which gears are there?
ask-gears-how = Every gear once, by its teeth; two alike as 2x40, a run as 20-65/5.
ask-gears-written = Write tooth counts, as in 20-65/5, 2x40, 127.
ask-stud = How does the first gear turn?
ask-stud-how = Turn the spindle ten times by hand and count the turns of the stud the first gear goes on.
ask-stud-written = Write its turns for one of the spindle, as in 1/1 or 2/3.
ask-stud-one = Turn for turn with the spindle
ask-stud-half = Half a turn for each
ask-stud-two = Two turns for each
ask-tumbler = Is there a lever that turns the screw the other way?
ask-tumbler-how = The tumbler, or the lever for left-hand threads.
ask-tumbler-neutral = Both ways, and a place between
ask-tumbler-both = Both ways
ask-tumbler-right = Right-hand only
ask-tumbler-left = Left-hand only
ask-tumbler-none = There is none
ask-arm = How many gears does a train have?
ask-arm-how = From the first on the spindle’s stud to the one on the screw, idlers left out.
ask-arm-two = Two
ask-arm-four = Two or four
ask-arm-six = Up to six
ask-arm-untold = Until it is told trains of two and of four are listed.
ask-dial = Has it a { -dial }?
ask-dial-how = The small dial on the apron that the screw turns.
ask-dial-none = No
ask-dial-usual = 16 teeth, 8 marks
ask-dial-written = Write the teeth of its gear and the marks on its face, as in 16, 8; of several gears, 14/15/16, 8.
ask-cross = What does the cross-slide’s collar say?
ask-cross-how = One division, and one whole turn, as they are marked.
ask-cross-written = Write a division and a turn with their unit, as in 0.001 in, 0.1 in or 0.02 mm, 3 mm.
ask-reads = Wound in by ten divisions, how much thinner is the work?
ask-reads-how = Turn a diameter, measure, wind in ten divisions, turn and measure again.
ask-reads-travel = By twenty
ask-reads-travel-under = the collar tells how far the slide goes
ask-reads-diameter = By ten
ask-reads-diameter-under = the collar tells what comes off the diameter
ask-reads-untold = Until it is told the collar is taken to tell how far the slide goes: a depth on one that tells the diameter would be cut half as deep.
ask-compound = And the { -compound }’s collar?
ask-compound-same = The same as the cross-slide’s
ask-compound-none = There is no { -compound }
ask-compound-none-under = then the cross-slide carries the depth
ask-swing = How far does the { -compound } swing?
ask-swing-any = All the way round
ask-swing-sixty = To 60° either way
ask-swing-none = It does not
ask-swing-written = Write both ends in degrees, as in -45 to 60.
ask-swing-untold = Until it is told it is taken to swing anywhere.
ask-readout = Has it a digital readout?
ask-readout-none = No
ask-readout-diameter = Yes, the cross-slide as diameter
ask-readout-travel = Yes, the cross-slide as travel
ask-readout-untold = Until it is told none is taken to be there, and settings are given on the collar.
ask-drive = What turns the spindle?
ask-drive-motor = A motor
ask-drive-belt = A belt from overhead
ask-drive-treadle = A treadle
ask-drive-hand = My hand alone
ask-drive-untold = Until it is told a motor is taken.
ask-reverses = Can it be turned backward under power?
ask-reverses-yes = Yes
ask-reverses-no = No
ask-stops = What stops it?
ask-stops-neither = It runs out by itself
ask-stops-clutch = A clutch
ask-stops-brake = A brake
ask-stops-both = A clutch and a brake
ask-stops-untold = Until it is told neither clutch nor brake is taken to be there, and it coasts.
ask-speeds = At which speeds?
ask-speeds-how = As its plate has them; of a stepless one, the slowest and the fastest.
ask-speeds-written = Write every step, as in 27, 40, 58; or, stepless, 50 to 1800.
ask-chuck = What holds the work to the spindle?
ask-chuck-screwed = A chuck screwed on
ask-chuck-screwed-under = it can unscrew when the spindle runs backward
ask-chuck-cams = A chuck held by cams
ask-chuck-bolted = A chuck bolted on
ask-chuck-drawbar = A collet on a drawbar
ask-chuck-untold = Until it is told no pass that reverses the spindle is called safe.
ask-post = Where does the tool stand?
ask-post-front = On my side
ask-post-rear = Beyond the work
ask-stop = What stops the { -carriage } on the bed?
ask-stop-none = Nothing
ask-stop-fixed = A block clamped to it
ask-stop-fixed-under = the { -half-nut } does not yield to it
ask-stop-trips = One that throws the feed out
ask-stop-untold = Until it is told nothing is taken to be there.

# The drawer as it is written.
drawer-not-a-size = Line { $line }: “{ $text }” is not the size of a { $of }; { $of ->
    [drill] write 8.5 mm, 1/4 in, No. 7, letter F, a run such as 1 to 13 by 0.5 mm, or a set: numbers, letters, fractions, tenths, halves
   *[wire] write 1.35 mm, 0.0289 in, or a run such as 0.5 to 2 by 0.25 mm
}
drawer-unread = Line { $line } is not { $of ->
    [bit] a bit; write its name and what is known of it, as in Old; outside; hss; 60°; flat 0.25 mm; left 10; right 8; width 10 mm; then worn, broken or lent
    [bar] a bar; write its name, its thickness and its reach, as in Long; thick 16 mm; reach 80 mm; nose 4 mm; carbide
    [insert] an insert; write its name, its pitches and its tip, as in Fine; inside; pitch 0.5 to 3 mm; 60°; radius 0.1 mm; tilt 1.5
    [blade] a blade; write its name and its width, as in Three; outside; parting; width 3 mm; corner 0.2 mm; deep 28 mm
    [micrometer] a micrometer; write its name, what it measures and its range, as in Small; outside; 0 to 25 mm; zero 0.002 mm; spread 0.003 mm
    [indicator] an indicator; write its name, plunger or lever, how far it goes and what it divides, as in Ten; plunger; 10 mm; divides 0.01 mm; spread 0.005 mm
    [gauge] a plug or ring; write what is marked on it and what it is, as in M20x2.5-6H; go plug (plug, go plug, not-go plug, ring, go ring, not-go ring)
    [chaser] a tap or die; write its thread and what it is, as in M8x1.25; taps (taps, taper tap, second tap, bottoming tap, die, split die, die nut); then worn or lent
    [holder] a holder; write what it is and what it holds, as in dog; 10 to 25 mm (dog, live { -center }, dead { -center }, half { -center }, fixed steady, travelling steady, collets, arbor)
   *[reamer] a reamer; write its size, or from where to where it is set, as in 12 mm or 11 to 12.5 mm
}
