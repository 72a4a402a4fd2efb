//! The command line beside the server: `plan`, `openapi`, `schema`, `backup`, `restore`, and what a package ships of itself.

use crate::problem::Problem;
use crate::voice::Asked;
use serde_json::{Value, json};
use std::io::{Read, Write};
use std::path::Path;
use std::process::ExitCode;
use yoke_core::faults::{read_json, read_value};
use yoke_core::job::{PlanRequest, settle};
use yoke_core::plan::plan as reckon;
use yoke_store::{Store, StoreError};

/// Exit code for a request that was refused.
const REFUSED: u8 = 2;

/// Plans the request on standard input; problem JSON on standard error when it is refused.
pub fn plan(voice: Asked) -> ExitCode {
    let mut text = String::new();
    if let Err(error) = std::io::stdin().read_to_string(&mut text) {
        return refuse(&Problem::unreadable(error.to_string()));
    }
    let value = match read_value(text.as_bytes()) {
        Ok(value) => value,
        Err(error) => return refuse(&Problem::unreadable(error.to_string())),
    };
    let spoken = voice.of(&value);
    let (request, faults) = read_json::<PlanRequest>(value);
    match settle(&request.spoken(spoken), None, faults) {
        Ok((job, lathe, kit)) => print(&reckon(&job, &lathe, &kit)),
        Err(faults) => refuse(&Problem::faulty(faults)),
    }
}

/// Prints the API's description.
pub fn openapi() -> ExitCode {
    print(&crate::app::described())
}

/// Prints the JSON Schema of a shop file, made from the types the server reads it with.
pub fn schema() -> ExitCode {
    let text = match crate::app::described().to_json() {
        // An OpenAPI 3.1 schema is a JSON Schema but for where its parts stand.
        Ok(text) => text.replace("#/components/schemas/", "#/$defs/"),
        Err(error) => return refuse(&Problem::internal(error.to_string())),
    };
    let mut all: Value = match serde_json::from_str(&text) {
        Ok(all) => all,
        Err(error) => return refuse(&Problem::internal(error.to_string())),
    };
    let parts = all["components"]["schemas"].take();
    // Only what a shop file leads to.
    let (mut wanted, mut defs) = (vec!["ShopFile".to_owned()], serde_json::Map::new());
    while let Some(name) = wanted.pop() {
        if !defs.contains_key(&name) {
            leads_to(&parts[&name], &mut wanted);
            defs.insert(name.clone(), parts[&name].clone());
        }
    }
    let ids = json!({ "$schema": "https://json-schema.org/draft/2020-12/schema", "title": "A shop, as a file", "$ref": "#/$defs/ShopFile", "$defs": defs });
    print(&ids)
}

/// The parts a schema refers to.
fn leads_to(of: &Value, wanted: &mut Vec<String>) {
    match of {
        Value::Object(map) => {
            if let Some(name) = map.get("$ref").and_then(Value::as_str).and_then(|r| r.strip_prefix("#/$defs/")) {
                wanted.push(name.to_owned());
            }
            map.values().for_each(|v| leads_to(v, wanted));
        }
        Value::Array(list) => list.iter().for_each(|v| leads_to(v, wanted)),
        _ => {}
    }
}

/// Copies the whole shop into a new file.
pub fn backup(folder: &Path, file: &Path) -> ExitCode {
    let database = folder.join(crate::state::DATABASE);
    if !database.exists() {
        eprintln!("{}: there is no shop here yet, so nothing to copy", database.display());
        return ExitCode::from(REFUSED);
    }
    told(Store::open(&database).and_then(|store| store.backup(file)).map(|()| format!("Copied to {}.", file.display())))
}

/// Takes in what of such a file is not here yet; a copy of what is here is kept first.
pub fn restore(folder: &Path, file: &Path) -> ExitCode {
    if let Err(e) = std::fs::create_dir_all(folder) {
        eprintln!("The data folder {} cannot be made: {e}", folder.display());
        return ExitCode::FAILURE;
    }
    let took_in = Store::open_to_restore(&folder.join(crate::state::DATABASE)).and_then(|store| {
        let before = store.before_restore(folder)?;
        Ok((crate::file::restore(&store, file, folder)?, before))
    });
    told(took_in.map(|(t, before)| {
        let count = |n: usize, one: &str, many: &str| format!("{n} {}", if n == 1 { one } else { many });
        let kept = if t.kept > 0 { format!(" {} here differ from the copy, and stay as they are here.", t.kept) } else { String::new() };
        format!(
            "Taken in: {}, {}, {}, {}.{kept} As it was before: {}.",
            count(t.lathes, "lathe", "lathes"),
            count(t.jobs, "job", "jobs"),
            count(t.acts, "act", "acts"),
            count(t.photos, "photograph", "photographs"),
            before.display()
        )
    }))
}

/// Prints what completes the command in a shell.
pub fn completions(shell: clap_complete::Shell, command: &mut clap::Command) -> ExitCode {
    clap_complete::generate(shell, command, "yoke-turn", &mut std::io::stdout());
    ExitCode::SUCCESS
}

/// Writes the manual pages: the command's own, and one each of what it does.
pub fn manual(command: &clap::Command, folder: &Path) -> ExitCode {
    let pages = || {
        std::fs::create_dir_all(folder)?;
        clap_mangen::generate_to(command.clone(), folder)?;
        std::fs::File::options().append(true).open(folder.join("yoke-turn.1"))?.write_all(FILES.as_bytes())
    };
    match pages() {
        Ok(()) => ExitCode::SUCCESS,
        Err(e) => {
            eprintln!("The manual cannot be written into {}: {e}", folder.display());
            ExitCode::FAILURE
        }
    }
}

/// What the page says of files, as the page is written.
const FILES: &str = ".SH FILES
.TP
~/.local/share/yoke\\-turn
The shop: its database, its copies of the days, the authority of its door and the devices let in. Another with \\-\\-data. It is left alone when the program is removed.
.SH SEE ALSO
yoke\\-turn doctor says where everything lies and what is wrong.
";

fn told(outcome: Result<String, StoreError>) -> ExitCode {
    match outcome {
        Ok(says) => {
            println!("{says}");
            ExitCode::SUCCESS
        }
        Err(why) => {
            eprintln!("{why}");
            ExitCode::from(REFUSED)
        }
    }
}

fn print(value: &impl serde::Serialize) -> ExitCode {
    match serde_json::to_string_pretty(value) {
        Ok(text) => {
            println!("{text}");
            ExitCode::SUCCESS
        }
        Err(error) => refuse(&Problem::internal(error.to_string())),
    }
}

fn refuse(problem: &Problem) -> ExitCode {
    eprintln!("{}", serde_json::to_string_pretty(problem).unwrap_or_else(|_| problem.detail.clone()));
    ExitCode::from(REFUSED)
}
