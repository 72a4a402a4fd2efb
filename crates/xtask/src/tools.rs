//! What the machine must have, and getting it: Node's packages, the browser.

use crate::{Outcome, text};
use std::path::PathBuf;
use xshell::{Shell, cmd};

/// Where cargo puts what it builds.
pub fn target(sh: &Shell) -> PathBuf {
    sh.var_os("CARGO_TARGET_DIR").map_or_else(|| sh.current_dir().join("target"), PathBuf::from)
}

/// Oldest Node that serves, as `engines` in web/package.json says too.
const NODE: u32 = 20;
const GET_NODE: &str = "Get it from your system's packages or nodejs.org";

/// Node is there and new enough.
fn node(sh: &Shell) -> Outcome {
    let said =
        cmd!(sh, "node --version").quiet().ignore_stderr().read().map_err(|_| format!("Node is not installed. {GET_NODE}: {NODE} or newer, with npm"))?;
    let major = said.trim_start_matches('v').split('.').next().and_then(|n| n.parse::<u32>().ok());
    match major {
        Some(n) if n >= NODE => Ok(()),
        _ => Err(format!("Node {said} is too old. {GET_NODE}: {NODE} or newer, with npm")),
    }
}

/// Node's packages, only when the lock file is newer than what is installed.
pub fn npm(sh: &Shell) -> Outcome {
    node(sh)?;
    let written = |path: &str| std::fs::metadata(sh.current_dir().join(path)).and_then(|m| m.modified()).ok();
    let installed = written("web/node_modules/.package-lock.json");
    if installed.is_none() || installed < written("web/package-lock.json") {
        let _in = sh.push_dir("web");
        cmd!(sh, "npm ci --no-audit --no-fund").run().map_err(text)?;
    }
    Ok(())
}

/// The web app, built.
pub fn web(sh: &Shell) -> Outcome {
    npm(sh)?;
    let _in = sh.push_dir("web");
    cmd!(sh, "npm run --silent build").run().map_err(text)
}

/// Browser tests need Chromium and its driver, and pdftotext to read printed sheets back. They are never skipped: what is missing is
/// said, and installed where that may be done.
pub fn browser(sh: &Shell) -> Outcome {
    // pdftotext answers -v and not --version.
    let wanted = ["chromium --version", "chromedriver --version", "pdftotext -v"];
    packages(sh, &wanted, &["chromium", "chromium-driver", "poppler-utils"])
}

/// A network of this machine's own needs namespaces, and the store a browser trusts.
pub fn floor(sh: &Shell) -> Outcome {
    packages(sh, &["ip -V", "certutil --help", "curl --version", "openssl version"], &["iproute2", "libnss3-tools", "curl", "openssl"])
}

/// Debian's packages, where what they bring does not answer.
pub fn packages(sh: &Shell, wanted: &[&str], packages: &[&str]) -> Outcome {
    let there = |line: &&&str| {
        let words: Vec<&str> = line.split(' ').collect();
        let (program, asked) = (words[0], &words[1..]);
        // Some answer with an error, and are there all the same.
        cmd!(sh, "{program} {asked...}").quiet().ignore_status().ignore_stdout().ignore_stderr().run().is_ok()
    };
    let missing: Vec<&str> = wanted.iter().filter(|w| !there(w)).filter_map(|line| line.split(' ').next()).collect();
    if missing.is_empty() {
        return Ok(());
    }
    let (missing, get) = (missing.join(", "), format!("apt-get install {}", packages.join(" ")));
    if cmd!(sh, "id -u").quiet().read().map_err(text)?.trim() != "0" {
        return Err(format!("missing: {missing}. Install Debian's packages: {get}"));
    }
    eprintln!("xtask: missing: {missing}; installing Debian's packages: {get}");
    let _quiet = sh.push_env("DEBIAN_FRONTEND", "noninteractive");
    let failed = |e: xshell::Error| format!("missing: {missing}, and `{get}` failed ({e})");
    cmd!(sh, "apt-get update -qq").run().map_err(failed)?;
    cmd!(sh, "apt-get install -y -qq --no-install-recommends {packages...}").ignore_stdout().run().map_err(failed)
}
