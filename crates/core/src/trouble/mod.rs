//! Trouble: from a symptom to its causes, ranked by this job's own numbers, each with the check that settles it and its cure.

mod evidence;
mod known;
mod rescue;
pub mod rules;

use crate::run::Symptom;
use crate::say;
use crate::voice::Voice;
pub use evidence::EvidenceState;
pub use known::JobEvidence;
pub use rescue::{Rescue, RescueView};

use crate::gauge::FieldFault;
use crate::log::ActKind;
use crate::thread::Side;
use rules::{RULES, Rule};
use serde::Serialize;

/// A cause, as it stands on this job.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CauseView {
    /// Stable code.
    pub code: &'static str,
    /// What is behind it.
    pub cause: String,
    /// How it stands by the numbers.
    pub standing: EvidenceState,
    /// What they say.
    pub why: String,
    /// What would settle it.
    pub settles: String,
    /// What cures it.
    pub cure: String,
    /// What goes with it to rescue the part.
    #[serde(skip_serializing_if = "<[Rescue]>::is_empty")]
    pub rescues: &'static [Rescue],
    /// Whether it was found to be behind it, or found not to be; absent while nobody has told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub found: Option<bool>,
    #[serde(skip)]
    weight: f64,
}

/// A symptom and its causes, by code, the likeliest here first.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SymptomView {
    /// Which.
    pub symptom: Symptom,
    /// As it is said.
    pub says: String,
    /// Causes, by code.
    pub causes: Vec<&'static str>,
}

/// Everything that may be wrong with a job.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TroubleSheet {
    /// Symptoms, each with its causes.
    pub symptoms: Vec<SymptomView>,
    /// Every cause once.
    pub causes: Vec<CauseView>,
    /// Codes of the causes this job's numbers show, whatever was seen; empty on a sound job.
    pub shown: Vec<&'static str>,
    /// Ways of rescuing the part.
    pub rescues: Vec<RescueView>,
    /// The symptom told last, where one was.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub told: Option<Symptom>,
}

/// The rule of this code.
#[must_use]
pub fn rule(code: &str) -> Option<&'static Rule> {
    RULES.iter().find(|r| r.code == code)
}

/// Checks what was typed of an act, a cause among those of the table included.
///
/// # Errors
/// The JSON pointers of the fields, each with what would be right.
pub fn check_act(act: &ActKind, voice: Voice) -> Result<(), Vec<FieldFault>> {
    match act {
        ActKind::Trouble { cause, .. } if rule(cause).is_none() => Err(vec![("/cause", say!(voice, "trouble-no-cause", cause = &cause))]),
        _ => act.check(voice),
    }
}

/// A symptom, as it is said.
pub(crate) fn symptom_says(symptom: Symptom, side: Side, voice: Voice) -> String {
    of_mate(symptom.sentence(), side, voice)
}

/// A cause likewise.
pub(crate) fn cause_says(rule: &Rule, side: Side, voice: Voice) -> String {
    let [cause, ..] = rule.sentences();
    of_mate(&cause, side, voice)
}

/// A sentence in which the mate may be spoken of.
fn of_mate(id: &str, side: Side, voice: Voice) -> String {
    let mate = match side {
        Side::External => say!(voice, "word-nut"),
        Side::Internal => say!(voice, "word-screw"),
    };
    say!(voice, id, mate = mate)
}

/// Goes through every rule for this job.
#[must_use]
pub fn trouble_sheet(known: &JobEvidence) -> TroubleSheet {
    let voice = known.voice();
    let said = |id: &str| of_mate(id, known.plan.thread.side, voice);
    let told = |code: &str| {
        known.acts.iter().rev().find_map(|a| match &a.kind {
            ActKind::Trouble { cause, found, .. } if cause == code => Some(*found),
            _ => None,
        })
    };
    // What no lathe like this can suffer is not among them.
    let serves = |rule: &Rule| rule.code != "lean" || known.lathe.compound_feeds;
    let causes: Vec<CauseView> = RULES
        .iter()
        .filter(|rule| serves(rule))
        .map(|r| {
            let evidence = (r.evidence)(known);
            let [cause, settles, cure] = r.sentences();
            CauseView {
                code: r.code,
                cause: said(&cause),
                standing: evidence.standing,
                why: evidence.why,
                settles: said(&settles),
                cure: said(&cure),
                rescues: r.rescues,
                found: told(r.code),
                weight: evidence.weight,
            }
        })
        .collect();
    let find = |code: &str| causes.iter().find(|c| c.code == code);
    let symptoms = Symptom::ALL
        .into_iter()
        .map(|symptom| {
            let mut list: Vec<_> = rules::of(symptom).filter_map(|(r, order)| find(r.code).map(|c| (c, order))).collect();
            // Found to be behind it first, found not to be last; between them by the numbers, then by how common it is.
            let told = |c: &CauseView| c.found.map_or(1, |f| if f { 0 } else { 2 });
            list.sort_by(|(a, i), (b, j)| (told(a), a.standing).cmp(&(told(b), b.standing)).then(b.weight.total_cmp(&a.weight)).then(i.cmp(j)));
            SymptomView { symptom, says: said(symptom.sentence()), causes: list.into_iter().map(|(c, _)| c.code).collect() }
        })
        .collect();
    let mut shown: Vec<&CauseView> = causes.iter().filter(|c| c.standing == EvidenceState::Shown && c.found != Some(false)).collect();
    shown.sort_by(|a, b| b.weight.total_cmp(&a.weight));
    let shown = shown.into_iter().map(|c| c.code).collect();
    let last = known.acts.iter().rev().find_map(|a| match &a.kind {
        ActKind::Trouble { symptom, .. } => Some(*symptom),
        _ => None,
    });
    TroubleSheet { symptoms, causes, shown, rescues: Rescue::ALL.map(|r| r.said(known)).into(), told: last }
}
