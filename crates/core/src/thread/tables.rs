//! The embedded tables of ISO 965-1, ISO 261 and the Unified series.

use crate::quantity::{Ratio, decimal, real};
use serde::Deserialize;
use std::sync::LazyLock;

/// The whole-micrometre series tolerances step along, one R40 step at a time.
const R40: [u16; 64] = [
    24, 25, 26, 28, 30, 32, 34, 36, 38, 40, 42, 45, 48, 50, 53, 56, 60, 63, 67, 71, 75, 80, 85, 90, 95, 100, 106, 112, 118, 125, 132, 140, 150, 160, 170, 180,
    190, 200, 212, 224, 236, 250, 265, 280, 300, 315, 335, 355, 375, 400, 425, 450, 475, 500, 530, 560, 600, 630, 670, 710, 750, 800, 850, 900,
];
/// The two members of the series past 900.
const R40_END: [u16; 2] = [950, 1000];

/// Diameter ranges of ISO 965-1, each over the one before and up to and including its own figure.
pub const RANGES_MM: [f64; 10] = [0.99, 1.4, 2.8, 5.6, 11.2, 22.4, 45.0, 90.0, 180.0, 355.0];

#[derive(Deserialize)]
struct PitchRow {
    pitch_mm: f64,
    es_g_um: Option<f64>,
    es_f_um: Option<f64>,
    es_e_um: Option<f64>,
    td_6_um: Option<f64>,
    td1_6_um: Option<f64>,
}

#[derive(Deserialize)]
struct DiameterRow {
    d_over_mm: f64,
    pitch_mm: f64,
    td2_6_um: Option<f64>,
    #[serde(rename = "TD2_6_um")]
    int_td2_6_um: Option<f64>,
}

#[derive(Deserialize)]
struct CoarseRow {
    major_mm: String,
    pitch_mm: String,
}

#[derive(Deserialize)]
struct UnifiedRow {
    size: String,
    unc: Option<String>,
    unf: Option<String>,
    unef: Option<String>,
}

/// Rows of an embedded table; the tests hold every table to its full count, so a row that does not
/// read cannot pass unseen.
fn rows<T: for<'a> Deserialize<'a>>(text: &str) -> Vec<T> {
    csv::Reader::from_reader(text.as_bytes()).into_deserialize().filter_map(Result::ok).collect()
}

static PITCH: LazyLock<Vec<PitchRow>> = LazyLock::new(|| rows(include_str!("../../data/iso965_pitch.csv")));
static DIAMETER: LazyLock<Vec<DiameterRow>> = LazyLock::new(|| rows(include_str!("../../data/iso965_pd.csv")));

fn at_pitch(p: f64, pick: fn(&PitchRow) -> Option<f64>) -> Option<f64> {
    PITCH.iter().find(|r| (r.pitch_mm - p).abs() < 1e-9).and_then(pick)
}

/// `value` moved to the nearest member of the series and then along it; not a number past an end.
fn stepped(value: f64, steps: i32) -> f64 {
    let member = |i: usize| R40.iter().chain(&R40_END).nth(i).map(|v| f64::from(*v));
    let nearest = (0..R40.len() + R40_END.len())
        .min_by(|a, b| {
            let far = |i: &usize| member(*i).map_or(f64::MAX, |m| (m - value).abs());
            far(a).total_cmp(&far(b))
        })
        .unwrap_or(0);
    if steps == 0 && !(24.0..=1000.0).contains(&value) {
        return value.round();
    }
    i32::try_from(nearest).ok().and_then(|i| usize::try_from(i + steps).ok()).and_then(member).unwrap_or(f64::NAN)
}

/// Whole R40 steps of a tolerance grade from grade 6.
fn steps(grade: f64) -> i32 {
    // Grades are small whole numbers by the time they get here.
    #[allow(clippy::cast_possible_truncation)]
    match grade as i32 {
        3 => -12,
        4 => -8,
        5 => -4,
        7 => 4,
        8 => 8,
        9 => 12,
        _ => 0,
    }
}

/// A table value if there is one, else the computed one; and whether it was computed.
fn or_computed(found: Option<f64>, computed: impl FnOnce() -> f64) -> (f64, bool) {
    found.map_or_else(|| (computed(), true), |v| (v, false))
}

/// Fundamental deviation in µm for position 0 (h, H), 1 (g, G), 2 (f) or 3 (e), and whether computed.
pub fn deviation_um(p: f64, position: f64) -> (f64, bool) {
    if position < 0.5 {
        (0.0, false)
    } else if position < 1.5 {
        or_computed(at_pitch(p, |r| r.es_g_um), || (15.0 + 11.0 * p).round())
    } else if position < 2.5 {
        or_computed(at_pitch(p, |r| r.es_f_um), || (30.0 + 11.0 * p).round())
    } else {
        or_computed(at_pitch(p, |r| r.es_e_um), || (50.0 + 11.0 * p).round())
    }
}

/// External major diameter tolerance in µm, and whether computed.
pub fn td_um(p: f64, grade: f64) -> (f64, bool) {
    let (base, computed) = or_computed(at_pitch(p, |r| r.td_6_um), || stepped(180.0 * (p * p).cbrt() - 3.15 / p.sqrt(), 0));
    (stepped(base, steps(grade)), computed)
}

/// Internal minor diameter tolerance in µm, and whether computed.
pub fn td1_um(p: f64, grade: f64) -> (f64, bool) {
    let (base, computed) =
        or_computed(at_pitch(p, |r| r.td1_6_um), || stepped(if p < 1.0 { 433.0 * p - 190.0 * p.powf(1.22) } else { 230.0 * p.powf(0.7) }, 0));
    (stepped(base, steps(grade)), computed)
}

/// Pitch diameter tolerance in µm, external or internal, and whether computed. Not a number outside
/// the diameter ranges.
pub fn td2_um(d: f64, p: f64, grade: f64, internal: bool) -> (f64, bool) {
    let Some(range) = RANGES_MM.windows(2).find(|w| d > w[0] && d <= w[1]) else {
        return (f64::NAN, true);
    };
    let row = DIAMETER.iter().find(|r| (r.d_over_mm - range[0]).abs() < 1e-9 && (r.pitch_mm - p).abs() < 1e-9);
    let mean = (range[0] * range[1]).sqrt();
    let computed = || 90.0 * p.powf(0.4) * mean.powf(0.1);
    let (base, was_computed) = if internal {
        or_computed(row.and_then(|r| r.int_td2_6_um), || stepped(1.32 * row.and_then(|r| r.td2_6_um).unwrap_or_else(computed), 0))
    } else {
        or_computed(row.and_then(|r| r.td2_6_um), || stepped(computed(), 0))
    };
    (stepped(base, steps(grade)), was_computed)
}

/// A standard thread: its size as written, exact diameter and pitch in mm, and its series.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Standard {
    /// As it is called: `M20`, `3/4-10 UNC`.
    pub name: String,
    /// Exact nominal diameter, mm.
    pub major: Ratio,
    /// Exact pitch, mm.
    pub pitch: Ratio,
    /// `coarse`, `UNC`, `UNF` or `UNEF`.
    pub series: &'static str,
}

/// ISO coarse threads, by diameter.
pub static ISO_COARSE: LazyLock<Vec<Standard>> = LazyLock::new(|| {
    rows::<CoarseRow>(include_str!("../../data/iso_coarse.csv"))
        .iter()
        .filter_map(|r| Some(Standard { name: format!("M{}", r.major_mm), major: decimal(&r.major_mm)?, pitch: decimal(&r.pitch_mm)?, series: "coarse" }))
        .collect()
});

/// UNC, UNF and UNEF threads, by diameter.
pub static UNIFIED: LazyLock<Vec<Standard>> = LazyLock::new(|| {
    rows::<UnifiedRow>(include_str!("../../data/unified_series.csv"))
        .iter()
        .flat_map(|r| {
            [("UNC", &r.unc), ("UNF", &r.unf), ("UNEF", &r.unef)].into_iter().filter_map(|(series, tpi)| {
                let count = decimal(tpi.as_deref()?)?;
                let inches = super::callout::size_in_inches(&r.size)?;
                Some(Standard {
                    name: format!("{}-{} {series}", r.size, tpi.as_deref()?),
                    major: inches * Ratio::new(127, 5),
                    pitch: crate::quantity::pitch_of_tpi(&count),
                    series,
                })
            })
        })
        .collect()
});

/// The coarse pitch of a metric size, if it has one.
pub fn coarse_pitch(major: &Ratio) -> Option<Ratio> {
    ISO_COARSE.iter().find(|s| s.major == *major).map(|s| s.pitch)
}

/// Whether the metric diameter lies in the ranges tolerances are given for.
pub fn in_ranges(major: &Ratio) -> bool {
    let d = real(major);
    d > RANGES_MM[0] && d <= RANGES_MM[RANGES_MM.len() - 1]
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_row_of_every_table_is_read() {
        assert_eq!((PITCH.len(), DIAMETER.len()), (25, 47));
        assert_eq!((ISO_COARSE.len(), UNIFIED.len()), (40, 82));
    }

    #[test]
    fn recalled_series_keep_the_order_of_series() {
        // Coarser to finer within a size, and no coarse pitch that the standard's table has not.
        for pair in UNIFIED.windows(2).filter(|p| p[0].major == p[1].major) {
            assert!(pair[0].pitch > pair[1].pitch, "{} {}", pair[0].name, pair[1].name);
        }
        for one in ISO_COARSE.iter() {
            assert!(at_pitch(real(&one.pitch), |r| r.td_6_um).is_some(), "{}", one.name);
        }
    }

    #[test]
    fn grades_step_along_the_series() {
        assert_eq!(td2_um(20.0, 2.5, 6.0, false), (170.0, false));
        assert_eq!(td2_um(20.0, 2.5, 7.0, false).0, 212.0);
        assert_eq!(td2_um(20.0, 2.5, 4.0, false).0, 106.0);
        assert_eq!(td_um(2.5, 8.0).0, 530.0);
        assert!(td2_um(400.0, 2.5, 6.0, false).0.is_nan());
        assert!(td2_um(20.0, 2.25, 6.0, false).1, "a pitch in no table is computed and says so");
        assert!(td2_um(1.2, 0.2, 3.0, false).0.is_finite());
    }
}
