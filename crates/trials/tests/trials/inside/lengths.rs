//! Lengths.

use yoke_core::quantity::{LengthUnit, parse_length, real};

#[test]
fn lengths_as_a_machinist_writes_them() {
    let cases = [
        ("3/8", 9.525),
        ("1-1/4\"", 31.75),
        ("1 1/4 in", 31.75),
        (".875", 0.875),
        (".875in", 22.225),
        ("22 mm", 22.0),
        ("0.5in", 12.7),
        ("1,5", 1.5),
        ("0.7482″", 19.00428),
    ];
    for (text, mm) in cases {
        let read = parse_length(text, LengthUnit::Mm).expect(text);
        assert!((real(&read.mm) - mm).abs() < 1e-12, "{text}");
    }
    assert!((real(&parse_length("0.5", LengthUnit::In).expect("inch").mm) - 12.7).abs() < 1e-12);
}

#[test]
fn what_is_not_a_length_is_named() {
    for bad in ["", "abc", "1/0", "1//2", "mm", "1.2.3", "--3/4", "９"] {
        let fault = parse_length(bad, LengthUnit::Mm).expect_err(bad);
        assert!(fault.0.contains("is not a length"), "{bad}");
    }
}
