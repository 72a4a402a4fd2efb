//! The project's commands. Two do all the set-up on a fresh machine: `demo` and `test`.

mod api;
mod check;
mod dist;
mod run;
mod tools;

use std::path::Path;
use std::process::ExitCode;
use xshell::Shell;

/// Nothing, or why not.
type Outcome = Result<(), String>;

const COMMANDS: &str = "\
demo              builds the app and serves the Alder Reach yard; what follows goes to it (--fresh, --port N)
test              everything that must hold before a change lands
prove             the same with every long trial at its whole length
quick             the same without the browser
journey [NAME]    builds what it drives, then the browser journeys whose name holds NAME
dev               the server and the web side, both built again as their sources change
api               writes the API's description and the web side's types from it
shots [NAME]      one picture of each main view into docs/screenshots
bench             speeds and sizes, as the README reports them
shop-floor        the door tried on a network of this machine's own, as root: a desk and two tablets in namespaces
dist              what goes out of the house: binary, archive, Debian package, under target/shipped
try-package       that package tried in a clean root, as root";

fn main() -> ExitCode {
    let outcome = Shell::new().map_err(text).and_then(|sh| {
        sh.change_dir(Path::new(env!("CARGO_MANIFEST_DIR")).join("../.."));
        let mut words = std::env::args().skip(1);
        let command = words.next().unwrap_or_default();
        let more: Vec<String> = words.filter(|w| w != "--").collect();
        match command.as_str() {
            "demo" => run::demo(&sh, &more),
            "test" => check::test(&sh),
            "prove" => check::prove(&sh),
            "quick" => check::quick(&sh),
            "journey" => check::journey(&sh, &more),
            "dev" => run::dev(&sh, &more),
            "api" => api::write(&sh),
            "shots" => run::shots(&sh, &more),
            "bench" => run::bench(&sh),
            "dist" => dist::dist(&sh),
            "try-package" => dist::try_package(&sh),
            "shop-floor" => run::shop_floor(&sh),
            _ => Err(format!("say one of:\n{COMMANDS}")),
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
