//! What is committed of the API's description is what this binary makes.

use serde_json::Value;
use std::process::Command;

/// `cargo xtask api` writes both; `cargo xtask test` makes the web side's types from the first and compares them too.
#[test]
fn the_description_and_the_shop_files_schema_are_as_committed() {
    for (command, committed) in [("openapi", "web/openapi.json"), ("schema", "docs/formats/shop.schema.json")] {
        let made = Command::new(env!("CARGO_BIN_EXE_yoke-turn")).arg(command).output().unwrap();
        let path = std::path::Path::new(env!("CARGO_MANIFEST_DIR")).join("../..").join(committed);
        let kept = std::fs::read(path).unwrap();
        let [made, kept] = [made.stdout, kept].map(|text| serde_json::from_slice::<Value>(&text).unwrap());
        assert!(made == kept, "{committed} is not what the code makes: run `cargo xtask api` and commit it");
    }
}
