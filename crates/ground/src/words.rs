//! Trade words, each vocabulary a file of them.

use serde::{Deserialize, Serialize};
use std::sync::LazyLock;

/// Which trade words, and so which language.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Vocabulary {
    /// Compound, half-nut, center.
    #[default]
    American,
    /// Top slide, clasp nut, centre.
    British,
    /// The lathe view and the ten-second card in German; what is not translated is said as in American shops.
    German,
}

impl Vocabulary {
    /// Every one.
    pub const ALL: [Self; 3] = [Self::American, Self::British, Self::German];

    /// Whether a part is divided off by a comma.
    #[must_use]
    pub const fn decimal_comma(self) -> bool {
        matches!(self, Self::German)
    }

    /// Its words, each by the key it has in a sentence.
    pub fn terms(self) -> impl Iterator<Item = (&'static str, &'static str)> {
        terms(self.file())
    }

    /// Its words, as a file of terms.
    pub(crate) const fn file(self) -> &'static str {
        match self {
            // An English sentence among German ones keeps its own words.
            Self::American | Self::German => include_str!("../says/words/american.ftl"),
            Self::British => include_str!("../says/words/british.ftl"),
        }
    }
}

/// The keys and words of a vocabulary's file.
pub(crate) fn terms(file: &'static str) -> impl Iterator<Item = (&'static str, &'static str)> {
    file.lines().filter_map(|line| line.strip_prefix('-')?.split_once(" = "))
}

/// Declares the words that differ, each with its key in a sentence.
macro_rules! words {
    ($($(#[$doc:meta])* $field:ident $key:literal;)*) => {
        /// The words that differ.
        #[derive(Debug, Clone, Copy)]
        pub struct Words {
            $($(#[$doc])* pub $field: &'static str,)*
        }

        impl Words {
            fn read(file: &'static str) -> Self {
                let word = |key: &'static str| terms(file).find(|(k, _)| *k == key).map_or(key, |(_, word)| word);
                Self { $($field: word($key)),* }
            }
        }
    };
}

words! {
    /// The slide on the cross-slide that swings.
    compound "compound";
    /// What grips the leadscrew.
    half_nut "half-nut";
    /// The point that holds the work's end.
    center "center";
    /// Of cast iron.
    gray "gray";
    /// What heat shows.
    color "color";
    /// What turns a nut.
    wrench "wrench";
    /// What holds a bit, or work, by its jaws.
    vise "vise";
    /// The unit of length.
    meter "meter";
    /// What says when the half-nut may close.
    dial "dial";
    /// What cuts.
    bit "bit";
    /// What the screw drives along the bed.
    carriage "carriage";
}

static READ: LazyLock<[Words; 3]> = LazyLock::new(|| Vocabulary::ALL.map(|v| Words::read(v.file())));

impl Words {
    /// The words of a vocabulary.
    #[must_use]
    pub fn of(vocabulary: Vocabulary) -> Self {
        READ[vocabulary as usize]
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
