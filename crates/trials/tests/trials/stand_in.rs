//! The lathe that stands in, against closed forms: nothing here is worked by its own functions.

use proptest::prelude::*;
use yoke_core::cut::{Edge, Field};
use yoke_core::gears::{DialRule, reengage};
use yoke_core::job::Dial;
use yoke_core::quantity::{Ratio, real};
use yoke_standin::{Act, Cue, DialFace, Fault, Lathe, Machine, Meant, Nut, Part, Scene, Slide, Surface, Tool, Wall, What, Work};

fn machine(screw_mm: Ratio, turns: Ratio) -> Machine {
    Machine {
        screw_mm,
        turns,
        play_mm: 0.2,
        dial: Some(DialFace { teeth: 16, marks: 8 }),
        spin_up_s: 0.4,
        coast: [0.4, 100.0 / 60.0],
        chuck_screwed: false,
        slide_play_mm: [0.1, 0.15],
        lean_deg: 0.0,
        cuts: -1.0,
    }
}

/// M20×2.5 on a screw of 6 mm with twenty teeth and four marks, toward the headstock; 40 mm of thread to a relief of 6 at a shoulder.
fn tie_rod() -> (Machine, Work, Tool) {
    let machine = Machine { dial: Some(DialFace { teeth: 20, marks: 4 }), ..machine(Ratio::from_integer(6), Ratio::new(-5, 12)) };
    let thread = Surface { from_mm: 6.0, until_mm: 46.0, depth_mm: 0.0 };
    let relief = Surface { from_mm: 0.0, until_mm: 6.0, depth_mm: 2.2 };
    let work = Work { surfaces: vec![relief, thread], walls: vec![Wall { at_mm: 0.0, depth_mm: -4.0 }], lead_mm: 2.5, starts: 1 };
    (machine, work, Tool { flat_mm: 0.3, radius_mm: 0.0, flanks_deg: [30.0; 2], body_mm: [2.0; 2], springs: 0.0, wears_mm: 0.0 })
}

const OUT_MM: f64 = -5.0;

/// A pass of the tie rod by the dial: set, closed on a mark, opened so many seconds after the mark, withdrawn and wound back.
fn pass(lathe: &mut Lathe, depth: f64, mark: Option<u16>, late_s: f64) {
    // The dial was zeroed on the crest: it shows the depth, its play taken up inward.
    lathe.act(Act::Feed(Slide::Cross, [depth, 4.0])).unwrap();
    lathe.wait(Cue::Seconds(3.0), 9.0);
    if let Some(mark) = mark {
        assert!(lathe.wait(Cue::Mark(mark), 60.0));
    }
    lathe.act(Act::Close).unwrap();
    assert!(lathe.wait(Cue::Place(3.5), 60.0));
    lathe.wait(Cue::Seconds(late_s), 9.0);
    lathe.act(Act::Open).unwrap();
    lathe.act(Act::Feed(Slide::Cross, [OUT_MM, 8.0])).unwrap();
    lathe.wait(Cue::Seconds(2.0), 9.0);
    lathe.act(Act::Wind([50.0, 20.0])).unwrap();
    lathe.wait(Cue::Seconds(4.0), 9.0);
}

/// Its tip on the crest, both dials at nought, clear of the end, the spindle running.
fn begun(machine: &Machine, rps: f64) -> Lathe {
    let mut lathe = Lathe::new(machine.clone(), 50.0, [0.0; 2]);
    lathe.act(Act::Spindle(rps)).unwrap();
    lathe.wait(Cue::Seconds(2.0), 9.0);
    lathe
}

fn ratio() -> impl Strategy<Value = Ratio> {
    let gears = prop::sample::select(vec![24_i128, 28, 32, 36, 40, 44, 46, 48, 52, 56, 60, 63, 64, 72, 80, 100, 127]);
    (gears.clone(), gears.clone(), gears.clone(), gears, prop::bool::ANY).prop_map(|(a, b, c, d, away)| {
        let turns = Ratio::new(a * c, b * d);
        if away { turns } else { -turns }
    })
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(400))]

    /// Wherever the half-nut falls, the tool is in its groove just where the rule of the dial says so: on every mark of every dial, from every
    /// phase of the spindle, with every train.
    #[test]
    fn it_falls_into_the_groove_just_where_the_dial_says(
        turns in ratio(),
        screw in prop::sample::select(vec![Ratio::new(127, 20), Ratio::from_integer(6), Ratio::new(127, 40), Ratio::from_integer(2)]),
        (teeth, marks) in prop::sample::select(vec![(16_u16, 8_u16), (16, 4), (16, 16), (20, 4), (14, 7), (15, 5), (21, 6), (32, 12)]),
        phase in 0.0_f64..40.0,
        back in 5.0_f64..60.0,
        mark in 0_u16..16,
        rps in 0.3_f64..3.0,
    ) {
        let mark = mark % marks;
        let machine = Machine { dial: Some(DialFace { teeth, marks }), ..machine(screw, turns) };
        let (lead, cuts) = (machine.lead_mm(), machine.lead_mm().signum());
        let mut lathe = begun(&Machine { cuts, ..machine.clone() }, rps);
        lathe.wait(Cue::Seconds(phase), 60.0);
        lathe.act(Act::Close).unwrap();
        let helix = |lathe: &mut Lathe| {
            // Long enough to take up the play, whichever way it stood in it.
            lathe.wait(Cue::Seconds(0.3 / (lead.abs() * rps)), 1e5);
            let stands = lathe.stands();
            stands.carriage.at - lead * stands.spindle.at
        };
        let first = helix(&mut lathe);
        lathe.act(Act::Open).unwrap();
        let to = lathe.stands().carriage.at - cuts * back;
        lathe.act(Act::Wind([to, 15.0])).unwrap();
        lathe.wait(Cue::Seconds(5.0), 9.0);
        prop_assert!(lathe.wait(Cue::Mark(mark), 1e5), "the mark never came");
        lathe.act(Act::Close).unwrap();
        while lathe.stands().nut == Nut::Riding {
            lathe.wait(Cue::Seconds(1.0), 2.0);
        }
        let off = (helix(&mut lathe) - first) / lead;
        let in_groove = (off - off.round()).abs() * lead.abs() < 1e-6;
        let Nut::Closed(pitches) = lathe.stands().nut else { panic!("it is closed") };
        prop_assert_eq!(in_groove, i128::from(pitches) % turns.numer() == 0, "{} pitches, train {}, off {} of a lead", pitches, turns, off);
        let rule = reengage(&(if turns < Ratio::from_integer(0) { -turns } else { turns }), Some(&Dial { teeth: vec![teeth], marks: Some(marks) }));
        match (rule.rule, rule.every) {
            (DialRule::AnyPosition | DialRule::EveryMark, _) => prop_assert!(in_groove),
            (DialRule::Marks, Some(every)) if mark % every == 0 => prop_assert!(in_groove, "the rule says mark {} serves", mark),
            // A mark that stands over no tooth lets the nut on to the next: what that gives was held above.
            (DialRule::Marks, _) if u32::from(mark) * u32::from(teeth) % u32::from(marks) == 0 => prop_assert!(!in_groove),
            _ => {}
        }
    }

    /// A spindle that runs down: as far as it was late and as it coasts, the coast as the square of the speed.
    #[test]
    fn it_stops_as_far_as_reaction_and_coast_say(rps in 0.3_f64..8.0, late in 0.0_f64..1.2, coast in 0.0_f64..1.5, opened in prop::bool::ANY) {
        let (machine, ..) = tie_rod();
        let machine = Machine { coast: [coast, 100.0 / 60.0], ..machine };
        let mut lathe = begun(&machine, rps);
        lathe.act(Act::Close).unwrap();
        lathe.wait(Cue::Place(20.0), 600.0);
        lathe.wait(Cue::Seconds(late), 9.0);
        lathe.act(if opened { Act::Open } else { Act::Spindle(0.0) }).unwrap();
        lathe.wait(Cue::Seconds(60.0), 99.0);
        let turns = coast * (rps / (100.0 / 60.0)).powi(2);
        let past = 20.0 - lathe.stands().carriage.at;
        let wanted = 2.5 * rps * late + if opened { 0.0 } else { turns * 2.5 };
        prop_assert!((past - wanted).abs() < 1e-6, "{past} past it, {wanted} wanted");
    }

    /// After the screw turned the other way the carriage stands still for the play's share of a turn, and then follows again.
    #[test]
    fn it_stands_still_while_its_play_is_taken_up(play in 0.0_f64..0.6, turns in 0.01_f64..3.0, back in prop::bool::ANY) {
        let (machine, ..) = tie_rod();
        let machine = Machine { play_mm: play, ..machine };
        let mut lathe = Lathe::new(machine, 50.0, [0.0; 2]);
        lathe.act(Act::Close).unwrap();
        let mut turn = |turns: f64| {
            let before = lathe.stands().carriage.at;
            lathe.act(Act::Turn([turns, 0.5])).unwrap();
            lathe.wait(Cue::Still, 60.0);
            before - lathe.stands().carriage.at
        };
        // Closed in the middle of its play: half of it is to take up.
        prop_assert!((turn(4.0) - (10.0 - play / 2.0)).abs() < 1e-9);
        prop_assert!((turn(2.0) - 5.0).abs() < 1e-9);
        if back {
            prop_assert!((turn(-turns) + (2.5 * turns - play).max(0.0)).abs() < 1e-9);
        }
    }

    /// Where it is looked at does not change where it goes.
    #[test]
    fn it_is_the_same_however_often_it_is_looked_at(looks in prop::collection::vec(0.001_f64..0.7, 0..40), rps in 0.4_f64..5.0) {
        let (machine, ..) = tie_rod();
        let told = |lathe: &mut Lathe, i: u32| match i {
            0 => lathe.act(Act::Close),
            1 => lathe.act(Act::Spindle(-rps)),
            2 => lathe.act(Act::Feed(Slide::Compound, [0.7, 0.4])),
            _ => lathe.act(Act::Open),
        };
        let (mut once, mut often) = (begun(&machine, rps), begun(&machine, rps));
        let mut looks = looks.into_iter();
        for i in 0..4 {
            told(&mut once, i).unwrap();
            told(&mut often, i).unwrap();
            let until = once.now_s() + 3.0;
            once.advance(until);
            for look in looks.by_ref().take(10) {
                often.advance((often.now_s() + look).min(until));
            }
            often.advance(until);
            let (a, b) = (once.stands(), often.stands());
            prop_assert!((a.carriage.at - b.carriage.at).abs() < 1e-7 && (a.spindle.at - b.spindle.at).abs() < 1e-7);
            prop_assert!((a.slides[1].at - b.slides[1].at).abs() < 1e-9);
        }
    }

    /// No act, whatever its numbers, stops it from going on.
    #[test]
    fn nothing_told_upsets_it(numbers in prop::collection::vec((0_u8..9, prop::num::f64::ANY, prop::num::f64::ANY), 1..12)) {
        let (machine, ..) = tie_rod();
        let mut lathe = Lathe::new(machine, 50.0, [0.0; 2]);
        for (which, a, b) in numbers {
            let _ = lathe.act(match which {
                0 => Act::Spindle(a),
                1 => Act::Turn([a, b]),
                2 => Act::Close,
                3 => Act::Open,
                4 => Act::Part(a),
                5 => Act::Wind([a, b]),
                6 => Act::Feed(Slide::Cross, [a, b]),
                7 => Act::Zero(Slide::Compound),
                _ => Act::PickUp,
            });
            lathe.wait(Cue::Seconds(1.0), 1.0);
            prop_assert!(lathe.stands().carriage.at.is_finite() && lathe.stands().spindle.at.is_finite());
        }
    }
}

/// Pressed early a tooth is the mark, pressed late it is the next one.
#[test]
fn pressed_late_it_is_the_next_tooth() {
    let (machine, ..) = tie_rod();
    for (late, wanted) in [(-0.09, 0), (0.09, 0), (0.3, 1), (0.8, 1)] {
        let mut lathe = begun(&machine, 1.0);
        lathe.act(Act::Close).unwrap();
        lathe.wait(Cue::Seconds(4.0), 9.0);
        lathe.act(Act::Open).unwrap();
        lathe.act(Act::Wind([50.0, 20.0])).unwrap();
        lathe.wait(Cue::Seconds(4.0), 9.0);
        assert!(lathe.wait(Cue::Mark(1), 60.0));
        // A tooth passes in the time the screw turns once: 12/5 turns of the spindle.
        let tooth_s = 12.0 / 5.0;
        let on = if late < 0.0 { tooth_s * (20.0 + late) } else { tooth_s * late };
        lathe.wait(Cue::Seconds(on), 99.0);
        lathe.act(Act::Close).unwrap();
        lathe.wait(Cue::Seconds(tooth_s), 9.0);
        let Nut::Closed(pitches) = lathe.stands().nut else { panic!("it is closed") };
        // Marks lie five teeth apart, the dial turns back as the screw runs on.
        let mark = pitches.rem_euclid(20);
        let from_mark = if late < 0.0 { mark - 5 } else { 5 - mark };
        assert_eq!(from_mark.abs(), wanted, "{late} of a tooth late: {pitches} pitches");
    }
}

#[test]
fn a_wrong_mark_cuts_beside_its_groove_by_what_the_rule_says() {
    let (machine, work, tool) = tie_rod();
    let scene_of = |marks: [u16; 2]| {
        let mut lathe = begun(&machine, 1.0);
        pass(&mut lathe, 0.3, Some(marks[0]), 0.1);
        pass(&mut lathe, 0.4, Some(marks[1]), 0.1);
        lathe
    };
    // r = 5/12: the groove comes round every five pitches of the screw, and a mark is five teeth: any mark serves, any other tooth does not.
    let right = scene_of([0, 3]);
    let scene = |lathe: &Lathe| Scene { machine: &machine, work: &work, tool: &tool, track: lathe.track() }.faults(&Meant { mark_mm: 3.5, ..Meant::default() });
    assert_eq!(scene(&right), []);
    // Dragged past its mark by a third of a tooth, it falls on the next.
    let mut wrong = begun(&machine, 1.0);
    pass(&mut wrong, 0.3, Some(0), 0.1);
    wrong.wait(Cue::Mark(1), 60.0);
    wrong.wait(Cue::Seconds(0.8), 9.0);
    pass(&mut wrong, 0.4, None, 0.1);
    let found = scene(&wrong);
    let [one] = &found[..] else { panic!("{found:?}") };
    let Fault::WrongMark(pitches, off) = one.fault else { panic!("{one:?}") };
    let by_hand = (pitches as f64 * 6.0).rem_euclid(2.5);
    let by_hand = if by_hand > 1.25 { by_hand - 2.5 } else { by_hand };
    assert!((off - by_hand).abs() < 1e-9 && off.abs() > 0.4, "{off} by {pitches} pitches");
    // And so lie the prints, as cut.
    let scene = Scene { machine: &machine, work: &work, tool: &tool, track: wrong.track() };
    for angle in [0.0, 0.3, 0.77] {
        let prints = scene.prints(angle);
        let first = prints.iter().find(|p| (p.depth_mm - 0.3).abs() < 1e-6 && p.at_mm < 40.0).unwrap();
        let second = prints.iter().find(|p| (p.depth_mm - 0.4).abs() < 1e-6 && p.at_mm < 40.0).unwrap();
        let apart = (second.at_mm - first.at_mm) / 2.5;
        let apart = (apart - apart.round()) * 2.5;
        assert!((apart - off).abs() < 1e-6, "{apart} apart at {angle}, {off} reckoned");
    }
}

/// The groove by prints is the groove the plan's own field gives, at every angle of the work.
#[test]
fn its_groove_is_the_one_the_plan_draws() {
    let (machine, work, tool) = tie_rod();
    let machine = Machine { lean_deg: 29.5, slide_play_mm: [0.0; 2], ..machine };
    let lean = 29.5_f64.to_radians();
    let mut lathe = begun(&machine, 1.0);
    let mut field = Field::uncut(2.5);
    let edge = Edge::flat(0.3, [30.0; 2], 9.0);
    for compound in [0.4, 0.8, 1.2, 1.5] {
        lathe.act(Act::Feed(Slide::Compound, [compound, 1.0])).unwrap();
        pass(&mut lathe, 0.0, Some(0), 0.1);
        // Leading at lesser places, the way of both drawings.
        field.cut(&edge, -compound * lean.sin(), compound * lean.cos());
    }
    let scene = Scene { machine: &machine, work: &work, tool: &tool, track: lathe.track() };
    for angle in [0.0, 0.21, 0.5, 0.93] {
        let prints = scene.prints(angle);
        let last = prints.iter().rfind(|p| (20.0..30.0).contains(&p.at_mm)).unwrap();
        // The field's own nought is where a tip stood before the compound carried it along.
        let nought = last.at_mm + 1.5 * lean.sin();
        for corner in field.section() {
            let depth = work.depth(&tool, &prints, nought + corner[0]);
            assert!((depth - corner[1]).abs() < 1e-6, "at {} {depth} for {}", corner[0], corner[1]);
        }
    }
    // 40 mm of it, a groove every 2.5.
    let deep = scene.prints(0.0).iter().filter(|p| p.depth_mm > 1.3 && (6.0..46.0).contains(&p.at_mm)).count();
    assert_eq!(deep, 16);
}

fn faults_of(lathe: &Lathe, work: &Work, tool: &Tool, meant: &Meant) -> Vec<Fault> {
    Scene { machine: lathe.machine(), work, tool, track: lathe.track() }.faults(meant).into_iter().map(|s| s.fault).collect()
}

#[test]
fn each_mistake_is_known_for_what_it_is() {
    let (machine, work, tool) = tie_rod();
    let meant = Meant { mark_mm: 3.5, depths_mm: vec![0.2, 0.4, 0.6], to_zero: false };
    let sound = |lathe: &mut Lathe, upto: usize| meant.depths_mm[..upto].iter().for_each(|d| pass(lathe, *d, Some(0), 0.1));
    let told = |lathe: &Lathe| faults_of(lathe, &work, &tool, &meant);

    let mut lathe = begun(&machine, 1.0);
    sound(&mut lathe, 3);
    assert_eq!(told(&lathe), []);

    // Not opened in time: 2.5 mm a second, and 2 mm of bit ahead of its point.
    let mut lathe = begun(&machine, 1.0);
    pass(&mut lathe, 0.2, Some(0), 1.0);
    let [Fault::Crash { past_mm, rate_mm_s, wall_mm: 0.0 }] = told(&lathe)[..] else { panic!("{:?}", told(&lathe)) };
    assert!((past_mm - 1.0).abs() < 1e-3 && (rate_mm_s - 2.5).abs() < 1e-9, "{past_mm} at {rate_mm_s}");

    // Withdrawn 4 mm early.
    let mut lathe = begun(&machine, 1.0);
    lathe.act(Act::Feed(Slide::Cross, [0.2, 4.0])).unwrap();
    lathe.act(Act::Close).unwrap();
    lathe.wait(Cue::Place(7.5), 60.0);
    lathe.act(Act::Open).unwrap();
    lathe.wait(Cue::Seconds(1.0), 9.0);
    assert!(matches!(told(&lathe)[..], [Fault::Short(by)] if (by - 4.0).abs() < 1e-9), "{:?}", told(&lathe));

    // Reversed with the tool in: 0.2 of play, so the flank ahead of it takes metal.
    let mut lathe = begun(&machine, 1.0);
    lathe.act(Act::Feed(Slide::Cross, [0.5, 4.0])).unwrap();
    lathe.act(Act::Close).unwrap();
    lathe.wait(Cue::Place(3.5), 60.0);
    lathe.act(Act::Spindle(-1.0)).unwrap();
    lathe.wait(Cue::Place(40.0), 60.0);
    let found = told(&lathe);
    // A flank shifted by k along stands k/tan 30° over the one beside it, and no deeper than the groove is.
    let reversed = found.iter().find_map(|f| if let Fault::ReversedIn(over) = f { Some(*over) } else { None });
    assert!(reversed.is_some_and(|over| (over - 0.2 / 30.0_f64.to_radians().tan()).abs() < 0.03), "{found:?}");

    // A third of a turn back is enough, wherever in the turn it is.
    for on in [0.0, 0.1, 0.3, 0.6, 0.9] {
        let mut lathe = begun(&machine, 1.0);
        lathe.act(Act::Feed(Slide::Cross, [0.5, 4.0])).unwrap();
        lathe.act(Act::Close).unwrap();
        lathe.wait(Cue::Place(20.0 - 2.5 * on), 60.0);
        lathe.act(Act::Spindle(0.0)).unwrap();
        lathe.wait(Cue::Still, 60.0);
        lathe.act(Act::Turn([-0.33, 0.5])).unwrap();
        lathe.wait(Cue::Still, 60.0);
        assert!(told(&lathe).iter().any(|f| matches!(f, Fault::ReversedIn(over) if *over > 0.1)), "{on}: {:?}", told(&lathe));
    }

    // Fed in over the crest beside its groove.
    let mut lathe = begun(&machine, 1.0);
    sound(&mut lathe, 1);
    lathe.act(Act::Spindle(0.0)).unwrap();
    lathe.wait(Cue::Still, 60.0);
    let groove = Scene { machine: &machine, work: &work, tool: &tool, track: lathe.track() }.prints(lathe.stands().spindle.at);
    let beside = groove.iter().find(|p| (20.0..30.0).contains(&p.at_mm)).unwrap().at_mm + 1.25;
    lathe.act(Act::Wind([beside, 20.0])).unwrap();
    lathe.wait(Cue::Still, 60.0);
    lathe.act(Act::Feed(Slide::Cross, [0.2, 4.0])).unwrap();
    lathe.wait(Cue::Still, 60.0);
    assert!(matches!(told(&lathe)[..], [Fault::FedOverMetal(deep)] if (deep - 0.2).abs() < 1e-6), "{:?}", told(&lathe));

    // A step twice.
    let mut lathe = begun(&machine, 1.0);
    sound(&mut lathe, 1);
    pass(&mut lathe, 0.6, Some(0), 0.1);
    assert!(matches!(told(&lathe)[..], [Fault::DepthTwice(by)] if (by - 0.2).abs() < 1e-6), "{:?}", told(&lathe));

    // Picked up with the screw on its other flank: after a turn back only.
    let mut lathe = Lathe::new(machine.clone(), 50.0, [0.0; 2]);
    lathe.act(Act::Close).unwrap();
    for (turns, off) in [(3.0, None), (-2.0, Some(0.2)), (1.0, None)] {
        lathe.act(Act::Turn([turns, 0.5])).unwrap();
        lathe.wait(Cue::Still, 60.0);
        lathe.act(Act::PickUp).unwrap();
        let last = lathe.track().happened.iter().rev().find_map(|h| if let What::PickedUp(off) = h.what { Some(off) } else { None });
        assert!((last.unwrap() - off.unwrap_or(0.0)).abs() < 1e-9, "{turns}: {last:?}");
    }
    assert!(matches!(told(&lathe)[..], [Fault::OtherFlank(off)] if (off - 0.2).abs() < 1e-9));

    // A chuck screwed on, in reverse.
    let mut lathe = Lathe::new(Machine { chuck_screwed: true, ..machine.clone() }, 50.0, [OUT_MM; 2]);
    lathe.act(Act::Spindle(-1.0)).unwrap();
    lathe.wait(Cue::Seconds(1.0), 2.0);
    assert_eq!(told(&lathe), [Fault::ChuckUnscrews]);
    assert!(real(&machine.turns) < 0.0);
}

#[test]
fn the_carriage_is_not_wound_while_the_half_nut_holds_it() {
    let (machine, ..) = tie_rod();
    let mut lathe = Lathe::new(machine, 50.0, [0.0; 2]);
    lathe.act(Act::Close).unwrap();
    assert!(lathe.act(Act::Wind([20.0, 5.0])).is_err());
    lathe.act(Act::Open).unwrap();
    lathe.act(Act::Wind([20.0, 5.0])).unwrap();
    assert!(lathe.wait(Cue::Place(35.0), 60.0));
    assert!((lathe.now_s() - 3.0).abs() < 1e-9);
}

/// A tool that springs leaves its share of every chip: after n passes at one depth, that share to the n-th power. One that wears comes short
/// by what every turn in metal took; over wires the section is what trigonometry says of a plain V.
#[test]
fn what_springs_and_wears_leaves_what_it_should() {
    let (machine, work, tool) = tie_rod();
    let part = |tool: Tool| Part { work: work.clone(), tool, radius_mm: 10.0 };
    let run = |depths: &[f64]| {
        let mut lathe = begun(&machine, 1.0);
        for (i, depth) in depths.iter().enumerate() {
            pass(&mut lathe, *depth, (i > 0).then_some(0), 0.0);
        }
        lathe
    };
    let bottom = |lathe: &Lathe, tool: &Tool| {
        let scene = Scene { machine: &machine, work: &work, tool, track: lathe.track() };
        work.section(tool, &scene.prints(0.0), [20.0, 22.5], 4000).iter().map(|p| p[1]).fold(0.0, f64::max)
    };
    for share in [0.0, 0.2, 0.5] {
        let springs = Tool { springs: share, ..tool };
        for n in 1..5 {
            let found = bottom(&run(&vec![0.4; n]), &springs);
            let left = 0.4 * share.powi(i32::try_from(n).unwrap());
            assert!((found - (0.4 - left)).abs() < 2e-3, "{share}, {n} passes: {found}");
        }
    }
    // Every turn in metal takes a tenth of a micrometre off the point: sixteen turns from the end of the thread the tip is so much shorter,
    // and a second pass over the same metal finds nothing to wear on.
    let wears = Tool { wears_mm: 0.0001, ..tool };
    let at = |depths: &[f64]| {
        let scene_lathe = run(depths);
        bottom(&scene_lathe, &wears)
    };
    let once = at(&[0.4]);
    assert!((0.4 - once - 0.0001 * 10.0).abs() < 0.0002, "{once}");
    assert!((at(&[0.4, 0.4]) - once).abs() < 1e-9);
    // Radial depth X with a flat f: the pitch line lies where the groove is P/2 wide; M = E + w(1 + 1/sin α) - (P/2)cot α.
    let lathe = run(&[0.8, 1.3]);
    let alpha = 30_f64.to_radians();
    let wide_at = |depth: f64| 0.3 + 2.0 * depth * alpha.tan();
    // Radius at which it is P/2 wide: so much above the bottom.
    let above = (2.5 / 2.0 - wide_at(0.0)) / (2.0 * alpha.tan());
    let pitch_diameter = 2.0 * (10.0 - 1.3 + above);
    let over = pitch_diameter + 1.45 * (1.0 + 1.0 / alpha.sin()) - 1.25 / alpha.tan();
    let read = part(tool).over_wires(lathe.track(), &machine, 1.45).unwrap();
    assert!((read - over).abs() < 2e-3, "{read} for {over}");
    // Springing, it reads large; before anything is cut no wire is held.
    assert!(part(Tool { springs: 0.2, ..tool }).over_wires(lathe.track(), &machine, 1.45).unwrap() > read + 0.05);
    assert_eq!(part(tool).over_wires(begun(&machine, 1.0).track(), &machine, 1.45), None);
}
