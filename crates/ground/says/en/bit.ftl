# The bit: its tip, its grinding, the drawer held against the thread.

toward-headstock = toward the headstock
toward-tailstock = toward the tailstock

bit-bar-springs = Stands out { $times } times its thickness: take spring passes and light cuts.
bit-bar-stands-out = Stands out { $times } times its thickness.
bit-picked-cuts-outside = The { $tool } picked will not do: it cuts outside, and this is a bore.
bit-picked-cuts-inside = The { $tool } picked will not do: it cuts in a bore, and this is outside.
bit-picked-unfit = The { $tool } picked will not do. { $why }
bit-none-of-angle = There is none of this angle.
bit-no-bar = No bar in the drawer will do. { $why }
bit-point-over = Up to a shoulder, grind the point over to the { $hand ->
    [left] left
   *[right] right
} ({ -bit } face up, point away): half the width used, { $half }, is all it needs that side.
bit-tilted-square = Tilted { $tilt } in its holder, both sides want { $relief } of relief alike; grind the tip { $share } % narrower.
bit-tilted = Tilted { $tilt } in its holder, both sides want { $relief } of relief alike; a flank ground { $ground } cuts { $cuts }, so grind it by as much less.
bit-tilted-uneven = Tilted { $tilt } in its holder, both sides want { $relief } of relief alike; a flank ground { $ground } cuts { $cuts } and one ground { $ground2 } cuts { $cuts2 }, so grind each by as much less.
bit-no-rake = No top rake: on a form tool it would change the form.
bit-no-rake-but = No top rake: on a form tool it would change the form. { $material } is often cut with up to { $most }° of back rake: tell it, and the angle to grind is corrected for it.
bit-raked = With { $rake } of back rake grind { $grind } in the face, measured there, to cut { $cuts }; the bench formula, tan α cos γ, says { $bench }.{ $bows ->
    [yes] { " " }So much rake bows the flank.
   *[no] { "" }
}
bit-raked-apart = With { $rake } of back rake grind { $grind } ({ $leading } on the leading side, { $trailing } on the trailing) in the face, measured there, to cut { $cuts }; the bench formula, tan α cos γ, says { $bench }.{ $bows ->
    [yes] { " " }So much rake bows the flank.
   *[no] { "" }
}
bit-stocking = { $planned ->
    [yes] Rough
   *[no] It may be roughed, where that is chosen at Cut,
} with a tool of the same angle and a { $tip } tip, to depth; it leaves { $leaves } on each flank for the form tool, set central in the groove.
bit-guess-costs = A { $tip ->
    [round] tip radius
   *[flat] flat
} somewhere between { $low } and { $high } is { $costs } of infeed. The passes are laid out for the wider: at the last of them stop and measure; what is left then is known.
bit-side-rubs = The { $side ->
    [leading] leading
   *[trailing] trailing
} side { $rubs ->
    [yes] rubs
   *[nearly] all but rubs
}: { $ground } ground where the thread itself takes { $takes }; { $wanted } is wanted.
bit-flanks-feel = The flanks feel like { $feels } on the pitch diameter, of { $room } there are: leave it, and aim that much { $side ->
    [outside] smaller
   *[inside] larger
}.
bit-insert-one-pitch = It is made for a pitch of { $from } alone, and this is { $this }.
bit-insert-pitches = It is made for a pitch of { $from } to { $to }, and this is { $this }.
bit-insert-seat-wanted = The thread leans { $leans } and its seat { $seat }: { $left } of clearance is left on one flank{ $told ->
    [yes] { "" }
   *[no] , taking 5° for its own
}. Another seat is wanted, near { $leans }.
bit-insert-seat = The thread leans { $leans } and its seat { $seat }: { $left } of clearance is left on the tighter flank{ $told ->
    [yes] { "" }
   *[no] , taking 5° for its own
}.
bit-insert-reversing = Passes here end by reversing: wind it clear first, for it is never backed out in the cut: the edge tears off.
bit-insert-never-back = It is never backed out in the cut: the edge tears off.
bit-insert-tip-over = Its tip radius of { $radius } is over the { $most } that reaches full depth: the root would foul the mate.
bit-insert-tip-under = Its tip radius of { $radius } is under { $least }: it goes deeper than the form, to a sharper root, as inserts for many pitches do.
bit-insert-tip-suits = Its tip radius of { $radius } suits this pitch.
bit-tip-of = { $shape ->
    [flat] { $size } flat
    [radius] { $size } radius
   *[wide] { $size } wide
}
bit-straight-sides = Straight sides
bit-as-said = { $shape }, { $tip }
bit-tip-as-said = { $known ->
    [measured] { $tip }
    [guessed] { $tip } at most, guessed
    [range] { $tip }, not measured
   *[aimed] { $tip } aimed at, not measured
}
bit-steps-top = The top face flat and level, no rake; lap it last.
bit-steps-top-raked = The top face flat and level, with the rake told; lap it last.
bit-steps-side = The { $side ->
    [leading] leading
   *[trailing] trailing
} side, on the { $held ->
    [left] left
   *[right] right
} with the { -bit } face up and the point away from you: { $way ->
    [freehand] swing it { $half }° from square and drop the heel till the facet shows { $tip } seen from the front
    [rest] on a level rest swing it { $half }° from square, the tail dropped { $tip }
    [tilted] tilt the rest to { $tip } and swing it { $half }° along the protractor
   *[cutter] { -vise } swivelled { $half }° and tipped { $tip }
}. One clean facet, edge to heel; dip high-speed steel seldom, carbon steel often.

bit-bar-kept = { $room } kept each side
bit-bar-spans = It spans { $own } tip to back and the bore lets in { $span }: it will not go in with its tip withdrawn.
bit-bar-reaches = It reaches { $own } and { $need } is needed: a longer holder, or the thread from the other end.
bit-bar-heel = Its heel wants { $relief } of relief: grind a second one behind the first.
bit-bar-heel-clears = { $relief } under the edge lets the heel clear the bore.
bit-bar-level = Rake level: set the face with a level or a square.

bit-picked-gone = “{ $name }” is not in the drawer: pick one that is, or put it back; nothing is known of it.
bit-bar-wanted = Make or buy a bar of at most { $span } tip to back that reaches { $reach }; or, where none can be had, a finishing tap made as the mate, a little over size, with a lead taper and flutes, hardened and tempered: eyes shielded, the fire watched.
bit-none-grind = None in the drawer will do: grind or buy one to { $angle }° and the flat above.
bit-ground-other = It is ground { $angle }° and the thread is { $thread }°.
bit-wider-than-groove = It is wider than the { $most } the groove may be.
bit-flat-over = Its flat of { $flat } is over the { $most } the form allows: the root would foul the mate.
bit-flat-under = Its flat of { $flat } is under the { $least } of the form: it cuts deeper, to a sharper root; stone it wider.
bit-flat-within = Its { $flat } flat is within the { $allowed } of the form.
bit-tip-round = Its tip is round, { $radius }.
bit-tip-unmeasured = Its tip is not measured.
bit-worn = It is marked worn: touch it up first.
bit-broken = It is marked broken.

seen-from-above = from above
seen-from-front = from the front
seen-from-side = from the side
dim-included-angle = included angle
dim-leading-relief = relief under the leading side
dim-trailing-relief = relief under the trailing side
dim-nose-relief = relief under the nose
dim-width-used = width of blank the point uses
bit-drawn = The { -bit } from above, included angle { $angle }; from the front, { $leading } under the leading side and { $trailing } under the trailing; from the side, { $nose } under the nose.
pitch-line = pitch line
bit-tip-drawn = The tip at full depth, { $depth } from the surface and { $past } past the pitch line.
dim-tip-to-pitch = tip to pitch line
dim-radial-depth = radial depth
dim-tip = tip
dim-leading-room = room under the leading side
dim-trailing-room = room under the trailing side
seen-at-point = seen looking at the point
bit-groove-drawn = Looking at the point, the groove at its pitch line: { $leading } of room under the leading side, { $trailing } under the trailing.
bit-relief-tool-drawn = The relief tool from above: { $wide } wide, its blade { $long } long.
dim-edge-width = width of the edge
dim-blade-length = length of the blade
bit-bar-drawn = The { $tool } in its bore: { $own } from tip to back where { $span } go in.
dim-bar-span = the bar, tip to back
dim-bore-lets-in = the bore lets in

bit-working-clearance = working clearance { $clearance }°
bit-stands-half-bore = the { -bit } stands half the bore's radius, { $under }, under its edge
bit-end-face = An end face of 8 to 10°, ground after the flanks.
bit-nose-left = The two flanks leave { $nose } under the point: enough for a tip stoned flat or round.
bit-many-starts-lean = So many starts lean { $lean }: the leading edge cuts with that much rake, the trailing one with as much against it. A { -bit } tilted to the lead angle cuts alike with both.

bit-true = True as far as a gauge can feel.
bit-flanks-feel-much = The flanks feel like { $feels } on the pitch diameter, of { $room } there are: grind or set it true.

bit-insert-other-angle = It is a { $angle }° insert and the thread is { $thread }°.
bit-insert-forms-crest = It forms the crest too: leave the blank a little over size for it to trim, and use it for this pitch alone.
bit-insert-bore = Its bar wants a bore of { $wants } and this one is { $bore }.
bit-insert-reaches = Its bar reaches { $own } and { $need } is needed.
bit-insert-speed = At this job's speed the surface goes { $goes } and it wants { $wants }: it may chip. A high-speed-steel { -bit } is kinder at hand speeds.

bit-tip-allowed = The tip was not told: { $says } is allowed for.
bit-tip-taken = The tip was not told: { $says } is taken, and the passes stop well short of size to be measured.
bit-tip-widest = The tip was not measured: { $says } is the widest it is taken to be.
bit-tip-costs = The tip is not measured: { $says } is { $costs } of infeed: measure where the passes stop.
bit-root-rounded = The root must be rounded, and this tip is flat: stone a radius on it.
bit-form-round = The { $form } form is round at crest and root: a plain { -bit } leaves the crests flat. Finish with a chaser or a full-form { -bit } where that matters.
bit-square-sloping = A { -bit } of { $angle }° leaves the sides of a square thread sloping; grind it parallel.
bit-off-center = It stands { $off } off { $center } toward the work: that takes { $loses } of the { $nose } under its nose, so the heel rubs and it does not cut.

bit-relief-round-serves = A full round nose of { $radius } serves too: the groove may be so round.
bit-relief-round-not = A full round nose does not serve: its { $radius } is more than the { $most } the corners may have.
bit-relief-heel = In a bore its end falls away { $falls }, so that the heel { $under } under the edge clears the groove's { $radius } radius.
bit-relief-goes-in = Going in, blade and bar together must pass a bore of { $bore }: a bar of at most { $most }.
bit-relief-plunge = Plunge { $times } times side by side, then once along the bottom; measure the width before the last.
bit-relief-sides = Both sides fall in { $falls } under the edge and narrow { $narrows } to the back, so the blade touches only with its end. Set it square to the work and on { -center }; slow, with oil, withdrawn if it chatters.

bit-steps-wheel = Eyes covered; spark guard and rest close to the wheel, within its maker's limits (commonly { $guard } and { $rest } at most); stand aside while it comes up to speed. Dress the wheel flat.
bit-steps-first = A first { -bit }? Grind one in soft square steel to learn the motion, and paint it so that it is never used.
bit-steps-gauge = Check in the gauge against the light. Light at the tip: the angle is ground too wide; light at the heel: too narrow. Correct the side that shows it, turned a little the other way.
bit-steps-end = The end, square across, with { $relief } under it, to the width wanted; measure that, do not guess it.
bit-steps-stone-radius = Stone the point to the radius wanted, following the relief down; look at it through a glass against a radius gauge.
bit-steps-stone-flat = Stone the point flat to the width wanted, following the relief down; measure it under a glass: nine tenths of what it is wider goes off the infeed at 60°.
bit-steps-burr = Stone the burr off each edge toward the face. Carbon steel drawn blue is spoilt; high-speed and cobalt steels are not.
bit-steps-mark = Mark it: { $angle }° included, tip as measured, { $pitch }.

bit-side = { $side ->
    [leading] leading
   *[trailing] trailing
}
bit-soft = It is of soft steel, to practise grinding on: it cuts nothing.
bit-lent = it is lent out
bit-blade-broken = it is marked broken
bit-blade-wide = it is { $own } wide, the groove { $most }
bit-blade-round = its corners are rounded { $own }, the groove’s may have { $most }
bit-blade-short = it goes { $own } deep, and { $need } is needed
bit-blade-serves = In the drawer: { $name }{ $plunges ->
    [1] {""}
   *[other] , plunged { $plunges } times side by side
}.{ $corner ->
    [yes] {""}
   *[no] { " " }Measure its corners: they may be rounded { $most } at most.
}{ $worn ->
    [yes] { " " }It is marked worn: touch it up first.
   *[no] {""}
}
bit-blade-none-serves = No groover in the drawer serves, { $name } not because { $why }: grind or buy one { $wanted } wide, as the relief tool is drawn.
bit-blade-none = No groover for this is in the drawer: grind or buy one { $wanted } wide, as the relief tool is drawn.
