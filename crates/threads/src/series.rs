//! The standard threads by series: what a size browser lists, callouts are held to, and a worn
//! sample is compared with.

use super::tables::rows;
use crate::quantity::{Ratio, decimal, pitch_of_tpi, plain_text, real, short_text};
use crate::system::System;
use serde::{Deserialize, Serialize};
use std::sync::LazyLock;

/// A standard thread: its size as written, exact diameter and pitch in mm, and its series.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Standard {
    /// As it is called: `M20`, `3/4-10 UNC`, `2BA`.
    pub name: String,
    /// Family.
    pub system: System,
    /// Exact nominal diameter, mm.
    pub major: Ratio,
    /// Exact pitch, mm.
    pub pitch: Ratio,
    /// Threads per inch, for inch threads.
    pub tpi: Option<Ratio>,
    /// Which series it belongs to.
    pub series: Series,
}

/// The series kept.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Series {
    /// ISO metric coarse.
    #[serde(rename = "coarse")]
    IsoCoarse,
    /// ISO metric fine, the usual choices.
    #[serde(rename = "fine")]
    IsoFine,
    /// Unified coarse.
    #[serde(rename = "UNC")]
    Unc,
    /// Unified fine.
    #[serde(rename = "UNF")]
    Unf,
    /// Unified extra fine.
    #[serde(rename = "UNEF")]
    Unef,
    /// General-purpose Acme.
    Acme,
    /// Stub Acme.
    #[serde(rename = "Stub Acme")]
    StubAcme,
    /// Metric trapezoidal.
    #[serde(rename = "Tr")]
    Trapezoidal,
    /// British Standard Whitworth.
    #[serde(rename = "BSW")]
    Bsw,
    /// British Standard Fine.
    #[serde(rename = "BSF")]
    Bsf,
    /// Parallel pipe.
    #[serde(rename = "G")]
    PipeG,
    /// British Association.
    #[serde(rename = "BA")]
    Ba,
}

impl Series {
    /// Every series, as a browser lists them.
    pub const ALL: [Self; 12] = [
        Self::IsoCoarse,
        Self::IsoFine,
        Self::Unc,
        Self::Unf,
        Self::Unef,
        Self::Acme,
        Self::StubAcme,
        Self::Trapezoidal,
        Self::Bsw,
        Self::Bsf,
        Self::PipeG,
        Self::Ba,
    ];

    /// As a callout names it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::IsoCoarse => "coarse",
            Self::IsoFine => "fine",
            Self::Unc => "UNC",
            Self::Unf => "UNF",
            Self::Unef => "UNEF",
            Self::Acme => "Acme",
            Self::StubAcme => "Stub Acme",
            Self::Trapezoidal => "Tr",
            Self::Bsw => "BSW",
            Self::Bsf => "BSF",
            Self::PipeG => "G",
            Self::Ba => "BA",
        }
    }

    /// As a list of series names it.
    #[must_use]
    pub const fn label(self) -> &'static str {
        match self {
            Self::IsoCoarse => "M coarse",
            Self::IsoFine => "M fine",
            named => named.word(),
        }
    }

    /// What it is, for someone who does not know the letters.
    #[must_use]
    pub const fn says(self) -> &'static str {
        match self {
            Self::IsoCoarse => "ISO metric, coarse",
            Self::IsoFine => "ISO metric, fine",
            Self::Unc => "Unified coarse, 60°",
            Self::Unf => "Unified fine, 60°",
            Self::Unef => "Unified extra fine, 60°",
            Self::Acme => "Acme, 29°, for screws that move things",
            Self::StubAcme => "Stub Acme, 29°, shallow",
            Self::Trapezoidal => "metric trapezoidal, 30°",
            Self::Bsw => "Whitworth coarse, 55°",
            Self::Bsf => "Whitworth fine, 55°",
            Self::PipeG => "parallel pipe, 55°; the size names the pipe's bore",
            Self::Ba => "British Association, 47½°, small work",
        }
    }
}

#[derive(Deserialize)]
struct PlainRow {
    major_mm: String,
    pitch_mm: String,
}

#[derive(Deserialize)]
struct FineRow {
    major_mm: String,
    pitches: String,
}

#[derive(Deserialize)]
struct UnifiedRow {
    size: String,
    unc: Option<String>,
    unf: Option<String>,
    unef: Option<String>,
}

#[derive(Deserialize)]
struct WhitworthRow {
    size: String,
    bsw: Option<String>,
    bsf: Option<String>,
}

#[derive(Deserialize)]
struct AcmeRow {
    size: String,
    tpi: String,
}

#[derive(Deserialize)]
struct PipeRow {
    size: String,
    major_mm: String,
    tpi: String,
}

#[derive(Deserialize)]
struct TrapezoidalRow {
    major_mm: String,
    fine: Option<String>,
    usual: Option<String>,
    coarse: Option<String>,
}

/// Inches of a size as written: `#10`, `1-1/4`, `.875`; numbered sizes are 0.060 + 0.013 n.
pub fn size_in_inches(size: &str) -> Option<Ratio> {
    match size.strip_prefix('#') {
        Some(n) => numbered(n.trim().parse().ok()?),
        None => crate::quantity::parse_length(&format!("{size} in"), crate::quantity::LengthUnit::In).ok().map(|l| l.mm / Ratio::new(127, 5)),
    }
}

/// A numbered screw size in inches.
pub fn numbered(n: u8) -> Option<Ratio> {
    (n <= 12).then(|| Ratio::new(60 + 13 * i128::from(n), 1000))
}

/// A thread by the inch, named by `name`.
fn inch(name: String, size: &str, tpi: &str, system: System, series: Series) -> Option<Standard> {
    let count = decimal(tpi)?;
    Some(Standard { name, system, major: size_in_inches(size)? * Ratio::new(127, 5), pitch: pitch_of_tpi(&count), tpi: Some(count), series })
}

fn metric(name: String, major: &str, pitch: &str, system: System, series: Series) -> Option<Standard> {
    Some(Standard { name, system, major: decimal(major)?, pitch: decimal(pitch)?, tpi: None, series })
}

/// A British Association thread by its number, 0-25: the pitch is 0.9ⁿ mm and the diameter 6·P^1.2, the
/// pitch rounded to two figures and the diameter reckoned from the pitch before rounding (BS 93).
#[must_use]
pub fn british_association(n: u8) -> Option<Standard> {
    let exact = 0.9_f64.powi(i32::from(n));
    let two_figures = |v: f64| {
        let places = if v >= 1.0 { 1 } else { 2 };
        decimal(&plain_text(v, places))
    };
    (n <= 25)
        .then(|| {
            Some(Standard {
                name: format!("{n}BA"),
                system: System::Ba,
                major: two_figures(6.0 * exact.powf(1.2))?,
                pitch: two_figures(exact)?,
                tpi: None,
                series: Series::Ba,
            })
        })
        .flatten()
}

fn gather() -> Vec<Standard> {
    let coarse = rows::<PlainRow>(include_str!("../data/iso_coarse.csv"));
    let fine = rows::<FineRow>(include_str!("../data/iso_fine.csv"));
    let unified = rows::<UnifiedRow>(include_str!("../data/unified_series.csv"));
    let acme = rows::<AcmeRow>(include_str!("../data/acme_series.csv"));
    let whitworth = rows::<WhitworthRow>(include_str!("../data/whitworth_series.csv"));
    let pipe = rows::<PipeRow>(include_str!("../data/pipe_g.csv"));
    let trapezoidal = rows::<TrapezoidalRow>(include_str!("../data/trapezoidal_series.csv"));
    let mut all: Vec<Option<Standard>> = Vec::new();
    all.extend(coarse.iter().map(|r| metric(format!("M{}", r.major_mm), &r.major_mm, &r.pitch_mm, System::IsoMetric, Series::IsoCoarse)));
    for r in &fine {
        all.extend(r.pitches.split(' ').map(|p| metric(format!("M{}×{p}", r.major_mm), &r.major_mm, p, System::IsoMetric, Series::IsoFine)));
    }
    for r in &unified {
        for (series, tpi) in [(Series::Unc, &r.unc), (Series::Unf, &r.unf), (Series::Unef, &r.unef)] {
            let Some(tpi) = tpi else { continue };
            all.push(inch(format!("{}-{tpi} {}", r.size, series.word()), &r.size, tpi, System::Unified, series));
        }
    }
    for (system, series) in [(System::Acme, Series::Acme), (System::StubAcme, Series::StubAcme)] {
        all.extend(acme.iter().map(|r| inch(format!("{}-{} {}", r.size, r.tpi, series.word()), &r.size, &r.tpi, system, series)));
    }
    for r in &trapezoidal {
        all.extend(
            [&r.fine, &r.usual, &r.coarse]
                .into_iter()
                .flatten()
                .map(|p| metric(format!("Tr{}×{p}", r.major_mm), &r.major_mm, p, System::Trapezoidal, Series::Trapezoidal)),
        );
    }
    for r in &whitworth {
        for (series, tpi) in [(Series::Bsw, &r.bsw), (Series::Bsf, &r.bsf)] {
            let Some(tpi) = tpi else { continue };
            all.push(inch(format!("{} {}", r.size, series.word()), &r.size, tpi, System::Whitworth, series));
        }
    }
    all.extend(pipe.iter().map(|r| {
        let count = decimal(&r.tpi)?;
        Some(Standard {
            name: format!("G{}", r.size),
            system: System::PipeG,
            major: decimal(&r.major_mm)?,
            pitch: pitch_of_tpi(&count),
            tpi: Some(count),
            series: Series::PipeG,
        })
    }));
    all.extend((0..=16).map(british_association));
    let mut all: Vec<Standard> = all.into_iter().flatten().collect();
    // By series, then as a hand would look them up: by diameter, coarse before fine.
    all.sort_by(|a, b| a.series.cmp(&b.series).then_with(|| a.major.cmp(&b.major)).then_with(|| b.pitch.cmp(&a.pitch)));
    all
}

static STANDARDS: LazyLock<Vec<Standard>> = LazyLock::new(gather);

/// Every standard thread kept, by series and diameter.
#[must_use]
pub fn standards() -> &'static [Standard] {
    &STANDARDS
}

/// The threads of one series, by diameter.
pub fn of_series(series: Series) -> impl Iterator<Item = &'static Standard> {
    standards().iter().filter(move |s| s.series == series)
}

/// The standard thread of a family with this diameter and pitch.
pub fn find(system: System, major: &Ratio, pitch: &Ratio) -> Option<&'static Standard> {
    standards().iter().find(|s| s.system == system && s.major == *major && s.pitch == *pitch)
}

/// The coarse pitch of a metric size, if it has one.
#[must_use]
pub fn coarse_pitch(major: &Ratio) -> Option<Ratio> {
    of_series(Series::IsoCoarse).find(|s| s.major == *major).map(|s| s.pitch)
}

impl Standard {
    /// The pitch as it is said: `2.5 mm`, `9 TPI`.
    #[must_use]
    pub fn pitch_text(&self) -> String {
        pitch_text(&self.pitch, self.tpi.as_ref())
    }
}

/// A pitch as it is said: `2.5 mm`, `9 TPI`.
pub fn pitch_text(pitch: &Ratio, tpi: Option<&Ratio>) -> String {
    let tidy = |r: &Ratio| short_text(real(r), 4);
    tpi.map_or_else(|| format!("{} mm", tidy(pitch)), |n| format!("{} TPI", tidy(n)))
}
