# What the pages of Trouble say of themselves. Parts are put in by the page.

trouble-to-be-looked-at = ○ To be looked at
trouble-unlikely-here = — Unlikely here
trouble-found = ✓ Found
trouble-not-that = ✕ Not that
trouble-do = Do:
trouble-look = Look:
trouble-that-is-it = That is it
trouble-act-not-that = Not that
trouble-what-is-wrong = What is wrong?
trouble-something-else-is-wrong = Something else is wrong
trouble-spindle-stopped-hands = Spindle stopped, hands and rag clear of the chuck, before anything is looked at or touched. Follow the machine maker’s instructions and your shop’s rules.
trouble-already-jobs-numbers = Already in this job’s numbers:
trouble-numbers-show-it = ▲ The numbers show it
