//! Faults of a request, each with a JSON pointer; all of them are reported together.

mod checker;
mod strict;
mod tagged;

pub use checker::Assumption;
pub use checker::Checker;
pub use strict::read_value;
pub use tagged::read_tagged;

use serde::{Serialize, de::DeserializeOwned};
use serde_json::Value;
use serde_path_to_error::Segment;

/// One faulty field: where it is and what would be right.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Fault {
    /// JSON pointer (RFC 6901) of the field.
    pub pointer: String,
    /// What is wrong and what would be right.
    pub detail: String,
}

impl Fault {
    /// A new one.
    pub fn new(pointer: impl Into<String>, detail: impl Into<String>) -> Self {
        Self { pointer: pointer.into(), detail: detail.into() }
    }
}

/// A field's name as one step of a JSON pointer (RFC 6901).
#[must_use]
pub fn step(field: &str) -> String {
    format!("/{}", field.replace('~', "~0").replace('/', "~1"))
}

/// More faults than this in one request help nobody.
const MOST: usize = 50;

/// Reads JSON into `T`. A part that does not read is noted, taken out, and the rest read on, so that
/// every fault is found; what is returned beside the faults is the sound remainder.
pub fn read_json<T: DeserializeOwned + Default>(mut value: Value) -> (T, Vec<Fault>) {
    let mut faults = Vec::new();
    while faults.len() < MOST {
        match serde_path_to_error::deserialize::<_, T>(strict::Strict(&value)) {
            Ok(read) => return (read, faults),
            Err(error) => {
                let keys: Vec<String> = error
                    .path()
                    .iter()
                    .filter_map(|segment| match segment {
                        Segment::Seq { index } => Some(index.to_string()),
                        Segment::Map { key } => Some(key.clone()),
                        Segment::Enum { .. } | Segment::Unknown => None,
                    })
                    .collect();
                let pointer: String = keys.iter().map(|k| step(k)).collect();
                faults.push(Fault::new(pointer, plain_words(&error.inner().to_string())));
                if !take_out(&mut value, &keys) {
                    break;
                }
            }
        }
    }
    (T::default(), faults)
}

/// Takes the node at `keys` out of `value`; false when there is no such node.
fn take_out(value: &mut Value, keys: &[String]) -> bool {
    let Some((last, way)) = keys.split_last() else {
        return false;
    };
    let parent = way.iter().try_fold(value, |node, key| match node {
        Value::Object(map) => map.get_mut(key),
        Value::Array(list) => key.parse::<usize>().ok().and_then(|i| list.get_mut(i)),
        _ => None,
    });
    match parent {
        Some(Value::Object(map)) => map.remove(last).is_some(),
        Some(Value::Array(list)) => match last.parse::<usize>() {
            Ok(i) if i < list.len() => {
                list.remove(i);
                true
            }
            _ => false,
        },
        _ => false,
    }
}

/// The reader's message without the jargon of computing.
#[must_use]
pub fn plain_words(message: &str) -> String {
    let message = message.split(" at line ").next().unwrap_or(message);
    let mut out = message.to_owned();
    for (jargon, plain) in [
        ("floating point", "the number"),
        ("expected f64", "a number is wanted"),
        ("expected i64", "a whole number is wanted"),
        ("expected i32", "a whole number is wanted"),
        ("expected u64", "a whole number from 0 is wanted"),
        ("expected u32", "a whole number from 0 is wanted"),
        ("expected u16", "a whole number from 0 is wanted"),
        ("expected u8", "a small whole number is wanted"),
        ("expected usize", "a whole number from 0 is wanted"),
        ("expected a string", "text is wanted"),
        ("expected a sequence", "a list is wanted"),
        ("expected a map", "an object is wanted"),
        ("expected a boolean", "true or false is wanted"),
        ("expected struct ", "an object is wanted: "),
        ("expected variant identifier", "one of its words is wanted, as text"),
        ("expected internally tagged enum ", "an object with its kind is wanted: "),
        ("data did not match any variant of untagged enum", "it has none of the forms it may have:"),
        ("expected string or map", "one of its words is wanted, as text"),
        ("expected unit", "nothing is wanted here"),
        ("unknown variant", "not one of the choices:"),
        (", expected one of", "; the choices are"),
        (", expected", "; the choices are"),
        ("invalid type: ", "got "),
        ("invalid value: ", "got "),
        ("missing field", "it lacks"),
        ("duplicate field", "it stands twice:"),
    ] {
        out = out.replace(jargon, plain);
    }
    out
}

/// Most letters of what was sent that are said back.
const ECHOED: usize = 80;

/// A message with every long run of what was sent cut short: what stands in quotation marks, and any word as long.
#[must_use]
pub fn clipped(message: &str) -> String {
    let mut out = String::with_capacity(message.len().min(4096));
    let mut rest = message;
    while let Some(start) = rest.chars().next() {
        // An inch mark is no quotation; what the reader calls a string is one.
        let close = match start {
            '\u{201c}' => Some('\u{201d}'),
            '`' => Some('`'),
            '"' if out.ends_with("string ") => Some('"'),
            _ => None,
        };
        let after = start.len_utf8();
        let quoted = close.and_then(|c| rest[after..].find(c).map(|at| (c, after + at + c.len_utf8())));
        let end = match quoted {
            Some((_, end)) => end,
            None => after + rest[after..].find(|c: char| c.is_whitespace() || matches!(c, '\u{201c}' | '`' | '"')).unwrap_or(rest.len() - after),
        };
        let piece = &rest[..end];
        if piece.chars().count() > ECHOED + 2 {
            out.extend(piece.chars().take(ECHOED));
            out.push('\u{2026}');
            out.extend(quoted.map(|(c, _)| c));
        } else {
            out.push_str(piece);
        }
        rest = &rest[end..];
    }
    out
}
