//! Exact.

use yoke_core::quantity::{Exact, ratio_text};

#[test]
fn a_json_number_is_exact_through_its_shortest_decimal() {
    let read = |s: &str| serde_json::from_str::<Exact>(s).map(|e| ratio_text(&e.0)).ok();
    assert_eq!(read("2.5").as_deref(), Some("5/2"));
    assert_eq!(read("0.1").as_deref(), Some("1/10"));
    assert_eq!(read("\"127/50\"").as_deref(), Some("127/50"));
    assert_eq!(read("6").as_deref(), Some("6/1"));
    for bad in ["\"1/0\"", "\"x\"", "1e300", "null", "\"\"", "\"1/\"", "true"] {
        assert_eq!(read(bad), None, "{bad}");
    }
}
