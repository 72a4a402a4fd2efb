# A thread made by a die or a tap.

making-die-cuts-screws = a die cuts a screw; a nut is tapped: give tap, or the screw's side
making-tap-cuts-nuts = a tap cuts a nut; a screw wants a die: give die, or the nut's side
making-of-a-die = a die is split or turned round; a tap is neither
making-no-taps = name at least one tap: taper, second or bottoming
making-last-tap-there = the last tap run in must be among the taps there are
making-of-a-tap = a tap has a lead and a point of its own; a die has neither
making-is-finished-by-it = what is made by it is not finished by it too: leave one of the two out

end-mark-of-die = The die’s face stands here when it is run on far enough: a pencil line on the bar, or a rule from its face to the holder.
end-mark-on-tap = The front of the tap stands here when its thread is full to depth: tape on its shank shows it, its lead counted in.
dim-hole-full = full diameter
blank-tapping-drill = Tapping drill { $drill }: it cuts the hole about { $cuts }, which the tap wants as drilled.

blank-no-tapping-drill = No drill in the drawer cuts the hole within its limits: one of about { $wanted } would. To bore it: { $said }
chaser-says = { $thread } by { $by ->
    [die] die, on a blank of { $size }
   *[tap] tap, in a hole of { $size }
}: { $torque }, { $way ->
    [power] under power to near its end
   *[hand] turned by hand
}.
chaser-torque = { $torque } turn it{ $worn ->
    [yes] , worn as it is
   *[no] { "" }
}: { $hand } at each hand on a handle of { $handle }; the work slips unless each of three jaws holds it with { $grip }.
chaser-heavy = { $torque } is { $hand } at each hand on { $handle }: more than two hands give steadily. A longer handle, or cut it with a single point first and let the { $by } finish it.
chaser-slips = { $torque } turns the work in its jaws: each must hold it with { $needs }, and gives { $force }.
chaser-handle-taken = Nobody told how long the { $by ->
    [die] die’s stock
   *[tap] tap’s handle
} is from hand to hand: { $handle } is taken.
chaser-split-taken = The die is taken to be split, so that it opens and closes.
chaser-last-tap-taken = The last tap run in is taken to be the { $lead }.
chaser-point-taken = The tap is taken to have no point before its lead; small taps have one, and then the hole is deeper by it.
chaser-hole-taken = The hole was not measured: { $drill } is taken to cut it { $cuts }.
chaser-center-in-the-way = The { -center } stands where the { $by } comes from.

tap-of-set = { $lead ->
    [taper] { -tap-taper }
    [second] { -tap-second }
   *[bottoming] { -tap-bottoming }
} ({ $from } to { $to } pitches of lead)

power-cranked = There is no power to this spindle: it is turned by hand.
power-left-screwed = Not under power: a left-hand thread is cut with the twist that unscrews this chuck.
power-too-fast = Not under power: its slowest fit speed, { $rpm } rpm, is { $speed }, and { $most } is the most.
power-runs-on = Not under power: after it is seen and stopped it runs on { $on }, over half of the { $length } there is.
power-serves = { $rpm } rpm; it runs on { $on } after it is seen and stopped, so stop with more than that to go and turn the rest by hand. Off { $off ->
    [reverse] in reverse, where the holder cannot catch a hand
   *[hand] by hand: this chuck must not be reversed
}.

chaser-step = { $code ->
    [start] Start it
    [power] Under power
    [run] Run it on
    [round] Turned round
    [taper] { -tap-taper }
    [second] { -tap-second }
    [bottoming] { -tap-bottoming }
    [again] Once more
   *[off] Off, and measure
}
chaser-start-die = { $open ->
    [yes] Open the die to its full
   *[no] Look the die over: it is not adjustable
} and set it in its holder, its lead first; square it with the tailstock, the holder free to follow. Oil. { $held ->
    [work] Hold the work from turning, not the spindle.
    [crank] Hold the spindle.
   *[spindle] Lock the spindle, the motor off.
} Two turns on, pressed up.
chaser-run-power = { $rpm }, a hand on the switch: stop it with more than { $on } to go.
chaser-run-die = A turn on, in steel half a turn back, brush and oil, until its face stands { $to } from the end{ $shoulder ->
    [yes] ; slower at the last, it must not be driven against the shoulder
   *[no] { "" }
}.
chaser-round = Off, the die turned about in its holder, and on again by hand to within a pitch and a half of the shoulder.
chaser-start-tap = The { $tap } in its handle, a { -center } in its back to hold it in line, followed up by the tailstock. Oil. { $held ->
    [work] Hold the work from turning, not the spindle.
    [crank] Hold the spindle.
   *[spindle] Lock the spindle, the motor off.
} Two turns in, then look that it stands square.
chaser-run-tap = The { $tap }: a turn in, half a turn back, by feel, { $blind ->
    [yes] chips fetched out often; its front at { $to }, then stop: it must not be turned against the bottom
   *[no] until its front stands at { $to }
}.
chaser-run-tap-before = The { $tap }: a turn in, half a turn back, { $blind ->
    [yes] stopped a little short of the bottom and backed out
   *[no] until it turns light
}; chips out.
chaser-off = Off by hand, brushed and wiped{ $by ->
    [tap] , the hole clear of chips
   *[die] { "" }
}: measure it, or try the mate.
chaser-again = { $how ->
    [close] Close the die by a touch, equally at its screws, and run it over once more; then measure.
    [tap] Run the last tap through once more, clean and sharp; then try it.
   *[fixed] Run the die over once more, clean and oiled; then measure.
}

chaser-caution-chips = Chips by brush or hook, never by hand{ $by ->
    [tap] ; out of a blind hole with a hook or oil, not with air toward a face
   *[die] { "" }
}.
chaser-caution-broken-tap = A tap breaks when it is leaned on or turned against chips, and its pieces are glass-hard: eyes covered, and a broken one is not drilled out.
chaser-caution-isolated = Turned by hand with the motor isolated: a spindle switched on with a handle on the work breaks a wrist.
chaser-caution-power = Under power the handle of { $by ->
    [tap] the tap
   *[die] the die’s holder
} is kept from turning by the bed or a stop and by no hand; nobody’s hand within its swing. Slowest speed, a hand on the switch.
chaser-caution-screwed = { $hand ->
    [left] Cutting left-hand is
   *[right] Backing it off is
} the twist that unscrews this chuck: hold the work itself.

line-die-there = Die
line-tap-there = Tap
line-end-free = Held for it
line-twist = Torque
line-under-power = Under power
line-chaser-end = Its end
check-chaser-or-point = Borrow or buy one, or cut the thread with a single point.
check-free-the-end = Hold it in the chuck, and draw the { -center } back.
check-hold-the-work = The work is held from turning, and not the spindle: this chuck screws on.
check-end-free = Nothing stands where the { $by } comes from.
check-finish-by-it = Cut it with a single point, and let the { $by } only finish it.
check-tell-handle = Measure the handle from hand to hand, and tell it.
check-by-hand = Turn it by hand.
check-relief-takes-lead = The relief of { $width } takes up the { $short } its lead leaves.
check-die-short = Its lead leaves { $short } before the shoulder without a full thread: { $full } is full, and the mate does not seat there.
check-relief-for-lead = A relief of { $width }{ $round ->
    [yes] { "" }
   *[no] , half as wide with the die turned round at the end
}; or open the mate’s mouth by as much.
check-hole-deep-enough = Drilled { $full } to the full diameter, { $tip } to the tip, there is room for the last tap and its chips.
check-hole-shallow = There are { $room } past the thread, and the last tap with its chips wants { $wants }.
check-drill-deeper = Drill { $full } to the full diameter, { $tip } to the tip; or finish with a tap of shorter lead.
check-hole-untold = How deep the hole is past the thread was not told.

act-of-a-single-point = this is told of a single point; a { $by } has no setting on a dial: mark its step, or measure
chased-more-by = { $by } more must come off the pitch diameter: { $how ->
    [close] close the die by a touch and run it over again
    [tap] run a sharp tap through again; one that is worn cuts small
   *[fixed] this die does not close: run it over again clean, or finish it with another
}.
chased-more = Not there yet: { $how ->
    [close] close the die by a touch and run it over again
    [tap] run a sharp tap through again; one that is worn cuts small
   *[fixed] this die does not close: run it over again clean, or finish it with another
}.
chased-past = Past the limit by { $by }: { $maker ->
    [tap] the tap cut wide, out of line or with a chip welded to it
   *[die] the die was closed too far, or ran out of line
}. Part it off before the next.
chased-far = { $size } is far from { $low } to { $high }: read it again, with the right wires and in the right unit, and tell it once more.
chased-in-limits = In limits: { $size } give or take { $doubt }.
chased-unsure = Within the doubt of a limit, { $doubt } either way: measure it again, or with something finer, or try the mate.
chased-free = The { $mate } runs free: proven by this { $mate }, and by no other.
chased-shakes = The { $mate } shakes more than the { $most } that any in limits would.
chased-tight = The { $mate } does not run on yet. First look for a burr or chips at the entrance. { $more }
chased-test-piece = a test piece, the { $by } then left as it is
verdict-left-for-die = As it should be for the { $by }: { $size }. The { $by } brings it to size; prove it after that, not now.
chaser-no-lathe = No lathe was told: that its chuck does not screw on is taken.
chaser-starts-blunt = The first tap there is is the { $tap }: so short a lead goes in crooked. Start with a longer one, or square it by the tailstock all the way and bevel the mouth well.
