//! The rules: from what is wrong to what may be behind it. Each is data: the symptoms it answers to with how common it is under each
//! (1 the commonest), what would settle it, and what cures it; its evidence is one function over the job's own numbers.

use super::evidence::{self as e, Evidence};
use super::known::JobEvidence;
use super::rescue::Rescue::{self, CleanEntrance, DressCrests, OutAndBack, PickUp, Remake};
use crate::run::Symptom::{self, *};

/// One rule.
pub struct Rule {
    /// Stable code.
    pub code: &'static str,
    /// What is behind it.
    pub cause: &'static str,
    /// Symptoms it may be behind, with how common it is there.
    pub of: &'static [(Symptom, u8)],
    /// What this job's numbers say of it.
    pub(super) evidence: fn(&JobEvidence) -> Evidence,
    /// The check that would settle it.
    pub settles: &'static str,
    /// The cure.
    pub cure: &'static str,
    /// Ways of rescuing the part that go with it.
    pub rescues: &'static [Rescue],
}

/// All of them. `{mate}`, `{half-nut}` and `{compound}` stand for the trade's words.
#[rustfmt::skip]
pub static RULES: &[Rule] = &[
    Rule { code: "metal_left", cause: "It is not cut to its size yet", of: &[(WontStart, 1), (NothingMeasures, 1), (Binds, 3)], evidence: e::metal_left,
        settles: "Measure it, clean and cool, and tell the reading at Gauge.", cure: "Take the next cut as Gauge gives it, and try the {mate} again.", rescues: &[] },
    Rule { code: "burr", cause: "A burr, or a torn crest", of: &[(WontStart, 2), (Binds, 2), (WiresYesNutNo, 1), (NothingMeasures, 2)], evidence: e::burr,
        settles: "A fingernail along the flanks and crests, both ways; a burr catches one way. Blue the thread, run the {mate} on as far as it goes, and see where the blue is gone.",
        cure: "Take the burr off at its place; a threading pass at the depth it stands at, then brush and wipe.", rescues: &[DressCrests, CleanEntrance] },
    Rule { code: "crests", cause: "Crests too full, sharp or raised", of: &[(WontStart, 3), (WiresYesNutNo, 2), (NothingMeasures, 3), (Binds, 4)], evidence: e::crests,
        settles: "Read over the crests with flat anvils (a bore: with a plain plug).", cure: "Dress the crests into their limits: threading raises them, most in soft stock.", rescues: &[DressCrests] },
    Rule { code: "flank_angle", cause: "The flanks stand at the wrong angle", of: &[(WiresYesNutNo, 3), (Loose, 4), (NothingMeasures, 5), (WontStart, 6)], evidence: e::flank_angle,
        settles: "Read it over two sizes of wire at one depth: Gauge makes the angle of them. Or the {bit} under a glass against a gauge.",
        cure: "Grind, or set square, a true {bit}; pick the thread up with it and take the flanks clean.", rescues: &[PickUp] },
    Rule { code: "lead_error", cause: "The train\u{2019}s error adds up along the {mate}", of: &[(Binds, 1), (WiresYesNutNo, 4), (WrongPitch, 3), (WontStart, 7)], evidence: e::lead_error,
        settles: "Count the turns it goes before it binds: an error binds at the same place every time, and a shorter {mate} goes on.",
        cure: "A truer train (Gears lists them); or a shorter {mate}; or cut toward the far limit, where there is room for it.", rescues: &[PickUp] },
    Rule { code: "root_shallow", cause: "The root is not deep enough: the tip is too wide", of: &[(WiresYesNutNo, 5), (WontStart, 5), (Binds, 5), (NothingMeasures, 6)], evidence: e::root_shallow,
        settles: "Blue the root: the {mate}\u{2019}s crests rub it off there, and the flanks keep theirs.", cure: "A narrower tip, to the same flanks: pick the thread up, deepen the root only.", rescues: &[PickUp] },
    Rule { code: "entrance", cause: "The entrance is damaged, or not chamfered", of: &[(WontStart, 4), (Crooked, 1), (WiresYesNutNo, 6), (NothingMeasures, 4)], evidence: e::entrance,
        settles: "Look at the first half turn: a feather, or a bruise from the chuck or the {center}.", cure: "Chamfer it and take the feather back.", rescues: &[CleanEntrance] },
    Rule { code: "wrong_hand", cause: "It is cut the other hand", of: &[(WrongHand, 1), (WontStart, 9)], evidence: e::wrong_hand,
        settles: "Hold it on end: a right-hand thread rises to the right.", cure: "Nothing mends this part. Turn the tumbler, or the spindle, the other way; follow the chain at Gears before the next scratch.", rescues: &[Remake] },
    Rule { code: "other_mate", cause: "The {mate} is not what it is taken for", of: &[(Loose, 2), (WontStart, 8), (WiresYesNutNo, 7), (NothingMeasures, 7)], evidence: e::other_mate,
        settles: "Try the {mate} on a gauge, or on a bought thread of the same size; count its pitch.", cure: "Measure the {mate}, tell it at Thread, and this one is fitted to it as it is.", rescues: &[] },
    Rule { code: "past_limit", cause: "It is cut past its limit", of: &[(Loose, 1)], evidence: e::past_limit,
        settles: "Measure it again, wiped and cool; twice the same counts.", cure: "Gauge says what can still be done: another class, a {mate} made to it, or scrap.", rescues: &[Remake] },
    Rule { code: "off_centre", cause: "The tool is off {center} height", of: &[(Torn, 4), (Chatter, 5), (Loose, 6)], evidence: e::off_centre,
        settles: "A thin rule nipped between work and tip stands plumb on {center}.", cure: "Set it to height, square it, and pick the thread up.", rescues: &[PickUp] },
    Rule { code: "rubs", cause: "A side of the {bit} rubs", of: &[(Torn, 1), (Chatter, 3)], evidence: e::rubs,
        settles: "Look for a bright band below the edge, on the leading side first.", cure: "Grind that side to the relief {Bit} gives, stone the edge, and pick the thread up.", rescues: &[PickUp] },
    Rule { code: "dull", cause: "The {bit} is dull, or has an edge built up on it", of: &[(Torn, 2), (Chatter, 4), (Tapered, 5)], evidence: e::dull,
        settles: "A glass on the edge, or a fingernail: a dull edge shines.", cure: "Stone or grind it. Steel wants oil on it: a dry edge picks up metal and tears.", rescues: &[PickUp] },
    Rule { code: "too_fast", cause: "It turns too fast", of: &[(Torn, 3), (Chatter, 2), (RanIn, 2)], evidence: e::too_fast,
        settles: "Halve the speed for one pass.", cure: "The speed Set-up gives, or slower.", rescues: &[] },
    Rule { code: "both_flanks", cause: "Both flanks cut at once", of: &[(Torn, 5), (Chatter, 6)], evidence: e::both_flanks,
        settles: "Look at the chip: two that meet in the middle jam and tear.", cure: "Feed down the flank, or step aside each pass; finish with light cuts straight in.", rescues: &[] },
    Rule { code: "lean", cause: "The {compound} leans too far", of: &[(Loose, 3), (Torn, 6)], evidence: e::lean,
        settles: "A square or the lathe\u{2019}s own scale: it is counted from the cross-slide on some and from the bed on others.", cure: "Set it at or under half the thread\u{2019}s angle; touch, and zero again.", rescues: &[PickUp] },
    Rule { code: "slender", cause: "The work, or the bar, stands out too far", of: &[(Chatter, 1), (Tapered, 3)], evidence: e::slender,
        settles: "Press a thumb on it near the cut, with the spindle stopped and an indicator on it.", cure: "A {center}, a steady, a stouter or shorter bar; then spring passes.", rescues: &[] },
    Rule { code: "tailstock", cause: "The tailstock is out of line", of: &[(Tapered, 1)], evidence: e::tailstock,
        settles: "Two diameters over a length, one cut: tell them at Blank.", cure: "Move the tailstock by half of what it tapers over its length; pick the thread up.", rescues: &[PickUp] },
    Rule { code: "bends", cause: "The free end bends away", of: &[(Tapered, 2)], evidence: e::bends,
        settles: "Read it at both ends; a spring pass that takes metal off the free end shows it.", cure: "Bring up the tailstock, or a steady; spring passes until nothing comes off.", rescues: &[] },
    Rule { code: "spring", cause: "Much of every cut springs away", of: &[(Tapered, 4), (WontStart, 10), (Binds, 8)], evidence: e::spring,
        settles: "A pass with nothing wound in: what it takes off is what sprang.", cure: "Spring passes at the last depth; slides snugged, stick-out cut down.", rescues: &[] },
    Rule { code: "wrong_mark", cause: "The {half-nut} closed on a wrong mark", of: &[(DoubleGroove, 1), (NutOpened, 3)], evidence: e::wrong_mark,
        settles: "Close it on the mark of the first pass, take up the play, and see whether the tip stands in the first groove.",
        cure: "The shallow groove does no harm until it is deep: pick up the first, and go on. Use the marks Gears shows, or keep it closed.", rescues: &[PickUp, Remake] },
    Rule { code: "dial_drift", cause: "The dial\u{2019}s marks drift on this train", of: &[(DoubleGroove, 2)], evidence: e::dial_drift,
        settles: "The tip lies a little further to one side of the groove every pass.", cure: "Keep the {half-nut} closed and reverse the spindle.", rescues: &[PickUp] },
    Rule { code: "play", cause: "Play not taken up before the cut begins", of: &[(DoubleGroove, 3), (NutOpened, 4)], evidence: e::play,
        settles: "Start further off: if the second groove goes away, that was it.", cure: "A longer run-up, and the carriage held back by hand against the play.", rescues: &[PickUp] },
    Rule { code: "starts", cause: "A start missed, or cut twice", of: &[(DoubleGroove, 4), (WrongPitch, 4)], evidence: e::starts,
        settles: "Blue one groove and follow it round: it comes back one lead along.", cure: "Index again from the first start, as Gears says, and scratch each before any is deep.", rescues: &[PickUp] },
    Rule { code: "rechucked", cause: "It was out of its chuck, and is not back as it was", of: &[(DoubleGroove, 5), (Crooked, 3), (Slipped, 2), (Loose, 7)], evidence: e::rechucked,
        settles: "An indicator on a diameter turned in the first chucking.", cure: "True it to that, then pick the thread up.", rescues: &[OutAndBack, PickUp] },
    Rule { code: "gears_on", cause: "Other gears are on the lathe than this plan\u{2019}s", of: &[(WrongPitch, 1)], evidence: e::gears_on,
        settles: "Read the teeth off the gears on the arm, spindle end first.", cure: "Isolate the machine; hang the train Gears shows, guard back on; scratch and measure again. A scratch can be cut over.", rescues: &[] },
    Rule { code: "misfit", cause: "A gear is in the wrong place, or a lever a notch off", of: &[(WrongPitch, 2)], evidence: e::misfit,
        settles: "Measure the scratch over ten spaces and tell it at Gears: the mistake that gives just that is named.", cure: "Put that right, and scratch again.", rescues: &[Remake] },
    Rule { code: "first_thread", cause: "The first half thread is a feather", of: &[(Crooked, 2), (WontStart, 11)], evidence: e::first_thread,
        settles: "Start it turning backward till it drops, then forward.", cure: "Take the feather back; square the end face.", rescues: &[CleanEntrance] },
    Rule { code: "round", cause: "It is out of round", of: &[(Binds, 6), (Loose, 5), (Crooked, 4)], evidence: e::round,
        settles: "Read it at three places around.", cure: "Lighter grip, or jaws eased for the last passes; spring passes.", rescues: &[] },
    Rule { code: "packed", cause: "Chips packed at the bottom", of: &[(Binds, 7), (RanIn, 4)], evidence: e::packed,
        settles: "A scriber along the bottom; blow it out away from you, eyes shielded, or wash it.", cure: "Clear the bottom, deepen the relief if it is full.", rescues: &[] },
    Rule { code: "stops_late", cause: "The carriage needs more room to stop than there is", of: &[(RanIn, 1), (TipBroken, 2)], evidence: e::stops_late,
        settles: "A dry run, tool clear: see where it stops.", cure: "Slower; a wider relief; the spindle turned by hand for the last turns; or cut away from the shoulder.", rescues: &[PickUp, Remake] },
    Rule { code: "relief", cause: "The relief is too shallow or too narrow for this tip", of: &[(RanIn, 3), (TipBroken, 3), (Torn, 7)], evidence: e::relief,
        settles: "Listen at the end of the pass: a tip that meets the wall ticks.", cure: "Open the relief to what Blank gives for this tip.", rescues: &[PickUp] },
    Rule { code: "grip", cause: "It is held too lightly", of: &[(Slipped, 1), (Chatter, 7)], evidence: e::grip,
        settles: "A witness line across work and jaw: it parts.", cure: "A clean, longer grip; a {center}; a dog. Find the groove again before the next cut.", rescues: &[OutAndBack, PickUp] },
    Rule { code: "unscrews", cause: "The chuck is working off its thread", of: &[(Slipped, 3)], evidence: e::unscrews,
        settles: "Stop. A witness line across chuck and spindle nose.", cure: "Screw it home, clean. No hard start in reverse on this lathe: another way of ending the pass.", rescues: &[PickUp] },
    Rule { code: "too_deep", cause: "A cut was too deep for it", of: &[(TipBroken, 1), (Slipped, 4), (Chatter, 8)], evidence: e::too_deep,
        settles: "Compare with the passes of the plan.", cure: "More passes, each lighter; the last ones lightest.", rescues: &[PickUp] },
    Rule { code: "reversed", cause: "The spindle was reversed with the tip in the cut", of: &[(TipBroken, 4)], evidence: e::reversed,
        settles: "The break runs up from the underside.", cure: "Tool clear before the spindle reverses; high-speed steel where it must follow back.", rescues: &[PickUp] },
    Rule { code: "weak_tip", cause: "The tip is too narrow", of: &[(TipBroken, 5), (Torn, 8)], evidence: e::weak_tip,
        settles: "A glass on the tip.", cure: "Stone the flat {Bit} asks for: a sharp point burns and breaks.", rescues: &[PickUp] },
    Rule { code: "broke", cause: "A piece of the tip is left in the groove", of: &[(TipBroken, 6), (Torn, 9)], evidence: e::broke,
        settles: "Find every piece; a magnet, a needle along the groove.", cure: "Pick it out, set the new {bit}, tell what became of the old one, and pick the thread up.", rescues: &[PickUp] },
    Rule { code: "opened", cause: "Opening the {half-nut} loses this thread", of: &[(NutOpened, 1)], evidence: e::opened,
        settles: "Do nothing yet: is the tool clear, does the spindle stand still?", cure: "Tell it at the lathe (Else: the {half-nut} was opened), and find the groove again.", rescues: &[PickUp] },
    Rule { code: "wrong_wires", cause: "Other wires, or a reading misread", of: &[(WiresYesNutNo, 8), (Loose, 8)], evidence: e::wrong_wires,
        settles: "Measure a wire; zero the micrometer; read it again.", cure: "Tell the reading again, with the wire it was read over.", rescues: &[] },
    Rule { code: "no_proof", cause: "Nothing at hand proves the size", of: &[(NothingMeasures, 8)], evidence: e::no_proof,
        settles: "Set-up lists the ways and what stands in each one\u{2019}s.", cure: "Turn a plug first, make the mate first, or a test piece and repeat its last setting. Where no bar or gauge reaches: a finishing tap cut as the mate, a little over size, fluted, tapered at its lead, hardened and tempered; harden and temper with eyes covered, fumes drawn off and fire in mind.", rescues: &[] },
];

/// The rules that answer to a symptom, the commonest first.
pub fn of(symptom: Symptom) -> impl Iterator<Item = (&'static Rule, u8)> {
    let mut list: Vec<_> = RULES.iter().filter_map(|r| r.of.iter().find(|(s, _)| *s == symptom).map(|(_, order)| (r, *order))).collect();
    list.sort_by_key(|(_, order)| *order);
    list.into_iter()
}
