setting-divisions = { $divisions } Teilstr.
setting-turns = { $turns ->
    [one] 1 Umdr. + { $divisions } Teilstr.
   *[other] { $turns } Umdr. + { $divisions } Teilstr.
}
aloud-half = ein halber Teilstrich
aloud-divisions = { $n ->
    [one] ein Teilstrich
   *[other] { $words } Teilstriche
}
aloud-and-half = { $words } und ein halber Teilstrich
aloud-turns = { $n ->
    [one] eine Umdrehung
   *[other] { $words } Umdrehungen
}
aloud-turns-and = { $n ->
    [one] eine Umdrehung und { $divisions }
   *[other] { $words } Umdrehungen und { $divisions }
}
aloud-point = { $whole } Komma { $digits }
aloud-inches = { $figure } Zoll
aloud-millimeters = { $figure } Millimeter
