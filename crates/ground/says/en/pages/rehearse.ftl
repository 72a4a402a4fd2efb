# What the page of Rehearse says of itself. Parts are put in by the page.

rehearse-page = Rehearse
rehearse-key-says = rehearse this job; there digits are marks of the dial
rehearse-on-air = on air first, at this job’s own speed and room
rehearse-which = What is rehearsed
rehearse-sentence = Rehearse { $what } on the { $at }.
rehearse-begin = Begin
rehearse-again = Again
rehearse-space = Space: { $name }
rehearse-key = { $key }: { $name }
rehearse-setting-going = Setting the lathe going…
rehearse-rest-hand = Rest a finger on the key; nothing is told until it begins.
rehearse-watch-mark = Now: watch the mark.
rehearse-watch-dial = Now: watch the dial.
rehearse-dial = The { -dial }
rehearse-dial-says = The { -dial }, { $marks } marks
rehearse-your-hand = Your hand
rehearse-no-tries = No tries of a stop yet.
rehearse-reckon-with-it = Reckon with it
rehearse-show-me = Show me
rehearse-shown-slow = { $what }, shown four times slower
rehearse-went-well = Nothing went wrong
rehearse-groove-left = The groove it leaves
rehearse-caution = It trains the eye and the order of the hands; a key is not a lever. On the lathe begin on air, clear of the work and slow, one hand on the lever. Follow the machine maker’s instructions and learn under someone qualified.
rehearse-die-or-tap = A thread by die or tap has no mark to stop at: there is nothing to rehearse.
