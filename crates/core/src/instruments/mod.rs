//! Instruments that speak: what their lines mean, and a run followed by them.

mod follow;
mod line;
mod live;
mod passage;
mod told;
mod wound;

pub use follow::{Bench, Came, CameCode, Follow, Following, PointAt, Tool, Zeros, came};
pub use line::{Number, Pattern, Unlearned, numbers};
pub use live::{CameView, Link, LiveView, Now, SentView, ToGo};
pub use passage::{Passes, Place, Seen, Watching};
pub use told::{AxisName, Cable, Counts, Instruments, Micrometer, Parity, Readout, Sent, Stands, ToldAxis, Which, guessed};
pub use wound::{Wound, WoundView};
