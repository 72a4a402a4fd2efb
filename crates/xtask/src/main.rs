//! The project's commands: `demo`, `test`, `api`, `shots`, `bench`.

use std::path::Path;
use std::process::ExitCode;
use xshell::{Shell, cmd};

type Outcome = Result<(), String>;

fn main() -> ExitCode {
    let outcome = Shell::new().map_err(text).and_then(|sh| {
        sh.change_dir(Path::new(env!("CARGO_MANIFEST_DIR")).join("../.."));
        match std::env::args().nth(1).as_deref() {
            Some("demo") => demo(&sh),
            Some("test") => test(&sh),
            Some("api") => api(&sh),
            Some("shots") => shots(&sh),
            Some("bench") => bench(&sh),
            _ => Err("say one of: demo, test, api, shots, bench".into()),
        }
    });
    match outcome {
        Ok(()) => ExitCode::SUCCESS,
        Err(why) => {
            eprintln!("xtask: {why}");
            ExitCode::FAILURE
        }
    }
}

fn text(error: impl std::fmt::Display) -> String {
    error.to_string()
}

/// Node's packages, only when the lock file is newer than what is installed.
fn npm(sh: &Shell) -> Outcome {
    cmd!(sh, "node --version").quiet().ignore_stdout().run().map_err(|_| "Node is not installed: install Node 20 or newer, with npm".to_owned())?;
    let written = |path: &str| std::fs::metadata(sh.current_dir().join(path)).and_then(|m| m.modified()).ok();
    let installed = written("web/node_modules/.package-lock.json");
    if installed.is_none() || installed < written("web/package-lock.json") {
        let _in = sh.push_dir("web");
        cmd!(sh, "npm ci --no-audit --no-fund").run().map_err(text)?;
    }
    Ok(())
}

fn web(sh: &Shell) -> Outcome {
    npm(sh)?;
    let _in = sh.push_dir("web");
    cmd!(sh, "npm run --silent build").run().map_err(text)
}

/// Builds the app and serves the demo yard.
fn demo(sh: &Shell) -> Outcome {
    web(sh)?;
    cmd!(sh, "cargo build --release -p yoke-turn").run().map_err(text)?;
    let more: Vec<String> = std::env::args().skip(2).filter(|a| a != "--").collect();
    cmd!(sh, "target/release/yoke-turn --demo {more...}").run().map_err(text)
}

/// Everything that must hold before a change lands.
fn test(sh: &Shell) -> Outcome {
    browser(sh)?;
    npm(sh)?;
    cmd!(sh, "cargo fmt --all --check").run().map_err(text)?;
    web(sh)?;
    cmd!(sh, "cargo clippy --workspace --all-targets -- -D warnings").run().map_err(text)?;
    drift(sh)?;
    {
        let _in = sh.push_dir("web");
        cmd!(sh, "npm run --silent check").run().map_err(text)?;
        cmd!(sh, "npm run --silent lint").run().map_err(text)?;
    }
    let _no_update = sh.push_env("INSTA_UPDATE", "no");
    cmd!(sh, "cargo test --workspace").run().map_err(text)
}

/// Writes the API's description, the web side's types from it, and the schema of a shop file.
fn api(sh: &Shell) -> Outcome {
    npm(sh)?;
    let description = cmd!(sh, "cargo run --quiet -p yoke-turn -- openapi").read().map_err(text)?;
    sh.write_file("web/openapi.json", description + "\n").map_err(text)?;
    let schema = cmd!(sh, "cargo run --quiet -p yoke-turn -- schema").read().map_err(text)?;
    sh.write_file("docs/formats/shop.schema.json", schema + "\n").map_err(text)?;
    let _in = sh.push_dir("web");
    cmd!(sh, "npm run --silent api").run().map_err(text)
}

/// The committed API files must be what the code makes.
fn drift(sh: &Shell) -> Outcome {
    let files = ["web/openapi.json", "web/src/api/schema.d.ts", "docs/formats/shop.schema.json"];
    let read = || files.iter().map(|f| sh.read_file(f).unwrap_or_default()).collect::<Vec<_>>();
    let before = read();
    api(sh)?;
    if read() == before { Ok(()) } else { Err("the API changed: `cargo xtask api` has rewritten its types; commit them".into()) }
}

/// Browser tests need Chromium, ChromeDriver and pdftotext; they are installed when they can be, and never skipped.
fn browser(sh: &Shell) -> Outcome {
    let there = |program: &str| cmd!(sh, "{program} --version").quiet().ignore_stdout().ignore_stderr().run().is_ok();
    // pdftotext, which reads the printed sheets back, answers -v and not --version.
    let reads = cmd!(sh, "pdftotext -v").quiet().ignore_stdout().ignore_stderr().run().is_ok();
    if there("chromium") && there("chromedriver") && reads {
        return Ok(());
    }
    let missing = "Chromium, ChromeDriver or pdftotext is missing. Install Debian's packages: apt-get install chromium chromium-driver poppler-utils";
    if cmd!(sh, "id -u").quiet().read().map_err(text)?.trim() != "0" {
        return Err(missing.into());
    }
    let _quiet = sh.push_env("DEBIAN_FRONTEND", "noninteractive");
    cmd!(sh, "apt-get update -qq").run().map_err(|e| format!("{missing} ({e})"))?;
    cmd!(sh, "apt-get install -y -qq --no-install-recommends chromium chromium-driver poppler-utils").run().map_err(|e| format!("{missing} ({e})"))
}

/// Takes one picture of each main view into docs/screenshots.
fn shots(sh: &Shell) -> Outcome {
    browser(sh)?;
    web(sh)?;
    cmd!(sh, "cargo build -p yoke-turn").run().map_err(text)?;
    cmd!(sh, "cargo run -p yoke-e2e --bin shots").run().map_err(text)
}

/// Speeds and sizes, as the README reports them.
fn bench(sh: &Shell) -> Outcome {
    web(sh)?;
    cmd!(sh, "cargo bench -p yoke-core").run().map_err(text)?;
    cmd!(sh, "cargo build --release -p yoke-turn").run().map_err(text)?;
    cmd!(sh, "cargo run --release -p yoke-e2e --bin sizes").run().map_err(text)
}
