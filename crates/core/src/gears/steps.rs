//! Hanging a train, in order.

use crate::direction::Hand;
use crate::job::Lathe;
use crate::say;
use crate::voice::Voice;
use yoke_gears::search::Found;

/// Where the gears cannot be changed nothing is opened, and nothing is isolated: levers are moved with the spindle still.
fn by_levers(lathe: &Lathe, found: &Found, voice: Voice) -> Vec<String> {
    let lever = lathe.gearbox.get(found.train.gearbox).map_or("", |p| p.name.as_str());
    vec![say!(voice, "hang-levers", lever = lever), say!(voice, "hang-levers-home")]
}

/// A slip of thin paper folded, mm.
const PAPER_MM: f64 = 0.1;

/// The steps, inner and outer gear of each stud named. `with_spindle` says whether the leadscrew is to turn the way the
/// spindle does.
pub(super) fn steps(lathe: &Lathe, found: &Found, with_spindle: bool, voice: Voice) -> Vec<String> {
    if lathe.gears_fixed {
        return by_levers(lathe, found, voice);
    }
    let mut steps = vec![say!(voice, "hang-isolate")];
    if !lathe.more_arms.is_empty() {
        steps.push(match found.fit.on_arm(lathe).and_then(|arm| arm.name.as_ref()) {
            Some(name) => say!(voice, "hang-on-arm", name = name),
            None => say!(voice, "hang-on-arm-number", n = found.fit.arm + 1),
        });
    }
    let meshes = &found.fit.meshes;
    if let Some(first) = meshes.first() {
        steps.push(say!(voice, "hang-first", teeth = &first.driver.teeth));
    }
    let studs = meshes.len().saturating_sub(1);
    for (i, pair) in meshes.windows(2).enumerate() {
        let [into, out] = pair else { continue };
        let stud = match (studs, i) {
            (1, _) => "only",
            (_, 0) => "first",
            (_, 1) => "second",
            _ => "last",
        };
        if into.driven == out.driver && into.plane == out.plane {
            steps.push(say!(voice, "hang-idler", teeth = out.driver.teeth, stud = stud, meshes = into.driver.teeth));
        } else {
            let (inner, outer) = if into.plane == 0 { (into.driven, out.driver) } else { (out.driver, into.driven) };
            let joined = if inner.piece != 0 && inner.piece == outer.piece { "piece" } else { "keyed" };
            let (driven, driver) = (into.driven.teeth, into.driver.teeth);
            steps.push(say!(voice, "hang-stud", stud = stud, inner = inner.teeth, outer = outer.teeth, joined = joined, driven = driven, driver = driver));
        }
    }
    if let Some(last) = meshes.last() {
        let plane = if last.plane == 0 { "inner" } else { "outer" };
        steps.push(say!(voice, "hang-leadscrew", teeth = last.driven.teeth, plane = plane, meshes = last.driver.teeth));
    }
    if !found.fit.by_geometry && meshes.len() == 1 {
        steps.push(say!(voice, "hang-idler-between"));
    }
    if lathe.gearbox.len() > 1 {
        steps.push(say!(voice, "hang-gearbox", lever = lathe.gearbox.get(found.train.gearbox).map_or("", |p| p.name.as_str())));
    }
    if lathe.tumbler == Some([true, true]) {
        // Its plate's hands are those of a right-hand screw and an even count of meshes; one mesh more turns them about.
        let meshes = if !found.fit.by_geometry && meshes.len() == 1 { 2 } else { meshes.len() };
        let right = with_spindle == meshes.is_multiple_of(2);
        steps.push(if right { say!(voice, "hang-tumbler-right") } else { say!(voice, "hang-tumbler-left") });
        if lathe.leadscrew_hand == Hand::Left || !meshes.is_multiple_of(2) {
            steps.push(say!(voice, "hang-try-the-way"));
        }
    }
    steps.push(say!(voice, "hang-paper", thick = voice.thou(PAPER_MM)));
    steps.push(say!(voice, "hang-guard"));
    steps
}
