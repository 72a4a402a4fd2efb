//! The bit's lines of the check.

use super::{Line, LineFinding, bad, good, unknown};
use crate::plan::Pointed;
use crate::quantity::up_to;
use crate::say;
use crate::thread::Side;
use crate::watch::Code;
use serde_json::{Value, json};

/// The tool: whether one goes in, clears both sides, and has the tip the thread wants.
pub(super) fn tool(lines: &mut Line<'_>, plan: &Pointed<'_>) {
    let internal = plan.thread.side == Side::Internal;
    let finding = goes_in(plan, internal, lines.against(&[Code::ToolUnfit, Code::BarUnfit, Code::ToolGone]));
    lines.put("tool_in", if internal { "line-tool-goes-in" } else { "line-tool" }, "bit", finding);
    let rubs = lines.against(&[Code::FlankRubs, Code::TrailingRelief]);
    let heel = lines.against(&[Code::HeelRubs]);
    lines.put("tool_clears", "line-both-sides-clear", "bit", clears(plan, heel, rubs));
    let wrong = lines.against(&[Code::TipTooWide, Code::RootPastMinor, Code::BitAngle, Code::TipNotRound]);
    lines.put("tip", "line-tip", "bit", tip(plan, wrong));
}

/// Whether what was picked, or anything in the drawer, goes in.
fn goes_in(plan: &Pointed<'_>, internal: bool, against: Option<String>) -> LineFinding {
    let voice = plan.voice;
    let drawer = &plan.bit.drawer;
    let serves = drawer.tools.iter().find(|t| t.serves);
    let picked = drawer.tools.iter().find(|t| t.picked);
    let pick = |name: &str| json!({"bit": {"owned": name, "tip_flat_mm": null, "tip_radius_mm": null, "tip_flat_between_mm": null, "tip_radius_between_mm": null, "included_angle_deg": null}});
    let take = |otherwise: &str| serves.map_or_else(|| say!(voice, otherwise), |t| format!("Use {}.", t.name));
    match (against, picked) {
        (Some(why), _) => match serves {
            Some(tool) => bad(why, format!("Use {}.", tool.name), Some(pick(&tool.name))),
            None => bad(
                why,
                drawer.otherwise.clone().unwrap_or_else(|| say!(voice, "check-grind-one")),
                Some(json!({"bit": {"owned": null}})).filter(|_| picked.is_some() && !internal),
            ),
        },
        (None, Some(tool)) => good(format!("{}. {}", tool.name, tool.says.first().map_or("", String::as_str))),
        (None, None) if internal => {
            let span = drawer.span_mm.as_ref().map(|span| say!(voice, "check-no-bar-was-picked-at", span = &span.text));
            unknown(span.unwrap_or_else(|| say!(voice, "check-no-bar-was-picked")), take("check-pick-one-from-drawer"), serves.map(|t| pick(&t.name)))
        }
        (None, None) => unknown(say!(voice, "check-no-bit-picked"), take("check-grind-one"), serves.map(|t| pick(&t.name))),
    }
}

/// Whether both of its sides clear the flanks, and its heel.
fn clears(plan: &Pointed<'_>, heel: Option<String>, rubs: Option<String>) -> LineFinding {
    let (voice, sides) = (plan.voice, &plan.bit.grind.sides);
    let wanted =
        sides.iter().map(|s| say!(voice, "check-side-deg", angle = voice.eye(up_to(s.front_deg.value, 2.0)), side = s.side)).collect::<Vec<_>>().join(", ");
    let [leading, trailing] = [0, 1].map(|i| up_to(sides[i].front_deg.value, 2.0));
    let ground = Some(json!({"bit": {"leading_relief_deg": leading, "trailing_relief_deg": trailing}}));
    match (heel, rubs) {
        (Some(why), None) => bad(why, say!(voice, "check-set-on-center"), Some(json!({"bit": {"height_mm": 0}}))),
        (Some(why), Some(rubs)) => bad(
            [why, rubs].join(" "),
            say!(voice, "check-set-on-center-and-grind", wanted = &wanted),
            Some(json!({"bit": {"height_mm": 0, "leading_relief_deg": leading, "trailing_relief_deg": trailing}})),
        ),
        (None, Some(why)) => bad(why, say!(voice, "check-grind-sides", wanted = &wanted), ground),
        (None, None) if sides.iter().all(|s| s.ground_deg.is_some()) => good(say!(voice, "check-ground-past-what-thread-takes", wanted = &wanted)),
        (None, None) => unknown(say!(voice, "check-what-sides-were-ground-was"), say!(voice, "check-grind-tell", wanted = &wanted), ground),
    }
}

/// Whether the tip is told, and what the thread takes.
fn tip(plan: &Pointed<'_>, wrong: Option<String>) -> LineFinding {
    let voice = plan.voice;
    let bit = &plan.bit;
    let radius = bit.tip_radius_mm.as_ref().map(|r| r.aim.value);
    let aim = json!({"bit": {
        "tip_flat_mm": if radius.is_none() { json!(bit.tip_flat_mm.aim.value) } else { Value::Null },
        "tip_radius_mm": radius, "tip_flat_between_mm": null, "tip_radius_between_mm": null,
        "included_angle_deg": plan.thread.included_angle_deg, "square_deg": null, "rake_deg": null, "height_mm": null,
    }});
    let (shape, size) = bit.tip_radius_mm.as_ref().map_or_else(|| ("flat", &bit.tip_flat_mm.aim.text), |r| ("radius", &r.aim.text));
    match wrong {
        Some(why) => bad(why, say!(voice, "check-tip-grind", shape = shape, size = size), Some(aim)),
        None if bit.measured => good(format!("{}.", bit.says)),
        None => {
            let stop = &plan.cut.radial_mm.text;
            unknown(say!(voice, "check-tip-untold", bit = &bit.says, stop = stop), say!(voice, "check-tip-measure", shape = shape, size = size), Some(aim))
        }
    }
}
