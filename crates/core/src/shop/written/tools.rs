//! Bits, bars, inserts and blades, one a line: what is known of each by a word and its figure.

use super::lines::{Line, Words, flag, kind_of, parts, signed, span, word_of};
use super::sizes::{length, size};
use crate::kit::{BladeKind, Condition, OwnedBar, OwnedBit, OwnedBlade, OwnedInsert, SOFT, ToolEvent};
use crate::quantity::{LengthUnit, short_text};
use crate::thread::Side;

const SIDES: Words<Side> = &[("outside", Side::External), ("inside", Side::Internal)];
const MADE_OF: Words<&str> =
    &[("hss", "hss"), ("cobalt", "cobalt"), ("carbon steel", "carbon_steel"), ("carbide", "carbide"), ("soft steel", SOFT), ("high-speed steel", "hss")];
const CONDITIONS: Words<Condition> = &[("sharp", Condition::Sharp), ("worn", Condition::Worn), ("broken", Condition::Broken), ("lent", Condition::Lent)];
const BLADES: Words<BladeKind> = &[("groover", BladeKind::Groover), ("parting", BladeKind::Parting)];

/// What stands behind a word.
fn after<'a>(part: &'a str, word: &str) -> Option<&'a str> {
    part.strip_prefix(word).filter(|rest| rest.starts_with(' ')).map(str::trim)
}

fn degrees(text: &str) -> Option<f64> {
    text.trim().trim_end_matches('°').replace(',', ".").replace('\u{2212}', "-").parse().ok().filter(|d: &f64| d.is_finite())
}

/// `60°`: an angle by its sign alone.
fn angle(part: &str) -> Option<f64> {
    part.ends_with('°').then(|| degrees(part)).flatten()
}

/// A word and its length, where it is told.
fn told(word: &str, mm: Option<f64>, unit: LengthUnit) -> String {
    mm.map_or_else(String::new, |mm| format!("; {word} {}", size(mm, unit)))
}

/// A word and its angle, or any other plain figure, where it is told.
fn plain(word: &str, value: Option<f64>) -> String {
    value.map_or_else(String::new, |v| format!("; {word} {}", short_text(v, 6)))
}

fn condition(of: Condition) -> String {
    flag(word_of(CONDITIONS, of), of != Condition::Sharp)
}

/// Sets the first field whose word a part begins with; none where it begins with none of them, or its figure does not read.
fn set(part: &str, fields: &mut [(&str, &mut Option<f64>)], read: &dyn Fn(&str) -> Option<f64>) -> Option<bool> {
    for (word, field) in fields {
        if let Some(figure) = after(part, word) {
            **field = Some(read(figure)?);
            return Some(true);
        }
    }
    Some(false)
}

impl Line for OwnedBit {
    const OF: &'static str = "bit";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let name = parts.next()?.0.to_owned();
        let mut one = Self { name, material: "hss".into(), included_angle_deg: 60.0, ..Self::default() };
        for (own, part) in parts {
            let mm = |text: &str| signed(text, otherwise);
            let lengths: &mut [(&str, &mut Option<f64>)] = &mut [
                ("radius", &mut one.tip_radius_mm),
                ("width", &mut one.width_mm),
                ("thickness", &mut one.thickness_mm),
                ("point left", &mut one.point_left_mm),
                ("ahead", &mut one.body_ahead_mm),
                ("bar", &mut one.bar_diameter_mm),
                ("back", &mut one.tip_to_back_mm),
                ("reach", &mut one.reach_mm),
            ];
            if set(&part, lengths, &mm)? {
                continue;
            }
            let angles: &mut [(&str, &mut Option<f64>)] = &mut [
                ("rest left", &mut one.left_rest_deg),
                ("rest right", &mut one.right_rest_deg),
                ("left", &mut one.left_relief_deg),
                ("right", &mut one.right_relief_deg),
                ("rake", &mut one.rake_deg),
                ("tilt", &mut one.tilt_deg),
            ];
            if set(&part, angles, &degrees)? {
                continue;
            }
            if let Some(flat) = after(&part, "flat") {
                match span(flat, otherwise) {
                    Some((from, to)) => one.tip_flat_between_mm = Some(vec![from, to]),
                    None => one.tip_flat_mm = Some(length(flat, otherwise)?),
                }
            } else if let Some(deg) = angle(&part) {
                one.included_angle_deg = deg;
            } else if after(&part, "in").is_some() {
                one.bar = Some(own.get(2..)?.trim().to_owned());
            } else if let Some(side) = kind_of(SIDES, &part) {
                one.kind = side;
            } else if let Some(made) = kind_of(MADE_OF, &part) {
                made.clone_into(&mut one.material);
            } else {
                one.condition = kind_of(CONDITIONS, &part)?;
            }
        }
        Some(vec![one])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let made = MADE_OF.iter().find(|(_, code)| *code == self.material).map_or("hss", |(word, _)| word);
        let between = match self.tip_flat_between_mm.as_deref() {
            Some([from, to]) => format!("; flat {} to {}", size(*from, unit), size(*to, unit)),
            _ => String::new(),
        };
        [
            format!("{}; {}; {made}; {}°", self.name, word_of(SIDES, self.kind), short_text(self.included_angle_deg, 6)),
            told("flat", self.tip_flat_mm, unit) + &told("radius", self.tip_radius_mm, unit) + &between,
            plain("left", self.left_relief_deg) + &plain("right", self.right_relief_deg),
            plain("rest left", self.left_rest_deg) + &plain("rest right", self.right_rest_deg),
            plain("rake", self.rake_deg) + &plain("tilt", self.tilt_deg),
            told("width", self.width_mm, unit) + &told("thickness", self.thickness_mm, unit) + &told("point left", self.point_left_mm, unit),
            told("ahead", self.body_ahead_mm, unit) + &self.bar.as_ref().map_or_else(String::new, |b| format!("; in {b}")),
            told("bar", self.bar_diameter_mm, unit) + &told("back", self.tip_to_back_mm, unit) + &told("reach", self.reach_mm, unit),
            condition(self.condition),
        ]
        .concat()
    }
}

impl Line for OwnedBar {
    const OF: &'static str = "bar";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let name = parts.next()?.0.to_owned();
        let (mut thick, mut reach, mut nose_mm, mut carbide, mut how) = (None, None, None, false, Condition::Sharp);
        for (_, part) in parts {
            let mm = |text: &str| length(text, otherwise);
            if set(&part, &mut [("thick", &mut thick), ("reach", &mut reach), ("nose", &mut nose_mm)], &mm)? {
                continue;
            }
            if part == "carbide" {
                carbide = true;
            } else {
                how = kind_of(CONDITIONS, &part)?;
            }
        }
        Some(vec![Self { name, diameter_mm: thick?, reach_mm: reach?, carbide, nose_mm, condition: how, history: Vec::new() }])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let sizes = told("thick", Some(self.diameter_mm), unit) + &told("reach", Some(self.reach_mm), unit) + &told("nose", self.nose_mm, unit);
        format!("{}{sizes}{}{}", self.name, flag("carbide", self.carbide), condition(self.condition))
    }
}

impl Line for OwnedBlade {
    const OF: &'static str = "blade";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let name = parts.next()?.0.to_owned();
        let mut one = Self { name, ..Self::default() };
        let mut width = None;
        for (_, part) in parts {
            let mm = |text: &str| length(text, otherwise);
            let lengths: &mut [(&str, &mut Option<f64>)] = &mut [
                ("width", &mut width),
                ("corner", &mut one.corner_mm),
                ("deep", &mut one.depth_mm),
                ("back", &mut one.tip_to_back_mm),
                ("reach", &mut one.reach_mm),
            ];
            if set(&part, lengths, &mm)? || set(&part, &mut [("relief", &mut one.end_relief_deg)], &degrees)? {
                continue;
            }
            if let Some(side) = kind_of(SIDES, &part) {
                one.kind = side;
            } else if let Some(kind) = kind_of(BLADES, &part) {
                one.use_for = kind;
            } else {
                one.condition = kind_of(CONDITIONS, &part)?;
            }
        }
        Some(vec![Self { width_mm: width?, ..one }])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let head = format!("{}; {}; {}", self.name, word_of(SIDES, self.kind), word_of(BLADES, self.use_for));
        let edge = told("width", Some(self.width_mm), unit) + &told("corner", self.corner_mm, unit) + &told("deep", self.depth_mm, unit);
        let rest = plain("relief", self.end_relief_deg) + &told("back", self.tip_to_back_mm, unit) + &told("reach", self.reach_mm, unit);
        format!("{head}{edge}{rest}{}", condition(self.condition))
    }
}

impl Line for OwnedInsert {
    const OF: &'static str = "insert";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let name = parts.next()?.0.to_owned();
        let mut one = Self { name, included_angle_deg: 60.0, ..Self::default() };
        let (mut radius, mut tilt) = (None, None);
        for (_, part) in parts {
            let mm = |text: &str| length(text, otherwise);
            let lengths: &mut [(&str, &mut Option<f64>)] =
                &mut [("radius", &mut radius), ("smallest bore", &mut one.smallest_bore_mm), ("reach", &mut one.reach_mm)];
            if set(&part, lengths, &mm)? {
                continue;
            }
            let figures: &mut [(&str, &mut Option<f64>)] =
                &mut [("tilt", &mut tilt), ("clearance", &mut one.clearance_deg), ("speed", &mut one.lowest_m_per_min)];
            if set(&part, figures, &degrees)? {
                continue;
            }
            if let Some(pitch) = after(&part, "pitch") {
                (one.pitch_from_mm, one.pitch_to_mm) = span(pitch, otherwise).or_else(|| length(pitch, otherwise).map(|mm| (mm, mm)))?;
            } else if let Some(deg) = angle(&part) {
                one.included_angle_deg = deg;
            } else if part == "full profile" {
                one.full_profile = true;
            } else if let Some(side) = kind_of(SIDES, &part) {
                one.kind = side;
            } else {
                one.condition = kind_of(CONDITIONS, &part)?;
            }
        }
        (one.tip_radius_mm, one.seat_tilt_deg) = (radius.unwrap_or(0.0), tilt.unwrap_or(0.0));
        (one.pitch_from_mm > 0.0).then_some(vec![one])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let head = format!("{}; {}{}", self.name, word_of(SIDES, self.kind), flag("full profile", self.full_profile));
        let pitch = if self.pitch_to_mm - self.pitch_from_mm < 1e-9 {
            size(self.pitch_to_mm, unit)
        } else {
            format!("{} to {}", size(self.pitch_from_mm, unit), size(self.pitch_to_mm, unit))
        };
        let form = format!("; pitch {pitch}; {}°; radius {}", short_text(self.included_angle_deg, 6), size(self.tip_radius_mm, unit));
        let seat = plain("tilt", Some(self.seat_tilt_deg).filter(|t| *t != 0.0)) + &plain("clearance", self.clearance_deg);
        let bar = told("smallest bore", self.smallest_bore_mm, unit) + &told("reach", self.reach_mm, unit) + &plain("speed", self.lowest_m_per_min);
        format!("{head}{form}{seat}{bar}{}", condition(self.condition))
    }
}

/// A thing that keeps what became of it.
pub(super) trait Storied {
    /// Its name, and its story.
    fn story(&mut self) -> (&str, &mut Vec<ToolEvent>);
}

macro_rules! storied {
    ($($kind:ident),*) => { $(impl Storied for $kind { fn story(&mut self) -> (&str, &mut Vec<ToolEvent>) { (&self.name, &mut self.history) } })* };
}
storied!(OwnedBit, OwnedBar, OwnedBlade, OwnedInsert);

/// Puts what is written in place of what was held; what became of those that are still there stands.
pub(super) fn put_storied<T: Storied>(held: &mut Vec<T>, told: Option<Vec<T>>) {
    let Some(told) = told else { return };
    let mut before = std::mem::replace(held, told);
    for one in held {
        let (name, history) = one.story();
        if let Some(old) = before.iter_mut().map(Storied::story).find(|(old, _)| *old == name).map(|(_, h)| std::mem::take(h)) {
            *history = old;
        }
    }
}
