//! The cut's lines of the check: the slide, and passes of the user's own.

use super::{Line, bad, good};
use crate::cut::PassKind;
use crate::plan::Pointed;
use crate::say;
use crate::watch::Code;
use serde_json::json;

/// A number of passes of the user's own.
pub(super) fn passes(lines: &mut Line<'_>, plan: &Pointed<'_>) {
    let voice = plan.voice;
    let against = lines.against(&[Code::Passes]);
    let rows = plan.cut.passes.iter().filter(|p| matches!(p.kind, PassKind::Cut | PassKind::Stocking));
    let (count, most) = rows.fold((0, 0.0_f64), |(n, a), p| (n + 1, a.max(p.chip_mm2)));
    lines.put(
        "passes",
        "line-passes",
        "cut",
        match against {
            Some(why) => bad(why, say!(voice, "check-leave-passes-app"), Some(json!({"cut": {"passes": null, "rows": []}}))),
            None => good(
                say!(voice, "check-cuts-of", count = count, most = voice.area(most), lightened = plan.cut.lightened.as_deref().unwrap_or_default())
                    .trim()
                    .to_owned(),
            ),
        },
    );
}

pub(super) fn compound(lines: &mut Line<'_>, plan: &Pointed<'_>) {
    let voice = plan.voice;
    let angle = lines.against(&[Code::CompoundAngle]);
    let cannot = lines.against(&[Code::CompoundSwing, Code::CompoundTravel]);
    let straight = Some(json!({"cut": {"style": "radial", "compound_angle_deg": null}}));
    lines.put(
        "slide",
        "line-slide",
        "cut",
        match (cannot, angle) {
            (Some(why), _) => bad(why, say!(voice, "check-plunge-straight-by-cross-slide-with"), straight),
            (None, Some(why)) => bad(why, say!(voice, "check-lean-as-thread-wants"), Some(json!({"cut": {"compound_angle_deg": null}}))),
            (None, None) => {
                let travel = plan.cut.compound_mm.as_ref().map(|c| say!(voice, "check-travel-wanted", travel = &c.text));
                good([plan.cut.scale.clone()].into_iter().chain(travel).collect::<Vec<_>>().join(" "))
            }
        },
    );
}
