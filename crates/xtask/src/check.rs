//! The check. The web side's half runs beside the first compile; nothing is compiled twice for being asked for another way, so every
//! step takes the whole workspace and names its programs.

use crate::{Outcome, api, text, tools};
use std::path::Path;
use std::time::Instant;
use xshell::{Shell, cmd};

/// Says how long a step took.
fn step(name: &str, work: impl FnOnce() -> Outcome) -> Outcome {
    let begun = Instant::now();
    let outcome = work();
    eprintln!("xtask: {name}: {} s", begun.elapsed().as_secs());
    outcome
}

/// Does the web side's part on a thread of its own while the other goes on; both must hold.
pub fn beside(sh: &Shell, web: impl FnOnce(&Shell) -> Outcome + Send, rust: impl FnOnce(&Shell) -> Outcome) -> Outcome {
    let other = sh.clone();
    std::thread::scope(|scope| {
        let web = scope.spawn(move || step("web side", || web(&other)));
        let rust = rust(sh);
        let web = web.join().unwrap_or_else(|_| Err("the web side's checks stopped short".into()));
        rust.and(web)
    })
}

/// Everything of the web side that needs no server.
fn web_side(sh: &Shell) -> Outcome {
    tools::npm(sh)?;
    api::types_agree(sh)?;
    let _in = sh.push_dir("web");
    for script in ["build", "check", "lint", "format", "test"] {
        cmd!(sh, "npm run --silent {script}").run().map_err(text)?;
    }
    Ok(())
}

/// Programs of tests that need no browser.
const PROGRAMS: [&str; 3] = ["trials", "store", "api"];

/// Clippy's own compiler, for what is the project's. What is linted is then what is tested: the whole is compiled once, where asking
/// `cargo clippy` beside it would read every package a second time.
fn linting(sh: &Shell) -> Result<xshell::PushEnv<'_>, String> {
    let home = cmd!(sh, "rustc --print sysroot").quiet().read().map_err(text)?;
    let clippy = Path::new(&home).join("bin").join(format!("clippy-driver{}", std::env::consts::EXE_SUFFIX));
    if !clippy.exists() {
        return Err(format!("{} is not there: rustup component add clippy", clippy.display()));
    }
    Ok(sh.push_env("RUSTC_WORKSPACE_WRAPPER", clippy))
}

/// Formatting, and every program of tests compiled and linted, with the benches and this one: not a warning is let by.
fn compiled(sh: &Shell, programs: &[&str]) -> Outcome {
    cmd!(sh, "cargo fmt --all --check").run().map_err(text)?;
    let named = programs.iter().flat_map(|p| ["--test", p]);
    step("compile", || {
        let compile = cmd!(sh, "cargo test --quiet --workspace --benches --bin xtask {named...} --no-run");
        let said = compile.ignore_status().output().map_err(text)?;
        let told = String::from_utf8_lossy(&said.stderr);
        eprint!("{told}");
        if said.status.success() && !told.contains("warning:") { Ok(()) } else { Err("it does not compile without a warning".into()) }
    })
}

fn tests(sh: &Shell) -> Outcome {
    let _no_update = sh.push_env("INSTA_UPDATE", "no");
    for program in PROGRAMS {
        step(program, || cmd!(sh, "cargo test --quiet --workspace --test {program}").run().map_err(text))?;
    }
    step("examples", || cmd!(sh, "cargo test --quiet --workspace --doc").run().map_err(text))
}

/// A browser waits more than half of its time: two at once for each core keep it busy.
fn journeys(sh: &Shell, name: &[String]) -> Outcome {
    let at_once = std::thread::available_parallelism().map_or(2, |n| n.get() * 2).to_string();
    step("journeys", || cmd!(sh, "cargo test --quiet --workspace --test journeys -- --test-threads {at_once} {name...}").run().map_err(text))
}

/// Everything that must hold before a change lands.
pub fn test(sh: &Shell) -> Outcome {
    let _lints = linting(sh)?;
    let all: Vec<&str> = PROGRAMS.into_iter().chain(["journeys"]).collect();
    beside(sh, |sh| tools::browser(sh).and_then(|()| web_side(sh)), |sh| compiled(sh, &all).and_then(|()| tests(sh)))?;
    journeys(sh, &[])
}

/// The same, with every long trial at its whole length.
pub fn prove(sh: &Shell) -> Outcome {
    let _whole = sh.push_env("YOKE_PROVE", "1");
    test(sh)?;
    // Needs to be root; whoever is not is told so, and has had the rest.
    step("shop floor", || crate::run::shop_floor(sh))
}

/// The same without the browser.
pub fn quick(sh: &Shell) -> Outcome {
    let _lints = linting(sh)?;
    beside(sh, web_side, |sh| compiled(sh, &PROGRAMS).and_then(|()| tests(sh)))
}

/// Builds the web side and the server as they are now, then the journeys whose name holds what is said.
pub fn journey(sh: &Shell, name: &[String]) -> Outcome {
    beside(
        sh,
        |sh| tools::browser(sh).and_then(|()| tools::web(sh)),
        // Asked for as tests, programs of other packages are not built again: the server is asked for by itself.
        |sh| {
            step("compile", || {
                cmd!(sh, "cargo build --quiet --workspace --bins").run().map_err(text)?;
                cmd!(sh, "cargo test --quiet --workspace --test journeys --no-run").run().map_err(text)
            })
        },
    )?;
    journeys(sh, name)
}
