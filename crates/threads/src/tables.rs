//! The embedded tolerance tables of ISO 965-1 and ISO 2903, and the series they step along.

use crate::quantity::{Ratio, real};
use serde::Deserialize;
use std::sync::LazyLock;

/// The whole-micrometre series tolerances step along, below a hundred.
const BELOW_HUNDRED: [u16; 25] = [24, 25, 26, 28, 30, 32, 34, 36, 38, 40, 42, 45, 48, 50, 53, 56, 60, 63, 67, 71, 75, 80, 85, 90, 95];
/// One decade of the series from a hundred; the next repeats it tenfold, as ISO 2903 uses it.
const DECADE: [u16; 40] = [
    100, 106, 112, 118, 125, 132, 140, 150, 160, 170, 180, 190, 200, 212, 224, 236, 250, 265, 280, 300, 315, 335, 355, 375, 400, 425, 450, 475, 500, 530, 560,
    600, 630, 670, 710, 750, 800, 850, 900, 950,
];

/// The series, 24 to 9500 µm.
static SERIES: LazyLock<Vec<f64>> = LazyLock::new(|| {
    let hundreds = || DECADE.iter().map(|v| f64::from(*v));
    BELOW_HUNDRED.iter().map(|v| f64::from(*v)).chain(hundreds()).chain(hundreds().map(|v| v * 10.0)).collect()
});

/// Which member of the series is nearest to a value; of two as near, the lesser.
fn nearest(value: f64) -> usize {
    let over = SERIES.partition_point(|m| *m < value);
    let far = |i: usize| SERIES.get(i).map_or(f64::MAX, |m| (m - value).abs());
    match over.checked_sub(1) {
        Some(under) if far(under) <= far(over) => under,
        _ => over.min(SERIES.len() - 1),
    }
}

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
struct TrapezoidalRow {
    pitch_mm: f64,
    es_e_um: f64,
}

/// Rows of an embedded table; the tests hold every table to its full count, so a row that does not
/// read cannot pass unseen.
pub(super) fn rows<T: for<'a> Deserialize<'a>>(text: &str) -> Vec<T> {
    csv::Reader::from_reader(text.as_bytes()).into_deserialize().filter_map(Result::ok).collect()
}

static PITCH: LazyLock<Vec<PitchRow>> = LazyLock::new(|| rows(include_str!("../data/iso965_pitch.csv")));
static DIAMETER: LazyLock<Vec<DiameterRow>> = LazyLock::new(|| rows(include_str!("../data/iso965_pd.csv")));

static TRAPEZOIDAL: LazyLock<Vec<TrapezoidalRow>> = LazyLock::new(|| rows(include_str!("../data/trapezoidal_pitch.csv")));

/// Rows read of the tables by pitch, by diameter, and of the trapezoidal pitches.
#[must_use]
pub fn row_counts() -> [usize; 3] {
    [PITCH.len(), DIAMETER.len(), TRAPEZOIDAL.len()]
}

fn at_pitch(p: f64, pick: fn(&PitchRow) -> Option<f64>) -> Option<f64> {
    PITCH.iter().find(|r| (r.pitch_mm - p).abs() < 1e-9).and_then(pick)
}

/// `value` moved to the nearest member of the series and then along it; not a number past an end.
#[must_use]
pub fn stepped(value: f64, steps: i32) -> f64 {
    if steps == 0 && !(24.0..=9500.0).contains(&value) {
        return value.round();
    }
    let at = i32::try_from(nearest(value)).ok().and_then(|i| usize::try_from(i + steps).ok());
    at.and_then(|i| SERIES.get(i).copied()).unwrap_or(f64::NAN)
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

/// A crest's tolerance of this grade in µm: from the table's grade 6, or from the formula's where there is none, of which grade 4 is 0.63
/// before it is rounded, as ISO 2903 prints it. What falls in the middle of two members of the series goes to the lesser.
fn crest_um(found: Option<f64>, grade: f64, formula: f64) -> (f64, bool) {
    match found {
        Some(six) => (stepped(six, steps(grade)), false),
        None if steps(grade) == -8 => (stepped(0.63 * formula - 0.1, 0), true),
        None => (stepped(stepped(formula, 0), steps(grade)), true),
    }
}

/// External major diameter tolerance in µm, and whether computed.
pub fn td_um(p: f64, grade: f64) -> (f64, bool) {
    crest_um(at_pitch(p, |r| r.td_6_um), grade, 180.0 * (p * p).cbrt() - 3.15 / p.sqrt())
}

/// Internal minor diameter tolerance in µm, and whether computed.
pub fn td1_um(p: f64, grade: f64) -> (f64, bool) {
    crest_um(at_pitch(p, |r| r.td1_6_um), grade, if p < 1.0 { 433.0 * p - 190.0 * p.powf(1.22) } else { 230.0 * p.powf(0.7) })
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

/// Whether the metric diameter lies in the ranges tolerances are given for.
pub fn in_ranges(major: &Ratio) -> bool {
    let d = real(major);
    d > RANGES_MM[0] && d <= RANGES_MM[RANGES_MM.len() - 1]
}

/// Deviation e of a trapezoidal screw's pitch diameter in µm; not a number for a pitch ISO 2903 has not.
pub fn trapezoidal_es_um(p: f64) -> f64 {
    TRAPEZOIDAL.iter().find(|r| (r.pitch_mm - p).abs() < 1e-9).map_or(f64::NAN, |r| r.es_e_um)
}
