//! Yoke Turn: single-point threading on a manual lathe, from callout to measured thread.

// A problem is made once for a request that fails; boxing it everywhere would buy nothing.
#![allow(clippy::result_large_err)]

mod acts;
mod app;
mod bits;
mod command;
mod day;
mod demo;
mod drafting;
mod events;
mod guard;
mod jobs;
mod lathes;
mod planning;
mod problem;
mod sheets;
mod shop;
mod web;

use clap::{Args, Parser, Subcommand};
use std::path::PathBuf;
use std::process::ExitCode;

/// From a callout to a measured thread on a manual lathe.
#[derive(Parser)]
#[command(version)]
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
    Plan,
    /// Print the API's description.
    Openapi,
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
}

fn main() -> ExitCode {
    let cli = Cli::parse();
    match cli.command {
        Some(Command::Plan) => command::plan(),
        Some(Command::Openapi) => command::openapi(),
        Some(Command::Serve(serve)) => run(serve),
        None => run(cli.serve),
    }
}

fn run(serve: Serve) -> ExitCode {
    tracing_subscriber::fmt()
        .with_env_filter(tracing_subscriber::EnvFilter::try_from_default_env().unwrap_or_else(|_| "yoke_turn=info,tower_http=warn".into()))
        .with_writer(std::io::stderr)
        .init();
    let folder = serve.data.or_else(|| {
        let dirs = directories::ProjectDirs::from("", "", "yoke-turn")?;
        Some(if serve.demo { dirs.data_dir().join("demo") } else { dirs.data_dir().to_owned() })
    });
    let Some(folder) = folder else {
        eprintln!("There is no data folder on this machine; name one with --data DIR.");
        return ExitCode::FAILURE;
    };
    let outcome = tokio::runtime::Builder::new_multi_thread()
        .enable_all()
        .build()
        .map_err(|e| e.to_string())
        .and_then(|runtime| runtime.block_on(app::serve(&folder, serve.port, serve.demo, serve.fresh)));
    match outcome {
        Ok(()) => ExitCode::SUCCESS,
        Err(why) => {
            eprintln!("{why}");
            ExitCode::FAILURE
        }
    }
}
