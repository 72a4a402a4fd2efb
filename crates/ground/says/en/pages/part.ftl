# What is said over the pages of a whole part. Parts are put in by the page.

part-drawing = Drawing
part-drawn-with-limits = drawn whole, with its lengths and limits
part-route = Route
part-every-operation-saw = every operation, from the saw to the last chamfer
part-batch = Batch
part-several-parts-job = several parts of this job: order, tally, drift
part-paper = Paper
part-cards-sheets-print = cards and sheets to print
part-of = { $name } of { $title }
part-the-whole-part = The whole part
part-its-stations = Its stations
