//! The limits on speed, and the lathe's own speeds drawn against them.

use super::{SetupSection, SpeedLimit};
use crate::job::{SetupFacts, Speeds};
use crate::outline::{Drawing, Shape, lay};
use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use crate::working::{Num, Quantity};
use serde::Serialize;

/// One limit on the speed.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SpeedCap {
    /// Which.
    pub limit: SpeedLimit,
    /// The most it allows.
    pub rpm: Quantity,
    /// Whether it is the one that binds.
    pub binds: bool,
    /// What sets it.
    pub says: String,
}

impl SpeedLimit {
    /// What sets it.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        match self {
            Self::Cutting => say!(voice, "limit-cutting"),
            Self::Stopping => say!(voice, "limit-stopping"),
            Self::Balance => say!(voice, "limit-balance"),
            Self::Comfort => say!(voice, "limit-comfort"),
            Self::Hand => say!(voice, "limit-hand"),
            Self::Cranked => say!(voice, "limit-cranked"),
        }
    }
}

/// Every limit, lowest first; the lowest binds.
pub(super) fn limits(cutting: Num, stopping: Option<Num>, hand: Option<Num>, facts: &SetupFacts, voice: Voice) -> (Vec<SpeedCap>, Num, SpeedLimit) {
    let mut all = vec![(SpeedLimit::Cutting, cutting)];
    all.extend(stopping.map(|s| (SpeedLimit::Stopping, s)));
    all.extend(hand.map(|v| (SpeedLimit::Hand, v)));
    all.extend(facts.balance_rpm.map(|v| (SpeedLimit::Balance, v.into())));
    all.extend(facts.comfort_rpm.map(|v| (SpeedLimit::Comfort, v.into())));
    // Stable, so that of equals the bit's own limit is the one named.
    all.sort_by(|a, b| a.1.value.total_cmp(&b.1.value));
    let (binds, limit) = all.first().copied().unwrap_or((SpeedLimit::Cutting, cutting));
    let caps = all
        .into_iter()
        .map(|(which, n)| SpeedCap { limit: which, rpm: Quantity::plain(n, 0, " rpm"), binds: which == binds, says: which.says(voice) })
        .collect();
    (caps, limit, binds)
}

/// Length of the scale drawn.
const SCALE: f64 = 400.0;

/// The lathe's speeds on a scale that doubles evenly, the one chosen marked, each limit a line across.
/// Nothing where there is no speed.
pub(crate) fn drawing(setup: &SetupSection, voice: Voice) -> Option<Drawing> {
    let speed = setup.speed_rpm.as_ref()?;
    let speeds: Vec<f64> = match &setup.lathe_speeds {
        Speeds::Steps(list) => list.clone(),
        Speeds::Between { from, to } => vec![*from, *to],
    };
    let chosen = speed.value;
    let figures = speeds.iter().copied().chain(setup.limits.iter().map(|l| l.rpm.value)).chain([chosen]).filter(|v| *v > 0.0);
    let (low, high) = figures.fold((f64::INFINITY, 0.0_f64), |(a, b), v| (a.min(v), b.max(v)));
    let (low, high) = (low * 0.8, (high * 1.25).max(low + 1.0));
    let x = |rpm: f64| SCALE * (rpm.max(low) / low).ln() / (high / low).ln();
    let k = voice.stands.letters();
    let mut shapes = vec![Shape::open("speed.scale", vec![[0.0, 0.0], [SCALE, 0.0]])];
    if let Speeds::Between { from, to } = setup.lathe_speeds {
        shapes.push(Shape::rect("speed.range", [x(from), -6.0], [x(to), 6.0]));
    }
    let mut last = f64::NEG_INFINITY;
    for (i, rpm) in speeds.iter().enumerate() {
        let is = (rpm - chosen).abs() < 1e-9;
        shapes.push(Shape::open(if is { "speed.chosen" } else { "speed.step" }, vec![[x(*rpm), -10.0], [x(*rpm), 10.0]]));
        // Figures that would run into one another are left out; the one chosen never is.
        let clear = (x(*rpm) - x(chosen)).abs() > 26.0 * k && (x(*rpm) - last > 26.0 * k || i == 0);
        if is || clear {
            last = x(*rpm);
            shapes.push(Shape::word([x(*rpm), -10.0 - 16.0 * k], plain_text(*rpm, 0)));
        }
    }
    if !speeds.iter().any(|s| (s - chosen).abs() < 1e-9) {
        shapes.push(Shape::open("speed.chosen", vec![[x(chosen), -12.0], [x(chosen), 12.0]]));
        shapes.push(Shape::word([x(chosen), -10.0 - 16.0 * k], plain_text(chosen, 0)));
    }
    let mut said = vec![say!(voice, "speed-chosen", speed = &speed.text)];
    let (row, letter) = (22.0 * k, 9.5 * k);
    let mut top = 14.0;
    for cap in &setup.limits {
        let at = x(cap.rpm.value);
        let line = format!("{}: {}", cap.says, cap.rpm.text);
        let rows = if lay::wide(&line) * letter < SCALE { vec![line] } else { vec![cap.rpm.text.clone(), cap.says.to_owned()] };
        shapes.push(Shape::open(if cap.binds { "speed.binds" } else { "speed.limit" }, vec![[at, -10.0], [at, top + row]]));
        for line in rows {
            top += row;
            // Toward either end a word is written back over the scale, so that it stays on the drawing.
            let half = (lay::wide(&line) * letter / 2.0).min(SCALE / 2.0);
            shapes.push(Shape::word([at.clamp(half, SCALE - half), top + 3.0 * k], line));
        }
        said.push(say!(voice, "speed-allows", what = &cap.says, speed = &cap.rpm.text, binds = if cap.binds { "yes" } else { "no" }));
    }
    Some(Drawing::framed(voice, format!("{}.", said.join("; ")), [-24.0, -12.0 - 32.0 * k, SCALE + 24.0, top + row], shapes, Vec::new()))
}
