//! Change gears: every train that can be hung from the gears owned, whether it hangs, and when the half-nut may be closed again.
//!
//! ```
//! use yoke_gears::{Dial, DialRule, Drive, Table, Wanted, reengage, search};
//! use yoke_ground::quantity::Ratio;
//! use yoke_ground::voice::Voice;
//!
//! // A screw of 4 threads an inch, and 2.5 mm wanted: 127 teeth make it exact.
//! let drive = Drive::of(Ratio::new(127, 20), 1.0, &[24, 40, 48, 60, 127]);
//! let ratio = Ratio::new(5, 2) / drive.leadscrew;
//! let (_, found) = search(&drive, &Table::of(&drive), &ratio, &Wanted { limit: 1, ..Wanted::default() });
//! assert_eq!(found[0].ratio, ratio);
//! // Its dial of 16 teeth never comes back to that groove: the half-nut stays closed.
//! let dial = Dial { teeth: vec![16], marks: Some(8) };
//! assert_eq!(reengage(&ratio, Some(&dial)).rule, DialRule::KeepClosed);
//! ```

pub mod arrange;
pub mod dial;
pub mod drive;
pub mod fit;
pub mod hindrance;
pub mod layout;
pub mod misfit;
pub mod search;
pub mod table;
pub mod train;

pub use dial::{DialAnswer, DialRule, each_gear, reengage};
pub use drive::{Arm, Dial, Drive, Gear, GearboxPosition, Mounted, Place, Tried};
pub use fit::{Fit, Sense, hangs};
pub use hindrance::{Beside, Clearance, Hindrance};
pub use layout::{Idler, Mesh};
pub use misfit::{Mistake, mistakes};
pub use search::{Found, Wanted, search};
pub use table::Table;
pub use train::{Train, TrainRow, changes};

use yoke_ground::{direction, outline, quantity, voice};
