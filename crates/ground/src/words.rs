//! Trade words, British or American.

use crate::quantity::{large_first, small_first};
use serde::{Deserialize, Serialize};

/// British or American trade words.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Vocabulary {
    /// Compound, half-nut, center.
    #[default]
    American,
    /// Top slide, clasp nut, centre.
    British,
}

/// Declares the words that differ: each with its key in a sentence, its American and its British form.
macro_rules! words {
    ($($(#[$doc:meta])* $field:ident $key:literal: $american:literal, $british:literal;)*) => {
        /// The words that differ.
        #[derive(Debug, Clone, Copy)]
        pub struct Words {
            $($(#[$doc])* pub $field: &'static str,)*
        }

        impl Words {
            /// Every one: its key, its American form, its British form.
            pub const ALL: &[[&'static str; 3]] = &[$([$key, $american, $british]),*];

            /// The words of a vocabulary.
            #[must_use]
            pub const fn of(vocabulary: Vocabulary) -> Self {
                match vocabulary {
                    Vocabulary::American => Self { $($field: $american),* },
                    Vocabulary::British => Self { $($field: $british),* },
                }
            }

            fn get(&self, key: &str) -> Option<&'static str> {
                match key {
                    $($key => Some(self.$field),)*
                    _ => None,
                }
            }
        }
    };
}

words! {
    /// The slide on the cross-slide that swings.
    compound "compound": "compound", "top slide";
    /// What grips the leadscrew.
    half_nut "half-nut": "half-nut", "clasp nut";
    /// The point that holds the work's end.
    center "center": "center", "centre";
    /// Of cast iron.
    gray "gray": "gray", "grey";
    /// What heat shows.
    color "color": "color", "colour";
    /// What turns a nut.
    wrench "wrench": "wrench", "spanner";
    /// What holds a bit, or work, by its jaws.
    vise "vise": "vise", "vice";
    /// The unit of length.
    meter "meter": "meter", "metre";
    /// What says when the half-nut may close.
    dial "dial": "thread dial", "indicator dial";
}

impl Words {
    /// A sentence with its words put in where their keys stand between braces; a key with a large first letter begins a sentence. Braces
    /// that hold no key of ours stay.
    #[must_use]
    pub fn fill(&self, text: &str) -> String {
        let mut out = String::with_capacity(text.len());
        let mut rest = text;
        while let Some((before, after)) = rest.split_once('{') {
            out.push_str(before);
            let word = after.split_once('}').and_then(|(key, after)| Some((key, self.get(&small_first(key))?, after)));
            match word {
                Some((key, word, after)) => {
                    let large = key.starts_with(|c: char| c.is_ascii_uppercase());
                    out.push_str(&if large { large_first(word) } else { word.to_owned() });
                    rest = after;
                }
                None => {
                    out.push('{');
                    rest = after;
                }
            }
        }
        out + rest
    }
}

/// `2nd`, `3rd`, `4th`.
pub fn ordinal(n: u16) -> String {
    let ending = match (n % 10, n % 100) {
        (_, 11..=13) => "th",
        (1, _) => "st",
        (2, _) => "nd",
        (3, _) => "rd",
        _ => "th",
    };
    format!("{n}{ending}")
}
