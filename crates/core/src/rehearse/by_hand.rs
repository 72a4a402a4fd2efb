//! What is rehearsed of the hand's order rather than its time: the cross-slide brought back to nought, the carriage back into its relief.

use super::begun::Begun;
use super::told::told;
use crate::quantity::short_text;
use crate::say;
use crate::voice::Voice;
use yoke_standin::{Even, Print, RUBS_MM};

/// How the slides stood as the pass began, and whether that was right: at nought on the dial, and the depth one step on.
pub fn to_zero(begun: &Begun, went: Option<f64>, voice: Voice) -> (String, Option<String>, bool) {
    let track = begun.lathe.track();
    let Some(stood) = went.and_then(|at| track.at(at)) else { return (say!(voice, "rehearse-not-begun"), None, false) };
    let [cross, compound] = stood.dials.map(|d| d.at);
    let off = (cross - begun.setting[0]) / begun.scene.cross.turn_mm * begun.scene.cross.divisions;
    // As near as a dial is set.
    let side = told(off, 0.5, ["out", "at", "past"]);
    let steps = ((compound - begun.setting[1]) / begun.step_mm + 1.0).round();
    let depth = if steps < 0.5 { "none" } else { told(steps - 1.0, 0.5, ["none", "one", "more"]) };
    let says = say!(voice, "rehearse-at-nought", side = side, off = short_text(off.abs(), if off.abs() < 10.0 { 1 } else { 0 }));
    (says, Some(say!(voice, "rehearse-went-deeper", steps = depth)), side == "at" && depth == "one")
}

/// Where the carriage came to rest coming back, and whether the tool may be fed in there.
pub fn back(begun: &Begun, turned: Option<f64>, voice: Voice) -> (String, Option<String>, bool) {
    let (scene, stands) = (&begun.scene, begun.lathe.stands());
    if turned.is_none() {
        return (say!(voice, "rehearse-ran-on"), None, false);
    }
    let [along, _] = stands.tip(&scene.machine);
    let deep = Print::of([along, Even::still(begun.depths_mm[1])], stands.from_s);
    let clear = stands.rests() && scene.work.overlap(&scene.tool, &[], &deep) <= RUBS_MM;
    let off = (along.at - scene.start_mm) * scene.machine.cuts;
    let says = say!(
        voice,
        "rehearse-came-back",
        clear = if clear { "yes" } else { "no" },
        off = voice.about(off.abs()),
        side = told(off, 0.05, ["behind", "at", "before"])
    );
    (says, None, clear)
}
