//! Rules, and the working of a number: every figure shown can be opened to see how it was got.
//!
//! A [`Rule`] is one item: its function, its symbols, its formula for display, its source and what
//! other schools say. A [`Worksheet`] evaluates rules and keeps a line for each, so a number and its
//! working cannot disagree.

mod quantity;
mod sheet;

pub use quantity::Quantity;
pub use quantity::round_to_nine;
pub use sheet::{Num, Operand, Working, Worksheet};

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
#[macro_export]
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
pub use crate::rule;
