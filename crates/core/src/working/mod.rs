//! Rules, and the working of a number: every figure shown can be opened to see how it was got.
//!
//! A [`Rule`] is one item: its function, its symbols, its formula for display, its source and what
//! other schools say. A [`Sheet`] evaluates rules and keeps a line for each, so a number and its
//! working cannot disagree.

mod quantity;
mod sheet;

pub use quantity::Quantity;
pub(crate) use quantity::nine;
pub use sheet::{Num, Operand, Sheet, Working};

use serde::Serialize;

/// What a symbol of a rule is measured in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Unit {
    /// Millimetres.
    Mm,
    /// Inches.
    In,
    /// Micrometres.
    Um,
    /// Degrees.
    Deg,
    /// A plain number.
    One,
    /// Square millimetres.
    Mm2,
    /// Parts per million.
    Ppm,
    /// Revolutions per minute.
    Rpm,
    /// Metres per minute.
    Mpm,
    /// Seconds.
    S,
}

/// One symbol of a rule.
#[derive(Debug, Clone, Copy, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Symbol {
    /// As it stands in the formula.
    pub name: &'static str,
    /// What it means, in plain words.
    pub meaning: &'static str,
    /// What it is measured in.
    pub unit: Unit,
}

/// A rule's function over its operands, in order.
pub type Eval = fn(&[f64]) -> f64;

/// One rule of the trade: function, symbols, formula, source, schools.
#[derive(Debug, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Rule {
    /// Stable name, `station.rule`.
    pub id: &'static str,
    /// What it gives, in a few words.
    pub title: &'static str,
    /// The result.
    pub gives: Symbol,
    /// The operands, in order.
    pub takes: &'static [Symbol],
    /// The formula in plain text; angles in degrees.
    pub formula: &'static str,
    /// Standard or derivation.
    pub source: &'static str,
    /// What other schools would say.
    pub schools: &'static [&'static str],
    /// The function itself. Not a number when the operands make no sense together.
    #[serde(skip)]
    #[cfg_attr(feature = "schema", schema(ignore))]
    pub eval: Eval,
}

/// Declares a [`Rule`]; see any station's `rules.rs`.
macro_rules! rule {
    ($(#[$doc:meta])* $name:ident = $id:literal, $title:literal,
     ($($sym:ident: $unit:ident $meaning:literal),* $(,)?) -> $out:ident: $out_unit:ident,
     $formula:literal, $source:literal $(; schools [$($school:literal),* $(,)?])?, $body:expr) => {
        $(#[$doc])*
        #[doc = $title]
        pub static $name: $crate::working::Rule = $crate::working::Rule {
            id: $id,
            title: $title,
            gives: $crate::working::Symbol { name: stringify!($out), meaning: $title, unit: $crate::working::Unit::$out_unit },
            takes: &[$($crate::working::Symbol { name: stringify!($sym), meaning: $meaning, unit: $crate::working::Unit::$unit }),*],
            formula: $formula,
            source: $source,
            schools: &[$($($school),*)?],
            eval: {
                #[allow(non_snake_case)]
                fn eval(operands: &[f64]) -> f64 {
                    let [$($sym),*] = *operands else { return f64::NAN };
                    $body
                }
                eval
            },
        };
    };
}
pub(crate) use rule;

/// Every rule of the core, in the order of the stations.
#[must_use]
pub fn rules() -> Vec<&'static Rule> {
    let thread = crate::thread::rules::all();
    [
        thread.as_slice(),
        crate::blank::rules::ALL,
        crate::gears::rules::ALL,
        crate::bit::rules::ALL,
        crate::setup::rules::ALL,
        crate::cut::rules::ALL,
        crate::gauge::rules::ALL,
        crate::pad::rules::ALL,
    ]
    .concat()
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

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
                ("pi", _) => Some(std::f64::consts::PI),
                _ => rule.takes.iter().position(|s| s.name == name).map(|i| operands[i]),
            }
        };
        // The parser's own functions count in radians; the trade counts in degrees.
        let formula = ["atan(", "tan(", "sin(", "cos("]
            .iter()
            .zip(["arc_(", "tan_(", "sin_(", "cos_("])
            .fold(rule.formula.to_owned(), |f, (from, to)| f.replace(from, to));
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
}
