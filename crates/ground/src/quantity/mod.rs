//! Lengths, pitches and exact ratios: how they are read, held and shown.

mod exact;
mod length;
mod show;

pub use exact::{Exact, Ratio, decimal, ratio_text};
pub use length::{Length, LengthFault, LengthUnit, parse_length};
pub use show::{ABOUT_MM, SHOWN_MM, degrees_text, large_first, plain_text, short_text, sixty_fourths, two_figures, up_to, without_noughts};

/// Millimetres in an inch, exact since 1959.
pub const MM_PER_INCH: f64 = 25.4;

/// A ratio as the nearest floating-point number, for geometry that needs a root or a sine.
#[must_use]
pub fn real(ratio: &Ratio) -> f64 {
    // Terms are bounded far under 2^53 where they come in, so each is exact and one rounding is made.
    #[allow(clippy::cast_precision_loss)]
    let (numer, denom) = (*ratio.numer() as f64, *ratio.denom() as f64);
    numer / denom
}

/// The exact pitch in mm of a thread count per inch: 1/TPI in = 127/(5·TPI) mm.
#[must_use]
pub fn pitch_of_tpi(tpi: &Ratio) -> Ratio {
    Ratio::new(127, 5) / tpi
}

/// Whether a figure is nought and need not be sent.
#[allow(clippy::trivially_copy_pass_by_ref)] // serde's signature
pub fn is_nought(v: &f64) -> bool {
    *v == 0.0
}
