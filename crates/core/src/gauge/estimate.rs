//! One estimate of what nobody can see: how far the real tip reaches, how much this lathe springs, how large the mate is.
//!
//! The model, small enough to work by hand. Three things are unknown: T, how far the tip stands past the pitch line, what the zero is
//! out by included, mm radial; s, the
//! share of a cut that springs away; m, how far in the thread must be for the mate just to go, mm radial. Setting the dial from X₀ to
//! X leaves a lag ℓ = s(X − X₀ + ℓ₀), so a spring pass (X = X₀) leaves s times what was left; the thread is then u = X − ℓ − T
//! in past the diameter it began at. A size read gives u within the instrument's doubt; the mate tried gives the clearance 2(u − m) between
//! two bounds, within the doubt of a hand. Each unknown begins as a normal guess and every reading sharpens all three by Bayes' rule,
//! ℓ taken as straight in s near its best guess; a bounded reading keeps the mean and spread of what is left between its bounds
//! (moment matching). Assumed: the dial repeats, the lag of every pass follows one s, and doubts are normal.

use crate::quantity::plain_text;
use crate::run::RunPlan;
use crate::say;
use crate::thread::{Fit, FitBand, RunMate};
use crate::voice::Voice;
use serde::Serialize;
use serde_json::{Value, json};

/// What was told of the thread as it stands.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Observation {
    /// A pitch diameter read.
    Size {
        /// The size, mm.
        mm: f64,
        /// Its doubt, mm on diameter: two standard deviations.
        doubt_mm: f64,
    },
    /// Across the roots, which tells what sprang away, and nothing of the flanks.
    Root {
        /// The size, mm.
        mm: f64,
        /// Its doubt, mm on diameter.
        doubt_mm: f64,
    },
    /// A gauge that stops short: the thread is not cut to this pitch diameter yet.
    Short {
        /// The size, mm.
        of_mm: f64,
    },
    /// One gauge goes and the other does not.
    Between {
        /// Pitch diameter it is cut to at least, mm.
        near_mm: f64,
        /// Pitch diameter it is not cut to, mm.
        far_mm: f64,
    },
    /// The gauge that must not go does.
    Past {
        /// Pitch diameter it is cut past, mm.
        mm: f64,
    },
    /// The mate tried.
    Fit(Fit),
}

/// What of the three unknowns a reading hangs on.
#[derive(Debug, Clone, Copy, PartialEq)]
enum ReadingOf {
    /// How far in the flanks are.
    Flanks,
    /// How far in the root is: the tip left out.
    Root,
    /// How far in the flanks are past where the mate goes.
    Mate,
}

impl Observation {
    const fn of(&self) -> ReadingOf {
        match self {
            Self::Fit(_) => ReadingOf::Mate,
            Self::Root { .. } => ReadingOf::Root,
            Self::Size { .. } | Self::Short { .. } | Self::Between { .. } | Self::Past { .. } => ReadingOf::Flanks,
        }
    }

    /// How far in it says the thread is, as a value with its variance, or between two bounds; radial mm.
    fn tells(&self, run: &RunPlan, pitch_mm: f64) -> Constraint {
        let into = |mm: f64| run.depth_of(mm, 0.0);
        match *self {
            Self::Size { mm, doubt_mm } | Self::Root { mm, doubt_mm } => Constraint::At(into(mm), (doubt_mm / 4.0).powi(2)),
            Self::Short { of_mm } => Constraint::Within(f64::NEG_INFINITY, into(of_mm)),
            Self::Between { near_mm, far_mm } => Constraint::Within(into(near_mm), into(far_mm)),
            Self::Past { mm } => Constraint::Within(into(mm), f64::INFINITY),
            Self::Fit(fit) => {
                let FitBand { least_mm, most_mm } = fit.clearance(pitch_mm);
                Constraint::Within(least_mm / 2.0, most_mm / 2.0)
            }
        }
    }
}

/// A reading as the unknowns' sum it tells of.
enum Constraint {
    /// This, with this variance. The doubt told is two standard deviations, and of the diameter.
    At(f64, f64),
    /// Somewhere between these.
    Within(f64, f64),
}

/// The tip as the readings have it.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TipFound {
    /// Flat, mm; of a round tip the flat that cuts as deep.
    pub flat_mm: f64,
    /// Give or take, mm: two standard deviations.
    pub doubt_mm: f64,
    /// The flat as it is said.
    pub flat_text: String,
    /// How far it stands past the pitch line, mm.
    pub tip_to_pitch_mm: f64,
    /// Share of a cut that springs away.
    pub spring: f64,
    /// Give or take: two standard deviations.
    pub spring_doubt: f64,
    /// Pitch diameter at which the mate just goes, mm, once it was tried.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_mm: Option<f64>,
    /// Readings it rests on.
    pub readings: usize,
    /// Whether it is known well enough to be kept with the bit.
    pub sure: bool,
    /// In words.
    pub says: String,
}

/// A tip found to be between two widths, told of a job: the change of its facts.
#[must_use]
pub fn tip_told(flat_mm: [f64; 2]) -> Value {
    json!({"bit": {"tip_flat_mm": null, "tip_radius_mm": null, "tip_radius_between_mm": null, "tip_flat_between_mm": flat_mm}})
}

/// A share of a cut found to spring away, give or take, told of a job: the change of its facts.
#[must_use]
pub fn spring_told(share: f64, doubt: f64) -> Value {
    json!({"gauge": {"spring": {"share": share, "doubt": doubt}}})
}

/// Share of a cut that springs away before anything is known, and how far it may be from that: from nought to three tenths. House values.
pub(crate) const SPRING: f64 = 0.15;
pub(crate) const SPRING_SD: f64 = 0.09;
/// Largest share believed.
const SPRING_MOST: f64 = 0.6;
/// How much the lag of one pass differs from another's, as a share of it. House value.
const SCATTER: f64 = 0.1;
/// How far a flat that was measured may still be out, mm: a glass and a rule. House value.
const MEASURED_DOUBT_MM: f64 = 0.02;
/// How far off the zero may be, one standard deviation, mm radial: touched on paper, by eye. House value.
const TOUCH_SD: f64 = 0.010;
/// One standard deviation of where a hand says one fit ends and the next begins, mm of clearance. House value.
const HAND_MM: f64 = 0.008;
/// A flat known no better than this is not worth keeping with its bit, mm. House value.
const WORTH_KEEPING_MM: f64 = 0.05;
/// One-sided normal deviates: a chance of one in a hundred of passing a limit, and of one in fifty of passing a good fit.
const PAST_LIMIT: f64 = 2.33;
const PAST_FIT: f64 = 2.05;

/// What is believed: T, s and m, with how they vary together.
#[derive(Debug, Clone, PartialEq)]
pub struct Estimate {
    mean: [f64; 3],
    spread: [[f64; 3]; 3],
    readings: usize,
    fits: usize,
    pitch_mm: f64,
    slope: f64,
}

/// Where the dial stands, what has sprung away there, and how that grows with s.
#[derive(Debug, Clone, Copy, Default)]
pub struct Lag {
    stands: f64,
    /// What has sprung away, mm.
    pub left: f64,
    /// How that grows with the share s, mm.
    pub grows: f64,
}

impl Lag {
    /// After one more pass, set to x.
    fn cut(self, x: f64, s: f64) -> Self {
        let cut = (x - self.stands + self.left).max(0.0);
        Self { stands: x, left: s * cut, grows: if cut > 0.0 { cut + s * self.grows } else { 0.0 } }
    }

    /// After passes set to these depths, a share s of each cut springing away.
    #[must_use]
    pub fn after(sets: &[f64], s: f64) -> Self {
        sets.iter().fold(Self::default(), |l, x| l.cut(*x, s))
    }

    /// After going on to x in equal passes of at most `most`.
    #[must_use]
    pub fn on_to(self, x: f64, most: f64, s: f64) -> Self {
        let (from, passes) = (self.stands, ((x - self.stands) / most.max(1e-3) - 1e-9).ceil().clamp(1.0, 50.0));
        let mut lag = self;
        let mut i = 1.0;
        while i <= passes {
            lag = lag.cut(from + (x - from) * i / passes, s);
            i += 1.0;
        }
        lag
    }
}

/// Density of the normal curve at x.
#[must_use]
pub fn normal_density(x: f64) -> f64 {
    (-x * x / 2.0).exp() / std::f64::consts::TAU.sqrt()
}

/// Area of the normal curve up to x: Abramowitz and Stegun 26.2.17 (recalled; held by the tests to its own derivative), to 1e-7.
#[must_use]
pub fn normal_area(x: f64) -> f64 {
    let t = 1.0 / (1.0 + 0.231_641_9 * x.abs());
    let tail = normal_density(x) * t * (0.319_381_530 + t * (-0.356_563_782 + t * (1.781_477_937 + t * (-1.821_255_978 + t * 1.330_274_429))));
    if x > 0.0 { 1.0 - tail } else { tail }
}

impl Estimate {
    /// What is believed before anything is read; `None` for a square thread, whose tip sets no depth.
    #[must_use]
    pub fn before(run: &RunPlan) -> Option<Self> {
        let tip = run.tip.filter(|t| t.alpha_deg > 0.0)?;
        let slope = tip.slope();
        let (deep, shallow) = (tip.height(tip.narrow_mm), tip.height(tip.wide_mm));
        // A spread all of which is as likely has a standard deviation of its width over the root of twelve.
        let tip_sd = ((deep - shallow) / 12.0_f64.sqrt()).max(MEASURED_DOUBT_MM / slope / 2.0).hypot(TOUCH_SD);
        // With no mate described it is looked for near the limit on its own side.
        let mate = run.mate.unwrap_or(RunMate { pitch_diameter_mm: run.near_limit(), doubt_mm: 0.1 });
        let mate_sd = (mate.doubt_mm / 2.0).max(0.002);
        let [spring, spring_sd] = run.spring.unwrap_or([SPRING, SPRING_SD]);
        Some(Self {
            mean: [f64::midpoint(deep, shallow), spring, run.depth_of(mate.pitch_diameter_mm, 0.0)],
            spread: [[tip_sd * tip_sd, 0.0, 0.0], [0.0, spring_sd * spring_sd, 0.0], [0.0, 0.0, mate_sd * mate_sd / 4.0]],
            readings: 0,
            fits: 0,
            pitch_mm: tip.pitch_mm,
            slope,
        })
    }

    /// The same with another bit: what was learned of the lathe and the mate is kept, the tip is as the plan now has it.
    #[must_use]
    pub fn with_bit(&self, changed: &RunPlan) -> Option<Self> {
        let fresh = Self::before(changed)?;
        let mut kept = self.clone();
        kept.mean[0] = fresh.mean[0];
        for i in 1..3 {
            kept.spread[0][i] = 0.0;
            kept.spread[i][0] = 0.0;
        }
        kept.spread[0][0] = fresh.spread[0][0];
        Some(kept)
    }

    /// The tip may be as far from what was believed as a reading told twice is, mm on diameter; what was learned of the rest is kept.
    pub fn doubt_the_tip(&mut self, off_mm: f64) {
        self.spread[0][0] += (off_mm / 2.0).powi(2);
    }

    /// Mean and variance of a straight sum of the three.
    fn sum(&self, v: [f64; 3], constant: f64) -> (f64, f64) {
        let mean = constant + (0..3).map(|i| v[i] * self.mean[i]).sum::<f64>();
        let variance = (0..3).flat_map(|i| (0..3).map(move |j| (i, j))).map(|(i, j)| v[i] * self.spread[i][j] * v[j]).sum();
        (mean, variance)
    }

    /// How far in the thread is, u, less m or with T as asked, as a straight sum: its weights, what is added, and what its own scatter is.
    fn depth(&self, lag: Lag, of: ReadingOf) -> ([f64; 3], f64, f64) {
        let v = [if of == ReadingOf::Root { 0.0 } else { -1.0 }, -lag.grows, if of == ReadingOf::Mate { -1.0 } else { 0.0 }];
        (v, lag.stands - lag.left + lag.grows * self.mean[1], (SCATTER * lag.left).powi(2))
    }

    /// The same as what is believed of it: mean, and one standard deviation.
    fn believed(&self, lag: Lag, of: ReadingOf) -> (f64, f64) {
        let (v, added, scatter) = self.depth(lag, of);
        let (mean, variance) = self.sum(v, added);
        (mean, (variance.max(0.0) + scatter).sqrt())
    }

    fn lag(&self, sets: &[f64]) -> Lag {
        Lag::after(sets, self.mean[1])
    }

    /// Makes the belief about a straight sum have this mean and variance, and everything that varies with it follow.
    fn agree(&mut self, v: [f64; 3], (was, variance): (f64, f64), (mean, left): (f64, f64)) {
        let pull: [f64; 3] = std::array::from_fn(|i| (0..3).map(|j| self.spread[i][j] * v[j]).sum::<f64>());
        self.mean = std::array::from_fn(|i| self.mean[i] + pull[i] / variance * (mean - was));
        let shrink = (1.0 - left / variance) / variance;
        self.spread = std::array::from_fn(|i| std::array::from_fn(|j| self.spread[i][j] - pull[i] * pull[j] * shrink));
        self.mean[1] = self.mean[1].clamp(0.0, SPRING_MOST);
    }

    /// Takes in what was told with the dial set so, pass after pass.
    pub fn see(&mut self, run: &RunPlan, sets: &[f64], seen: &Observation) {
        self.readings += 1;
        self.fits += usize::from(matches!(seen, Observation::Fit(_)));
        let (v, added, scatter) = self.depth(self.lag(sets), seen.of());
        let (mean, variance) = self.sum(v, added);
        // A root read after no pass that could spring says nothing of any of the three.
        if variance <= 0.0 {
            return;
        }
        match seen.tells(run, self.pitch_mm) {
            Constraint::At(read, noise) => {
                let gain = variance / (variance + noise + scatter);
                self.agree(v, (mean, variance), (mean + gain * (read - mean), variance * (1.0 - gain)));
            }
            Constraint::Within(from, to) => {
                let sd = (variance + scatter + (HAND_MM / 2.0).powi(2)).sqrt();
                let (a, b) = ((from - mean) / sd, (to - mean) / sd);
                let whole = (normal_area(b) - normal_area(a)).max(1e-12);
                let edge = |x: f64| if x.is_finite() { x * normal_density(x) } else { 0.0 };
                let shift = (normal_density(a) - normal_density(b)) / whole;
                let kept = (1.0 + (edge(a) - edge(b)) / whole - shift * shift).clamp(1e-3, 1.0);
                // The same of the sum itself, the hand's doubt taken out again.
                let gain = variance / (sd * sd);
                let new_mean = mean + gain * sd * shift;
                let left = variance * (1.0 - gain * (1.0 - kept));
                self.agree(v, (mean, variance), (new_mean, left));
            }
        }
    }

    /// How likely it was thought to be told so: the chance of a fit, or of a size at least so far off.
    #[must_use]
    pub fn chance(&self, run: &RunPlan, sets: &[f64], seen: &Observation) -> f64 {
        let (v, added, scatter) = self.depth(self.lag(sets), seen.of());
        let (mean, variance) = self.sum(v, added);
        match seen.tells(run, self.pitch_mm) {
            Constraint::At(read, noise) => 2.0 * normal_area(-(read - mean).abs() / (variance + scatter + noise).sqrt().max(1e-9)),
            Constraint::Within(from, to) => {
                let sd = (variance + scatter + (HAND_MM / 2.0).powi(2)).sqrt();
                normal_area((to - mean) / sd) - normal_area((from - mean) / sd)
            }
        }
    }

    /// Pitch diameter now, and one standard deviation of it, mm.
    #[must_use]
    pub fn size(&self, run: &RunPlan, sets: &[f64]) -> (f64, f64) {
        let (mean, sd) = self.believed(self.lag(sets), ReadingOf::Flanks);
        (run.size_at(mean), 2.0 * sd)
    }

    /// Deepest the dial may be set, mm radial, in passes of at most `most`: the mean no further in than `aim`, and the chance of passing
    /// `edge` no more than `deviate` allows, even once spring passes have taken all that was left.
    fn deepest(&self, sets: &[f64], most: f64, (aim, edge, deviate): (f64, f64, f64), of: ReadingOf) -> f64 {
        let here = self.lag(sets);
        let may = |radial: f64| {
            let (mean, sd) = self.believed(here.on_to(radial, most, self.mean[1]), of);
            let (settled, settled_sd) = self.believed(Lag { stands: radial, ..Lag::default() }, of);
            mean <= aim && mean + deviate * sd <= edge && settled + deviate * settled_sd <= edge
        };
        if !may(here.stands) {
            return here.stands;
        }
        let (mut low, mut high) = (here.stands, here.stands + 4.0 * self.pitch_mm);
        for _ in 0..32 {
            let middle = f64::midpoint(low, high);
            if may(middle) { low = middle } else { high = middle }
        }
        low
    }

    /// Whether a size was read, and not only a fit.
    #[must_use]
    pub const fn measured(&self) -> bool {
        self.readings > self.fits
    }

    /// The next setting toward a size, mm radial: at the aim, and no likelier than one in a hundred to pass the limit.
    #[must_use]
    pub fn toward_size(&self, run: &RunPlan, sets: &[f64], aim_mm: f64, limit_mm: f64) -> f64 {
        let into = |mm: f64| run.depth_of(mm, 0.0);
        self.deepest(sets, run.finishing_cut_mm, (into(aim_mm), into(limit_mm), PAST_LIMIT), ReadingOf::Flanks)
    }

    /// The next setting toward a good fit, mm radial: in the middle of running free, no likelier than one in fifty to pass it; and always
    /// a step, small beside the room a good fit has, when the mate does not go yet.
    #[must_use]
    pub fn toward_fit(&self, run: &RunPlan, sets: &[f64]) -> f64 {
        let dial = &run.dial;
        let FitBand { least_mm, most_mm } = Fit::Free.clearance(self.pitch_mm);
        let stands = sets.last().copied().unwrap_or(0.0);
        let wanted = self.deepest(sets, run.finishing_cut_mm, (f64::midpoint(least_mm, most_mm) / 2.0, most_mm / 2.0, PAST_FIT), ReadingOf::Mate);
        let light = dial.shallow(stands + (most_mm - least_mm) / 4.0).radial_mm;
        let step = if light > stands + 1e-6 { light } else { dial.shallow(stands + dial.division_radial_mm()).radial_mm };
        dial.shallow(wanted).radial_mm.max(step)
    }

    /// How far in the flanks will be once cut on to a depth, in finishing cuts, and one standard deviation of it, mm radial.
    fn gone_on_to(&self, run: &RunPlan, sets: &[f64], radial: f64) -> (f64, f64) {
        self.believed(self.lag(sets).on_to(radial, run.finishing_cut_mm, self.mean[1]), ReadingOf::Flanks)
    }

    /// Whether going on to a depth stays short of a size but for one chance in a hundred, what springs off with it counted.
    #[must_use]
    pub fn stays_short(&self, run: &RunPlan, sets: &[f64], radial: f64, of_mm: f64) -> bool {
        let (into, sd) = self.gone_on_to(run, sets, radial);
        into + PAST_LIMIT * sd <= run.depth_of(of_mm, 0.0)
    }

    /// How sure the next setting is, in plain words.
    #[must_use]
    pub fn sure(&self, run: &RunPlan, sets: &[f64], radial: f64, limit_mm: f64, voice: Voice) -> String {
        let (into, sd) = self.gone_on_to(run, sets, radial);
        let chance = normal_area((into - run.depth_of(limit_mm, 0.0)) / sd.max(1e-9));
        let odds = if chance < 0.001 {
            "none"
        } else if chance < 0.02 {
            "low"
        } else {
            "some"
        };
        say!(voice, "verdict-comes-to", odds = odds, size = voice.length(run.size_at(into)), doubt = voice.length(4.0 * sd))
    }

    /// What the readings have found; nothing before the first.
    #[must_use]
    pub fn found(&self, run: &RunPlan, voice: Voice) -> Option<TipFound> {
        if self.readings == 0 {
            return None;
        }
        let [reach, spring, m] = self.mean;
        let flat_mm = (self.pitch_mm / 2.0 - reach * self.slope).max(0.0);
        let doubt_mm = 2.0 * self.spread[0][0].max(0.0).sqrt() * self.slope;
        let count = self.readings;
        let mate_mm = (self.fits > 0).then(|| run.size_at(m));
        // Known to the thousandth, it is not said to be known to nought.
        let doubt = if doubt_mm < 0.01 { voice.length(doubt_mm) } else { voice.coarse(doubt_mm) };
        let (flat, share) = (voice.coarse(flat_mm), plain_text(100.0 * spring, 0));
        let says = match mate_mm {
            None => say!(voice, "tip-found", n = count, flat = flat, doubt = doubt, spring = share),
            Some(mm) => {
                let (mate, sd) = (voice.length(mm), voice.length(4.0 * self.spread[2][2].max(0.0).sqrt()));
                say!(voice, "tip-found-and-mate", n = count, flat = flat, doubt = doubt, spring = share, mate = mate, sd = sd)
            }
        };
        Some(TipFound {
            flat_mm,
            doubt_mm,
            flat_text: voice.coarse(flat_mm),
            tip_to_pitch_mm: reach,
            spring,
            spring_doubt: 2.0 * self.spread[1][1].max(0.0).sqrt(),
            mate_mm,
            readings: count,
            sure: doubt_mm <= WORTH_KEEPING_MM,
            says,
        })
    }
}
