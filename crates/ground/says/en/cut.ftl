# A setting as it is read, and as a machinist says it aloud.

setting-divisions = { $divisions } div
setting-turns = { $turns ->
    [1] 1 turn + { $divisions } div
   *[other] { $turns } turns + { $divisions } div
}
aloud-half = half a division
aloud-divisions = { $n ->
    [1] one division
   *[other] { $words } divisions
}
aloud-and-half = { $words } and a half divisions
aloud-turns = { $n ->
    [1] one turn
   *[other] { $words } turns
}
aloud-turns-and = { $n ->
    [1] one turn and { $divisions }
   *[other] { $words } turns and { $divisions }
}
aloud-point = { $whole } point { $digits }
aloud-inches = { $figure } inches
aloud-millimeters = { $figure } milli{ -meter }s

# The passes: how many, how light, how they are set.
count-stocking = { $n ->
    [1] 1 stocking pass
   *[other] { $n } stocking passes
}
count-passes = { $n ->
    [1] 1 pass
   *[other] { $n } passes
}
count-springs = { $n ->
    [1] 1 spring
   *[other] { $n } springs
}
count-scratch-alone = the scratch alone
count-two = { $one } and { $other }
count-three = { $one }, { $other } and { $last }
time-seconds = { $s } s
time-minutes = { $min } min
word-headstock = headstock
word-tailstock = tailstock

cut-style-refused = Not { $style }: { $why }. Plunge straight in by the cross-slide with lighter cuts.
cut-leans-past-flank = The { -compound } leans { $leans }° where the flank is { $flank }°: the groove is cut wide on its trailing side. Set it to { $flank }° or less.
cut-measure-now-between = Measure now: the whole depth is between { $min } and { $max }, by the tip.
cut-measure-now = Measure now: with the tip aimed at the whole depth is { $depth }, and what it really is shows here.
cut-slender-over = { $what ->
    [work] The work
   *[bar] The bar
} is slender and stands { $most } without giving more than { $gives }, but a lighter cut than these only rubs.
cut-lightened = Cuts lightened: { $what ->
    [work] the work
   *[bar] the bar
} is slender, and would give more than { $gives } under a bolder one.
cut-over-the-most = That is more than the { $most } of the material and this lathe, but a lighter cut than { $took } only rubs: rough with a narrower tool, or take one wall at a time.
cut-told-area = up to { $most } at once, where { $stands } is what the material, this lathe and the work stand
cut-told-first = a first cut of { $first }, where { $bold } is bold
cut-told-least = { $shows ->
    [yes] a cut of { $least }
   *[no] a pass that takes nothing
}, where under { $under } the tool rubs or the dial cannot be set
cut-passes-told = { $n ->
    [1] 1 pass, as told
   *[other] { $n } passes, as told
}: { $said }.
cut-passes-told-to-stop = { $n ->
    [1] 1 pass, as told
   *[other] { $n } passes, as told
} for the whole depth, { $first } of them to where it is measured: { $said }.
cut-travel-short = { $slide ->
    [compound] The { -compound }
   *[cross] The cross-slide
} has { $has } of travel and { $need } is needed.
cut-no-readout = No readout of this lathe reads its { $slide ->
    [compound] { -compound }
   *[cross] cross-slide
}: the depth is given on the dial.
cut-root-past = This sharp a tip cuts the root { $past } past the form's: { $cure ->
    [stone] stone a flat near P/8 on it
   *[grind] grind the tip to the width asked
}, or expect a weaker { $side ->
    [outside] core
   *[inside] wall
}.
cut-set-compound = Set the { -compound } to { $angle }° on its scale, which counts from { $from ->
    [bed] the bed
   *[cross] the cross-slide line
}.
cut-bench-off = { $way ->
    [deeper] { $by } deeper than this tip and blank want
   *[shallower] { $by } shallower than this tip and blank want
}

# Ways of feeding in.
style-radial = straight in
style-flank = flank
style-modified-flank = modified flank
style-alternating = alternating flanks
style-stocking = stocking tool, then form tool
style-radial-risk = both flanks and the tip cut at once: the chip crowds, and a slender part chatters
style-flank-risk = one flank cuts, the other rubs along unfinished: a last pass straight in cleans it
style-modified-flank-risk = one flank cuts, the other is skimmed; leaned past the flank it cuts wide
style-alternating-risk = wear is shared by both edges; two dials to set each pass
style-stocking-risk = the form tool meets little metal; two tools, and the second must be set central
style-radial-reason = the slide cannot follow a flank here, and the cross-slide alone does it
style-flank-reason = one edge cuts, so the chip runs free, and half a degree less than the flank skims the other clean

# Several starts.
starts-not-by-nut = Not by the { -half-nut }: with this train every place it closes falls in the same start, or in none.
starts-no-mark = The { -half-nut } closed { $pitches ->
    [1] a leadscrew pitch
   *[other] { $pitches } leadscrew pitches
} off would find the next start, but the dial has no mark to count that by.
starts-by-nut = When one start is at size, close the { -half-nut } { $every } { $places ->
    [teeth] { $every ->
        [1] tooth
       *[other] teeth
    } of the dial gear
   *[marks] { $every ->
        [1] mark
       *[other] marks
    }
} on from the mark of that start: { $pitches ->
    [1] a leadscrew pitch
   *[other] { $pitches } leadscrew pitches
} off, exactly the next start. Keep each start to its own marks.
starts-by-compound = Lay the { -compound } along the bed from the first and feed in straight by the cross-slide. For the next start move it on one pitch: { $setting }{ $residue ->
    [over] ; half a division is the nearest, { $off } over the pitch
    [under] ; half a division is the nearest, { $off } under the pitch
   *[none] { "" }
}. Take its backlash up the same way each time.
starts-by-gear = Isolate the machine. Mark the { $driver } { $place ->
    [stud] on the spindle stud
   *[arm] on the arm
} and the tooth it stands in, swing its mesh clear, turn the spindle by hand till { $teeth } of its teeth have gone by with the leadscrew still, and mesh it again; the same way each time.
    .crank = Mark the { $driver } { $place ->
        [stud] on the spindle stud
       *[arm] on the arm
    } and the tooth it stands in, swing its mesh clear, turn the spindle till { $teeth } of its teeth have gone by with the leadscrew still, and mesh it again; the same way each time.
starts-gear-would = the { $driver } would go { $teeth } teeth
starts-not-by-gear = Not by slipping a gear: { $told }. A first driver whose teeth divide by { $starts } would serve.

cut-drawn = The groove filling in { $passes } to { $deep } deep, tip { $tip } wide.
dim-radial-infeed = radial infeed from touch

cut-aim-outside = The size aimed at, { $aim }, is outside the limits { $low } to { $high }.
cut-nothing = There is nothing to cut: { $infeed } of infeed from this blank. Check the blank's diameter and the size aimed at.
cut-indicator-short = The indicator's plunger goes { $goes } and { $need } is needed: set it again part way, and carry what it read.
cut-tip-too-wide = The tip is too wide: at size the root still stands { $short } in the way of the mate. Grind the flat narrower.
cut-tip-rides = The tip's radius of { $radius } leaves the root round { $past } past the mate's crest, which rides on it: stone it smaller.
cut-lay-along = Lay the { -compound } along the bed, { $angle }° on its scale; straight in by the cross-slide.
cut-straight-in = Straight in by the cross-slide.
    .slide = Straight in by the cross-slide. The { -compound } stands along the bed, to a hair: it drives the thread, and out of line it cuts a taper.

starts-by-plate = Between { -center }s, with { $starts } slots evenly round the driver plate: move the dog's tail to the next slot, the same way each time.
starts-compound-swing = Not by the { -compound }: on this lathe it does not swing to lie along the bed.
starts-compound-travel = Not by the { -compound }: the last start is { $on } on and it travels { $travels }.

style-no-flank = straight sides have no flank to follow
style-no-swing = the { -compound } does not swing to { $angle }°
style-not-one-at-a-time = straight sides cannot be cut one at a time to size
style-no-lie = the { -compound } does not swing to lie along the bed
style-no-stocking = its groove is narrow at the root: a stocking tool would have no tip
style-screw-untold = its leadscrew's diameter was not told
style-drawn = The groove cut { $says }, a band for each of { $n } passes.
style-no-compound = the cross-slide alone carries depth on this lathe
