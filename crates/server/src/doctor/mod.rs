//! `yoke-turn doctor`: where everything lies, how it stands, and what is wrong with it. It changes nothing.

mod cables;
mod data;
mod line;
mod serving;

use line::{Line, Stands};
use std::path::Path;
use std::process::ExitCode;

/// Everything worth looking at, of a folder and the port asked for.
fn looked(folder: &Path, port: u16) -> Vec<Line> {
    let mut lines = vec![Line::right(
        "Version",
        format!("Yoke Turn {}, reckoning {}, database version {}", env!("CARGO_PKG_VERSION"), yoke_core::plan::ENGINE, yoke_store::NEWEST),
    )];
    lines.push(data::folder(folder));
    let (database, sheets) = data::database(folder);
    lines.extend(database);
    lines.extend(data::copies(folder));
    let (served, line) = serving::port(folder, port);
    lines.push(line);
    lines.extend(serving::door(folder));
    lines.extend(cables::all(&sheets, served));
    lines.push(serving::browser());
    lines
}

/// Looks, and says it: a line a thing, or JSON. It fails where something is wrong.
pub fn run(folder: &Path, port: u16, as_json: bool) -> ExitCode {
    let lines = looked(folder, port);
    if as_json {
        println!("{}", serde_json::to_string_pretty(&lines).unwrap_or_default());
    } else {
        for Line { stands, about, says } in &lines {
            let mark = match stands {
                Stands::Right => "ok   ",
                Stands::Note => "note ",
                Stands::Wrong => "WRONG",
            };
            println!("{mark}  {about:<12}  {says}");
        }
    }
    if lines.iter().any(|l| l.stands == Stands::Wrong) { ExitCode::FAILURE } else { ExitCode::SUCCESS }
}
