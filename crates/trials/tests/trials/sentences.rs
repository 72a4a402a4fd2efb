//! The files of sentences against each other and against the code; and the German of the lathe view and the card, read back.

use crate::module_order::{crates, files_of, rust_files};
use crate::one_voice::{everything, yard};
use proc_macro2::{TokenStream, TokenTree};
use serde_json::Value;
use std::collections::{BTreeMap, BTreeSet};
use std::str::FromStr;
use yoke_core::cut::aloud::{number, zahl};
use yoke_core::says::{ENGLISH, GERMAN, Part, is_of_pages, messages, pages, say};
use yoke_core::trouble::rules::{RULES, Rule};
use yoke_core::voice::Voice;
use yoke_core::words::{Vocabulary, Words};

fn all(files: &'static [(&'static str, &'static str)]) -> Vec<(String, BTreeSet<String>)> {
    files.iter().flat_map(|(_, text)| messages(text)).collect()
}

fn voice(words: Vocabulary) -> Voice {
    Voice { words, ..Voice::default() }
}

/// A message with a word for each part.
fn filled(words: Vocabulary, id: &str, parts: &BTreeSet<String>) -> String {
    say(voice(words), id, &parts.iter().map(|p| (p.as_str(), Part::from("x"))).collect::<Vec<_>>())
}

#[test]
fn every_sentence_reads_and_another_language_takes_no_part_it_is_not_given() {
    let english: BTreeMap<_, _> = all(ENGLISH).into_iter().collect();
    assert_eq!(english.len(), all(ENGLISH).len(), "a sentence stands twice");
    assert!(english.len() > 150);
    for (id, parts) in &english {
        for words in [Vocabulary::American, Vocabulary::British] {
            let said = filled(words, id, parts);
            assert!(said != *id && !said.contains(['{', '}', '$']), "{id}: {said}");
        }
    }
    for (id, parts) in all(GERMAN) {
        let given = english.get(&id).unwrap_or_else(|| panic!("{id} is said in German alone"));
        let unknown: Vec<_> = parts.iter().filter(|p| !given.contains(*p)).collect();
        assert!(unknown.is_empty(), "{id} wants {unknown:?}");
        let said = filled(Vocabulary::German, &id, given);
        assert!(!said.contains(['{', '}', '$']), "{id}: {said}");
    }
}

#[test]
fn every_vocabulary_has_every_word_and_a_sentence_begins_large() {
    assert_ne!(Words::of(Vocabulary::American).bit, Words::of(Vocabulary::British).bit);
    assert_eq!(filled(Vocabulary::British, "card-half-nut", &BTreeSet::new()), "Clasp nut");
    assert_eq!(
        filled(Vocabulary::British, "run-must-touch", &BTreeSet::new()),
        "Touch the groove with the new tool, and tell what the dial reads: its tip is not known."
    );
    assert_eq!(filled(Vocabulary::American, "ending-closed", &BTreeSet::new()), "keep the half-nut closed and reverse the spindle");
}

/// The sentence a form is of; itself for one.
fn sentence_of(id: &str) -> &str {
    id.split_once('.').map_or(id, |(sentence, _)| sentence)
}

#[test]
fn a_form_for_another_kind_of_lathe_is_given_what_its_sentence_is_and_stands_in_every_language_that_says_it() {
    let english: BTreeMap<_, _> = all(ENGLISH).into_iter().collect();
    let german: BTreeSet<String> = all(GERMAN).into_iter().map(|(id, _)| id).collect();
    let forms: Vec<_> = english.iter().filter(|(id, _)| id.contains('.')).collect();
    assert!(forms.len() > 30);
    for (id, parts) in forms {
        let given = &english[sentence_of(id)];
        assert!(parts.is_subset(given), "{id} wants {parts:?} of {given:?}");
        assert!(["engaged", "slide", "crank", "fixed"].contains(&&id[sentence_of(id).len() + 1..]), "{id}");
        assert!(german.contains(id) || !german.contains(sentence_of(id)), "{id} is wanting in German");
    }
}

/// A name as messages have them.
fn is_name(text: &str) -> bool {
    text.contains('-') && text.chars().all(|c| c.is_ascii_lowercase() || c.is_ascii_digit() || c == '-')
}

#[test]
fn no_sentence_is_missing_and_none_is_left_that_nobody_says() {
    let (mut rust, mut web) = (Vec::new(), Vec::new());
    rust_files(&crates(), &mut rust);
    files_of(&crates().join("../web/src"), &["ts", "tsx"], &mut web);
    let said: BTreeSet<_> = all(ENGLISH).into_iter().map(|(id, _)| id).collect();
    let (mut named, mut asked) = (BTreeSet::new(), BTreeSet::new());
    for (file, quote, call) in rust.into_iter().map(|f| (f, '"', "say!(")).chain(web.into_iter().map(|f| (f, '\'', "text("))) {
        let text = std::fs::read_to_string(file).unwrap();
        named.extend(text.split(quote).filter(|s| is_name(s)).map(str::to_owned));
        // What stands first in a call that says something.
        let calls = text.split(call).skip(1).filter_map(|rest| rest.split([')', ';', '=']).next()?.split(quote).nth(1));
        asked.extend(calls.filter(|s| is_name(s)).map(str::to_owned));
    }
    // Causes are said by their codes.
    named.extend(RULES.iter().flat_map(Rule::sentences));
    let idle: Vec<_> = said.iter().filter(|id| !named.contains(sentence_of(id))).collect();
    assert!(idle.is_empty(), "said by nobody: {idle:?}");
    let missing: Vec<_> = asked.iter().filter(|id| !said.contains(*id)).collect();
    assert!(missing.is_empty() && asked.len() > 100, "{} asked for, not in the files: {missing:?}", asked.len());
}

/// The texts of the pages by name, each with the names of its parts, as the web side is compiled against them.
#[test]
fn texts_of_the_pages_are_typed_from_their_files() {
    let mut typed = String::from(
        "/** The texts of the pages and the parts each is given. Made by `cargo xtask api` from crates/ground/says/en. */\nexport interface Texts {\n",
    );
    // They are taken apart once for the words in use: none of them may choose among forms by a part.
    let choosing: Vec<&str> = ENGLISH.iter().filter(|(file, text)| is_of_pages(file) && text.contains("->")).map(|(file, _)| *file).collect();
    assert!(choosing.is_empty(), "{choosing:?}");
    for (name, parts) in ENGLISH.iter().filter(|(file, _)| is_of_pages(file)).flat_map(|(_, text)| messages(text)) {
        let parts = if parts.is_empty() { "never".to_owned() } else { parts.iter().map(|p| format!("'{p}'")).collect::<Vec<_>>().join(" | ") };
        typed += &format!("  '{name}': {parts};\n");
    }
    typed += "}\n";
    let path = crates().join("../web/src/app/texts.ts");
    if std::env::var_os("YOKE_WRITE").is_some() {
        std::fs::write(&path, &typed).unwrap();
    }
    assert!(std::fs::read_to_string(&path).unwrap_or_default() == typed, "a text changed: run `cargo xtask api` and commit web/src/app/texts.ts");
}

/// Every call that says a sentence by its name, or keeps it to be said: the name and the parts it gives, wherever it stands among the tokens.
fn calls(tokens: TokenStream, out: &mut Vec<(String, Vec<String>)>) {
    let tokens: Vec<TokenTree> = tokens.into_iter().collect();
    for (i, token) in tokens.iter().enumerate() {
        let TokenTree::Group(group) = token else { continue };
        calls(group.stream(), out);
        if i < 2 || tokens[i - 1].to_string() != "!" {
            continue;
        }
        // A sentence kept has no voice before its name.
        let before = match tokens[i - 2].to_string().as_str() {
            "say" => 1,
            "sentence" => 0,
            _ => continue,
        };
        let within: Vec<TokenTree> = group.stream().into_iter().collect();
        let fields: Vec<&[TokenTree]> = within.split(|t| t.to_string() == ",").collect();
        let Some(TokenTree::Literal(name)) = fields.get(before).and_then(|f| f.first()) else { continue };
        let mut parts: Vec<String> = fields[before + 1..].iter().filter(|f| f.get(1).is_some_and(|t| t.to_string() == "=")).map(|f| f[0].to_string()).collect();
        parts.sort_unstable();
        out.push((name.to_string().trim_matches('"').to_owned(), parts));
    }
}

#[test]
fn every_sentence_is_given_just_its_parts() {
    let english: BTreeMap<_, _> = all(ENGLISH).into_iter().collect();
    let (mut files, mut found) = (Vec::new(), Vec::new());
    rust_files(&crates(), &mut files);
    for file in files.iter().filter(|f| !f.starts_with(crates().join("trials"))) {
        calls(TokenStream::from_str(&std::fs::read_to_string(file).unwrap()).unwrap(), &mut found);
    }
    assert!(found.len() > 900, "{}", found.len());
    let wrong: Vec<_> = found.iter().filter(|(id, given)| english.get(id).is_none_or(|wanted| !given.iter().eq(wanted))).collect();
    assert!(wrong.is_empty(), "{wrong:?}");
}

/// Words that stand in no German sentence.
const ENGLISH_WORDS: [&str; 24] = [
    "the",
    "and",
    "set",
    "of",
    "tool",
    "half-nut",
    "nut",
    "spindle",
    "carriage",
    "by",
    "open",
    "close",
    "cut",
    "pass",
    "measure",
    "turn",
    "turns",
    "div",
    "divisions",
    "wires",
    "limit",
    "back",
    "groove",
    "exact",
];

/// What of a German text is English, or divided off by a point.
fn english(text: &str) -> Option<String> {
    let bare = text.replace("mm", "");
    let word = bare.split(|c: char| !c.is_alphabetic() && c != '-').find(|w| ENGLISH_WORDS.contains(&w.to_lowercase().as_str()) && *w != "Back");
    let pointed = || text.as_bytes().windows(3).any(|w| w[0].is_ascii_digit() && w[1] == b'.' && w[2].is_ascii_digit());
    word.map(str::to_owned).or_else(|| pointed().then(|| "a decimal point".into()))
}

#[test]
fn the_lathe_view_and_the_card_are_german_to_the_last_word() {
    let text = |v: &Value, at: &str| v.pointer(at).and_then(Value::as_str).unwrap_or_default().to_owned();
    let mut heard = BTreeSet::new();
    for request in yard() {
        let documents: BTreeMap<_, _> = everything(&request, voice(Vocabulary::German)).unwrap().into_iter().collect();
        let (plan, run) = (&documents["plan"], &documents["run"]);
        for phase in plan["run"]["cycle"].as_array().unwrap() {
            heard.extend([text(phase, "/name"), text(phase, "/says")]);
        }
        for list in [&plan["run"]["pick_up"], &run["pick_up"], &run["verdict"]["questions"]] {
            heard.extend(list.as_array().into_iter().flatten().filter_map(|s| s.as_str().map(str::to_owned)));
        }
        for step in run["schedule"].as_array().unwrap().iter().chain([&run["next"]]) {
            heard.extend(["/name", "/says", "/aloud", "/setting/text", "/setting/reading"].map(|at| text(step, at)));
        }
        heard.extend([text(run, "/says"), text(run, "/aloud"), text(run, "/verdict/says")]);
        heard
            .extend(["/gears/dial/says", "/gauge/says", "/gears/hung/train/error_text", "/cut/full_depth/text", "/blank/aim_mm/text"].map(|at| text(plan, at)));
        let ending = plan["setup"]["endings"].as_array().unwrap().iter().find(|e| e["chosen"] == true).unwrap();
        heard.insert(text(ending, "/says"));
    }
    heard.extend(pages(Vocabulary::German, |file| ["lathe", "pages"].contains(&file)).into_values());
    assert!(heard.len() > 120, "{}", heard.len());
    let wrong: Vec<_> = heard.iter().filter_map(|t| english(t).map(|w| format!("{w}: {t}"))).collect();
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
    assert!(heard.iter().any(|t| t.contains("Schlossmutter")) && heard.iter().any(|t| t.contains("Teilstr")) && heard.iter().any(|t| t.contains(',')));
}

#[test]
fn numbers_are_said_as_each_language_says_them() {
    for (n, english, german) in [
        (0, "nought", "null"),
        (1, "one", "eins"),
        (16, "sixteen", "sechzehn"),
        (21, "twenty-one", "einundzwanzig"),
        (45, "forty-five", "fünfundvierzig"),
        (70, "seventy", "siebzig"),
        (101, "one hundred and one", "einhunderteins"),
        (230, "two hundred and thirty", "zweihundertdreißig"),
        (1021, "one thousand twenty-one", "eintausendeinundzwanzig"),
        (9999, "nine thousand nine hundred and ninety-nine", "neuntausendneunhundertneunundneunzig"),
        (10_000, "10000", "10000"),
    ] {
        assert_eq!((number(n).as_str(), zahl(n).as_str()), (english, german));
    }
    // Every number has a name of its own.
    assert_eq!((0..10_000).map(zahl).collect::<BTreeSet<_>>().len(), 10_000);
}
