//! Pairs: the second member follows the first, and the clearances are those of the two as they are.

use proptest::prelude::*;
use serde_json::json;
use yoke_core::thread::PairSchool;
use yoke_core::thread::series::standards;
use yoke_trials::{SinglePoint, reckon, sound, watches};

proptest! {
    #![proptest_config(ProptestConfig::with_cases(150))]

    /// Whatever the first was made to, the second's limits leave the standard's least clearance and its own
    /// tolerance, and the two never bind on crest or root.
    #[test]
    fn the_second_fits_the_first_as_made(i in 0..standards().len(), inside: bool, share in -0.5_f64..1.5) {
        let one = &standards()[i];
        let side = if inside { "internal" } else { "external" };
        let school = if inside { "external_first" } else { "internal_first" };
        let plain = sound(json!({"thread": {"callout": one.name, "side": side}}));
        let member = |p: &yoke_core::plan::Plan, internal: bool| {
            let range = if internal { &p.thread.internal.pitch_mm } else { &p.thread.external.pitch_mm };
            (range.min.as_ref().unwrap().value, range.max.as_ref().unwrap().value)
        };
        let (own, mate) = (member(&plain, inside), member(&plain, !inside));
        let made = mate.0 + share * (mate.1 - mate.0);
        let plan = sound(json!({"thread": {"callout": one.name, "side": side}, "mate": {"school": school, "made_pitch_diameter_mm": made}}));
        let pair = plan.pair.as_ref().unwrap();
        let [low, high] = [pair.limits_mm[0].value, pair.limits_mm[1].value];
        prop_assert!((high - low - (own.1 - own.0)).abs() < 1e-9, "{}: its own tolerance to work in", one.name);
        let least = if inside { own.0 - mate.1 } else { mate.0 - own.1 };
        let tightest = if inside { low - made } else { made - high };
        prop_assert!((tightest - least).abs() < 1e-9, "{}: {tightest} {least}", one.name);
        // Cut and gauge follow: the aim lies in the middle of the fitted limits.
        prop_assert!((plan.point().cut.target_pitch_diameter_mm.value - f64::midpoint(low, high)).abs() < 1e-9);
        prop_assert!((plan.gauge.min_mm.value - low).abs() < 1e-9 && (plan.gauge.max_mm.value - high).abs() < 1e-9);
        prop_assert_eq!(watches(&plan, "note", "pair_own"), made < mate.0 - 5e-4 || made > mate.1 + 5e-4);
        // A first at its fullest leaves the second exactly where the standard has it.
        let full = if inside { mate.1 } else { mate.0 };
        let same = sound(json!({"thread": {"callout": one.name, "side": side}, "mate": {"school": school, "made_pitch_diameter_mm": full}}));
        prop_assert!((same.pair.unwrap().limits_mm[0].value - own.0).abs() < 1e-9);
    }
}

#[test]
fn one_is_recommended_and_every_school_shows_its_numbers() {
    let pair = |request| sound(request).pair.unwrap();
    let acme = pair(json!({"thread": {"callout": "1-1/4-5 Acme LH"}, "mate": {}}));
    // Wires prove the screw and nothing of the yard's the nut.
    assert_eq!((acme.recommended, acme.school, acme.first), (PairSchool::ExternalFirst, PairSchool::ExternalFirst, Some(true)));
    assert!(acme.reason.contains("26.670 mm"), "{}", acme.reason);
    let with = |kit: serde_json::Value| pair(json!({"thread": {"callout": "M30x2"}, "mate": {}, "kit": kit}));
    let (plug, wires) = (json!([{"thread": "M30x2-6H", "kind": "plug"}]), json!([1.1, 1.2]));
    let said = [with(json!({"gauges": plug})), with(json!({"gauges": plug, "wires_mm": wires})), with(json!({"wires_mm": [5.0]}))];
    assert!(said.iter().all(|p| p.recommended == PairSchool::InternalFirst), "{said:?}");
    assert!(said[0].reason.contains("not the screw") && said[1].reason.contains("either") && said[2].reason.contains("turn a plug"), "{said:?}");
    assert_eq!(with(json!({"wires_mm": wires})).recommended, PairSchool::ExternalFirst);
    assert_eq!(acme.schools.len(), 3);
    // Allowance 0.0089 in; screw and nut tolerances 0.0201 in each: 0.226 to 1.247 mm when both keep to limits.
    assert!(acme.schools[2].consequence.contains("0.226 mm to 1.247 mm"), "{}", acme.schools[2].consequence);
    let many = pair(json!({"thread": {"callout": "M20"}, "mate": {"interchange": true}}));
    assert_eq!((many.recommended, many.first), (PairSchool::Limits, None));
    // Clearances at the limits are the differences of the limits, by hand for M20-6g/6H: 18.376 − 18.334 and 18.6 − 18.164.
    assert!((many.clearances[0].least.value - 0.042).abs() < 1e-9 && (many.clearances[0].most.as_ref().unwrap().value - 0.436).abs() < 1e-9);
    let close = pair(json!({"thread": {"callout": "1 BSW close"}, "mate": {"school": "limits"}}));
    assert!(close.gaps_times > 1.0 && acme.gaps_times <= close.gaps_times, "a gap of a tenth is drawn larger");
}

#[test]
fn the_order_is_watched_and_a_clearance_of_ones_own_is_kept() {
    let early = sound(json!({"thread": {"callout": "M20"}, "mate": {"school": "internal_first"}}));
    assert!(watches(&early, "warn", "pair_order"));
    let first = sound(json!({"thread": {"callout": "M20"}, "mate": {"school": "external_first"}}));
    assert!(!watches(&first, "warn", "pair_order") && first.pair.as_ref().unwrap().first == Some(true));
    // 0.1 asked for between them: a nut of 18.45 takes a screw of 18.35 at most.
    let own = sound(json!({"thread": {"callout": "M20"}, "mate": {"school": "internal_first", "made_pitch_diameter_mm": 18.45, "clearance_mm": 0.1}}));
    assert!((own.pair.unwrap().limits_mm[1].value - 18.35).abs() < 1e-9);
    for (mate, pointer) in [
        (json!({"made_pitch_diameter_mm": 2.0}), "/mate/made_pitch_diameter_mm"),
        (json!({"clearance_mm": -1}), "/mate/clearance_mm"),
        (json!({"school": "sideways"}), "/mate/school"),
    ] {
        let faults = reckon(json!({"thread": {"callout": "M20"}, "mate": mate})).unwrap_err();
        assert_eq!(faults[0].pointer, pointer, "{faults:?}");
    }
}

#[test]
fn crests_and_roots_as_made_stand_in_the_clearances() {
    // A nut cut to a screw of 19.8 outside and 16.9 at the root: its own crest is the bore, its root where the tip goes.
    let plan = sound(json!({"thread": {"callout": "M20-6H"}, "blank": {"diameter_mm": 17.4}, "bit": {"tip_flat_mm": 0.3125},
        "mate": {"school": "external_first", "made_pitch_diameter_mm": 18.2, "made_crest_mm": 19.8, "made_root_mm": 16.9}}));
    let now: Vec<f64> = plan.pair.unwrap().clearances.iter().map(|c| c.now.value).collect();
    let target = plan.run.target_mm;
    let root = target + 2.0 * (2.5 / 4.0 - 0.3125 / 2.0) / 30_f64.to_radians().tan();
    assert!((now[0] - (target - 18.2)).abs() < 1e-9 && (now[1] - (root - 19.8)).abs() < 1e-9 && (now[2] - (17.4 - 16.9)).abs() < 1e-9, "{now:?}");
    assert!((plan.run.root_at(target) - root).abs() < 1e-9);
}

/// Whichever was finished is followed, whatever the school says, but to limits; a size over wires is a size; and one that was only reckoned
/// leaves metal for any mate there may be, to be tried.
#[test]
fn the_one_made_is_followed_and_one_never_measured_is_tried() {
    let plan = |mate: serde_json::Value| sound(json!({"thread": {"callout": "M20-6H"}, "mate": mate}));
    let followed = |mate: serde_json::Value| {
        let plan = plan(mate);
        (plan.pair.as_ref().unwrap().first, plan.pair.as_ref().unwrap().limits_mm[0].value)
    };
    // Allowance of M20-6g 0.042: the nut begins so much over the screw as made.
    assert_eq!(followed(json!({"school": "internal_first", "made_pitch_diameter_mm": 18.2})), (Some(false), 18.242));
    assert_eq!(followed(json!({"school": "limits", "made_pitch_diameter_mm": 18.2})), (None, 18.376));
    assert!(watches(&plan(json!({"school": "limits", "made_pitch_diameter_mm": 18.0})), "warn", "pair_own"));
    let over = followed(json!({"made_over_wires_mm": 20.385, "made_wire_mm": 1.45}));
    // By hand: M = E + 3w − 0.866025P, so E = 20.385 − 4.35 + 2.16506; the lead's correction is a few micrometres.
    assert!((over.1 - 0.042 - 18.2).abs() < 0.006, "{over:?}");
    // Only reckoned, 0.06 either way: 18.2 − 0.06 is the smallest it may be.
    let reckoned = plan(json!({"made_pitch_diameter_mm": 18.2, "made_doubt_mm": 0.06, "clearance_mm": 0.05}));
    let limits = &reckoned.pair.as_ref().unwrap().limits_mm;
    let band = reckoned.thread.internal.pitch_mm.max.as_ref().unwrap().value - reckoned.thread.internal.pitch_mm.min.as_ref().unwrap().value;
    assert!((limits[0].value - 18.19).abs() < 1e-9 && (limits[1].value - (18.31 + band)).abs() < 1e-9, "{limits:?} {band}");
    assert!((reckoned.run.target_mm - 18.19).abs() < 1e-9 && reckoned.run.must_try);
    for (mate, at) in [
        (json!({"made_over_wires_mm": 20.4}), "/mate/made_wire_mm"),
        (json!({"made_over_wires_mm": 20.4, "made_wire_mm": 1.45, "made_pitch_diameter_mm": 18.2}), "/mate/made_over_wires_mm"),
    ] {
        assert!(reckon(json!({"thread": {"callout": "M20-6H"}, "mate": mate})).unwrap_err().iter().any(|f| f.pointer == at));
    }
    let nut = reckon(json!({"thread": {"callout": "M20-6g"}, "mate": {"made_over_wires_mm": 20.4, "made_wire_mm": 1.45}})).unwrap_err();
    assert_eq!(nut[0].pointer, "/mate/made_over_wires_mm");
}
