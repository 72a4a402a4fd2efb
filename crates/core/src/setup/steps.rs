//! Setting up, step by step, in working order. A step ticked at the bench is ticked with its stamp; when what it says changes, the
//! stamp does, and it asks again.

use super::Carriage;
use crate::gears::DialRule;
use crate::job::{CarriageStop, Ending, Job, Lathe};
use crate::plan::Plan;
use crate::quantity::plain_text;
use crate::thread::Side;
use crate::words::Words;
use serde::Serialize;

/// One step.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Step {
    /// Stable code, by which a tick is remembered.
    pub code: &'static str,
    /// What to do.
    pub says: String,
    /// How, or why.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub how: Option<String>,
    /// Changes when what the step hangs on does.
    pub stamp: String,
    /// What is to be noted down with the tick, where something is: the dial at zero, a stop.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub note: Option<&'static str>,
    /// Schools drawn for it: `height` or `square`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub schools: Option<&'static str>,
}

/// A stamp of some text: FNV-1a, 64 bits, so that the same text gives the same stamp for ever.
fn stamp(parts: &[&str]) -> String {
    let mut hash: u64 = 0xcbf2_9ce4_8422_2325;
    for byte in parts.join("\u{1f}").bytes() {
        hash = (hash ^ u64::from(byte)).wrapping_mul(0x0100_0000_01b3);
    }
    format!("{hash:016x}")
}

/// The steps of a plan.
#[must_use]
pub fn steps(plan: &Plan, job: &Job, lathe: &Lathe) -> Vec<Step> {
    let words = Words::of(job.words);
    let setup = &plan.setup;
    let internal = plan.thread.side == Side::Internal;
    let mut list: Vec<Step> = Vec::new();
    let mut put = |code, says: String, how: Option<String>, note, schools| {
        let stamp = stamp(&[code, &says, how.as_deref().unwrap_or(""), &lathe.name]);
        list.push(Step { code, says, how, stamp, note, schools });
    };
    put("clean", "Clean and oil: slides, leadscrew, the chuck's register.".into(), None, None, None);
    let stock = format!(
        "{} of {}, {} {} to {}.",
        if internal { "Bore" } else { "Blank" },
        job.blank.material.name,
        if internal { "bored" } else { "turned" },
        plan.blank.min_mm.text,
        plan.blank.max_mm.text
    );
    put("stock", stock, Some("Against the drawing: length, shoulder, chamfer.".into()), None, None);
    let held = plan.blank.held().map_or("in the chuck", |h| h.says);
    let far = plan.blank.slenderness.as_ref().map_or_else(String::new, |s| format!(" {}", s.says));
    put("held", format!("Held {held}.{far}"), None, None, None);
    put("run_out", "Run-out read, and mended.".into(), plan.blank.run_out.as_ref().map(|r| r.does.clone()), Some("what the indicator swings"), None);
    if let Some(hung) = &plan.gears.hung {
        let chain = hung.train.drivers.iter().zip(&hung.train.driven).map(|(a, b)| format!("{a}/{b}")).collect::<Vec<_>>().join(" · ");
        let idlers = if hung.train.idlers.is_empty() {
            String::new()
        } else {
            format!(", idler {}", hung.train.idlers.iter().map(u16::to_string).collect::<Vec<_>>().join(", "))
        };
        let lever = if hung.train.gearbox == "direct" { String::new() } else { format!(", lever at {}", hung.train.gearbox) };
        put(
            "gears",
            format!("Gears hung: {chain}{idlers}{lever}."),
            Some("A slip of thin paper folded through each mesh; never run dry-tight.".into()),
            None,
            None,
        );
        put("guard", "Guard back on, everything turned once by hand.".into(), Some(setup.motion.says.clone()), None, None);
    }
    put("height", "Tool at centre height.".into(), None, None, Some("height"));
    put("square", if internal { "Bar level, tool square to the bore.".into() } else { "Tool square to the work.".to_owned() }, None, None, Some("square"));
    put(
        "slide",
        plan.cut.scale.clone(),
        plan.cut.style.slants().then(|| format!("Its handle end leans toward the {}.", if setup.handle_to_tailstock { "tailstock" } else { "headstock" })),
        None,
        None,
    );
    let back = if internal && !setup.infeed_away {
        "This bore is fed by drawing the slide toward you: take its play up that way."
    } else {
        "Run each slide in the way it will be fed, and stay on that side of its play."
    };
    put("backlash", "Backlash taken up.".into(), Some(back.into()), None, None);
    put("blued", "The work blued.".into(), Some("Layout blue shows the scratch, and where the tool rubs.".into()), None, None);
    let zeros = if plan.cut.style.slants() {
        format!("Tool touched on the work; cross-slide and {} both at zero.", words.compound)
    } else {
        "Tool touched on the work; cross-slide at zero.".to_owned()
    };
    put("zero", zeros, Some("Touch on a strip of thin paper, then in by its thickness.".into()), Some("what each dial reads"), None);
    let ends = plan.blank.endings.iter().find(|e| e.chosen).map_or_else(String::new, |e| format!(" It ends: {}.", e.says));
    let (start, stop) = match setup.carriage {
        Carriage::TowardHeadstock => ("at the tailstock end", "at the headstock end"),
        Carriage::AwayFromHeadstock => ("at the headstock end", "at the tailstock end"),
    };
    put(
        "stops",
        format!("Start {start}, {} clear of the work; stop {stop}, {} after the hand moves.", setup.run_up_mm.text, setup.stopping_mm.text),
        Some(format!("Mark both on the bed or the carriage's dial.{ends}")),
        Some("where the carriage starts and stops"),
        None,
    );
    match lathe.carriage_stop {
        CarriageStop::Fixed => put(
            "carriage_stop",
            format!("Carriage stop set beyond the end of the pass, or off the bed: it does not throw the {} out.", words.half_nut),
            None,
            None,
            None,
        ),
        CarriageStop::Trips => put("carriage_stop", "Tripping stop set where the pass ends, and tried.".into(), None, None, None),
        CarriageStop::None => {}
    }
    put("fluid", format!("On the work: {}.", plan.bit.fluid), None, None, None);
    put(
        "speed",
        format!("Speed {}.", if setup.ending == Ending::Hand { "by hand".to_owned() } else { setup.speed_rpm.text.clone() }),
        Some(format!("{} binds, at {}.", cap(setup.speed_limit.says()), setup.limit_rpm.text)),
        None,
        None,
    );
    if setup.ending == Ending::Dial && plan.gears.dial.rule != DialRule::AnyPosition {
        put("dial", "The mark the first pass closes on, chosen and named.".into(), Some(plan.gears.dial.says.clone()), Some("which mark"), None);
    }
    put("dry_run", "A dry run, tool clear of the work.".into(), Some(setup.says.clone()), None, None);
    put(
        "scratch",
        "A scratch, just seen.".into(),
        Some(format!("{} deep; hand on the lever.", plan.cut.passes.first().map_or_else(String::new, |p| crate::quantity::mm_text(p.radial_mm)))),
        None,
        None,
    );
    put("pitch", format!("Pitch checked: {}.", plan.thread.pitch_text), Some(crests(plan)), Some("what it measures"), None);
    list
}

/// The beginning of a sentence.
fn cap(text: &str) -> String {
    text.get(0..1).map_or_else(String::new, |f| f.to_uppercase()) + text.get(1..).unwrap_or_default()
}

/// How a scratch is measured with a rule: over spaces, not crests.
fn crests(plan: &Plan) -> String {
    let lead = plan.thread.lead_mm.value;
    let spaces = (plan.thread.length_mm.value / lead).floor().clamp(1.0, 10.0);
    format!("A gauge in it, or {} over {} spaces of one scratch.", crate::quantity::mm_text(lead * spaces), plain_text(spaces, 0))
}
