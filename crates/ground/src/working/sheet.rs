//! The sheet on which a plan's numbers are worked.

use super::Rule;
use crate::voice::Voice;
use foldhash::fast::FixedState;
use serde::Serialize;
use std::collections::HashMap;
use std::hash::{BuildHasher, Hash, Hasher};

/// A number on the sheet: its value, and the line that got it if any.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Num {
    /// The value, in the unit its rule says.
    pub value: f64,
    pub(super) line: Option<u32>,
}

impl From<f64> for Num {
    fn from(value: f64) -> Self {
        Self { value, line: None }
    }
}

/// What a rule was given: a plain value, or the result of another line.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[serde(untagged)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Operand {
    /// A value that was given or assumed.
    Value(#[serde(serialize_with = "super::quantity::short")] f64),
    /// The result of another line.
    Line {
        /// Its index among the plan's workings.
        w: u32,
    },
}

/// One line of the sheet.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Working {
    /// The rule used.
    pub rule: &'static str,
    /// Its operands, in the rule's order.
    pub of: Vec<Operand>,
    /// The result.
    #[serde(serialize_with = "super::quantity::short")]
    pub gives: f64,
    /// What was assumed here, if anything.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub assumed: Option<String>,
}

/// Evaluates rules and keeps a line for each; the same rule on the same operands is one line.
#[derive(Debug, Default)]
pub struct Worksheet {
    voice: Voice,
    lines: Vec<Working>,
    /// Lines by what they were worked from, hashed; the line itself is looked at before it is taken for the same.
    known: HashMap<u64, u32, FixedState>,
}

/// Most operands any rule takes without its values being put on the heap.
const FEW: usize = 12;

/// Whether a line was worked from these operands.
fn same(of: &[Operand], operands: &[Num]) -> bool {
    of.len() == operands.len()
        && of.iter().zip(operands).all(|(was, is)| match (was, is.line) {
            (Operand::Line { w }, Some(line)) => *w == line,
            (Operand::Value(v), None) => v.to_bits() == is.value.to_bits(),
            _ => false,
        })
}

impl Worksheet {
    /// An empty one, whose numbers are spoken in a voice.
    #[must_use]
    pub fn spoken(voice: Voice) -> Self {
        Self { voice, ..Self::default() }
    }

    /// The voice its numbers are spoken in.
    #[must_use]
    pub const fn voice(&self) -> Voice {
        self.voice
    }

    /// Works `rule` on `operands`.
    pub fn apply<const N: usize>(&mut self, rule: &'static Rule, operands: [Num; N]) -> Num {
        self.apply_assuming(rule, operands, None)
    }

    /// Works `rule` on `operands`, noting what was assumed.
    pub fn apply_assuming<const N: usize>(&mut self, rule: &'static Rule, operands: [Num; N], assumed: Option<String>) -> Num {
        self.apply_all(rule, &operands, assumed)
    }

    /// Works `rule` on however many operands it takes, noting what was assumed.
    pub fn apply_all(&mut self, rule: &'static Rule, operands: &[Num], assumed: Option<String>) -> Num {
        let mut hasher = self.known.hasher().build_hasher();
        rule.id.hash(&mut hasher);
        for n in operands {
            n.line.map_or_else(|| n.value.to_bits(), u64::from).hash(&mut hasher);
        }
        let key = hasher.finish();
        if let Some(&line) = self.known.get(&key) {
            let known = &self.lines[line as usize];
            if known.rule == rule.id && same(&known.of, operands) {
                return Num { value: known.gives, line: Some(line) };
            }
        }
        let mut few = [0.0; FEW];
        let gives = if let Some(values) = few.get_mut(..operands.len()) {
            values.iter_mut().zip(operands).for_each(|(v, n)| *v = n.value);
            (rule.eval)(values)
        } else {
            (rule.eval)(&operands.iter().map(|n| n.value).collect::<Vec<_>>())
        };
        let line = u32::try_from(self.lines.len()).unwrap_or(u32::MAX);
        self.known.insert(key, line);
        let of = operands.iter().map(|n| n.line.map_or(Operand::Value(n.value), |w| Operand::Line { w })).collect();
        self.lines.push(Working { rule: rule.id, of, gives, assumed });
        Num { value: gives, line: Some(line) }
    }

    /// The finished lines, in order; a line refers only to lines before it.
    #[must_use]
    pub fn finish(self) -> Vec<Working> {
        self.lines
    }
}
