//! Every rule there is, from every station.

use crate::working::Rule;

/// Every rule of the core, in the order of the stations.
#[must_use]
pub fn rules() -> Vec<&'static Rule> {
    let thread = crate::thread::rules::all();
    [
        thread.as_slice(),
        crate::stiffness::ALL,
        crate::blank::rules::ALL,
        crate::gears::rules::ALL,
        crate::bit::rules::ALL,
        crate::setup::rules::ALL,
        crate::cut::rules::ALL,
        crate::chaser::rules::ALL,
        crate::gauge::rules::ALL,
        crate::job::pad::rules::ALL,
    ]
    .concat()
}
