//! Where a wire or a ball really comes to rest in a helical groove.
//!
//! A straight wire of radius ρ lies across the screw at height h over its axis, leaning by β from square. A point of the groove's
//! upper flank at radius r and turned through θ stands at z = Lθ/2π + P/4 + (r − E/2)·tan α along the axis. Seen along the wire it
//! is b = z·cos β − r·sin θ·sin β to the side, so it holds the wire up to r·cos θ + √(ρ² − b²); the lower flank does the same by
//! symmetry. Along a line of the flank (θ fixed) that is greatest where the wire's normal meets the line, which has a closed form; the
//! rest is one search over θ and one over β, for the wire settles where it lies lowest.

use super::flanks::Flanks;
use std::f64::consts::{FRAC_PI_2, PI, TAU};

/// The groove a wire or a ball seats in; lengths in mm.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Groove {
    /// Pitch diameter.
    pub pitch_diameter_mm: f64,
    /// Pitch: from one groove to the next.
    pub pitch_mm: f64,
    /// Lead: along the axis in one turn.
    pub lead_mm: f64,
    /// Its flanks; which is which does not matter here.
    pub flanks: Flanks,
}

/// A wire at rest.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Seat {
    /// Size over three of them between flat anvils, mm.
    pub over_mm: f64,
    /// How far it leans from square to the axis, degrees.
    pub lean_deg: f64,
    /// Radius at which it touches the flanks, mm.
    pub touch_radius_mm: f64,
    /// Size over three of them in the higher of two seats, where there are two, mm.
    pub other_over_mm: Option<f64>,
}

/// The least of a function between two places, by golden section, and where.
fn least(f: impl Fn(f64) -> f64, mut a: f64, mut b: f64) -> (f64, f64) {
    let g = (5.0_f64.sqrt() - 1.0) / 2.0;
    let (mut x, mut y) = (b - g * (b - a), a + g * (b - a));
    let (mut fx, mut fy) = (f(x), f(y));
    // Near a least the value goes as the square of how far off one is, so a millionth of the way is far closer than any reading.
    for _ in 0..30 {
        if fx < fy {
            (b, y, fy) = (y, x, fx);
            x = b - g * (b - a);
            fx = f(x);
        } else {
            (a, x, fx) = (x, y, fy);
            y = a + g * (b - a);
            fy = f(y);
        }
    }
    if fx < fy { (fx, x) } else { (fy, y) }
}

/// The lows of a function on a grid, each found to the last figure.
fn lows(f: impl Fn(f64) -> f64 + Copy, from: f64, to: f64, steps: u32) -> Vec<(f64, f64)> {
    let at = |i: u32| from + (to - from) * f64::from(i) / f64::from(steps);
    let values: Vec<f64> = (0..=steps).map(|i| f(at(i))).collect();
    (1..steps)
        .filter(|&i| {
            let i = i as usize;
            values[i] <= values[i - 1] && values[i] < values[i + 1]
        })
        .map(|i| least(f, at(i - 1), at(i + 1)))
        .collect()
}

/// Where between −`reach` and it two things balance: `short` says that it lies farther on.
fn balance(reach: f64, short: impl Fn(f64) -> bool) -> f64 {
    let (mut low, mut high) = (-reach, reach);
    for _ in 0..44 {
        let aside = f64::midpoint(low, high);
        if short(aside) { low = aside } else { high = aside }
    }
    f64::midpoint(low, high)
}

/// How near a wire may lean to where it lies along an all but upright flank, as a share of it.
const UPRIGHT_SHARE: f64 = 0.7;

impl Groove {
    /// Half angle of the even groove that widens as fast, degrees.
    fn alpha_deg(&self) -> f64 {
        self.flanks.half_deg()
    }

    /// Tangent of a flank, and lead in a radian.
    fn slopes(&self, flank_deg: f64) -> (f64, f64) {
        (flank_deg.to_radians().tan(), self.lead_mm / TAU)
    }

    /// How far round from its middle a wire or a ball may touch, radians: farther round the flank falls away from it.
    fn round(&self, across_mm: f64) -> f64 {
        ((self.pitch_mm + 2.0 * across_mm) / self.pitch_diameter_mm).clamp(0.2, 1.2)
    }

    /// The size over three wires as if the lead were nought, mm.
    fn plain_over(&self, wire_mm: f64) -> f64 {
        self.pitch_diameter_mm + wire_mm * (1.0 + self.flanks.wedge()) - self.pitch_mm / (2.0 * self.alpha_deg().to_radians().tan())
    }

    /// How high the flank's line at θ holds a wire that leans by β (its sine and cosine given), and at what radius.
    ///
    /// Along the line b = b₀ + r·b₁; with b = ρ·sin φ the height is r·cos θ + ρ·cos φ, greatest where tan φ = cos θ/b₁.
    ///
    /// The wire's middle stands `aside` from the groove's, along the axis toward the flank.
    fn holds(&self, (tan, rise): (f64, f64), rho: f64, theta: f64, (sin_b, cos_b): (f64, f64), aside: f64) -> (f64, f64) {
        let (sin_t, cos_t) = theta.sin_cos();
        let b1 = tan * cos_b - sin_t * sin_b;
        let b0 = (rise * theta + self.pitch_mm / 4.0 - self.pitch_diameter_mm / 2.0 * tan) * cos_b - aside;
        if b1 <= 1e-9 {
            return (f64::NEG_INFINITY, 0.0);
        }
        let slant = (b1 * b1 + cos_t * cos_t).sqrt();
        ((rho * slant - b0 * cos_t) / b1, (rho * cos_t / slant - b0) / b1)
    }

    /// How high a whole flank holds a wire that leans by β and stands so far toward it, and where round it.
    fn held(&self, flank_deg: f64, wire_mm: f64, beta: f64, aside: f64) -> (f64, f64) {
        let (lean, slopes) = (beta.sin_cos(), self.slopes(flank_deg));
        let under = |theta: f64| -self.holds(slopes, wire_mm / 2.0, theta, lean, aside).0;
        let round = self.round(wire_mm);
        let at = |i: i32| round * f64::from(i) / 8.0;
        let best = (-8..=8).map(|i| (under(at(i)), i)).min_by(|a, b| a.0.total_cmp(&b.0)).map_or(0, |m| m.1);
        let (low, theta) = least(under, at(best - 1), at(best + 1));
        (-low, theta)
    }

    /// How high the groove holds a wire that leans by β, how far toward its first flank it stands, and where round that it touches.
    /// Between equal flanks it stands in the middle; between others it moves aside until both hold it alike.
    fn height(&self, wire_mm: f64, beta: f64) -> (f64, f64, f64) {
        let [first, second] = self.flanks.both();
        if self.flanks.are_even() {
            let (high, theta) = self.held(first, wire_mm, beta, 0.0);
            return (high, 0.0, theta);
        }
        let aside = balance(self.pitch_mm, |aside| self.held(first, wire_mm, beta, aside).0 < self.held(second, wire_mm, beta, -aside).0);
        let (high, theta) = self.held(first, wire_mm, beta, aside);
        (high, aside, theta)
    }

    /// Where three wires of this size rest; `None` where the sides are straight, the wire is nothing, or it finds no seat.
    #[must_use]
    pub fn seat(&self, wire_mm: f64) -> Option<Seat> {
        let sound = |v: f64| v.is_finite() && v > 0.0;
        if ![self.pitch_diameter_mm, self.pitch_mm, self.lead_mm, self.alpha_deg(), wire_mm].into_iter().all(sound) || self.alpha_deg() >= 89.0 {
            return None;
        }
        let lead_angle = (self.lead_mm / (PI * self.pitch_diameter_mm)).atan();
        let height = |beta: f64| self.height(wire_mm, beta).0;
        // A flank that stands all but upright falls away from a wire that leans far: there is no seat there, only the end of the search.
        let [first, second] = self.flanks.both().map(|flank| flank.to_radians().tan());
        let upright = if self.flanks.are_even() { f64::INFINITY } else { (UPRIGHT_SHARE * first.min(second) / self.round(wire_mm).sin()).atan() - lead_angle };
        let widest = (lead_angle + 0.6).min(FRAC_PI_2 - 0.05).min(upright);
        if widest <= 0.0 {
            return None;
        }
        let mut seats = lows(height, lead_angle - widest, lead_angle + widest.min(FRAC_PI_2 - 0.05 - lead_angle), 32);
        seats.sort_by(|a, b| a.0.total_cmp(&b.0));
        let &(h, beta) = seats.first()?;
        let (_, aside, theta) = self.height(wire_mm, beta);
        let over = |h: f64| 2.0 * h + wire_mm;
        Some(Seat {
            over_mm: over(h),
            lean_deg: beta.to_degrees(),
            touch_radius_mm: self.holds(self.slopes(self.flanks.leading), wire_mm / 2.0, theta, beta.sin_cos(), aside).1,
            // A seat a pitch higher would stand on no flank: leaning so far the wire lies along the groove and the search runs out of it.
            other_over_mm: seats.get(1).map(|s| over(s.0)).filter(|o| (1e-4..self.pitch_mm).contains(&(o - over(h)))),
        })
    }

    /// The pitch diameter of which this is the size over three wires, mm: the seat turned round, by secants.
    #[must_use]
    pub fn pitch_diameter_of(&self, over_mm: f64, wire_mm: f64) -> Option<f64> {
        self.size_read(over_mm, |groove| groove.seat(wire_mm).map(|s| s.over_mm))
    }

    /// The pitch diameter at which a reading of the groove is this, mm. A reading grows with the size one to one, or all but, so what it
    /// is short of is added until nothing is.
    fn size_read(&self, wanted: f64, read: impl Fn(&Self) -> Option<f64>) -> Option<f64> {
        let mut size = self.pitch_diameter_mm;
        for _ in 0..6 {
            size += wanted - read(&Self { pitch_diameter_mm: size, ..*self })?;
        }
        Some(size)
    }

    /// How far from the axis the middle of a ball rests in the groove of a nut, mm.
    #[must_use]
    pub fn ball(&self, ball_mm: f64) -> Option<f64> {
        let sound = |v: f64| v.is_finite() && v > 0.0;
        if ![self.pitch_diameter_mm, self.pitch_mm, self.lead_mm, self.alpha_deg(), ball_mm].into_iter().all(sound) {
            return None;
        }
        let [first, second] = self.flanks.both();
        let out = if self.flanks.are_even() {
            self.ball_out(first, ball_mm, 0.0)?
        } else {
            // Aside until both flanks stop it alike: that is as far out as it goes.
            let at = |flank: f64, aside: f64| self.ball_out(flank, ball_mm, aside).unwrap_or(0.0);
            at(first, balance(self.pitch_mm / 2.0, |aside| at(first, aside) > at(second, -aside)))
        };
        Some(out).filter(|h| h.is_finite() && *h > 0.0)
    }

    /// How far out one flank lets a ball go that stands so far toward it, mm.
    fn ball_out(&self, flank_deg: f64, ball_mm: f64, aside: f64) -> Option<f64> {
        let (tan, rise) = self.slopes(flank_deg);
        let rho = ball_mm / 2.0;
        // For the flank's line at θ the ball of radius ρ goes out to where its middle is ρ from it: a quadratic in h.
        let out = |theta: f64| {
            let k = rise * theta + self.pitch_mm / 4.0 + self.pitch_diameter_mm / 2.0 * tan - aside;
            let (n, c) = (1.0 + tan * tan, theta.cos());
            // h²(n − c²) − 2hckt + k²(n − t²) − nρ² = 0, the smaller root: the ball comes from the middle.
            let (a, b, d) = (n - c * c, c * k * tan, k * k * (n - tan * tan) - n * rho * rho);
            let under = b * b - a * d;
            if under < 0.0 { f64::INFINITY } else { (b - under.sqrt()) / a }
        };
        let round = self.round(ball_mm);
        let at = |i: i32| round * f64::from(i) / 24.0;
        let best = (-24..=24).min_by(|x, y| out(at(*x)).total_cmp(&out(at(*y))))?;
        Some(least(out, at(best - 1), at(best + 1)).0)
    }

    /// What is read between balls of one size in the groove of a nut, mm: three of them between flat anvils, or two opposite each other.
    ///
    /// Derivation: half a turn on, the groove stands half a lead along; the nearest groove to that is half a pitch off for an odd
    /// count of starts, and level for an even one, so two balls lie aslant by that much.
    #[must_use]
    pub fn between_balls(&self, ball_mm: f64, balls: u8) -> Option<f64> {
        let across = 2.0 * self.ball(ball_mm)?;
        let aslant = if balls == 2 { self.aslant() } else { 0.0 };
        Some(across.hypot(aslant) - ball_mm)
    }

    fn aslant(&self) -> f64 {
        if (self.lead_mm / self.pitch_mm).round().rem_euclid(2.0) > 0.5 { self.pitch_mm / 2.0 } else { 0.0 }
    }

    /// The pitch diameter of which this is read between balls, mm.
    #[must_use]
    pub fn pitch_diameter_of_balls(&self, between_mm: f64, ball_mm: f64, balls: u8) -> Option<f64> {
        self.size_read(between_mm, |groove| groove.between_balls(ball_mm, balls)).filter(|s| s.is_finite() && *s > 0.0)
    }

    /// The half angle really cut, degrees, from the sizes over three wires of two sizes: where both rest in one groove. Nothing of
    /// unequal flanks, which two sizes cannot tell apart.
    #[must_use]
    pub fn half_angle_of(&self, [wire_a, over_a]: [f64; 2], [wire_b, over_b]: [f64; 2]) -> Option<f64> {
        if !self.flanks.are_even() {
            return None;
        }
        let plain = half_angle_of([wire_a, over_a], [wire_b, over_b])?;
        // What the lead lifts the wires by is the same to first order whatever the angle, so it is taken off and the plain answer asked again.
        let mut alpha = plain;
        for _ in 0..8 {
            let groove = Self { flanks: Flanks::even(alpha), ..*self };
            let size = groove.pitch_diameter_of(over_a, wire_a)?;
            let lifted = |w: f64| {
                let at = Self { pitch_diameter_mm: size, ..groove };
                Some(at.seat(w)?.over_mm - at.plain_over(w))
            };
            alpha = half_angle_of([wire_a, over_a - lifted(wire_a)?], [wire_b, over_b - lifted(wire_b)?])?;
        }
        Some(alpha)
    }
}

/// Why a wire does not bear on the flanks.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum NoSeat {
    /// It lies below the crests: the anvils never touch it.
    BelowCrests,
    /// It bears on the crests.
    OnCrests,
    /// It falls to the root.
    ToRoot,
}

impl NoSeat {
    /// Its name, as sentences tell them apart.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::BelowCrests => "below",
            Self::OnCrests => "crests",
            Self::ToRoot => "root",
        }
    }
}

/// Whether a wire bears on the flanks of a groove cut so far: its contact below the crests' edges and above the root, itself standing
/// proud of the crests.
///
/// # Errors
/// Why it does not.
pub fn bears(groove: &Groove, w: f64, crest: f64, tip_to_pitch: f64) -> Result<(), NoSeat> {
    let e = groove.pitch_diameter_mm;
    let over = groove.plain_over(w);
    // The wire's middle stands so far over the pitch line, and touches each flank so much lower as that flank lies over.
    let middle = (over - w - e) / 2.0;
    let touch = groove.flanks.both().map(|flank| middle - w / 2.0 * flank.to_radians().sin());
    let (highest, lowest) = (touch[0].max(touch[1]), touch[0].min(touch[1]));
    if over <= crest {
        Err(NoSeat::BelowCrests)
    } else if highest > (crest - e) / 2.0 {
        Err(NoSeat::OnCrests)
    } else if lowest < -tip_to_pitch {
        Err(NoSeat::ToRoot)
    } else {
        Ok(())
    }
}

/// The half angle really cut, degrees, from the sizes over two wires, lead neglected; `None` where they cannot be of one groove.
///
/// Derivation: M = E + w(1 + 1/sin α) − (P/2)cot α, so ΔM/Δw = 1 + 1/sin α whatever E and P are.
#[must_use]
pub fn half_angle_of([wire_a, over_a]: [f64; 2], [wire_b, over_b]: [f64; 2]) -> Option<f64> {
    let sine = 1.0 / ((over_b - over_a) / (wire_b - wire_a) - 1.0);
    (sine.is_finite() && sine > 0.0 && sine < 1.0).then(|| sine.asin().to_degrees())
}
