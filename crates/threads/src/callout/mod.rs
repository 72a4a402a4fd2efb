//! Reading callouts the way people type them.

mod inch;
mod metric;
mod text;

use super::class::Class;
use super::series::standards;
use super::spec::{SpecialForm, ThreadSpec};
use crate::direction::Hand;
use crate::quantity::{LengthUnit, Ratio, degrees_text, real};
use crate::system::{Side, System};
use crate::voice::Voice;
use text::{take_hand, take_side, take_starts, tidy};
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

/// Why a callout was not read.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct CalloutFault {
    /// What is missing or wrong, naming the part.
    pub missing: Sentence,
    /// The nearest callouts that do read.
    pub near: Vec<String>,
}

/// Reads a callout.
///
/// # Errors
/// [`CalloutFault`] names the offending part and offers the nearest readable callouts.
pub fn read(text: &str) -> Result<ThreadSpec, CalloutFault> {
    // Nothing anyone types is longer; this bounds the work of finding near ones.
    let short: String = text.chars().take(64).collect();
    parse(&short).map_err(|missing| CalloutFault { near: near(&short), missing })
}

/// What a family's reader found; the words that may stand anywhere are added to it.
struct Found {
    system: System,
    size: String,
    major: Ratio,
    pitch: Ratio,
    tpi: Option<Ratio>,
    series: String,
    class: Option<Class>,
    starts: Option<u8>,
}

/// Families that are known by name but are not cut here, with what to say of each.
fn refused(upper: &str) -> Option<Sentence> {
    let word = |w: &str| upper.split([' ', '-']).any(|part| part == w);
    let number_after = |prefix: &str| upper.strip_prefix(prefix).is_some_and(|rest| rest.trim_start().starts_with(|c: char| c.is_ascii_digit()));
    let tapered = |name: &str| Some(sentence!("callout-tapered", name = name));
    if upper.contains("NPT") || upper.contains("ANPT") {
        return tapered("NPT");
    }
    if upper.contains("BSPT") || upper.contains("BSP TAPER") {
        return tapered("BSPT (R, Rc)");
    }
    if number_after("RC") || number_after("R") || word("RC") {
        return tapered("Pipe R or Rc");
    }
    if upper.split([' ', '-']).any(|w| w.starts_with("UNJ")) {
        return Some(sentence!("callout-unj"));
    }
    if number_after("RP") {
        return Some(sentence!("callout-rp"));
    }
    None
}

fn parse(text: &str) -> Result<ThreadSpec, Sentence> {
    let mut body = tidy(text);
    if body.is_empty() {
        return Err(sentence!("callout-none"));
    }
    if let Some(why) = refused(&body.to_ascii_uppercase()) {
        return Err(why);
    }
    let hand = take_hand(&mut body);
    let side = take_side(&mut body);
    let starts = take_starts(&mut body)?;
    let upper = body.to_ascii_uppercase();
    let has = |w: &str| upper.split(|c: char| !c.is_ascii_alphabetic()).any(|part| part == w);
    let mut found = if has("ACME") {
        inch::acme(&body)?
    } else if ["BSW", "BSF", "WHIT", "WHITWORTH", "ME"].iter().any(|w| has(w)) {
        inch::whitworth(&body)?
    } else if has("BA") {
        inch::british_association(&body)?
    } else if upper.starts_with('G') || upper.split([' ', '-']).any(|w| w == "G") || has("BSP") || has("BSPP") {
        inch::pipe(&body)?
    } else if has("SQ") || has("SQUARE") {
        inch::square(&body)?
    } else if has("BUTT") || has("BUTTRESS") {
        inch::counted(&body, ["BUTT", "BUTTRESS"], System::Buttress, "Butt")?
    } else if upper.strip_prefix('S').is_some_and(|rest| rest.trim_start().starts_with(|c: char| c.is_ascii_digit())) {
        metric::lettered(&body, "S", System::MetricButtress, |_| "7".to_owned())?
    } else if upper.starts_with("TR") {
        metric::trapezoidal(&body)?
    } else if upper.starts_with('M') {
        metric::metric(&body)?
    } else {
        inch::unified(&body)?
    };
    if let (Some(said), Some(led)) = (starts, found.starts)
        && said != led
    {
        return Err(sentence!("callout-starts", led = &led, said = &said));
    }
    found.starts = found.starts.or(starts);
    check_proportion(&found.major, &found.pitch, Voice { unit: if found.tpi.is_some() { LengthUnit::In } else { LengthUnit::Mm }, ..Voice::default() })?;
    let spec = settle(found, hand, side)?;
    // The R asks a rounded root of the screw; its nut is a plain one.
    let rounded_root = spec.side == Side::External && upper.split([' ', '-']).any(|w| w.starts_with("UNR"));
    Ok(ThreadSpec { rounded_root, ..spec })
}

/// Adds what was not written: the usual class, the side the class decides, one start, right-hand.
fn settle(found: Found, hand: Option<Hand>, side: Option<Side>) -> Result<ThreadSpec, Sentence> {
    let of_class = found.class.and_then(Class::side);
    if let (Some(said), Some(classed), Some(class)) = (side, of_class, found.class)
        && said != classed
    {
        return Err(sentence!("callout-class-side", class = &class, is = classed.word(), said = said.word()));
    }
    let side = side.or(of_class).unwrap_or(Side::External);
    Ok(ThreadSpec {
        system: found.system,
        size: found.size,
        series: found.series,
        class: found.class.unwrap_or_else(|| found.system.family().usual_class(side, real(&found.major))),
        class_given: found.class.is_some(),
        hand: hand.unwrap_or(Hand::Right),
        hand_given: hand.is_some(),
        starts: found.starts.unwrap_or(1),
        starts_given: found.starts.is_some(),
        tpi: found.tpi,
        major: found.major,
        pitch: found.pitch,
        side,
        clearance_mm: None,
        rounded_root: false,
        special: None,
    })
}

/// A special thread of the user's own sizes.
#[must_use]
pub fn special(major: Ratio, pitch: Ratio, tpi: Option<Ratio>, form: SpecialForm) -> ThreadSpec {
    // A name, not a sentence: it is written on drawings and read again.
    let count = tpi.map_or_else(|| format!("×{}", text::short(&pitch)), |n| format!(" at {} TPI", text::short(&n)));
    ThreadSpec {
        system: System::Special,
        size: format!("Special {}{count}, {}°", text::short(&major), degrees_text(form.included_angle_deg)),
        major,
        pitch,
        tpi,
        series: "special".into(),
        starts: 1,
        hand: Hand::Right,
        side: Side::External,
        class: Class::Nominal,
        hand_given: false,
        class_given: false,
        starts_given: false,
        clearance_mm: None,
        rounded_root: false,
        special: Some(form),
    }
}

/// A thread deeper than its own radius, or a pitch outside 0.05-100 mm, is a slip of the hand.
pub fn check_proportion(major: &Ratio, pitch: &Ratio, voice: Voice) -> Result<(), Sentence> {
    if *pitch < Ratio::new(1, 20) || *pitch > Ratio::from_integer(100) {
        return Err(sentence!("callout-pitch-outside", pitch = voice.pitch(real(pitch)), span = voice.from_to(0.05, 100.0)));
    }
    if *pitch * Ratio::new(13, 10) >= *major {
        return Err(sentence!("callout-too-coarse", pitch = voice.pitch(real(pitch)), size = voice.given(real(major))));
    }
    if real(major) > 355.0 {
        return Err(sentence!("callout-past", size = voice.given(real(major)), most = voice.nominal(355.0)));
    }
    Ok(())
}

/// Up to four standard callouts nearest to what was typed.
fn near(text: &str) -> Vec<String> {
    let plain = |s: &str| s.to_ascii_uppercase().replace([' ', '-', '×'], "");
    let typed = plain(&tidy(text));
    let mut ranked: Vec<(f64, &str)> = standards().iter().map(|s| (strsim::jaro_winkler(&typed, &plain(&s.name)), s.name.as_str())).collect();
    ranked.sort_by(|a, b| b.0.total_cmp(&a.0).then_with(|| a.1.cmp(b.1)));
    ranked.into_iter().take(4).map(|(_, name)| name.to_owned()).collect()
}
