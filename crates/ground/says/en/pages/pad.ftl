# What the bench pad says. Parts are put in by the page.

pad-number-degrees = { $name }: “{ $text }” is not a number of degrees for { $meaning }
pad-small-sums-measured = Small sums from what was measured. One may take another’s result, and one may feed the card: change a figure and everything after it follows.
pad-figure = figure { $n }
pad-where-from = { $name }: { $says }, where from
pad-from = from: { $name }
pad-is = is
pad-feeds = feeds
pad-strike-out = Strike out { $name }
pad-cut-begun-sums = The cut has begun: sums are worked here, and what they feed stands as it was frozen.
pad-the = { $name } { $result }, the { $fact }
pad-on-the-card = On the card: { $pad }.
