//! A browser, the real server and a database of its own, for the journeys in `tests/`.
#![allow(clippy::expect_used, clippy::unwrap_used, clippy::panic)] // test support: a failure is a failed test

mod browser;
mod cable;
mod driver;
pub mod floor;
mod server;
mod stand_in;
mod waits;

pub use browser::{Browser, DESK, retype};
pub use cable::{Cable, Line};
pub use server::Server;
pub use stand_in::StandIn;

use std::path::{Path, PathBuf};
use std::process::{Child, Command};
use std::time::Duration;

/// How long anything may take to come: a machine that is shared may stand still for seconds.
const PATIENCE: Duration = Duration::from_secs(40);

/// Ended when dropped, a panic included.
struct Kept(Child);

impl Drop for Kept {
    fn drop(&mut self) {
        // A shell over a driver ends when its input does, with all it started; anything else is killed.
        if self.0.stdin.take().is_none() {
            let _ = self.0.kill();
        }
        let _ = self.0.wait();
    }
}

/// A program that gives way to what keeps time: an instrument that stands in speaks to the moment, however many browsers draw beside it.
fn yielding(program: impl AsRef<std::ffi::OsStr>) -> Command {
    let mut nice = Command::new("nice");
    nice.args(["-n", "5"]).arg(program);
    nice
}

/// Whether all is being proven (`cargo xtask prove`), rather than the everyday check.
#[must_use]
pub fn proving() -> bool {
    std::env::var_os("YOKE_PROVE").is_some()
}

/// The top of the project.
pub fn root() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../..")
}

/// A program built with this one, wherever cargo was told to build.
///
/// # Panics
/// When it is not there.
#[must_use]
pub fn program(name: &str) -> PathBuf {
    let own = std::env::current_exe().expect("a program knows where it stands");
    // Programs of tests stand in a folder of their own under the others.
    let path = own.ancestors().skip(1).map(|folder| folder.join(name)).find(|path| path.is_file());
    path.unwrap_or_else(|| panic!("{name} is not built: `cargo xtask journey` builds what it drives"))
}
