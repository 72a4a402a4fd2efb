//! Dial.

use proptest::prelude::*;
use yoke_core::gears::{DialRule, reengage};
use yoke_core::job::Dial;
use yoke_core::quantity::Ratio;

fn dial(teeth: u16, marks: u16) -> Dial {
    Dial { teeth: vec![teeth], marks: Some(marks) }
}

#[test]
fn what_every_inch_lathe_owner_knows() {
    // 4 TPI screw, 16-tooth dial, 8 marks: even counts any mark, odd counts alternate ones, halves every fourth.
    let of_tpi = |num: i128, den: i128| reengage(&Ratio::new(4 * den, num), Some(&dial(16, 8)));
    assert_eq!(of_tpi(8, 1).rule, DialRule::AnyPosition);
    assert_eq!(of_tpi(10, 1).rule, DialRule::EveryMark);
    assert_eq!(of_tpi(9, 1).every, Some(2));
    assert_eq!(of_tpi(23, 2).every, Some(4));
    assert_eq!(reengage(&Ratio::new(50, 127), Some(&dial(16, 8))).rule, DialRule::KeepClosed);
    assert_eq!(reengage(&Ratio::new(2, 3), None).rule, DialRule::KeepClosed);
}

proptest! {
    /// Turn a spindle and leadscrew in thought: closing j marks on must land tool and groove together.
    #[test]
    fn a_safe_mark_lands_in_the_groove(n in 1_i128..40, d in 1_i128..40, teeth in 4_u16..40, marks in 1_u16..20) {
        let turns = Ratio::new(n, d);
        let answer = reengage(&turns, Some(&dial(teeth, marks)));
        let n = *turns.numer();
        // The carriage, half-nut open, has passed j marks: j·T/k pitches of the screw, plus any whole turns of the dial.
        let lands = |j: i128, whole: i128| {
            let pitches = Ratio::new(j * i128::from(teeth), i128::from(marks)) + Ratio::from_integer(whole * i128::from(teeth));
            (pitches / Ratio::from_integer(n)).is_integer()
        };
        match answer.rule {
            DialRule::AnyPosition => prop_assert_eq!(n, 1),
            DialRule::EveryMark => prop_assert!((0..5).all(|w| lands(1, w))),
            DialRule::Marks => {
                let every = i128::from(answer.every.unwrap_or(0));
                prop_assert!((0..5).all(|w| lands(every, w)));
                prop_assert!((1..every).all(|j| !lands(j, 0)), "a nearer mark would have served");
            }
            DialRule::KeepClosed => prop_assert!(!(0..6).all(|w| lands(i128::from(marks), w)) || n > 1 && i128::from(teeth) % n != 0),
        }
    }
}
