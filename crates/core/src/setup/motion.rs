//! The whole chain of motion, from the spindle to the bit, in one picture and one sentence; the hand it gives is worked
//! along the chain itself, and so checks what was set out to be cut.

use crate::direction::{Carriage, Direction, Hand, Spindle, Wall};
use crate::gears::TrainRow;
use crate::job::Lathe;
use crate::outline::{Drawing, Shape, arrow};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use serde::Serialize;

/// The chain of motion.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Motion {
    /// Its links in order, all of it in one sentence, with what comes of it.
    pub says: String,
    /// The hand the chain gives; absent where nothing is known of the tumbler.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub hand: Option<Hand>,
    /// Seen from above; sent with the set-up sheet, not with every plan.
    #[serde(skip)]
    pub drawing: Drawing,
}

/// Meshes from the spindle stud to the leadscrew.
fn meshes(train: &TrainRow) -> usize {
    let counted = train.drivers.len() + train.idlers.len();
    // A simple pair by the bench rule has an idler between, unseen.
    if train.fits.is_none() && counted == 1 { 2 } else { counted }
}

/// The tumbler's place: as the hand asks where it has both, else the one it has. True is its right-hand place, which with
/// an even count of meshes turns the leadscrew as the spindle turns.
fn tumbler(lathe: &Lathe, even: bool, direction: &Direction) -> Option<bool> {
    match lathe.tumbler? {
        [true, true] => Some(direction.screw_with_spindle == even),
        [right, left] if right != left => Some(right),
        // With none, the train alone counts, as in the right-hand place.
        _ => Some(true),
    }
}

/// Works the chain through for the train hung.
pub(super) fn chain(lathe: &Lathe, train: Option<&TrainRow>, direction: &Direction, side: Side, wanted: Hand, voice: Voice) -> Motion {
    let forward = direction.spindle == Spindle::Forward;
    let counted = train.map(meshes);
    let even = counted.is_none_or(|meshes| meshes.is_multiple_of(2));
    let place = tumbler(lathe, even, direction);
    // Along the chain: tumbler and meshes give the screw, the screw's hand the carriage, spindle and carriage the thread.
    let with = place.map(|right| right == even);
    let toward = with.map(|with| (forward == with) == (lathe.leadscrew_hand == Hand::Right));
    let meant = direction.carriage == Carriage::TowardHeadstock;
    let hand = toward.map(|toward| if forward == toward { Hand::Right } else { Hand::Left });
    let idlers = train.map_or(0, |t| t.idlers.len());
    let says = say!(
        voice,
        "motion-chain",
        spindle = if forward { "forward" } else { "reversed" },
        tumbler = match (lathe.tumbler, place) {
            (Some([false, false]), _) => "none",
            (_, Some(true)) => "right",
            (_, Some(false)) => "left",
            (_, None) => "untold",
        },
        counted = match (counted, idlers) {
            (Some(0), _) => "levers",
            (None, _) => "no",
            (Some(1), 0) => "single",
            (Some(_), 0) => "meshes",
            (Some(_), 1) => "idler",
            (Some(_), _) => "idlers",
        },
        meshes = counted.unwrap_or(0),
        idlers = idlers,
        screw = lathe.leadscrew_hand.word(),
        turns = match with {
            Some(true) => "with",
            Some(false) => "against",
            None => "untold",
        },
        carriage = if toward.unwrap_or(meant) { "toward" } else { "away" },
        tool = if direction.upright { "upright" } else { "inverted" },
        place = match (side, direction.wall) {
            (Side::Internal, Some(Wall::Far)) => "far",
            (Side::Internal, _) => "near",
            (Side::External, _) if lathe.rear_post => "rear",
            (Side::External, _) => "front",
        },
        feed = if direction.infeed_away { "away" } else { "toward" },
        end = match hand {
            Some(hand) if hand == wanted && toward == Some(meant) => "wanted",
            Some(hand) if hand == wanted => "other-way",
            Some(_) => "other-hand",
            None => "untold",
        },
        hand = hand.unwrap_or(wanted).word(),
        wanted = wanted.word()
    );
    let drawing = drawn(lathe, direction, side, counted.unwrap_or(2), (toward.unwrap_or(meant), with), voice);
    Motion { says, hand, drawing }
}

/// The lathe from above, headstock to the left, the operator below.
fn drawn(lathe: &Lathe, direction: &Direction, side: Side, meshes: usize, (toward, with): (bool, Option<bool>), voice: Voice) -> Drawing {
    const AXIS: f64 = 110.0;
    const SCREW: f64 = 18.0;
    // Gears that cannot be changed are counted by nobody: a pair stands for them.
    let meshes = meshes.clamp(1, 6);
    let forward = direction.spindle == Spindle::Forward;
    let mut shapes = vec![Shape::rect("motion.casting", [0.0, 52.0], [104.0, 168.0]), Shape::rect("motion.chuck", [104.0, 70.0], [140.0, 150.0])];
    // The gear end: a circle for each wheel of the chain, from the spindle to the leadscrew.
    #[allow(clippy::cast_precision_loss)] // a few meshes
    for i in 0..=meshes {
        let y = AXIS - (AXIS - SCREW) * i as f64 / meshes as f64;
        shapes.push(Shape::circle("motion.gear", [-22.0, y], 36.0 / meshes.max(2) as f64));
    }
    shapes.push(Shape::open("motion.shaft", vec![[-22.0, AXIS], [0.0, AXIS]]));
    shapes.push(Shape::rect("motion.screw", [-22.0, SCREW - 4.0], [420.0, SCREW + 4.0]));
    let lean = if lathe.leadscrew_hand == Hand::Right { -3.0 } else { 3.0 };
    for i in 0..6 {
        let x = 130.0 + 50.0 * f64::from(i);
        shapes.push(Shape::open("motion.screw", vec![[x - lean, SCREW - 4.0], [x + lean, SCREW + 4.0]]));
    }
    // The near side of the work goes down when the spindle runs forward: over the top it comes toward the operator.
    let turning = |x: f64, y: f64, toward_operator: bool| {
        arrow([x, y + if toward_operator { 22.0 } else { -22.0 }], [x, y + if toward_operator { -22.0 } else { 22.0 }], 1.0)
    };
    let internal = side == Side::Internal;
    if internal {
        shapes.push(Shape::rect("motion.work", [140.0, 82.0], [262.0, 92.0]));
        shapes.push(Shape::rect("motion.work", [140.0, 128.0], [262.0, 138.0]));
    } else {
        shapes.push(Shape::rect("motion.work", [140.0, 92.0], [340.0, 128.0]));
    }
    shapes.extend(turning(168.0, AXIS, forward));
    if let Some(with) = with {
        shapes.extend(turning(72.0, SCREW, forward == with));
    }
    // The bit: on the near or the far side of the work, fed in the way its arrow points.
    let away = direction.infeed_away;
    let (edge, x) = match (internal, away) {
        (true, false) => (92.0, 250.0),
        (true, true) => (128.0, 250.0),
        (false, true) => (92.0, 290.0),
        (false, false) => (128.0, 290.0),
    };
    let inward = if away { 1.0 } else { -1.0 };
    let tip = [x, edge];
    shapes.push(Shape::closed("motion.bit", vec![tip, [x - 7.0, edge - 14.0 * inward], [x + 7.0, edge - 14.0 * inward]]));
    if internal {
        shapes.push(Shape::rect("motion.bit", [x - 2.0, AXIS - 6.0], [352.0, AXIS + 6.0]));
        shapes.extend(arrow([372.0, AXIS - 18.0 * inward], [372.0, AXIS + 18.0 * inward], 1.0));
    } else {
        shapes.push(Shape::rect(
            "motion.bit",
            [x - 7.0, (edge - 14.0 * inward).min(edge - 34.0 * inward)],
            [x + 7.0, (edge - 14.0 * inward).max(edge - 34.0 * inward)],
        ));
        shapes.extend(arrow([x + 34.0, edge - 44.0 * inward], [x + 34.0, edge - 10.0 * inward], 1.0));
    }
    shapes.push(Shape::rect("motion.carriage", [230.0, 32.0], [350.0, 56.0]));
    let ends = if toward { ([222.0, 44.0], [168.0, 44.0]) } else { ([358.0, 44.0], [412.0, 44.0]) };
    shapes.extend(arrow(ends.0, ends.1, 1.0));
    shapes.push(Shape::word([52.0, AXIS - 6.0], if forward { "forward" } else { "reversed" }));
    shapes.push(Shape::word([168.0, AXIS + 34.0], say!(voice, "motion-over-the-top")));
    shapes.push(Shape::word([290.0, 38.0], say!(voice, "word-carriage")));
    shapes.push(Shape::word([190.0, -12.0], say!(voice, "motion-you-stand")));
    Drawing::framed(voice, say!(voice, "motion-seen"), [-64.0, -20.0, 430.0, 176.0], shapes, Vec::new())
}
