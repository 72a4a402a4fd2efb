//! Sentences, all in one place: a file a station and language, each sentence once, named by what it says, with its parts.
//!
//! They are Fluent messages (`says/en/*.ftl`), so that a language may order the parts as it wants, and choose among forms by a number or by
//! which of some cases it is. Trade words stand in them as terms (`{ -compound }`, `{ -Compound }` at the beginning), each vocabulary a file
//! (`says/words`). Another language is a folder: what it does not say is said in English. A trial holds the files against each other and
//! against the code.

use crate::quantity::large_first;
use crate::voice::Voice;
use crate::words::{Vocabulary, terms};
use fluent_bundle::concurrent::FluentBundle;
use fluent_bundle::{FluentArgs, FluentResource, FluentValue};
use std::collections::BTreeMap;
use std::fmt::Write;
use std::sync::LazyLock;
use unic_langid::LanguageIdentifier;

/// Files of a language.
type Files = &'static [(&'static str, &'static str)];

macro_rules! files {
    ($language:literal: $($name:literal),*) => {
        &[$(($name, include_str!(concat!("../says/", $language, "/", $name, ".ftl")))),*]
    };
}

/// English, a file a station; `lathe` is what stands beside the lathe, `pages` the pages' own texts there and on the card.
pub const ENGLISH: Files = files!("en": "blank", "gears", "setup", "cut", "gauge", "check", "lathe", "pages");
/// German: the lathe view and the ten-second card.
pub const GERMAN: Files = files!("de": "gears", "setup", "cut", "gauge", "lathe", "pages");

/// A part of a sentence: a text as its voice made it, or a whole number to choose a form by.
#[derive(Debug, Clone)]
pub struct Part<'a>(FluentValue<'a>);

impl<'a> From<&'a str> for Part<'a> {
    fn from(text: &'a str) -> Self {
        Self(text.into())
    }
}
impl<'a> From<&'a String> for Part<'a> {
    fn from(text: &'a String) -> Self {
        Self::from(text.as_str())
    }
}
impl From<String> for Part<'_> {
    fn from(text: String) -> Self {
        Self(FluentValue::String(text.into()))
    }
}
macro_rules! counts {
    ($($of:ty),*) => {$(
        impl From<$of> for Part<'_> {
            fn from(n: $of) -> Self {
                Self(FluentValue::from(i64::try_from(n).unwrap_or(i64::MAX)))
            }
        }
    )*};
}
counts!(u8, u16, u32, usize, i32, i64, i128);

/// One language with one vocabulary.
struct Tongue {
    bundle: FluentBundle<FluentResource>,
}

impl Tongue {
    fn of(language: &str, files: Files, vocabulary: Vocabulary) -> Self {
        let mut bundle = FluentBundle::new_concurrent(vec![language.parse::<LanguageIdentifier>().unwrap_or_default()]);
        // Marks about each part serve scripts that run both ways, and nobody at a lathe.
        bundle.set_use_isolating(false);
        let mut words = String::new();
        for (key, word) in terms(vocabulary.file()) {
            // A term and the same at the beginning of a sentence.
            let _ = writeln!(words, "-{key} = {word}\n-{} = {}", large_first(key), large_first(word));
        }
        for text in files.iter().map(|(_, text)| (*text).to_owned()).chain([words]) {
            // What does not read of a file is left out here, and found by the trial that reads them all.
            let resource = FluentResource::try_new(text).unwrap_or_else(|(read, _)| read);
            let _ = bundle.add_resource(resource);
        }
        Self { bundle }
    }

    fn say(&self, id: &str, parts: &FluentArgs<'_>) -> Option<String> {
        let pattern = self.bundle.get_message(id)?.value()?;
        Some(self.bundle.format_pattern(pattern, Some(parts), &mut Vec::new()).into_owned())
    }
}

/// Every vocabulary in its language, in their order.
static TONGUES: LazyLock<[Tongue; 3]> = LazyLock::new(|| {
    Vocabulary::ALL.map(|vocabulary| match vocabulary {
        Vocabulary::American | Vocabulary::British => Tongue::of("en", ENGLISH, vocabulary),
        Vocabulary::German => Tongue::of("de", GERMAN, vocabulary),
    })
});

/// A sentence by its name, with its parts; in English where its language has none of it.
#[must_use]
pub fn say<'a>(voice: Voice, id: &str, parts: impl IntoIterator<Item = (&'static str, Part<'a>)>) -> String {
    let args: FluentArgs<'_> = parts.into_iter().map(|(name, part)| (name, part.0)).collect();
    let tongues = &*TONGUES;
    tongues[voice.words as usize].say(id, &args).or_else(|| tongues[0].say(id, &args)).unwrap_or_else(|| id.to_owned())
}

/// The names of a file's messages, each with the names of its parts.
pub fn messages(file: &'static str) -> impl Iterator<Item = (&'static str, Vec<&'static str>)> {
    let begins = |line: &str| line.starts_with(|c: char| c.is_ascii_lowercase());
    let starts: Vec<usize> =
        file.lines().scan(0, |at, line| Some((std::mem::replace(at, *at + line.len() + 1), line))).filter(|(_, l)| begins(l)).map(|(at, _)| at).collect();
    let ends = starts.clone().into_iter().skip(1).chain([file.len()]);
    starts.into_iter().zip(ends).filter_map(|(from, to)| {
        let (name, said) = file.get(from..to)?.split_once(" = ")?;
        let mut parts: Vec<&str> = said.split('$').skip(1).filter_map(|part| part.split(|c: char| !c.is_alphanumeric() && c != '_').next()).collect();
        parts.sort_unstable();
        parts.dedup();
        Some((name, parts))
    })
}

/// What the pages say of themselves and of the next pass, by name, a part standing as its name between braces for the page to put it in.
#[must_use]
pub fn pages(words: Vocabulary) -> BTreeMap<&'static str, String> {
    let voice = Voice { words, ..Voice::default() };
    let files = ENGLISH.iter().filter(|(name, _)| ["lathe", "pages"].contains(name));
    let said = |(id, parts): (_, Vec<_>)| (id, say(voice, id, parts.into_iter().map(|part| (part, Part::from(format!("{{{part}}}"))))));
    files.flat_map(|(_, text)| messages(text)).map(said).collect()
}

/// A sentence by its name, with its parts: `say!(voice, "next-set", setting = text)`.
#[macro_export]
macro_rules! say {
    ($voice:expr, $id:expr $(, $part:ident = $value:expr)* $(,)?) => {
        $crate::says::say($voice, $id, [$((stringify!($part), $crate::says::Part::from($value))),*])
    };
}
