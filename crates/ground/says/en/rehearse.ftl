# Rehearse: what is to be done, what came of it, what it says of the hand.

rehearse-name = { $drill ->
    [stop_open] Stop at the mark: { -half-nut }
    [stop_spindle] Stop at the mark: spindle
    [stop_hand] Stop at the mark: turned by hand
    [catch_mark] Catch the mark
    [cycle] The whole cycle, { -half-nut } closed
   *[first_pass] The first pass, slow
}
    .engaged = { $drill ->
    [cycle] The whole cycle, back and forth
    [stop_open] Stop at the mark: { -half-nut }
    [stop_spindle] Stop at the mark: spindle
    [stop_hand] Stop at the mark: turned by hand
    [catch_mark] Catch the mark
   *[first_pass] The first pass, slow
}
rehearse-task = { $drill ->
    [stop_open] The tool comes to the mark: open the { -half-nut } and draw the tool out just there.
    [stop_spindle] The tool comes to the mark: draw it out and stop the spindle just there. It coasts on as your lathe does.
    [stop_hand] You turn the spindle by hand: stop where the tool stands at the mark.
    [catch_mark] The dial turns. Press the lever as a mark that serves comes to the line: a little early is right, late is the next tooth.
    [cycle] To the mark; tool out; stop; back past the start; stop; tool in; and go.
   *[first_pass] The scratch, at the slowest speed there is: end it at the mark.
}
rehearse-act = { $act ->
    [open] Open, tool { $side ->
        [inside] in
       *[outside] out
    }
    [close] Close
    [out] Tool { $side ->
        [inside] in, clear
       *[outside] out
    }
    [in] Tool { $side ->
        [inside] out, to cut
       *[outside] in
    }
    [out-and-stop] Tool { $side ->
        [inside] in
       *[outside] out
    }, stop
    [stop] Stop
    [back] Back
   *[go] Go
}
rehearse-at = { $lathe }, { $rpm } rpm, { $lead } a turn
rehearse-figure = { $what ->
    [speed] Speed
    [goes] The { -carriage } goes
    [hand] Time the hand is given
   *[room] Room past the mark
}
    .slide = { $what ->
    [speed] Speed
    [goes] The slide goes
    [hand] Time the hand is given
   *[room] Room past the mark
}
rehearse-a-second = { $by }/s
rehearse-seconds = { $s } s
rehearse-stage = The work from above, near the mark. The tool begins { $mark } before it.
rehearse-word-mark = mark
rehearse-groove = The groove as this try leaves it; dashed, as it was meant.
rehearse-nothing-pressed = Nothing was done in time.
rehearse-ran-on = It ran on.
rehearse-stopped = { $side ->
    [at] Just at the mark
    [before] { $off } before the mark
   *[past] { $off } past the mark
}; the hand { $when ->
    [at] just at it
    [before] { $late } s before it
   *[after] { $late } s after it
}
rehearse-never-fell = The { -half-nut } never fell: pressed, it rides until a tooth comes, and then falls there.
rehearse-caught = { $groove ->
    [right] In the groove
   *[wrong] Not in the groove: { $teeth ->
        [one] one tooth
       *[other] { $teeth } teeth
    } off
}; pressed { $off } s { $when ->
    [before] before
   *[after] after
} the place that serves
rehearse-fault-crash = { $stands ->
    [yes] The tool was fed against what stands there: { $past } into it.
   *[no] The tool ran into what stands there, { $past } past it, at { $fast } a second.
}
rehearse-fault-short = The pass ended { $by } short of its mark.
rehearse-fault-wrong-mark = The { -half-nut } fell { $pitches ->
    [one] one tooth
   *[other] { $pitches } teeth
} from where it was closed first: the tool is { $off } beside its groove.
rehearse-fault-reversed = The tool went back in the groove with { $over } of metal before it.
rehearse-fault-fed-over = The tool was fed { $deep } into metal beside its groove.
rehearse-fault-flank = The groove was found with the screw on its other flank, { $off } off.
rehearse-fault-zero = The cross-slide did not stand at nought: { $by } off.
rehearse-fault-twice = The pass was set { $by } too deep: a step twice.
rehearse-fault-chuck = The chuck is screwed on and the spindle ran in reverse: it may unscrew.
rehearse-cost = { $fault ->
    [crash] That costs the tip, and often the part: it digs in, climbs or throws the work.
    [short] The last turns are not full: a mate stops there, and the next pass takes a heavy bite.
    [wrong-mark] That costs the thread: it has two grooves and is scrap.
    [reversed-in] That chips the tip, carbide at once, and tears the flank.
    [fed-over] That leaves a notch in the thread, and may take the tip.
    [other-flank] Every pass after it cuts one flank only.
    [not-at-zero] It is that much deeper or shallower on every pass.
    [twice] A cut of two at once chatters, bends or breaks.
   *[chuck] It can drop chuck and work on the bed, and on whatever is in their way.
}
rehearse-advice = { $for ->
    [crash] Watch the mark, not the dial, with the hand already on the lever; a slower speed gives more time than a quicker hand.
    [short] Let it come: the mark is where the hand acts, not where it gets ready.
    [wrong-mark] Begin to press just before the mark that serves, and let it fall: if it has gone by, wait for the next one that serves.
    [reversed-in] Tool out first, then the spindle: the play leaves the tool beside its groove on the way back.
    [fed-over] Feed in only clear of the end or standing in the groove.
    [chuck] Do not reverse this lathe under power: end the pass another way.
    [nothing] Rest the hand on the key before the tool comes, and look at the mark.
    [good] { $drill ->
        [catch_mark] Just so. On the lathe wait a whole turn of the dial rather than snatch at a mark.
       *[other] Just so. On the lathe begin on air, clear of the work, slower than this.
    }
   *[other] Once more, slower.
}
rehearse-play = { $play ->
    [right] As it should be
    [late] Too late
    [early] Too early
    [nobody] Nobody at the lever
    [missed] The mark missed
    [tool-in] Reversed with the tool in
   *[over-metal] Fed in before the start
}
rehearse-too-few = { $more ->
    [one] One more try
   *[other] { $more } more tries
} before anything is said of the hand; the first { $thrown } only show what the drill is.
rehearse-hand = { $sample ->
    [open] Opening the { -half-nut }
    [spindle] Stopping the spindle
   *[hand] Turning by hand
}, { $tries } tries: { $mean } s after the mark, give or take { $doubt }; they spread by { $spread }. Once in a thousand passes it is { $reckoned } s.
rehearse-room = At { $rpm } rpm that asks for { $needs } past the mark, passed once in a thousand passes. Over the { $passes } of this job that is 1 in { $once }.
rehearse-short-share = { $share } % stopped short. With the mark { $moves } farther on, one in twenty would; that is in the room said above.
rehearse-no-room-known = What stands past the mark is not known here, so no speed is said to fit.
rehearse-fits = There is { $there } past the mark here: { $fits ->
    [no] no speed of this lathe keeps to it with this hand
   *[other] the fastest speed that keeps to it is { $fits } rpm
}. With { $more } more of room: { $then ->
    [no] none yet
   *[other] { $then } rpm
}.
rehearse-slower = That is slower than the { $now } s reckoned with: reckon with { $reckoned } s.
rehearse-not-faster = Speed and room stay reckoned with { $now } s: a key is not a lever, and only tries at the lathe make that less.
rehearse-other-way = Passes of this job end another way: nothing of it is changed by this.
rehearse-at-lathe = These were made at the lathe: reckon with { $reckoned } s in place of { $now } s, up to { $most } rpm, half as fast again as the fastest tried.
rehearse-task-watch = { $what }. Watch it: { $how }.
rehearse-task-running = { $n ->
    [1] { $what }, once without a fault.
   *[other] { $what }, { $n } times running without a fault.
}
rehearse-task-known = { $what }, { $n } tries, the first two to warm up.
rehearse-proves = { $kind ->
    [watch] { $drill ->
        [catch_mark] You know which mark serves, and that it is pressed just before it comes.
        [cycle] You know the order: tool out, stop, back, stop, in, go.
       *[other] You know where the mark is and what the hand does there.
    }
    [mistake] { $drill ->
        [catch_mark] You have seen the second groove one wrong mark cuts.
        [cycle] You have seen what the play does to a tool left in on the way back.
       *[other] You have seen how far a hand taken by surprise runs on.
    }
    [once] { $drill ->
        [first_pass] The slow first pass ends where it should: that is how every job begins.
        [catch_mark] You wait for the mark that serves, and do not snatch at another.
        [cycle] You have the whole order in the hands.
       *[other] You can end a pass at its mark.
    }
    [running] { $drill ->
        [catch_mark] It was no luck: three in the same groove.
        [cycle] The order holds without thinking of it.
       *[other] It was no luck: three at the mark.
    }
   *[known] Your time and its spread are known, so that the room and the speed are reckoned for you.
}
