//! Instruments that stand in for real ones: a readout on the lathe that stands in, and a micrometer, each saying a line of text a reading over
//! a TCP port or a pseudo-terminal. Driven by commands typed at the terminal, by a script, or by a job rehearsed.

mod job;
mod micrometer;
mod mouth;
mod readout;

use std::process::ExitCode;
use yoke_standin::script::LINES;

/// Instruments that stand in for real ones.
#[derive(Debug, clap::Args)]
pub struct StandIn {
    #[command(subcommand)]
    what: What,
}

#[derive(Debug, clap::Subcommand)]
enum What {
    /// A readout on a lathe that stands in. Commands, typed or in a script, one a line: see --help.
    #[command(after_help = LINES)]
    Readout(Box<readout::ReadoutArgs>),
    /// A micrometer. Commands: `send MM`, or the figure alone; `wait SECONDS`.
    Micrometer(micrometer::MicrometerArgs),
}

/// Runs one until it is stopped.
pub fn run(asked: StandIn) -> ExitCode {
    let done = tokio::runtime::Builder::new_current_thread().enable_all().build().map_err(|e| e.to_string()).and_then(|runtime| {
        runtime.block_on(async {
            match asked.what {
                What::Readout(args) => readout::readout(*args).await,
                What::Micrometer(args) => micrometer::micrometer(args).await,
            }
        })
    });
    match done {
        Ok(()) => ExitCode::SUCCESS,
        Err(why) => {
            eprintln!("{why}");
            ExitCode::from(2)
        }
    }
}
