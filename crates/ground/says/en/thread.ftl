# Threads: callouts, families, samples, pairs.
callout-tapered = { $name } is a tapered thread; Yoke Turn cuts parallel threads only
callout-after-times = “{ $text }” after × is not a { $what ->
    [lead-ph] lead with its pitch, such as Ph3P1.5
    [lead-p] lead with its pitch, such as 14(P7)
   *[pitch] pitch
}; write it as in { $example }
callout-not-series = { $size }-{ $tpi } is not { $series }; { $series } has no such size
callout-other-series = { $size }-{ $tpi } is not { $series }; { $series } of that size is { $right }
callout-no-pipe-size = no size after the G; write the pipe's, as in G1-1/4
class-iso = class “{ $text }” { $why ->
    [crest] has a crest part that does not read
    [mixed] mixes a screw's letter with a nut's
    [nut-grade] has no such grade for a nut (4 to 8)
    [crest-grade] needs a crest grade of 4, 6 or 8, as in 5h6h
   *[none] is not an ISO grade and letter
}; write 6g, 5g6g or 4h for a screw, 6H or 5H for a nut
iso-engages-long = The mate engages { $engages }: the N tolerances shown are for { $span }; ISO 965-1 gives L classes, a grade wider, for this.
iso-engages-short = The mate engages only { $engages }: the N tolerances shown are for { $span }; ISO 965-1 gives S classes, a grade closer, for this.
un-engages-long = The mate engages { $engages }, past the { $most } the tables are good for{ $taken ->
    [closer] : tolerances are taken at that, as ASME B1.1 says, { $by } per cent closer than the table’s
    [wider] : tolerances are taken at that, as ASME B1.1 says, { $by } per cent wider than the table’s
   *[table] { "" }
}.
un-engages-short = The mate engages { $engages }, under 5 pitches{ $taken ->
    [closer] : tolerances are taken at that, as ASME B1.1 says, { $by } per cent closer than the table’s
    [wider] : tolerances are taken at that, as ASME B1.1 says, { $by } per cent wider than the table’s
   *[table] { "" }
}; it is weak as well.
buttress-recalled = The proportions and tolerances of buttress threads are recalled, no table of ASME B1.9 is kept here: hold them to the drawing, and prove the fit with the mate.
buttress-metric-recalled = No tolerances of DIN 513 are kept here: proportions and play are recalled, the band shown is what an ISO thread of this size would have. Hold them to the drawing.
special-too-deep = flanks of { $angle }° cannot reach { $deep } deep at this pitch: { $most } is the most{ $crest ->
    [yes] { " " }under that crest
   *[no] { "" }
}; check the root, the pitch or the angle
sample-drawn = The sample held upright, { $hand ->
    [untold] its hand not told, drawn right-hand
    [left-hand] left-hand
   *[right-hand] right-hand
}: outside { $outside }, pitch { $pitch }, as told so far.
sample-depth = The depth is { $share } of the pitch: { $depth ->
    [stub] shallow, as a stub form is.
    [between] between a stub and a full form. Measure the root and the crest again, and the angle.
    [several] Acme, trapezoidal, square or 60° could all be. Try the angle gauge, or measure the crest flat: about { $acme } for Acme or Tr, { $sixty } for 60°, { $square } for square.
    [fifty-five] a 55° form, or a 60° one cut with a sharp point. Try the angle gauge.
   *[deeper] deeper than any form kept here. Measure outside, root and pitch again.
}
sample-outside-is = outside diameter: { $size } to a hair
sample-outside = outside diameter: { $off } % { $way ->
    [under] under
   *[over] over
} { $size }{ $how ->
    [worn] , as wear would make it
   *[no] { "" }
}
sample-root = root: { $size } where { $usual } is usual{ $how ->
    [sharp] , as a sharp point would cut it
   *[no] { "" }
}
sample-spaces = { $n } spaces: { $over } where { $pitch } is { $is }
sample-spaces-one-out = { $n } spaces: { $over } where { $pitch } is { $is }, if { $told } was one out: were crests counted for spaces?
pair-gap = { $gap } at the { $at }
pair-nut-first = Nut first, the screw fitted to it
pair-nut-first-is = clearance anywhere from { $from } to { $to }; the screw is the one that is measured while it is cut.
pair-screw-first = Screw first, the nut fitted to it
pair-screw-first-is = clearance anywhere from { $from } to { $to }; the screw serves as the nut's gauge.
pair-limits = Both to the standard's limits
pair-limits-is = clearance anywhere from { $from } to { $to }; either part can be replaced alone.
pair-screws-crests = screw's crests
pair-nuts-crests = nut's crests

class-stub-acme = class “{ $text }” is not a Stub Acme class; there is one, 2G
class-acme = class “{ $text }” is not a general-purpose Acme class; write 2G, 3G or 4G

ba-nominal = BA sizes are nominal; the band shown is a working one, recalled. Prove the fit with the mate.

class-buttress = class “{ $text }” is not kept for buttress threads; write 2A or 3A for a screw, 2B or 3B for a nut
class-buttress-metric = class “{ $text }” is not kept for metric buttress threads; leave it out, and give the drawing's own limits

iso-computed = Size and pitch are not together in the ISO 965-1 table, so tolerances are computed from its formulas.

class-none = class “{ $text }” has no meaning here: a { $family } thread has no classes; leave it out

special-no-tolerance = A special thread with no tolerance given: the band shown is what an ISO thread of this size would have.

square-house = No standard is kept for square threads: the clearance and band shown are house values. Prove the fit with the mate.

class-trapezoidal = class “{ $text }” is not kept for trapezoidal threads; write 7e or 8e for a screw, 7H or 8H for a nut

class-unified = class “{ $text }” is not Unified; write 1A, 2A or 3A for a screw, 1B, 2B or 3B for a nut

class-whitworth = class “{ $text }” is not a Whitworth fit; write close, medium or free
class-pipe = class “{ $text }” is not a pipe class; write A or B for the outside thread, nothing for the socket

fit-say-turns = say how many turns it enters, 0 to 200
fit-say-shake = say how much it shakes across, 0 to 5 mm
fit-say-stands-off = say how far it stands off from where it would sit home, 0 to 20 mm; nothing else goes with it
fit-stands-off-belongs = how far it stands off belongs to a mate laid on
fit-turns-belong = turns belong to a mate that enters and stops
fit-shake-belongs = a shake belongs to a mate that shakes

flanks-apart = { $leading }° leading and { $trailing }° trailing

callout-no-size-first = “{ $body }” does not begin with a size; write M20, 3/4-10, #10-32 or .875-9
callout-not-a-size = “{ $size }” is not a size; write #10, 3/4, 1-1/4 or .875
callout-tpi-past = { $tpi } threads per inch is past 400; check the callout
callout-no-tpi = no threads per inch after “{ $size }”; write it as in { $size }-{ $example }
callout-more-than = “{ $second }” is more than a { $family } callout has; write size, threads per inch and class
callout-no-tpi-metric = no threads per inch after “{ $size_text }”; write it as in { $size_text }-10, or put M in front for metric
callout-mm-or-inches = { $size_text }x{ $n } may be millimetres or inches; write M{ $size_text }x{ $n }, or { $size_text }-{ $n } UN
callout-neither = “{ $part }” is neither a series (UNC, UNF, UNEF, UN, UNS) nor a class (2A, 2B …)
callout-second-class = “{ $part }” is a second class; write one, such as 2A
callout-whit-count = { $size }-{ $tpi } is not { $series }; { $standard } has { $pitch }. For another count write Whit
callout-no-whit-size = { $series } has no size { $size }; give the threads per inch and Whit, as in { $size }-20 Whit
callout-not-ba = “{ $number }” is not a BA number; they run from 0BA, the largest, to 25BA
callout-not-pipe = G{ $size } is no pipe size; they run 1/16, 1/8, 1/4, 3/8, 1/2, 5/8, 3/4, 7/8, 1 … 6
callout-pipe-count = { $name } has { $pitch }, not { $first }
callout-square-pitch = “{ $text }” after × is not a pitch; write it as in Sq { $size }x6

callout-lead = a lead of { $lead } is not 1 to 12 whole pitches of { $pitch }
callout-no-diameter = no diameter after the M; write it as in M20 or M20x2.5
callout-no-coarse = M{ $name } has no standard coarse pitch; give the pitch, as in M{ $name }x1.5
callout-outside-iso = M{ $size } is outside the ISO 965-1 limits (over 0.99 to 355 mm)
callout-no-lettered = no diameter after { $letter }; write it as in { $letter }28x5
callout-no-lettered-pitch = no pitch after { $letter }{ $name }; write it as in { $letter }{ $name }x{ $usual }
callout-tr-pitch = trapezoidal threads have no pitch of { $pitch }; they have 1.5, 2, 3 … 10 by one, 12 … 24 by two, 28, 32, 36, 40 and 44
callout-tr-outside = Tr{ $size } is outside the limits (to 355 mm)

callout-unj = UNJ asks a controlled root radius of its screw and a larger bore of its nut, which are not kept here; the nearest is UNR
callout-rp = Rp is the socket of a tapered pipe joint; for a parallel joint write G and the same size
callout-none = no callout yet; type one such as M20x2.5-6g, 7/8-9 UNC-2A or Tr28x5
callout-starts = the lead and pitch make { $led } starts, but { $said } is written; change one
callout-class-side = class { $class } is { $is } but { $said } is written; change one
callout-pitch-outside = a pitch of { $pitch } is outside { $span }
callout-too-coarse = a pitch of { $pitch } is too coarse for a diameter of { $size }; check which number is which
callout-past = a diameter of { $size } is past { $most }; check the callout

callout-starts-count = “{ $word }” starts is not a count; write 2 start, 3 start … up to 12

thread-drawn = Section along the axis of { $size }: pitch { $pitch }, major diameter { $major }, pitch diameter { $pitch_diameter }, minor diameter { $minor }, flanks at { $flanks } to a square line.
dim-pitch = pitch, crest to crest
dim-major = major diameter
dim-pitch-diameter = pitch diameter
dim-minor = minor diameter

dim-outside-measured = outside diameter measured
dim-root-measured = root diameter measured
dim-over-spaces = length over the spaces counted
dim-pitch-by-gauge = pitch by gauge

sample-nothing-near = No standard thread kept here comes near. Measure again, or make it to these measurements as a special.

sample-pitch-or-tpi = give pitch_mm or tpi, not both
sample-spaces-and-length = spaces and what they measure go together: count the gaps, not the crests, and give the length over them
sample-root-as-large = the root is as large as the outside; change one
sample-wires-inside = wires do not reach inside a nut; leave them out

sample-bore = bore: { $size } where { $from } to { $to } is made
sample-angle = angle: { $is }° where it is { $usual }°
sample-over-wires = over wires: a pitch diameter of { $size } where it is { $is }
sample-pitch-tpi = pitch: { $size } where { $tpi } is { $is }
sample-pitch = pitch: { $size } where it is { $is }
sample-next-angle = Try the angle gauges in the groove: { $a } is { $one }°, { $b } is { $other }°.
sample-next-rule = Lay a rule over ten spaces: { $a } is { $one }, { $b } is { $other }.
sample-next-outside = Measure the outside where it is least worn: { $a } is { $one }, { $b } is { $other }.
sample-next-root = Measure the root: { $a } is about { $one }, { $b } about { $other }.
sample-next-bore = Measure the bore: { $a } is { $one } or more, { $b } { $other }.
sample-next-nothing = Nothing measured on the bench parts { $a } from { $b }: try a known mate of each.

pair-drawn = Screw and nut in mesh, gaps drawn { $times } times as large: { $told }, on diameter.

pair-interchange = The parts must interchange, so each is kept to the standard's limits.
pair-nut-why-both = One mate only, and the drawer proves either: the nut first, since a screw is the easier of the two to creep down to its mate.
pair-nut-why = One mate only, and the drawer proves the nut and not the screw: the nut first, then it proves the screw.
pair-screw-why = One mate only, and nothing in the drawer proves a thread in a bore of { $bore }, where the screw can be measured: the screw first, then it proves the nut.
pair-plug-why = One mate only, and the drawer proves neither: turn a plug for the bore of { $bore } first, see Proof, then the nut to it, then the screw to the nut.
pair-tap-why = One mate only, and the drawer proves neither; a bore of { $bore } is tapped rather than gauged: the nut first, by its tap, then the screw to it.
pair-limits-own = The { $other } as made, { $made }, is outside the standard's { $low } to { $high }: kept to limits, this one will not follow it.
pair-own = The { $other } as made, { $made }, is outside the standard's { $low } to { $high }: this pair will not interchange with others.
pair-follows = The { $member } follows the { $other } as made, { $made }: { $low } to { $high }.
pair-follows-reckoned = The { $member } follows the { $other }, which was finished and never measured: by its settings it came to { $made }, give or take { $doubt }. What fits it lies between { $low } and { $high }; cut to where metal is left for any { $other } that may be, and let it be tried from there.
pair-not-measured = The { $other } comes first and is not measured yet: until it is, the { $member } is held to the standard's limits. Cut and measure the { $other } first.
pair-will-follow = The { $member } will follow the { $other } once that is measured.
pair-keeps = The { $member } keeps to the standard's limits, and so does the { $other }.
pair-made-first = The { $member } is made first, to the standard's limits; the { $other } follows it as measured.
thread-engaged-past = The mate was told to engage { $told }, but the thread is { $length } long: { $length } is reckoned with.
