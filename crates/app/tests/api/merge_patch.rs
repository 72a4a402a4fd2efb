//! A merge patch, as RFC 7396 has it.

use serde_json::json;
use yoke_server::merge;

#[test]
fn a_merge_patch_replaces_adds_and_takes_away() {
    let mut target = json!({"thread": {"callout": "M20", "length_mm": 60}, "bit": {"tip_flat_mm": 0.3}});
    merge(&mut target, json!({"thread": {"length_mm": 40}, "bit": null, "blank": {"shoulder": true}}));
    assert_eq!(target, json!({"thread": {"callout": "M20", "length_mm": 40}, "blank": {"shoulder": true}}));
}
