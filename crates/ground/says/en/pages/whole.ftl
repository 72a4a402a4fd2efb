# What the page of the part drawn whole says. Parts are put in by the page.

whole-drawing-it = Drawing it …
whole-nothing-plans = None of its jobs plans yet: tell their threads first.
whole-which-piece = Which piece
whole-as-dxf = Its drawing as DXF
whole-from-its-first-face = From its first face:
whole-then = , then{ " " }
whole-inside = ; inside,{ " " }
whole-and-more = and more
whole-no-place-yet = No place along the part yet:
whole-its-limits = Its limits
whole-what-else-stands = What else stands on it
whole-what-it-is = what it is
whole-hexagon = hexagon, across flats
whole-square = square, across flats
whole-long = how long it is
whole-begins = begins so far from the face
whole-begins-how = left out: behind what stands before it
whole-threaded-length = threaded length, its relief in it
whole-thread-begins = the thread begins so far from the face
whole-shoulder = diameter of the shoulder
whole-the-shoulder = shoulder
whole-its-relief-and-chamfer = Its relief, its chamfer and how it is held
whole-where-begins-left-out = A size with no beginning stands behind what was told before it. Lengths are taken from the face of the end its thread is on.
