//! The API's description and what is made from it: written by one command, held by the check.

use crate::{Outcome, text, tools};
use xshell::{Shell, cmd};

/// Web types, made from the description beside it.
const TYPES: &str = "web/src/api/schema.d.ts";

/// Writes the API's description, the web side's types from it, the schema of a shop file and the list of house values.
pub fn write(sh: &Shell) -> Outcome {
    tools::npm(sh)?;
    cmd!(sh, "cargo build --quiet --workspace --bin yoke-turn").run().map_err(text)?;
    let program = tools::target(sh).join("debug/yoke-turn");
    for (command, file) in [("openapi", "web/openapi.json"), ("schema", "docs/formats/shop.schema.json")] {
        let made = cmd!(sh, "{program} {command}").read().map_err(text)?;
        sh.write_file(file, made + "\n").map_err(text)?;
    }
    let _write = sh.push_env("YOKE_WRITE", "1");
    cmd!(sh, "cargo test --quiet --workspace --test trials -- house_values texts_of_the_pages").run().map_err(text)?;
    types(sh)
}

fn types(sh: &Shell) -> Outcome {
    let _in = sh.push_dir("web");
    cmd!(sh, "npm run --silent api").run().map_err(text)
}

/// The committed types are those of the committed description. That the description is the server's own is a test of the server.
pub fn types_agree(sh: &Shell) -> Outcome {
    let before = sh.read_file(TYPES).unwrap_or_default();
    types(sh)?;
    if sh.read_file(TYPES).map_err(text)? == before {
        Ok(())
    } else {
        Err(format!("{TYPES} was not made from web/openapi.json: `cargo xtask api` has rewritten it; commit it"))
    }
}
