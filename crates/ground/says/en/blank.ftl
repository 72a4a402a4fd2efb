# The blank: how true it runs, its size, its wall, its register.

blank-runs-true = It runs true.
blank-put-back = Put back midway, it is cut { $off } deeper on one side than on the axis of the first cuts and as much shallower on the other, where the pitch diameter has { $tolerance } to spare. The { -bit } cleans all round again only while more than { $off } of depth is still to come.
blank-off-the-finished = The thread will be true to itself, and { $off } off the axis of what is finished.
blank-true-to-this-chucking = The thread will be true to itself and to all that is turned in this chucking; it stands { $off } off what the indicator ran on, which matters to nothing here.
blank-nothing-need-be-moved = Nothing need be moved.
blank-four-jaw-again = Turn the high spot to the indicator, slacken the far jaw, push in until it reads { $off } less, and clock again.
blank-shim = A shim of { $shim } under the jaw nearest the high spot, or the four-jaw.
blank-clean-collet = Clean collet, nose and work, and put it in again a third of a turn round.
blank-clean-centers = Clean the { -center }s and their holes; skim a soft live { -center } true where it stands.
blank-skim-face = Skim the face the part seats on, in place, and screw it home again.
blank-turns-parallel = It turns parallel.
blank-taper = The thread will be { $size } larger at the { $end } end, { $share } % of its pitch-diameter tolerance of { $room }.
blank-move-tailstock = Move the tailstock { $by } { $way }, and turn the test length again.
blank-bar-springs = A bar springs: take the last cuts light, with spring passes, or use a stiffer one.
blank-work-springs = The work springs from the { -bit }: lighter cuts, a sharper { -bit }, or a { -center }.
blank-register-inside = The register, { $max }, lies inside the thread: its crests are left in it. Bore it after the thread, or seat the mate on a larger part.
blank-register-marked = The register, { $min }, stands in the thread's depth: the { -bit } marks it. Turn it after the thread, or smaller than the root.
blank-bore-outside-class = A bore for { $share } % is { $aim }, outside the class's { $min } to { $max }.
blank-not-measured = The { $bore } was not measured: the aim, { $aim }, is taken.
blank-over = The blank is { $over } over its upper limit of { $max }: turn it down before threading.
blank-under = The blank is { $under } under its lower limit of { $min }: the crests will be thin.
blank-bore-over = The bore is { $over } over its upper limit of { $max }: the crests will be thin.
blank-bore-under = The bore is { $under } under its lower limit of { $min }: bore it out before threading.
blank-no-wall = The root reaches { $deepest }, through an outside of { $outside }: there is no wall.
blank-wall-left = { $left } of wall is left outside the root{ $pressed }{ $cure }.
