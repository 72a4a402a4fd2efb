//! The pitch chart of a lathe: every standard pitch, the best train for it, and when the half-nut may open.

use super::section::row;
use crate::job::Lathe;
use crate::quantity::{LengthUnit, Ratio, pitch_of_tpi, plain_text, real, short_text};
use crate::say;
use crate::voice::Voice;
use serde::Serialize;
use yoke_gears::dial::{DialRule, reengage};
use yoke_gears::search::{Wanted, search};
use yoke_gears::table::Table;
use yoke_gears::train::TrainRow;

/// Standard metric pitches, hundredths of a mm: ISO 261 and the coarser trapezoidal ones of ISO 2904.
const METRIC: [i128; 31] =
    [20, 25, 30, 35, 40, 45, 50, 60, 70, 75, 80, 100, 125, 150, 175, 200, 250, 300, 350, 400, 450, 500, 550, 600, 700, 800, 900, 1000, 1200, 1400, 1600];
/// Standard inch pitches, halves of a thread per inch: Unified, Acme, Whitworth and pipe.
const INCH: [i128; 38] =
    [4, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 18, 20, 22, 23, 24, 26, 28, 32, 36, 38, 40, 44, 48, 52, 54, 56, 60, 64, 72, 80, 88, 96, 104, 112, 128, 144, 160];

/// Further out than this, relative, is another pitch. House value.
const NEAR: f64 = 0.02;

/// One pitch of the chart.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ChartRow {
    /// As it is said: `1.5 mm`, `11 TPI`.
    pub pitch: String,
    /// Whether it is counted by the inch or in millimetres.
    pub unit: LengthUnit,
    /// The pitch, mm.
    pub pitch_mm: f64,
    /// The best train, when one comes near.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub train: Option<TrainRow>,
    /// When the half-nut may close again.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dial: Option<DialRule>,
    /// The same in words.
    pub dial_says: String,
}

/// The standard pitches, exact, as they are said.
#[must_use]
pub fn standard_pitches() -> Vec<(String, LengthUnit, Ratio)> {
    let metric = METRIC.iter().map(|p| {
        let exact = Ratio::new(*p, 100);
        (format!("{} mm", short_text(real(&exact), 2)), LengthUnit::Mm, exact)
    });
    let inch = INCH.iter().map(|halves| {
        let tpi = Ratio::new(*halves, 2);
        let text = plain_text(real(&tpi), 1);
        (format!("{} TPI", text.trim_end_matches(".0")), LengthUnit::In, pitch_of_tpi(&tpi))
    });
    metric.chain(inch).collect()
}

/// The chart of a lathe, its table of products made once for all of it.
#[must_use]
pub fn chart(lathe: &Lathe, voice: Voice) -> Vec<ChartRow> {
    chart_while(lathe, || true, voice).unwrap_or_default()
}

/// The same, given up as soon as it is not wanted any more: a large drawer takes its time.
#[must_use]
pub fn chart_while(lathe: &Lathe, wanted: impl Fn() -> bool, voice: Voice) -> Option<Vec<ChartRow>> {
    let table = Table::of(lathe);
    standard_pitches()
        .into_iter()
        .map(|(pitch, unit, lead)| {
            if !wanted() {
                return None;
            }
            let (_, found) = search(lathe, &table, &(lead / lathe.leadscrew), &Wanted { limit: 1, ..Wanted::default() });
            let best = found.first().filter(|f| f.error.abs() <= NEAR);
            let answer = best.map(|f| reengage(&f.ratio, lathe.dial.as_ref()));
            Some(ChartRow {
                pitch,
                unit,
                pitch_mm: real(&lead),
                train: best.map(|f| row(lathe, f, voice)),
                dial: answer.as_ref().map(|a| a.rule),
                dial_says: answer.map_or_else(|| say!(voice, "chart-no-train"), |a| a.says_short(voice)),
            })
        })
        .collect()
}
