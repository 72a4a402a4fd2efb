//! Watch codes.

use yoke_core::watch::Code;

#[test]
fn a_code_goes_out_by_its_stable_name() {
    for code in Code::ALL {
        assert_eq!(serde_json::to_value(code).unwrap(), code.name());
        assert_eq!(code.to_string(), code.name());
    }
    let names: std::collections::BTreeSet<&str> = Code::ALL.iter().map(|c| c.name()).collect();
    assert_eq!(names.len(), Code::ALL.len());
}
