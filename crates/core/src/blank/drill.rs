//! Drills by the names their makers mark them with.

use crate::quantity::{MM_PER_INCH, sixty_fourths};
use crate::say;
use crate::voice::Voice;

/// Number drills 1 to 80, ten-thousandths of an inch. Recalled; the trials hold what their use in the trade fixes.
const NUMBERS: [u16; 80] = [
    2280, 2210, 2130, 2090, 2055, 2040, 2010, 1990, 1960, 1935, 1910, 1890, 1850, 1820, 1800, 1770, 1730, 1695, 1660, 1610, 1590, 1570, 1540, 1520, 1495, 1470,
    1440, 1405, 1360, 1285, 1200, 1160, 1130, 1110, 1100, 1065, 1040, 1015, 995, 980, 960, 935, 890, 860, 820, 810, 785, 760, 730, 700, 670, 635, 595, 550,
    520, 465, 430, 420, 410, 400, 390, 380, 370, 360, 350, 330, 320, 310, 292, 280, 260, 250, 240, 225, 210, 200, 180, 160, 145, 135,
];
/// Letter drills A to Z, thousandths of an inch. Recalled.
const LETTERS: [u16; 26] = [234, 238, 242, 246, 250, 257, 261, 266, 272, 277, 281, 290, 295, 302, 316, 323, 332, 339, 348, 358, 368, 377, 386, 397, 404, 413];
/// A drill told so near to a marked size is that one, mm.
const NEAR_MM: f64 = 0.0015;

/// A number drill's size, mm.
pub(crate) fn numbered(n: usize) -> Option<f64> {
    Some(f64::from(*NUMBERS.get(n.checked_sub(1)?)?) / 1e4 * MM_PER_INCH)
}

/// A letter drill's size, mm.
pub(crate) fn lettered(letter: char) -> Option<f64> {
    let at = usize::try_from(u32::from(letter.to_ascii_uppercase()).checked_sub(u32::from('A'))?).ok()?;
    Some(f64::from(*LETTERS.get(at)?) / 1e3 * MM_PER_INCH)
}

/// A drill as it is marked: a fraction of an inch in sixty-fourths, a number, a letter; else its size, metric ones always in mm.
#[must_use]
pub fn marked(mm: f64, voice: Voice) -> String {
    let near = |inches: f64| (mm - inches * MM_PER_INCH).abs() < NEAR_MM;
    let parts = (mm / MM_PER_INCH * 64.0).round();
    let metric = (mm * 20.0 - (mm * 20.0).round()).abs() < 1e-6;
    let exactly = (mm - parts / 64.0 * MM_PER_INCH).abs() < 1e-6;
    if parts >= 1.0
        && (exactly || !metric && near(parts / 64.0))
        && let Some(fraction) = sixty_fourths(parts / 64.0, "-")
    {
        return say!(voice, "drill-fraction", fraction = &fraction);
    }
    if !metric && let Some(n) = (1..).zip(NUMBERS).find_map(|(n, size)| near(f64::from(size) / 1e4).then_some(n)) {
        return say!(voice, "drill-number", n = &n);
    }
    if !metric && let Some(letter) = ('A'..).zip(LETTERS).find_map(|(letter, size)| near(f64::from(size) / 1e3).then_some(letter)) {
        return say!(voice, "drill-letter", letter = letter.to_string());
    }
    if metric { Voice::default().given(mm) } else { voice.given(mm) }
}
