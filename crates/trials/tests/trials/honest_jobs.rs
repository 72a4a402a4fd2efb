//! Thousands of honest jobs followed to their end through the run itself, act by act: six families, both members, the tip told and not, by a
//! micrometer and by feel. None is without an end, and few end in Trouble.

use serde_json::{Value, json};
use yoke_core::gauge::{Measured, VerdictKind};
use yoke_core::log::{Act, ActKind, RunState, fold};
use yoke_core::run::RunPlan;
use yoke_core::thread::{Fit, RunMate, Side};
use yoke_core::voice::Voice;
use yoke_trials::{Chance, SinglePoint, cases, demo_lathe, reckon, sound, tried};

const FAMILIES: [&str; 6] = ["M20x2.5", "7/8-9 UNC", "1-1/4-5 Acme", "Tr28x5", "5/8 BSW", "G1-1/4"];
/// Acts after which a run that has not ended never will.
const NEVER: usize = 160;

/// One kind of job: the plan, and the flats its tip may really have.
struct Kind {
    run: RunPlan,
    flats: [f64; 2],
}

/// Every family, both members, told and untold.
fn kinds(gauge: &Value) -> Vec<Kind> {
    let mut list = Vec::new();
    for callout in FAMILIES {
        for side in ["external", "internal"] {
            let lathe = demo_lathe(if callout.starts_with(['M', 'T']) { 1 } else { 0 });
            let request = |bit: Value| json!({"thread": {"callout": callout, "side": side}, "lathe": lathe, "gauge": gauge, "bit": bit});
            let untold = sound(request(json!({})));
            let tip = untold.run.tip.unwrap();
            let radius = untold.point().bit.tip_radius_mm.as_ref().map(|r| r.aim.value);
            let told = radius.map_or_else(|| json!({"tip_flat_mm": untold.point().bit.tip_flat_mm.aim.value}), |r| json!({"tip_radius_mm": r}));
            let told = reckon(request(told)).unwrap().run;
            let aim = told.tip.unwrap().narrow_mm;
            // A glass and a rule are out by two hundredths.
            list.push(Kind { run: told, flats: [aim - 0.02, aim + 0.02] });
            let may = if radius.is_some() { [0.8 * aim, 1.2 * aim] } else { [tip.narrow_mm, tip.wide_mm] };
            list.push(Kind { run: untold.run, flats: may });
        }
    }
    list
}

/// A lathe and a bit as they really are.
struct Truth<'a> {
    run: &'a RunPlan,
    reach: f64,
    spring: f64,
    left: f64,
    stands: f64,
}

impl Truth<'_> {
    fn cut(&mut self, radial: f64, chance: &mut Chance) {
        let share = (self.spring * (1.0 + 0.1 * chance.normal())).max(0.0);
        self.left = share * (radial - self.stands + self.left).max(0.0);
        self.stands = radial;
    }

    fn size(&self) -> f64 {
        self.run.size_at(self.stands - self.left - self.reach)
    }

    fn in_limits(&self) -> bool {
        (self.run.limits_mm[0]..=self.run.limits_mm[1]).contains(&self.size())
    }

    /// Past the limit by more than a micrometer shows.
    fn past(&self) -> bool {
        let [low, high] = self.run.limits_mm;
        if self.run.side == Side::External { self.size() < low - 0.002 } else { self.size() > high + 0.002 }
    }

    /// How much looser than the mate it is, mm.
    fn clearance(&self, mate: f64) -> f64 {
        self.run.cut_sign() * (mate - self.size())
    }
}

fn begin<'a>(kind: &'a Kind, chance: &mut Chance) -> Truth<'a> {
    let tip = kind.run.tip.unwrap();
    let flat = chance.between(kind.flats[0], kind.flats[1]).max(0.0);
    let reach = (tip.pitch_mm / 2.0 - flat) / (2.0 * tip.alpha_deg.to_radians().tan());
    // The zero is touched on paper, by eye.
    Truth { run: &kind.run, reach: reach + 0.01 * chance.normal(), spring: chance.between(0.0, 0.3), left: 0.0, stands: 0.0 }
}

/// How a run ended.
#[derive(Default)]
struct Ends {
    good: usize,
    past: usize,
    trouble: usize,
    never: usize,
    cuts: Vec<usize>,
}

impl Ends {
    fn median(&mut self) -> usize {
        self.cuts.sort_unstable();
        self.cuts.get(self.cuts.len() / 2).copied().unwrap_or(0)
    }

    fn says(&mut self, of: &str) {
        let (jobs, median) = (self.cuts.len(), self.median());
        let Self { good, past, trouble, never, .. } = self;
        println!("{of}: of {jobs}, {good} good, {past} past, {trouble} in Trouble, {never} never ended; median {median} cuts after the first reading");
    }
}

/// Follows a run as it is told, reading when it asks.
fn follow(truth: &mut Truth, chance: &mut Chance, read: &mut dyn FnMut(&Truth, &mut Chance) -> ActKind) -> (RunState, usize) {
    let mut acts: Vec<Act> = Vec::new();
    let (mut cuts, mut readings) = (0, 0);
    let mut state = fold(truth.run, &acts, Voice::default());
    while acts.len() < NEVER {
        let verdict = state.verdict.as_ref();
        if state.finished || verdict.is_some_and(|v| v.verdict == VerdictKind::PastLimit || v.trouble.is_some()) {
            break;
        }
        let kind = match &state.next {
            Some(next) => {
                truth.cut(next.pass.radial_mm, chance);
                cuts += usize::from(readings > 0);
                ActKind::PassDone { n: next.pass.n, radial_mm: next.pass.radial_mm }
            }
            None => {
                readings += 1;
                read(truth, chance)
            }
        };
        acts.push(Act { id: acts.len().to_string(), kind });
        state = fold(truth.run, &acts, Voice::default());
    }
    (state, cuts)
}

fn ended(ends: &mut Ends, state: &RunState, cuts: usize, good: bool, past: bool) {
    ends.cuts.push(cuts);
    let verdict = state.verdict.as_ref();
    if verdict.is_some_and(|v| v.trouble.is_some()) {
        ends.trouble += 1;
    } else if !state.finished && verdict.is_none_or(|v| v.verdict != VerdictKind::PastLimit) {
        ends.never += 1;
    }
    ends.good += usize::from(good);
    ends.past += usize::from(past);
}

#[test]
fn by_the_micrometer_every_honest_job_ends_and_in_its_limits() {
    let jobs = cases(10_000);
    let kinds = kinds(&json!({}));
    let mut ends = Ends::default();
    for job in 0..jobs {
        let mut chance = Chance(u64::from(job) * 7919 + 11);
        let kind = &kinds[job as usize % kinds.len()];
        let mut truth = begin(kind, &mut chance);
        let (state, cuts) = follow(&mut truth, &mut chance, &mut |truth, chance| {
            let size = truth.size() + 0.0025 * chance.normal();
            ActKind::Measured(match truth.run.wires {
                Some(w) => Measured { over_wires_mm: Some(size + w.sum_mm), ..Measured::default() },
                None => Measured { pitch_diameter_mm: Some(size), ..Measured::default() },
            })
        });
        ended(&mut ends, &state, cuts, truth.in_limits(), truth.past());
    }
    ends.says("by the micrometer");
    let jobs = jobs as usize;
    assert!(ends.never == 0 && ends.trouble * 200 <= jobs && ends.past * 500 <= jobs && ends.good * 100 >= jobs * 99);
}

/// The same job by the plain rule: the planned passes, then half of what is left of the diameter, to the middle of the limits, as if nothing
/// sprang and the tip were the one aimed at. How many cuts after the first reading.
fn plainly(truth: &mut Truth, chance: &mut Chance) -> usize {
    let run = truth.run;
    for pass in &run.passes {
        truth.cut(pass.radial_mm, chance);
    }
    for cuts in 0..12 {
        let left = run.cut_sign() * (truth.size() + 0.0025 * chance.normal() - run.target_mm);
        if left.abs() <= (run.limits_mm[1] - run.limits_mm[0]) / 2.0 || left <= 0.0 {
            return cuts;
        }
        truth.cut(run.dial.nearest(truth.stands + left / 2.0).radial_mm.max(truth.stands), chance);
    }
    12
}

#[test]
fn the_plain_rule_loses_parts_that_are_kept_here() {
    let jobs = cases(10_000);
    let kinds = kinds(&json!({}));
    let mut ends = Ends::default();
    for job in 0..jobs {
        let mut chance = Chance(u64::from(job) * 7919 + 11);
        let mut truth = begin(&kinds[job as usize % kinds.len()], &mut chance);
        ends.cuts.push(plainly(&mut truth, &mut chance));
        ends.good += usize::from(truth.in_limits());
        ends.past += usize::from(truth.past());
    }
    ends.says("by the plain rule");
    // The same jobs, followed here, are good in ninety-nine of a hundred.
    assert!(ends.good * 1000 < jobs as usize * 995, "the plain rule does as well");
}

/// The mate's clearance as a hand feels it: the bands the trade has for this pitch, edges of its own, and never quite the same twice.
fn feel(clearance: f64, pitch: f64, bias: f64, chance: &mut Chance) -> Fit {
    let c = clearance + bias + 0.004 * chance.normal();
    for fit in [Fit::WontEnter, Fit::Enters { turns: (1.0 + 2.0 * chance.even()).round() }, Fit::Tight, Fit::Free] {
        if c < fit.clearance(pitch).most_mm {
            return fit;
        }
    }
    Fit::Shakes { shake_mm: clearance * chance.between(0.9, 1.1) }
}

#[test]
fn by_feel_every_honest_job_ends_at_a_fit() {
    let jobs = cases(10_000);
    let kinds = kinds(&json!({"proof": "mate", "mate_at_hand": true}));
    let mut ends = Ends::default();
    for job in 0..jobs {
        let mut chance = Chance(u64::from(job) * 104_729 + 3);
        let kind = &kinds[job as usize % kinds.len()];
        let mut truth = begin(kind, &mut chance);
        // A mate anywhere in the limits of its own class.
        let RunMate { pitch_diameter_mm, doubt_mm } = kind.run.mate.unwrap();
        let [least, most] = kind.run.mate_limits_mm.unwrap_or([pitch_diameter_mm - doubt_mm, pitch_diameter_mm + doubt_mm]);
        let (mate, bias) = (chance.between(least, most), chance.between(-0.006, 0.006));
        let pitch = kind.run.tip.unwrap().pitch_mm;
        let (state, cuts) = follow(&mut truth, &mut chance, &mut |truth, chance| tried(feel(truth.clearance(mate), pitch, bias, chance)));
        let clearance = truth.clearance(mate);
        // A fit: on, and no looser than the loosest lawful pair, or than a hand's width past running free.
        let loosest = (kind.run.clearance()[1]).max(Fit::Free.clearance(pitch).most_mm);
        ended(&mut ends, &state, cuts, clearance >= -0.01 && clearance <= loosest + 0.01, clearance > loosest + 0.01);
    }
    ends.says("by feel");
    let jobs = jobs as usize;
    assert!(ends.never == 0 && ends.trouble * 200 <= jobs && ends.past * 100 <= jobs && ends.good * 100 >= jobs * 97);
}

/// Every family, both members, the tip told; with what else each asks for, made of its untold plan.
fn asked(of: impl Fn(&RunPlan) -> Value) -> Vec<Kind> {
    let mut list = Vec::new();
    for callout in FAMILIES {
        for side in ["external", "internal"] {
            let lathe = demo_lathe(if callout.starts_with(['M', 'T']) { 1 } else { 0 });
            let request = |bit: Value, more: &Value| {
                let mut request = json!({"thread": {"callout": callout, "side": side}, "lathe": lathe, "bit": bit});
                yoke_trials::patched(&mut request, more);
                request
            };
            let untold = sound(request(json!({}), &json!({})));
            let told = match untold.point().bit.tip_radius_mm.as_ref() {
                Some(radius) => json!({"tip_radius_mm": radius.aim.value}),
                None => json!({"tip_flat_mm": untold.point().bit.tip_flat_mm.aim.value}),
            };
            let run = sound(request(told, &of(&untold.run))).run;
            let aim = run.tip.unwrap().narrow_mm;
            list.push(Kind { run, flats: [aim - 0.02, aim + 0.02] });
        }
    }
    list
}

/// How far a member finished by numbers may be from what its settings say, mm on the pitch diameter.
const RECKONED_MM: f64 = 0.05;

#[test]
fn a_mate_never_measured_is_fitted_by_trying_it() {
    let jobs = cases(10_000);
    let kinds = asked(|run| {
        let made = run.mate.unwrap().pitch_diameter_mm;
        json!({"mate": {"made_pitch_diameter_mm": (made * 1e3).round() / 1e3, "made_doubt_mm": RECKONED_MM}})
    });
    let (mut ends, mut by_numbers) = (Ends::default(), Ends::default());
    for job in 0..jobs {
        let mut chance = Chance(u64::from(job) * 15_485_863 + 7);
        let kind = &kinds[job as usize % kinds.len()];
        let (made, pitch) = (kind.run.mate.unwrap().pitch_diameter_mm, kind.run.tip.unwrap().pitch_mm);
        let (mate, bias) = (made + chance.between(-RECKONED_MM, RECKONED_MM), chance.between(-0.006, 0.006));
        let loosest = kind.run.clearance()[1].max(Fit::Free.clearance(pitch).most_mm) + 0.01;
        // By numbers alone: to where the plain clearance is on the mate as reckoned, and never tried.
        let mut plain = begin(kind, &mut chance);
        for pass in &kind.run.passes {
            plain.cut(pass.radial_mm, &mut chance);
        }
        let free = Fit::Free.clearance(pitch);
        let to = kind.run.depth_of(made - kind.run.cut_sign() * f64::midpoint(free.least_mm, free.most_mm), kind.run.tip_to_pitch_mm);
        plain.cut(to, &mut chance);
        let by = plain.clearance(mate);
        ended(&mut by_numbers, &fold(&kind.run, &[], Voice::default()), 1, (-0.01..=loosest).contains(&by), by > loosest);
        let mut truth = begin(kind, &mut chance);
        let mut read_once = false;
        let (state, cuts) = follow(&mut truth, &mut chance, &mut |truth, chance| {
            // A size read on the way never ends it: the mate it is for was not measured.
            if !std::mem::replace(&mut read_once, true) {
                return ActKind::Measured(Measured { pitch_diameter_mm: Some(truth.size() + 0.0025 * chance.normal()), ..Measured::default() });
            }
            tried(feel(truth.clearance(mate), pitch, bias, chance))
        });
        let clearance = truth.clearance(mate);
        ended(&mut ends, &state, cuts, (-0.01..=loosest).contains(&clearance), clearance > loosest);
    }
    ends.says("a mate never measured, tried");
    println!("the same by numbers, never tried: {} of {jobs} fit", by_numbers.good);
    let jobs = jobs as usize;
    assert!(ends.never == 0 && ends.trouble * 200 <= jobs && ends.past * 100 <= jobs && ends.good * 100 >= jobs * 97);
    assert!(by_numbers.good < ends.good);
}

#[test]
fn laid_on_what_stands_off_is_depth_left_and_leads_to_a_fit() {
    let jobs = cases(10_000);
    let kinds = kinds(&json!({"proof": "mate", "mate_at_hand": true}));
    let (mut ends, mut plainly) = (Ends::default(), 0);
    for job in 0..jobs {
        let mut chance = Chance(u64::from(job) * 32_452_843 + 9);
        let kind = &kinds[job as usize % kinds.len()];
        let RunMate { pitch_diameter_mm, doubt_mm } = kind.run.mate.unwrap();
        let [least, most] = kind.run.mate_limits_mm.unwrap_or([pitch_diameter_mm - doubt_mm, pitch_diameter_mm + doubt_mm]);
        let (mate, bias, pitch) = (chance.between(least, most), chance.between(-0.006, 0.006), kind.run.tip.unwrap().pitch_mm);
        // Half a nut laid on reads what is left to a feeler's few hundredths; home, it is run on.
        let mut truth = begin(kind, &mut chance);
        let (state, cuts) = follow(&mut truth, &mut chance, &mut |truth, chance| {
            let off = -truth.clearance(mate) / 2.0 + 0.02 * chance.normal();
            tried(if off > 0.06 { Fit::LaidOn { off_mm: off } } else { feel(truth.clearance(mate), pitch, bias, chance) })
        });
        let (clearance, loosest) = (truth.clearance(mate), kind.run.clearance()[1].max(Fit::Free.clearance(pitch).most_mm) + 0.01);
        ended(&mut ends, &state, cuts, (-0.01..=loosest).contains(&clearance), clearance > loosest);
        // The plain rule: what stands off is cut, at once, and once more a finishing cut.
        let mut plain = begin(kind, &mut chance);
        for pass in kind.run.passes.iter().take(kind.run.passes.len().saturating_sub(3)) {
            plain.cut(pass.radial_mm, &mut chance);
        }
        let off = (-plain.clearance(mate) / 2.0 + 0.02 * chance.normal()).max(0.0);
        let stands = plain.stands;
        plain.cut(stands + off, &mut chance);
        plain.cut(stands + off + kind.run.finishing_cut_mm, &mut chance);
        plainly += usize::from((-0.01..=loosest).contains(&plain.clearance(mate)));
    }
    ends.says("laid on");
    println!("laid on, cut off at once: {plainly} of {jobs} fit");
    let jobs = jobs as usize;
    assert!(ends.never == 0 && ends.trouble * 200 <= jobs && ends.past * 100 <= jobs && ends.good * 100 >= jobs * 97);
}

#[test]
fn a_copy_ends_as_near_its_sample_as_dial_and_micrometer_go() {
    let jobs = cases(10_000);
    // A tap is made over its screw: tighter than the sample by thirteen hundredths.
    let kinds = asked(|run| json!({"gauge": {"original": {"pitch_diameter_mm": (run.target_mm * 1e3).round() / 1e3, "clearance_mm": -0.13}}}));
    let mut ends = Ends::default();
    for job in 0..jobs {
        let mut chance = Chance(u64::from(job) * 49_979_687 + 1);
        let kind = &kinds[job as usize % kinds.len()];
        let mut truth = begin(kind, &mut chance);
        let (state, cuts) = follow(&mut truth, &mut chance, &mut |truth, chance| {
            ActKind::Measured(Measured { pitch_diameter_mm: Some(truth.size() + 0.0025 * chance.normal()), ..Measured::default() })
        });
        ended(&mut ends, &state, cuts, truth.in_limits(), truth.past());
    }
    ends.says("copies");
    let jobs = jobs as usize;
    assert!(
        ends.never == 0 && ends.trouble * 50 <= jobs && ends.past * 100 <= jobs && ends.good * 100 >= jobs * 95,
        "{} {} {} {}",
        ends.good,
        ends.past,
        ends.trouble,
        ends.never
    );
}
