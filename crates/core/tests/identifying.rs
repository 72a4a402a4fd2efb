//! Identification of worn samples: every standard thread, with the noise a hand makes.
#![allow(missing_docs, clippy::unwrap_used, clippy::panic, clippy::print_stdout)]

use proptest::prelude::Rng;
use proptest::test_runner::{RngAlgorithm, TestRng};
use serde_json::{Value, json};
use std::collections::BTreeMap;
use yoke_core::job::{PlanRequest, read_json, settle};
use yoke_core::plan::plan;
use yoke_core::quantity::real;
use yoke_core::thread::System;
use yoke_core::thread::identify::{Identified, Sample, SampleRequest, identify};
use yoke_core::thread::series::{Standard, standards};

fn told(request: Value) -> Identified {
    let (request, faults) = read_json::<SampleRequest>(request);
    identify(&Sample::check(&request, faults).unwrap())
}

/// The sizes of a true new screw, from the plan of its callout: outside, pitch, root, angle. The root of
/// a 60° screw is d3 = D − 1.22687P, as ISO 724 rounds it.
fn truth(one: &Standard) -> [f64; 4] {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": one.name}}));
    let (job, lathe, kit) = settle(&request, None, faults).unwrap();
    let thread = plan(&job, &lathe, &kit).thread;
    let (d, p) = (real(&one.major), real(&one.pitch));
    let root = if matches!(one.system, System::IsoMetric | System::Unified) { d - 1.226_87 * p } else { thread.external.minor_mm.max.unwrap().value };
    [d, p, root, 2.0 * thread.half_angle_deg]
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
        let faults = Sample::check(&asked, faults).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == pointer), "{request}: {faults:?}");
    }
}
