//! A figure told by where it lies.

/// Under nought, nought as it is shown, over it.
pub fn told(value: f64, shown: f64, [under, at, over]: [&'static str; 3]) -> &'static str {
    if value.abs() < shown {
        at
    } else if value < 0.0 {
        under
    } else {
        over
    }
}
