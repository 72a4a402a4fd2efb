//! Sentences, all in one place: a file a station and language, each sentence once, named by what it says, with its parts.
//!
//! They are Fluent messages (`says/en/*.ftl`), so that a language may order the parts as it wants, and choose among forms by a number or by
//! which of some cases it is. Trade words stand in them as terms (`{ -compound }`, `{ -Compound }` at the beginning), each vocabulary a file
//! (`says/words`). A sentence that would speak of what a kind of lathe has not has another form for it, as an attribute (`.engaged`: no
//! half-nut; `.slide`: a slide screw is driven; `.crank`, `.fixed`). Another language is a folder: what it does not say is said in English.
//! A trial holds the files against each other and against the code.

use crate::quantity::large_first;
use crate::voice::{LatheKind, Voice};
use crate::words::{Vocabulary, terms};
use fluent_bundle::concurrent::FluentBundle;
use fluent_bundle::{FluentArgs, FluentResource, FluentValue};
use fluent_syntax::ast::{Entry, Expression, InlineExpression, Pattern, PatternElement, Variant, VariantKey};
use std::borrow::Cow;
use std::collections::{BTreeMap, BTreeSet, HashMap};
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

/// English, a file a station; `lathe` is what stands beside the lathe, `pages` the pages' own texts there and on the card, and `pages/` those
/// everywhere else.
pub const ENGLISH: Files = files!("en": "server", "shop", "facts", "thread", "trouble", "route", "sheets", "bit", "blank", "gears", "setup", "cut", "chaser", "gauge", "check", "rehearse", "instruments", "lathe", "pages",
    "pages/frame", "pages/board", "pages/station", "pages/thread", "pages/bit", "pages/blank", "pages/gears",
    "pages/setup", "pages/rehearse", "pages/instruments", "pages/network", "pages/cut", "pages/chaser", "pages/gauge", "pages/log", "pages/trouble", "pages/pad", "pages/part", "pages/whole",
    "pages/route", "pages/batch", "pages/paper", "pages/shop", "pages/parts", "pages/page");
/// German: the lathe view and the ten-second card.
pub const GERMAN: Files = files!("de": "gears", "setup", "cut", "gauge", "lathe", "pages");

/// A part of a sentence: a text as its voice made it, or a whole number to choose a form by.
#[derive(Debug, Clone)]
pub enum Part<'a> {
    /// A text.
    Text(Cow<'a, str>),
    /// A whole number.
    Count(i64),
}

impl Part<'_> {
    /// The same as Fluent takes it.
    fn value(&self) -> FluentValue<'_> {
        match self {
            Self::Text(text) => text.as_ref().into(),
            Self::Count(n) => FluentValue::from(*n),
        }
    }
}

impl<'a> From<&'a str> for Part<'a> {
    fn from(text: &'a str) -> Self {
        Self::Text(Cow::Borrowed(text))
    }
}
impl<'a> From<&'a &str> for Part<'a> {
    fn from(text: &'a &str) -> Self {
        Self::from(*text)
    }
}
impl<'a> From<&'a &String> for Part<'a> {
    fn from(text: &'a &String) -> Self {
        Self::from(text.as_str())
    }
}
impl<'a> From<&'a String> for Part<'a> {
    fn from(text: &'a String) -> Self {
        Self::from(text.as_str())
    }
}
impl From<String> for Part<'_> {
    fn from(text: String) -> Self {
        Self::Text(Cow::Owned(text))
    }
}
macro_rules! counts {
    ($($of:ty),*) => {$(
        impl From<$of> for Part<'_> {
            fn from(n: $of) -> Self {
                Self::Count(i64::try_from(n).unwrap_or(i64::MAX))
            }
        }
        impl From<&$of> for Part<'_> {
            fn from(n: &$of) -> Self {
                Self::from(*n)
            }
        }
    )*};
}
counts!(u8, u16, u32, usize, i32, i64, i128);

/// A piece of a sentence that needs no reckoning: most are of these alone, and are put together without asking Fluent.
enum Piece {
    Text(String),
    Part(String),
    /// One of several, by which a part is.
    Which {
        part: String,
        cases: Vec<(String, Vec<Piece>)>,
        else_case: Vec<Piece>,
    },
}

/// Names of the cases that are a language's own rule about numbers.
const BY_NUMBER: [&str; 5] = ["zero", "one", "two", "few", "many"];

/// The pieces of a pattern, its trade words put in; none where it is more than pieces.
fn pieces(pattern: &Pattern<&str>, words: &BTreeMap<String, String>) -> Option<Vec<Piece>> {
    let mut out: Vec<Piece> = Vec::new();
    for element in &pattern.elements {
        let text = match element {
            PatternElement::TextElement { value } => *value,
            PatternElement::Placeable { expression: Expression::Inline(InlineExpression::TermReference { id, .. }) } => words.get(id.name)?,
            PatternElement::Placeable { expression: Expression::Inline(InlineExpression::StringLiteral { value }) } => value,
            PatternElement::Placeable { expression: Expression::Inline(InlineExpression::VariableReference { id }) } => {
                out.push(Piece::Part(id.name.to_owned()));
                continue;
            }
            PatternElement::Placeable { expression: Expression::Select { selector: InlineExpression::VariableReference { id }, variants } } => {
                out.push(which(id.name, variants, words)?);
                continue;
            }
            PatternElement::Placeable { .. } => return None,
        };
        match out.last_mut() {
            Some(Piece::Text(so_far)) => so_far.push_str(text),
            _ => out.push(Piece::Text(text.to_owned())),
        }
    }
    Some(out)
}

fn which(part: &str, variants: &[Variant<&str>], words: &BTreeMap<String, String>) -> Option<Piece> {
    let (mut cases, mut else_case) = (Vec::new(), Vec::new());
    for variant in variants {
        let (VariantKey::Identifier { name } | VariantKey::NumberLiteral { value: name }) = variant.key;
        let said = pieces(&variant.value, words)?;
        match (variant.default, BY_NUMBER.contains(&name)) {
            (_, true) => return None,
            (true, _) => else_case = said,
            (false, _) => cases.push((name.to_owned(), said)),
        }
    }
    Some(Piece::Which { part: part.to_owned(), cases, else_case })
}

/// Puts pieces together.
fn put(pieces: &[Piece], parts: &[(&str, Part<'_>)], out: &mut String) {
    let told = |name: &str| parts.iter().find(|(part, _)| *part == name).map(|(_, part)| part);
    for piece in pieces {
        match piece {
            Piece::Text(text) => out.push_str(text),
            Piece::Part(name) => match told(name) {
                Some(Part::Text(text)) => out.push_str(text),
                Some(Part::Count(n)) => {
                    let _ = write!(out, "{n}");
                }
                None => {}
            },
            Piece::Which { part, cases, else_case } => {
                let is = match told(part) {
                    Some(Part::Text(text)) => cases.iter().find(|(name, _)| name == text),
                    Some(Part::Count(n)) => cases.iter().find(|(name, _)| name.parse() == Ok(*n)),
                    None => None,
                };
                put(is.map_or(else_case, |(_, said)| said), parts, out);
            }
        }
    }
}

/// One language with one vocabulary.
struct Tongue {
    bundle: FluentBundle<FluentResource>,
    simple: HashMap<String, Vec<Piece>, foldhash::fast::RandomState>,
}

impl Tongue {
    fn of(language: &str, files: Files, vocabulary: Vocabulary) -> Self {
        let mut bundle = FluentBundle::new_concurrent(vec![language.parse::<LanguageIdentifier>().unwrap_or_default()]);
        // Marks about each part serve scripts that run both ways, and nobody at a lathe.
        bundle.set_use_isolating(false);
        // Each word, and the same at the beginning of a sentence.
        let words: BTreeMap<String, String> =
            terms(vocabulary.file()).flat_map(|(key, word)| [(key.to_owned(), word.to_owned()), (large_first(key), large_first(word))]).collect();
        let of_a_slide: BTreeMap<String, String> = words
            .iter()
            .map(|(key, word)| (key.clone(), if key.eq_ignore_ascii_case("carriage") { words.get(&key.replace("arriage", "ompound")) } else { Some(word) }))
            .filter_map(|(key, word)| Some((key, word?.clone())))
            .collect();
        let mut simple = HashMap::default();
        let as_terms = words.iter().fold(String::new(), |mut text, (key, word)| {
            let _ = writeln!(text, "-{key} = {word}");
            text
        });
        for text in files.iter().map(|(_, text)| (*text).to_owned()).chain([as_terms]) {
            // What does not read of a file is left out here, and found by the trial that reads them all.
            let resource = FluentResource::try_new(text).unwrap_or_else(|(read, _)| read);
            for (id, form, pattern) in said(&resource) {
                simple.extend(pieces(pattern, &words).map(|pieces| (named(id, form), pieces)));
                // Where a slide screw is driven that slide is the carriage, and is called so by no one. A form for what is always engaged
                // holds of it too.
                if speaks_of(pattern, "carriage") && form.is_none_or(|form| form == "engaged") {
                    simple.extend(pieces(pattern, &of_a_slide).map(|pieces| (named(id, Some("slide")), pieces)));
                }
            }
            let _ = bundle.add_resource(resource);
        }
        Self { bundle, simple }
    }

    fn say(&self, id: &str, lathe: LatheKind, parts: &[(&str, Part<'_>)]) -> Option<String> {
        let of_such_a_lathe = lathe.forms().find_map(|form| self.simple.get(&named(id, Some(form))));
        if let Some(pieces) = of_such_a_lathe.or_else(|| self.simple.get(id)) {
            let mut out = String::with_capacity(160);
            put(pieces, parts, &mut out);
            return Some(out);
        }
        let pattern = self.bundle.get_message(id)?.value()?;
        let args: FluentArgs<'_> = parts.iter().map(|(name, part)| (*name, part.value())).collect();
        Some(self.bundle.format_pattern(pattern, Some(&args), &mut Vec::new()).into_owned())
    }
}

/// A sentence's name with the name of its form.
fn named(id: &str, form: Option<&str>) -> String {
    form.map_or_else(|| id.to_owned(), |form| format!("{id}.{form}"))
}

/// The messages of a file with what they say, and then the forms they have for lathes of some kinds.
fn said(resource: &FluentResource) -> impl Iterator<Item = (&str, Option<&str>, &Pattern<&str>)> {
    let messages = resource.entries().filter_map(|entry| if let Entry::Message(message) = entry { Some(message) } else { None });
    messages.flat_map(|message| {
        let plain = message.value.as_ref().map(|value| (message.id.name, None, value));
        plain.into_iter().chain(message.attributes.iter().map(|form| (message.id.name, Some(form.id.name), &form.value)))
    })
}

/// Whether a pattern has a trade word in it, by its key, at the beginning of a sentence or within one.
fn speaks_of(pattern: &Pattern<&str>, word: &str) -> bool {
    pattern.elements.iter().any(|element| match element {
        PatternElement::Placeable { expression: Expression::Inline(InlineExpression::TermReference { id, .. }) } => id.name.eq_ignore_ascii_case(word),
        PatternElement::Placeable { expression: Expression::Select { variants, .. } } => variants.iter().any(|v| speaks_of(&v.value, word)),
        _ => false,
    })
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
pub fn say(voice: Voice, id: &str, parts: &[(&str, Part<'_>)]) -> String {
    let tongues = &*TONGUES;
    tongues[voice.words as usize].say(id, voice.lathe, parts).or_else(|| tongues[0].say(id, voice.lathe, parts)).unwrap_or_else(|| id.to_owned())
}

/// A sentence not said yet: what is wrong where no voice is at hand, said by whoever has one.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Sentence {
    id: &'static str,
    parts: Vec<(&'static str, String)>,
}

impl Sentence {
    /// One by its name with its parts.
    #[must_use]
    pub const fn new(id: &'static str, parts: Vec<(&'static str, String)>) -> Self {
        Self { id, parts }
    }

    /// Says it.
    #[must_use]
    pub fn said(&self, voice: Voice) -> String {
        let parts: Vec<(&str, Part<'_>)> = self.parts.iter().map(|(name, part)| (*name, Part::from(part))).collect();
        say(voice, self.id, &parts)
    }
}

/// What a voice can say: a text already said, or a sentence that is not.
pub trait Spoken {
    /// In that voice.
    fn spoken(self, voice: Voice) -> String;
}

impl Spoken for Sentence {
    fn spoken(self, voice: Voice) -> String {
        self.said(voice)
    }
}
impl Spoken for String {
    fn spoken(self, _: Voice) -> String {
        self
    }
}

/// The names of a file's messages, each with the names of its parts; a form of one by its name after a point.
#[must_use]
pub fn messages(file: &'static str) -> Vec<(String, BTreeSet<String>)> {
    let resource = FluentResource::try_new(file.to_owned()).unwrap_or_else(|(read, _)| read);
    let parts = |pattern| {
        let mut parts = BTreeSet::new();
        parts_of(pattern, &mut parts);
        parts
    };
    said(&resource).map(|(id, form, pattern)| (named(id, form), parts(pattern))).collect()
}

/// The parts a pattern is given.
fn parts_of(pattern: &Pattern<&str>, out: &mut BTreeSet<String>) {
    for element in &pattern.elements {
        let PatternElement::Placeable { expression } = element else { continue };
        let (Expression::Inline(at) | Expression::Select { selector: at, .. }) = expression;
        if let InlineExpression::VariableReference { id } = at {
            out.insert(id.name.to_owned());
        }
        if let Expression::Select { variants, .. } = expression {
            for variant in variants {
                parts_of(&variant.value, out);
            }
        }
    }
}

/// Whether the texts of a file are told to the pages: their own, and what stands beside the lathe.
#[must_use]
pub fn is_of_pages(file: &str) -> bool {
    file == "lathe" || file.starts_with("pages")
}

/// What the pages say of themselves and of the next pass, by name, a part standing as its name between braces for the page to put it in; of the
/// files that are asked for.
#[must_use]
pub fn pages(words: Vocabulary, asked: impl Fn(&str) -> bool) -> BTreeMap<String, String> {
    let voice = Voice { words, ..Voice::default() };
    let said = |(id, parts): (String, BTreeSet<String>)| {
        let parts: Vec<(&str, Part<'_>)> = parts.iter().map(|name| (name.as_str(), Part::from(format!("{{{name}}}")))).collect();
        let text = say(voice, &id, &parts);
        (id, text)
    };
    ENGLISH.iter().filter(|(name, _)| asked(name)).flat_map(|(_, text)| messages(text)).map(said).collect()
}

/// A sentence by its name, with its parts: `say!(voice, "next-set", setting = text)`.
#[macro_export]
macro_rules! say {
    ($voice:expr, $id:expr $(, $part:ident = $value:expr)* $(,)?) => {
        $crate::says::say($voice, $id, &[$((stringify!($part), $crate::says::Part::from($value))),*])
    };
}

/// A sentence not said yet: `sentence!("callout-no-size", body = text)`.
#[macro_export]
macro_rules! sentence {
    ($id:expr $(, $part:ident = $value:expr)* $(,)?) => {
        $crate::says::Sentence::new($id, vec![$((stringify!($part), ($value).to_string())),*])
    };
}
