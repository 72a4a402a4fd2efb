//! A lathe that stands in for a real one. Told what a hand does, it moves as a lathe moves: the spindle comes to speed and coasts, the train
//! drives the screw, play is taken up, the half-nut falls where a tooth comes, the tool leaves its prints. It knows nothing of any plan: the
//! groove, the dial and the way to stop follow from the motion alone.
//!
//! ```
//! use yoke_ground::quantity::Ratio;
//! use yoke_standin::{Act, Cue, DialFace, Lathe, Machine};
//!
//! // A screw of 6 mm, 2.5 mm a turn toward the headstock, 2 turns a second, a coast of half a turn from there.
//! let machine = Machine {
//!     screw_mm: Ratio::from_integer(6),
//!     turns: Ratio::new(-5, 12),
//!     play_mm: 0.2,
//!     dial: Some(DialFace { teeth: 20, marks: 4 }),
//!     spin_up_s: 0.5,
//!     coast: [0.5, 2.0],
//!     chuck_screwed: false,
//!     slide_play_mm: [0.0; 2],
//!     lean_deg: 29.5,
//!     cuts: -1.0,
//! };
//! let mut lathe = Lathe::new(machine, 40.0, [0.0; 2]);
//! lathe.act(Act::Spindle(2.0)).unwrap();
//! lathe.wait(Cue::Seconds(2.0), 10.0);
//! lathe.act(Act::Close).unwrap();
//! lathe.wait(Cue::Place(10.0), 60.0);
//! // 0.31 s later it has gone on by as much as 2 turns a second are in that time.
//! lathe.wait(Cue::Seconds(0.31), 1.0);
//! lathe.act(Act::Open).unwrap();
//! assert!((lathe.stands().carriage.at - (10.0 - 0.31 * 2.0 * 2.5)).abs() < 1e-6);
//! ```

pub mod act;
pub mod even;
pub mod fault;
pub mod groove;
pub mod lathe;
pub mod machine;
pub mod operator;
pub mod part;
pub mod play;
pub mod readout;
pub mod script;
pub mod track;

pub use act::{Act, Cue, Refused, Slide};
pub use even::Even;
pub use fault::{Fault, Meant, Scene, Seen, Stroke, off_groove};
pub use groove::{Print, RUBS_MM, prints};
pub use lathe::{DRAWN_IN, Lathe};
pub use machine::{DialFace, Machine, Surface, Tool, Wall, Work};
pub use operator::Operator;
pub use part::Part;
pub use play::Play;
pub use readout::{Axis, Readout, Sees};
pub use script::{Step, Trouble, Unread};
pub use track::{Happened, Nut, Stretch, Track, What};
