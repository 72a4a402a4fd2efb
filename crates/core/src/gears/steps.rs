//! Hanging a train, in order.

use crate::direction::Hand;
use crate::job::Lathe;
use crate::voice::Voice;
use yoke_gears::search::Found;

/// A slip of thin paper folded, mm.
const PAPER_MM: f64 = 0.1;

/// The steps, inner and outer gear of each stud named. `with_spindle` says whether the leadscrew is to turn the way the
/// spindle does.
pub(super) fn steps(lathe: &Lathe, found: &Found, with_spindle: bool, voice: Voice) -> Vec<String> {
    let mut steps = vec!["Isolate the machine; take the guard off.".to_owned()];
    let meshes = &found.fit.meshes;
    if let Some(first) = meshes.first() {
        steps.push(format!("{} on the spindle stud.", first.driver.teeth));
    }
    let studs = meshes.len().saturating_sub(1);
    for (i, pair) in meshes.windows(2).enumerate() {
        let [into, out] = pair else { continue };
        let name = match (studs, i) {
            (1, _) => "the arm's stud",
            (_, 0) => "the arm's first stud",
            (_, 1) => "the arm's second stud",
            _ => "the arm's last stud",
        };
        if into.driven == out.driver && into.plane == out.plane {
            steps.push(format!("{} as idler on {name}, meshing the {}: it changes nothing but direction and distance.", out.driver.teeth, into.driver.teeth));
        } else {
            let (inner, outer) = if into.plane == 0 { (into.driven, out.driver) } else { (out.driver, into.driven) };
            let joined = if inner.piece != 0 && inner.piece == outer.piece { ", one piece" } else { ", keyed together" };
            steps.push(format!("On {name}: {} inner, {} outer{joined}; the {} meshes the {}.", inner.teeth, outer.teeth, into.driven.teeth, into.driver.teeth));
        }
    }
    if let Some(last) = meshes.last() {
        let plane = if last.plane == 0 { "inner" } else { "outer" };
        steps.push(format!("{} on the leadscrew, {plane}, meshing the {}.", last.driven.teeth, last.driver.teeth));
    }
    if !found.fit.by_geometry && meshes.len() == 1 {
        steps.push("An idler between them to bridge the gap: it changes nothing but direction and distance.".into());
    }
    if lathe.gearbox.len() > 1 {
        steps.push(format!("Gearbox at {}.", lathe.gearbox.get(found.train.gearbox).map_or("", |p| p.name.as_str())));
    }
    if lathe.tumbler == Some([true, true]) {
        // Its plate's hands are those of a right-hand screw and an even count of meshes; one mesh more turns them about.
        let meshes = if !found.fit.by_geometry && meshes.len() == 1 { 2 } else { meshes.len() };
        let right = with_spindle == meshes.is_multiple_of(2);
        steps.push(format!("Tumbler to {}-hand.", if right { "right" } else { "left" }));
        if lathe.leadscrew_hand == Hand::Left || !meshes.is_multiple_of(2) {
            steps.push("Turn it once by hand and see which way the carriage goes: this train asks for the tumbler the other way about.".into());
        }
    }
    steps.push(format!("Set each mesh over a folded slip of thin paper, about {}; never run them tight.", voice.thou(PAPER_MM)));
    steps.push(format!("Guard on, a turn by hand, then a dry run with the {} closed.", voice.words().half_nut));
    steps
}
