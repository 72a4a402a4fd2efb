//! The gauge's lines of the check: whether the mate goes on, and whether the size can be proven.

use super::{Line, LineFinding, bad, good, unknown};
use crate::job::Proof;
use crate::plan::Plan;
use crate::quantity::large_first;
use crate::say;
use crate::watch::Code;
use serde_json::{Value, json};

/// Whether the mate will go on at the size aimed at.
pub(super) fn mate(lines: &mut Line<'_>, plan: &Plan) {
    let voice = plan.voice;
    let against = lines.against(&[Code::MateTight]);
    let Some(functional) = &plan.gauge.functional else { return };
    let aim = functional.aim_mm.as_ref();
    lines.put(
        "mate_goes",
        "line-mate-goes",
        "gauge",
        match against {
            Some(why) => bad(
                why,
                aim.map_or_else(|| say!(voice, "check-no-size-limits-makes-room"), |a| say!(voice, "check-aim", size = &a.text)),
                aim.map(|a| json!({"cut": {"target_pitch_diameter_mm": a.value}})),
            ),
            None => good(functional.says.clone()),
        },
    );
}

pub(super) fn proof(lines: &mut Line<'_>, plan: &Plan) {
    let voice = plan.voice;
    let wires = lines.against(&[Code::WireUnusable]).map_or_else(String::new, |w| format!(" {w}"));
    let proof = &plan.proof;
    let way = proof.ways.iter().find(|w| w.chosen);
    let mends = way.and_then(|w| w.mends.as_ref());
    // What to do first when nothing at hand proves it.
    let first = proof.ways.iter().find(|w| matches!(w.by, Proof::Plug | Proof::TestPiece) && w.serves == Some(true));
    let cure = |judged: fn(String, String, Option<Value>) -> LineFinding, why: String| match (mends, first) {
        (Some(m), _) => judged(why, say!(voice, m.says), Some(m.change.clone())),
        (None, Some(w)) => judged(why, say!(voice, "check-prove-by", proof = &w.says), Some(json!({"gauge": {"proof": w.by}}))),
        (None, None) => judged(why, say!(voice, "check-get-what-missing-before-first"), None),
    };
    lines.put(
        "proof",
        "line-proof",
        "gauge",
        match way {
            Some(w) if w.serves == Some(true) => good(format!("{}: {}.{wires}", large_first(&w.says), w.why)),
            Some(w) if w.serves.is_none() => cure(unknown, format!("{}: {}.{wires}", large_first(&w.says), w.why)),
            Some(w) => cure(bad, format!("{}: {}.", large_first(&w.says), w.why)),
            None => {
                let why: Vec<String> = proof.ways.iter().filter(|w| w.serves != Some(true)).map(|w| format!("{}, {}", w.says, w.why)).collect();
                cure(bad, say!(voice, "check-nothing-at-hand-proves", ways = why.join("; ")))
            }
        },
    );
}
