//! The lathe from above near the mark, and the groove a try would leave.

use super::begun::Begun;
use super::drill::Drill;
use super::scene::{CLEAR_MM, Scene};
use crate::outline::{Drawing, Point, Shape};
use crate::say;
use crate::voice::Voice;
use serde::Serialize;
use yoke_standin::{Print, Scene as Stage};

/// What moves over a drawing that stands: where its point stands at nought of both, and which way depth goes.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StageView {
    /// The work, what stands beside it, and the mark.
    pub drawing: Drawing,
    /// The bit, its point at nought.
    pub bit: Vec<Shape>,
    /// The crest where the bit meets it.
    pub crest_mm: f64,
    /// 1 where depth goes up on the drawing.
    pub inward: f64,
}

/// The stage of a drill: from what stands at the headstock end to where the try begins.
#[must_use]
pub fn stage(begun: &Begun, voice: Voice) -> StageView {
    let scene = &begun.scene;
    let begins = begun.lathe.stands().tip(&scene.machine)[0].at;
    let [ahead, behind] = scene.tool.body_mm;
    // Where the carriage comes back its start is seen too; where only the dial matters, the start alone.
    let farthest = if begun.drill.winds() { scene.start_mm } else { begins };
    let nearest = if begun.drill == Drill::ToZero { seen_of_the_start(scene) } else { scene.mark_mm };
    let ends = [begins, farthest, nearest];
    let (low, high) = (ends.into_iter().fold(f64::INFINITY, f64::min), ends.into_iter().fold(f64::NEG_INFINITY, f64::max));
    let wall = scene.work.walls.first().map(|w| w.at_mm);
    let wall = wall.filter(|at| begun.drill != Drill::ToZero || *at > low);
    let left = wall.unwrap_or(low).min(low) - 4.0 - ahead.max(2.0);
    let right = high + behind + 4.0;
    // Crest and tool fill the frame, whatever the diameter.
    let tall = ((right - left) * 0.34).max(3.0 * CLEAR_MM);
    let edge = if scene.internal { -scene.radius_mm } else { -scene.radius_mm * scene.across };
    let edge = if scene.internal && scene.across > 0.0 { scene.radius_mm } else { edge };
    let deep = |depth: f64| edge + scene.across * depth;
    // The surface as turned, from end to end of the frame; the metal under it as far as the frame shows.
    let reach = |depth: f64| depth.clamp(-0.55 * tall, 0.45 * tall);
    let mut line: Vec<Point> = Vec::new();
    let wall_deep = scene.work.walls.first().filter(|_| wall.is_some()).map_or(0.0, |w| reach(w.depth_mm));
    line.push([left, deep(wall_deep)]);
    if let Some(at) = wall {
        line.push([at, deep(wall_deep)]);
    }
    let within = |x: f64| x.clamp(left, right);
    for s in &scene.work.surfaces {
        line.extend([[within(s.from_mm), deep(s.depth_mm)], [within(s.until_mm), deep(s.depth_mm)]]);
    }
    let ends = line.last().map_or(right, |p| p[0]);
    let floor = deep(0.45 * tall);
    let mut metal = line.clone();
    metal.extend([[ends, floor], [left, floor]]);
    let mut shapes = vec![Shape::closed("cut.metal", metal)];
    if ends < right - 1e-6 {
        line.push([ends, floor]);
    }
    shapes.push(Shape::open("cut.surface", line));
    let [from, until] = scene.work.surfaces.last().map_or([0.0, right], |s| [s.from_mm, s.until_mm]);
    shapes.push(Shape::open("blank.thread", vec![[within(from), deep(begun.depths_mm[1])], [within(until), deep(begun.depths_mm[1])]]));
    // Over the metal, where the bit does not hide it.
    if (left..right).contains(&scene.mark_mm) {
        shapes.push(Shape::open("setup.stop", vec![[scene.mark_mm, deep(0.34 * tall)], [scene.mark_mm, deep(-0.6 * tall)]]));
        shapes.push(Shape::word([scene.mark_mm, deep(0.39 * tall)], say!(voice, "rehearse-word-mark")));
    }
    let sides = [deep(-0.62 * tall), floor];
    let frame = [left, sides[0].min(sides[1]), right, sides[0].max(sides[1])];
    let says = say!(voice, "rehearse-stage", mark = voice.about((begins - scene.mark_mm).abs()));
    StageView { drawing: Drawing::framed(voice, says, frame, shapes, Vec::new()), bit: bit(scene, tall), crest_mm: edge, inward: scene.across }
}

/// How far into the work the frame reaches where only the start is looked at, pitches. House value.
const START_PITCHES: f64 = 4.0;

fn seen_of_the_start(scene: &Scene) -> f64 {
    let pitch = scene.work.pitch_mm();
    scene.work.begins(scene.machine.cuts) + scene.machine.cuts * (START_PITCHES * pitch).max(CLEAR_MM)
}

/// The bit from above, its point at nought, as wide as it is.
fn bit(scene: &Scene, tall: f64) -> Vec<Shape> {
    let [ahead, behind] = scene.tool.body_mm;
    let half = (scene.tool.flat_mm / 2.0).max(0.02);
    // What stands ahead of the point in a bore may not be told: it is then drawn as what stands behind.
    let ahead = if ahead > half { ahead } else { behind };
    let out = -scene.across;
    let nose = |wide: f64, flank: f64| ((wide - half).max(0.0) / flank.to_radians().tan().max(0.05)).min(tall);
    let [toward, away] = scene.tool.flanks_deg;
    let far = nose(ahead, toward).max(nose(behind, away)) + 2.0 * tall;
    let line =
        vec![[-half, 0.0], [-ahead, out * nose(ahead, toward)], [-ahead, out * far], [behind, out * far], [behind, out * nose(behind, away)], [half, 0.0]];
    vec![Shape::closed("motion.bit", line)]
}

/// Points a section is drawn by.
const POINTS: u32 = 480;

/// The groove over a few pitches by the mark, as the try leaves it, the one meant dashed over it; by the start, where that is what a try
/// between two times came to.
#[must_use]
pub fn groove(begun: &Begun, [began, until]: [f64; 2], voice: Voice) -> Drawing {
    let scene = &begun.scene;
    let stage = Stage { machine: &scene.machine, work: &scene.work, tool: &scene.tool, track: begun.lathe.track() };
    let prints: Vec<Print> = stage.prints(0.0).into_iter().filter(|p| p.at_s <= until).collect();
    // A pass begun again shows how it begins.
    let stands = begun.lathe.stands().tip(&scene.machine)[0].at;
    let again_drill = matches!(begun.drill, Drill::ToZero | Drill::OpenCycle);
    let begun_again = again_drill && prints.last().is_some_and(|p| p.at_s > began && (p.at_mm - stands).abs() < 1.5 * scene.work.lead_mm);
    let ends_mm = if begun_again { stands } else { scene.mark_mm };
    // By the dial alone the pass has only begun; else the one that ended at the mark has cut all of it.
    let meant = meant(begun, &prints, if begun.drill == Drill::ToZero { ends_mm } else { scene.mark_mm });
    let pitch = scene.work.pitch_mm();
    let deepest = prints.iter().map(|p| p.depth_mm).fold(0.05, f64::max);
    // By the mark, where a stop shows; where a wrong mark or a turn back is, it shows there too.
    let from = ends_mm - scene.machine.cuts * 4.5 * pitch;
    let to = ends_mm + scene.machine.cuts * 1.5 * pitch;
    let (left, right) = (from.min(to), from.max(to));
    let up = if scene.internal { 1.0 } else { -1.0 };
    let floor = deepest * 1.5;
    let place = |line: Vec<Point>| -> Vec<Point> { line.into_iter().map(|p| [p[0], up * p[1].clamp(-deepest, floor)]).collect() };
    let cut = place(scene.work.section(&scene.tool, &prints, [left, right], POINTS));
    let wanted = place(scene.work.section(&scene.tool, &meant, [left, right], POINTS));
    let mut metal = cut.clone();
    metal.extend([[right, up * floor], [left, up * floor]]);
    let shapes = vec![Shape::closed("cut.metal", metal), Shape::open("cut.surface", cut), Shape::open("cut.meant", wanted)];
    Drawing::sharing(voice, say!(voice, "rehearse-groove"), shapes, Vec::new())
}

/// The prints a sound pass would leave: those of the pass before, and each gone on with to the try's depth as far as it goes.
fn meant(begun: &Begun, prints: &[Print], ends_mm: f64) -> Vec<Print> {
    let scene = &begun.scene;
    let short_of_end = |p: &&Print| (p.at_mm - ends_mm) * scene.machine.cuts <= 1e-6;
    let before: Vec<Print> = prints.iter().filter(|p| p.at_s < begun.pass_s).copied().collect();
    // A compound carries the tip along as it feeds in: by as much as the deeper setting is farther in.
    let along = |depth: f64| scene.machine.cuts * depth * scene.machine.lean_deg.to_radians().tan();
    let [was, is] = begun.depths_mm;
    let deeper = before.iter().filter(short_of_end).map(|p| Print { at_mm: p.at_mm + along(is) - along(was), depth_mm: is, ..*p });
    if before.is_empty() {
        return prints.iter().filter(short_of_end).copied().collect();
    }
    before.iter().copied().chain(deeper).collect()
}
