# When the half-nut may close again.

nut-anywhere = Close the { -half-nut } anywhere: the thread repeats on every leadscrew pitch.
nut-any-mark = Close on any mark: each is a multiple of { $apart } leadscrew pitches.
nut-any-mark-of = Close on any mark ({ $teeth }-tooth dial gear): each is a multiple of { $apart } leadscrew pitches.
nut-every-mark = Close on every { $every } mark from the first: { $apart } leadscrew pitches apart.
nut-every-mark-of = Close on every { $every } mark from the first ({ $teeth }-tooth dial gear): { $apart } leadscrew pitches apart.
nut-every-tooth = Close on every { $every } tooth of the dial gear from the first ({ $teeth }-tooth dial gear): { $apart } leadscrew pitches apart.
nut-not-by-this-dial = Opened, the { -half-nut } is not found again by this dial: the thread repeats only every { $apart } leadscrew pitches, which it does not count.
nut-no-dial = There is no dial to close the { -half-nut } by, and the thread repeats only every { $apart } leadscrew pitches.
nut-no-train = No train can be hung from these gears.

train-exact = exact

gears-none-hung = No train is hung.
gears-positions-true = As a screw that positions it is as true as the leadscrew, whose own error is often { $own } in { $of }.
gears-positions-out = As a screw that positions: { $out } out in { $of } of travel. The leadscrew’s own error, often { $own } in as much, comes on top.
gears-none-passes = No train passes what is asked of it: allow more error, more changes, or another lever.
gears-none-made = No train can be made from the gears listed; add gears to the lathe.
gears-idlers-choose = { $tumbler ->
    [none] There is no tumbler to choose the way the leadscrew turns
   *[lacks] The tumbler cannot choose the way the leadscrew turns
}: the count of idlers does. Hang just those shown.
gears-meshes-choose = { $tumbler ->
    [none] There is no tumbler to choose the way the leadscrew turns
   *[lacks] The tumbler cannot choose the way the leadscrew turns
}: the count of meshes does. Hang it with { $meshes } meshes, and turn the spindle once by hand to see.
gears-tumbler-lacks = { $tumbler ->
    [none] There is no tumbler, and this train turns the leadscrew the other way
   *[lacks] The tumbler has no position that turns the leadscrew this way
}: one more or one less idler is needed.
gears-marks-drift = On this train the marks that serve { $pitch } are out by { $drift } after { $passes } passes, and it adds up: { $slight ->
    [yes] slight here, but keep it closed all the same
   *[no] keep it closed
}.
gears-lead-exact = Exact: no error at any length.
gears-not-listed = The gears listed for this lathe do not include (another) { $list }: make sure it is in the drawer.
gears-isolate = Change gears only with the machine isolated; guard back on before it runs.
    .crank = Change gears only with nobody at the crank; guard back on before it is turned.
gears-binds = This train will bind a nut longer than { $longest }: its error takes { $takes } of the { $room } there are.
    .fixed = This lever position will bind a nut longer than { $longest }: its error takes { $takes } of the { $room } there are.
gears-doubtful = The train's error takes { $takes } of { $room }: doubtful on { $nut } of nut. Choose a truer train, or cut to the low limit.
    .fixed = The lever position's error takes { $takes } of { $room }: doubtful on { $nut } of nut. Cut to the low limit.
gears-takes = Takes { $takes } of { $room } over { $nut } of nut: { $weight ->
    [binds] will bind
    [doubtful] doubtful
   *[harmless] harmless
}. Binds a nut longer than { $longest }.

nut-short-anywhere = close anywhere
nut-short-any-mark = close on any mark
nut-short-teeth = close on every { $every } tooth
nut-short-marks = close on every { $every } mark
nut-short-closed = keep it closed
chart-no-train = no train comes near it
gears-does-not-hang = This train does not hang: { $why }.
gears-may-not-hang = This train may not hang: { $why }.
gears-drawn = Gear train from the spindle stud to the leadscrew: { $train }. { $turns ->
    [with] The leadscrew turns with the spindle.
   *[against] The leadscrew turns against the spindle.
}
dial-drawn-any = The threading dial: any place on it serves.
dial-drawn-none = The threading dial of { $marks } marks: none of them serves this train.
dial-drawn = The threading dial of { $marks } marks: from the one used first, { $count } of them serve.

# Why a train cannot be hung.
hang-as-many = a train has as many driven gears as drivers
hang-no-idler-left = no gear is left for an idler
hang-other-module = gears that must mesh are of different module
hang-goes-not-on = the { $teeth } does not go on the { $place ->
    [spindle] spindle stud
    [stud] arm's studs
   *[leadscrew] leadscrew
}
hang-on-arm = Put { $name } on, its bolt nipped until the gears mesh.
hang-on-arm-number = Put arm { $n } on, its bolt nipped until the gears mesh.
hang-seen-not = tried on this arm, they did not mesh
hang-idler-arm = its studs take idlers only, one gear each
hang-no-bush = { $n ->
    [0] there is no bush to key two gears together
    [1] there is one bush to key two gears together
   *[other] there are { $n } bushes to key two gears together
}
hang-joined-together = gears joined as one piece must stand together on a stud
hang-fouls = { $of } fouls { $to } by { $by }
hang-clears-only = { $of } clears { $to } by only { $by } where { $wanted } is wanted
hang-short = the gears fall { $by } short of bridging the { $apart } between shafts
hang-unequal = the gears are too unequal to close the triangle on shafts { $apart } apart
hang-inside-slot = the stud would stand { $at } from the leadscrew, inside the slot's { $slot }
hang-past-slot = the stud would stand { $at } from the leadscrew, past the slot's { $slot }
hang-foul-each-other = the { $one } and the { $other } foul each other by { $by }
hang-two-mesh = the two mesh on shafts { $by } { $way ->
    [further] further
   *[less] less
} apart than these
hang-with-idler = no idler left bridges it; with the { $idler }, { $why }
hang-with-idlers = no idler left bridges it; with the { $one } and { $other }, { $why }
hang-the-gear = the { $teeth }
hang-the-spindle-stud = the spindle stud
hang-the-leadscrew = the leadscrew
hang-the-next-stud = the next stud
hang-no-room = by tooth counts alone, { $a } + { $b } and { $c } + { $d } leave no room for the shafts

# Hanging it.
hang-idler = { $teeth } as idler on { $stud ->
    [only] the arm's stud
    [first] the arm's first stud
    [second] the arm's second stud
   *[last] the arm's last stud
}, meshing the { $meshes }: it changes nothing but direction and distance.
hang-stud = On { $stud ->
    [only] the arm's stud
    [first] the arm's first stud
    [second] the arm's second stud
   *[last] the arm's last stud
}: { $inner } inner, { $outer } outer{ $joined ->
    [piece] , one piece
   *[keyed] , keyed together
}; the { $driven } meshes the { $driver }.
hang-leadscrew = { $teeth } on the leadscrew, { $plane ->
    [inner] inner
   *[outer] outer
}, meshing the { $meshes }.
hang-tumbler-right = Tumbler to right-hand.
hang-tumbler-left = Tumbler to left-hand.
suits-lever-at = no gear to change, lever at { $lever }
suits-no-gear-to-change = no gear to change
suits-closes-anywhere = the { -half-nut } closes anywhere

# What was hung instead.
hung-changed-about = driver and driven changed about
hung-pair-changed-about = driver and driven changed about ({ $driver } and { $driven })

# A gear to make or buy.
buy-turns = { $n ->
    [1] 1 turn a tooth
   *[other] { $n } turns a tooth
} on a 40 to 1 head
buy-part = { $part } of a turn a tooth on a 40 to 1 head
buy-turns-and-part = { $n ->
    [1] 1 turn
   *[other] { $n } turns
} and { $part } a tooth on a 40 to 1 head
buy-serves = { $pitch }: { $drivers } / { $driven } cuts it { $ppm } parts in a million off
buy-serves-by-levers = { $pitch }: the levers cut it { $ppm } parts in a million off
buy-within-wrong = the error allowed is a number of parts per million from 0 to { $most }
buy-of-dp = { $teeth } teeth, { $dp } DP, { $angle ->
    [none] pressure angle as the gears owned
   *[other] pressure angle { $angle }°
}, { $told ->
    [both] bore { $bore }, key { $key } wide
    [bore] bore { $bore }, key as the gears owned
   *[none] bore and key as the gears owned
}; { $marked ->
    [yes] depth as told of the cutter
   *[no] depth as the cutter is marked, else as here
}
buy-of-module = { $teeth } teeth, module { $module }, { $angle ->
    [none] pressure angle as the gears owned
   *[other] pressure angle { $angle }°
}, { $told ->
    [both] bore { $bore }, key { $key } wide
    [bore] bore { $bore }, key as the gears owned
   *[none] bore and key as the gears owned
}; { $marked ->
    [yes] depth as told of the cutter
   *[no] depth as the cutter is marked, else as here
}

# What is changed from one job of the day to the next.
day-gears = { $n ->
    [1] 1 gear
   *[other] { $n } gears
} to { $drivers } / { $driven }
day-lever = lever to { $lever }
day-compound = { -compound } to { $deg }°
day-bit = a { $deg }° { -bit }

hung-pitch-measured = the pitch was measured, not the lead: { $starts } starts
hung-for-the-pitch = the train made for the pitch, not the lead
hung-other-way-round = the whole train hung the other way round
hung-on-each-others = the { $one } and the { $other } on each other's studs
hung-left-out = the stud of the { $one } and { $other } left out, or its two gears not driving each other
hung-lever-at = the lever at { $lever }
hung-for-driver = a { $teeth } where the { $driver } drives
hung-for-driven = a { $teeth } where the { $driven } is driven
hung-as-meant = That is the lead meant, as near as a rule can tell.
hung-no-mistake = No single mistake gives { $measured }: count the threads again, and check that the { -carriage } was driven all the way.
hung-likeliest = Likeliest: { $mistake }.

gears-drives = { $driver } drives { $driven }

drift-all-the-room = all the room there is, { $room }
drift-this-nut = this nut, { $nut }
drift-takes = { $name } takes { $takes } over { $over }
drift-drawn = What the error of each train takes off the pitch diameter as the nut grows longer: { $trains }; there are { $room }.

hang-isolate = Isolate the machine; take the guard off.
    .crank = Nobody at the crank, or the crank off; take the guard off.
hang-first = { $teeth } on the spindle stud.
hang-idler-between = An idler between them to bridge the gap: it changes nothing but direction and distance.
hang-gearbox = Gearbox at { $lever }.
hang-try-the-way = Turn it once by hand and see which way the { -carriage } goes: this train asks for the tumbler the other way about.
hang-paper = Set each mesh over a folded slip of thin paper, about { $thick }; never run them tight.
hang-guard = Guard on, a turn by hand, then a dry run with the { -half-nut } closed.
    .engaged = Guard on, a turn by hand, then a dry run with the tool clear.
    .crank = Guard on, then a dry run by hand with the tool clear.

trial-fixed-ratio = Fixed ratio { $ratio }: { $measured } measured, { $off } % off it.
trial-no-ratio = { $measured } is no simple ratio: count the turns again over a longer travel, and check which gears are on.
trial-dial-teeth = The dial gear has { $whole } teeth: { $count } by the count.
trial-no-teeth = { $count } is no whole number of teeth: count over more turns, to a mark just passing.
gears-between = { $of } to { $to }
hang-levers = Spindle still: levers to { $lever }.
hang-levers-home = Turn the spindle by hand till they drop home, and watch that the { -carriage } goes the right way.
    .slide = Turn the spindle by hand till they drop home, and watch that the { -compound } goes the right way.
nut-always-engaged = The screw is always engaged: the tool comes back in its groove as long as no gear is drawn out of mesh.
gears-levers-only = No lever position makes this pitch, and the gears of this lathe cannot be changed.
