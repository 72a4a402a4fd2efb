//! A job on the lathe that stands in: its passes one after another, or a drill of its rehearsal played.

use std::net::SocketAddr;
use std::path::PathBuf;
use yoke_core::faults::{read_json, read_value};
use yoke_core::job::{PlanRequest, settle};
use yoke_core::plan::plan;
use yoke_core::rehearse::{Drill, Rehearsed, begin, on, played, whole_run};
use yoke_standin::Step;
use yoke_standin::script::read_line;

/// What is on the lathe.
#[derive(Debug, clap::Args)]
pub struct JobArgs {
    /// A job as `yoke-turn plan` reads it: the lathe is set up as it says, the point at the crest. `run` then does all its passes, `pass` the next.
    #[arg(long)]
    plan: Option<PathBuf>,
    /// A drill of its rehearsal in the place of its passes, played from the first listener on: stop_open, cycle, …
    #[arg(long, requires = "plan")]
    drill: Option<String>,
    /// Which way it goes: right, late, nobody, …
    #[arg(long, requires = "drill", default_value = "right")]
    goes: String,
    /// Share of every cut that tool and work give way by.
    #[arg(long, requires = "plan", default_value_t = 0.0)]
    springs: f64,
    /// What a turn in metal takes off the tip, mm.
    #[arg(long, requires = "plan", default_value_t = 0.0)]
    wears: f64,
    /// The address at which a micrometer says what `measure` reads of the thread as it is cut.
    #[arg(long, requires = "plan")]
    pub micrometer: Option<SocketAddr>,
}

/// Where what is played begins: always the same.
const SEED: u32 = 1;

impl JobArgs {
    /// Whether a drill is played.
    pub const fn plays(&self) -> bool {
        self.drill.is_some()
    }

    /// The job; nothing where none was named.
    pub fn read(&self) -> Result<Option<Rehearsed>, String> {
        let Some(file) = &self.plan else { return Ok(None) };
        let at = |why: String| format!("{}: {why}", file.display());
        let text = std::fs::read(file).map_err(|e| at(e.to_string()))?;
        let value = read_value(&text).map_err(|e| at(e.to_string()))?;
        let (request, faults) = read_json::<PlanRequest>(value);
        let settled = settle(&request, None, faults);
        let (job, lathe, kit) = settled.map_err(|faults| faults.iter().map(|f| at(format!("{} {}", f.pointer, f.detail))).collect::<Vec<_>>().join("\n"))?;
        let whole = plan(&job, &lathe, &kit);
        let pointed = whole.pointed().ok_or_else(|| at("this thread is not cut by a single point".to_owned()))?;
        let mut rehearsed = match &self.drill {
            None => whole_run(&pointed, &job, &lathe),
            Some(name) => {
                let drill: Drill = serde_json::from_value(name.as_str().into()).map_err(|_| format!("`{name}` is no drill, as stop_open or cycle"))?;
                let played = on(drill, &pointed, (&job, &lathe, &kit), |pointed, job| played(&begin(drill, pointed, job, &lathe, SEED), &self.goes, pointed));
                let played = played.ok_or_else(|| format!("this job has no drill `{name}`"))?;
                played.ok_or_else(|| format!("`{}` is no way `{name}` is played", self.goes))?
            }
        };
        if let Some(part) = &mut rehearsed.part {
            (part.tool.springs, part.tool.wears_mm) = (self.springs.clamp(0.0, 0.95), self.wears.clamp(0.0, 0.1));
        }
        Ok(Some(rehearsed))
    }
}

/// What one line tells: of a job its next pass or all of them, else what any script says.
pub fn steps(line: &str, job: &mut Option<Rehearsed>) -> Result<Vec<Step>, String> {
    let word = line.split('#').next().unwrap_or_default().trim();
    let how_many = match word {
        "run" => usize::MAX,
        "pass" => 1,
        _ => return read_line(line).map(|step| step.into_iter().collect()),
    };
    let job = job.as_mut().ok_or_else(|| format!("`{word}` of what: name a job with --plan"))?;
    if job.passes.is_empty() {
        return Err("no pass of this job is left".to_owned());
    }
    let most = how_many.min(job.passes.len());
    Ok(std::mem::take(&mut job.begins).into_iter().chain(job.passes.drain(..most).flatten()).collect())
}
