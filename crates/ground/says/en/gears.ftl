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
