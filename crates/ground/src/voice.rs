//! The voice a sentence is spoken in: the unit under the hand, and the words of the shop.
//!
//! Whoever makes a sentence is given a [`Voice`], and has no other way to write a length, an angle, a speed, a slide or a nut. A text is
//! never read again or converted after it is made: it is made again in another voice.

use crate::quantity::{LengthUnit, MM_PER_INCH, SHOWN_MM, plain_text, short_text, sixty_fourths, two_figures, up_to, without_noughts};
use crate::words::{Vocabulary, Words, ordinal};
use std::borrow::Cow;

/// The unit and the words a text is made in, and where it is read.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash)]
pub struct Voice {
    /// What lengths are spoken in.
    pub unit: LengthUnit,
    /// The trade's words.
    pub words: Vocabulary,
    /// Where it is read.
    pub stands: Stands,
    /// The lathe spoken of: one without a half-nut is not told of one.
    pub lathe: LatheKind,
}

/// What of a lathe's kind its sentences hang on.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, serde::Serialize, serde::Deserialize)]
#[serde(default)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LatheKind {
    /// How its screw takes hold.
    pub screw: ScrewGrip,
    /// Whether its spindle is only cranked.
    pub cranked: bool,
    /// Whether its gears cannot be changed.
    pub gears_fixed: bool,
}

impl LatheKind {
    /// A half-nut, gears that are changed, and a motor.
    pub const USUAL: Self = Self { screw: ScrewGrip::HalfNut, cranked: false, gears_fixed: false };

    /// Whether it is the usual one.
    #[must_use]
    pub fn is_usual(&self) -> bool {
        *self == Self::USUAL
    }

    /// The forms of a sentence for such a lathe, the nearest first; what has none is said as it is.
    pub(crate) fn forms(self) -> impl Iterator<Item = &'static str> {
        let (slide, engaged) = (self.screw == ScrewGrip::TopSlide, self.screw != ScrewGrip::HalfNut);
        let all = [("fixed", self.gears_fixed), ("crank", self.cranked), ("slide", slide), ("engaged", engaged)];
        all.into_iter().filter(|(_, is)| *is).map(|(form, _)| form)
    }
}

/// How a lathe's screw takes hold of what it drives along the thread.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, serde::Serialize, serde::Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ScrewGrip {
    /// By a half-nut, which can be opened.
    #[default]
    HalfNut,
    /// Always.
    Engaged,
    /// Always, and it is the top slide it drives.
    TopSlide,
}

/// Where the screen stands: how large the letters of a drawing must be, and so how they are laid out.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, serde::Serialize, serde::Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Stands {
    /// At arm's length.
    #[default]
    Desk,
    /// Two steps away, on a tablet.
    Bench,
    /// Two steps away, on a wide screen.
    BenchWide,
}

impl Stands {
    /// How many times the desk's a letter is in the same drawing: rows and figures set by hand stand as much further apart.
    #[must_use]
    pub const fn letters(self) -> f64 {
        match self {
            Self::Desk => 1.0,
            Self::Bench => 1.8,
            Self::BenchWide => 1.4,
        }
    }
}

/// Newtons in a pound of force.
const N_PER_LBF: f64 = 4.448_222;

impl ScrewGrip {
    /// Whether it is the usual one.
    #[must_use]
    pub fn is_half_nut(&self) -> bool {
        *self == Self::HalfNut
    }
}

/// A length along the work in inches: a sixty-fourth as its fraction, else to the hundredth.
fn along_inches(mm: f64) -> String {
    let inches = mm / MM_PER_INCH;
    sixty_fourths(inches, " ").unwrap_or_else(|| short_text(inches, 2))
}

impl Voice {
    /// Whether texts are the same in the other, wherever each is read.
    #[must_use]
    pub fn speaks_as(self, other: Self) -> bool {
        (self.unit, self.words) == (other.unit, other.words)
    }

    /// Whether lengths are spoken in inches.
    #[must_use]
    pub fn inches(self) -> bool {
        self.unit == LengthUnit::In
    }

    /// A length in the unit spoken.
    fn of(self, mm: f64) -> f64 {
        if self.inches() { mm / MM_PER_INCH } else { mm }
    }

    /// With its unit.
    fn with_unit(self, number: &str) -> String {
        format!("{} {}", self.parted(number), self.unit.sign())
    }

    /// A figure as its language divides off the part.
    #[must_use]
    pub fn parted<'a>(self, number: &'a str) -> Cow<'a, str> {
        if self.words.decimal_comma() && number.contains('.') { number.replace('.', ",").into() } else { number.into() }
    }

    /// `2nd`, `3rd`; `2.`, `3.`.
    #[must_use]
    pub fn ordinal(self, n: u16) -> String {
        match self.words {
            Vocabulary::American | Vocabulary::British => ordinal(n),
            Vocabulary::German => format!("{n}."),
        }
    }

    /// A length as the micrometer reads, without its unit: the first of two that share one.
    #[must_use]
    pub fn figure(self, mm: f64) -> String {
        self.parted(&self.read(mm)).into_owned()
    }

    /// The same before its part is divided off.
    fn read(self, mm: f64) -> String {
        plain_text(self.of(mm), if self.inches() { 4 } else { 3 })
    }

    /// A length as the micrometer reads: `18.249 mm`, `0.7185 in`.
    #[must_use]
    pub fn length(self, mm: f64) -> String {
        self.with_unit(&self.figure(mm))
    }

    /// Two lengths as the micrometer reads: `18.100 to 18.249 mm`.
    #[must_use]
    pub fn between(self, from: f64, to: f64) -> String {
        format!("{} to {}", self.figure(from), self.length(to))
    }

    /// A length as it was told or set, without places nobody measured: `19.9 mm`, `0.78 in`.
    #[must_use]
    pub fn given(self, mm: f64) -> String {
        self.with_unit(without_noughts(&self.read(mm)))
    }

    /// The same without its unit: on a drawing that says it once.
    #[must_use]
    pub fn bare(self, mm: f64) -> String {
        self.parted(without_noughts(&self.read(mm))).into_owned()
    }

    /// Two lengths as they were told or are set: `0.5 to 355 mm`.
    #[must_use]
    pub fn from_to(self, low: f64, high: f64) -> String {
        format!("{} to {}", self.bare(low), self.given(high))
    }

    /// A length that a hand sets or reads by a rule: to the tenth of a millimetre, the hundredth of an inch.
    #[must_use]
    pub fn about(self, mm: f64) -> String {
        self.with_unit(&plain_text(self.of(mm), self.rule_places()))
    }

    /// The same of a length that must at least be there: told never under.
    #[must_use]
    pub fn least(self, mm: f64) -> String {
        let parts = if self.inches() { 100.0 } else { 10.0 };
        self.with_unit(&plain_text(up_to(self.of(mm), parts), self.rule_places()))
    }

    fn rule_places(self) -> usize {
        if self.inches() { 2 } else { 1 }
    }

    /// A length along the work, as it was given: a sixty-fourth as the fraction a rule shows, anything else in inches to the hundredth.
    #[must_use]
    pub fn along(self, mm: f64) -> String {
        if !self.inches() {
            return self.given(mm);
        }
        self.with_unit(&along_inches(mm))
    }

    /// The same without its unit: on a drawing that says it once.
    #[must_use]
    pub fn along_bare(self, mm: f64) -> String {
        if self.inches() { self.parted(&along_inches(mm)).into_owned() } else { self.bare(mm) }
    }

    /// A small length to the hundredth of a millimetre or the thousandth of an inch: a flat, a play, a spring; under a hundredth of an inch, to
    /// the ten-thousandth.
    #[must_use]
    pub fn coarse(self, mm: f64) -> String {
        self.with_unit(&self.coarse_figure(mm))
    }

    fn coarse_figure(self, mm: f64) -> String {
        let value = self.of(mm);
        match self.unit {
            LengthUnit::Mm => short_text(value, 2),
            LengthUnit::In if value == 0.0 => "0".into(),
            LengthUnit::In => plain_text(value, if value.abs() < 0.00995 { 4 } else { 3 }),
        }
    }

    /// Two such: `0.31 to 0.62 mm`.
    #[must_use]
    pub fn coarsely_between(self, low: f64, high: f64) -> String {
        format!("{} to {}", self.coarse_figure(low), self.coarse(high))
    }

    /// A length of no more than some micrometres: to the tenth of one, the hundred-thousandth of an inch.
    #[must_use]
    pub fn fine(self, mm: f64) -> String {
        self.with_unit(&short_text(self.of(mm), if self.inches() { 5 } else { 4 }))
    }

    /// An error or a play told in micrometres, in inches to the ten-thousandth; nought is nothing.
    #[must_use]
    pub fn micro(self, mm: f64) -> String {
        let micrometres = mm * 1000.0;
        if micrometres.abs() < 0.05 {
            "nothing".into()
        } else if !self.inches() {
            format!("{} \u{b5}m", short_text(micrometres, usize::from(micrometres.abs() < 9.95)))
        } else if self.of(mm).abs() < 0.00005 {
            "less than 0.0001 in".into()
        } else {
            self.with_unit(&short_text(self.of(mm), 4))
        }
    }

    /// Whether a length shows at all where lengths stand as the micrometer reads.
    #[must_use]
    pub fn shows(self, mm: f64) -> bool {
        self.of(mm).abs() >= if self.inches() { 0.00005 } else { SHOWN_MM }
    }

    /// A thickness felt or rolled: to the hundredth of a millimetre, the thousandth of an inch.
    #[must_use]
    pub fn thou(self, mm: f64) -> String {
        self.with_unit(&short_text(self.of(mm), if self.inches() { 3 } else { 2 }))
    }

    /// A length reckoned from what is known to a tenth or worse: two figures of it, and no more places than a micrometer has.
    #[must_use]
    pub fn roughly(self, mm: f64) -> String {
        self.with_unit(&short_text(two_figures(self.of(mm)), if self.inches() { 4 } else { 3 }))
    }

    /// A bound that follows from figures known to a few hundredths: two figures of it, never over.
    #[must_use]
    pub fn at_most(self, mm: f64) -> String {
        let value = self.of(mm).max(1e-9);
        let unit = 10_f64.powf(value.log10().floor() - 1.0);
        self.with_unit(&short_text((value / unit + 1e-9).floor() * unit, 5))
    }

    /// The next length over this one that a rule shows, mm.
    #[must_use]
    pub fn rule_over(self, mm: f64) -> f64 {
        self.over(mm, if self.inches() { 100.0 } else { 10.0 })
    }

    /// The next length under this one that a rule shows, mm.
    #[must_use]
    pub fn rule_under(self, mm: f64) -> f64 {
        -self.rule_over(-mm)
    }

    /// The next length over this one that is turned to without a thought, mm: a hundredth of a millimetre, a thousandth of an inch.
    #[must_use]
    pub fn turned_over(self, mm: f64) -> f64 {
        self.over(mm, if self.inches() { 1000.0 } else { 100.0 })
    }

    /// The next length under this one that is turned to without a thought, mm.
    #[must_use]
    pub fn turned_under(self, mm: f64) -> f64 {
        -self.turned_over(-mm)
    }

    fn over(self, mm: f64, parts: f64) -> f64 {
        up_to(self.of(mm), parts) * if self.inches() { MM_PER_INCH } else { 1.0 }
    }

    /// A whole number of the unit, or a few: bars, blades, wheels by their nominal size.
    #[must_use]
    pub fn nominal(self, mm: f64) -> String {
        if self.inches() { self.along(mm) } else { self.with_unit(&short_text(mm, 2)) }
    }

    /// A pitch: in inches by the thread count where that is whole or nearly, else as a length.
    #[must_use]
    pub fn pitch(self, mm: f64) -> String {
        let tpi = MM_PER_INCH / mm;
        if self.inches() && mm > 0.0 && (tpi * 4.0 - (tpi * 4.0).round()).abs() < 1e-6 { format!("{} TPI", short_text(tpi, 2)) } else { self.given(mm) }
    }

    /// An angle to the hundredth of a degree.
    #[must_use]
    pub fn angle(self, deg: f64) -> String {
        format!("{}\u{b0}", plain_text(deg, 2))
    }

    /// An angle that is ground or set by eye, to half a degree.
    #[must_use]
    pub fn eye(self, deg: f64) -> String {
        format!("{}\u{b0}", short_text((deg * 2.0).round() / 2.0, 1))
    }

    /// A cutting speed told in m/min: in feet a minute where lengths are in inches.
    #[must_use]
    pub fn speed(self, m_per_min: f64) -> String {
        if self.inches() { format!("{} ft/min", plain_text(m_per_min / 0.3048, 0)) } else { format!("{} m/min", plain_text(m_per_min, 0)) }
    }

    /// A force, to two figures.
    #[must_use]
    pub fn force(self, newton: f64) -> String {
        let figures = |v: f64| short_text(two_figures(v), 1);
        if self.inches() { format!("{} lbf", figures(newton / N_PER_LBF)) } else { format!("{} N", figures(newton)) }
    }

    /// A torque, to two figures.
    #[must_use]
    pub fn torque(self, newton_meters: f64) -> String {
        let figures = |v: f64| short_text(two_figures(v), 1);
        if self.inches() { format!("{} lbf·ft", figures(newton_meters / (N_PER_LBF * 0.3048))) } else { format!("{} N·m", figures(newton_meters)) }
    }

    /// The section of a chip, in inches by the square thou.
    #[must_use]
    pub fn area(self, mm2: f64) -> String {
        let few = |value: f64| short_text(two_figures(value), 4);
        match self.unit {
            LengthUnit::Mm if mm2 < 0.1 => format!("{} mm\u{b2}", few(mm2)),
            LengthUnit::Mm => format!("{} mm\u{b2}", short_text(mm2, 2)),
            LengthUnit::In => format!("{} sq thou", few(mm2 / (MM_PER_INCH * MM_PER_INCH) * 1e6)),
        }
    }

    /// The words that differ from shop to shop.
    #[must_use]
    pub fn words(self) -> Words {
        Words::of(self.words)
    }
}
