//! Reading an object whose `kind` says which fields it has. The usual reader buffers such an object whole, so it neither says where it stumbled
//! nor can be led past it: here each field is read by itself beside its kind, so that every fault is found.

use super::strict::Strict;
use super::{Fault, MOST, plain_words, step};
use serde::de::DeserializeOwned;
use serde_json::{Map, Value, json};

/// The field that says which.
const KIND: &str = "kind";

fn attempt<T: DeserializeOwned>(value: &Value) -> Result<T, String> {
    T::deserialize(Strict(value)).map_err(|e| e.to_string())
}

/// The name the reader puts in backticks, the first or a later one.
fn named(message: &str, at: usize) -> Option<&str> {
    message.split('`').nth(2 * at + 1)
}

/// The field a message says is lacking.
fn lacking(message: &str) -> Option<&str> {
    message.strip_prefix("missing field ").and_then(|rest| named(rest, 0))
}

/// Reads an object with a `kind` into `T`: whole, or with every fault of it.
///
/// # Errors
/// Each field that is not known, does not read or is lacking, by its pointer.
pub fn read_tagged<T: DeserializeOwned>(value: &Value) -> Result<T, Vec<Fault>> {
    let first = match attempt(value) {
        Ok(read) => return Ok(read),
        Err(message) => message,
    };
    let Some(object) = value.as_object() else { return Err(vec![Fault::new("", "an object with its kind is wanted")]) };
    let bare = json!({ KIND: object.get(KIND) });
    match attempt::<T>(&bare) {
        // Of a kind that is not known, or is none, nothing else can be said.
        Err(message) if !object.get(KIND).is_some_and(Value::is_string) || message.starts_with("unknown variant") => {
            return Err(vec![Fault::new(step(KIND), plain_words(&message))]);
        }
        _ => {}
    }
    let mut faults = Vec::new();
    let mut sound = Map::from_iter([(KIND.to_owned(), object[KIND].clone())]);
    for (name, field) in object.iter().filter(|(name, _)| *name != KIND).take(MOST) {
        let alone = json!({ KIND: object[KIND], name: field });
        match attempt::<T>(&alone) {
            Err(message) if lacking(&message).is_none() => faults.push(Fault::new(step(name), plain_words(&message))),
            _ => drop(sound.insert(name.clone(), field.clone())),
        }
    }
    // What is lacking is named one after another: each is put there as something that reads, so that the next is named.
    while let Err(message) = attempt::<T>(&Value::Object(sound.clone())) {
        let Some(name) = lacking(&message).filter(|name| !sound.contains_key(*name)) else { break };
        if !faults.iter().any(|f| f.pointer == step(name)) {
            faults.push(Fault::new(step(name), plain_words(&message)));
        }
        let Some(sample) = sample::<T>(&object[KIND], name) else { break };
        sound.insert(name.to_owned(), sample);
    }
    if faults.is_empty() {
        faults.push(Fault::new("", plain_words(&first)));
    }
    Err(faults)
}

/// Something that reads as a field of a kind.
fn sample<T: DeserializeOwned>(kind: &Value, name: &str) -> Option<Value> {
    let with = |sample: Value| attempt::<T>(&json!({ KIND: kind, name: sample })).err().filter(|message| lacking(message) != Some(name));
    let reads = |message: &Option<String>| message.as_deref().is_none_or(|m| lacking(m).is_some());
    for plain in [json!(0), json!(0.5), json!("x"), json!(true), json!([]), json!({})] {
        let message = with(plain.clone());
        if reads(&message) {
            return Some(plain);
        }
        // One of some words: the reader names them.
        let word = message.as_deref().filter(|m| m.starts_with("unknown variant")).and_then(|m| named(m, 1)).map(|w| json!(w));
        if let Some(word) = word.filter(|w| reads(&with(w.clone()))) {
            return Some(word);
        }
    }
    None
}
