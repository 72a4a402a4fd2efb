# The cycle every pass goes through, by the way it ends. Inside is inside: in a bore the setting is wound out and the tool drawn in.

cycle-set-name = { $side ->
    [internal] Set out
   *[external] Set in
}
cycle-set = { $way ->
    [in-toward] Wind in, toward you, to the setting.
    [out-away] Wind out, away from you, to the setting.
    [out-toward] Wind out, toward you, to the setting.
   *[in] Wind in to the setting.
}
cycle-clear-name = { $side ->
    [internal] Tool in
   *[external] Tool out
}
cycle-clear = { $clear ->
    [out-away] Draw the tool straight out, away from you.
    [in-toward] Draw the tool straight in, toward you, off the wall.
    [in-away] Draw the tool straight in, away from you, off the wall.
   *[out] Draw the tool straight out.
}
cycle-close-name = { $rule ->
    [any] Close
    [every] Close on a mark
   *[mark] Close on the mark
}
cycle-close-anywhere = Close the { -half-nut } anywhere.
cycle-close-any-mark = Close the { -half-nut } on any mark.
cycle-close-first-mark = Close the { -half-nut } on the mark chosen first.
cycle-close-every = Close the { -half-nut } on the mark chosen first, or every { $every } from it.
cycle-close-same-mark = Close the { -half-nut } on the same mark, before the dial has gone once round.
cycle-cut-name = Cut
cycle-cut = { $carriage ->
    [toward] It cuts toward the headstock.
   *[away] It cuts toward the tailstock.
}
cycle-open-name = Open
cycle-open = { $clear ->
    [out-away] Open the { -half-nut } and draw the tool out, away from you, both at once.
    [in-toward] Open the { -half-nut } and draw the tool in, toward you, both at once.
    [in-away] Open the { -half-nut } and draw the tool in, away from you, both at once.
   *[out] Open the { -half-nut } and draw the tool out, both at once.
}
cycle-back-name = Back
cycle-back = { $carriage ->
    [toward] { -Carriage } back by hand, to the right of the work.
   *[away] { -Carriage } back by hand, to the left, into the relief.
}
cycle-open-stop-name = Open and stop
cycle-open-stop = { $clear ->
    [out-away] Open the { -half-nut }, draw the tool out, away from you, stop the spindle.
    [in-toward] Open the { -half-nut }, draw the tool in, toward you, stop the spindle.
    [in-away] Open the { -half-nut }, draw the tool in, away from you, stop the spindle.
   *[out] Open the { -half-nut }, draw the tool out, stop the spindle.
}
cycle-reverse-name = Reverse
cycle-reverse-mark = Spindle in reverse till the mark comes back, { -carriage } brought back by hand.
cycle-chalk-name = Chalk in line
cycle-chalk = Both chalk marks in line: close the { -half-nut }.
cycle-chalk-open = { $clear ->
    [out-away] Open the { -half-nut } and draw the tool out, away from you.
    [in-toward] Open the { -half-nut } and draw the tool in, toward you.
    [in-away] Open the { -half-nut } and draw the tool in, away from you.
   *[out] Open the { -half-nut } and draw the tool out.
}
cycle-chalk-back = { -Carriage } back against its stop.
cycle-hand-name = Turn by hand
cycle-hand = { $carriage ->
    [toward] Turn the spindle by hand; the tool goes toward the headstock.
   *[away] Turn the spindle by hand; the tool goes toward the tailstock.
}
cycle-hand-back-name = Turn back
cycle-hand-back = Turn it back past the start; the { -half-nut } stays closed.
    .engaged = Turn it back past the start; the screw stays engaged.
cycle-closed-cut = { $carriage ->
    [toward] Spindle on; it cuts toward the headstock. The { -half-nut } stays closed.
   *[away] Spindle on; it cuts toward the tailstock. The { -half-nut } stays closed.
}
    .engaged = { $carriage ->
        [toward] Spindle on; it cuts toward the headstock. The screw stays engaged.
       *[away] Spindle on; it cuts toward the tailstock. The screw stays engaged.
    }
cycle-reverse-clear = Spindle in reverse, tool clear; stop it while it is still over the thread. The { -half-nut } stays closed.
    .engaged = Spindle in reverse, tool clear; stop it while it is still over the thread.
cycle-in-by-hand-name = In by hand
cycle-in-by-hand = Turn it the last part back by hand, till the tool stands clear of the thread and of what is beyond.
cycle-reverse = Spindle in reverse, back past the start; the { -half-nut } stays closed.
    .engaged = Spindle in reverse, back past the start; the screw stays engaged.
cycle-stop-name = Stop
cycle-stop = Stop past the start, so that the play is taken up going in.

# How the thread is picked up again after it was lost.

pick-up-take-up = { $carriage ->
    [toward] Tool clear, { -half-nut } closed: turn the spindle by hand till the { -carriage } moves toward the headstock.
   *[away] Tool clear, { -half-nut } closed: turn the spindle by hand till the { -carriage } moves toward the tailstock.
}
    .engaged = { $carriage ->
        [toward] Tool clear: turn the spindle by hand till the { -carriage } moves toward the headstock.
       *[away] Tool clear: turn the spindle by hand till the { -carriage } moves toward the tailstock.
    }
pick-up-tip = Spindle still: tip into the groove with { -compound } and cross-slide, till both flanks touch.
pick-up-mesh = Spindle still: draw a gear out of mesh, set the tip into the groove by the { -carriage }'s own handle and the cross-slide, till both flanks touch; mesh again.
pick-up-depth = There, set the dial that carries the depth to { $setting } ({ $reading }), and the other to zero.
pick-up-follow = Follow the groove by hand before the next pass.
pick-up-new-mark = The { -half-nut } closes on a new mark now: read it and note it.

# Ways to end a pass, as they are chosen among.

ending-dial-anywhere = open the { -half-nut } and close it anywhere
ending-dial = open the { -half-nut } and close it by the dial
ending-closed = keep the { -half-nut } closed and reverse the spindle
    .engaged = reverse the spindle, the screw always engaged
ending-same-mark = open the { -half-nut }, stop, reverse, and close on the same mark before the dial has gone once round
ending-hand = turn the spindle by hand
ending-chalk = no dial: { -carriage } back to a fixed stop, chalk on spindle and leadscrew

# What comes of each way of ending a pass.
ending-chalk-near-miss = the marks would meet once in { $turns } turns of the spindle: past { $most } a near miss passes for a hit
ending-chalk-every-turn = close the { -half-nut } only when both marks line up, as they do at every turn
ending-chalk-turns = close the { -half-nut } only when both marks line up, once in { $turns } turns of the spindle: half of that is waited for each time
ending-chalk-first = close the { -half-nut } only when both marks line up as they did first
ending-dial-lost = the dial cannot find the groove again with this train
ending-dial-is = fast, nothing reversed, and the carriage stops at once{ $room ->
    [relief] ; it must stop in the relief
   *[open] { "" }
}
ending-closed-is = always in step; back the tool out before reversing, and take up the backlash by a run-up each pass{ $room ->
    [relief] ; it must stop in the relief
   *[open] { "" }
}{ $coasts ->
    [little] ; the spindle coasts a little
   *[on] ; without clutch or brake the spindle coasts on
}{ $reverse ->
    [never] ; this lathe does not reverse
    [screwed] ; the chuck screws on: reverse gently, tool clear, and never start hard
   *[freely] { "" }
}
ending-same-mark-is = for trains the dial cannot serve; wants attention{ $reverse ->
    [never] ; this lathe does not reverse
    [screwed] ; the chuck screws on: reverse gently, tool clear, and never start hard
   *[freely] { "" }
}
ending-hand-is = { $coarse ->
    [yes] stops anywhere to a hair, but a coarse thread is heavy to turn
   *[no] stops anywhere to a hair; slow, so for short threads and the last turns
}
    .crank = { $coarse ->
        [yes] stops anywhere to a hair; a coarse thread is heavy to turn
       *[no] stops anywhere to a hair
    }

# Which way it all moves, and how fast.
setup-does-not-reverse = This lathe does not reverse: running { $way ->
    [toward] toward
   *[away] away from
} the headstock cuts a { $hand } thread. Run the { -carriage } the other way.
setup-reversed-unscrews = The chuck screws on: cutting with the spindle reversed can unscrew it. Run the { -carriage } the other way with the spindle forward.
setup-backlash-not-measured = backlash not measured
setup-back-unscrews = The chuck screws on: bring the { -carriage } back by reversing gently, tool clear, and never start hard in reverse.
setup-cannot-stop = At { $rpm } rpm the { -carriage } cannot be stopped in the room there is: { $end ->
    [shoulder] widen the relief, turn the spindle by hand for the last turns, or cut away from the shoulder
   *[open] make room past the end of the thread, turn the spindle by hand for the last turns, or cut away from the headstock
}.
setup-way = { $spindle ->
    [forward] Spindle forward
   *[reversed] Spindle reversed
}, { $carriage ->
    [toward] { -carriage } toward the headstock
   *[away] { -carriage } away from the headstock
}, { $tool ->
    [upright-far] tool right way up on the far wall
    [inverted-far] tool inverted on the far wall
    [upright] tool right way up
   *[inverted] tool inverted
}: a { $hand } thread.
comes-back-to-tailstock = Coming back it runs on { $on } past where the hand moves: see that the tailstock leaves it that.
comes-back-untold = Coming back it runs on { $on }, and what it would meet was not told: stop it over the thread, tool clear, and bring the last part in by hand.
comes-back-by-hand = Coming back it runs on { $on } where there is { $any ->
    [yes] room for { $room }
   *[no] no room for it
}: { $slower ->
    [yes] come back slower, or stop it over the thread
   *[no] stop it over the thread
}, tool clear, and bring the last part in by hand.
comes-back-in-room = Coming back it runs on { $on }, in room for { $room }.
motion-chain = { $spindle ->
    [forward] Spindle forward
   *[reversed] Spindle reversed
}{ $tumbler ->
    [none] , no tumbler
    [right] , tumbler right-hand
    [left] , tumbler left-hand
   *[untold] { "" }
}{ $counted ->
    [levers] , its gears as they are
    [single] , 1 mesh
    [meshes] , { $meshes } meshes
    [idler] , { $meshes } meshes, one an idler’s
    [idlers] , { $meshes } meshes, { $idlers } idlers among them
   *[no] { "" }
}, { $screw } leadscrew{ $turns ->
    [with] { " " }turning with the spindle
    [against] { " " }turning against the spindle
   *[untold] { "" }
}, { $carriage ->
    [toward] { -carriage } toward the headstock
   *[away] { -carriage } away from the headstock
}, { $tool ->
    [upright] tool right way up
   *[inverted] tool inverted
}{ $place ->
    [far] { " " }on the far wall
    [near] { " " }on the near wall
    [rear] { " " }at the rear
   *[front] { "" }
}, { $feed ->
    [away] fed in away from you
   *[toward] fed in toward you
}: { $end ->
    [wanted] a { $hand } thread, as wanted
    [other-way] a { $hand } thread, but the { -carriage } runs the other way than was meant
    [other-hand] a { $hand } thread where a { $wanted } one is wanted
   *[untold] nothing is known of the tumbler: turn the spindle once by hand and see which way the { -carriage } goes
}.
limit-cutting = what the tool stands in this material
limit-stopping = what the hand can stop in the room there is
limit-balance = the work's balance
limit-comfort = your own comfort
limit-hand = a hand not yet measured
speed-chosen = { $speed } chosen
speed-allows = { $what } allows { $speed }{ $binds ->
    [yes] , and binds
   *[no] { "" }
}

setup-do-not-open = Do not open the { -half-nut }: with this train the dial cannot find the groove again.
setup-fixed-stop = A fixed stop does not throw the { -half-nut } out: set it beyond where the { -carriage } is to stop, or take it off the bed.
    .engaged = A fixed stop does not throw the screw out: set it beyond where the { -carriage } is to stop, or take it off the bed.

motion-over-the-top = over the top
word-carriage = carriage
motion-seen = Seen from above, the operator below.
speed-cranked = turned by hand
speed-no-limit = none
limit-cranked = the spindle is turned by hand, and has no speed to choose
