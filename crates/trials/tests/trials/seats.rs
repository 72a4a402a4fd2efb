//! Where wires and balls really rest, against a contact check that knows no formula of the core's.

use std::f64::consts::{PI, TAU};
use yoke_core::thread::{Flanks, Groove, Seat, half_angle_of};

#[test]
fn a_second_seat_is_no_higher_than_a_pitch() {
    // The paddle screw's own drawer: a wire leaned along the groove runs out of it, and that is no seat.
    for (d, p, lead, alpha) in [(30.16, 5.08, 5.08, 14.5), (25.5, 5.0, 5.0, 15.0), (36.5, 7.0, 14.0, 15.0), (18.376, 2.5, 2.5, 30.0)] {
        let groove = Groove { pitch_diameter_mm: d, pitch_mm: p, lead_mm: lead, flanks: Flanks::even(alpha) };
        for wire in [0.9, 1.4, 1.6, 1.829, 2.032, 2.54, 3.048, 3.6] {
            let Some(seat) = groove.seat(wire * p / 5.08) else { continue };
            assert!(seat.other_over_mm.is_none_or(|o| o > seat.over_mm && o < seat.over_mm + p), "{d} {wire}: {seat:?}");
        }
    }
}

/// Least distance from a wire's axis (through (h, 0, 0), leaning by β) or a ball's middle to the flanks, by trying points and
/// walking downhill from the best.
fn clearance(g: &Groove, h: f64, lean: Option<f64>, nut: bool) -> f64 {
    clearance_aside(g, h, lean, nut, 0.0)
}

/// The same for one that stands so far along the axis.
fn clearance_aside(g: &Groove, h: f64, lean: Option<f64>, nut: bool, aside: f64) -> f64 {
    let along = lean.map(|b| [0.0, b.cos(), b.sin()]);
    let distance = |r: f64, t: f64, upper: f64| {
        let tan = (if upper > 0.0 { g.flanks.leading } else { g.flanks.trailing }).to_radians().tan();
        let half = if nut { g.pitch_mm / 4.0 - (r - g.pitch_diameter_mm / 2.0) * tan } else { g.pitch_mm / 4.0 + (r - g.pitch_diameter_mm / 2.0) * tan };
        let v = [r * t.cos() - h, r * t.sin(), g.lead_mm * t / TAU + upper * half - aside];
        let dot = along.map_or(0.0, |d| v[0] * d[0] + v[1] * d[1] + v[2] * d[2]);
        (v[0] * v[0] + v[1] * v[1] + v[2] * v[2] - dot * dot).sqrt()
    };
    let (mid, deep) = (g.pitch_diameter_mm / 2.0, g.pitch_mm * 1.2);
    let mut least = f64::INFINITY;
    for upper in [1.0, -1.0] {
        let (mut r, mut t, mut d) = (mid, 0.0, f64::INFINITY);
        for i in -20..=20 {
            for j in -40..=40 {
                let (x, y) = (mid + deep * f64::from(i) / 20.0, f64::from(j) / 40.0);
                let got = if x > 0.0 { distance(x, y, upper) } else { f64::INFINITY };
                if got < d {
                    (r, t, d) = (x, y, got);
                }
            }
        }
        let (mut dr, mut dt) = (deep / 20.0, 1.0 / 40.0);
        while dr > 1e-8 * mid {
            let mut moved = false;
            for (x, y) in [(r + dr, t), (r - dr, t), (r, t + dt), (r, t - dt), (r + dr, t + dt), (r - dr, t - dt), (r + dr, t - dt), (r - dr, t + dt)] {
                let got = distance(x, y, upper);
                if got < d {
                    (r, t, d, moved) = (x, y, got, true);
                }
            }
            if !moved {
                dr /= 2.0;
                dt /= 2.0;
            }
        }
        least = least.min(d);
    }
    least
}

/// A groove by its pitch diameter, pitch, starts and half angle.
fn groove(e: f64, p: f64, starts: f64, alpha: f64) -> Groove {
    Groove { pitch_diameter_mm: e, pitch_mm: p, lead_mm: p * starts, flanks: Flanks::even(alpha) }
}

/// Families as they are met, from fine to leads of twenty degrees.
fn met() -> Vec<Groove> {
    vec![
        groove(18.376, 2.5, 1.0, 30.0),
        groove(5.35, 1.0, 1.0, 30.0),
        groove(20.0, 2.309, 1.0, 27.5),
        groove(5.08, 0.9, 1.0, 23.75),
        groove(22.86, 5.08, 1.0, 14.5),
        groove(25.5, 5.0, 1.0, 15.0),
        groove(11.43, 2.54, 4.0, 14.5),
        groove(18.0, 2.5, 3.0, 30.0),
        groove(20.0, 5.0, 4.0, 15.0),
        groove(10.0, 2.0, 5.0, 30.0),
    ]
}

fn wires(g: &Groove) -> [f64; 3] {
    let best = g.pitch_mm / (2.0 * g.flanks.leading.to_radians().cos());
    [0.95 * best, best, 1.12 * best]
}

#[test]
fn the_two_worked_figures_agree() {
    // 1-5 Acme and a half-inch four-start Acme, in inches, from the trade's own worked examples.
    for (g, wire, exact) in [(groove(0.9, 0.2, 1.0, 14.5), 0.10329, 1.030_089), (groove(0.45, 0.1, 4.0, 14.5), 0.0517, 0.522_014)] {
        let seat = g.seat(wire).unwrap();
        assert!((seat.over_mm - exact).abs() < 1e-6, "{seat:?} {exact}");
    }
}

#[test]
fn a_wire_at_rest_touches_both_flanks_and_every_other_lean_would_lift_it() {
    for g in met() {
        assert!((g.lead_mm / (PI * g.pitch_diameter_mm)).atan().to_degrees() < 20.5);
        for wire in wires(&g) {
            let Seat { over_mm, lean_deg, .. } = g.seat(wire).unwrap();
            let (h, lean) = ((over_mm - wire) / 2.0, lean_deg.to_radians());
            let at = |by: f64| clearance(&g, h, Some(lean + by), false) - wire / 2.0;
            assert!(at(0.0).abs() < 5e-5, "{g:?} {wire}: {} mm off", at(0.0));
            for by in [-0.3, -0.1, -0.02, -0.004, 0.004, 0.02, 0.1, 0.3] {
                assert!(at(by) < 5e-5, "{g:?} {wire}: leaning {by} more it would lie {} mm lower", at(by));
            }
        }
    }
}

#[test]
fn without_lead_it_is_the_plain_formula_and_the_size_comes_back() {
    for g in met() {
        let flat = Groove { lead_mm: 1e-9, ..g };
        let a = g.flanks.leading.to_radians();
        for wire in wires(&g) {
            let plain = g.pitch_diameter_mm + wire * (1.0 + 1.0 / a.sin()) - g.pitch_mm / 2.0 / a.tan();
            assert!((flat.seat(wire).unwrap().over_mm - plain).abs() < 1e-7);
            // The first-order correction is near it for one start, and the exact answer is never under the plain one.
            let over = g.seat(wire).unwrap().over_mm;
            assert!(over > plain - 1e-9, "{g:?}");
            let guess = Groove { pitch_diameter_mm: g.pitch_diameter_mm * 1.01, ..g };
            assert!((guess.pitch_diameter_of(over, wire).unwrap() - g.pitch_diameter_mm).abs() < 1e-6);
        }
        let [thin, _, thick] = wires(&g);
        let over = |w: f64| flat.seat(w).unwrap().over_mm;
        assert!((half_angle_of([thin, over(thin)], [thick, over(thick)]).unwrap() - g.flanks.leading).abs() < 1e-4);
    }
    assert!(groove(18.0, 2.5, 1.0, 0.0).seat(1.4).is_none() && groove(18.0, 2.5, 1.0, 30.0).seat(f64::NAN).is_none());
    assert!(half_angle_of([1.0, 2.0], [1.0, 3.0]).is_none() && half_angle_of([1.0, 5.0], [2.0, 4.0]).is_none());
}

#[test]
fn a_ball_in_a_nut_rests_where_it_touches() {
    for g in met() {
        let ball = g.pitch_mm / (2.0 * g.flanks.leading.to_radians().cos());
        let h = g.ball(ball).unwrap();
        let at = |h: f64| clearance(&g, h, None, true) - ball / 2.0;
        assert!(at(h).abs() < 5e-5, "{g:?}: {} mm off", at(h));
        assert!(at(h + 0.01) < -1e-4 && at(h - 0.01) > 1e-4, "out is into the flank");
        // The gap between three of them, as the trade's formula has it without lead.
        let a = g.flanks.leading.to_radians();
        let plain = g.pitch_diameter_mm - ball * (1.0 + 1.0 / a.sin()) + g.pitch_mm / 2.0 / a.tan();
        let flat = Groove { lead_mm: 1e-9, ..g };
        assert!((2.0 * flat.ball(ball).unwrap() - ball - plain).abs() < 1e-7);
    }
}

/// Between unequal flanks a wire and a ball move aside until both hold them; nothing of the core's is used to find where.
#[test]
fn unequal_flanks_hold_a_wire_where_both_touch() {
    for (e, p, starts, leading, trailing) in
        [(48.6, 3.175, 1.0, 7.0, 45.0), (48.6, 3.175, 1.0, 45.0, 7.0), (33.9, 7.0, 1.0, 30.0, 3.0), (20.0, 3.0, 3.0, 45.0, 7.0)]
    {
        let g = Groove { flanks: Flanks { leading, trailing }, ..groove(e, p, starts, 30.0) };
        let w = 0.55 * p;
        let seat = g.seat(w).unwrap();
        let middle = (seat.over_mm - w) / 2.0;
        let most =
            |h: f64, lean: Option<f64>, nut: bool| (-40..=40).map(|i| clearance_aside(&g, h, lean, nut, f64::from(i) / 40.0 * 0.4 * p)).fold(0.0, f64::max);
        let lean = seat.lean_deg.to_radians();
        // A step of the search aside is a hundredth of the pitch: it finds the touch to within what that costs.
        let room = most(middle, Some(lean), false);
        assert!((room - w / 2.0).abs() < 0.006 * p, "wire {leading} {trailing}: {room} {}", w / 2.0);
        assert!(most(middle - 0.05 * p, Some(lean), false) < room - 0.002 * p, "lower it does not fit");
        let ball = most(g.ball(w).unwrap(), None, true);
        assert!((ball - w / 2.0).abs() < 0.006 * p, "ball {leading} {trailing}: {ball} {}", w / 2.0);
        // Turned about it is the same groove seen in a mirror; without lead it is the wire in a V.
        let mirrored = Groove { flanks: Flanks { leading: trailing, trailing: leading }, ..g };
        let about = mirrored.seat(w).unwrap();
        assert!((about.over_mm - seat.over_mm).abs() < 1e-6, "{about:?} {seat:?}");
        let flat = Groove { lead_mm: 1e-9, ..g };
        let [a, b] = [leading, trailing].map(|d: f64| d.to_radians());
        let plain = e + w * (1.0 + ((a - b) / 2.0).cos() / ((a + b) / 2.0).sin()) - p / (a.tan() + b.tan());
        assert!((flat.seat(w).unwrap().over_mm - plain).abs() < 1e-6);
        let c = w / 2.0 * (g.lead_mm / (PI * e)).powi(2) * (a.cos() + b.cos()) / (a.tan() + b.tan());
        assert!((seat.over_mm - plain - c).abs() < 0.15 * c + 1e-5, "first order: {} {c}", seat.over_mm - plain);
        assert!(g.half_angle_of([w, seat.over_mm], [1.2 * w, seat.over_mm + w]).is_none(), "two wires cannot tell two flanks");
    }
}
