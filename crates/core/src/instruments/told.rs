//! What of its instruments an owner tells: where their cables end, how their lines read, what each axis sees.

use super::line::{Pattern, numbers};
use crate::quantity::{MM_PER_INCH, plain_text};
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// Slowest and fastest a serial port is set to.
const BAUD: [u32; 2] = [300, 921_600];
/// Longest name of a port or an address.
const LONGEST: usize = 200;

/// The instruments of a lathe.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Instruments {
    /// Its readout.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub readout: Option<Readout>,
    /// A micrometer, or an indicator, that sends one reading at a time.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub micrometer: Option<Micrometer>,
}

/// Which of them.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Which {
    /// The readout.
    Readout,
    /// The micrometer.
    Micrometer,
}

/// Where its cable ends.
#[derive(Debug, Clone, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Cable {
    /// At a serial port.
    Serial {
        /// What the port is called: `/dev/ttyUSB0`.
        port: String,
        /// Bits a second.
        baud: u32,
        /// 7 or 8.
        #[serde(default = "eight")]
        data_bits: u8,
        /// What a character is checked by.
        #[serde(default)]
        parity: Parity,
        /// 1 or 2.
        #[serde(default = "one")]
        stop_bits: u8,
    },
    /// At a TCP port.
    Tcp {
        /// Host and port: `192.168.1.20:4001`.
        address: String,
    },
}

/// What a character is checked by.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Parity {
    /// Nothing.
    #[default]
    None,
    /// Even.
    Even,
    /// Odd.
    Odd,
}

const fn eight() -> u8 {
    8
}

const fn one() -> u8 {
    1
}

/// A readout as told.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Readout {
    /// Its cable.
    pub cable: Cable,
    /// Whether it sends all the time, standing still too: only then does silence say anything.
    #[serde(default)]
    pub always: bool,
    /// Its axes, as far as they are told.
    #[serde(default)]
    pub axes: Vec<ToldAxis>,
}

/// A micrometer as told.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Micrometer {
    /// Its cable.
    pub cable: Cable,
    /// Where in its line the reading stands; absent until it was pointed at.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub pattern: Option<Pattern>,
    /// Whether it reads inches where its line does not say.
    #[serde(default)]
    pub inches: bool,
}

/// What an axis sees.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum AxisName {
    /// The cross-slide.
    CrossSlide,
    /// The compound along its own way.
    Compound,
    /// The carriage along the bed.
    Carriage,
}

impl AxisName {
    /// As sentences choose by it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::CrossSlide => "cross",
            Self::Compound => "compound",
            Self::Carriage => "carriage",
        }
    }
}

/// An axis of a readout.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToldAxis {
    /// What it sees.
    pub axis: AxisName,
    /// Where in the line its figure stands.
    pub pattern: Pattern,
    /// How it counts; absent until it was wound.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub counts: Option<Counts>,
}

/// How an axis counts.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Counts {
    /// Inches, where its line does not say.
    pub inches: bool,
    /// Whether it shows diameter.
    pub diameter: bool,
    /// Whether it falls where the slide goes away from the operator, the compound is wound in, the carriage goes toward the headstock.
    pub falls: bool,
}

/// A length a line said, mm.
fn millimetres(value: f64, sent: Option<bool>, told: bool) -> f64 {
    value * if sent.unwrap_or(told) { MM_PER_INCH } else { 1.0 }
}

/// Where things stand by a line, mm: the cross-slide away from the operator, the compound wound in, the carriage toward the headstock.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Stands {
    /// The cross-slide.
    pub cross_mm: Option<f64>,
    /// The compound.
    pub compound_mm: Option<f64>,
    /// The carriage.
    pub carriage_mm: Option<f64>,
}

impl Readout {
    /// Where things stand by a line; nothing where any axis that is told does not read in it.
    #[must_use]
    pub fn read(&self, line: &str) -> Option<Stands> {
        let mut stands = Stands::default();
        for axis in &self.axes {
            let found = axis.pattern.read(line)?;
            let Some(counts) = axis.counts else { continue };
            let mm = millimetres(found.value, found.inches, counts.inches) * if counts.diameter { 0.5 } else { 1.0 } * if counts.falls { -1.0 } else { 1.0 };
            *match axis.axis {
                AxisName::CrossSlide => &mut stands.cross_mm,
                AxisName::Compound => &mut stands.compound_mm,
                AxisName::Carriage => &mut stands.carriage_mm,
            } = Some(mm);
        }
        (!self.axes.is_empty()).then_some(stands)
    }

    /// Whether an axis is told and was wound.
    #[must_use]
    pub fn knows(&self, axis: AxisName) -> bool {
        self.axes.iter().any(|a| a.axis == axis && a.counts.is_some())
    }
}

/// A reading of a micrometer.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Sent {
    /// mm.
    pub mm: f64,
    /// Whether it was in inches.
    pub inches: bool,
    /// Places after its point.
    pub places: usize,
}

impl Sent {
    /// As it would be typed: its figure, and its unit.
    #[must_use]
    pub fn text(self) -> String {
        let (value, unit) = if self.inches { (self.mm / MM_PER_INCH, "in") } else { (self.mm, "mm") };
        format!("{} {unit}", plain_text(value, self.places))
    }
}

impl Micrometer {
    /// The reading a line holds, where it is pointed at.
    #[must_use]
    pub fn read(&self, line: &str) -> Option<Sent> {
        let pattern = self.pattern.as_ref()?;
        let found = pattern.read(line)?;
        let mm = millimetres(found.value, found.inches, self.inches);
        Some(Sent { mm, inches: found.inches.unwrap_or(self.inches), places: pattern.places_of(&found, line) })
    }
}

/// What axes the lines of a readout usually have: X across, Z along, a third the compound's; a bare list in that order.
#[must_use]
pub fn guessed(line: &str) -> Vec<ToldAxis> {
    let all = numbers(line);
    let labelled = |labels: &[&str]| all.iter().find(|n| labels.contains(&n.label.as_str()));
    let named = [(AxisName::CrossSlide, labelled(&["X"])), (AxisName::Carriage, labelled(&["Z"])), (AxisName::Compound, labelled(&["Y", "U", "W"]))];
    let known = named.iter().any(|(_, n)| n.is_some());
    let order = [AxisName::CrossSlide, AxisName::Carriage, AxisName::Compound];
    let found: Vec<_> = if known {
        named.into_iter().filter_map(|(axis, n)| Some((axis, n?))).collect()
    } else if all.len() <= order.len() {
        order.into_iter().zip(&all).collect()
    } else {
        Vec::new()
    };
    let learned = found.into_iter().filter_map(|(axis, n)| Some((axis, Pattern::learned(line, n.at[0], 0).ok()?)));
    learned.map(|(axis, pattern)| ToldAxis { axis, pattern, counts: None }).collect()
}

impl Instruments {
    /// Everything wrong with what was told: the JSON pointer, and what would be right.
    #[must_use]
    pub fn faults(&self, voice: Voice) -> Vec<(String, String)> {
        let mut faults = Vec::new();
        let cables = [("/readout", self.readout.as_ref().map(|r| &r.cable)), ("/micrometer", self.micrometer.as_ref().map(|m| &m.cable))];
        for (at, cable) in cables {
            let Some(cable) = cable else { continue };
            faults.extend(cable.faults(voice).into_iter().map(|(field, says)| (format!("{at}/cable{field}"), says)));
        }
        if let [Some(a), Some(b)] = cables.map(|c| c.1)
            && a == b
        {
            faults.push(("/micrometer/cable".into(), say!(voice, "told-same-cable")));
        }
        let axes = self.readout.iter().flat_map(|r| &r.axes).enumerate();
        let mut seen = Vec::new();
        for (i, axis) in axes {
            let at = format!("/readout/axes/{i}");
            if seen.contains(&axis.axis) {
                faults.push((format!("{at}/axis"), say!(voice, "told-axis-twice", axis = axis.axis.word())));
            }
            seen.push(axis.axis);
            if axis.counts.is_some_and(|c| c.diameter && axis.axis != AxisName::CrossSlide) {
                faults.push((format!("{at}/counts/diameter"), say!(voice, "told-diameter-across")));
            }
        }
        faults
    }
}

impl Cable {
    fn faults(&self, voice: Voice) -> Vec<(&'static str, String)> {
        let named = |name: &str| !name.trim().is_empty() && name.chars().count() <= LONGEST && !name.chars().any(char::is_control);
        match self {
            Self::Serial { port, baud, data_bits, stop_bits, .. } => {
                let checks = [
                    (named(port), "/port", "told-port"),
                    ((BAUD[0]..=BAUD[1]).contains(baud), "/baud", "told-baud"),
                    (matches!(data_bits, 7 | 8), "/data_bits", "told-data-bits"),
                    (matches!(stop_bits, 1 | 2), "/stop_bits", "told-stop-bits"),
                ];
                checks.into_iter().filter(|c| !c.0).map(|(_, field, id)| (field, say!(voice, id))).collect()
            }
            Self::Tcp { address } => {
                let port = address.rsplit_once(':').filter(|(host, _)| named(host)).and_then(|(_, port)| port.parse::<u16>().ok());
                if port.is_some_and(|p| p > 0) { Vec::new() } else { vec![("/address", say!(voice, "told-address"))] }
            }
        }
    }
}
