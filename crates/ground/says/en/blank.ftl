# The blank: how true it runs, its size, its wall, its register.

blank-runs-true = It runs true.
blank-put-back = Put back midway, it is cut { $off } deeper on one side than on the axis of the first cuts and as much shallower on the other, where the pitch diameter has { $tolerance } to spare. The { -bit } cleans all round again only while more than { $off } of depth is still to come.
blank-off-the-finished = The thread will be true to itself, and { $off } off the axis of what is finished.
blank-true-to-this-chucking = The thread will be true to itself and to all that is turned in this chucking; it stands { $off } off what the indicator ran on, which matters to nothing here.
blank-nothing-need-be-moved = Nothing need be moved.
blank-four-jaw-again = Turn the high spot to the indicator, slacken the far jaw, push in until it reads { $off } less, and clock again.
blank-shim = A shim of { $shim } under the jaw nearest the high spot, or the four-jaw.
blank-clean-collet = Clean collet, nose and work, and put it in again a third of a turn round.
blank-clean-centers = Clean the { -center }s and their holes; skim a soft live { -center } true where it stands.
blank-skim-face = Skim the face the part seats on, in place, and screw it home again.
blank-turns-parallel = It turns parallel.
blank-taper = The thread will be { $size } larger at the { $end } end, { $share } % of its pitch-diameter tolerance of { $room }.
blank-move-tailstock = Move the tailstock { $by } { $way ->
    [toward] toward the tool
   *[away] away from the tool
}, and turn the test length again.
blank-bar-springs = A bar springs: take the last cuts light, with spring passes, or use a stiffer one.
blank-work-springs = The work springs from the { -bit }: lighter cuts, a sharper { -bit }, or a { -center }.
blank-register-inside = The register, { $max }, lies within the { $root } this tip’s root may reach: the { -bit } marks it. Bore it after the thread, or seat the mate on a larger part.
blank-register-marked = The register, { $min }, stands over the { $root } this tip’s root may reach: the { -bit } marks it. Turn it after the thread, or smaller than that.
blank-bore-outside-class = A bore for { $share } % is { $aim }, outside the class's { $min } to { $max }.
blank-not-measured = The { $bore } was not measured: the aim, { $aim }, is taken.
blank-over = The blank is { $over } over its upper limit of { $max }: turn it down before threading.
blank-under = The blank is { $under } under its lower limit of { $min }: the crests will be thin.
blank-bore-over = The bore is { $over } over its upper limit of { $max }: the crests will be thin.
blank-bore-under = The bore is { $under } under its lower limit of { $min }: bore it out before threading.
blank-no-wall = The root reaches { $deepest }, through an outside of { $outside }: there is no wall.
blank-wall-left = { $left } of wall is left outside the root{ $cure ->
    [weak] , under twice the thread's depth of { $depth }: too little to carry it
    [thin] : hold it in soft jaws bored to it, a collet or a split ring, or on a plug, and grip lightly
   *[none] { "" }
}.
blank-wall-pressed = { $left } of wall is left outside the root; so gripped the bore is { $inward } smaller at each jaw and { $out } larger between, and springs back so when let go{ $cure ->
    [weak] , under twice the thread's depth of { $depth }: too little to carry it
    [thin] : hold it in soft jaws bored to it, a collet or a split ring, or on a plug, and grip lightly
   *[none] { "" }
}.

blank-turn-to = { $side ->
    [outside] Turn to { $aim } ({ $min } to { $max }).
   *[inside] Bore to { $aim } ({ $min } to { $max }).
}
blank-register = { $side ->
    [outside] Turn it { $min } to { $max }, { $deep } deep.
   *[inside] Bore it { $min } to { $max }, { $deep } deep.
}
blank-starts-in-metal = Cut away from the headstock, the thread starts where it was to fade out: the tool cannot be fed into solid metal. Turn a groove to start in.
blank-test-piece-blind = A blind bore cannot be seen into or measured: cut a test piece first, turn the plain plugs for the bore, and keep the mate at hand.
blank-test-piece-finished = There is finished work in this part already: cut a test piece of the same stock first, and prove gears, tool and depth on it.
blank-drawn = { $side ->
    [outside] Blank of { $size }, threaded length { $length }.
   *[inside] Bore of { $size }, threaded length { $length }.
}
blank-drawn-relief = { $side ->
    [outside] Blank
   *[inside] Bore
} of { $size }, threaded length { $length }, { $gap ->
    [ring] ring
    [pocket] pocket
   *[relief] relief
} { $wide } wide down to { $down }.

# What stands beyond an open end.
blank-beyond-at = { $what ->
    [jaws] The jaws stand
   *[other] What stands beyond it is
} at the end of the thread; { $takes ->
    [withdrawn] the tool ahead of its point takes { $need }
    [stops] the cut, the tool ahead of its point and stopping take { $need }
   *[starts] the cut, the tool ahead of its point and the run-up take { $need }
}.
blank-beyond-short = { $what ->
    [jaws] The jaws stand
   *[other] What stands beyond it is
} { $off } short of the end of the thread; { $takes ->
    [withdrawn] the tool ahead of its point takes { $need }
    [stops] the cut, the tool ahead of its point and stopping take { $need }
   *[starts] the cut, the tool ahead of its point and the run-up take { $need }
}.
blank-beyond-past = { $what ->
    [jaws] The jaws stand
   *[other] What stands beyond it is
} { $off } past the end of the thread; { $takes ->
    [withdrawn] the tool ahead of its point takes { $need }
    [stops] the cut, the tool ahead of its point and stopping take { $need }
   *[starts] the cut, the tool ahead of its point and the run-up take { $need }
}.
blank-beyond-untold = { $side ->
    [inside] What stands behind the bore, jaws, plate or spindle, was not told
   *[outside] What stands beyond the end of the thread, jaws or a part of the lathe, was not told
}; { $takes ->
    [withdrawn] the tool ahead of its point takes { $need }
    [stops] the cut, the tool ahead of its point and stopping take { $need }
   *[starts] the cut, the tool ahead of its point and the run-up take { $need }
}.

# Ways a thread ends.
end-relief = in a turned relief
end-relief-weakest = the mate seats; the groove is the weakest place, so radius its corners
end-ring = in a ring plunged by the tool
end-ring-too-narrow = the mate seats, but { $stopping } of stopping does not fit in it: turn the spindle by hand, or cut away from the shoulder
end-ring-stops = the mate seats; the { -carriage } must stop in its width
end-withdraw = withdrawn at a mark
end-withdraw-in-metal = the cut starts here: in solid metal the tool cannot be fed in
end-withdraw-fades = no groove to weaken it, but the last turn fades out: the mate stands { $off } off unless it is counterbored
end-pocket = in a drilled pocket
end-pocket-by-hand = the spindle must stop with the tool in it, so by hand; the mate stands { $off } off unless it is counterbored
end-open = out in the open
end-open-unknown = nothing is weakened; what stands beyond it must be known
end-no-full-thread = no full thread is left
end-eats-the-thread = Ended { $end }, { $any ->
    [no] nothing of the { $length } of thread is left full.
   *[yes] only { $usable } of the { $length } of thread is left full: not one pitch.
 }
end-mark-on-bar = { $act ->
    [relief] stop here: the thread is full and the relief begins
    [in-groove] start here, in the groove, no nearer the shoulder
    [by-hand] stop here, the spindle turned by hand
    [withdraw] begin to withdraw here
    [start] start here, clear of the end of the thread
   *[clear] the tool is clear of the thread here
}; with the point at the mouth, mark the bar this far outside it, and work to the mark on the bar
end-mark-on-dial = { $act ->
    [relief] stop here: the thread is full and the relief begins
    [in-groove] start here, in the groove, no nearer the shoulder
    [by-hand] stop here, the spindle turned by hand
    [withdraw] begin to withdraw here
    [start] start here, clear of the end of the thread
   *[clear] the tool is clear of the thread here
}; with the point at the end face, set the { -carriage } dial to nought, or mark the bed, and work to the mark on the dial or the bed

# Ways of holding it.
held-three-jaw = in the three-jaw chuck
held-three-jaw-is = quick; finish everything that must run true in one chucking; does not come back true: take the chuck off with the work in it, its place on the nose marked; put back, within { $again } of true
held-four-jaw = in the four-jaw chuck
held-four-jaw-is = clocked true to whatever must be concentric; takes odd shapes; must be clocked again: or take the chuck off with the work in it; put back, within { $again } of true
held-collet = in a collet
held-collet-is = round bright stock of the collet's own size; does not mark it; comes back nearly true; feel it home against a stop; put back, within { $again } of true
held-centers = between { -center }s, with a dog
held-centers-is = true end for end; wants a { -center } hole in each end, and room for the dog; comes off and goes back as it was: mark the dog's slot and put its tail in the same one; put back, within { $again } of true
held-arbor = on an arbor or mandrel between { -center }s
held-arbor-is = true to a finished bore; a light grip, so light cuts; comes off on its arbor and goes back as it was, the dog's slot marked; put back, within { $again } of true
held-faceplate = on the faceplate
held-faceplate-is = large or odd work, clocked true; balance it and run slowly, clamps clear of the { -bit }; must be clocked again: take the plate off with the work on it; put back, within { $again } of true
held-by-thread = by its finished thread, in a split nut or tapped bush
held-by-thread-is = bare jaws would crush the crests; true to its own thread only; screws back to the same place if it seats on a face; mark it; put back, within { $again } of true
held-for-its-thread = the part has a finished thread, which bare jaws would crush
held-for-slender = it must run true and it is slender
held-for-true = it must run true to what is finished already
held-for-trial = it comes off to be tried in its mate and goes back as it was
held-for-one-chucking = nothing finished before must run true to it, so one chucking serves
held-but = Held { $held }: { $why }.

# A gap at the shoulder.
relief-narrow = The { $gap ->
    [ring] ring
    [pocket] pocket
   *[relief] relief
} is { $there } wide where { $need } is needed to { $act ->
    [stop] stop
   *[start] start
} in, for { $binds ->
    [form] the form’s least, two pitches: widen it
    [body] the cut and the tool’s body ahead of its point: widen it, or grind the point to the shoulder side
    [stop] the cut, the tool and the room: widen it, run slower, or cut away from the shoulder
   *[start] the cut, the tool and the room: widen it, or cut toward the shoulder
}.
relief-runs-on = The { -carriage } runs on { $on } where the { $gap ->
    [ring] ring
    [pocket] pocket
   *[relief] relief
} leaves it { $room }: turn the spindle by hand for the last turns, or turn a relief.
relief-shallow = The { $gap ->
    [ring] ring
    [pocket] pocket
   *[relief] relief
} is { $there } where this tip needs { $need }: as it is, every pass { $act ->
    [start] begins
   *[stop] ends
} by digging in. { $gap ->
    [pocket] Drill it deeper
   *[other] Turn it deeper
}, or grind a wider tip.

# A slender part.
slender-out = It stands out { $out } diameters{ $asks ->
    [center] : bring up the tailstock.
    [steady] : set a steady.
    [nothing] : too thin for a { -center } or a steady to help.
   *[no] .
}{ $worse ->
    [breaks] { " " }The largest cut may break it.
    [climbs] { " " }Under the largest it may climb the tool.
   *[no] { "" }
}
slender-bends = It stands out { $out } diameters. The last cut, some { $force }, bends it { $shows ->
    [no] by nothing that shows
   *[yes] by { $by } on diameter
}; { $harmless } is harmless{ $asks ->
    [center] : bring up the tailstock.
    [steady] : set a steady.
    [nothing] : too thin for a { -center } or a steady to help.
   *[no] .
}{ $worse ->
    [breaks] { " " }The largest cut may break it.
    [climbs] { " " }Under the largest it may climb the tool.
   *[no] { "" }
}

blank-largest-drill = The largest drill here, { $drill }, leaves { $left } to bore: open it in steps, or begin from stock with a hole in it.
blank-drill = Drill { $drill }: it cuts about { $over } over its size, not measured, and leaves { $left } to bore.
blank-no-drill = No drill here leaves a real cut to bore to { $bore }: buy one a little under it.

dim-blank-diameter = blank diameter
dim-bore = bore
dim-register = register
dim-threaded-length = threaded length
dim-chamfer-to = chamfer to
dim-mark-from-face = mark from the face
dim-relief-diameter = relief diameter
dim-relief-width = relief width
dim-relief-corner = corner radius of the relief, at most
dim-shoulder-diameter = shoulder diameter

drill-fraction = { $fraction } in
drill-number = No. { $n }
drill-letter = letter { $letter }

held-not-a-bore = a bore cannot be reached between { -center }s
held-collets-end = most collets end at { $at }
held-overhangs = a long screw overhangs a faceplate too far
held-no-other-thread = no other thread of this part is finished

blank-chamfer-short = A chamfer to { $told } stops short of the root: the first thread starts as a feather that burrs. Take it to { $right }.

plain-still-to-come = { $left } still to come off, to the middle
plain-in-limits = in limits
plain-past-limit = past the limit
plain-not-measured = not measured

blank-common-tool = a common tool, its point in the middle

relief-corners = Leave a radius in its corners, up to { $radius }: a sharp one starts cracks.
relief-drilled = Drilled { $deep } deep with the spindle stopped, before the first pass; the point stops over it, spindle turned by hand.
relief-plunged = Plunged with the threading { -bit } to full depth and moved sideways by { $by }, before the first pass.
relief-over-three = Over three pitches, for the { -bit } stands { $ahead } ahead of its point: grind the point over, take a narrower { -bit }, or turn by hand.
relief-corner-over = A corner radius of { $there } stands where the tool runs: { $most } at most, or widen the relief.

blank-headstock-out = Smaller at the free end with nothing holding it, so the headstock is out of line: let it be aligned as its maker says, or cut between { -center }s.
material-crests-rise = { $material } raises its crests when it is threaded: turn toward the low limit, and file them before anything is measured over them.
blank-drill-short = { $said } The { $drill } is nearer, but reaches { $reach }, and { $need } is needed.
hand-holder = In the drawer: { $kind ->
    [live] a live { -center }
    [dead] a dead { -center }, to be oiled
    [half] a half { -center }, to be oiled
    [dog] a dog
    [fixed] a fixed steady
    [travelling] a travelling steady
    [collet] collets
   *[arbor] an arbor
}.
hand-holder-size = In the drawer: { $kind ->
    [dog] a dog
    [fixed] a fixed steady
    [travelling] a travelling steady
    [collet] a collet
    [live] a live { -center }
    [dead] a dead { -center }, to be oiled
    [half] a half { -center }, to be oiled
   *[arbor] an arbor
} of { $size }.
hand-holder-span = In the drawer: { $kind ->
    [dog] a dog that takes { $span }
    [fixed] a fixed steady for { $span }
    [travelling] a travelling steady for { $span }
    [live] a live { -center } for { $span }
    [dead] a dead { -center } for { $span }, to be oiled
    [half] a half { -center } for { $span }, to be oiled
    [collet] collets for { $span }
   *[arbor] an arbor for { $span }
}.
hand-no-holder = { $what ->
    [dog] No dog for { $size } is in the drawer: make, borrow or buy one.
    [collet] No collet for { $size } is in the drawer: buy one, or hold it in a chuck.
    [steady] No steady for { $size } is in the drawer: borrow or buy one, or hold it otherwise.
   *[centre] No { -center } for the tailstock is in the drawer: borrow or buy one.
}
hand-arbor = In the drawer: an arbor; turn or choose it to the bore, oiled and pressed in, the dog on its driven end.
hand-no-arbor = No arbor is in the drawer: turn one to the bore, or buy one; oiled and pressed in, the dog on its driven end.
hand-indicator = In the drawer: { $name }, which divides { $division }.
hand-no-indicator = No indicator that goes { $travel } is in the drawer: borrow or buy one.
hand-reamer = In the drawer: a reamer brings the bore to { $size }, within its limits.
hand-chaser = { $what ->
    [die] In the drawer: the die { $thread }{ $worn ->
        [yes] , worn: it cuts full and takes twice the torque
       *[no] {""}
    }.
   *[tap] In the drawer: the tap { $thread }{ $worn ->
        [yes] , worn: it cuts small and takes twice the torque
       *[no] {""}
    }.
}
hand-no-chaser = { $what ->
    [die] No die for { $thread } is in the drawer: borrow or buy one before the thread counts on it.
   *[tap] No tap for { $thread } is in the drawer: borrow or buy one before the thread counts on it.
}
blank-left-for-die = { $by ->
    [tap] A tap finishes it: the single point stops { $over } under the size, and the tap
   *[die] A die finishes it: the single point stops { $over } over the size, and the die
} brings it to { $ends }. What is measured before is held against that, and not against the drawing’s own { $by ->
    [tap] lower
   *[die] upper
} limit.
