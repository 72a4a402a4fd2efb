//! Known threads.

use yoke_core::thread::identify::REFERENCE_THREADS;
use yoke_core::thread::series::standards;

#[test]
fn every_standard_is_known() {
    assert_eq!(REFERENCE_THREADS.len(), standards().len());
    for k in REFERENCE_THREADS.iter() {
        assert!(k.root < k.effective && k.effective < k.major && k.depths[0] <= k.depths[1] && k.depths[1] <= k.depths[2], "{}", k.standard.name);
        assert!(k.bore[0] <= k.bore[1] && k.bore[0] > k.root - 1e-6, "{}", k.standard.name);
    }
}
