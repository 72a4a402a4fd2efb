//! What a tip cuts off the sharp V.

/// Flat that cuts as much off the sharp V as this radius, mm; the half angle in degrees, over 0.
#[must_use]
pub fn flat_of_radius(radius: f64, alpha_deg: f64) -> f64 {
    let alpha = alpha_deg.to_radians();
    2.0 * alpha.tan() * radius * (1.0 / alpha.sin() - 1.0)
}
