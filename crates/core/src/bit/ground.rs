//! As ground: what thread the real bit will cut, with what doubt, and whether it matters here.

use super::grind::LEAST_DEG;
use super::{Tip, rules};
use crate::job::BitFacts;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, DOUBTFUL_SHARE};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// What the bit as ground will cut.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AsGround {
    /// Angle of the flank the leading edge cuts, from square to the axis.
    pub leading_deg: Quantity,
    /// And the trailing one.
    pub trailing_deg: Quantity,
    /// What gauges and mate feel of both, as pitch diameter.
    pub feels_mm: Quantity,
    /// How much shallower the bit cuts than its dial says, for standing off centre.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub shallow_mm: Option<Quantity>,
    /// Whether it matters here.
    pub judged: String,
    /// Where to aim so that a true mate fits as well as with a true bit, where that is all it asks.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub aim_mm: Option<Quantity>,
    /// Sides that rub, or nearly.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub rubs: Vec<String>,
    /// Where to stop and measure, while the tip is only guessed.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub stop_says: Option<String>,
}

/// The bit's edges as they stand on the lathe.
#[derive(Debug, Clone, Copy)]
pub struct Edges {
    /// Angles of the leading edge and the trailing one from square to the axis, in the face, degrees.
    pub flanks_deg: [f64; 2],
    /// Flat between them, mm.
    pub flat_mm: f64,
    /// Back rake, degrees.
    pub rake_deg: f64,
    /// Turned out of square, point toward the leading side, degrees.
    pub square_deg: f64,
    /// Tip off centre toward the side the work comes from, mm: above for a bit that stands right way up.
    pub height_mm: f64,
    /// Lead, mm.
    pub lead_mm: f64,
}

/// The chord of a flank from root to crest, as an angle from square to the axis, for the leading edge and the trailing one.
///
/// Every point of an edge sweeps a helix of its own radius, so the flank is where the edge stands at each radius, moved along by what of the
/// lead the work turns before it comes there: the edge is a straight line in the face, the face is tilted by the rake and turned by the
/// squareness, and stands at its height. A point that the work reaches later cuts ahead in the carriage's travel.
#[must_use]
pub fn flanks(edges: &Edges, external: bool, root: f64, crest: f64) -> [f64; 2] {
    let out = if external { 1.0 } else { -1.0 };
    [1.0, -1.0].map(|side| {
        let at = |u: f64| place(edges, external, root, side, u);
        // How far along the edge it comes to the crest's radius: bisection on a length that passes it.
        let past = 8.0 * (crest - root).abs() + 1.0;
        // In a bore the edge comes nearest the axis there, and beyond it goes out again: the crest is on this side.
        let nearest = root * edges.rake_deg.to_radians().cos();
        let (mut low, mut high) = (0.0, if external { past } else { past.min(nearest) });
        for _ in 0..80 {
            let middle = f64::midpoint(low, high);
            if out * (at(middle).0 - crest) < 0.0 { low = middle } else { high = middle }
        }
        let ((r0, z0), (r1, z1)) = (at(0.0), at(high));
        (side * (z1 - z0)).atan2((r1 - r0).abs()).to_degrees()
    })
}

/// Radius and place along the axis of a point `u` along an edge.
fn place(edges: &Edges, external: bool, root: f64, side: f64, u: f64) -> (f64, f64) {
    let out = if external { 1.0 } else { -1.0 };
    let (rake, square) = (edges.rake_deg.to_radians(), edges.square_deg.to_radians());
    let flank = edges.flanks_deg[usize::from(side < 0.0)].to_radians();
    // In the face: back along the tool, sideways along the axis.
    let (back, aside) = (u, side * (edges.flat_mm / 2.0 + u * flank.tan()));
    let (level, down) = (back * rake.cos(), back * rake.sin());
    let (level, aside) = (level * square.cos() + aside * square.sin(), aside * square.cos() - level * square.sin());
    let tip = (root * root - edges.height_mm * edges.height_mm).max(0.0).sqrt();
    let (x, y) = (tip + out * level, edges.height_mm - down);
    // Below centre the work comes later, and the carriage has gone on: ahead is toward the leading side.
    (x.hypot(y), aside + edges.lead_mm * (-y).atan2(x) / std::f64::consts::TAU)
}

/// What a mate feels of one flank cut off its angle, as pitch diameter, were both flanks so far out; `alpha_deg` is the half angle of the
/// even groove that widens as fast: a narrow one bears at its own
/// crest, a wide one at its root; heights of the basic flank on either side of the pitch line are on diameter, mm, the crest's first.
pub(crate) fn felt(alpha_deg: f64, [flank_deg, cut_deg]: [f64; 2], [crest, root]: [f64; 2]) -> f64 {
    let tan = |deg: f64| deg.to_radians().tan();
    let height = if cut_deg < flank_deg { crest } else { root };
    height * (tan(cut_deg) - tan(flank_deg)).abs() / tan(alpha_deg)
}

/// What is settled before the bit as ground is judged.
pub(super) struct Inputs<'a> {
    pub facts: &'a BitFacts,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    /// Reliefs as ground, leading and trailing, degrees, where told.
    pub reliefs: [Option<f64>; 2],
    /// Reliefs wanted, leading and trailing.
    pub needed: (Num, Num),
    /// What of them the thread's own rise takes, degrees.
    pub rises: (f64, f64),
    /// Radii of the groove's root and of the crest, mm.
    pub from_to: (f64, f64),
    /// Whether the bit stands right way up.
    pub upright: bool,
}

/// Works what the bit as ground will cut, where anything of it was told; root and crest are radii of the cut.
pub(super) fn reckon(sheet: &mut Worksheet, before: &Inputs<'_>, watch: &mut Vec<Watch>) -> Option<AsGround> {
    let voice = sheet.voice();
    let Inputs { facts, thread, tip, reliefs, needed, rises, from_to: (root, crest), upright } = *before;
    let told = facts.tilt_deg.abs() > 1e-9
        || facts.included_angle_deg.is_some()
        || facts.rake_deg.is_some()
        || facts.square_deg.is_some()
        || facts.height_mm.is_some();
    let guessed = facts.tip_between_mm;
    let measured_reliefs = [(reliefs[0], needed.0.value, rises.0, "leading"), (reliefs[1], needed.1.value, rises.1, "trailing")];
    if !told && guessed.is_none() && measured_reliefs.iter().all(|r| r.0.is_none()) {
        return None;
    }
    let external = thread.spec.side == Side::External;
    // An angle out is taken as out alike on both sides.
    let out = facts.included_angle_deg.map_or(0.0, |a| (a - thread.flanks.included_deg()) / 2.0);
    let edges = Edges {
        // Tilted, the edges lie along the groove: across the axis it is wider by the cosine.
        flanks_deg: thread.flanks.both().map(|flank| ((flank + out).to_radians().tan() / facts.tilt_deg.to_radians().cos()).atan().to_degrees()),
        flat_mm: tip.equal_flat.value,
        rake_deg: facts.rake_deg.unwrap_or(0.0),
        square_deg: facts.square_deg.unwrap_or(0.0),
        // Turned over, the work comes from below.
        height_mm: facts.height_mm.unwrap_or(0.0) * if upright { 1.0 } else { -1.0 },
        lead_mm: thread.lead.value,
    };
    let [leading, trailing] = flanks(&edges, external, root, crest);
    let [true_leading, true_trailing] = thread.flanks.both();
    let [by_leading, by_trailing] = [[true_leading, leading], [true_trailing, trailing]].map(|flank| felt(thread.alpha_deg, flank, thread.heights()));
    let feels = if thread.alpha_deg > 0.0 { f64::midpoint(by_leading, by_trailing) } else { 0.0 };
    let room = thread.own.pitch.1.value - thread.own.pitch.0.value;
    let judged = judge(feels, room, external, voice, watch);
    let aim_mm = (feels >= 5e-4 && feels <= room * DOUBTFUL_SHARE).then(|| {
        let (low, high) = (thread.own.pitch.0.value, thread.own.pitch.1.value);
        let middle = f64::midpoint(low, high);
        Quantity::length(voice, (if external { middle - feels } else { middle + feels }).clamp(low, high))
    });
    let shallow_mm = facts.height_mm.filter(|h| h.abs() > 1e-9).map(|h| {
        let depth = Num::from((crest - root).abs());
        let rule = if external { &rules::OFF_CENTRE_EXTERNAL } else { &rules::OFF_CENTRE_INTERNAL };
        Quantity::length(voice, sheet.apply(rule, [crest.into(), depth, h.into()]))
    });
    let rubs = rubbing(&measured_reliefs, voice);
    for text in &rubs {
        watch.push(Watch::new(Level::Warn, Code::FlankRubs, "bit", text.clone()));
    }
    let stop_says = guessed.map(|flats| guess_costs(sheet, flats, facts.round_between_mm, thread.alpha_deg));
    Some(AsGround {
        leading_deg: Quantity::angle(leading),
        trailing_deg: Quantity::angle(trailing),
        feels_mm: Quantity::length(voice, feels),
        shallow_mm,
        judged,
        aim_mm,
        rubs,
        stop_says,
    })
}

/// What not knowing the tip costs, and where to stop for it.
fn guess_costs(sheet: &mut Worksheet, [low, high]: [f64; 2], radii: Option<[f64; 2]>, alpha_deg: f64) -> String {
    let voice = sheet.voice();
    let told = radii.unwrap_or([low, high]);
    let costs = sheet.apply(&rules::GUESS_COSTS, [low.into(), high.into(), alpha_deg.into()]);
    let tip = if radii.is_some() { "round" } else { "flat" };
    say!(voice, "bit-guess-costs", tip = tip, low = voice.length(told[0]), high = voice.length(told[1]), costs = voice.length(costs.value))
}

/// The sides whose relief is too little for the thread's own lead.
fn rubbing(sides: &[(Option<f64>, f64, f64, &str)], voice: Voice) -> Vec<String> {
    sides
        .iter()
        .filter_map(|(ground, needed, lead, side)| {
            let ground = (*ground)?;
            let left = ground - lead;
            (left < LEAST_DEG).then(|| {
                let how = if left <= 0.0 { "yes" } else { "nearly" };
                say!(voice, "bit-side-rubs", side = *side, rubs = how, ground = voice.angle(ground), takes = voice.angle(*lead), wanted = voice.angle(*needed))
            })
        })
        .collect()
}

/// What the flanks as ground come to for a mate, said and, where it matters, warned of.
fn judge(feels: f64, room: f64, external: bool, voice: Voice, watch: &mut Vec<Watch>) -> String {
    if feels < 5e-4 {
        say!(voice, "bit-true")
    } else if feels <= room * DOUBTFUL_SHARE {
        say!(voice, "bit-flanks-feel", feels = voice.micro(feels), room = voice.micro(room), side = if external { "outside" } else { "inside" })
    } else {
        let text = say!(voice, "bit-flanks-feel-much", feels = voice.micro(feels), room = voice.micro(room));
        watch.push(Watch::new(if feels > room { Level::Danger } else { Level::Warn }, Code::BitAngle, "bit", text.clone()));
        text
    }
}
