//! The licences of all that is in the binary, in one text; one that may not go out with it stops it.

use super::contents::Piece;
use std::collections::BTreeMap;
use std::fmt::Write;

/// Licences under which a thing may go out in a binary of this project's own.
const MAY: [&str; 15] = [
    "0BSD",
    "Apache-2.0",
    "BSD-2-Clause",
    "BSD-3-Clause",
    "BSL-1.0",
    "CC0-1.0",
    "ISC",
    "MIT",
    "MIT-0",
    "MPL-2.0",
    "OFL-1.1",
    "Unicode-3.0",
    "Unlicense",
    "Zlib",
    "LLVM-exception",
];

/// Whether an expression lets it: any of what stands beside OR, all of what stands beside AND.
fn may(expression: &str) -> bool {
    let plain = expression.replace(['(', ')'], " ").replace('/', " OR ").replace(" WITH ", " AND ");
    plain.split(" OR ").any(|choice| choice.split(" AND ").all(|one| MAY.contains(&one.trim())))
}

/// All of them: what each is under, then every text once.
pub fn told(all: &[Piece]) -> Result<String, String> {
    let not: Vec<String> = all.iter().filter(|p| !may(&p.licence)).map(|p| format!("{} {} ({})", p.name, p.version, p.licence)).collect();
    if !not.is_empty() {
        return Err(format!("may not go out in the binary, or tells no licence: {}", not.join(", ")));
    }
    let mut out = String::from("Yoke Turn is under the MIT licence or the Apache licence 2.0, as you choose. It holds the work of others:\n\n");
    let mut by_text: BTreeMap<&str, Vec<String>> = BTreeMap::new();
    for piece in all {
        let named = format!("{} {}", piece.name, piece.version);
        let _ = writeln!(out, "{named} ({}): {}", piece.kind, piece.licence);
        for text in piece.texts.values() {
            by_text.entry(text.trim()).or_default().push(named.clone());
        }
    }
    out.push_str("\nWhat is under MPL-2.0 is unchanged, and its source is at https://crates.io/ under its name and version.\n");
    out.push_str("SQLite, within libsqlite3-sys, is in the public domain.\n");
    for (text, of) in by_text {
        let _ = write!(out, "\n{}\n{}\n\n{text}\n", "-".repeat(72), of.join(", "));
    }
    Ok(out)
}
