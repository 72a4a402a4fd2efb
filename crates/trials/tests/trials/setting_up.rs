//! Set-up: the check and its cures, the picture against the motion chain, the steps that ask again.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::direction::{Carriage, Hand, Spindle};
use yoke_core::job::{Ending, Speeds};
use yoke_core::plan::{CheckLine, Plan, State, plan as reckon};
use yoke_core::sheets::{SetupSheet, setup_sheet, ways_sheet};
use yoke_core::thread::Side;
use yoke_core::watch::Level;
use yoke_trials::{SinglePoint, demo_lathe, patched, settled, sound};

fn whole(request: &Value) -> (Plan, SetupSheet) {
    let (job, lathe, kit) = settled(request.clone()).unwrap_or_else(|f| panic!("{f:?} in {request}"));
    let plan = reckon(&job, &lathe, &kit);
    let sheet = setup_sheet(&plan.point(), &job, &lathe);
    (plan, sheet)
}

fn line<'a>(plan: &'a Plan, code: &str) -> Option<&'a CheckLine> {
    plan.check.lines.iter().find(|l| l.code == code)
}

/// A request whose line of this code is red, and the cure that turns it.
fn red(code: &str, mut request: Value) {
    let (plan, _) = whole(&request);
    let bad = line(&plan, code).unwrap_or_else(|| panic!("no line {code} in {:?}", plan.check.lines.iter().map(|l| l.code).collect::<Vec<_>>()));
    assert_eq!(bad.state, State::Bad, "{code}: {}", bad.says);
    assert!(!plan.check.ready && !bad.says.is_empty());
    let cure = bad.cure.as_ref().unwrap_or_else(|| panic!("{code} names no cure"));
    let change = cure.change.as_ref().unwrap_or_else(|| panic!("{code}: “{}” is not a change that can be made", cure.says));
    patched(&mut request, change);
    let (plan, _) = whole(&request);
    let after = line(&plan, code).unwrap();
    assert_ne!(after.state, State::Bad, "{code}: after “{}” still: {}", cure.says, after.says);
}

#[test]
fn every_red_line_comes_up_and_its_cure_cures_it() {
    let on = |lathe: usize, mut more: Value| {
        more["lathe"] = demo_lathe(lathe);
        more
    };
    let shoulder = |more: Value| {
        let mut blank = json!({"shoulder": true});
        patched(&mut blank, &more);
        blank
    };
    red("stock", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "blank": {"diameter_mm": 20.4}})));
    red("stock", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "blank": {"diameter_mm": 18.0}})));
    red("stick_out", on(0, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 120}})));
    red("stick_out", on(0, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 200}, "blank": {"support": "centre"}})));
    red("gears_hang", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "gears": {"hang": {"drivers": [24, 28], "driven": [127, 100]}}})));
    red("gears_hang", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "gears": {"max_changes": 0, "exact_only": true}})));
    red("gears_on", on(0, json!({"thread": {"callout": "M20x2.5-6g"}})));
    red("lead", on(0, json!({"thread": {"callout": "M20x2.5-6g", "engagement_mm": 60}, "gears": {"hang": {"drivers": [24, 46], "driven": [44, 64]}}})));
    let mut one_way = demo_lathe(0);
    one_way["spindle"]["reverses"] = json!(false);
    red("hand", json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": one_way, "setup": {"way": "away"}}));
    let bar = |name: &str, thick: f64| json!({"name": name, "kind": "internal", "material": "hss", "included_angle_deg": 60, "tip_flat_mm": 0.1, "bar_diameter_mm": thick, "tip_to_back_mm": thick + 4.0, "reach_mm": 60});
    let bars = json!({"wires_mm": [1.6], "drills_mm": [], "bits": [bar("thick", 12.0), bar("thin", 8.0)]});
    red("tool_in", on(1, json!({"thread": {"callout": "M16x1.5-6H", "length_mm": 18}, "bit": {"owned": "thick"}, "kit": bars})));
    let bit = |name: &str, condition: &str| json!({"name": name, "kind": "external", "material": "hss", "included_angle_deg": 60, "tip_flat_mm": 0.35, "condition": condition});
    let bits = json!({"wires_mm": [1.45], "drills_mm": [], "bits": [bit("old", "broken"), bit("new", "sharp")]});
    red("tool_in", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"owned": "old"}, "kit": bits})));
    red("tool_clears", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"leading_relief_deg": 2, "trailing_relief_deg": 8}})));
    red("tip", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.9}})));
    red("tip", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.0}})));
    red("tip", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"included_angle_deg": 56}})));
    red("relief_depth", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "blank": shoulder(json!({"relief_diameter_mm": 17.2, "relief_width_mm": 12}))})));
    red("relief_width", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "blank": shoulder(json!({"relief_width_mm": 2.5}))})));
    red("relief_width", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "blank": shoulder(json!({"relief_width_mm": 8, "relief_corner_mm": 4}))})));
    red("relief_width", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "blank": shoulder(json!({"end": "plunged_ring"})), "setup": {"ending": "closed"}})));
    red("speed", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "setup": {"spindle_rpm": 530}})));
    red("speed", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "setup": {"spindle_rpm": 100}})));
    red("speed", on(0, json!({"thread": {"callout": "1-8 UNC"}, "setup": {"runout_mm": 0.5}})));
    red("speed", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "setup": {"balance_rpm": 10}})));
    red("dial", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "setup": {"ending": "dial"}})));
    red("dial", on(2, json!({"thread": {"callout": "M20x2.5-6g"}, "setup": {"ending": "same_mark"}})));
    red("chuck", on(2, json!({"thread": {"callout": "M16x2-6g"}, "setup": {"way": "away"}})));
    red("chuck", on(2, json!({"thread": {"callout": "M20x2.5-6g"}, "setup": {"ending": "closed"}})));
    red("slide", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "cut": {"style": "flank", "compound_angle_deg": 45}})));
    red("slide", on(2, json!({"thread": {"callout": "M20x2.5-6g"}, "cut": {"style": "flank"}})));
    red("proof", on(0, json!({"thread": {"callout": "M20x2.5-6g"}, "gauge": {"wires_mm": [0.5], "mate_at_hand": false}})));
    red("proof", on(1, json!({"thread": {"callout": "M36x1.5-6H"}, "gauge": {"mate_at_hand": false}})));
}

#[test]
fn a_job_with_everything_told_is_green_and_what_is_not_told_is_said() {
    let told = json!({
        "thread": {"callout": "7/8-9 UNC-2A", "length_mm": 45}, "lathe": demo_lathe(0),
        "blank": {"diameter_mm": 22.0, "stick_out_mm": 70, "support": "centre"}, "bit": {"owned": "60° HSS 10 mm", "tip_flat_mm": 0.4, "leading_relief_deg": 9, "trailing_relief_deg": 5},
    });
    let (plan, _) = whole(&told);
    let hung = &plan.point().gears.hung.as_ref().unwrap().train;
    let mut told = told;
    told["lathe"]["mounted"] = json!({"drivers": hung.drivers, "driven": hung.driven});
    let (plan, _) = whole(&told);
    assert!(
        plan.check.ready && plan.check.lines.iter().all(|l| l.state == State::Good),
        "{:?}",
        plan.check.lines.iter().filter(|l| l.state != State::Good).map(|l| (&l.code, &l.says)).collect::<Vec<_>>()
    );
    assert_eq!(plan.check.says, "Nothing stands against the first chip.");
    // Of a bare callout it does not make itself sure.
    let bare = sound(json!({"thread": {"callout": "7/8-9 UNC-2A"}}));
    let open: Vec<&str> = bare.check.lines.iter().filter(|l| l.state == State::Unknown).map(|l| l.code).collect();
    assert!(["stock", "tool_in", "tool_clears", "tip"].iter().all(|c| open.contains(c)), "{open:?}");
    // No micrometers listed at all is not the same as none that spans it.
    let none = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "kit": {"wires_mm": [1.45]}}));
    assert_eq!(line(&none, "proof").unwrap().state, State::Unknown);
    let short = sound(
        json!({"thread": {"callout": "M20x2.5-6g"}, "gauge": {"mate_at_hand": false}, "kit": {"wires_mm": [1.45], "micrometers": [{"name": "small", "from_mm": 0, "to_mm": 15}]}}),
    );
    assert_eq!(line(&short, "proof").unwrap().state, State::Bad);
    // Too short for three wires, and a pitch wider than an anvil.
    for thread in [json!({"callout": "M20x2.5-6g", "length_mm": 4}), json!({"callout": "Tr60x9"})] {
        let plan = sound(json!({"thread": thread, "gauge": {"proof": "wires", "wires_mm": [1.45, 4.7]}}));
        assert_eq!(line(&plan, "proof").unwrap().state, State::Bad, "{:?}", line(&plan, "proof"));
    }
    // A plug's sizes are the bore's own limits.
    let plug = sound(json!({"thread": {"callout": "M36x1.5-6H"}, "gauge": {"proof": "plug"}}));
    let gauge = plug.proof.gauge.as_ref().unwrap();
    assert!((gauge.go_mm.value - 35.026).abs() < 1e-6 && (gauge.not_go_mm.value - 35.226).abs() < 1e-6, "{gauge:?}");
}

fn any_job() -> impl Strategy<Value = Value> {
    let threads = prop::sample::select(vec!["M20x2.5", "M36x1.5-6H", "7/8-9", "1-1/4-5 Acme", "G1-1/4", "1-4 Square", "Tr40x14(P7)"]);
    let style = prop::sample::select(vec!["radial", "flank", "modified_flank", "alternating", "stocking_then_form"]);
    let ending = prop::sample::select(vec!["auto", "dial", "closed", "same_mark", "hand", "chalk_marks"]);
    (threads, any::<bool>(), any::<bool>(), 0_usize..3, style, ending, any::<[bool; 4]>(), prop::option::of(1.0_f64..30.0)).prop_map(
        |(callout, left, internal, lathe, style, ending, [away, rear, shoulder, far], runout)| {
            let mut lathe = demo_lathe(lathe);
            if rear {
                lathe["post"] = json!("rear");
            }
            let internal = internal || callout.ends_with("6H");
            let mut request = json!({
                "thread": {"callout": callout, "hand": if left { "left" } else { "right" }, "side": if internal { "internal" } else { "external" }},
                "lathe": lathe, "blank": {"shoulder": shoulder},
                "setup": {"way": if away { "away" } else { "toward" }, "ending": ending, "runout_mm": runout},
                "cut": {"style": if callout.contains("Square") { "radial" } else { style }},
            });
            if internal && far {
                request["setup"]["wall"] = json!("far");
            }
            request
        },
    )
}

proptest! {
    /// Check, picture and motion chain tell one story, and the slide never feeds against the carriage.
    #[test]
    fn check_picture_and_chain_agree_over_all_combinations(request in any_job()) {
        let (plan, sheet) = whole(&request);
        let setup = &plan.point().setup;
        let arrow = |role: &str| { let s = sheet.picture.shapes.iter().find(|s| s.role == role).unwrap(); [s.line[1][0] - s.line[0][0], s.line[1][1] - s.line[0][1]] };
        let (carriage, infeed, out, spindle) = (arrow("setup.carriage"), arrow("setup.infeed"), arrow("setup.retract"), arrow("setup.spindle"));
        // The headstock is to the left, the operator below.
        prop_assert_eq!(carriage[0] < 0.0, setup.carriage == Carriage::TowardHeadstock);
        prop_assert_eq!(infeed[1] > 0.0, setup.infeed_away);
        prop_assert!(infeed[1] * out[1] < 0.0, "out is the way it did not come in");
        prop_assert!(infeed[0] * carriage[0] >= -1e-9, "the slide feeds with the carriage or straight in: {infeed:?} {carriage:?}");
        prop_assert_eq!(spindle[1] < 0.0, setup.spindle == Spindle::Forward);
        // The hand by the drawn arrows alone: over the top toward the operator and carriage to the headstock is right.
        let drawn = if (spindle[1] < 0.0) == (carriage[0] < 0.0) { Hand::Right } else { Hand::Left };
        prop_assert_eq!(drawn, setup.hand_cut);
        if let Some(chain) = setup.motion.hand {
            prop_assert_eq!(line(&plan, "hand").unwrap().state == State::Good, chain == plan.thread.hand && setup.hand_cut == plan.thread.hand && !plan.watch.iter().any(|w| w.code.name() == "wrong_hand" && w.level != Level::Note));
        }
        // Outside the tool points to the work from its own side; in a bore it points at the wall it cuts.
        let slants = plan.point().cut.angle_deg > 0.0;
        if slants {
            let handle = sheet.picture.shapes.iter().find(|s| s.role == "setup.handle").unwrap().circle.unwrap();
            let seat = sheet.picture.shapes.iter().find(|s| s.role == "line.centre").unwrap().line[0][0];
            prop_assert_eq!(handle.x > seat, setup.handle_to_tailstock);
        }
        // Nothing dangerous is green.
        prop_assert!(!plan.check.ready || plan.watch.iter().all(|w| w.level != Level::Danger), "{:?}", plan.watch);
        for d in std::iter::once(&sheet.picture).chain(&sheet.speeds) {
            let [l, b, r, t] = d.bounds;
            prop_assert!(d.shapes.iter().flat_map(|s| &s.line).all(|q| q[0] >= l && q[0] <= r && q[1] >= b && q[1] <= t), "{}", d.says);
        }
        prop_assert_eq!(plan.thread.side == Side::External, setup.wall.is_none());
    }

    /// The speed is one the lathe has, under every limit that it can meet.
    #[test]
    fn speed_meets_every_limit_there_is(request in any_job(), balance in prop::option::of(20.0_f64..400.0), comfort in prop::option::of(20.0_f64..400.0)) {
        let mut request = request;
        patched(&mut request, &json!({"setup": {"balance_rpm": balance, "comfort_rpm": comfort}}));
        let (plan, _) = whole(&request);
        let setup = &plan.point().setup;
        let by_hand = serde_json::to_value(setup.ending).unwrap() == "hand";
        // Turned by hand there is no speed, and none is spoken of.
        prop_assert_eq!(setup.speed_and_limit().is_none(), by_hand);
        let Some([speed, limit]) = setup.speed_and_limit() else {
            let told = serde_json::to_value((setup, &plan.run, &plan.check)).unwrap().to_string();
            prop_assert!(setup.limits.is_empty() && !told.contains(" rpm"), "{told}");
            return Ok(());
        };
        let slowest = match &setup.lathe_speeds {
            Speeds::Steps(list) => { prop_assert!(list.contains(&speed)); list[0] }
            Speeds::Between { from, to } => { prop_assert!((*from..=*to).contains(&speed)); *from }
        };
        let least = setup.limits.iter().map(|l| l.rpm.value).fold(f64::INFINITY, f64::min);
        prop_assert!(speed <= least + 1e-9 || speed == slowest, "{speed} over {least}");
        prop_assert_eq!(setup.limits.iter().filter(|l| l.binds).count(), 1);
        prop_assert!((limit - least).abs() < 1e-9);
        prop_assert!(speed <= least + 1e-9 || !plan.check.ready, "too fast is never green");
    }
}

#[test]
fn a_room_too_short_for_the_slowest_speed_is_a_danger_with_its_cure() {
    let plan = sound(json!({"thread": {"callout": "1-8 UNC"}, "lathe": demo_lathe(0), "blank": {"shoulder": true, "relief_width_mm": 3.6}}));
    let danger = plan.watch.iter().find(|w| w.code.name() == "stopping").unwrap();
    assert!(danger.level == Level::Danger && danger.text.contains("by hand") && danger.text.contains("widen"), "{danger:?}");
    assert_eq!(plan.point().setup.speed_and_limit().unwrap()[0], 27.0, "the slowest it has");
}

#[test]
fn steps_ask_again_when_what_they_hang_on_changes() {
    let base = json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0)});
    let stamps = |change: Value| {
        let mut request = base.clone();
        patched(&mut request, &change);
        whole(&request).1.steps.into_iter().map(|s| (s.code, s.stamp)).collect::<std::collections::BTreeMap<_, _>>()
    };
    let first = stamps(json!({}));
    assert_eq!(first, stamps(json!({})), "the same job asks nothing again");
    assert_eq!(first, stamps(json!({"words": "british"})), "nor does another way of saying it");
    let changed = |change: Value| {
        let now = stamps(change);
        let mut codes: Vec<&str> = first.keys().chain(now.keys()).copied().filter(|c| first.get(c) != now.get(c)).collect();
        codes.dedup();
        codes
    };
    let angle = changed(json!({"cut": {"compound_angle_deg": 29}}));
    assert!(angle.contains(&"slide") && !angle.contains(&"gears") && !angle.contains(&"height"), "{angle:?}");
    let speed = changed(json!({"setup": {"spindle_rpm": 84}}));
    assert!(speed.contains(&"speed") && speed.contains(&"stops") && !speed.contains(&"slide"), "{speed:?}");
    let train = changed(json!({"gears": {"hang": {"drivers": [40, 60], "driven": [48, 127]}}}));
    assert!(train.contains(&"gears") && !train.contains(&"stock"), "{train:?}");
    // What must not happen is not in the list: cautions belong to the set-up they are shown with.
    let plain = whole(&base).1.cautions.join(" ");
    assert!(!plain.contains("unscrew") && !plain.contains("carbide") && plain.contains("gloves"), "{plain}");
    let bench = whole(&json!({"thread": {"callout": "M16x1.5"}, "lathe": demo_lathe(2), "setup": {"ending": "closed"}})).1.cautions.join(" ");
    assert!(bench.contains("unscrew"), "{bench}");
}

/// The picture from above is to scale: jaws, rooms, relief and the bit's width by hand from what was told; a long part is broken off, and then
/// both ends are still true.
#[test]
fn the_picture_from_above_is_to_scale() {
    let told = json!({
        "thread": {"callout": "M36x4", "length_mm": 50}, "lathe": demo_lathe(1), "bit": {"body_ahead_mm": 6},
        "blank": {"stick_out_mm": 80, "shoulder": false, "holding": "three_jaw"}, "setup": {"backlash_mm": 2, "ending": "hand"},
    });
    let (plan, sheet) = whole(&told);
    let line = |role: &str| sheet.picture.shapes.iter().filter(|s| s.role == role).flat_map(|s| s.line.clone()).collect::<Vec<_>>();
    let most = |points: &[[f64; 2]], axis: usize| points.iter().map(|p| p[axis]).fold(f64::MIN, f64::max);
    let work = line("motion.work");
    // Fifty of thread, the jaws eighty from its free end, the bar as thick as the blank.
    assert!((most(&work, 0) - 50.0).abs() < 1e-9 && (most(&work, 1) * 2.0 - plan.blank.used_mm.value).abs() < 1e-6, "{work:?}");
    assert!((most(&line("motion.chuck"), 0) + 30.0).abs() < 1e-9);
    // The pass starts the run-up clear of the work, and the bit is twice its six ahead of the point.
    assert!((line("setup.start")[0][0] - 50.0 - plan.point().setup.run_up_mm.value).abs() < 1e-9);
    let bit = line("motion.bit");
    assert!((most(&bit, 0) - bit.iter().map(|p| p[0]).fold(f64::MAX, f64::min) - 12.0).abs() < 1e-9);
    let room = |name: &str| sheet.picture.dimensions.iter().find(|d| d.name == name).map(|d| (d.to[0] - d.from[0], d.figure.value));
    for name in ["length", "run_up", "stick_out", "room"] {
        let (drawn, figure) = room(name).unwrap_or_else(|| panic!("no {name}"));
        assert!((drawn - figure).abs() < 1e-6, "{name}: {drawn} for {figure}");
    }
    assert_eq!(room("room").map(|r| r.1), Some(30.0));
    // Six hundred of it is broken off: the room at the jaws, the relief and the run-up stay true.
    let mut long = told.clone();
    patched(
        &mut long,
        &json!({"thread": {"length_mm": 600}, "blank": {"stick_out_mm": 640, "shoulder": true, "relief_width_mm": 18}, "setup": {"ending": null}}),
    );
    let (plan, sheet) = whole(&long);
    assert!(sheet.picture.shapes.iter().any(|s| s.role == "line.break"));
    let room = |name: &str| sheet.picture.dimensions.iter().find(|d| d.name == name).map(|d| d.to[0] - d.from[0]);
    assert!((room("relief_width").unwrap() - 18.0).abs() < 1e-9 && (room("run_up").unwrap() - plan.point().setup.run_up_mm.value).abs() < 1e-6);
    assert!((room("runs_on").unwrap() - plan.point().setup.stopping_mm.value).abs() < 1e-6);
}

/// Every way is seen: what an ending costs of the thread is drawn as long as its figure says, the half-nut shown open only where it is opened,
/// and nobody holds a bar without something that holds it.
#[test]
fn the_ways_there_are_are_each_seen_true() {
    let told = json!({"thread": {"callout": "M36x4", "length_mm": 60}, "lathe": demo_lathe(1), "blank": {"shoulder": true}});
    let (facts, lathe, kit) = settled(told).unwrap();
    let plan = reckon(&facts, &lathe, &kit);
    let ways = ways_sheet(&plan.point(), &facts);
    assert_eq!(
        (ways.ends.len(), ways.pass_ends.len(), ways.holdings.len()),
        (plan.blank.endings.len(), plan.point().setup.endings.len(), plan.blank.holdings.len())
    );
    for (seen, said) in ways.ends.iter().zip(&plan.blank.endings) {
        // From where the full thread ends to the shoulder.
        let root = seen.drawing.shapes.iter().find(|s| s.role == "blank.thread").unwrap();
        let full = if root.line.len() == 3 { root.line[1] } else { *root.line.last().unwrap() };
        let lost = 60.0 - said.usable_mm.value;
        assert!((-full[0] - lost).abs() < 1e-6 || lost < 1e-9, "{:?}: {} for {lost}", seen.end, -full[0]);
    }
    for seen in &ways.pass_ends {
        let opened = seen.drawing.shapes.iter().any(|s| s.role == "nut.open");
        assert_eq!(opened, !matches!(seen.ending, Ending::Closed | Ending::Hand), "{:?}", seen.ending);
        assert_eq!(opened, seen.says.contains("opened"), "{}", seen.says);
    }
    for seen in &ways.holdings {
        let touches = |s: &yoke_core::outline::Shape| s.role == "motion.chuck" && s.line.iter().any(|p| p[1].abs() <= plan.blank.used_mm.value);
        assert!(seen.drawing.shapes.iter().any(touches), "{:?}", seen.holding);
    }
}
