//! Kit.

use yoke_core::job::Kit;
use yoke_core::thread::Side;

#[test]
fn the_yards_drawer_is_read_whole() {
    let kit = Kit::alder_reach();
    assert_eq!((kit.wires_mm.len(), kit.bits.len()), (14, 4));
    assert_eq!((kit.bits[0].kind, kit.bits[0].tip_flat_mm), (Side::External, Some(0.25)));
    assert_eq!(kit.bits[2].reach_mm, Some(60.0));
    // 25 halves, 19 wholes, 77 sixty-fourths, in order.
    assert_eq!(kit.drills_mm.len(), 121);
    assert!(kit.drills_mm.windows(2).all(|w| w[0] <= w[1]) && kit.drills_mm.ends_with(&[32.0]));
}
