//! Identification of worn samples: every standard thread, with the noise a hand makes.

use proptest::prelude::Rng;
use proptest::test_runner::{RngAlgorithm, TestRng};
use serde_json::{Value, json};
use std::collections::BTreeMap;
use yoke_core::faults::read_json;
use yoke_core::job::{PlanRequest, settle};
use yoke_core::plan::plan;
use yoke_core::quantity::real;
use yoke_core::thread::System;
use yoke_core::thread::identify::{Identified, Sample, SampleRequest, identify};
use yoke_core::thread::series::{Standard, standards};
use yoke_core::voice::Voice;

fn told(request: Value) -> Identified {
    let (request, faults) = read_json::<SampleRequest>(request);
    identify(&Sample::check(&request, faults, Voice::default()).unwrap(), Voice::default())
}

/// The sizes of a true new screw, from the plan of its callout: outside, pitch, root, angle. The root of
/// a 60° screw is d3 = D − 1.22687P, as ISO 724 rounds it.
fn truth(one: &Standard) -> [f64; 4] {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": one.name}}));
    let (job, lathe, kit) = settle(&request, None, faults).unwrap();
    let thread = plan(&job, &lathe, &kit).thread;
    let (d, p) = (real(&one.major), real(&one.pitch));
    let root = if matches!(one.system, System::IsoMetric | System::Unified) { d - 1.226_87 * p } else { thread.external.minor_mm.max.unwrap().value };
    [d, p, root, thread.included_angle_deg]
}

/// Whether a candidate is this thread: equal in diameter, pitch, angle and starts count as one.
fn is(found: &Identified, place: usize, one: &Standard) -> bool {
    found.candidates.get(place).is_some_and(|c| c.name == one.name || c.also.contains(&one.name))
}

struct Seeded(TestRng);

impl Seeded {
    fn new() -> Self {
        Self(TestRng::from_seed(RngAlgorithm::ChaCha, &[7; 32]))
    }

    /// Evenly between the two.
    fn between(&mut self, low: f64, high: f64) -> f64 {
        low + (high - low) * (f64::from(self.0.next_u32()) / f64::from(u32::MAX))
    }
}

#[test]
fn without_noise_the_thread_is_first_always() {
    for one in standards() {
        let [d, p, root, angle] = truth(one);
        let found = told(json!({"major_mm": d, "spaces": 10, "over_mm": 10.0 * p, "minor_mm": root, "included_angle_deg": angle}));
        assert!(is(&found, 0, one), "{}: {:?}", one.name, found.candidates.first());
        assert!(found.candidates[0].disagrees.is_empty() && found.candidates[0].spaces.is_none(), "{}", one.name);
    }
}

#[test]
fn with_the_noise_of_a_hand_the_thread_is_found() {
    let mut rng = Seeded::new();
    let (mut tries, mut first, mut third) = (0_u32, 0_u32, 0_u32);
    let mut missed: BTreeMap<&str, Vec<String>> = BTreeMap::new();
    for one in standards() {
        let [d, p, root, angle] = truth(one);
        for _ in 0..12 {
            let outside = d * (1.0 - rng.between(0.0, 0.015));
            let over = 10.0 * p + rng.between(-0.2, 0.2);
            let depth = (d - root) / 2.0;
            let minor = root + 2.0 * depth * rng.between(-0.02, 0.02);
            let gauge = angle + rng.between(-1.5, 1.5);
            let found = told(json!({"major_mm": outside, "spaces": 10, "over_mm": over, "minor_mm": minor, "included_angle_deg": gauge}));
            tries += 1;
            first += u32::from(is(&found, 0, one));
            let among = (0..3).any(|i| is(&found, i, one));
            third += u32::from(among);
            if !is(&found, 0, one) {
                let taken = found.candidates.first().map_or("nothing", |c| c.name.as_str());
                missed.entry(one.series.word()).or_default().push(format!("{} taken for {taken}{}", one.name, if among { "" } else { ", and not in three" }));
            }
        }
    }
    for (family, list) in &missed {
        println!("{family}: {} missed: {}", list.len(), list.join("; "));
    }
    let share = |n: u32| f64::from(n) / f64::from(tries);
    println!("first {:.2} %, in three {:.2} % of {tries}", 100.0 * share(first), 100.0 * share(third));
    assert!(share(first) >= 0.95, "first in {:.2} %", 100.0 * share(first));
    assert!(share(third) >= 0.995, "in three in {:.2} %", 100.0 * share(third));
}

#[test]
fn a_miscounted_space_is_caught() {
    let mut rng = Seeded::new();
    let (mut tries, mut caught) = (0_u32, 0_u32);
    for one in standards() {
        let [d, p, root, angle] = truth(one);
        for _ in 0..6 {
            let outside = d * (1.0 - rng.between(0.0, 0.015));
            let minor = root + (d - root) * rng.between(-0.02, 0.02);
            // Ten crests are nine spaces.
            let over = 9.0 * p + rng.between(-0.2, 0.2);
            let found =
                told(json!({"major_mm": outside, "spaces": 10, "over_mm": over, "minor_mm": minor, "included_angle_deg": angle + rng.between(-1.5, 1.5)}));
            tries += 1;
            caught += u32::from((0..3).any(|i| is(&found, i, one) && found.candidates[i].spaces == Some(9)));
        }
    }
    let share = f64::from(caught) / f64::from(tries);
    println!("caught {:.2} % of {tries}", 100.0 * share);
    assert!(share >= 0.95, "caught {:.2} %", 100.0 * share);
}

#[test]
fn the_windlass_bolt_tightens_as_measurements_come() {
    let bare = told(json!({"major_mm": 22.05}));
    assert!(bare.candidates.len() == 8 && bare.special.is_none());
    let found = told(json!({"major_mm": 22.05, "spaces": 10, "over_mm": 28.3, "minor_mm": 18.4, "hand": "right"}));
    let top: Vec<&str> = found.candidates.iter().take(2).map(|c| c.name.as_str()).collect();
    assert!(top.contains(&"7/8 BSW") && top.contains(&"7/8-9 UNC"), "{top:?}");
    assert!(found.candidates[0].next_check.as_ref().unwrap().contains("angle gauges"), "{:?}", found.candidates[0]);
    assert!(found.says[0].contains("55° form, or a 60° one cut with a sharp point"), "{:?}", found.says);
    for (angle, name) in [(55.0, "7/8 BSW"), (60.0, "7/8-9 UNC")] {
        let found = told(json!({"major_mm": 22.05, "spaces": 10, "over_mm": 28.3, "minor_mm": 18.4, "included_angle_deg": angle}));
        assert_eq!(found.candidates[0].name, name);
        assert!(found.candidates.iter().skip(1).all(|c| c.disagrees.iter().any(|d| d.starts_with("angle"))), "{:?}", found.candidates);
    }
    // The special is the sample to the figures measured.
    let special = found.special.unwrap();
    assert_eq!((real(&special.major_mm.unwrap().0), real(&special.pitch_mm.unwrap().0), special.minor_mm), (22.05, 2.83, Some(18.4)));
}

#[test]
fn hand_starts_side_and_wires_are_carried() {
    let found = told(json!({"major_mm": 31.5, "tpi": 5, "included_angle_deg": 29, "hand": "left", "starts": 2}));
    assert_eq!(found.candidates[0].callout, "1-1/4-5 Acme 2 start LH");
    assert_eq!(found.candidates[0].also, ["1-1/4-5 Stub Acme"]);
    let nut = told(json!({"side": "internal", "minor_mm": 17.5, "pitch_mm": 2.5, "included_angle_deg": 60}));
    assert_eq!(nut.candidates[0].callout, "M20 nut");
    // Over 1.45 mm wires an M20×2.5 at 18.25 measures 20.4349 (worked by hand elsewhere): the same size, no other.
    let wired = told(json!({"over_wires": {"mm": 20.435, "wire_mm": 1.45}, "pitch_mm": 2.5}));
    assert_eq!(wired.candidates[0].name, "M20");
    assert!(told(json!({})).candidates.is_empty());
    let none = told(json!({"major_mm": 21.0, "pitch_mm": 4.7, "included_angle_deg": 80}));
    assert!(none.candidates.is_empty() && none.says.iter().any(|s| s.contains("special")));
}

#[test]
fn what_cannot_be_a_sample_is_refused_by_name() {
    for (request, pointer) in [
        (json!({"major_mm": -1}), "/major_mm"),
        (json!({"spaces": 10}), "/over_mm"),
        (json!({"over_mm": 10}), "/spaces"),
        (json!({"spaces": 0, "over_mm": 5}), "/spaces"),
        (json!({"pitch_mm": 2, "tpi": 12}), "/tpi"),
        (json!({"major_mm": 10, "minor_mm": 11}), "/minor_mm"),
        (json!({"included_angle_deg": 300}), "/included_angle_deg"),
        (json!({"side": "internal", "over_wires": {"mm": 20, "wire_mm": 1}}), "/over_wires"),
        (json!({"starts": 40}), "/starts"),
        (json!({"outside": 40}), "/outside"),
    ] {
        let (asked, faults) = read_json::<SampleRequest>(request.clone());
        let faults = Sample::check(&asked, faults, Voice::default()).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == pointer), "{request}: {faults:?}");
    }
}

#[test]
fn a_nut_is_found_from_its_bore_and_pitch() {
    let mut rng = Seeded::new();
    let (mut tries, mut third) = (0_u32, 0_u32);
    for one in standards().iter().filter(|s| matches!(s.system, System::IsoMetric | System::Unified | System::Whitworth | System::Trapezoidal)) {
        let [d, p, _, angle] = truth(one);
        // A nut's bore is made from the basic minor upward, by up to a fifth of the pitch.
        let deep = if one.system == System::Trapezoidal {
            1.0
        } else if one.system == System::Whitworth {
            1.280_654
        } else {
            1.082_532
        };
        let bore = d - deep * p + rng.between(0.0, 0.15) * p;
        let found =
            told(json!({"side": "internal", "minor_mm": bore, "spaces": 10, "over_mm": 10.0 * p + rng.between(-0.1, 0.1), "included_angle_deg": angle}));
        tries += 1;
        let place = (0..3).find(|i| is(&found, *i, one));
        third += u32::from(place.is_some());
        assert!(found.candidates.iter().all(|c| c.callout.contains("nut")));
    }
    let share = f64::from(third) / f64::from(tries);
    println!("nuts in three {:.2} % of {tries}", 100.0 * share);
    assert!(share >= 0.97, "nuts in three in {:.2} %", 100.0 * share);
}

#[test]
fn a_doubt_given_is_a_doubt_taken() {
    // An outside 1.9 % under is past ordinary wear: with the usual doubt it disagrees, with a wide one it agrees.
    let one = |doubt: Option<f64>| {
        let found = told(json!({"major_mm": 19.615, "pitch_mm": 2.5, "included_angle_deg": 60, "doubts": {"major_mm": doubt}}));
        found.candidates.into_iter().find(|c| c.name == "M20").unwrap()
    };
    let (usual, wide) = (one(None), one(Some(1.0)));
    assert!(usual.disagrees.iter().any(|d| d.starts_with("outside")) && wide.disagrees.is_empty(), "{usual:?} {wide:?}");
    assert!(wide.score > usual.score);
}

#[test]
fn each_measurement_tightens_and_none_disturbs_a_true_one() {
    // For every tenth standard thread, measurements are told one by one; the truth never falls as they come.
    for one in standards().iter().step_by(10) {
        let [d, p, root, angle] = truth(one);
        let mut request = json!({});
        let mut before = usize::MAX;
        for (field, value) in [("major_mm", d), ("pitch_mm", p), ("minor_mm", root), ("included_angle_deg", angle)] {
            request[field] = json!(value);
            let found = told(request.clone());
            let place = (0..found.candidates.len()).find(|i| is(&found, *i, one));
            if let (Some(place), true) = (place, before != usize::MAX) {
                assert!(place <= before, "{}: from {before} to {place} when {field} came", one.name);
            }
            before = place.unwrap_or(before);
            assert!(found.candidates.windows(2).all(|w| w[0].score >= w[1].score - 1e-9), "{}: best first", one.name);
        }
        assert_eq!(before, 0, "{}", one.name);
    }
}

#[test]
fn the_depth_says_what_the_form_may_be() {
    let says = |minor: f64| told(json!({"major_mm": 20, "pitch_mm": 4, "minor_mm": minor})).says.first().cloned().unwrap_or_default();
    for (minor, part) in [(17.0, "stub"), (16.2, "between a stub and a full form"), (15.5, "crest flat"), (14.8, "55° form"), (12.0, "deeper than any")] {
        assert!(says(minor).contains(part), "{minor}: {}", says(minor));
    }
    // 0.37 of a pitch of 4 for Acme and trapezoidal, an eighth for 60°, a half for square.
    assert!(says(15.5).contains("1.480 mm") && says(15.5).contains("0.500 mm") && says(15.5).contains("2.000 mm"), "{}", says(15.5));
    let known = told(json!({"major_mm": 20, "pitch_mm": 4, "minor_mm": 15.5, "included_angle_deg": 30}));
    assert!(known.says.is_empty(), "a gauge in the groove settles it");
    assert_eq!(known.candidates[0].name, "Tr20×4");
}

proptest::proptest! {
    #[test]
    fn no_sample_panics(numbers in proptest::collection::vec(proptest::option::of(proptest::prelude::any::<f64>()), 9), counts in proptest::collection::vec(proptest::option::of(-5_i64..2000), 2), nut: bool, left: bool) {
        let n = |i: usize| numbers[i].filter(|v| v.is_finite()).map(|v| v % 500.0);
        let request = json!({
            "side": if nut { "internal" } else { "external" }, "hand": if left { "left" } else { "right" },
            "major_mm": n(0), "pitch_mm": n(1), "tpi": n(2), "minor_mm": n(3), "included_angle_deg": n(4), "over_mm": n(5), "spaces": counts[0], "starts": counts[1],
            "over_wires": n(6).zip(n(7)).map(|(mm, wire)| json!({"mm": mm, "wire_mm": wire})), "doubts": {"major_mm": n(8)}
        });
        let (asked, faults) = read_json::<SampleRequest>(request.clone());
        match Sample::check(&asked, faults, Voice::default()) {
            Err(faults) => assert!(faults.iter().all(|f| f.pointer.starts_with('/') && f.detail.len() > 10), "{faults:?}"),
            Ok(sample) => {
                let found = identify(&sample, Voice::default());
                assert!(found.candidates.len() <= 8 && found.candidates.iter().all(|c| (0.0..=1.0).contains(&c.score)), "{request}");
                assert!(found.drawing.bounds.iter().all(|b| b.is_finite()), "{request}");
            }
        }
    }
}
