//! The wire chosen.

/// The wire chosen, and what must be added to a pitch diameter to get the size over it.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Chosen {
    pub wire: f64,
    pub sum: f64,
    pub corrected: bool,
}
