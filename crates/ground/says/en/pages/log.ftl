# What the pages of Log say of themselves. Parts are put in by the page.

log-over-5-mb = { $file } is over 5 MB: take it smaller.
log-saved-server-does = Not saved: the server does not answer. Try it again in a moment.
log-photographs = Photographs
log-photograph = photograph
log-add-a-photograph = Add a photograph
log-done-newest-first = What was done, newest first
log-taken-back = Taken back.
log-your-hand-comes = Your hand comes within { $reaction_s } s of the mark nineteen times in twenty.
log-used-here-leave = Used here: leave it out
log-reckon-stop-room = Reckon the stop room with it
log-begin-job = Begin this job from it
log-job-began-learned = This job began from what was learned.
log-nothing-been-cut = Nothing has been cut yet; the plan is frozen at the first pass, and its story begins there.
log-began-spring-learned = It began from the spring learned on this lathe.
log-passes-cut = Passes cut
log-read-last = Read last
log-tip-as-found = Tip, as found
log-kept-here-will = It is kept here and will be sent.
log-write-a-note = Write a note
log-so-many-photographs = Photographs: { $photos }
log-what-was-learned = What was learned
log-passes-and-readings-csv = Passes and readings (CSV)
log-job-file = The job as a file
log-a-note = A note
