//! An answer to what a lathe is asked, read: the fields it sets, and no other.

use super::sheets::plate_from_csv;
use crate::faults::Fault;
use crate::job::LatheProfile;
use crate::quantity::Exact;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};

/// One thing asked of a lathe.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Ask {
    /// The leadscrew's pitch.
    Screw,
    /// How pitches are chosen.
    Pitches,
    /// What the gearbox's plate prints.
    Plate,
    /// Which gears there are.
    Gears,
    /// What turns the first gear.
    Stud,
    /// The tumbler.
    Tumbler,
    /// How many gears the arm takes.
    Arm,
    /// The threading dial.
    Dial,
    /// The cross-slide's dial.
    CrossSlide,
    /// Whether it reads travel or diameter.
    Reads,
    /// The compound's dial.
    Compound,
    /// How far the compound swings.
    Swing,
    /// The digital readout.
    Readout,
    /// What turns the spindle.
    Drive,
    /// Whether it can be turned backward.
    Reverses,
    /// What stops it.
    Stops,
    /// Its speeds.
    Speeds,
    /// What holds the work.
    Chuck,
    /// Where the tool post stands.
    Post,
    /// What stops the carriage.
    Stop,
}

impl Ask {
    /// How its answer is written, by its sentence; an empty name where it can only be chosen.
    pub(super) const fn written(self) -> &'static str {
        match self {
            Self::Screw => "ask-screw-written",
            Self::Plate => "ask-plate-written",
            Self::Gears => "ask-gears-written",
            Self::Stud => "ask-stud-written",
            Self::Dial => "ask-dial-written",
            Self::CrossSlide | Self::Compound => "ask-cross-written",
            Self::Swing => "ask-swing-written",
            Self::Speeds => "ask-speeds-written",
            _ => "",
        }
    }
}

/// What an answer makes of a field: a value, having none of it, or that it is not told.
#[derive(Debug, Clone, PartialEq)]
pub enum Told {
    /// This.
    Is(Value),
    /// There is none.
    None,
    /// Not told.
    Not,
}

/// A field by its pointer, and what becomes of it.
pub type Set = (&'static str, Told);

/// Whether the screw told is metric; nothing before it is.
pub(super) fn metric(of: &LatheProfile) -> Option<bool> {
    let screw = of.leadscrew.as_ref()?;
    screw.pitch_mm.as_ref().map(|_| true).or_else(|| screw.tpi.as_ref().map(|_| false))
}

/// The fields an answer sets: one chosen by its value, or one written.
///
/// # Errors
/// What is wrong with what was written, and how it would be right.
pub fn answer(of: &LatheProfile, ask: Ask, text: &str, voice: Voice) -> Result<Vec<Set>, Fault> {
    let text = text.trim();
    let wrong = || Fault::new("/says", say!(voice, "ask-not-read", text = text.chars().take(80).collect::<String>(), written = say!(voice, ask.written())));
    let chosen = || Fault::new("/says", say!(voice, "ask-not-a-choice", text = text.chars().take(80).collect::<String>()));
    let is = |at: &'static str, value: Value| (at, Told::Is(value));
    Ok(match ask {
        Ask::Screw => screw(text).ok_or_else(wrong)?,
        Ask::Pitches => pitches(of, text).ok_or_else(chosen)?,
        Ask::Plate => plate(of, text, voice)?,
        Ask::Gears => vec![is("/gears", json!(text)), ("/gear_groups", Told::Not), ("/joined", Told::Not), ("/bound", Told::Not)],
        Ask::Stud => vec![is("/fixed_ratio", json!(Exact::parse(text).ok_or_else(wrong)?))],
        Ask::Tumbler => {
            let places: &[&str] = match text {
                "both_neutral" => &["right", "left", "neutral"],
                "both" => &["right", "left"],
                "right" => &["right"],
                "left" => &["left"],
                "none" => &[],
                _ => return Err(chosen()),
            };
            vec![is("/tumbler", json!(places))]
        }
        Ask::Arm => vec![is("/max_compounds", json!(text.parse::<i64>().ok().filter(|n| (0..=2).contains(n)).ok_or_else(chosen)?))],
        Ask::Dial => dial(text).ok_or_else(wrong)?,
        Ask::CrossSlide => collar(text, ["/cross_slide/unit", "/cross_slide/graduation", "/cross_slide/per_turn"]).ok_or_else(wrong)?,
        Ask::Reads => vec![is("/cross_slide/reads", json!(one_of(text, &["radius", "diameter"]).ok_or_else(chosen)?))],
        Ask::Compound => compound(of, text).ok_or_else(wrong)?,
        Ask::Swing => vec![is("/compound/swing_deg", json!(between(text).ok_or_else(wrong)?))],
        Ask::Readout if text == "none" => vec![("/readout", Told::None)],
        Ask::Readout => vec![is("/readout/cross_slide", json!(one_of(text, &["radius", "diameter"]).ok_or_else(chosen)?))],
        Ask::Drive => vec![is("/drive", json!(one_of(text, &["motor", "belt", "treadle", "hand"]).ok_or_else(chosen)?))],
        Ask::Reverses => vec![is("/spindle/reverses", json!(one_of(text, &["yes", "no"]).ok_or_else(chosen)? == "yes"))],
        Ask::Stops => {
            let by = one_of(text, &["neither", "clutch", "brake", "both"]).ok_or_else(chosen)?;
            vec![is("/spindle/clutch", json!(by == "clutch" || by == "both")), is("/spindle/brake", json!(by == "brake" || by == "both"))]
        }
        Ask::Speeds => vec![is("/speeds_rpm", speeds(text).ok_or_else(wrong)?)],
        Ask::Chuck => vec![is("/spindle/chuck", json!(one_of(text, &["screwed", "cam_lock", "bolted", "drawbar"]).ok_or_else(chosen)?))],
        Ask::Post => vec![is("/post", json!(one_of(text, &["front", "rear"]).ok_or_else(chosen)?))],
        Ask::Stop => vec![is("/carriage_stop", json!(one_of(text, &["none", "fixed", "trips"]).ok_or_else(chosen)?))],
    })
}

fn one_of<'a>(text: &str, of: &[&'a str]) -> Option<&'a str> {
    of.iter().copied().find(|value| *value == text)
}

/// A number with a decimal point or comma.
fn number(text: &str) -> Option<f64> {
    text.trim().replace(',', ".").parse().ok().filter(|n: &f64| n.is_finite())
}

/// A number as JSON writes it, whole where it is.
fn figure(n: f64) -> Value {
    #[allow(clippy::cast_possible_truncation)] // whole, and within what a profile takes
    if n.fract() == 0.0 && n.abs() < 1e9 { json!(n as i64) } else { json!(n) }
}

/// What stands before its unit.
fn before<'a>(text: &'a str, units: &[&str]) -> Option<&'a str> {
    units.iter().find_map(|unit| text.strip_suffix(unit)).map(str::trim)
}

/// `8 TPI` or `3 mm`.
fn screw(text: &str) -> Option<Vec<Set>> {
    let lower = text.to_lowercase().replace(',', ".");
    let [tpi, mm] = ["/leadscrew/tpi", "/leadscrew/pitch_mm"];
    let (at, other, figure) = match (before(&lower, &["tpi", "per inch"]), before(&lower, &["mm"])) {
        (Some(figure), _) => (tpi, mm, figure),
        (_, Some(figure)) => (mm, tpi, figure),
        _ => return None,
    };
    Some(vec![(at, Told::Is(json!(Exact::parse(figure)?))), (other, Told::Not)])
}

/// How pitches are chosen, which tells whether there is a half-nut, what the screw drives, and whether gears can be changed.
fn pitches(of: &LatheProfile, text: &str) -> Option<Vec<Set>> {
    let fixed = of.has_fixed_gears();
    let by = one_of(text, &["gears", "box_and_gears", "box", "engaged", "slide"])?;
    let axis = if by == "slide" { "top_slide" } else { "carriage" };
    let mut sets = vec![("/half_nut", Told::Is(json!(!matches!(by, "engaged" | "slide")))), ("/thread_axis", Told::Is(json!(axis)))];
    match by {
        "box" => sets.extend([
            ("/gears", Told::Is(json!("fixed"))),
            ("/gear_groups", Told::Not),
            ("/joined", Told::Not),
            ("/bound", Told::Not),
            ("/mounted", Told::Not),
        ]),
        _ if fixed => sets.extend([("/gears", Told::Not), ("/gear_groups", Told::Not)]),
        _ => {}
    }
    if by.starts_with("box") {
        sets.extend(of.none.has("gearbox").then_some(("/gearbox", Told::Not)));
    } else {
        sets.extend([("/gearbox", Told::None), ("/plate", Told::Not)]);
    }
    Some(sets)
}

/// A plate as it is copied: its figures in lines, or with the names of the levers' places as a sheet has them; `mm` before it where it prints
/// millimetres, else what the screw is.
fn plate(of: &LatheProfile, text: &str, voice: Voice) -> Result<Vec<Set>, Fault> {
    let cells =
        |line: &str| -> Vec<String> { line.split(|c: char| c.is_whitespace() || c == ';' || c == '|').filter(|s| !s.is_empty()).map(str::to_owned).collect() };
    let mut lines: Vec<Vec<String>> = text.lines().map(cells).filter(|l| !l.is_empty()).collect();
    let unit = |cell: &String| ["tpi", "mm", "ratio"].into_iter().find(|u| cell.eq_ignore_ascii_case(u));
    let sheet = if text.contains(',') && lines.first().and_then(|l| l.first()).is_some_and(|c| c.contains(',')) {
        text.to_owned()
    } else {
        let told = lines.first().and_then(|l| l.first()).and_then(unit);
        let named = told.is_some() && lines.first().is_some_and(|l| l.len() > 1);
        if told.is_some() && !named {
            lines.remove(0);
        }
        let rows: Vec<String> = if named {
            lines.iter().map(|l| l.join(",")).collect()
        } else {
            let wide = lines.iter().map(Vec::len).max().unwrap_or(0);
            let usual = if metric(of) == Some(true) { "mm" } else { "tpi" };
            let head = std::iter::once(told.unwrap_or(usual).to_owned()).chain((1..=wide).map(|n| n.to_string())).collect::<Vec<_>>().join(",");
            let letters = ('A'..='Z').map(String::from).chain((27..).map(|n| n.to_string()));
            std::iter::once(head).chain(letters.zip(&lines).map(|(name, l)| format!("{name},{}", l.join(",")))).collect()
        };
        rows.join("\n")
    };
    let faulty = |faults: Vec<Fault>| {
        let first = faults.into_iter().next();
        Fault::new("/says", first.map_or_else(|| say!(voice, "ask-plate-written"), |f| f.detail))
    };
    let (gearbox, plate) = plate_from_csv(&sheet, voice).map_err(faulty)?;
    let told = |value: Option<Value>| value.map_or(Told::Not, Told::Is);
    if gearbox.is_none() && plate.as_ref().is_none_or(|p| p.rows.is_empty()) {
        return Err(faulty(Vec::new()));
    }
    Ok(vec![("/plate", told(plate.map(|p| json!(p)))), ("/gearbox", told(gearbox.map(|g| json!(g))))])
}

/// `16, 8`: the teeth of its gear, or of each with a slash between, and the marks on its face.
fn dial(text: &str) -> Option<Vec<Set>> {
    if text == "none" {
        return Some(vec![("/dial", Told::None)]);
    }
    let (teeth, marks) = text.split_once(',').map_or((text, None), |(teeth, marks)| (teeth, Some(marks)));
    let teeth: Vec<i64> = teeth.split('/').map(|t| t.trim().parse().ok()).collect::<Option<_>>()?;
    let teeth = if let [one] = teeth.as_slice() { json!(one) } else { json!(teeth) };
    let marks = marks.map(|m| m.trim().parse::<i64>()).transpose().ok()?;
    Some(vec![("/dial/teeth", Told::Is(teeth)), ("/dial/marks", marks.map_or(Told::Not, |m| Told::Is(json!(m))))])
}

/// `0.001 in, 0.1 in`: one division and one turn of a dial, its unit with either.
fn collar(text: &str, [unit, division, turn]: [&'static str; 3]) -> Option<Vec<Set>> {
    let lower = text.to_lowercase();
    let is = match (lower.contains("in") || lower.contains('"'), lower.contains("mm")) {
        (true, false) => "in",
        (false, true) => "mm",
        _ => return None,
    };
    let bare = lower.replace(is, " ").replace('"', " ").replace("per turn", " ").replace("a turn", " ");
    let (a, b) = bare.split_once(", ").or_else(|| bare.split_once(';')).or_else(|| bare.split_once(" / "))?;
    let (a, b) = (number(a)?, number(b)?);
    Some(vec![(unit, Told::Is(json!(is))), (division, Told::Is(figure(a))), (turn, Told::Is(figure(b)))])
}

/// The compound's dial: as the cross-slide's, its own, or none.
fn compound(of: &LatheProfile, text: &str) -> Option<Vec<Set>> {
    let at = ["/compound/unit", "/compound/graduation", "/compound/per_turn"];
    match text {
        "none" => Some(vec![("/compound", Told::None)]),
        "same" => {
            let cross = of.cross_slide.as_ref()?;
            let is = [json!(cross.unit?), figure(cross.graduation?), figure(cross.per_turn?)];
            Some(at.into_iter().zip(is).map(|(at, is)| (at, Told::Is(is))).collect())
        }
        _ => collar(text, at),
    }
}

/// `-45 to 60`: two figures, the lesser first, however they were written.
fn between(text: &str) -> Option<[Value; 2]> {
    let (from, to) = text.split_once(" to ").or_else(|| text.split_once(".."))?;
    let bare = |t: &str| number(t.trim().trim_end_matches('°'));
    let (from, to) = (bare(from)?, bare(to)?);
    Some([from.min(to), from.max(to)].map(figure))
}

/// `27, 40, 58`: each step; or, stepless, `50 to 1800`.
fn speeds(text: &str) -> Option<Value> {
    if let Some([from, to]) = between(&text.replace(['–', '-'], " to ")) {
        return Some(json!({"from": from, "to": to}));
    }
    let steps: Vec<Value> = text
        .split(|c: char| c.is_whitespace() || c == ',' || c == ';')
        .filter(|s| !s.is_empty())
        .map(|s| s.parse::<f64>().ok().filter(|n| n.is_finite()).map(figure))
        .collect::<Option<_>>()?;
    (!steps.is_empty()).then_some(Value::Array(steps))
}

/// Puts an answer into a lathe as it is kept: what it sets and nothing else.
pub fn put(lathe: &mut Value, sets: Vec<Set>) {
    for (at, told) in sets {
        let path: Vec<&str> = at.split('/').skip(1).collect();
        let Some((last, above)) = path.split_last() else { continue };
        let mut place = &mut *lathe;
        for key in above {
            if !place.is_object() {
                *place = json!({});
            }
            place = &mut place[*key];
        }
        if !place.is_object() {
            if told == Told::Not {
                continue;
            }
            *place = json!({});
        }
        let Value::Object(map) = place else { continue };
        match told {
            Told::Is(value) => _ = map.insert((*last).to_owned(), value),
            Told::None => _ = map.insert((*last).to_owned(), Value::Null),
            Told::Not => _ = map.remove(*last),
        }
    }
}
