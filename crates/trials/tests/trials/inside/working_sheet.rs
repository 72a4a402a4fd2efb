//! Working sheet.

use yoke_core::cut::rules::{COMPOUND, INFEED_EXTERNAL};
use yoke_core::working::{Operand, Worksheet};

#[test]
fn the_same_rule_on_the_same_operands_is_one_line() {
    let mut sheet = Worksheet::default();
    let first = sheet.apply(&INFEED_EXTERNAL, [19.9.into(), 18.25.into(), 0.82.into()]);
    let again = sheet.apply(&INFEED_EXTERNAL, [19.9.into(), 18.25.into(), 0.82.into()]);
    let other = sheet.apply(&INFEED_EXTERNAL, [19.8.into(), 18.25.into(), 0.82.into()]);
    assert_eq!(first, again);
    assert_ne!(first, other);
    let travel = sheet.apply_assuming(&COMPOUND, [first, 29.5.into()], Some("leaned by the scale".into()));
    let lines = sheet.finish();
    assert_eq!(lines.len(), 3);
    assert_eq!(lines[2].of, [Operand::Line { w: 0 }, Operand::Value(29.5)]);
    assert_eq!((lines[2].gives.to_bits(), lines[2].assumed.as_deref()), (travel.value.to_bits(), Some("leaned by the scale")));
}

#[test]
fn a_value_given_and_the_same_value_worked_are_told_apart() {
    let mut sheet = Worksheet::default();
    let worked = sheet.apply(&INFEED_EXTERNAL, [20.0.into(), 18.0.into(), 0.5.into()]);
    let from_line = sheet.apply(&COMPOUND, [worked, 0.0.into()]);
    let from_value = sheet.apply(&COMPOUND, [worked.value.into(), 0.0.into()]);
    assert_eq!(from_line.value.to_bits(), from_value.value.to_bits());
    assert_ne!(from_line, from_value, "where a number came from is part of its working");
}
