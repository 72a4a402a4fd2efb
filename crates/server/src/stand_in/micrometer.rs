//! A micrometer that stands in.

use super::mouth::{Mouth, Speaks};
use std::time::Duration;
use tokio::io::{AsyncBufReadExt, BufReader};
use tokio::time::sleep;
use yoke_standin::Step;
use yoke_standin::script::read_line;

#[derive(Debug, clap::Args)]
pub struct MicrometerArgs {
    #[command(flatten)]
    speaks: Speaks,
    /// What a line looks like: {0} the reading, {u} the unit.
    #[arg(long, default_value = "{0}{u}")]
    line: String,
}

/// A reading as it is said.
pub fn reading(line: &str, mm: f64, speaks: &Speaks) -> String {
    let (shown, unit) = if speaks.inches { (mm / 25.4, "in") } else { (mm, "mm") };
    line.replace("{0}", &format!("{shown:.*}", speaks.places())).replace("{u}", unit)
}

/// Speaks until it is stopped.
pub async fn micrometer(args: MicrometerArgs) -> Result<(), String> {
    let mouth = Mouth::open(&args.speaks).await?;
    let said = |mm: f64| reading(&args.line, mm, &args.speaks);
    let script = args.speaks.script()?;
    mouth.first().await;
    for line in script.lines() {
        told(&mouth, line, &said).await;
    }
    let mut typed = BufReader::new(tokio::io::stdin()).lines();
    let mut listens = true;
    loop {
        tokio::select! {
            () = mouth.heard() => {}
            line = typed.next_line(), if listens => match line {
                Ok(Some(line)) => told(&mouth, &line, &said).await,
                _ => listens = false,
            }
        }
    }
}

/// One line told to the micrometer.
async fn told(mouth: &Mouth, line: &str, said: &impl Fn(f64) -> String) {
    let line = line.trim_start_matches("send").trim();
    let sends = line.parse::<f64>().ok().filter(|mm| mm.abs() < 1e4);
    match (sends, read_line(line)) {
        (Some(mm), _) => {
            let _ = mouth.lines.send(said(mm));
        }
        (None, Ok(Some(Step::Until(yoke_standin::Cue::Seconds(s))))) => sleep(Duration::from_secs_f64(s.min(3600.0))).await,
        (None, Ok(None)) => {}
        (None, _) => eprintln!("`{line}` is not understood: `send MM`, a figure in mm, or `wait SECONDS`"),
    }
}
