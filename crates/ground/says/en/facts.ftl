# What is asked of the facts of a job, a lathe, a drawer: what is wrong, and what would be right.

fact-give-modulemm-dp-over-0 = give module_mm or dp (over 0), not both
fact-name-shafts-goes-spindle-stud = name the shafts it goes on: spindle, stud, leadscrew
fact-there-no-among-these-gears = there is no { $teeth } among these gears
fact-piece-two-gears-60-30 = a piece is two gears, such as [60, 30]
fact-there-no-loose-left-among = there is no loose { $teeth } left among these gears to join; list each piece's gears among the gears too
fact-only-bore-walls-choose-between = only a bore has walls to choose between; leave it out for an external thread
fact-give-lathe-latheid-not-both = give lathe or lathe_id, not both
fact-no-lathe-kept-here-give = no lathe “{ $id }” is kept here; give one of the stored lathes, or describe it under lathe
fact-no-lathe-given-plain-one = No lathe was given: a plain one is taken, 8 TPI with gears 20 to 127 and inch dials; gears, dials, speeds and stopping hang on it.
untold-dial = Whether there is a { -dial } was not told: { $teeth ->
    [0] none is taken
   *[some] one of { $teeth } teeth with { $marks } marks is taken
}.
untold-cross-slide = What the cross-slide's dial says was not told in full: { $division } { $unit } a division and { $turn } { $unit } a turn are taken.
untold-reads = Whether the cross-slide's dial reads the radius or the diameter was not told: the { $reads ->
    [diameter] diameter is taken; where it reads the radius, every cut goes twice as deep
   *[radius] radius is taken; where it reads the diameter, every cut goes half as deep
}.
untold-compound = What the { -compound }'s dial says was not told in full: { $division } { $unit } a division and { $turn } { $unit } a turn are taken.
untold-speeds = The spindle's speeds were not told: { $from } to { $to } rpm are taken.
untold-half-nut = Whether a { -half-nut } takes hold of the screw was not told: that one does is taken. Where the screw is always engaged no pass ends by opening it.
untold-drive = What turns the spindle was not told: a motor is taken. A treadle or a hand holds no set speed.
untold-post = Where the tool stands was not told: the operator's side is taken. Beyond the work it cuts upside down, or with the spindle reversed.
untold-chuck = How the chuck is held was not told: that it does not screw on is taken. One that does can come off when the spindle is reversed.
untold-reverses = Whether the spindle reverses was not told: { $does ->
    [true] that it does is taken
   *[false] that it does not is taken
}.
fact-no-kit-listed-drawer-taken = No kit was listed: the drawer is taken as empty.
fact-give-callout-special-not-both = give a callout or special, not both
fact-special-needs-outside-diameter-2205 = a special needs its outside diameter, such as 22.05
fact-give-pitchmm-tpi-one-two = give pitch_mm or tpi, one of the two
fact-give-minormm-rootflatmm-not-both = give minor_mm or root_flat_mm, not both
fact-square-threads-flanks-stand-upright = a square thread's flanks stand upright: allow twice the coating in its width and clearance instead
fact-so-many-starts-climb-over = so many starts climb at over 43°, past single-pointing; check starts and pitch
fact-no-length-given-two-diameters = No length was given: two diameters, { $usual }, is taken.
fact-both-flanks-thread-alike-leave = both flanks of this thread are alike; leave it out
fact-way-flank-carries-load-faces = Which way the flank that carries the load faces was not told: the { $word } is taken.
fact-class-but-side-says-change = class { $class } is { $word } but the side says { $word2 }; change one
fact-thread-clearance-standard-leave-out = a { $word } thread has its clearance from its standard; leave it out
fact-rounded-root-asked-60-screw = a rounded root is asked of a 60° screw; leave it out here
fact-train-many-driven-gears-drivers = a train has as many driven gears as drivers: one, two or three of each
fact-not-gearbox-position-choices = “{ $name }” is not a gearbox position of the { $lathe }; the choices are { $known }
fact-square-thread-cut-flat-tip = a square thread is cut with a flat tip; give tip_flat_mm
fact-give-tipflatmm-tipradiusmm-not-both = give tip_flat_mm or tip_radius_mm, not both
fact-give-measured-two-lies-between = give what was measured, or the two it lies between, not both
fact-width-square-tool-measured-give = the width of a square tool is measured: give tip_flat_mm
fact-two-flats-wanted-narrower-first = two flats are wanted, the narrower first, between 0 and { $pitch } for this pitch
fact-two-radii-wanted-smaller-first = two radii are wanted, the smaller first, between 0 and { $pitch } for this pitch
fact-style-feeds-straight-no-compound = this style feeds straight in and has no compound angle; leave it out or choose flank
fact-square-thread-cut-straight-choose = a square thread is cut straight in; choose radial or stocking_then_form
fact-rows-go-order-each-deeper = rows go in order, each deeper than the one before
fact-one-turn-must-whole-number = one turn must be a whole number of divisions
fact-give-flat-radius-two-flat = give its flat, its radius, or the two its flat lies between: one of them
fact-two-flats-wanted-narrower-first-2 = two flats are wanted, the narrower first, at most 50 mm
fact-name-1-80-letters-wanted = a name of 1 to 80 letters is wanted
fact-drawer-twice-each-own-name = “{ $name }” is in the drawer twice; each has its own name
fact-most-entries-most-200-letters = at most { $most_happened } entries of at most 200 letters are kept
fact-give-gearbox-ratios-plate-pitches = give gearbox (ratios) or plate (pitches), not both
fact-left-out-gearbox = Left out of the gearbox: { $says }
fact-two-lever-positions-called-each = two lever positions are called “{ $p }”; each has its own name
fact-give-gears-geargroups-not-both = give gears or gear_groups, not both
fact-no-gears-listed-common-set = No gears were listed: a common set of module 1 is taken.
fact-no-leadscrew-given-tpi-assumed = No leadscrew was given: { $leadscrew_tpi } TPI is assumed.
fact-give-tpi-over-0-pitchmm = give tpi (over 0) or pitch_mm, not both
fact-two-numbers-wanted-nearest-farthest = two numbers are wanted: nearest and farthest, in mm
fact-farthest-must-more-than-nearest = the farthest must be more than the nearest, and neither below 0
fact-two-angles-wanted-lesser-first = two angles are wanted, the lesser first, between -180 and 180
fact-say-wires-measured-over = say which wires it was measured over
fact-give-pitchdiametermm-overwiresmm-wiremm-one = give its pitch_diameter_mm, or its over_wires_mm with wire_mm, or its crest_mm with root_mm or space_mm: one of them
fact-original-estimated = Of the part to match only crests and root, or a space, were measured: its size over the flanks is taken as { $size }, give or take { $doubt }. Over wires it would be known.
fact-original-root = crests and roots so far apart leave no thread of this pitch and angle: measure them again
fact-original-root-or-space = with its crests give its root_mm or the space_mm between two of them, one of the two
fact-original-straight-sides = straight sides have no size over the flanks: measure the space and cut to its width
fact-original-angle = measure the angle of the part to match: one not told is taken for none
fact-register-fits-mates-plain-part = a register fits the mate's plain part: give its measured diameter
fact-parallel-test-two-diameters-how = a parallel test is two diameters and how far apart they were measured: give all three
fact-sums-too-many-pad-holds = { $asked } sums are too many; the pad holds { $most }
fact-no-result-distance-apart-must = “{ $sum }” has no result: the distance apart must not be 0
fact-goes-round-circle-give-one = “{ $sum }” goes round in a circle: give one of its figures as measured
fact-two-sums-feed-let-one = two sums feed the { $says }; let one do it
fact-sum-name-1-40-characters = a sum has a name of 1 to 40 characters
fact-name-another-sum-give-each = “{ $sum }” is the name of another sum; give each its own
fact-takes = “{ $sum }” takes { $takes }: { $wanted }
fact-there-no-sum-pad = there is no sum “{ $name }” on the pad
fact-wants-figure-another-sum = “{ $sum }” wants a figure or another sum for { $meaning }
fact-plain-dimensions-too-many-part = { $asked } plain dimensions are too many; a part holds { $most }
fact-plain-dimension-name-1-40 = a plain dimension has a name of 1 to 40 characters, such as head diameter
fact-name-another-give-each-own = “{ $one }” is the name of another; give each its own
fact-wants-nominal-size = “{ $one }” wants its nominal size
fact-plain-has-no-place = “{ $name }” is a length along the part: it is told by its size alone, without a place
fact-upper-deviation-under-lower = the upper deviation, { $over }, is under the lower, { $under }
fact-plate-least-one-row-one = a plate has at least one row and one column; name the lever's places
fact-stands-here-twice-each-place = “{ $part }” stands here twice; each place of a lever has its own name
fact-pitches-more-than-lever-positions = { $count } pitches are more than the { $most } lever positions a lathe may have
fact-give-pitches-printed-ratios-two = give the pitches printed, or the ratios of the two levers, not both
fact-places-named-but-ratios-given = { $names } places are named but { $ratios } ratios are given
fact-rows-named-but-given = { $rows } rows are named but { $cells } are given
fact-row-cells-where-columns-named = this row has { $row } cells where { $columns } columns are named; null stands for an empty one
fact-pitch-over-0-most-1000 = a pitch over 0 and at most 1000 is wanted, or null for an empty cell
fact-train-many-driven-gears-drivers-2 = a train has as many driven gears as drivers, at least one of each
fact-share-full-thread-belongs-bore = a share of full thread belongs to a bore; for a screw give diameter_mm
fact-thread-up-shoulder-cannot-run = a thread up to a shoulder cannot run out into the open; choose relief, plunged_ring, withdraw or drilled_pocket, or leave the shoulder out
fact-outside-asked-part-bore-screw = the outside is asked of a part with a bore; for a screw give diameter_mm
fact-not-material-known-here-choices = “{ $code }” is not a material known here; the choices are { $known }
fact-no-material-given-mild-steel = No material was given: mild steel is assumed.
fact-nothing-tried-give-spindleturns-travelmm = nothing was tried: give spindle_turns and travel_mm, or screw_turns, marks_passed and marks
fact-wanted-too = { $what } is wanted too
fact-not-gearbox-position = “{ $name }” is not a gearbox position of the { $lathe }
fact-leadscrews-turns-marks-passed-marks = the leadscrew's turns, the marks that passed and the marks on the dial are wanted together
bounds-length = { $value } is out of bounds; it must be { $span }
bounds-length-of = { $value } is out of bounds; it must be { $span } { $of }
bounds-number = { $value } is out of bounds; it must be { $low } to { $high }
bounds-number-of = { $value } is out of bounds; it must be { $low } to { $high } { $unit }
bounds-ratio = a ratio must be over 0, with terms of at most 1000000, such as "2/3"
bounds-teeth = { $teeth } teeth is out of bounds; a gear has { $least } to { $most }
fact-coast-taken = How far it coasts was not measured: { $count ->
    [one] { $turns } turn from { $rpm } rpm is taken
   *[more] { $turns } turns from { $rpm } rpm are taken
}, with { $by ->
    [brake] its brake
    [clutch] its clutch
   *[neither] neither clutch nor brake
}.
fact-coast-speed-taken = The speed it coasts { $turns } turns from was not told: { $rpm } rpm is taken.
fact-not-a-gear = “{ $text }” is not a gear; write 40, 2x40 for two of them, or 20-65/5 for 20, 25 … 65
fact-gears-never-reach = “{ $text }” does not come out: from { $from } by { $step } never reaches { $to }
fact-not-known = { $of } holds what this version does not know ({ $fields }): it is kept as it is, and the plan is reckoned without it.
fact-sample-unknown = the sample's thread is not known yet; identify it, or make it to its measurements
fact-no-callout = no callout yet; give one such as M20x2.5-6g or 7/8-9 UNC-2A, or sizes under special
callout-and-near = { $missing }; near it: { $near }
fact-overrode = The callout says { $what ->
    [class] class { $from }; class { $to } was chosen instead.
   *[other] { $from }; { $to } was chosen instead.
}
plate-all-fit = { $n } lever positions, and they all fit together.
plate-cells-misfit = { $n } cells do not fit the rest: read them again.
plate-inch-and-metric = Inch and metric meet here, and no gearbox has a 127 inside it. Either this plate assumes transposing gears: name them; or its figures are rounded, and the thread cut differs from the figure by as much. Tell the lever ratios instead if they can be counted, or prove one pitch over a long travel.
plate-cell-misfits = { $cell }: { $told } does not fit the rest of the plate; { $fits } would. Read it again.
plate-cell-out-of-order = { $cell }: { $told } stands out of order with its neighbours. Read it again.
feeds-blank-diameter = blank or bore as turned
feeds-thread-length = threaded length
feeds-relief-width = relief width
feeds-relief-diameter = relief diameter
feeds-runout-room = room to stop in
feeds-from-end = where the thread begins, from the face
feeds-shoulder-diameter = diameter of the shoulder
feeds-stick-out = how far it stands out
feeds-plain-size = the plain size called so
feeds-plain-length = how long the plain size called so is
feeds-plain-place = where the plain size called so begins
fact-no-size-of-that-name = no plain size is called “{ $name }”: a sum feeds the one of its own name

# What is told at the lathe.
bounds-dial = { $value } is out of bounds; it must be 0 to { $high } in the dial's own unit
bounds-count = { $value } is out of bounds; it must be 0 to { $high }
act-plain-size-named = a plain size is named as the part's own list has it
act-say-what-spoilt = say in 1 to 400 characters what spoilt it
act-name-act = name the act to take back
act-note-letters = a note has 1 to 4000 characters
fact-nose-is-a-screw = the spindle’s nose is a screw: it tries a thread in a bore
act-touched-belongs = what met before the threads belongs to a mate that does not go
act-flat-or-radius = give its flat or its radius, not both
act-step-code = a step of the set-up is named by its code
act-stamp-letters = a step's stamp has at most 64 characters
act-noted-letters = at most 200 characters are noted with a step
act-square-width = between straight sides the width is the tool's own: measure the new one's, and tell it
act-square-touch = between straight sides no touch tells the tip: touch the bottom for the depth, and tell where the dial stands
act-past-full-depth = full depth is { $full } on this dial, and { $reading } is far past it: was that read in { $other ->
    [mm] mm
   *[in] inches
}?
act-no-tip-touches = no tip of this form touches there: between { $least } and { $most } on this dial it could; was the zero on the crest, and the play taken up?
act-measure-first = measure it, or try the mate, first: opening the { -half-nut } loses this thread
    .engaged = measure it, or try the mate, first: what takes the screw out of step loses this thread
act-nothing-cut = nothing has been cut yet: tell the tool and the set-up at their stations
read-give-one = give over_wires_mm, pitch_diameter_mm, over_one_wire_mm, between_balls_mm, root_mm or plug, one of them
read-how-many-balls = say how many balls, 2 or 3
read-how-large-balls = say how large the balls are
read-balls-belong = balls belong to a size between balls
read-plug-no-places = a plug tells nothing of places
read-wire-belongs = a wire belongs to a size read over wires
read-crests-one-wire = the size over the crests goes with a reading over one wire
read-instrument-letters = an instrument has a name of 1 to 80 letters
read-most-places = at most 24 more places are told
read-how-far-round = how far round is -360 to 360 degrees
learned-mate = The mate of “{ $title }” just goes at { $size }.
learned-spring = On the { $lathe } in { $material }, by { $n ->
    [1] 1 job
   *[other] { $n } jobs
}: { $spring } % of a cut springs away, give or take { $doubt }.
learned-tips = Tips were found { $by } { $way ->
    [wider] wider
   *[narrower] narrower
} than told.
engine-reckons-the-same = This plan was frozen by version { $frozen } of the reckoning; its passes and limits stand as they were frozen, and version { $now } reckons the same. What is drawn and said beside them is by version { $now }.
engine-reckons-otherwise = This plan was frozen by version { $frozen } of the reckoning, and version { $now } reckons it otherwise: so nothing is drawn or printed of it here. Go on at the lathe by its passes, which stand as they were frozen.
batch-parts = a batch has 2 to { $most } parts
batch-hands = a hand for each of the { $parts } parts is wanted, or none at all
buy-name-pitches = name from 1 to { $most } pitches, such as 1.25 mm, 11.5 TPI
buy-not-a-pitch = “{ $one }” is not a pitch; write 1.25 mm, 11.5 TPI, or 2 x 5 TPI for two starts
route-too-many-setups = { $n } set-ups are too many; a route holds { $most }
route-id-letters = an id has 1 to { $most } letters, and no stroke
route-id-twice = “{ $id }” stands twice; each has its own
route-most-letters = at most { $most } characters are kept
route-most-ops = a set-up holds at most { $most }
route-say-must = say what must be true
route-piece-named = a piece is named by a job of this part
route-no-job = it is no job of this part
route-say-own = say what is done: an operation of your own has no other name
route-minutes = an operation takes 0 to 2000 minutes

# A sheet of gears, or of a plate.
sheet-line = Line { $line }, { $column }: { $detail }
sheet-not-csv = this is not a sheet of comma-separated values: { $why }
sheet-most-lines = a sheet has at most { $most } lines
sheet-empty = the sheet is empty
sheet-no-column = no such column; they are { $columns }
sheet-teeth-column = the first line names the columns, and there must be one called teeth
sheet-not-a-number = “{ $told }” is not a number
sheet-not-teeth = “{ $told }” is not a tooth count; write one whole number a line
sheet-teeth-wanted = a tooth count is wanted
sheet-not-a-count = “{ $count }” is not a count; 1 to 20 is wanted
sheet-no-shafts = “{ $on }” names no shafts; spindle, stud or leadscrew, with a space between
sheet-piece = piece { $name } has { $n } gears of this pitch; a piece is two gears under the same name
sheet-first-cell = the first cell says what the others are: tpi, mm or ratio
sheet-more-cells = there are more cells here than the first line names
sheet-not-a-pitch = “{ $text }” is not a pitch or a ratio; write 11.5, 1.75 or 2/3
sheet-not-tooth-count = “{ $told }” is not a tooth count
fact-lathe-has-one = every lathe that threads has one; leave it out where it is not known
fact-gears-fixed-none-hung = the gears of this lathe cannot be changed: none are listed or hung; tell its plate or its lever positions
fact-gears-fixed-lever = the gears of { $lathe } cannot be changed: hang none, and choose by the lever position alone, as "gearbox"
fact-slide-screw-no-nut = a driven slide screw is always engaged: say no half-nut, or that the carriage is driven
fact-cranked-ends-by-hand = { $lathe } is turned by hand: a pass ends where the hand stops; choose hand, or auto
fact-no-nut-to-open = { $lathe } has no half-nut to open: choose closed, hand or auto
fact-cranked-no-speed = { $lathe } is turned by hand and has no speed to set; leave it out
fact-compound-carries-no-depth = no depth can be set on a compound of { $lathe }: choose radial or stocking_then_form, and no compound angle
kit-no-such-bar = no bar “{ $bar }” is in the drawer: put it there first, or leave it out
kit-rest-or-relief = give the angle of the rest or the relief it left, not both
kit-thread-unread = { $why }{ $some ->
    [yes] ; near it: { $near }
   *[no] {""}
}
kit-soft-not-picked = “{ $tool }” is of soft steel, to practise grinding on: pick one that cuts
material-not-known = a metal not known
material-not-known-fluid = light cutting oil
material-contradicts = No metal of the table shows all of that: try again on clean metal. Until then it is planned for as the worst of them all.
material-one-left = Of the metals of the table only { $name } shows that: it is planned for.
material-any-metal = The material is not known: it is planned for as the worst of the metals. Magnet, file, spark and swarf tell more; a plastic is known by its looks, and named.
material-several-left = It may be any of { $names }: it is planned for as the worst of them.
material-trial = { $trial ->
    [magnet] the magnet
    [file] the file
    [spark] the spark
   *[swarf] the swarf
}
material-rules-out = { $trial ->
    [magnet] The magnet
    [file] The file
    [spark] The spark
   *[swarf] The swarf
} rules out { $names }.
material-try-next = { $trial ->
    [magnet] The magnet tells most next: on clean metal, away from the chuck.
    [file] The file tells most next: a smooth one, one stroke on a corner that is turned off later.
    [spark] The spark tells most next: a corner of scrap on the wheel, eyes shielded, wheel guard shut; no aluminium, brass or plastic on a wheel, so only where a magnet holds it or the file bites hard.
   *[swarf] The swarf tells most next: a light cut where metal comes off anyway.
}
material-own-gone = The material told is kept no longer: until another is told it is planned for as a metal nobody knows.
material-own-taken = { $what ->
    [speed] The speed { $name } is cut at was not told: that of { $like } is taken.
    [cuts] The least or the usual cut in { $name } was not told: that of { $like } is taken.
    [pressure] The cutting pressure of { $name } was not told: that of { $like } is taken.
   *[strength] The strength or stiffness of { $name } was not told: that of { $like } is taken.
}
fact-seen-as-many = as many driven gears as drivers are wanted, at least one of each
fact-first-arm-first = the first arm is told under arm; other arms come after it
fact-mate-size-once = give the mate’s pitch diameter or its size over wires, not both
fact-mate-nut-no-wires = a nut has no size over wires: give its pitch diameter
