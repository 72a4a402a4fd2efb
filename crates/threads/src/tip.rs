//! What a tip cuts off the sharp V.

use super::flanks::Flanks;

/// Flat that cuts as much off the sharp V as this radius, mm; flanks not both upright.
#[must_use]
pub fn flat_of_radius(radius: f64, flanks: Flanks) -> f64 {
    2.0 * flanks.half_deg().to_radians().tan() * radius * (flanks.wedge() - 1.0)
}

/// Radius that cuts as much off the sharp V as this flat, mm; flanks not both upright.
#[must_use]
pub fn radius_of_flat(flat: f64, flanks: Flanks) -> f64 {
    flat / (2.0 * flanks.half_deg().to_radians().tan()) / (flanks.wedge() - 1.0)
}
