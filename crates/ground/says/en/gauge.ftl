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
    [1] Take { $more } more off the diameter: set { $setting }.
   *[other] Take { $more } more off the diameter in { $cuts } cuts, the first to { $setting }.
}
verdict-or-take = { $cuts ->
    [1] Or take { $more } more off the diameter: set { $setting }.
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
    [low] It should come to { $size }, give or take { $doubt }; at most one chance in fifty of going past.
   *[some] It should come to { $size }, give or take { $doubt }; a chance worth minding of going past.
}

# How a gauge or the mate went.

verdict-go-goes = The go end goes and the not-go end does not: in limits. Stop here.
verdict-not-go-goes = The not-go end goes: past the limit, and no cut can mend it.
verdict-go-stops = { $cuts ->
    [0] The go end does not go, by less than this dial can set: a spring pass, wipe both, and try it again.
    [1] The go end does not go: set { $setting }, wipe both, and try it again.
   *[other] The go end does not go: in { $cuts } cuts, the first to { $setting }; wipe both, and try it again.
}
verdict-told-again = Do not cut deeper on this yet; told the same again, it counts.
verdict-free = Runs free without shake. Stop here.
verdict-loose-enough = Loose, but no looser than the limits allow, { $room }. Stop here.
verdict-too-loose = Looser than the limits allow, { $room }: no cut can mend it. Make the mate to it, or begin again.
verdict-fit = { $fit ->
    [wont_enter] { $cuts ->
        [0] So the mate will not enter, and what is left is less than this dial can set: take a spring pass, and try it again.
        [1] So the mate will not enter: set { $setting }, and try it again.
       *[other] So the mate will not enter: in { $cuts } cuts, the first to { $setting }, and try it again.
    }
    [enters] { $cuts ->
        [0] So the mate enters and stops, and what is left is less than this dial can set: take a spring pass, and try it again.
        [1] So the mate enters and stops: set { $setting }, and try it again.
       *[other] So the mate enters and stops: in { $cuts } cuts, the first to { $setting }, and try it again.
    }
    [laid_on] { $cuts ->
        [0] Laid on it stands off by { $off }, and what is left is less than this dial can set: take a spring pass, and lay it on again.
        [1] Laid on it stands off by { $off }: about so much depth is left. Set { $setting }, and lay it on again.
       *[other] Laid on it stands off by { $off }: about so much depth is left. In { $cuts } cuts, the first to { $setting }; lay it on again before the last.
    }
   *[tight] { $cuts ->
        [0] So the mate goes the whole way, tight, and what is left is less than this dial can set: take a spring pass, and try it again.
        [1] So the mate goes the whole way, tight: set { $setting }, and try it again. A spring pass may be enough: try that first.
       *[other] So the mate goes the whole way, tight: in { $cuts } cuts, the first to { $setting }, and try it again. A spring pass may be enough: try that first.
    }
}
verdict-sits-home = It sits home: cut far enough to go down, which says nothing of how loose it is. Try it on, or rock it, and tell how it went.
verdict-touched = { $by ->
    [jaws] It met the jaws before the threads stopped it: that says nothing of the size. Stand the work further out, or take it out with its dog or its chuck, and try again.
    [shoulder] It met the shoulder before the threads stopped it: that says nothing of the size. A wider relief, or a mate relieved at its mouth, and try again.
    [register] It met the register before the threads stopped it: that says nothing of the size. Read the register, clear it, and try again.
   *[end] It met the end before the threads stopped it: that says nothing of the size. Clear it, deeper or further out, and try again.
}
verdict-touched-first = Where anything met before the threads, jaws, shoulder, register or end, this says nothing of the size: look first. If nothing did: { $then }
verdict-try-unmeasured = { $side ->
    [external] Among the sizes that may fit the nut, which was never measured and may be { $doubt } either way: try it on now. Too large is mended by another cut, too small by nothing.
   *[internal] Among the sizes that may fit the screw, which was never measured and may be { $doubt } either way: try it on now. Too small is mended by another cut, too large by nothing.
}
verdict-crest-over = { $side ->
    [external] Its outside was told { $over } over its limit: dress the crests before the mate is tried.
   *[internal] Its bore was told { $over } under its limit: take the crests back before the mate is tried.
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
    .engaged = Draw no gear out of mesh before that is decided: with this { $this } still in step, a trial of the mate costs nothing.
flank-by-two-wires = By two wires each flank stands at { $angle }, as it should within { $doubt }.
flank-off-by-two-wires = By two wires each flank stands at { $angle }, { $off } { $way }, give or take { $doubt }: a mate feels that as { $feels }.
mate-tight = A { $other ->
    [nut] nut
   *[screw] screw
} { $length } long, { $is ->
    [made] as made
   *[tightest] at its tightest limit
}, will be tight by { $clearance }: lead { $lead }, flanks { $flanks }.
mate-no-size = No size within the limits makes room for it: a truer train, a truer tool, or a shorter nut.
    .fixed = No size within the limits makes room for it: a truer tool, a shorter nut, or a lathe that cuts this pitch truer.
mate-aim-instead = Aim at { $aim } instead.

mate-has-left = A { $other ->
    [nut] nut
   *[screw] screw
} { $length } long, { $is ->
    [made] as made
   *[tightest] at its tightest limit
}, has { $left } left: lead { $lead }, flanks { $flanks }.
tip-found = By { $n ->
    [1] 1 reading
   *[other] { $n } readings
} the tip is { $flat } flat, give or take { $doubt }; some { $spring } % of a cut springs away.
tip-found-and-mate = By { $n ->
    [1] 1 reading
   *[other] { $n } readings
} the tip is { $flat } flat, give or take { $doubt }; some { $spring } % of a cut springs away. The mate just goes at { $mate }, give or take { $sd }.

# How the size will be proven.
proof-by-wires = three wires under a micrometer
proof-by-thread-micrometer = a thread micrometer
proof-by-inside-micrometer = an inside thread micrometer
proof-by-mate = the mate, tried on
proof-by-ring = a ring cut first, to the limits
proof-by-plug = a plug turned first, to the limits
proof-by-test-piece = a test piece, its last setting repeated
proof-no-wires-square = straight sides seat no wires
proof-no-wire-serves = no wire in the drawer serves
proof-wires-too-long = { $any ->
    [yes] { $there } of full thread is too short for three wires, which span { $span }
   *[no] no full thread is left for three wires, which span { $span }
}
proof-wires-and = { $wire } wires; { $why }
proof-mate-reaches = it reaches the thread with the part as held
proof-mate-off = { $off ->
    [comes-out] ; the work comes out from between { -center }s for it: mark the dog's slot
    [nose] ; it is the spindle’s own nose: the chuck comes off with the work in it, is turned about and tried on it, and goes back on its marked place
    [hung] ; it hangs on the tailstock’s side and runs on where it hangs
    [draw-back] ; draw the { -center } back to try it
   *[none] { "" }
}

# What a reading is asked, and how a wire bears.
read-tapers = Tapers: { $by } { $way ->
    [larger] larger
   *[smaller] smaller
} at the far end, over { $over }.
wire-bears-not = { $why ->
    [below] lies below the crests: the anvils never touch it
    [crests] bears on the crests, not the flanks
   *[root] falls to the root, not on the flanks
}
wire-does-not-bear = a wire of { $wire } { $why ->
    [below] lies below the crests: the anvils never touch it
    [crests] bears on the crests, not the flanks
   *[root] falls to the root, not on the flanks
}
wire-bears-at-pitch-line = bears on the pitch line, or nearly: no error of the flanks shows
wire-off-best = { $off } % { $way ->
    [over] over
   *[under] under
} the best: an error of the flanks shows in it
wire-at-aim = Cut to the aim, a wire of { $wire } { $why ->
    [below] lies below the crests: the anvils never touch it. Get the next larger, up to { $up_to }.
    [crests] bears on the crests, not the flanks. Get the next smaller, down to { $down_to }.
   *[root] falls to the root, not on the flanks. Get the next larger, up to { $up_to }.
}
wires-none-listed = No wire owned serves: none are listed. Get { $get } (usable { $from } to { $to }).
wires-none-serves = No wire owned serves: the nearest, { $nearest }, { $why ->
    [below] lies below the crests
   *[crests] bears on the crests, not the flanks
}. Get { $get } (usable { $from } to { $to }).
formula-off = { $name ->
    [simple] simple
    [corrected] corrected
   *[exact] exact seat
} { $way ->
    [same] the same
    [more] { $by } more
   *[less] { $by } less
}
formula-used = { $name ->
    [simple] simple
    [corrected] corrected
   *[exact] exact seat
}; { $others }: { $shows ->
    [no] no reading tells them apart
   *[yes] it shows
}
ask-large-for-readings = { $expected } was expected by the readings before it. A burr, or { $by ->
    [wires] a chip under the wires
    [wire] a chip under the wire
    [balls] a chip under a ball
    [points] a chip in the groove
   *[anvils] a chip under an anvil
}? Wipe, and read it again.
ask-small-for-readings = { $expected } was expected by the readings before it. Did the dial slip, or { $by ->
    [wires] a wire miss its seat
    [wire] the wire miss its seat
    [balls] a ball miss its seat
    [points] the points slip
   *[anvils] an anvil miss its seat
}? Wipe, and read it again.
ask-expected = { $expected } was expected with the dial here: check { $by ->
    [wires] the wire size, the unit, and that all three wires are seated
    [wire] the wire size, the unit, and the size over the crests
    [balls] the ball size, the unit, and that the balls are seated
    [points] the unit, and that the points reach the bottom of the groove
   *[anvils] the unit, and that the anvils are those for this pitch and sit in the groove
}.

wires-drawn = Three wires of { $wire } in the grooves, { $over } over them at the size aimed at.
dim-over-wires = size over wires at the aim

proof-within = { $wanted }, within the { $name } micrometer
proof-no-micrometers = no micrometers are listed: one that spans { $wanted } is needed
proof-no-micrometer-spans = no micrometer in the drawer spans { $wanted }: borrow or buy one that does
proof-past-anvil = two wires a pitch apart reach past an anvil of { $anvil }: measure over one wire, or by the mate
proof-shoulder-meets = the shoulder meets the anvil before the wires are all under it: { $there } of full thread, { $need } needed
proof-no-cone = straight sides seat no cone
proof-gauge-owned = in the drawer: { $marked }{ $both ->
    [yes] , which shows both limits
   *[no] , which shows that it goes, and not how far past
}
proof-none-in-drawer = none is in the drawer
proof-ring-unmeasured = a ring is itself a bore nobody can measure
proof-plug-thin = a plug of this size is bought and not turned; the tap that would make the bore proves it too
proof-plug-ends = its ends are screws, measured over wires
proof-same-stock = same stock and tool, proven first
proof-mate-goes-on = it goes on { $goes }, and { $wants } is wanted
proof-mate-ahead-untold =
    a plain one goes on { $goes }, all there is of full thread; what this one carries ahead of its thread was not told, and { $room } past that stands { $meets ->
        [bottom] the bottom of the bore
        [shoulder] the shoulder
        [jaws] the jaw face
       *[beyond] what was told to stand there
    }
proof-mate-both-untold = a plain one goes on { $goes }, all there is of full thread; neither what this one carries ahead of its thread was told, nor what stands beyond
proof-mate-room-untold = it carries { $ahead } ahead of its thread, and what stands beyond the thread was not told: tell how far off that is
proof-mate-wants-more = it must go on { $wants }, and there is { $there } of full thread
proof-mate-bottoms =
    it would touch the { $meets ->
        [bottom] bottom of the bore
        [shoulder] shoulder
        [jaws] jaws
       *[beyond] stop beyond the thread
    } first: it carries { $ahead } ahead of its thread where there is { $room }, so { $goes } goes on of the { $wants } wanted. It lacks { $short }: { $meets ->
        [bottom] a deeper pocket behind the thread
        [shoulder] a wider relief
        [jaws] stand the work further out
       *[beyond] more room there
    }, a mate with less ahead of it, or the work out for the trial and back in its place
proof-mate-past = it must reach { $past } past what stands in front
proof-mate-not-made = it is not made yet: make it first, or measure
proof-mate-none = there is none at hand
proof-mate-untold = whether it is at hand was not told
proof-turn-plug = Turn a plug first: crests { $crests }; go end { $go } on the pitch diameter, not-go end { $not_go } and two or three turns long, both proven over wires.

read-balls-bore = balls measure a bore; this is a screw: use wires
read-wires-inside = wires do not reach inside: use balls, a plug, or the mate
read-say-wire = no wire of the drawer serves this thread; say which was used, or read it another way
read-parallel = Parallel within a reading over { $over }.
read-round = Round within a reading.
read-out-of-round = Out of round by { $by }.

wires-second-seat = These wires find a second seat, { $other } over them: rock each wire till it lies lowest.

wires-held-grease = A blob of stiff grease, or plasticine, holds the two upper wires in their grooves; wipe it off after.
wires-held-band = A rubber band round the thread, both wires tucked under it, tails out of the anvils’ way.
wires-held-strip = Or the three through a strip of thin rubber, one for each size, hung on the spindle lock.
wires-single-last = The single wire goes on the fixed anvil last; turn the micrometer till all three just drag, and rock it for the least.
wire-drawn = A wire of { $text } in the groove: { $why }.
dim-least-wire = least wire that serves
dim-best-wire = best wire
dim-largest-wire = largest wire that serves
wires-range-drawn = Wires from { $from } to { $to } bear on the flanks; { $best } bears on the pitch line. In the drawer: { $drawer }.
dim-drawer-wire = a wire of the drawer

word-least = least
word-best = best
word-largest = largest
