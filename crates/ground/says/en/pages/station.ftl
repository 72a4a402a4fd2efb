# What is said on every station. Parts are put in by the page.

station-notes = Notes
station-what-is-chosen-here = What is chosen here
station-1-note = 1 note
station-several-notes = { $more } notes
station-what-is-said-here = What is said here
station-sums-bench-pad = sums of the bench pad
station-whether-mate-hand = whether the mate is at hand
station-stands-beyond-end = what stands beyond the end
station-words-shop = the words of the shop
station-told-since-plan = Told since its plan was frozen, and no part of it: { $changed }.
station-plan-stands-unit = Its plan stands in the unit and the words an earlier version stored it in; it is not reckoned again.
