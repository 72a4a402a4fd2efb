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
gears-idlers-choose = The tumbler cannot choose the way the leadscrew turns: the count of idlers does. Hang just those shown.
gears-tumbler-lacks = The tumbler has no position that turns the leadscrew this way: one more or one less idler is needed.
gears-marks-drift = On this train the marks that serve { $pitch } are out by { $drift } after { $passes } passes, and it adds up: { $verdict }.
gears-lead-exact = Exact: no error at any length.
gears-not-listed = The gears listed for this lathe do not include (another) { $list }: make sure it is in the drawer.
gears-isolate = Change gears only with the machine isolated; guard back on before it runs.
gears-binds = This train will bind a nut longer than { $longest }: its error takes { $takes } of the { $room } there are.
gears-doubtful = The train's error takes { $takes } of { $room }: doubtful on { $nut } of nut. Choose a truer train, or cut to the low limit.
gears-takes = Takes { $takes } of { $room } over { $nut } of nut: { $weight }. Binds a nut longer than { $longest }.
