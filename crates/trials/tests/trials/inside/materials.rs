//! Materials.

use yoke_core::job::{TOOLS, materials};
#[test]
fn every_row_reads() {
    assert_eq!((materials().len(), TOOLS.len()), (8, 4));
    assert!(materials().iter().all(|m| m.first_cut_mm > m.least_cut_mm && m.hss_m_per_min > 1.0));
}
