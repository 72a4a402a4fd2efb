//! Rules.

use proptest::prelude::*;
use yoke_core::rulebook::rules;
use yoke_core::working::{Rule, Unit};

/// Evaluates the formula as it is *shown*, by a parser that knows nothing of the rule's function.
fn by_the_formula(rule: &Rule, operands: &[f64]) -> f64 {
    let mut names = |name: &str, args: Vec<f64>| -> Option<f64> {
        let first = args.first().copied();
        match (name, first) {
            ("sqrt", Some(x)) => Some(x.sqrt()),
            ("cbrt", Some(x)) => Some(x.cbrt()),
            ("tan_", Some(x)) => Some(x.to_radians().tan()),
            ("sin_", Some(x)) => Some(x.to_radians().sin()),
            ("cos_", Some(x)) => Some(x.to_radians().cos()),
            ("arc_", Some(x)) => Some(x.atan().to_degrees()),
            ("round3", Some(x)) => Some((x * 1e3).round() / 1e3),
            ("round4", Some(x)) => Some((x * 1e4).round() / 1e4),
            ("round6", Some(x)) => Some((x * 1e6).round() / 1e6),
            ("pi", _) => Some(std::f64::consts::PI),
            _ => rule.takes.iter().position(|s| s.name == name).map(|i| operands[i]),
        }
    };
    // The parser's own functions count in radians; the trade counts in degrees.
    let formula =
        ["atan(", "tan(", "sin(", "cos("].iter().zip(["arc_(", "tan_(", "sin_(", "cos_("]).fold(rule.formula.to_owned(), |f, (from, to)| f.replace(from, to));
    fasteval::ez_eval(&formula, &mut names).unwrap_or_else(|e| panic!("{}: {} does not read: {e}", rule.id, rule.formula))
}

proptest! {
    #[test]
    fn the_formula_shown_is_the_function_used(seed in prop::collection::vec(0.2_f64..5.0, 8)) {
        for rule in rules().into_iter().filter(|r| !r.formula.starts_with("table")) {
            let operands: Vec<f64> = rule.takes.iter().zip(&seed)
                // Half angles and lead angles of real threads, so that no tangent blows up.
                .map(|(s, v)| if s.unit == Unit::Deg { 5.0 + v * 5.0 } else { *v })
                .collect();
            let (used, shown) = ((rule.eval)(&operands), by_the_formula(rule, &operands));
            let both_undefined = !used.is_finite() && !shown.is_finite();
            // A rounding rule may fall either side of its last place.
            let slack = if rule.formula.contains("round3") { 1.1e-3 } else if rule.formula.contains("round4") { 1.1e-4 } else { 1e-9 * used.abs().max(1.0) };
            prop_assert!(both_undefined || (used - shown).abs() <= slack, "{}: {used} but shown {shown}", rule.id);
        }
    }
}

#[test]
fn rules_have_unique_names_and_a_source() {
    let mut seen = std::collections::BTreeSet::new();
    for rule in rules() {
        assert!(seen.insert(rule.id), "{} twice", rule.id);
        assert!(!rule.source.is_empty() && !rule.title.is_empty(), "{}", rule.id);
        assert!((rule.eval)(&[]).is_nan() || rule.takes.is_empty(), "{} must refuse missing operands", rule.id);
    }
}
