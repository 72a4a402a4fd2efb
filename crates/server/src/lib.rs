//! Yoke Turn's server: the API over the core and the store, the door it is reached by, and the command line.
//!
//! The binary beside it gives it the web app's files and nothing else.

// A problem is made once for a request that fails; boxing it everywhere would buy nothing.
#![allow(clippy::result_large_err)]

mod acts;
mod api;
mod app;
mod batch;
mod bits;
mod body;
mod cache;
mod changing;
mod command;
mod day;
mod demo;
mod doctor;
mod door;
mod download;
pub mod drafting;
mod events;
mod file;
mod folder;
mod guard;
mod here;
mod instruments;
mod jobs;
mod kept;
mod lathes;
mod listen;
mod log;
mod members;
mod notices;
mod pace;
mod part_sheet;
mod parts;
mod planning;
mod problem;
mod rehearse;
mod route;
mod sheets;
mod shop;
mod stand_in;
mod state;
mod stored;
mod test_pieces;
mod voice;
mod web;
mod words;

pub use door::pairing::{Pairing, Told};
pub use jobs::merge;
pub use lathes::ids;

use crate::voice::{Asked, AskedUnit};
use clap::{Args, CommandFactory, Parser, Subcommand};
use std::borrow::Cow;
use std::path::{Path, PathBuf};
use std::process::ExitCode;
use yoke_core::words::Vocabulary;

/// From a callout to a measured thread on a manual lathe.
#[derive(Parser)]
#[command(name = "yoke-turn", version)]
struct Cli {
    #[command(subcommand)]
    command: Option<Command>,
    #[command(flatten)]
    serve: Serve,
}

#[derive(Subcommand)]
enum Command {
    /// Serve the app (the default).
    Serve(Serve),
    /// Read a plan request from standard input and print the plan.
    Plan(Spoken),
    /// Print the API's description.
    Openapi,
    /// Print the JSON Schema of a shop file.
    Schema,
    /// An instrument that stands in for a real one: a readout or a micrometer.
    StandIn(stand_in::StandIn),
    /// Copy the whole shop into a new file.
    Backup(Copy),
    /// Take in everything of such a file that is not here yet; what is here stays as it is.
    Restore(Copy),
    /// Say where everything lies and how it stands, and what is wrong; it changes nothing, and fails where something is wrong.
    Doctor(Doctor),
    /// Print what completes this command in a shell.
    Completions {
        /// The shell.
        shell: clap_complete::Shell,
    },
    /// Write the manual pages into a folder.
    Manual {
        /// The folder.
        folder: PathBuf,
    },
}

#[derive(Args)]
struct Spoken {
    /// Unit its texts are in: mm, in, or auto for the thread's own; as the request says when absent.
    #[arg(long)]
    unit: Option<AskedUnit>,
    /// Trade words: american, british or german; as the request says when absent.
    #[arg(long, value_parser = voice::words)]
    words: Option<Vocabulary>,
}

/// Whose folder is meant.
#[derive(Args)]
struct Shop {
    /// Folder the database is kept in; the user's data folder when absent.
    #[arg(long)]
    data: Option<PathBuf>,
    /// Use the Alder Reach demo yard's folder.
    #[arg(long)]
    demo: bool,
}

#[derive(Args)]
struct Copy {
    /// The file.
    file: PathBuf,
    #[command(flatten)]
    of: Shop,
}

#[derive(Args)]
struct Doctor {
    #[command(flatten)]
    of: Shop,
    /// Port the server is to have.
    #[arg(long, default_value_t = 4720)]
    port: u16,
    /// As JSON.
    #[arg(long)]
    json: bool,
}

#[derive(Args)]
struct Serve {
    /// Folder the database is kept in; the user's data folder when absent.
    #[arg(long)]
    data: Option<PathBuf>,
    /// Port on 127.0.0.1; 0 takes a free one.
    #[arg(long, default_value_t = 4720)]
    port: u16,
    /// Use the Alder Reach demo yard, in a folder of its own.
    #[arg(long)]
    demo: bool,
    /// With --demo: begin the demo yard afresh.
    #[arg(long, requires = "demo")]
    fresh: bool,
    /// Open the door to the shop's network too: HTTPS on this machine's own addresses, for devices that are let in by a code.
    #[arg(long)]
    shop: bool,
    /// Port of that; 0 takes a free one.
    #[arg(long, default_value_t = 4721)]
    shop_port: u16,
    /// Port that serves the shop's authority over plain HTTP and nothing else; 0 takes a free one.
    #[arg(long, default_value_t = 4722)]
    trust_port: u16,
    /// Do not announce this machine's name on that network by multicast.
    #[arg(long)]
    no_announce: bool,
    /// Open the page in the desk's browser; of the server that runs already, where one does.
    #[arg(long)]
    open: bool,
}

/// A file of the web app by its path.
pub type Files = fn(&str) -> Option<Cow<'static, [u8]>>;

/// The command line: serves, or does one of the other commands, and says how it went.
#[must_use]
pub fn main(files: Files) -> ExitCode {
    let cli = Cli::parse();
    match cli.command {
        Some(Command::Plan(Spoken { unit, words })) => command::plan(Asked::new(unit, words)),
        Some(Command::Openapi) => command::openapi(),
        Some(Command::Schema) => command::schema(),
        Some(Command::Backup(copy)) => with_folder(copy.of.data, copy.of.demo, |folder| command::backup(&folder, &copy.file)),
        Some(Command::Restore(copy)) => with_folder(copy.of.data, copy.of.demo, |folder| command::restore(&folder, &copy.file)),
        Some(Command::Doctor(asked)) => with_folder(asked.of.data, asked.of.demo, |folder| doctor::run(&folder, asked.port, asked.json)),
        Some(Command::Completions { shell }) => command::completions(shell, &mut Cli::command()),
        Some(Command::Manual { folder }) => command::manual(&Cli::command(), &folder),
        Some(Command::StandIn(asked)) => stand_in::run(asked),
        Some(Command::Serve(serve)) => run(serve, files),
        None => run(cli.serve, files),
    }
}

fn run(serve: Serve, files: Files) -> ExitCode {
    tracing_subscriber::fmt()
        .with_env_filter(tracing_subscriber::EnvFilter::try_from_default_env().unwrap_or_else(|_| "yoke_server=info,tower_http=warn".into()))
        .with_writer(std::io::stderr)
        .init();
    with_folder(serve.data.clone(), serve.demo, |folder| serve_from(&folder, &serve, files))
}

/// Does something with the data folder: the one named, else the user's own, the demo yard's apart from it.
fn with_folder(data: Option<PathBuf>, demo: bool, work: impl FnOnce(PathBuf) -> ExitCode) -> ExitCode {
    let folder = data.or_else(|| {
        let dirs = directories::ProjectDirs::from("", "", "yoke-turn")?;
        Some(if demo { dirs.data_dir().join("demo") } else { dirs.data_dir().to_owned() })
    });
    folder.map_or_else(
        || {
            eprintln!("There is no data folder on this machine; name one with --data DIR.");
            ExitCode::FAILURE
        },
        work,
    )
}

fn serve_from(folder: &Path, serve: &Serve, files: Files) -> ExitCode {
    let outcome = tokio::runtime::Builder::new_multi_thread()
        .enable_all()
        .build()
        .map_err(|e| e.to_string())
        .and_then(|runtime| runtime.block_on(app::serve(folder, serve, files)));
    match outcome {
        Ok(()) => ExitCode::SUCCESS,
        Err(why) => {
            eprintln!("{why}");
            ExitCode::FAILURE
        }
    }
}
