# A setting as it is read, and as a machinist says it aloud.

setting-divisions = { $divisions } div
setting-turns = { $turns ->
    [one] 1 turn + { $divisions } div
   *[other] { $turns } turns + { $divisions } div
}
aloud-half = half a division
aloud-divisions = { $n ->
    [one] one division
   *[other] { $words } divisions
}
aloud-and-half = { $words } and a half divisions
aloud-turns = { $n ->
    [one] one turn
   *[other] { $words } turns
}
aloud-turns-and = { $n ->
    [one] one turn and { $divisions }
   *[other] { $words } turns and { $divisions }
}
aloud-point = { $whole } point { $digits }
aloud-inches = { $figure } inches
aloud-millimeters = { $figure } milli{ -meter }s
