//! The gauge sheet of a plan, made on request: every wire of the drawer judged, the range that serves drawn, and the same size by the
//! other ways of reading it.

use crate::direction::Carriage;
use crate::gauge::section::Wires;
use crate::job::{Kit, MicrometerKind, OwnedMicrometer};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::plan::Plan;
use crate::quantity::{MM_PER_INCH, plain_text};
use crate::say;
use crate::thread::drawing::{profile, wire_in_groove};
use crate::thread::{Groove, Side, bears};
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;

/// A wire, a pin or the shank of a drill, held against this thread.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WireView {
    /// Its diameter as measured.
    pub wire_mm: Quantity,
    /// Whether it bears on the flanks.
    pub serves: bool,
    /// Why not, or how far it is from the best.
    pub why: String,
    /// Whether it is the one chosen.
    pub chosen: bool,
    /// Sizes over three of it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_mm: Option<Wires>,
    /// Sizes over one of it and the crests opposite.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_one_mm: Option<Wires>,
    /// It in its groove, or lying on the crests.
    pub drawing: Drawing,
}

/// Sizes between balls in a bore.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BallView {
    /// The ball.
    pub ball_mm: Quantity,
    /// Between three of them and flat anvils.
    pub three_mm: Wires,
    /// Between two, opposite each other.
    pub two_mm: Wires,
}

/// Everything beside the plan's own way of measuring.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GaugeSheet {
    /// Wires of the drawer, the best of them first.
    pub wires: Vec<WireView>,
    /// Shanks of drills that would serve, where no wire does.
    pub shanks: Vec<WireView>,
    /// The range that serves, drawn; absent where no wire seats.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub range: Option<Drawing>,
    /// Balls for a bore.
    pub balls: Vec<BallView>,
    /// Micrometers of the drawer that read this thread.
    pub micrometers: Vec<OwnedMicrometer>,
    /// How three wires are held single-handed.
    pub holding: Vec<String>,
}

/// Three wires and two hands.
const HOLDING: [&str; 4] = ["wires-held-grease", "wires-held-band", "wires-held-strip", "wires-single-last"];
/// Balls offered are the nearest of these steps to the best one, mm.
const BALL_STEPS_MM: [f64; 2] = [0.5, MM_PER_INCH / 32.0];
/// Wires shown, and shanks.
const WIRES_SHOWN: usize = 12;
const SHANKS_SHOWN: usize = 3;

/// Makes it.
#[must_use]
pub fn gauge_sheet(plan: &Plan, kit: &Kit) -> GaugeSheet {
    let run = &plan.run;
    let screw = run.side == Side::External;
    let groove = run.groove(run.target_mm);
    let best = plan.gauge.best_mm.as_ref().map_or(0.0, |b| b.value);
    let near = |w: f64| (w - best).abs();
    let judged = |sizes: &[f64]| -> Vec<WireView> {
        let Some(groove) = groove.filter(|_| screw) else { return Vec::new() };
        let mut sizes = sizes.to_vec();
        sizes.sort_by(|a, b| near(*a).total_cmp(&near(*b)));
        sizes.dedup();
        sizes.into_iter().map(|w| wire(plan, &groove, w, best)).collect()
    };
    let mut wires = judged(&kit.wires_mm);
    // Those that serve first; of the rest the nearest few, to say why not.
    wires.sort_by_key(|w| !w.serves);
    wires.truncate(WIRES_SHOWN);
    let shanks = if wires.iter().any(|w| w.serves) { Vec::new() } else { judged(&kit.drills_mm).into_iter().filter(|w| w.serves).take(SHANKS_SHOWN).collect() };
    let kinds: &[MicrometerKind] = if screw { &[MicrometerKind::Outside, MicrometerKind::Thread] } else { &[MicrometerKind::InsideThread] };
    GaugeSheet {
        range: groove.filter(|_| screw).and_then(|g| range(plan, &g, &wires)),
        wires,
        shanks,
        balls: groove.filter(|_| !screw).map_or_else(Vec::new, |g| balls(plan, &g, best)),
        micrometers: kit.micrometers.iter().filter(|m| kinds.contains(&m.kind) && !m.lent && m.to_mm > run.near_limit()).cloned().collect(),
        holding: if screw { HOLDING.map(|id| say!(plan.voice, id)).into() } else { Vec::new() },
    }
}

/// Which way the groove is cut, for which of its flanks leads: a die's and a tap's as a single point's toward the headstock.
fn cut_toward(plan: &Plan) -> Carriage {
    plan.pointed().map_or(Carriage::TowardHeadstock, |p| p.setup.carriage)
}

/// The size at each limit and at the aim, by a function of the pitch diameter.
fn sizes(plan: &Plan, of: impl Fn(f64) -> Option<f64>) -> Option<Wires> {
    let voice = plan.voice;
    let run = &plan.run;
    let at = |e: f64| of(e).map(|v| Quantity::given(voice, v));
    Some(Wires { min: at(run.limits_mm[0])?, max: at(run.limits_mm[1])?, target: at(run.target_mm)? })
}

fn wire(plan: &Plan, groove: &Groove, w: f64, best: f64) -> WireView {
    let voice = plan.voice;
    let run = &plan.run;
    let own = run.wires.filter(|r| (r.wire_mm - w).abs() < 1e-9);
    let bearing = bears(groove, w, run.start_mm, run.tip_to_pitch_mm);
    let over = |e: f64| own.map_or_else(|| Groove { pitch_diameter_mm: e, ..*groove }.seat(w).map(|s| s.over_mm), |r| Some(e + r.sum_mm));
    let over_mm = bearing.is_ok().then(|| sizes(plan, over)).flatten();
    let over_one_mm = bearing.is_ok().then(|| sizes(plan, |e| over(e).map(|m| f64::midpoint(m, run.start_mm)))).flatten();
    let why = match bearing {
        Err(why) => say!(voice, "wire-bears-not", why = why.word()),
        Ok(()) if (w - best).abs() < 0.02 * best => say!(voice, "wire-bears-at-pitch-line"),
        Ok(()) => {
            let (off, way) = (plain_text(100.0 * (w / best - 1.0).abs(), 0), if w > best { "over" } else { "under" });
            say!(voice, "wire-off-best", off = off, way = way)
        }
    };
    let drawing = seated(plan, groove, w, &why);
    WireView { wire_mm: Quantity::given(voice, w), serves: bearing.is_ok(), why, chosen: own.is_some(), over_mm, over_one_mm, drawing }
}

/// Heights of the crest and of the root over the pitch line, mm.
fn heights(plan: &Plan, groove: &Groove) -> [f64; 2] {
    [(plan.run.start_mm - groove.pitch_diameter_mm) / 2.0, -plan.run.tip_to_pitch_mm]
}

/// A wire where it comes to rest: on both flanks, or on the two crests beside the groove where it is too large to reach them.
fn seated(plan: &Plan, groove: &Groove, wire: f64, why: &str) -> Drawing {
    let (p, walls) = (groove.pitch_mm, plan.thread.flanks().as_drawn(cut_toward(plan)));
    let [crest, root] = heights(plan, groove);
    let [left, right] = [-0.3 * p, 1.3 * p];
    let mut line: Vec<Point> = profile(p, walls, 0.0, crest, root, 2).into_iter().filter(|q| (left..=right).contains(&q[0]) && q[0] < 1.2 * p).collect();
    line.insert(0, [left, crest]);
    line.push([right, crest]);
    let floor = root - 0.25 * p;
    let body = line.iter().copied().chain([[right, floor], [left, floor]]).collect();
    let [aside, up] = wire_in_groove(p, walls, wire);
    let gap: f64 = p / 2.0 + crest * walls.iter().map(|w| w.to_radians().tan()).sum::<f64>();
    let r = wire / 2.0;
    let middle = walls.map(|w| crest * w.to_radians().tan());
    let on_crests = [(middle[1] - middle[0]) / 2.0, crest + (r * r - gap * gap / 4.0).max(0.0).sqrt()];
    let at = if r > gap / 2.0 && on_crests[1] > up { on_crests } else { [aside, up] };
    let shapes = vec![Shape::closed("thread.metal", body), Shape::open("thread.flank", line), Shape::circle("wire.seated", [p / 2.0 + at[0], at[1]], r)];
    let text = plan.voice.given(wire);
    // All to one scale, so that they are compared by looking.
    Drawing::chart(plan.voice, say!(plan.voice, "wire-drawn", text = &text, why = &why), [left, floor, right, crest + 0.7 * p], shapes, Vec::new())
}

fn balls(plan: &Plan, groove: &Groove, best: f64) -> Vec<BallView> {
    let voice = plan.voice;
    let mut sizes_mm: Vec<f64> = BALL_STEPS_MM.iter().map(|step| (best / step).round().max(1.0) * step).collect();
    sizes_mm.dedup();
    let between = |ball: f64, count: u8| sizes(plan, |e| Groove { pitch_diameter_mm: e, ..*groove }.between_balls(ball, count));
    sizes_mm
        .into_iter()
        .filter_map(|ball| Some(BallView { ball_mm: Quantity::given(voice, ball), three_mm: between(ball, 3)?, two_mm: between(ball, 2)? }))
        .collect()
}

/// As drawn: the scale across, and three pitches of thread over the middle of it.
const WIDE: f64 = 640.0;
const THREAD_WIDE: f64 = 420.0;
/// Room a figure takes on the scale, so that two do not run into each other.
const FIGURE_WIDE: f64 = 104.0;
/// Figures on the scale, by name; more than fit.
const NAMED: [&str; 7] = ["wire_1", "wire_2", "wire_3", "wire_4", "wire_5", "wire_6", "wire_7"];

/// Least, best and largest in three grooves, and under them the scale with the wires of the drawer.
fn range(plan: &Plan, groove: &Groove, wires: &[WireView]) -> Option<Drawing> {
    let voice = plan.voice;
    let (usable, best) = (plan.gauge.usable_mm.as_ref()?, plan.gauge.best_mm.as_ref()?);
    let p = groove.pitch_mm;
    let walls = plan.thread.flanks().as_drawn(cut_toward(plan));
    let scale = THREAD_WIDE / (3.0 * p);
    let [crest, root] = heights(plan, groove);
    let at = |x: f64, y: f64| -> Point { [(WIDE - THREAD_WIDE) / 2.0 + x * scale, y * scale] };
    let line: Vec<Point> = profile(p, walls, 0.0, crest, root, 4).into_iter().filter(|q| q[0] > -0.3 * p && q[0] < 3.3 * p).map(|q| at(q[0], q[1])).collect();
    let mut body = line.clone();
    let (first, last) = (*line.first()?, *line.last()?);
    let floor = (root - 0.22 * p) * scale;
    body.extend([[last[0], floor], [first[0], floor]]);
    let mut shapes = vec![Shape::closed("thread.metal", body), Shape::open("thread.flank", line)];
    let seats = [
        (&usable.min, say!(voice, "word-least"), ("least_wire", say!(voice, "dim-least-wire"))),
        (best, say!(voice, "word-best"), ("best_wire", say!(voice, "dim-best-wire"))),
        (&usable.max, say!(voice, "word-largest"), ("largest_wire", say!(voice, "dim-largest-wire"))),
    ];
    let mut dimensions = Vec::new();
    let mut top: f64 = 0.0;
    // The scale runs from a little under the least to a little over the largest.
    let (from, to) = (usable.min.value * 0.8, usable.max.value * 1.1);
    let along = |w: f64| WIDE * (w - from) / (to - from);
    let base = floor - 44.0;
    let band = [usable.min.value, usable.max.value].map(along);
    shapes.push(Shape::closed("range.serves", vec![[band[0], base], [band[1], base], [band[1], base + 10.0], [band[0], base + 10.0]]));
    shapes.push(Shape::open("chart.axis", vec![[0.0, base], [WIDE, base]]));
    for (i, (wire, name, says)) in seats.into_iter().enumerate() {
        let w = wire.value;
        let [aside, centre] = wire_in_groove(p, walls, w);
        #[allow(clippy::cast_precision_loss)] // three
        let x = (i as f64 + 0.5) * p;
        shapes.push(Shape::circle("wire.seated", at(x + aside, centre), w / 2.0 * scale));
        top = top.max((centre + w / 2.0) * scale);
        shapes.push(Shape::open("chart.mark", vec![[along(w), base], [along(w), base + 17.0]]));
        shapes.push(Shape::said("word.over", [along(w), base + 20.0], name));
        dimensions.push((says, wire.clone(), x));
    }
    let over = |x: f64, y: f64, (name, says), figure: Quantity| Dimension::at(name, says, figure, [x, y]);
    let mut dimensions: Vec<Dimension> = dimensions.into_iter().map(|(says, figure, x)| over(at(x, 0.0)[0] - 44.0, top + 14.0, says, figure)).collect();
    let mut owned: Vec<&WireView> = wires.iter().filter(|w| (from..=to).contains(&w.wire_mm.value)).collect();
    owned.sort_by(|a, b| a.wire_mm.value.total_cmp(&b.wire_mm.value));
    owned_on_scale(&owned, along, (base, voice), &mut shapes, &mut dimensions);
    Some(Drawing::framed(
        voice,
        say!(
            voice,
            "wires-range-drawn",
            from = &usable.min.text,
            to = &usable.max.text,
            best = &best.text,
            drawer = owned.iter().map(|w| voice.length(w.wire_mm.value)).collect::<Vec<_>>().join(", ")
        ),
        [-30.0, base - 20.0, WIDE + 30.0, top + 20.0],
        shapes,
        dimensions,
    ))
}

/// The drawer's wires under the scale. The one chosen is named first; of the rest those whose figures have room. The list beside tells them all.
fn owned_on_scale(owned: &[&WireView], along: impl Fn(f64) -> f64, (base, voice): (f64, Voice), shapes: &mut Vec<Shape>, dimensions: &mut Vec<Dimension>) {
    let (k, mut named): (f64, Vec<f64>) = (voice.stands.letters(), Vec::new());
    for w in owned.iter().filter(|w| w.chosen).chain(owned.iter().filter(|w| !w.chosen)) {
        let x = along(w.wire_mm.value);
        shapes.push(Shape::open(if w.chosen { "chart.hung" } else { "chart.line" }, vec![[x, base], [x, base - 11.0]]));
        if let (true, Some(name)) = (named.iter().all(|n| (n - x).abs() > FIGURE_WIDE * k), NAMED.get(named.len())) {
            named.push(x);
            dimensions.push(Dimension::at(*name, say!(voice, "dim-drawer-wire"), w.wire_mm.clone(), [x - 46.0, base - 26.0]));
        }
    }
}
