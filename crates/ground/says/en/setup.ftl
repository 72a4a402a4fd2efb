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
    [toward] Carriage back by hand, to the right of the work.
   *[away] Carriage back by hand, to the left, into the relief.
}
cycle-open-stop-name = Open and stop
cycle-open-stop = { $clear ->
    [out-away] Open the { -half-nut }, draw the tool out, away from you, stop the spindle.
    [in-toward] Open the { -half-nut }, draw the tool in, toward you, stop the spindle.
    [in-away] Open the { -half-nut }, draw the tool in, away from you, stop the spindle.
   *[out] Open the { -half-nut }, draw the tool out, stop the spindle.
}
cycle-reverse-name = Reverse
cycle-reverse-mark = Spindle in reverse till the mark comes back, carriage brought back by hand.
cycle-chalk-name = Chalk in line
cycle-chalk = Both chalk marks in line: close the { -half-nut }.
cycle-chalk-open = { $clear ->
    [out-away] Open the { -half-nut } and draw the tool out, away from you.
    [in-toward] Open the { -half-nut } and draw the tool in, toward you.
    [in-away] Open the { -half-nut } and draw the tool in, away from you.
   *[out] Open the { -half-nut } and draw the tool out.
}
cycle-chalk-back = Carriage back against its stop.
cycle-hand-name = Turn by hand
cycle-hand = { $carriage ->
    [toward] Turn the spindle by hand; the tool goes toward the headstock.
   *[away] Turn the spindle by hand; the tool goes toward the tailstock.
}
cycle-hand-back-name = Turn back
cycle-hand-back = Turn it back past the start; the { -half-nut } stays closed.
cycle-closed-cut = { $carriage ->
    [toward] Spindle on; it cuts toward the headstock. The { -half-nut } stays closed.
   *[away] Spindle on; it cuts toward the tailstock. The { -half-nut } stays closed.
}
cycle-reverse-clear = Spindle in reverse, tool clear; stop it while it is still over the thread. The { -half-nut } stays closed.
cycle-in-by-hand-name = In by hand
cycle-in-by-hand = Turn it the last part back by hand, till the tool stands clear of the thread and of what is beyond.
cycle-reverse = Spindle in reverse, back past the start; the { -half-nut } stays closed.
cycle-stop-name = Stop
cycle-stop = Stop past the start, so that the play is taken up going in.

# How the thread is picked up again after it was lost.

pick-up-take-up = { $carriage ->
    [toward] Tool clear, { -half-nut } closed: turn the spindle by hand till the carriage moves toward the headstock.
   *[away] Tool clear, { -half-nut } closed: turn the spindle by hand till the carriage moves toward the tailstock.
}
pick-up-tip = Spindle still: tip into the groove with { -compound } and cross-slide, till both flanks touch.
pick-up-follow = Follow the groove by hand before the next pass.
pick-up-new-mark = The { -half-nut } closes on a new mark now: read it and note it.

# Ways to end a pass, as they are chosen among.

ending-dial-anywhere = open the { -half-nut } and close it anywhere
ending-dial = open the { -half-nut } and close it by the dial
ending-closed = keep the { -half-nut } closed and reverse the spindle
ending-same-mark = open the { -half-nut }, stop, reverse, and close on the same mark before the dial has gone once round
ending-hand = turn the spindle by hand
ending-chalk = no dial: carriage back to a fixed stop, chalk on spindle and leadscrew
