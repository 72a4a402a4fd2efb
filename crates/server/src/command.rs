//! The command line beside the server: `plan` and `openapi`.

use crate::problem::Problem;
use std::io::Read;
use std::process::ExitCode;
use yoke_core::job::{PlanRequest, read_json, settle};
use yoke_core::plan::plan as reckon;

/// Exit code for a request that was refused.
const REFUSED: u8 = 2;

/// Plans the request on standard input; problem JSON on standard error when it is refused.
pub fn plan() -> ExitCode {
    let mut text = String::new();
    if let Err(error) = std::io::stdin().read_to_string(&mut text) {
        return refuse(&Problem::unreadable(error.to_string()));
    }
    let value = match serde_json::from_str(&text) {
        Ok(value) => value,
        Err(error) => return refuse(&Problem::unreadable(error.to_string())),
    };
    let (request, faults) = read_json::<PlanRequest>(value);
    match settle(&request, None, faults) {
        Ok((job, lathe, kit)) => print(&reckon(&job, &lathe, &kit)),
        Err(faults) => refuse(&Problem::faulty(faults)),
    }
}

/// Prints the API's description.
pub fn openapi() -> ExitCode {
    print(&crate::app::api().to_openapi())
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
