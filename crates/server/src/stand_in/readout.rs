//! A readout that stands in, on the lathe that stands in.

use super::job::{JobArgs, steps};
use super::micrometer::reading;
use super::mouth::{Mouth, Speaks};
use std::time::Duration;
use tokio::io::{AsyncBufReadExt, BufReader};
use tokio::time::{Instant, interval};
use yoke_core::quantity::Ratio;
use yoke_core::rehearse::Rehearsed;
use yoke_standin::{Axis, DialFace, Lathe, Machine, Operator, Readout, Sees, Step};

#[derive(Debug, clap::Args)]
pub struct ReadoutArgs {
    #[command(flatten)]
    speaks: Speaks,
    /// Its axes in order: cross, compound, carriage; `-` before one that counts the other way, `:diameter` after one that shows diameter.
    #[arg(long, default_value = "cross,carriage", value_delimiter = ',', value_parser = axis, allow_hyphen_values = true)]
    axes: Vec<Axis>,
    /// What a line looks like: {0}, {1} the axes, {u} the unit.
    #[arg(long, default_value = "X{0} Z{1}")]
    line: String,
    /// Milliseconds between two lines.
    #[arg(long, default_value_t = 50, value_parser = clap::value_parser!(u64).range(1..=10_000))]
    interval: u64,
    /// How unsteady it is, mm.
    #[arg(long, default_value_t = 0.0)]
    noise: f64,
    /// What is random about it follows from this.
    #[arg(long, default_value_t = 1)]
    seed: u64,
    /// Pitch of the leadscrew, mm, as a fraction.
    #[arg(long, default_value = "6", value_parser = over_nought)]
    screw: Ratio,
    /// Leadscrew turns a turn of the spindle, as a fraction.
    #[arg(long, default_value = "5/12", value_parser = over_nought)]
    turns: Ratio,
    /// Lost motion at the carriage, mm.
    #[arg(long, default_value_t = 0.2)]
    play: f64,
    /// Lean of the compound from the cross-slide's line, degrees.
    #[arg(long, default_value_t = 0.0)]
    lean: f64,
    /// Where the carriage stands at first, mm.
    #[arg(long, default_value_t = 50.0)]
    carriage: f64,
    #[command(flatten)]
    job: JobArgs,
}

fn axis(told: &str) -> Result<Axis, String> {
    let (name, diameter) = told.strip_suffix(":diameter").map_or((told, false), |name| (name, true));
    let (name, reversed) = name.strip_prefix('-').map_or((name, false), |name| (name, true));
    let sees = match name {
        "cross" => Sees::Cross,
        "compound" => Sees::Compound,
        "carriage" => Sees::Carriage,
        other => return Err(format!("`{other}` is no axis: cross, compound or carriage")),
    };
    Ok(Axis { sees, reversed, diameter })
}

fn over_nought(told: &str) -> Result<Ratio, String> {
    let read: Option<Ratio> = told.parse().ok().filter(|r| *r > Ratio::from_integer(0) && *r < Ratio::from_integer(1000));
    read.ok_or_else(|| format!("`{told}` is no fraction over 0 and under 1000, as 5/12"))
}

/// Whoever listens to a micrometer beside it.
async fn heard(gauge: Option<&Mouth>) {
    match gauge {
        Some(gauge) => gauge.heard().await,
        None => std::future::pending().await,
    }
}

/// The lathe it sits on, where no job tells.
fn machine(args: &ReadoutArgs) -> Machine {
    Machine {
        screw_mm: args.screw,
        turns: -args.turns,
        play_mm: args.play.clamp(0.0, 10.0),
        dial: Some(DialFace { teeth: 20, marks: 4 }),
        spin_up_s: 0.4,
        coast: [0.4, 100.0 / 60.0],
        chuck_screwed: false,
        slide_play_mm: [0.1; 2],
        lean_deg: args.lean.clamp(-90.0, 90.0),
        cuts: -1.0,
    }
}

/// What a script tells, line by line; every line that does not read is named.
fn script(speaks: &Speaks, job: &mut Option<Rehearsed>) -> Result<Vec<Step>, String> {
    let text = speaks.script()?;
    let read = text.lines().enumerate().map(|(i, line)| steps(line, job).map_err(|why| format!("line {}: {why}", i + 1)));
    let (told, unread): (Vec<_>, Vec<_>) = read.partition(Result::is_ok);
    if unread.is_empty() {
        return Ok(told.into_iter().flat_map(Result::unwrap_or_default).collect());
    }
    Err(unread.into_iter().filter_map(Result::err).collect::<Vec<_>>().join("\n"))
}

/// Says what was read over the wires.
fn measured(read: Option<f64>, gauge: Option<&Mouth>, speaks: &Speaks) {
    let Some(mm) = read else { return eprintln!("nothing here holds the wires") };
    let says = reading("{0} {u}", mm, speaks);
    match gauge {
        // Nobody may be listening just now.
        Some(gauge) => drop(gauge.lines.send(says)),
        None => eprintln!("over the wires {says}"),
    }
}

/// Speaks until it is stopped.
pub async fn readout(args: ReadoutArgs) -> Result<(), String> {
    let mut job = args.job.read()?;
    let lathe = job.as_ref().map_or_else(|| Lathe::new(machine(&args), args.carriage, [0.0; 2]), |job| job.lathe.clone());
    let started_s = lathe.now_s();
    let script = script(&args.speaks, &mut job)?;
    let played = if args.job.plays() { job.as_mut().map(|job| std::mem::take(&mut job.begins)) } else { None };
    let mut readout = Readout::new(args.axes, args.line, args.seed);
    readout.inches = args.speaks.inches;
    readout.places = args.speaks.places();
    readout.noise_mm = args.noise.clamp(0.0, 10.0);
    let mut operator = Operator::new(lathe, readout, args.seed);
    if let Some(part) = job.as_ref().and_then(|job| job.part.clone()) {
        operator = operator.with_part(part);
    }
    let mouth = Mouth::open(&args.speaks).await?;
    let gauge = match args.job.micrometer {
        Some(address) => Some(Mouth::at(address, "micrometer ").await?),
        None => None,
    };
    mouth.first().await;
    let (mut listens, mut done) = (true, args.speaks.script.is_none() && played.is_none());
    operator.told(script.into_iter().chain(played.into_iter().flatten()));
    let began = Instant::now();
    let mut every = interval(Duration::from_millis(args.interval));
    let mut typed = BufReader::new(tokio::io::stdin()).lines();
    loop {
        tokio::select! {
            _ = every.tick() => {
                let now = started_s + began.elapsed().as_secs_f64();
                operator.advance(now);
                operator.measured().into_iter().for_each(|read| measured(read, gauge.as_ref(), &args.speaks));
                let stands = operator.lathe.stands();
                // Nobody may be listening just now.
                let _ = operator.readout.says(now, &stands).map(|line| mouth.lines.send(line));
                for (act, why) in operator.refused() {
                    eprintln!("not done: {act:?}, {why:?}");
                }
                if !done && operator.done() {
                    done = true;
                    eprintln!("the script is done");
                }
            }
            () = mouth.heard() => {}
            () = heard(gauge.as_ref()) => {}
            line = typed.next_line(), if listens => match line {
                Ok(Some(line)) => match steps(&line, &mut job) {
                    Ok(steps) => operator.told(steps),
                    Err(why) => eprintln!("{why}"),
                },
                _ => listens = false,
            }
        }
    }
}
