//! Direct simulations of the lathe: spindle, leadscrew, half-nut and dial turned step by step; directions and hand by
//! vectors.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::cut::{Hung, IndexBy, index_ways, pitches_on};
use yoke_core::direction::{Carriage, Hand, Spindle};
use yoke_core::faults::read_json;
use yoke_core::gears::{DialRule, Mistake, Train, chart, each_gear, mistakes, reengage, standard_pitches};
use yoke_core::job::{Dial, Ending, Gear, Lathe, PlanRequest, settle};
use yoke_core::quantity::{Ratio, real};
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, on, sound, watches};

fn lathe(profile: Value) -> Lathe {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": "M20"}, "lathe": profile}));
    settle(&request, None, faults).unwrap_or_else(|f| panic!("{f:?}")).1
}

/// A lathe as it stands: spindle turns, carriage in leadscrew pitches, all exact.
struct Bench {
    turns: Ratio,
    spindle: Ratio,
    carriage: Ratio,
    dial_teeth: Ratio,
}

impl Bench {
    fn screw(&self) -> Ratio {
        self.spindle * self.turns
    }

    /// Spindle turned with the half-nut closed: the carriage goes along.
    fn cut(&mut self, spindle: Ratio) {
        self.spindle += spindle;
        self.carriage += spindle * self.turns;
    }

    /// Half-nut open: the spindle turns on, the carriage is wound anywhere.
    fn free(&mut self, spindle: Ratio, wound: Ratio) {
        self.spindle += spindle;
        self.carriage += wound;
    }

    /// How far round the dial stands, in turns of it.
    fn dial(&self) -> Ratio {
        (self.screw() - self.carriage) / self.dial_teeth
    }

    fn nut_drops_in(&self) -> bool {
        (self.screw() - self.carriage).is_integer()
    }

    /// Whether the bit stands in the groove first cut: at this spindle angle it is `turns` pitches to the next.
    fn in_the_groove(&self) -> bool {
        ((self.carriage - self.screw()) / self.turns).is_integer()
    }

    /// Lets the spindle turn until the dial shows a mark, this many on from the first.
    fn wait_for(&mut self, mark: u16, marks: u16) {
        let wanted = Ratio::new(i128::from(mark), i128::from(marks));
        let short = (wanted - self.dial()) - (wanted - self.dial()).floor();
        self.spindle += short * self.dial_teeth / self.turns;
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(120))]

    /// Thirty engagements of each of some hundred lathes, gearbox and all, inch and metric: a mark that is called safe always drops into the groove,
    /// and where none is called safe, or a nearer one not, some engagement on it misses.
    #[test]
    fn the_rule_is_that_of_a_lathe_turned_by_hand(
        drivers in prop::collection::vec(20_u16..128, 1..4), driven in prop::collection::vec(20_u16..128, 3), lever in (1_i128..9, 1_i128..9),
        teeth in prop::sample::select(&[12_u16, 14, 15, 16, 18, 20, 24, 30]), marks in prop::sample::select(&[4_u16, 6, 8, 12, 16]),
        waits in prop::collection::vec((1_i128..2000, 1_i128..97, -400_i128..400, 0_u16..64), 30),
    ) {
        let product = |list: &[u16]| list.iter().map(|t| i128::from(*t)).product::<i128>();
        let turns = Ratio::new(product(&drivers), product(&driven[..drivers.len()])) * Ratio::new(lever.0, lever.1);
        let dial = Dial { teeth: vec![teeth], marks: Some(marks) };
        let answer = reengage(&turns, Some(&dial));
        prop_assert_eq!(&each_gear(&turns, &dial)[0].rule, &answer.rule);
        let mut missed = vec![false; usize::from(marks)];
        for (num, den, wound, pick) in waits {
            let mut bench = Bench { turns, spindle: Ratio::from_integer(0), carriage: Ratio::from_integer(0), dial_teeth: Ratio::from_integer(i128::from(teeth)) };
            bench.cut(Ratio::new(num, den));
            prop_assert!(bench.dial() == Ratio::from_integer(0) && bench.in_the_groove());
            // Opened, wound back some way, whole turns of the dial or not, and closed again on a mark.
            bench.free(Ratio::new(den, num + den), -Ratio::new(num, den) * turns + Ratio::new(wound, 7));
            let mark = pick % marks;
            bench.wait_for(mark, marks);
            let safe = match answer.rule {
                DialRule::AnyPosition => bench.nut_drops_in(),
                DialRule::EveryMark => true,
                DialRule::Marks => mark.is_multiple_of(answer.every.unwrap()),
                DialRule::KeepClosed => false,
            };
            if safe {
                prop_assert!(bench.nut_drops_in() && bench.in_the_groove(), "{turns} mark {mark} of {marks} on {teeth}: {answer:?}");
            } else if bench.nut_drops_in() && !bench.in_the_groove() {
                missed[usize::from(mark)] = true;
            }
        }
        // Not counted against the rule: a mark nobody waited for. But mark 0 on a train to be kept closed misses as soon as the dial has gone round.
        if answer.rule == DialRule::KeepClosed {
            let around = i128::from(teeth);
            let misses = (1..=*turns.numer()).any(|w| (around * w) % turns.numer() != 0);
            prop_assert!(misses, "{turns} on {teeth}: whole turns of the dial would all have served");
        }
    }

    /// Leadscrew of either hand, thread of either hand, both ways, any train: the carriage really goes the way the plan says, and the helix it
    /// cuts is of the hand it says. Axes: x from headstock to tailstock; a turn about +x takes the top toward the operator.
    #[test]
    fn directions_and_hand_by_vectors(callout in prop::sample::select(&["M20", "1-8", "M16x1.5", "7/8-9", "M6", "G1-1/4"]), left: bool, away: bool, left_screw: bool, index in 0_usize..3) {
        let mut profile = demo_lathe(index);
        profile["leadscrew"]["hand"] = json!(if left_screw { "left" } else { "right" });
        let plan = sound(json!({"thread": {"callout": callout, "hand": if left { "left" } else { "right" }}, "lathe": profile, "setup": {"way": if away { "away" } else { "toward" }}}));
        let spindle: f64 = if plan.point().setup.spindle == Spindle::Forward { 1.0 } else { -1.0 };
        // The drawing's gears turn as meshes make them; the last circle of a gear is the leadscrew's.
        let turning: Vec<f64> = plan.point().gears.drawing.as_ref().unwrap().shapes.iter().filter(|s| s.role.starts_with("gear")).filter_map(|s| s.circle.unwrap().turns).map(f64::from).collect();
        let through_train = turning.last().unwrap() / turning.first().unwrap();
        let hung = plan.point().gears.hung.as_ref().unwrap();
        let tumbler = if hung.steps.iter().any(|s| s == "Tumbler to right-hand.") { 1.0 } else { -1.0 };
        prop_assert_eq!(through_train > 0.0, (hung.train.drivers.len() + hung.train.idlers.len()).is_multiple_of(2));
        // At its right-hand place the tumbler's own meshes are even.
        let screw = spindle * tumbler * through_train;
        // A right-hand screw turning about +x draws its nut toward −x.
        let carriage = -screw * if left_screw { -1.0 } else { 1.0 };
        prop_assert_eq!(carriage < 0.0, plan.point().setup.carriage == Carriage::TowardHeadstock);
        // Work turning about +x with the bit going to −x winds a right-hand helix.
        let cut = if spindle * carriage < 0.0 { Hand::Right } else { Hand::Left };
        prop_assert_eq!(cut, plan.point().setup.hand_cut);
        // The chain, followed link by link, comes to the same.
        prop_assert_eq!(plan.point().setup.motion.hand, Some(cut));
        prop_assert!(plan.point().setup.motion.says.ends_with("as wanted."), "{}", plan.point().setup.motion.says);
        prop_assert_eq!(cut == Hand::Left, left);
    }
}

#[test]
fn the_pitch_chart_holds_every_standard_pitch_and_its_best_train() {
    let pitches = standard_pitches();
    assert!(pitches.iter().any(|p| p.0 == "1.75 mm") && pitches.iter().any(|p| p.0 == "11.5 TPI") && pitches.len() > 60);
    for index in 0..3 {
        let lathe = lathe(demo_lathe(index));
        let rows = chart(&lathe, Voice::default());
        assert_eq!(rows.len(), pitches.len());
        let exact = |r: &Ratio| format!("{}/{}", r.numer(), r.denom());
        for (row, (name, _, lead)) in rows.iter().zip(&pitches) {
            // The same train a plan of that pitch alone would hang, worked by its own table.
            let special = sound(
                json!({"thread": {"special": {"major_mm": exact(&(lead * Ratio::from_integer(12))), "pitch_mm": exact(lead)}}, "lathe": demo_lathe(index)}),
            );
            let alone = &special.point().gears.hung.as_ref().unwrap().train;
            let Some(train) = &row.train else {
                assert!(alone.error_ppm.abs() > 20_000.0 && row.dial.is_none(), "{name}: {alone:?}");
                continue;
            };
            assert_eq!((&row.pitch, &train.drivers, &train.driven, &train.gearbox), (name, &alone.drivers, &alone.driven, &alone.gearbox), "{name}");
            assert_eq!(row.dial, Some(special.point().gears.dial.rule), "{name}");
        }
    }
}

#[test]
fn a_wrong_scratch_names_the_mistake_that_gives_it() {
    let long = lathe(demo_lathe(0));
    let gears = |list: &[u16]| list.iter().map(|t| *long.gears.iter().find(|g| g.teeth == *t).unwrap_or(&Gear::loose(*t, 0))).collect::<Vec<_>>();
    let of = |drivers: &[u16], driven: &[u16], measured: f64, starts: u8| -> Vec<Mistake> {
        mistakes(&long, &Train { drivers: gears(drivers), driven: gears(driven), gearbox: 0 }, starts, measured, Voice::default())
    };
    // 40/80 on 4 TPI is 8 TPI, 3.175; the other way round 2 TPI, 12.7.
    let swapped = of(&[40], &[80], 12.7, 1);
    assert!(swapped[0].says.contains("changed about") && swapped[0].off_percent.abs() < 0.01, "{swapped:?}");
    // 40·60/48·127 cuts 2.5; with the first pair changed about 6.35·(48·60)/(40·127) = 3.6.
    assert!(of(&[40, 60], &[48, 127], 3.6, 1)[0].says.contains("(40 and 48)"));
    // A 56 taken for the 60: 2.333.
    assert!(of(&[40, 60], &[48, 127], 6.35 * 40.0 * 56.0 / (48.0 * 127.0), 1).iter().any(|m| m.says.contains("a 56 where the 60 drives")));
    // A two-start measured crest to crest.
    assert!(of(&[40], &[80], 3.175 / 2.0, 2)[0].says.contains("not the lead"));
    assert!(of(&[40], &[80], 3.18, 1).is_empty() && of(&[40], &[80], 7.77, 1).is_empty());
    // A lever one notch off, on the lathe that has them.
    let gap = lathe(demo_lathe(1));
    let train = Train { drivers: vec![gap.gears[0]], driven: vec![gap.gears[1]], gearbox: 0 };
    let other = Train { gearbox: 1, ..train.clone() };
    let found = mistakes(&gap, &train, 1, real(&(other.ratio(&gap) * gap.leadscrew)), Voice::default());
    assert!(found.iter().any(|m| m.says.contains(&gap.gearbox[1].name)), "{found:?}");
}

#[test]
fn ways_of_ending_are_compared_and_the_dial_is_drawn() {
    let of = |index: usize, callout: &str, extra: Value| {
        let mut request = json!({"thread": {"callout": callout}, "lathe": demo_lathe(index)});
        request.as_object_mut().unwrap().extend(extra.as_object().unwrap().clone());
        sound(request)
    };
    for (index, callout, ending) in [(0, "1-8", Ending::Dial), (0, "M20", Ending::Closed), (2, "M16x2", Ending::Dial)] {
        let plan = of(index, callout, json!({}));
        let ways = &plan.point().setup.endings;
        assert_eq!((ways.len(), ways.iter().find(|w| w.recommended).unwrap().ending, plan.point().setup.ending), (5, ending, ending), "{callout}");
        assert!(ways.iter().all(|w| w.serves || matches!(w.ending, Ending::Dial | Ending::SameMark | Ending::ChalkMarks)), "{ways:?}");
    }
    let mut fixed = demo_lathe(0);
    fixed["spindle"]["reverses"] = json!(false);
    assert_eq!(sound(json!({"thread": {"callout": "M20"}, "lathe": fixed})).point().setup.ending, Ending::Hand);
    // 7/8-9 on 4 TPI: every other mark of eight, so four are drawn safe.
    let dial = of(0, "7/8-9", json!({})).point().gears.dial.clone();
    let safe = |d: &yoke_core::gears::DialSection| d.drawing.as_ref().unwrap().shapes.iter().filter(|s| s.role == "dial.safe").count();
    assert_eq!((dial.every, safe(&dial)), (Some(2), 4));
    let closed = of(0, "M20", json!({})).point().gears.dial.clone();
    assert_eq!((closed.rule, safe(&closed)), (DialRule::KeepClosed, 0));
    // Several dial gears are each told: M20×2.5 on 6 mm is 5/12, which the 15 and the 20 count.
    let gap = of(1, "M20", json!({})).point().gears.dial.clone();
    assert!(gap.gears.iter().all(|g| (g.rule == DialRule::KeepClosed) == (g.teeth % 5 != 0)) && gap.gears.len() > 1, "{:?}", gap.gears);
    // 63/160 for 2.5 on 4 TPI is 125 ppm out; 8 TPI by 40/79.9 has no such gear, so take 127 for 128: marks of the inch pitch drift.
    let near = of(0, "1-8", json!({"gears": {"hang": {"drivers": [64], "driven": [127]}}, "cut": {"passes": 10}}));
    let passes = f64::from(u32::try_from(near.point().cut.passes.len()).unwrap());
    let expected = (64.0 / 127.0 * 2.0 - 1.0) * passes * (50.8 + 3.0 * 3.175);
    assert!((near.point().gears.dial.drift_mm.as_ref().unwrap().value - expected).abs() < 1e-6 && watches(&near, "warn", "dial_drift"));
}

/// Where the bit stands, which way up it must be by the way the work's surface goes there, and how the compound leans.
#[test]
fn the_bit_meets_work_that_comes_down_on_its_face() {
    for (side, callout) in [("external", "M30x2"), ("internal", "M30x2-6H")] {
        for (rear, wall) in [(false, None), (true, None), (false, Some("near")), (false, Some("far"))] {
            for (hand, way) in [("right", "toward"), ("right", "away"), ("left", "toward"), ("left", "away")] {
                if side == "external" && wall.is_some() {
                    continue;
                }
                let mut lathe = demo_lathe(0);
                lathe["post"] = json!(if rear { "rear" } else { "front" });
                let plan = sound(json!({"thread": {"callout": callout, "hand": hand}, "lathe": lathe, "setup": {"way": way, "wall": wall}}));
                let setup = &plan.point().setup;
                let forward = setup.spindle == Spindle::Forward;
                // Axes: x toward the tailstock, y away from the operator, z up. Forward brings the top of the work toward the
                // operator, so it turns about +x; the surface at y goes with ω × r, whose z part is ω·y.
                let omega = if forward { 1.0 } else { -1.0 };
                let at = match (side, wall) {
                    ("external", _) => {
                        if rear {
                            1.0
                        } else {
                            -1.0
                        }
                    }
                    (_, Some("near")) => -1.0,
                    (_, Some(_)) => 1.0,
                    _ => {
                        if forward {
                            -1.0
                        } else {
                            1.0
                        }
                    }
                };
                let down: bool = omega * at < 0.0;
                let told = format!("{side} {rear} {wall:?} {hand} {way}: {}", setup.says);
                assert_eq!(setup.upright, down, "{told}");
                assert_eq!(setup.says.contains("right way up"), down, "{told}");
                // Into the metal: toward the axis from outside, away from it in a bore.
                let inward: f64 = if side == "external" { -at } else { at };
                assert_eq!(setup.infeed_away, inward > 0.0, "{told}");
                // Fed in along a leaned compound the bit must gain along the cut; the handle is the end on the operator's side.
                let along = if setup.carriage == Carriage::TowardHeadstock { -1.0 } else { 1.0 };
                let handle_x = if inward < 0.0 { along } else { -along };
                assert_eq!(setup.handle_to_tailstock, handle_x > 0.0, "{told}");
            }
        }
    }
    let faults = yoke_trials::reckon(json!({"thread": {"callout": "M20"}, "setup": {"wall": "far"}})).unwrap_err();
    assert_eq!(faults[0].pointer, "/setup/wall");
}

#[test]
fn a_chain_that_gives_the_other_hand_says_so() {
    let mut lathe = demo_lathe(2);
    lathe["tumbler"] = json!(["left"]);
    lathe["arm"] = Value::Null;
    // Two meshes and only the left-hand place: the leadscrew runs against the spindle, and a left-hand thread comes of it.
    let plan = sound(json!({"thread": {"callout": "M16x2"}, "lathe": lathe, "gears": {"hang": {"drivers": [40, 30], "driven": [40, 30]}}}));
    assert_eq!(plan.point().setup.motion.hand, Some(Hand::Left));
    assert!(plan.point().setup.motion.says.contains("a left-hand thread where a right-hand one is wanted"), "{}", plan.point().setup.motion.says);
    assert!(watches(&plan, "danger", "wrong_hand"));
    lathe.as_object_mut().unwrap().remove("tumbler");
    let unknown = sound(json!({"thread": {"callout": "M16x2"}, "lathe": lathe}));
    assert!(unknown.point().setup.motion.hand.is_none() && unknown.point().setup.motion.says.contains("nothing is known of the tumbler"));
}

proptest! {
    /// Each way of indexing that is said to serve really lands on the next start, in exact fractions.
    #[test]
    fn every_way_to_the_next_start_lands_on_it(
        starts in 2_u8..=6, pitch in 1_i128..=12, screw in 2_i128..=12, teeth in proptest::collection::vec(18_u16..=80, 4), four in any::<bool>(),
        dial in 6_u16..=40, marks in proptest::option::of(2_u16..=16),
    ) {
        let lead = Ratio::from_integer(pitch * i128::from(starts)) / Ratio::from_integer(2);
        let profile = json!({"leadscrew": {"pitch_mm": screw}, "gears": teeth, "dial": {"teeth": dial, "marks": marks}, "compound": {"unit": "mm", "graduation": 0.02, "per_turn": 3.0, "travel_mm": 60.0, "swing_deg": [-90, 90]}});
        let lathe = lathe(profile);
        // A train that cuts this very lead is taken as given: what matters is how the gears and the ratio stand together.
        let (drivers, driven) = if four { (teeth[..2].to_vec(), teeth[2..].to_vec()) } else { (teeth[..1].to_vec(), teeth[1..2].to_vec()) };
        let ratio = lead / lathe.leadscrew;
        let hung = Hung { gears: (&drivers, &driven), ratio };
        let ways = index_ways(&lathe, &hung, starts, 1.5, Voice::default());
        let of = |by: IndexBy| ways.iter().find(|w| w.by == by).unwrap();
        let step = lead / Ratio::from_integer(i128::from(starts));
        let whole = |r: Ratio| r.is_integer();
        // Closed k leadscrew pitches off the carriage stands that far off the groove; the next start is a pitch off, give or take leads.
        let lands = |k: i128, i: i128| whole((Ratio::from_integer(k) * lathe.leadscrew - step * Ratio::from_integer(i)) / lead);
        let n = *ratio.numer();
        for i in 1..starts {
            let told = pitches_on(&ratio, starts, i);
            let found = (1..=n).find(|k| lands(*k, i128::from(i)));
            // Where the starts do not divide the repeat some of several may be found, but never the first, so none is told.
            prop_assert_eq!(told, found.filter(|_| n % i128::from(starts) == 0), "start {} of {}", i, starts);
            prop_assert!(i > 1 || told == found);
        }
        let nut = of(IndexBy::HalfNut);
        if nut.serves {
            prop_assert!(lands(i128::from(nut.count.unwrap()), 1));
            prop_assert!(i128::from(dial) % n == 0, "a dial that does not count the thread's repeat cannot tell the starts apart");
        }
        // Slipped some teeth of a driver, the spindle has gone one start round.
        let slip = of(IndexBy::GearTeeth);
        if let Some(count) = slip.count {
            let serves = drivers.iter().enumerate().any(|(i, z)| {
                let before = (0..i).fold(lathe.fixed, |t, j| t * Ratio::new(i128::from(drivers[j]), i128::from(driven[j])));
                Ratio::from_integer(i128::from(count)) / Ratio::from_integer(i128::from(*z)) / before == Ratio::new(1, i128::from(starts))
            });
            prop_assert!(slip.serves && serves);
        } else {
            prop_assert!(!slip.serves && i128::from(drivers[0]) % i128::from(starts) != 0);
        }
        prop_assert!(ways.iter().filter(|w| w.recommended).count() == 1 && ways.iter().any(|w| w.recommended && w.serves));
    }
}

#[test]
fn indexing_of_a_four_start_screw_on_the_yards_lathes() {
    // Tr40x14(P7) on 6 mm: two starts, r = 7/3. Seven is odd, so no half-nut; the compound lies along the bed and has 110 mm.
    let plan = on(1, "Tr40x14(P7)");
    let told: Vec<(IndexBy, bool)> = plan.point().cut.starts.iter().map(|w| (w.by, w.serves)).collect();
    assert_eq!(told[0], (IndexBy::HalfNut, false));
    assert!(
        plan.point().cut.starts[1].serves && plan.point().cut.starts[1].recommended && plan.point().cut.starts[1].says.contains("2 turns + 50"),
        "{:?}",
        plan.point().cut.starts[1]
    );
    // On 2 mm the same lead is r = 7/1: seven again; the Bench's compound swings ten degrees only.
    let bench = on(2, "Tr40x14(P7)");
    assert!(!bench.point().cut.starts[1].serves && bench.point().cut.starts[1].says.contains("does not swing"));
    // Lead 1/2 in two-start on 4 TPI is r = 2: one leadscrew pitch off is a quarter inch, the next start, one tooth of sixteen
    // being a pitch and the eight marks two apart: no mark counts it.
    let long = sound(json!({"thread": {"callout": "1-4 UN", "starts": 2}, "lathe": demo_lathe(0)}));
    assert_eq!((long.point().cut.starts[0].serves, long.point().cut.starts[0].count), (false, Some(1)), "{:?}", long.point().cut.starts[0]);
    let mut lathe = demo_lathe(0);
    lathe["dial"]["marks"] = json!(16);
    let counted = sound(json!({"thread": {"callout": "1-4 UN", "starts": 2}, "lathe": lathe}));
    assert!(counted.point().cut.starts[0].serves && counted.point().cut.starts[0].recommended, "{:?}", counted.point().cut.starts[0]);
    assert!(on(0, "M20").point().cut.starts.is_empty());
}

#[test]
fn the_chart_of_drift_ends_where_the_error_says() {
    // No 127 here, so 1.5 mm on 8 TPI is only neared; the train hung is drawn first.
    let plan = sound(json!({"thread": {"callout": "M20x1.5"}, "lathe": {"leadscrew": {"tpi": 8}, "gears": [20, 30, 35, 40, 45, 50, 55, 60, 63, 65, 70, 80]}}));
    let hung = plan.point().gears.hung.as_ref().unwrap();
    assert!(hung.train.error_ppm != 0.0);
    let chart = plan.point().gears.drift.as_ref().unwrap();
    let line = |role: &str| chart.shapes.iter().find(|s| s.role == role).map(|s| s.line.clone()).unwrap();
    let limit = line("chart.limit")[0][1];
    let nut = line("chart.mark")[0][0];
    let [from, to] = [line("chart.hung")[0], line("chart.hung")[1]];
    // At this nut the line stands as high over the foot as the error takes, the limit being all the room.
    let at_nut = from[1] + (to[1] - from[1]) * (nut - from[0]) / (to[0] - from[0]);
    let own = plan.thread.external.pitch_mm.clone();
    let room = own.max.as_ref().unwrap().value - own.min.as_ref().unwrap().value;
    assert!((at_nut / limit - hung.takes_mm.value / room).abs() < 1e-6, "{at_nut} {limit}");
    assert!((hung.travel_mm.value - hung.train.error_ppm.abs() * 300.0 / 1e6).abs() < 1e-6);
    assert!(on(0, "7/8-9").point().gears.drift.as_ref().is_none_or(|d| d.shapes.iter().any(|s| s.role == "chart.line")));
}
