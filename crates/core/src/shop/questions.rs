//! A lathe asked of its owner, one thing at a time, in the order he would tell it: what is asked follows from what was answered, what is common
//! is chosen, and the rest is read as it is written.

use super::answers::{Ask, Told, answer, metric};
use crate::job::{LatheProfile, Power, ThreadAxis};
use crate::quantity::LengthUnit;
use crate::say;
use crate::shop::Part;
use crate::voice::Voice;
use serde::Serialize;
use serde_json::{Value, json};

/// An answer that is chosen.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Choice {
    /// What is sent to answer so.
    pub value: String,
    /// In words.
    pub says: String,
    /// What it means.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub under: Option<String>,
    /// Whether the lathe is told to be so.
    pub chosen: bool,
}

/// A question with its answers.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Question {
    /// Which.
    pub ask: Ask,
    /// The part of the lathe it is about.
    pub part: Part,
    /// As it is asked.
    pub says: String,
    /// How it is found.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub how: Option<String>,
    /// Answers that are chosen; none where it can only be written.
    pub choices: Vec<Choice>,
    /// Figures that are common, as a screw or a collar is marked, in their own unit.
    pub common: Vec<Choice>,
    /// How an answer is written, with an example; nothing where it can only be chosen.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub written: Option<String>,
    /// Whether it is written in several lines.
    pub lines: bool,
    /// Whether it was answered.
    pub told: bool,
    /// What passing it by costs.
    pub untold: String,
}

/// What a choice means, beside its name in the file of sentences.
struct Common {
    value: &'static str,
    says: &'static str,
    under: &'static str,
}

const fn common(value: &'static str, says: &'static str) -> Common {
    Common { value, says, under: "" }
}

const fn meant(value: &'static str, says: &'static str, under: &'static str) -> Common {
    Common { value, says, under }
}

/// Screws most lathes have.
const INCH_SCREWS: [&str; 7] = ["4 TPI", "5 TPI", "6 TPI", "8 TPI", "10 TPI", "12 TPI", "16 TPI"];
const METRIC_SCREWS: [&str; 7] = ["1 mm", "1.5 mm", "2 mm", "3 mm", "4 mm", "5 mm", "6 mm"];
/// Dials most collars have: a division and a turn.
const INCH_DIALS: [&str; 4] = ["0.001 in, 0.1 in", "0.001 in, 0.125 in", "0.001 in, 0.2 in", "0.002 in, 0.25 in"];
const METRIC_DIALS: [&str; 6] = ["0.02 mm, 1 mm", "0.02 mm, 2 mm", "0.02 mm, 3 mm", "0.025 mm, 1 mm", "0.05 mm, 4 mm", "0.05 mm, 5 mm"];

impl Ask {
    /// All of them, in the order a lathe is told in.
    pub const ALL: [Self; 20] = [
        Self::Screw,
        Self::Pitches,
        Self::Plate,
        Self::Gears,
        Self::Stud,
        Self::Tumbler,
        Self::Arm,
        Self::Dial,
        Self::CrossSlide,
        Self::Reads,
        Self::Compound,
        Self::Swing,
        Self::Readout,
        Self::Drive,
        Self::Reverses,
        Self::Stops,
        Self::Speeds,
        Self::Chuck,
        Self::Post,
        Self::Stop,
    ];

    /// The part it is about.
    const fn part(self) -> Part {
        match self {
            Self::Screw | Self::Pitches => Part::Leadscrew,
            Self::Plate => Part::Gearbox,
            Self::Gears => Part::Gears,
            Self::Stud => Part::Stud,
            Self::Tumbler => Part::Tumbler,
            Self::Arm => Part::Arm,
            Self::Dial => Part::Dial,
            Self::CrossSlide | Self::Reads => Part::CrossSlide,
            Self::Compound | Self::Swing => Part::Compound,
            Self::Readout => Part::Readout,
            Self::Drive | Self::Reverses | Self::Stops | Self::Chuck => Part::Spindle,
            Self::Speeds => Part::Speeds,
            Self::Post => Part::Post,
            Self::Stop => Part::Stop,
        }
    }

    /// The fields that answer it: told where any of them stands in the profile.
    const fn fields(self) -> &'static [&'static str] {
        match self {
            Self::Screw => &["/leadscrew/tpi", "/leadscrew/pitch_mm"],
            Self::Pitches => &["/half_nut"],
            Self::Plate => &["/plate", "/gearbox"],
            Self::Gears => &["/gears", "/gear_groups"],
            Self::Stud => &["/fixed_ratio"],
            Self::Tumbler => &["/tumbler"],
            Self::Arm => &["/max_compounds", "/arm"],
            Self::Dial => &["/dial"],
            Self::CrossSlide => &["/cross_slide/graduation"],
            Self::Reads => &["/cross_slide/reads"],
            Self::Compound => &["/compound"],
            Self::Swing => &["/compound/swing_deg"],
            Self::Readout => &["/readout"],
            Self::Drive => &["/drive"],
            Self::Reverses => &["/spindle/reverses"],
            Self::Stops => &["/spindle/clutch", "/spindle/brake"],
            Self::Speeds => &["/speeds_rpm"],
            Self::Chuck => &["/spindle/chuck"],
            Self::Post => &["/post"],
            Self::Stop => &["/carriage_stop"],
        }
    }

    /// Whether it is asked of a lathe told so far.
    fn is_asked(self, of: &LatheProfile) -> bool {
        let by_hand = of.drive == Some(Power::Hand);
        match self {
            Self::Plate => !of.none.has("gearbox"),
            Self::Gears | Self::Arm => !of.has_fixed_gears(),
            Self::Dial => of.half_nut != Some(false),
            Self::Compound | Self::Stop => of.thread_axis != Some(ThreadAxis::TopSlide),
            Self::Swing => of.thread_axis != Some(ThreadAxis::TopSlide) && !of.none.has("compound"),
            Self::Reverses | Self::Stops | Self::Speeds => !by_hand,
            _ => true,
        }
    }

    /// What is chosen among, whatever the screw.
    const fn choices(self) -> &'static [Common] {
        const PITCHES: [Common; 5] = [
            meant("gears", "ask-pitches-gears", "ask-pitches-gears-under"),
            meant("box_and_gears", "ask-pitches-both", "ask-pitches-both-under"),
            meant("box", "ask-pitches-box", "ask-pitches-box-under"),
            meant("engaged", "ask-pitches-engaged", "ask-pitches-engaged-under"),
            meant("slide", "ask-pitches-slide", "ask-pitches-slide-under"),
        ];
        const STUD: [Common; 3] = [common("1/1", "ask-stud-one"), common("1/2", "ask-stud-half"), common("2/1", "ask-stud-two")];
        const TUMBLER: [Common; 5] = [
            common("both_neutral", "ask-tumbler-neutral"),
            common("both", "ask-tumbler-both"),
            common("right", "ask-tumbler-right"),
            common("left", "ask-tumbler-left"),
            common("none", "ask-tumbler-none"),
        ];
        const ARM: [Common; 3] = [common("0", "ask-arm-two"), common("1", "ask-arm-four"), common("2", "ask-arm-six")];
        const DIAL: [Common; 2] = [common("none", "ask-dial-none"), common("16, 8", "ask-dial-usual")];
        const READS: [Common; 2] =
            [meant("radius", "ask-reads-travel", "ask-reads-travel-under"), meant("diameter", "ask-reads-diameter", "ask-reads-diameter-under")];
        const COMPOUND: [Common; 2] = [common("same", "ask-compound-same"), meant("none", "ask-compound-none", "ask-compound-none-under")];
        const SWING: [Common; 3] = [common("-90 to 90", "ask-swing-any"), common("-60 to 60", "ask-swing-sixty"), common("0 to 0", "ask-swing-none")];
        const READOUT: [Common; 3] = [common("none", "ask-readout-none"), common("diameter", "ask-readout-diameter"), common("radius", "ask-readout-travel")];
        const DRIVE: [Common; 4] =
            [common("motor", "ask-drive-motor"), common("belt", "ask-drive-belt"), common("treadle", "ask-drive-treadle"), common("hand", "ask-drive-hand")];
        const REVERSES: [Common; 2] = [common("yes", "ask-reverses-yes"), common("no", "ask-reverses-no")];
        const STOPS: [Common; 4] = [
            common("neither", "ask-stops-neither"),
            common("clutch", "ask-stops-clutch"),
            common("brake", "ask-stops-brake"),
            common("both", "ask-stops-both"),
        ];
        const CHUCK: [Common; 4] = [
            meant("screwed", "ask-chuck-screwed", "ask-chuck-screwed-under"),
            common("cam_lock", "ask-chuck-cams"),
            common("bolted", "ask-chuck-bolted"),
            common("drawbar", "ask-chuck-drawbar"),
        ];
        const POST: [Common; 2] = [common("front", "ask-post-front"), common("rear", "ask-post-rear")];
        const STOP: [Common; 3] =
            [common("none", "ask-stop-none"), meant("fixed", "ask-stop-fixed", "ask-stop-fixed-under"), common("trips", "ask-stop-trips")];
        match self {
            Self::Pitches => &PITCHES,
            Self::Stud => &STUD,
            Self::Tumbler => &TUMBLER,
            Self::Arm => &ARM,
            Self::Dial => &DIAL,
            Self::Reads => &READS,
            Self::Compound => &COMPOUND,
            Self::Swing => &SWING,
            Self::Readout => &READOUT,
            Self::Drive => &DRIVE,
            Self::Reverses => &REVERSES,
            Self::Stops => &STOPS,
            Self::Chuck => &CHUCK,
            Self::Post => &POST,
            Self::Stop => &STOP,
            Self::Screw | Self::Plate | Self::Gears | Self::CrossSlide | Self::Speeds => &[],
        }
    }

    /// Its sentences: as asked, how it is found, what passing it by costs; an empty name where there is none.
    const fn sentences(self) -> [&'static str; 3] {
        match self {
            Self::Screw => ["ask-screw", "ask-screw-how", "part-leadscrew-untold"],
            Self::Pitches => ["ask-pitches", "", "ask-pitches-untold"],
            Self::Plate => ["ask-plate", "ask-plate-how", "ask-plate-untold"],
            Self::Gears => ["ask-gears", "ask-gears-how", "part-gears-untold"],
            Self::Stud => ["ask-stud", "ask-stud-how", "part-stud-untold"],
            Self::Tumbler => ["ask-tumbler", "ask-tumbler-how", "part-tumbler-untold"],
            Self::Arm => ["ask-arm", "ask-arm-how", "ask-arm-untold"],
            Self::Dial => ["ask-dial", "ask-dial-how", "part-dial-untold"],
            Self::CrossSlide => ["ask-cross", "ask-cross-how", "part-slide-untold"],
            Self::Reads => ["ask-reads", "ask-reads-how", "ask-reads-untold"],
            Self::Compound => ["ask-compound", "", "part-slide-untold"],
            Self::Swing => ["ask-swing", "", "ask-swing-untold"],
            Self::Readout => ["ask-readout", "", "ask-readout-untold"],
            Self::Drive => ["ask-drive", "", "ask-drive-untold"],
            Self::Reverses => ["ask-reverses", "", "part-spindle-untold"],
            Self::Stops => ["ask-stops", "", "ask-stops-untold"],
            Self::Speeds => ["ask-speeds", "ask-speeds-how", "part-speeds-untold"],
            Self::Chuck => ["ask-chuck", "", "ask-chuck-untold"],
            Self::Post => ["ask-post", "", "part-post-untold"],
            Self::Stop => ["ask-stop", "", "ask-stop-untold"],
        }
    }
}

/// What is common of a question, by the unit of the screw: those of the other unit after them, and of its own alone once a dial is asked.
fn common_figures(ask: Ask, of: &LatheProfile, voice: Voice) -> Vec<&'static str> {
    let first_metric = metric(of).unwrap_or(voice.unit == LengthUnit::Mm);
    match (ask, first_metric) {
        (Ask::Screw, true) => [METRIC_SCREWS, INCH_SCREWS].concat(),
        (Ask::Screw, false) => [INCH_SCREWS, METRIC_SCREWS].concat(),
        (Ask::CrossSlide | Ask::Compound, true) => METRIC_DIALS.to_vec(),
        (Ask::CrossSlide | Ask::Compound, false) => INCH_DIALS.to_vec(),
        _ => Vec::new(),
    }
}

/// What is asked of a lathe, with the answers it has.
#[must_use]
pub fn questions(of: &LatheProfile, voice: Voice) -> Vec<Question> {
    let stands = json!(of);
    let question = |ask: Ask| {
        let [says, how, untold] = ask.sentences();
        let written = ask.written();
        // One that does not read on this lathe, as a collar like one not told yet, is not offered.
        let choice = |value: &str, says: String, under: &'static str| {
            let sets = answer(of, ask, value, voice).ok()?;
            let chosen = sets.iter().all(|(at, told)| is_so(&stands, at, told));
            Some(Choice { value: value.to_owned(), says, under: (!under.is_empty()).then(|| say!(voice, under)), chosen })
        };
        let named = ask.choices().iter().filter_map(|c| choice(c.value, say!(voice, c.says), c.under));
        let figures = common_figures(ask, of, voice).into_iter().filter_map(|value| choice(value, dial_said(value, voice), ""));
        Question {
            ask,
            part: ask.part(),
            says: say!(voice, says),
            how: (!how.is_empty()).then(|| say!(voice, how)),
            choices: named.collect(),
            common: figures.collect(),
            written: (!written.is_empty()).then(|| say!(voice, written)),
            lines: ask == Ask::Plate,
            told: ask.fields().iter().any(|at| stands.pointer(at).is_some()),
            untold: say!(voice, untold),
        }
    };
    Ask::ALL.into_iter().filter(|ask| ask.is_asked(of)).map(question).collect()
}

/// A division and a turn in words; a screw as it is written.
fn dial_said(value: &str, voice: Voice) -> String {
    value.split_once(", ").map_or_else(|| value.to_owned(), |(division, turn)| say!(voice, "ask-division-and-turn", division = division, turn = turn))
}

/// Whether a field stands as an answer would set it.
fn is_so(stands: &Value, at: &str, told: &Told) -> bool {
    match (stands.pointer(at), told) {
        (Some(Value::Null), Told::None) | (None, Told::Not) => true,
        (Some(is), Told::Is(value)) => alike(is, value),
        _ => false,
    }
}

/// Whether two values are the same, numbers by what they are and not by how they are written.
fn alike(a: &Value, b: &Value) -> bool {
    match (a, b) {
        (Value::Array(a), Value::Array(b)) => a.len() == b.len() && a.iter().zip(b).all(|(a, b)| alike(a, b)),
        (Value::Number(a), Value::Number(b)) => a.as_f64() == b.as_f64(),
        _ => a == b,
    }
}
