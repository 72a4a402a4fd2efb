# Rehearse: what is to be done, what came of it, what it says of the hand.

rehearse-name = { $drill ->
    [stop_open] Stop at the mark: { -half-nut }
    [stop_spindle] Stop at the mark: spindle
    [stop_hand] Stop at the mark: turned by hand
    [catch_mark] Catch the mark
    [cycle] The whole cycle, { -half-nut } closed
    [open_cycle] The whole cycle, { -half-nut } opened
    [to_zero] Out, back to nought, one step deeper
    [away] Away from the chuck, tool inverted
   *[first_pass] The first pass, slow
}
    .engaged = { $drill ->
    [cycle] The whole cycle, back and forth
    [stop_open] Stop at the mark: { -half-nut }
    [stop_spindle] Stop at the mark: spindle
    [stop_hand] Stop at the mark: turned by hand
    [catch_mark] Catch the mark
    [open_cycle] The whole cycle
    [to_zero] Out, back to nought, one step deeper
    [away] Away from the chuck, tool inverted
   *[first_pass] The first pass, slow
}
rehearse-task = { $drill ->
    [stop_open] The tool comes to the mark: open the { -half-nut } and draw the tool out just there.
    [stop_spindle] The tool comes to the mark: draw it out and stop the spindle just there. It coasts on as your lathe does.
    [stop_hand] You turn the spindle by hand: stop where the tool stands at the mark.
    [catch_mark] The dial turns. Press the lever as a mark that serves comes to the line: a little early is right, late is the next tooth.
    [cycle] To the mark; tool out; stop; back past the start; stop; tool in; and go.
    [open_cycle] To the mark: open and out. Wind the { -carriage } back, feed in at the start, and close again as a mark that serves comes to the line.
    [to_zero] The cross-slide is out. Wind it in, slowly to the end, and hold it at nought; set the { -compound } one step on; then go. Past nought, out again and come to it once more.
    [away] It stands in the relief, tool inverted. Feed in there; spindle in reverse, and the tool goes from the chuck; past the end, tool out and stop; spindle forward brings it back: stop it in the relief.
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
    [go-away] Spindle in reverse: cut
    [back-away] Spindle forward: back
    [wind] Wind back
    [slowly] On, slowly
    [hold] Hold
    [deeper] One step deeper
   *[go] Go
}
rehearse-collar = Cross-slide, to { $turns ->
    [0] { $wanted }
    [1] 1 turn and { $wanted }
   *[other] { $turns } turns and { $wanted }
} divisions
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
rehearse-speed = { $rpm } rpm
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
rehearse-not-closed = The { -half-nut } was not closed again.
rehearse-not-begun = The pass was never begun.
rehearse-at-nought = { $side ->
    [at] The dial stood at its figure
    [out] The dial stood { $off } divisions short of its figure
   *[past] The dial stood { $off } divisions past its figure
} as the pass began.
rehearse-went-deeper = { $steps ->
    [one] The { -compound } was one step on.
    [none] The { -compound } was not set on: nothing is taken.
   *[more] The { -compound } was set on more than once.
}
rehearse-came-back = { $clear ->
    [yes] Back in the relief, clear of the thread: { $side ->
        [at] just where the pass begins
        [behind] { $off } behind where the pass begins
       *[before] { $off } before it
    }.
   *[no] { $side ->
        [behind] Back, and not at rest clear of the thread
        [at] Back, and not at rest clear of the thread
       *[before] It stopped { $off } before where the pass begins
    }: fed in there, the tool goes into metal.
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
   *[no] The tool ran into what stands there at { $fast } a second, and would have gone { $past } on.
}
rehearse-fault-short = The pass ended { $by } short of its mark.
rehearse-fault-wrong-mark = The { -half-nut } fell { $pitches ->
    [one] one tooth
   *[other] { $pitches } teeth
} from where it belongs: the tool is { $off } beside its groove.
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
    [crash] { $drill ->
        [away] In reverse it cuts and goes from the chuck; forward it comes back to what stands there. Say the way before the switch, and stop it early.
       *[other] Watch the mark, not the dial, with the hand already on the lever; a slower speed gives more time than a quicker hand.
    }
    [short] Let it come: the mark is where the hand acts, not where it gets ready.
    [wrong-mark] Begin to press just before the mark that serves, and let it fall: if it has gone by, wait for the next one that serves.
    [not-at-zero] Come to nought slowly and from outside; past it, draw the tool well out and come to it again.
    [twice] Set the depth once, at one place in the order, and say its figure aloud.
    [reversed-in] Tool out first, then the spindle: the play leaves the tool beside its groove on the way back.
    [fed-over] Feed in only clear of the end or standing in the groove.
    [chuck] Do not reverse this lathe under power: end the pass another way.
    [nothing] Rest the hand on the key before the tool comes, and look at the mark.
    [good] { $drill ->
        [catch_mark] Just so. On the lathe wait a whole turn of the dial rather than snatch at a mark.
        [open_cycle] Just so. On the lathe wait a whole turn of the dial rather than snatch at a mark.
        [to_zero] Just so. On the lathe come to nought always from outside, so that the play stays taken up.
        [away] Just so. On the lathe say the way aloud before the switch: in reverse it cuts, forward it comes back to the shoulder.
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
    [past-nought] Wound past nought
    [twice] The step set twice
    [wrong-way] Spindle forward first
    [ran-back] Nobody stops it coming back
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
        [to_zero] You know how the cross-slide comes to its figure, and when the depth is set.
       *[other] You know where the mark is and what the hand does there.
    }
    [mistake] { $drill ->
        [catch_mark] You have seen the second groove one wrong mark cuts.
        [cycle] You have seen what the play does to a tool left in on the way back.
        [to_zero] You have seen how a dial wound past its figure goes into the groove.
       *[other] You have seen how far a hand taken by surprise runs on.
    }
    [once] { $drill ->
        [first_pass] The slow first pass ends where it should: that is how every job begins.
        [catch_mark] You wait for the mark that serves, and do not snatch at another.
        [cycle] You have the whole order in the hands.
        [to_zero] You can set a depth and come back to it.
       *[other] You can end a pass at its mark.
    }
    [running] { $drill ->
        [catch_mark] It was no luck: three in the same groove.
        [cycle] The order holds without thinking of it.
        [to_zero] It was no luck: three at the figure, one step each.
       *[other] It was no luck: three at the mark.
    }
   *[known] Your time and its spread are known, so that the room and the speed are reckoned for you.
}
