//! A run followed by its lathe's readout: from a plan as it is, through the lathe that stands in, to the acts that are recorded.

use crate::instruments::machine;
use serde_json::{Value, json};
use yoke_core::instruments::{AxisName, Bench, CameCode, Counts, Follow, Instruments, Link, Now, PointAt, Readout, Stands, Wound, Zeros, came, guessed};
use yoke_core::job::{Job, Lathe};
use yoke_core::log::{Act, ActKind, RunState, fold};
use yoke_core::plan::{Plan, plan};
use yoke_core::quantity::Ratio;
use yoke_core::voice::Voice;
use yoke_standin::script::read;
use yoke_standin::{Axis, Lathe as StandIn, Machine, Operator, Sees};
use yoke_trials::{SinglePoint, demo_lathe, settled};

/// A job on a lathe that stands in, and its readout.
struct Whole {
    plan: Plan,
    readout: Readout,
    operator: Operator,
    follow: Follow,
    acts: Vec<Act>,
    now_s: f64,
    /// What is seen of every passage.
    came: Vec<CameCode>,
    /// A pass told by hand meanwhile.
    told: bool,
}

fn planned(request: Value) -> (Plan, Job, Lathe) {
    let (job, lathe, kit) = settled(request).unwrap_or_else(|f| panic!("{f:?}"));
    (plan(&job, &lathe, &kit), job, lathe)
}

/// An M10x1.5 on the Gap bed, its depth on the cross-slide.
fn screw() -> Value {
    json!({"thread": {"callout": "M10x1.5-6g", "length_mm": 20}, "blank": {"diameter_mm": 9.9}, "bit": {"tip_flat_mm": 0.19},
           "cut": {"style": "radial"}, "lathe": demo_lathe(1)})
}

impl Whole {
    /// The lathe's slides, and a readout whose axes were learned by winding it.
    fn new(request: Value, axes: Vec<Axis>, inches: bool, noise_mm: f64) -> Self {
        let (plan, job, lathe) = planned(request);
        let toward = plan.point().setup.carriage == yoke_core::direction::Carriage::TowardHeadstock;
        let way = if toward { -1 } else { 1 };
        let machine = Machine { turns: Ratio::new(i128::from(way), 4), lean_deg: 29.5, cuts: f64::from(way), ..machine() };
        let line = (0..axes.len()).map(|i| format!("{}{{{i}}}", ["X", "Z", "Y"][i])).collect::<Vec<_>>().join(" ");
        let mut shows = yoke_standin::Readout::new(axes, line, 7);
        (shows.inches, shows.places) = (inches, if inches { 5 } else { 4 });
        let operator = Operator::new(StandIn::new(machine, 60.0, [0.0; 2]), shows, 7);
        let bench = Bench::of(&plan.point(), &job, &lathe);
        let readout = Readout { cable: serde_json::from_value(json!({"by": "tcp", "address": "localhost:1"})).unwrap(), always: true, axes: Vec::new() };
        let mut whole =
            Self { plan, readout, operator, follow: Follow::new(bench, Zeros::default()), acts: Vec::new(), now_s: 0.0, came: Vec::new(), told: false };
        whole.learn(&lathe);
        whole.operator.readout.noise_mm = noise_mm;
        whole
    }

    fn line(&mut self) -> Option<String> {
        let stands = self.operator.lathe.stands();
        self.operator.readout.says(self.now_s, &stands)
    }

    /// Axes found in the line by their letters, and each wound: the slides one turn of their dial away from the operator.
    fn learn(&mut self, lathe: &Lathe) {
        self.runs("cross -5 at 20\nwait 1");
        let line = self.line().unwrap();
        self.readout.axes = guessed(&line);
        let turns = [(AxisName::CrossSlide, "cross", 0), (AxisName::Compound, "compound", 1)];
        for i in 0..self.readout.axes.len() {
            let axis = self.readout.axes[i].axis;
            let slide = |s: &yoke_core::job::Slide| s.graduation_mm * s.divisions / if s.reads == yoke_core::job::Reads::Diameter { 2.0 } else { 1.0 };
            let turn = if axis == AxisName::Compound { slide(&lathe.compound) } else { slide(&lathe.cross_slide) };
            let [from, to] = match turns.iter().find(|t| t.0 == axis) {
                Some((_, word, n)) => {
                    let at = [-5.0, 0.0][*n];
                    // Past the play, one turn, and back.
                    let from = self.value(i, &format!("{word} {} at 20", at + 1.0));
                    let to = self.value(i, &format!("{word} {} at 20", at + 1.0 + turn));
                    self.runs(&format!("{word} {at} at 20\nwait 1"));
                    [from, to]
                }
                None => [self.value(i, "wait 0.1"), self.value(i, "carriage 45 at 50")],
            };
            let wound = Wound { from, to, sent_inches: None, inches: self.operator.readout.inches };
            let learned = wound.learned(axis, lathe, Voice::default());
            self.readout.axes[i].counts = Some(learned.counts.unwrap_or_else(|| panic!("{axis:?}: {}", learned.says)));
        }
        self.runs("carriage 60 at 50\nwait 1");
        assert!(Instruments { readout: Some(self.readout.clone()), micrometer: None }.faults(Voice::default()).is_empty());
    }

    /// An axis' figure once that is done.
    fn value(&mut self, axis: usize, script: &str) -> f64 {
        self.runs(&format!("{script}\nwait 1"));
        let line = self.line().unwrap();
        self.readout.axes[axis].pattern.read(&line).unwrap().value
    }

    fn state(&self) -> RunState {
        fold(&self.plan.run, &self.acts, Voice::default())
    }

    /// Where things stand by the line as it is now.
    fn stands(&mut self) -> Stands {
        let line = self.line().unwrap();
        self.readout.read(&line).unwrap()
    }

    fn point(&mut self, at: PointAt) {
        let stands = self.stands();
        let zeros = self.follow.bench.told(self.follow.zeros, at, &stands);
        self.follow = self.follow.clone().from(zeros);
    }

    /// Runs a script to its end, the readout heard every 20 ms; what is seen is recorded as the server would.
    fn runs(&mut self, script: &str) {
        self.operator.told(read(script).unwrap());
        while !self.operator.done() {
            self.now_s += 0.02;
            self.operator.advance(self.now_s);
            let Some(line) = self.line() else { continue };
            let Some(stands) = self.readout.read(&line) else { continue };
            if let Some(seen) = self.follow.reads(self.now_s, &stands) {
                let came = came(&seen, std::mem::take(&mut self.told), &self.state(), &self.follow.bench.dial);
                self.came.push(came.code);
                assert!(!came.says(&self.follow.bench.dial, Voice::default()).is_empty());
                if let (true, Some(kind)) = (came.marks(), came.act) {
                    self.act(kind);
                }
            }
        }
    }

    fn act(&mut self, kind: ActKind) {
        kind.check(Voice::default()).unwrap();
        self.plan.run.check(&kind, Voice::default()).unwrap();
        self.acts.push(Act { id: self.acts.len().to_string(), kind });
    }

    /// Crest and end face told with the point standing there: the face at 50, the crest at nought.
    fn zeroed(mut self) -> Self {
        // Both slides come to their zero wound in, as in the cut.
        self.runs("carriage 50 at 50\ncompound -0.5 at 2\nwait 1\ncompound 0 at 2\ncross 0 at 4\nwait 2\nzero cross\nwait 1");
        self.point(PointAt::Face);
        self.point(PointAt::Crest);
        self.runs("cross -3 at 8\ncarriage 60 at 50\nwait 2\nspindle 60\nwait 2");
        self
    }

    /// One pass of a right-hand screw at a depth, mm radial, by the slide that carries it.
    fn pass(&mut self, depth: f64) {
        let ends = 50.0 - 20.0 - 0.5;
        let set = match self.follow.bench.dial.slide {
            yoke_core::cut::SlideName::CrossSlide => format!("cross {depth} at 4"),
            yoke_core::cut::SlideName::Compound => format!("compound {} at 2\ncross 0 at 4", depth * self.follow.bench.dial.travel_per_radial),
        };
        self.runs(&format!("{set}\nwait 2\nclose\nuntil place {ends}\nopen\ncross -3 at 8\nwait 1\ncarriage 60 at 50\nwait 3"));
    }
}

fn axes(diameter: bool, compound: bool) -> Vec<Axis> {
    let carriage = Axis { sees: Sees::Carriage, reversed: true, diameter: false };
    let across = Axis { sees: Sees::Cross, reversed: diameter, diameter };
    let third = Axis { sees: Sees::Compound, reversed: false, diameter: false };
    if compound { vec![across, carriage, third] } else { vec![across, carriage] }
}

#[test]
fn a_whole_run_is_marked_by_itself_at_what_was_set() {
    for (inches, diameter, noise) in [(false, false, 0.0), (false, true, 0.003), (true, false, 0.003), (true, true, 0.002)] {
        let mut whole = Whole::new(screw(), axes(diameter, false), inches, noise).zeroed();
        let mut set = Vec::new();
        while let Some(next) = whole.state().next {
            set.push(next.pass.radial_mm);
            whole.pass(next.pass.radial_mm);
            assert_eq!(whole.acts.len(), set.len(), "pass {} at {}: {:?}", set.len(), next.pass.radial_mm, whole.came);
        }
        // Each once, at its row's depth, and it stands where the schedule ends.
        assert!(
            set.len() > 4 && whole.acts.iter().zip(&set).all(|(a, d)| matches!(a.kind, ActKind::PassDone { radial_mm, .. } if (radial_mm - d).abs() < 1e-9))
        );
        assert_eq!(whole.state().stands_mm, *set.last().unwrap());
        // A measurement is waited for now: what goes over is not marked.
        whole.pass(*set.last().unwrap());
        assert!(whole.acts.len() == set.len() && whole.came.last() == Some(&CameCode::OutOfStep));
    }
}

#[test]
fn deeper_shallower_again_and_dry_are_what_they_are() {
    let mut whole = Whole::new(screw(), axes(false, false), false, 0.0).zeroed();
    let [first, second] = [0, 1].map(|i| whole.plan.run.passes[i].radial_mm);
    whole.pass(first);
    // Deeper than its row: recorded as it was cut, to a hundredth of a division's half.
    let deep = second + 0.08;
    whole.pass(deep);
    assert_eq!(whole.came, [CameCode::Marked, CameCode::Deeper]);
    assert!((whole.state().stands_mm - deep).abs() <= 0.005 && matches!(whole.acts[1].kind, ActKind::Took { n: 1, .. }), "{:?}", whole.acts);
    // Over it once more is asked, above it nothing was cut.
    whole.pass(deep);
    whole.pass(deep - 0.1);
    assert_eq!(whole.came[2..], [CameCode::Again, CameCode::Dry]);
    assert_eq!(whole.acts.len(), 2);
    // Less than its row.
    let row = whole.state().next.unwrap().pass.radial_mm;
    whole.pass(f64::midpoint(deep, row));
    assert_eq!(whole.came[4], CameCode::Shallower);
    // Told by hand while it went on, it is one; and deeper than was told is set right.
    let next = whole.state().next.unwrap().pass;
    whole.act(ActKind::PassDone { n: next.n, radial_mm: next.radial_mm });
    whole.told = true;
    whole.pass(next.radial_mm + 0.06);
    assert_eq!(whole.came[5], CameCode::Same);
    assert!((whole.state().stands_mm - next.radial_mm - 0.06).abs() <= 0.005 && whole.acts.len() == 5);
}

#[test]
fn what_the_readout_does_not_see_is_said() {
    // The compound carries the depth and is not read: the row's depth counts.
    let by_compound =
        json!({"thread": {"callout": "M10x1.5-6g", "length_mm": 20}, "blank": {"diameter_mm": 9.9}, "bit": {"tip_flat_mm": 0.19}, "lathe": demo_lathe(1)});
    let mut whole = Whole::new(by_compound.clone(), axes(false, false), false, 0.002).zeroed();
    let depth = whole.state().next.unwrap().pass.radial_mm;
    whole.pass(depth);
    assert_eq!(whole.came, [CameCode::Unseen]);
    let view = live(&mut whole);
    assert!(view["to_go"].is_null() && view["says"].as_str().unwrap().contains("does not see the compound"), "{view}");
    // Read, it is seen to its own depth.
    let mut whole = Whole::new(by_compound, axes(false, true), false, 0.002).zeroed();
    for _ in 0..3 {
        let depth = whole.state().next.unwrap().pass.radial_mm;
        whole.pass(depth);
    }
    assert_eq!(whole.came, [CameCode::Marked; 3]);
}

/// What is shown as things stand.
fn live(whole: &mut Whole) -> Value {
    let now = Now { readout: Link::Heard, stands: Some(whole.stands()), marks: true, ..Now::default() };
    json!(now.view(&whole.follow, &whole.state(), Voice::default()))
}

#[test]
fn the_distance_is_in_divisions_of_the_dial_and_past_it_is_said() {
    let mut whole = Whole::new(screw(), axes(true, false), false, 0.0);
    let view = live(&mut whole);
    assert!(view["wants_crest"] == true && view["wants_mark"] == true && view["to_go"].is_null());
    let mut whole = whole.zeroed();
    whole.runs("spindle 0\nuntil still");
    let (next, half) = (whole.state().next.unwrap().pass.radial_mm, whole.follow.bench.dial.half_mm());
    for (off, halves) in [(-0.4, (0.4_f64 / half).round()), (0.0, 0.0), (3.0 * half, -3.0)] {
        whole.runs(&format!("cross {} at 4\nwait 2", next + off));
        let view = live(&mut whole);
        assert_eq!(view["to_go"]["divisions"].as_f64().unwrap(), halves / 2.0, "{view}");
        assert_eq!(view["to_go"]["past"], halves < 0.0);
        // The collar stands so far before the figure wanted.
        let (of, wanted) = (whole.follow.bench.dial.divisions, whole.follow.bench.dial.nearest(next).setting.divisions);
        assert!(((wanted - halves / 2.0).rem_euclid(of) - view["collar"].as_f64().unwrap()).abs() < 1e-9, "{view}");
    }
    assert_eq!(live(&mut whole)["to_go"]["says"], "Past it by 1.5 div");
    // The carriage stands so far before the mark as it does; what is shown lags, and how much is said: 0.05 s at the plan's speed.
    let view = live(&mut whole);
    assert!(view["along"].as_str().unwrap().contains("before the mark"), "{view}");
    let wanted = 0.05 * whole.plan.point().setup.speed_rpm.as_ref().unwrap().value / 60.0 * 1.5;
    assert!((whole.follow.bench.late_mm(0.05) - wanted).abs() < 1e-9);
    // In doubt nothing is shown of the depth, and nothing is marked.
    let zeros = Zeros { doubted: true, ..whole.follow.zeros };
    whole.follow = whole.follow.clone().from(zeros);
    let view = live(&mut whole);
    assert!(view["doubted"] == true && view["to_go"].is_null() && view["collar"].is_null(), "{view}");
    whole.runs("cross -3 at 8\nwait 1\nspindle 60\nwait 2");
    whole.pass(next);
    assert!(whole.came.is_empty() && whole.acts.is_empty());
}

#[test]
fn a_bore_is_followed_outward() {
    let bore = json!({"thread": {"callout": "M30x1.5-6H", "side": "internal", "length_mm": 20}, "blank": {"diameter_mm": 28.4}, "bit": {"body_ahead_mm": 2, "tip_flat_mm": 0.1},
                      "cut": {"style": "radial"}, "lathe": demo_lathe(1)});
    // Out is toward the operator: the cross-slide of the stand-in counts depth, so its readout counts the other way than the slide goes.
    let axes = vec![Axis { sees: Sees::Cross, reversed: false, diameter: false }, Axis { sees: Sees::Carriage, reversed: true, diameter: false }];
    let (plan, job, lathe) = planned(bore);
    let bench = Bench::of(&plan.point(), &job, &lathe);
    let counts = |falls: bool| Some(Counts { inches: false, diameter: false, falls });
    let mut readout: Readout = serde_json::from_value(json!({"cable": {"by": "tcp", "address": "localhost:1"}})).unwrap();
    readout.axes = guessed("X1.0 Z2.0");
    (readout.axes[0].counts, readout.axes[1].counts) = (counts(true), counts(false));
    let follow = Follow::new(bench, Zeros { cross_mm: Some(-2.0), carriage_mm: Some(5.0), ..Zeros::default() });
    // The figure rises toward the operator, from 2 at the crest to 2.3: 0.3 deep.
    let tool = follow.tool(&readout.read("X2.300 Z1.0").unwrap());
    assert!((tool.cross_mm.unwrap() - 0.3).abs() < 1e-9 && (tool.along_mm.unwrap() - 4.0).abs() < 1e-9, "{tool:?} {axes:?}");
}

#[test]
fn winding_tells_how_an_axis_counts_or_asks() {
    // The Gap bed: metric, its cross-slide's dial reads diameter.
    let (_, _, lathe) = planned(screw());
    let turn = lathe.cross_slide.graduation_mm * lathe.cross_slide.divisions / 2.0;
    let wound = |axis, from: f64, to: f64, sent| Wound { from, to, sent_inches: sent, inches: false }.learned(axis, &lathe, Voice::default());
    for (by, inches, diameter) in [(1.0, false, false), (2.0, false, true), (1.0 / 25.4, true, false), (1.0 / 12.7, true, true)] {
        for sign in [1.0, -1.0] {
            // A hand sets a turn to a hundredth.
            let learned = wound(AxisName::CrossSlide, 3.0, 3.0 + sign * by * turn * 1.01, None);
            assert_eq!(learned.counts, Some(Counts { inches, diameter, falls: sign < 0.0 }), "{}", learned.says);
        }
    }
    // Half a turn, three turns, nothing and nonsense are asked about, with what was found.
    for by in [0.5, 3.0, 0.0, f64::NAN] {
        let learned = wound(AxisName::CrossSlide, 0.0, by * turn, None);
        assert!(learned.counts.is_none() && !learned.says.is_empty(), "{by}");
    }
    // What the line says itself stands; a compound shows no diameter; a carriage only its way.
    assert_eq!(wound(AxisName::CrossSlide, 0.0, 2.0 * turn, Some(true)).counts, None);
    let along = lathe.compound.graduation_mm * lathe.compound.divisions;
    assert_eq!(wound(AxisName::Compound, 0.0, 2.0 * along, None).counts, None);
    assert_eq!(wound(AxisName::Carriage, 10.0, 4.0, None).counts, Some(Counts { inches: false, diameter: false, falls: true }));
    assert_eq!(wound(AxisName::Carriage, 10.0, 10.2, None).counts, None);
}

#[test]
fn what_is_told_wrongly_is_named_by_its_field() {
    let told: Instruments = serde_json::from_value(json!({
        "readout": {"cable": {"by": "serial", "port": " ", "baud": 10, "data_bits": 9, "stop_bits": 3}, "axes": [
            {"axis": "carriage", "pattern": {"nth": 0, "of": 2}, "counts": {"inches": false, "diameter": true, "falls": false}},
            {"axis": "carriage", "pattern": {"nth": 1, "of": 2}}]},
        "micrometer": {"cable": {"by": "tcp", "address": "localhost"}}
    }))
    .unwrap();
    let at: Vec<String> = told.faults(Voice::default()).into_iter().map(|f| f.0).collect();
    let cable = ["port", "baud", "data_bits", "stop_bits"].map(|f| format!("/readout/cable/{f}"));
    assert_eq!(at[..4], cable);
    assert_eq!(at[4..], ["/micrometer/cable/address", "/readout/axes/0/counts/diameter", "/readout/axes/1/axis"]);
    // Heard from the middle of a pass on, it is not known whole.
    let mut follow = Whole::new(screw(), axes(false, false), false, 0.0).zeroed();
    let depth = follow.state().next.unwrap().pass.radial_mm;
    follow.runs(&format!("cross {depth} at 4\nwait 2\nclose\nuntil place 45"));
    follow.follow.silent();
    assert!(follow.follow.over_again());
    follow.runs("until place 29.5\nopen\ncross -3 at 8\nwait 1");
    assert_eq!(follow.came, [CameCode::Untrusted]);
}
