//! Trade words, British or American, and the sentences that need them.

use crate::gears::{DialAnswer, DialRule};
use crate::job::Vocabulary;

/// The words that differ.
#[derive(Debug, Clone, Copy)]
pub struct Words {
    /// The slide on the cross-slide that swings.
    pub compound: &'static str,
    /// What grips the leadscrew.
    pub half_nut: &'static str,
}

impl Words {
    /// The words of a vocabulary.
    #[must_use]
    pub const fn of(vocabulary: Vocabulary) -> Self {
        match vocabulary {
            Vocabulary::American => Self { compound: "compound", half_nut: "half-nut" },
            Vocabulary::British => Self { compound: "top slide", half_nut: "clasp nut" },
        }
    }

    /// When the half-nut may close again, in a few words.
    pub(crate) fn dial_short(&self, answer: &DialAnswer) -> String {
        match (answer.rule, answer.every) {
            (DialRule::AnyPosition, _) => "close anywhere".into(),
            (DialRule::EveryMark, _) => "close on any mark".into(),
            (DialRule::Marks, Some(every)) => format!("close on every {} {}", ordinal(every), if answer.marks == answer.teeth { "tooth" } else { "mark" }),
            _ => "keep it closed".into(),
        }
    }

    /// When the half-nut may close again.
    pub(crate) fn dial(&self, answer: &DialAnswer, has_dial: bool) -> String {
        let nut = self.half_nut;
        let gear = answer.teeth.map_or_else(String::new, |t| format!(" ({t}-tooth dial gear)"));
        match (answer.rule, answer.every) {
            (DialRule::AnyPosition, _) => format!("Close the {nut} anywhere: the thread repeats on every leadscrew pitch."),
            (DialRule::EveryMark, _) => format!("Close on any mark{gear}: each is a multiple of {} leadscrew pitches.", answer.apart),
            (DialRule::Marks, Some(every)) => {
                let unit = if answer.marks == answer.teeth { "tooth of the dial gear" } else { "mark" };
                format!("Close on every {} {unit} from the first{gear}: {} leadscrew pitches apart.", ordinal(every), answer.apart)
            }
            _ if has_dial => format!(
                "Keep the {nut} closed and reverse the spindle: the thread repeats only every {} leadscrew pitches, which this dial does not count.",
                answer.apart
            ),
            _ => format!(
                "Keep the {nut} closed and reverse the spindle: there is no dial, and the thread repeats only every {} leadscrew pitches.",
                answer.apart
            ),
        }
    }
}

/// `2nd`, `3rd`, `4th`.
fn ordinal(n: u16) -> String {
    let ending = match (n % 10, n % 100) {
        (_, 11..=13) => "th",
        (1, _) => "st",
        (2, _) => "nd",
        (3, _) => "rd",
        _ => "th",
    };
    format!("{n}{ending}")
}
