//! Instruments that stand in for real ones: a readout on the lathe that stands in, and a micrometer, each saying a line of text a reading over
//! a TCP port or a pseudo-terminal. Driven by commands typed at the terminal, by a script, or both.

use std::net::SocketAddr;
use std::path::PathBuf;
use std::process::ExitCode;
use std::time::Duration;
use tokio::io::{AsyncBufReadExt, AsyncWrite, AsyncWriteExt, BufReader};
use tokio::net::TcpListener;
use tokio::sync::broadcast;
use tokio::time::{Instant, interval, sleep};
use tokio_serial::{SerialPort, SerialStream};
use yoke_core::quantity::Ratio;
use yoke_standin::script::{LINES, read, read_line};
use yoke_standin::{Axis, DialFace, Lathe, Machine, Operator, Readout, Sees, Step};

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
    Readout(ReadoutArgs),
    /// A micrometer. Commands: `send MM`, or the figure alone; `wait SECONDS`.
    Micrometer(MicrometerArgs),
}

/// How it speaks, and what drives it.
#[derive(Debug, clap::Args)]
struct Speaks {
    /// The address it listens at.
    #[arg(long, default_value = "127.0.0.1:0")]
    tcp: SocketAddr,
    /// It speaks over a pseudo-terminal instead, whose path it prints.
    #[arg(long)]
    pty: bool,
    /// A file of commands, done one after another from the first listener on.
    #[arg(long)]
    script: Option<PathBuf>,
    /// It speaks in inches.
    #[arg(long)]
    inches: bool,
    /// Places after the point: 3 of a millimetre, 4 of an inch, unless told.
    #[arg(long)]
    places: Option<usize>,
}

#[derive(Debug, clap::Args)]
struct ReadoutArgs {
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
}

#[derive(Debug, clap::Args)]
struct MicrometerArgs {
    #[command(flatten)]
    speaks: Speaks,
    /// What a line looks like: {0} the reading, {u} the unit.
    #[arg(long, default_value = "{0}{u}")]
    line: String,
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

/// Runs one until it is stopped.
pub fn run(asked: StandIn) -> ExitCode {
    let done = tokio::runtime::Builder::new_current_thread().enable_all().build().map_err(|e| e.to_string()).and_then(|runtime| {
        runtime.block_on(async {
            match asked.what {
                What::Readout(args) => readout(args).await,
                What::Micrometer(args) => micrometer(args).await,
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

/// Its lines, and who listens to them.
struct Mouth {
    lines: broadcast::Sender<String>,
    listener: Option<TcpListener>,
    /// The other end of its pseudo-terminal, kept open so that it stays.
    _held: Option<SerialStream>,
}

impl Mouth {
    /// Opened, and where it is printed on standard output.
    async fn open(speaks: &Speaks) -> Result<Self, String> {
        let (lines, _) = broadcast::channel(256);
        if speaks.pty {
            let (ours, theirs) = SerialStream::pair().map_err(|e| format!("A pseudo-terminal cannot be had: {e}"))?;
            println!("{}", theirs.name().unwrap_or_default());
            tokio::spawn(speak(ours, lines.subscribe()));
            return Ok(Self { lines, listener: None, _held: Some(theirs) });
        }
        let listener = TcpListener::bind(speaks.tcp).await.map_err(|e| format!("{} cannot be had: {e}", speaks.tcp))?;
        println!("{}", listener.local_addr().map_err(|e| e.to_string())?);
        Ok(Self { lines, listener: Some(listener), _held: None })
    }

    /// One more listener; never of a pseudo-terminal.
    async fn heard(&self) {
        match &self.listener {
            None => std::future::pending().await,
            Some(listener) => {
                if let Ok((stream, _)) = listener.accept().await {
                    tokio::spawn(speak(stream, self.lines.subscribe()));
                }
            }
        }
    }

    /// Waits for who listens first.
    async fn first(&self) {
        if self.listener.is_some() {
            self.heard().await;
        }
    }
}

/// Says every line to one listener until it goes; what it is too slow for is left out.
async fn speak(mut to: impl AsyncWrite + Unpin, mut lines: broadcast::Receiver<String>) {
    loop {
        match lines.recv().await {
            Ok(line) if to.write_all(format!("{line}\r\n").as_bytes()).await.is_err() => return,
            Ok(_) | Err(broadcast::error::RecvError::Lagged(_)) => {}
            Err(broadcast::error::RecvError::Closed) => return,
        }
    }
}

fn script_of(speaks: &Speaks) -> Result<String, String> {
    speaks.script.as_ref().map_or_else(|| Ok(String::new()), |file| std::fs::read_to_string(file).map_err(|e| format!("{}: {e}", file.display())))
}

async fn readout(args: ReadoutArgs) -> Result<(), String> {
    let steps = read(&script_of(&args.speaks)?).map_err(|unread| unread.iter().map(ToString::to_string).collect::<Vec<_>>().join("\n"))?;
    let machine = Machine {
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
    };
    let mut readout = Readout::new(args.axes, args.line, args.seed);
    readout.inches = args.speaks.inches;
    readout.places = args.speaks.places.unwrap_or(if readout.inches { 4 } else { 3 }).min(9);
    readout.noise_mm = args.noise.clamp(0.0, 10.0);
    let mut operator = Operator::new(Lathe::new(machine, args.carriage, [0.0; 2]), readout, args.seed);
    let mouth = Mouth::open(&args.speaks).await?;
    mouth.first().await;
    operator.told(steps);
    let began = Instant::now();
    let mut every = interval(Duration::from_millis(args.interval));
    let mut typed = BufReader::new(tokio::io::stdin()).lines();
    let (mut listens, mut done) = (true, args.speaks.script.is_none());
    loop {
        tokio::select! {
            _ = every.tick() => {
                let now = began.elapsed().as_secs_f64();
                operator.advance(now);
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
            line = typed.next_line(), if listens => match line {
                Ok(Some(line)) => match read_line(&line) {
                    Ok(step) => operator.told(step),
                    Err(why) => eprintln!("{why}"),
                },
                _ => listens = false,
            }
        }
    }
}

async fn micrometer(args: MicrometerArgs) -> Result<(), String> {
    let mouth = Mouth::open(&args.speaks).await?;
    let places = args.speaks.places.unwrap_or(if args.speaks.inches { 4 } else { 3 }).min(9);
    let said = |mm: f64| {
        let (shown, unit) = if args.speaks.inches { (mm / 25.4, "in") } else { (mm, "mm") };
        args.line.replace("{0}", &format!("{shown:.places$}")).replace("{u}", unit)
    };
    let script = script_of(&args.speaks)?;
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
