//! When the half-nut may be closed again: one rule for every train, inch or metric.

use crate::drive::Dial;
use crate::quantity::Ratio;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use yoke_ground::say;

/// What the threading dial is good for with a train.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum DialRule {
    /// Close anywhere; no dial needed.
    AnyPosition,
    /// Close on any mark.
    EveryMark,
    /// Close on every j-th mark from the one used first.
    Marks,
    /// Never open it.
    KeepClosed,
}

/// The rule, and how it falls on this dial.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct DialAnswer {
    /// The rule.
    pub rule: DialRule,
    /// j, for [`DialRule::Marks`].
    pub every: Option<u16>,
    /// Teeth of the dial gear to use.
    pub teeth: Option<u16>,
    /// Marks taken to be on the dial.
    pub marks: Option<u16>,
    /// Leadscrew pitches between places the half-nut may close.
    pub apart: i128,
}

/// The rule for `turns`, the leadscrew turns per spindle turn of the train really mounted.
///
/// With that ratio n/d in lowest terms the half-nut may close only a whole multiple of n leadscrew
/// pitches from where it was first closed; n = 1 is anywhere. A dial gear of T teeth counts pitches
/// only modulo T, so unless n divides T nothing on it is safe.
#[must_use]
pub fn reengage(turns: &Ratio, dial: Option<&Dial>) -> DialAnswer {
    let n = *turns.numer();
    let plain = |rule| DialAnswer { rule, every: None, teeth: None, marks: None, apart: n };
    if n == 1 {
        return plain(DialRule::AnyPosition);
    }
    let Some(dial) = dial else { return plain(DialRule::KeepClosed) };
    each_gear(turns, dial).into_iter().filter(|a| a.rule != DialRule::KeepClosed).min_by_key(|a| a.every).unwrap_or_else(|| plain(DialRule::KeepClosed))
}

/// The rule with each dial gear owned, in the order they are listed.
#[must_use]
pub fn each_gear(turns: &Ratio, dial: &Dial) -> Vec<DialAnswer> {
    let n = *turns.numer();
    let of_gear = |teeth: u16| {
        // Marks not counted: every tooth is as good as a mark.
        let marks = dial.marks.unwrap_or(teeth);
        let answer = |rule, every| DialAnswer { rule, every, teeth: Some(teeth), marks: Some(marks), apart: n };
        if n == 1 {
            return answer(DialRule::AnyPosition, None);
        }
        let every = (1..=marks).filter(|_| i128::from(teeth) % n == 0).find(|j| closes_on(*j, teeth, marks, n));
        match every {
            None => answer(DialRule::KeepClosed, None),
            Some(1) => answer(DialRule::EveryMark, None),
            every => answer(DialRule::Marks, every),
        }
    };
    dial.teeth.iter().map(|teeth| of_gear(*teeth)).collect()
}

/// Whether the half-nut closes in step j marks on: whole leadscrew pitches, and a multiple of `n` of them.
pub fn closes_on(j: u16, teeth: u16, marks: u16, n: i128) -> bool {
    let travelled = i128::from(j) * i128::from(teeth);
    travelled % i128::from(marks) == 0 && (travelled / i128::from(marks)) % n == 0
}

impl DialAnswer {
    /// When the half-nut may close again, in a few words.
    pub fn says_short(&self, voice: Voice) -> String {
        match (self.rule, self.every) {
            (DialRule::AnyPosition, _) => say!(voice, "nut-short-anywhere"),
            (DialRule::EveryMark, _) => say!(voice, "nut-short-any-mark"),
            (DialRule::Marks, Some(every)) if self.marks == self.teeth => say!(voice, "nut-short-teeth", every = voice.ordinal(every)),
            (DialRule::Marks, Some(every)) => say!(voice, "nut-short-marks", every = voice.ordinal(every)),
            _ => say!(voice, "nut-short-closed"),
        }
    }

    /// When the half-nut may close again.
    pub fn says(&self, voice: Voice, has_dial: bool) -> String {
        let apart = self.apart;
        match (self.rule, self.every, self.teeth) {
            (DialRule::AnyPosition, ..) => say!(voice, "nut-anywhere"),
            (DialRule::EveryMark, _, None) => say!(voice, "nut-any-mark", apart = apart),
            (DialRule::EveryMark, _, Some(teeth)) => say!(voice, "nut-any-mark-of", teeth = teeth, apart = apart),
            (DialRule::Marks, Some(every), Some(teeth)) if self.marks == self.teeth => {
                say!(voice, "nut-every-tooth", every = voice.ordinal(every), teeth = teeth, apart = apart)
            }
            (DialRule::Marks, Some(every), Some(teeth)) => say!(voice, "nut-every-mark-of", every = voice.ordinal(every), teeth = teeth, apart = apart),
            (DialRule::Marks, Some(every), None) => say!(voice, "nut-every-mark", every = voice.ordinal(every), apart = apart),
            _ if has_dial => say!(voice, "nut-not-by-this-dial", apart = apart),
            _ => say!(voice, "nut-no-dial", apart = apart),
        }
    }
}
