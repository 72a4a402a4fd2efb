//! Ids made of names.

use yoke_server::ids;

#[test]
fn an_id_is_made_of_any_name() {
    for (name, id) in [("Long bed", "long-bed"), ("  Nº 2 — rear! ", "n-2-rear"), ("旋盤", "lathe"), ("a".repeat(80).as_str(), &"a".repeat(36))] {
        assert_eq!(ids(name).next().unwrap(), id);
    }
    assert_eq!(ids("Bench").nth(1).unwrap(), "bench-2");
}
