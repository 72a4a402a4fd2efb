//! The two flanks of a groove, each at its angle from square to the axis.

use crate::direction::{Carriage, Faces};
use crate::quantity::degrees_text;
use crate::voice::Voice;
use crate::working::{Num, Rule, Worksheet};
use serde::{Deserialize, Serialize};
use yoke_ground::say;

/// The flanks as the tool meets them: the wall its leading edge cuts, and the other; degrees from square to the axis.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Flanks {
    /// Of the wall on the side the carriage goes to.
    pub leading: f64,
    /// Of the other.
    pub trailing: f64,
}

impl Flanks {
    /// Both alike.
    #[must_use]
    pub const fn even(half_deg: f64) -> Self {
        Self { leading: half_deg, trailing: half_deg }
    }

    /// The flank that carries the load and the one that clears, as a tool going this way meets them.
    ///
    /// Derivation: with the carriage going toward the headstock the leading edge cuts the wall on the headstock's side, and the
    /// metal of that wall faces the tailstock.
    #[must_use]
    pub fn met([load, clear]: [f64; 2], load_faces: Faces, carriage: Carriage) -> Self {
        let load_leads = (load_faces == Faces::Tailstock) == (carriage == Carriage::TowardHeadstock);
        if load_leads { Self { leading: load, trailing: clear } } else { Self { leading: clear, trailing: load } }
    }

    /// Whether both are alike.
    #[must_use]
    pub fn are_even(self) -> bool {
        (self.leading - self.trailing).abs() < 1e-9
    }

    /// Both, the leading one first.
    #[must_use]
    pub const fn both(self) -> [f64; 2] {
        [self.leading, self.trailing]
    }

    /// The angle between them, degrees.
    #[must_use]
    pub fn included_deg(self) -> f64 {
        self.leading + self.trailing
    }

    /// Half angle of the even groove that widens as fast with depth, degrees.
    ///
    /// Derivation: width grows by tan a + tan b for each depth, in an even groove by 2 tan α.
    #[must_use]
    pub fn half_deg(self) -> f64 {
        if self.are_even() { self.leading } else { f64::midpoint(self.leading.to_radians().tan(), self.trailing.to_radians().tan()).atan().to_degrees() }
    }

    /// How far over the sharp V the middle of a circle of radius one stands when it touches both: 1/sin α where they are alike.
    ///
    /// Derivation: the middle lies on the bisector, 1/sin of half the angle between the flanks from the V, and the bisector leans by
    /// half their difference.
    #[must_use]
    pub fn wedge(self) -> f64 {
        let [a, b] = self.both().map(f64::to_radians);
        ((a - b) / 2.0).cos() / f64::midpoint(a, b).sin()
    }

    /// Applies a rule that wants the flanks last: its form for a half angle where they are alike, its form for each of them where not.
    pub fn apply(self, sheet: &mut Worksheet, [even, between]: [&'static Rule; 2], operands: &[Num]) -> Num {
        if self.are_even() {
            sheet.apply_all(even, &[operands, &[self.leading.into()]].concat(), None)
        } else {
            sheet.apply_all(between, &[operands, &self.both().map(Num::from)].concat(), None)
        }
    }

    /// Left and right as the carriage's way puts them, the headstock to the left.
    #[must_use]
    pub const fn as_drawn(self, carriage: Carriage) -> [f64; 2] {
        match carriage {
            Carriage::TowardHeadstock => [self.leading, self.trailing],
            Carriage::AwayFromHeadstock => [self.trailing, self.leading],
        }
    }

    /// As they are said: `30°`, or each with its place.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        let text = degrees_text;
        if self.are_even() {
            format!("{}°", text(self.leading))
        } else {
            say!(voice, "flanks-apart", leading = text(self.leading), trailing = text(self.trailing))
        }
    }
}
