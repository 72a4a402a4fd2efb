//! Running the app: the demo, the two sides in development, pictures and measurements.

use crate::check::beside;
use crate::{Outcome, text, tools};
use xshell::{Shell, cmd};

/// Builds both sides at once, the server first without the web app, and serves the demo yard.
pub fn demo(sh: &Shell, more: &[String]) -> Outcome {
    beside(sh, tools::web, |sh| {
        // Both are named, so that both builds resolve the same features and nothing is compiled twice; only libraries are built.
        cmd!(sh, "cargo build --release -p yoke-turn -p yoke-server --lib").run().map_err(text)
    })?;
    cmd!(sh, "cargo build --release -p yoke-turn").run().map_err(text)?;
    let program = tools::target(sh).join("release/yoke-turn");
    cmd!(sh, "{program} --demo {more...}").run().map_err(text)
}

/// The server, built again and started again when a source of it changes, and Vite with its pages changing as theirs do.
pub fn dev(sh: &Shell, more: &[String]) -> Outcome {
    tools::npm(sh)?;
    let server = sh.clone();
    let more = more.to_vec();
    std::thread::spawn(move || {
        if let Err(why) = keep_serving(&server, &more) {
            eprintln!("xtask: {why}");
        }
    });
    let _in = sh.push_dir("web");
    cmd!(sh, "npm run --silent dev").run().map_err(text)
}

/// Sources of the server, newest change.
fn newest(folder: &std::path::Path) -> Option<std::time::SystemTime> {
    let entries = std::fs::read_dir(folder).ok()?;
    let times = entries.filter_map(Result::ok).filter_map(|entry| {
        let path = entry.path();
        if path.is_dir() { newest(&path) } else { entry.metadata().and_then(|m| m.modified()).ok() }
    });
    times.max()
}

fn keep_serving(sh: &Shell, more: &[String]) -> Outcome {
    let (crates, program) = (sh.current_dir().join("crates"), tools::target(sh).join("debug/yoke-turn"));
    let mut server: Option<std::process::Child> = None;
    let mut built = None;
    loop {
        let now = newest(&crates);
        if now != built {
            built = now;
            // The one that runs goes on until the next is built.
            if cmd!(sh, "cargo build --workspace --bin yoke-turn").run().is_ok() {
                if let Some(mut old) = server.take() {
                    let _ = old.kill();
                    let _ = old.wait();
                }
                let begun = std::process::Command::new(&program).arg("--demo").args(more).spawn();
                server = Some(begun.map_err(|e| format!("{}: {e}", program.display()))?);
            }
        }
        std::thread::sleep(std::time::Duration::from_millis(700));
    }
}

/// Takes a picture of each main view, or of those whose name holds what is said, into docs/screenshots.
pub fn shots(sh: &Shell, names: &[String]) -> Outcome {
    tools::browser(sh)?;
    tools::web(sh)?;
    cmd!(sh, "cargo build --workspace --bin yoke-turn --bin shots").run().map_err(text)?;
    let program = tools::target(sh).join("debug/shots");
    cmd!(sh, "{program} {names...}").run().map_err(text)
}

/// The door to the shop's network, on a network in namespaces of this machine.
pub fn shop_floor(sh: &Shell) -> Outcome {
    tools::browser(sh)?;
    tools::floor(sh)?;
    tools::web(sh)?;
    cmd!(sh, "cargo build --workspace --bin yoke-turn --bin shop-floor").run().map_err(text)?;
    let program = tools::target(sh).join("debug/shop-floor");
    cmd!(sh, "{program}").run().map_err(text)
}

/// Speeds and sizes, as the README reports them.
pub fn bench(sh: &Shell) -> Outcome {
    tools::web(sh)?;
    cmd!(sh, "cargo bench -p yoke-trials").run().map_err(text)?;
    cmd!(sh, "cargo build --release -p yoke-turn").run().map_err(text)?;
    cmd!(sh, "cargo run --release -p yoke-e2e --bin sizes").run().map_err(text)?;
    cmd!(sh, "cargo run --release -p yoke-e2e --bin strain").run().map_err(text)
}
