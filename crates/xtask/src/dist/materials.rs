//! The bill of materials, as CycloneDX 1.5 has it.

use super::contents::Piece;
use serde_json::{Value, json};

/// A package's own address among all.
fn address(piece: &Piece) -> String {
    format!("pkg:{}/{}@{}", piece.kind, piece.name.replace('@', "%40"), piece.version)
}

/// All that is in the binary. No clock and no number drawn stands in it, so that the same contents give the same bill.
pub fn told(all: &[Piece]) -> Result<String, String> {
    let components: Vec<Value> = all
        .iter()
        .map(|piece| {
            let at = address(piece);
            json!({"type": "library", "bom-ref": at, "name": piece.name, "version": piece.version, "purl": at, "licenses": [{"expression": piece.licence.replace('/', " OR ")}]})
        })
        .collect();
    let own = json!({"type": "application", "bom-ref": "yoke-turn", "name": "yoke-turn", "version": env!("CARGO_PKG_VERSION"), "licenses": [{"expression": "MIT OR Apache-2.0"}]});
    let depends: Vec<String> = all.iter().map(address).collect();
    let bill = json!({
        "$schema": "http://cyclonedx.org/schema/bom-1.5.schema.json", "bomFormat": "CycloneDX", "specVersion": "1.5", "version": 1,
        "metadata": {"component": own}, "components": components, "dependencies": [{"ref": "yoke-turn", "dependsOn": depends}],
    });
    serde_json::to_string_pretty(&bill).map(|text| text + "\n").map_err(|e| e.to_string())
}
