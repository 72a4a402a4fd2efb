# How it is proven, on the card and at the station.

proof-three-wires = Three { $wire } wires; measure before the part leaves the chuck.
proof-no-wires = Thread micrometer, or the mate.
proof-inside = Wires do not reach inside: prove it with a plug gauge, the mate, or an internal thread micrometer.
proof-straight-screw = Straight sides seat no wires: measure the root, { $root } at the size aimed at, and try the mate.
proof-straight-nut = Straight sides seat no wires: measure the groove, { $groove } across at the size aimed at, and try the mate.

# A reading judged.

verdict-bare-crest = { $size } is the bare crest: the anvils rest on it, and not on the wires. However often, that proves nothing: seat larger wires, or prove it by a thread micrometer or the mate.
verdict-disagrees = Do not cut deeper on this reading: it does not agree with where the dial stands.
verdict-on-the-limit = By { $readings } readings it stands on the limit itself, within { $doubt }: no reading of this instrument settles it. The mate, a gauge, or whoever drew it decides.
verdict-past = { $by } past the limit: no cut can mend it.
verdict-uneven = Cut no deeper: its thick places want { $thick } off and its thin ones have { $thin } left.
verdict-uneven-mend = Mend that first: spring passes at this depth, then the tailstock, the holding, the tool's stick-out.
verdict-proves-nothing = The doubt of { $doubt } reaches past both limits: this reading can prove nothing. A closer instrument, or the mate, settles it.
verdict-at-limit = At the limit within the doubt of { $doubt }: cut no more; wipe, and measure again.
verdict-in-limits = { $side ->
    [internal] In limits, { $room } below the high limit. Stop here.
   *[external] In limits, { $room } above the low limit. Stop here.
}
verdict-half-a-division = { $by } over the limit, but less than half a division of this dial: take a spring pass and measure again.
verdict-take = { $cuts ->
    [one] Take { $more } more off the diameter: set { $setting }.
   *[other] Take { $more } more off the diameter in { $cuts } cuts, the first to { $setting }.
}
verdict-or-take = { $cuts ->
    [one] Or take { $more } more off the diameter: set { $setting }.
   *[other] Or take { $more } more off the diameter in { $cuts } cuts, the first to { $setting }.
}
verdict-within-doubt = { $side ->
    [internal] Within the doubt of { $doubt } of the low limit: a closer reading settles it, or the mate.
   *[external] Within the doubt of { $doubt } of the high limit: a closer reading settles it, or the mate.
}
verdict-lead-takes = The lead and the flanks take { $room } of the room, which is allowed for.
verdict-lead-takes-all = The lead and the flanks take { $room }, more than there is room for: only the mate proves this one.
verdict-comes-to = { $odds ->
    [none] It should come to { $size }, give or take { $doubt }; next to no chance of going past.
    [few] It should come to { $size }, give or take { $doubt }; at most one chance in fifty of going past.
   *[some] It should come to { $size }, give or take { $doubt }; a chance worth minding of going past.
}

# How a gauge or the mate went.

verdict-go-goes = The go end goes and the not-go end does not: in limits. Stop here.
verdict-not-go-goes = The not-go end goes: past the limit, and no cut can mend it.
verdict-go-stops = { $cuts ->
    [0] The go end does not go, by less than this dial can set: a spring pass, wipe both, and try it again.
    [one] The go end does not go: set { $setting }, wipe both, and try it again.
   *[other] The go end does not go: in { $cuts } cuts, the first to { $setting }; wipe both, and try it again.
}
verdict-told-again = Do not cut deeper on this yet; told the same again, it counts.
verdict-free = Runs free without shake. Stop here.
verdict-loose-enough = Loose, but no looser than the limits allow, { $room }. Stop here.
verdict-too-loose = Looser than the limits allow, { $room }: no cut can mend it. Make the mate to it, or begin again.
verdict-fit = { $fit ->
    [wont_enter] { $cuts ->
        [0] So the mate will not enter, and what is left is less than this dial can set: take a spring pass, and try it again.
        [one] So the mate will not enter: set { $setting }, and try it again.
       *[other] So the mate will not enter: in { $cuts } cuts, the first to { $setting }, and try it again.
    }
    [enters] { $cuts ->
        [0] So the mate enters and stops, and what is left is less than this dial can set: take a spring pass, and try it again.
        [one] So the mate enters and stops: set { $setting }, and try it again.
       *[other] So the mate enters and stops: in { $cuts } cuts, the first to { $setting }, and try it again.
    }
   *[tight] { $cuts ->
        [0] So the mate goes the whole way, tight, and what is left is less than this dial can set: take a spring pass, and try it again.
        [one] So the mate goes the whole way, tight: set { $setting }, and try it again. A spring pass may be enough: try that first.
       *[other] So the mate goes the whole way, tight: in { $cuts } cuts, the first to { $setting }, and try it again. A spring pass may be enough: try that first.
    }
}
verdict-mate-shakes = It shakes: cut no more. Make the mate to it, or begin again.
verdict-straight-sides = Straight sides are as far apart as the tool is wide: no deeper cut opens them. See that the root is clear; then widen the groove along the bed, a little each side.
verdict-before-fits = This job was begun before fits were read: measure it, or tell where the dial stands.
verdict-stocking = The stocking tool has not cut the flanks yet: no reading of them counts. Go on with the form tool, then measure.
verdict-trouble-tight = Cut no deeper: by where the dial stands every mate its standard allows would go. It is a burr, the angle, the pitch or the mate that stops it: see Trouble.
verdict-trouble-loose = By where the dial stands no mate its standard allows would go on yet: the mate or the dial is wrong. Measure before another cut.

# What is asked before a reading counts.

ask-wires-stand = Do all three wires stand above the crests, and roll under the anvils?
ask-other-wire = With a wire of { $wire } it would be { $size }, as was expected: which wire was it read over?
ask-no-such-tip = That would have the tip { $flat } flat, where { $told } was told: is the zero on the crest, and was the reading seated?
ask-no-such-tip-between = That would have the tip { $flat } flat, where { $range } is what it may be: is the zero on the crest, and was the reading seated?
ask-inches = { $expected } was expected: was the reading in inches?
ask-millimeters = { $expected } was expected: was the reading in milli{ -meter }s?
ask-whole-turn = That is a whole turn of the dial from what was expected: is the dial a turn out?
ask-half-millimeter = That is half a milli{ -meter } out: was a turn of the micrometer misread?
ask-25-thou = That is 0.025 in out: was a turn of the micrometer misread?
ask-looser = It is looser than what was told before allows: is it the same mate, and does the dial stand where it is said to?
ask-tighter = It is tighter than what was told before allows: look for a burr at the entrance, sharp crests, a chip in the mate; wipe both, and let them cool.
ask-past-by-dial = By where the dial stands the thread is past its limit, and the mate does not go: look for a burr, sharp crests, a damaged entrance; check the pitch and the hand.

past-another-class = Another class: it is within { $name } ({ $low } to { $high }). Whoever drew it decides whether that will do.
past-mate-as-made = { $serves ->
    [yes] The { $other } as made has { $has } of clearance on it, where { $least } to { $most } is what the limits give: it will serve with this mate, and with no other.
   *[no] The { $other } as made has { $has } of clearance on it, where { $least } to { $most } is what the limits give: it will be loose; make another mate to it, or begin again.
}
past-fit-the-mate = Fit the mate to it: make the { $other } with a pitch diameter of { $to }, and mark the two as a pair.
past-scrap = Or scrap: no cut puts metal back on. Begin again, and stop { $short } short of where this one went past.
past-do-not-open = Do not open the { -half-nut } before that is decided: with this { $this } still in step, a trial of the mate costs nothing.
flank-by-two-wires = By two wires each flank stands at { $angle }, as it should within { $doubt }.
flank-off-by-two-wires = By two wires each flank stands at { $angle }, { $off } { $way }, give or take { $doubt }: a mate feels that as { $feels }.
mate-tight = A { $other } { $length } long, { $is }, will be tight by { $clearance }: { $feels }.
mate-no-size = No size within the limits makes room for it: a truer train, a truer tool, or a shorter nut.
mate-aim-instead = Aim at { $aim } instead.
