//! Tables.

use yoke_core::thread::tables::{row_counts, stepped, td_um, td2_um};

#[test]
fn every_row_of_every_table_is_read() {
    assert_eq!(row_counts(), [25, 47, 22]);
}

#[test]
fn grades_step_along_the_series() {
    assert_eq!(td2_um(20.0, 2.5, 6.0, false), (170.0, false));
    assert_eq!(td2_um(20.0, 2.5, 7.0, false).0, 212.0);
    assert_eq!(td2_um(20.0, 2.5, 4.0, false).0, 106.0);
    assert_eq!(td_um(2.5, 8.0).0, 530.0);
    assert!(td2_um(400.0, 2.5, 6.0, false).0.is_nan());
    assert!(td2_um(20.0, 2.25, 6.0, false).1, "a pitch in no table is computed and says so");
    assert!(td2_um(1.2, 0.2, 3.0, false).0.is_finite());
    assert_eq!(stepped(2243.0, -8), 1400.0, "the decade repeats tenfold");
}
