//! The plain sizes a batch is tallied by.

use crate::faults::{Checker, Fault};
use crate::job::PlainRequest;
use crate::say;
use crate::voice::Voice;

/// The limits of every plain size, by name, mm.
///
/// # Errors
/// Every fault, from `/plain`.
pub fn plain_limits(asked: &[PlainRequest], voice: Voice) -> Result<Vec<(String, [f64; 2])>, Vec<Fault>> {
    let mut c = Checker::spoken(voice);
    let settled = crate::plain::check(asked, &mut c);
    if c.faults.is_empty() {
        return Ok(settled.into_iter().map(|p| (p.name, [p.min_mm, p.max_mm])).collect());
    }
    Err(c.faults.into_iter().map(|f| Fault { pointer: f.pointer.replacen("/blank/plain", "/plain", 1), ..f }).collect())
}

/// A reading further from its limits than this, by a share of them, is no reading of that size.
const FAR: f64 = 0.25;

/// Looks at a reading of a plain size before it counts: whether there is such a size, and whether the reading can be of it.
///
/// # Errors
/// The JSON pointer of the field and what would be right.
pub fn check_sized(name: &str, mm: f64, plain: &[(String, [f64; 2])], voice: Voice) -> Result<(), (&'static str, String)> {
    let Some((_, [low, high])) = plain.iter().find(|p| p.0 == name) else {
        let known = plain.iter().map(|p| p.0.as_str()).collect::<Vec<_>>().join(", ");
        return Err(("/name", if known.is_empty() { say!(voice, "sized-none") } else { say!(voice, "sized-known", known = known) }));
    };
    let near = |v: f64| v > low * (1.0 - FAR) - 1.0 && v < high * (1.0 + FAR) + 1.0;
    if near(mm) {
        return Ok(());
    }
    let [mm_text, low, high] = [mm, *low, *high].map(|mm| voice.length(mm));
    Err((
        "/mm",
        if near(mm * 25.4) || near(mm / 25.4) {
            say!(voice, "sized-other-unit", size = mm_text, low = low, high = high)
        } else {
            say!(voice, "sized-far", size = mm_text, low = low, high = high)
        },
    ))
}
