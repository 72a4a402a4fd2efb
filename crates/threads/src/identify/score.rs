//! How well a sample agrees with a thread, measurement by measurement; and what would part two threads.
//!
//! Each measurement costs the square of how many doubts it is off, after what wear and workmanship may
//! honestly have done; the sum ranks. A doubt given is taken for two of the doubts used here.

use super::known::ReferenceThread;
use super::sample::Sample;
use crate::quantity::{degrees_text, plain_text};
use crate::system::Side;
use crate::voice::Voice;
use yoke_ground::say;

/// A sample judged against one thread.
#[derive(Debug, Default)]
pub(super) struct Score {
    pub cost: f64,
    /// How many measurements told something.
    pub told: u32,
    pub agrees: Vec<String>,
    pub disagrees: Vec<String>,
    /// The count of spaces that fits, when it is not the one told.
    pub spaces: Option<i64>,
    /// Whether to put it in words; ranking hundreds of threads needs only the cost.
    tell: bool,
}

/// Wear of an outside diameter that is still ordinary, as a share of it.
const WEAR: f64 = 0.015;
/// A miscount must beat this to be believed.
const MISCOUNT: f64 = 7.0;
/// Up to here a measurement agrees: two doubts.
const AGREES: f64 = 4.0;

impl Score {
    fn add(&mut self, cost: f64, says: impl FnOnce() -> String) {
        self.cost += cost;
        self.told += 1;
        if self.tell {
            if cost <= AGREES { self.agrees.push(says()) } else { self.disagrees.push(says()) }
        }
    }

    /// 1 for a perfect match.
    pub(super) fn score(&self) -> f64 {
        (-self.cost / (2.0 * f64::from(self.told.max(1)))).exp()
    }
}

/// Usual doubts, one deviation, mm or degrees.
fn doubt(given: Option<f64>, usual: f64) -> f64 {
    given.map_or(usual, |g| g / 2.0)
}

fn square(v: f64) -> f64 {
    v * v
}

/// How far `v` lies outside `low` to `high`, in doubts, squared.
fn outside(v: f64, low: f64, high: f64, doubt: f64) -> f64 {
    square((low - v).max(v - high).max(0.0) / doubt)
}

/// Judges every measurement of the sample against one thread.
pub(super) fn judge(sample: &Sample, k: &ReferenceThread, tell: bool, voice: Voice) -> Score {
    let mut j = Score { tell, ..Score::default() };
    if let Some(m) = sample.major_mm {
        let d = doubt(sample.doubts.major_mm, (0.002 * k.major).max(0.01));
        let wear = (k.major - m) / k.major;
        let (cost, how) = match sample.side {
            // A worn crest is ordinary; less wear is likelier than more, and no crest grows.
            Side::External => {
                (outside(m, k.major * (1.0 - WEAR), k.major, d) + 0.5 * square((wear / WEAR).clamp(0.0, 1.0)), if wear > 0.002 { "worn" } else { "no" })
            }
            Side::Internal => (outside(m, k.major, k.major * (1.0 + WEAR), d), "no"),
        };
        let off = 100.0 * wear.abs();
        let way = if wear >= 0.0 { "under" } else { "over" };
        let how = if cost <= AGREES { how } else { "no" };
        j.add(cost, || {
            if off < 0.05 {
                say!(voice, "sample-outside-is", size = voice.length(k.major))
            } else {
                say!(voice, "sample-outside", off = plain_text(off, 1), way = way, size = voice.length(k.major), how = how)
            }
        });
    }
    judge_pitch(sample, k, &mut j, voice);
    if let Some(m) = sample.minor_mm {
        match sample.side {
            Side::External => {
                let (cost, how) = root(sample, k, m);
                j.add(cost, || say!(voice, "sample-root", size = voice.length(m), usual = voice.length(k.root), how = how));
            }
            Side::Internal => {
                let d = doubt(sample.doubts.minor_mm, (0.03 * k.pitch).max(0.01));
                let cost = outside(m, k.bore[0], k.bore[1] * (1.0 + WEAR / 2.0), d);
                j.add(cost, || say!(voice, "sample-bore", size = voice.length(m), from = voice.length(k.bore[0]), to = voice.length(k.bore[1])));
            }
        }
    }
    if let Some(angle) = sample.angle_deg {
        let off = angle - 2.0 * k.alpha_deg;
        j.add(square(off / doubt(sample.doubts.included_angle_deg, 0.8)), || {
            say!(voice, "sample-angle", is = degrees_text(angle), usual = degrees_text(2.0 * k.alpha_deg))
        });
    }
    if let Some(w) = sample.over_wires {
        let a = k.alpha_deg.to_radians();
        let e = w.mm - w.wire_mm * (1.0 + 1.0 / a.sin()) + k.pitch / (2.0 * a.tan());
        let worn = k.least_effective - 0.01 * k.major;
        let cost = outside(e, worn, k.effective, doubt(sample.doubts.over_wires_mm, 0.02));
        j.add(cost, || say!(voice, "sample-over-wires", size = voice.length(e), is = voice.length(k.effective)));
    }
    j
}

/// The pitch, by gauge or rule; a count one out is caught where it fits much better.
fn judge_pitch(sample: &Sample, k: &ReferenceThread, j: &mut Score, voice: Voice) {
    if let Some(p) = sample.gauged_pitch_mm {
        let d = doubt(sample.doubts.pitch_mm, (0.002 * k.pitch).max(0.011));
        let says = || match &k.standard.tpi {
            Some(_) => say!(voice, "sample-pitch-tpi", size = voice.length(p), tpi = k.standard.pitch_text(), is = voice.length(k.pitch)),
            None => say!(voice, "sample-pitch", size = voice.length(p), is = k.standard.pitch_text()),
        };
        j.add(square((p - k.pitch) / d), says);
    }
    let Some((spaces, over)) = sample.rule else { return };
    let d = doubt(sample.doubts.over_mm, 0.11);
    #[allow(clippy::cast_precision_loss)] // at most a thousand spaces
    let length = |n: i64| n as f64 * k.pitch;
    let cost = |n: i64| square((over - length(n)) / d);
    let (as_told, best) = (cost(spaces), [spaces - 1, spaces + 1].into_iter().filter(|n| *n > 0).min_by(|a, b| cost(*a).total_cmp(&cost(*b))));
    let says = |n: i64, id: &'static str| {
        let (over, of, is) = (voice.length(over), k.standard.pitch_text(), voice.length(length(n)));
        say!(voice, id, n = n, over = over, pitch = of, is = is, told = spaces)
    };
    match best.filter(|n| cost(*n) + MISCOUNT < as_told) {
        Some(n) => {
            j.spaces = Some(n);
            j.cost += MISCOUNT;
            j.add(cost(n), || says(n, "sample-spaces-one-out"));
        }
        None => j.add(as_told, || says(spaces, "sample-spaces")),
    }
}

/// The root of a screw: to its form, or sharper, as a bench-ground point leaves it.
fn root(sample: &Sample, k: &ReferenceThread, minor: f64) -> (f64, &'static str) {
    let [shallow, deep, sharp] = k.depths;
    let usual = (k.major - k.root) / 2.0;
    let depth = (k.major - minor) / 2.0;
    let d = doubt(sample.doubts.minor_mm, (0.025 * usual).max(0.005));
    let off = square((depth - usual) / d);
    let cost = if depth < shallow {
        off.min(2.0 + square((shallow - depth) / d))
    } else if depth <= deep {
        off.min(2.0)
    } else if depth <= sharp {
        off.min(2.0 + 4.0 * square((depth - deep) / (sharp - deep).max(1e-9)))
    } else {
        off.min(6.0 + square((depth - sharp) / d))
    };
    let how = if depth > deep + 2.0 * d && depth <= sharp { "sharp" } else { "no" };
    (cost, how)
}

/// The one measurement, not yet taken or better taken again, that would part two threads best.
pub(super) fn next_check(sample: &Sample, one: &ReferenceThread, other: &ReferenceThread, voice: Voice) -> String {
    let (a, b) = (&one.standard.name, &other.standard.name);
    let external = sample.side == Side::External;
    let fresh = |taken: bool| if taken { 0.4 } else { 1.0 };
    // Ten spaces over a rule are sure to a fifth of a millimetre; the rest as usual.
    let options = [
        (
            (one.alpha_deg - other.alpha_deg).abs() * 2.0 / 1.5 * fresh(sample.angle_deg.is_some()),
            say!(voice, "sample-next-angle", a = &a, one = degrees_text(2.0 * one.alpha_deg), b = &b, other = degrees_text(2.0 * other.alpha_deg)),
        ),
        (
            (one.pitch - other.pitch).abs() * 10.0 / 0.2 * fresh(sample.pitch_mm().is_some()),
            say!(voice, "sample-next-rule", a = &a, one = voice.length(10.0 * one.pitch), b = &b, other = voice.length(10.0 * other.pitch)),
        ),
        (
            (one.major - other.major).abs() / (WEAR * one.major) * fresh(sample.major_mm.is_some()),
            say!(voice, "sample-next-outside", a = &a, one = voice.length(one.major), b = &b, other = voice.length(other.major)),
        ),
        (
            if external { (one.root - other.root).abs() / (0.1 * one.pitch) } else { (one.bore[0] - other.bore[0]).abs() / (0.2 * one.pitch) }
                * fresh(sample.minor_mm.is_some()),
            if external {
                say!(voice, "sample-next-root", a = &a, one = voice.length(one.root), b = &b, other = voice.length(other.root))
            } else {
                say!(voice, "sample-next-bore", a = &a, one = voice.length(one.bore[0]), b = &b, other = voice.length(other.bore[0]))
            },
        ),
    ];
    options
        .into_iter()
        .max_by(|x, y| x.0.total_cmp(&y.0))
        .filter(|(parts, _)| *parts > 0.5)
        .map_or_else(|| say!(voice, "sample-next-nothing", a = &a, b = &b), |(_, says)| says)
}
