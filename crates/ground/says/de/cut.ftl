setting-divisions = { $divisions } Teilstr.
setting-turns = { $turns ->
    [1] 1 Umdr. + { $divisions } Teilstr.
   *[other] { $turns } Umdr. + { $divisions } Teilstr.
}
aloud-half = ein halber Teilstrich
aloud-divisions = { $n ->
    [1] ein Teilstrich
   *[other] { $words } Teilstriche
}
aloud-and-half = { $words } und ein halber Teilstrich
aloud-turns = { $n ->
    [1] eine Umdrehung
   *[other] { $words } Umdrehungen
}
aloud-turns-and = { $n ->
    [1] eine Umdrehung und { $divisions }
   *[other] { $words } Umdrehungen und { $divisions }
}
aloud-point = { $whole } Komma { $digits }
aloud-inches = { $figure } Zoll
aloud-millimeters = { $figure } Millimeter
