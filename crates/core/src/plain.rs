//! Plain dimensions of the part, as told and settled.

use crate::faults::Checker;
use crate::sentence;
use serde::{Deserialize, Serialize};

/// What a plain dimension is.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PlainKind {
    /// An outside diameter: it gets smaller as it is cut.
    #[default]
    Outside,
    /// A bore: it gets larger.
    Bore,
    /// A length: it gets shorter.
    Length,
    /// A depth: it gets deeper.
    Depth,
    /// Six flats, by the size across them.
    Hexagon,
    /// Four flats, by the size across them.
    Square,
}

impl PlainKind {
    pub(crate) const fn grows(self) -> bool {
        matches!(self, Self::Bore | Self::Depth)
    }

    /// Whether it stands at a place along the part, and not along the part itself.
    pub(crate) const fn has_a_place(self) -> bool {
        !matches!(self, Self::Length | Self::Depth)
    }

    /// The diameter it takes up, over that told: a hexagon's and a square's corners.
    pub(crate) const fn over_corners(self) -> f64 {
        match self {
            Self::Hexagon => HEXAGON_CORNERS,
            Self::Square => std::f64::consts::SQRT_2,
            _ => 1.0,
        }
    }
}

/// Across the corners of a hexagon, times across its flats: 2/√3.
pub(crate) const HEXAGON_CORNERS: f64 = 1.154_700_538_379_25;

/// A plain dimension as asked for.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlainRequest {
    /// What it is called: `head diameter`.
    pub name: String,
    /// What it is.
    pub kind: PlainKind,
    /// Nominal size.
    pub nominal_mm: Option<f64>,
    /// Upper deviation from it, signed.
    pub over_mm: Option<f64>,
    /// Lower deviation from it, signed.
    pub under_mm: Option<f64>,
    /// As measured.
    pub measured_mm: Option<f64>,
    /// From the face of the part's end to where it begins; behind what stands before it in the list when absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub at_mm: Option<f64>,
    /// How long it is along the part.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub long_mm: Option<f64>,
}

/// A plain dimension, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct PlainFacts {
    /// What it is called.
    pub name: String,
    /// What it is.
    pub kind: PlainKind,
    /// As it is called for, mm.
    pub nominal_mm: f64,
    /// Lower limit, mm.
    pub min_mm: f64,
    /// Upper limit, mm.
    pub max_mm: f64,
    /// As measured, mm.
    pub measured_mm: Option<f64>,
    /// From the face of the part's end to where it begins, mm, when told.
    pub at_mm: Option<f64>,
    /// How long it is along the part, mm, when told.
    pub long_mm: Option<f64>,
}

/// More than these are a drawing, not a list.
const MOST: usize = 40;

/// Tolerance where none is told, either way, mm. House value: untoleranced turning.
const OPEN_MM: f64 = 0.1;

/// Settles them.
pub(crate) fn check(asked: &[PlainRequest], c: &mut Checker) -> Vec<PlainFacts> {
    if asked.len() > MOST {
        c.fault("/blank/plain", sentence!("fact-plain-dimensions-too-many-part", asked = asked.len(), most = MOST));
        return Vec::new();
    }
    asked.iter().enumerate().filter_map(|(at, one)| settle(at, one, &asked[..at], c)).collect()
}

fn settle(at: usize, one: &PlainRequest, before: &[PlainRequest], c: &mut Checker) -> Option<PlainFacts> {
    let place = |field: &str| format!("/blank/plain/{at}/{field}");
    if !(1..=40).contains(&one.name.trim().chars().count()) {
        c.fault(place("name"), sentence!("fact-plain-dimension-name-1-40"));
    } else if before.iter().any(|other| other.name == one.name) {
        c.fault(place("name"), sentence!("fact-name-another-give-each-own", one = one.name));
    }
    if one.nominal_mm.is_none() {
        c.fault(place("nominal_mm"), sentence!("fact-wants-nominal-size", one = one.name));
    }
    let nominal = c.sound(one.nominal_mm, 0.1, 5000.0, &place("nominal_mm"), "mm")?;
    let [over, under] = [(one.over_mm, "over_mm"), (one.under_mm, "under_mm")].map(|(v, field)| c.sound(v, -10.0, 10.0, &place(field), "mm"));
    // One deviation told is the whole band from nominal; none is an open dimension.
    let (over, under) = match (over, under) {
        (None, None) => (OPEN_MM, -OPEN_MM),
        (over, under) => (over.unwrap_or(0.0), under.unwrap_or(0.0)),
    };
    if over < under {
        c.fault(place("over_mm"), sentence!("fact-upper-deviation-under-lower", over = over, under = under));
    }
    let along = [(one.at_mm, "at_mm", 0.0), (one.long_mm, "long_mm", 0.05)];
    let [at_mm, long_mm] = along.map(|(told, field, least)| {
        if told.is_some() && !one.kind.has_a_place() {
            c.fault(place(field), sentence!("fact-plain-has-no-place", name = &one.name));
            return None;
        }
        c.sound(told, least, 5000.0, &place(field), "mm")
    });
    Some(PlainFacts {
        at_mm,
        long_mm,
        name: one.name.clone(),
        kind: one.kind,
        nominal_mm: nominal,
        min_mm: nominal + under,
        max_mm: nominal + over,
        measured_mm: c.sound(one.measured_mm, 0.05, 5100.0, &place("measured_mm"), "mm"),
    })
}
