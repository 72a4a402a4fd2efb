//! Instruments that stand in for real ones, as the program runs them.

use crate::{Kept, program};
use serde_json::{Value, json};
use std::io::{BufRead, BufReader, Write};
use std::process::{ChildStdin, Command, Stdio};

/// An instrument that stands in, told by commands.
pub struct StandIn {
    _child: Kept,
    tells: ChildStdin,
    /// The address it speaks at.
    pub at: String,
}

impl StandIn {
    /// Starts one: `readout` or `micrometer`, and how it is.
    ///
    /// # Panics
    /// When it does not start.
    #[must_use]
    pub fn start(arguments: &[&str]) -> Self {
        let mut command = Command::new(program("yoke-turn"));
        command.arg("stand-in").args(arguments).stdin(Stdio::piped()).stdout(Stdio::piped()).stderr(Stdio::null());
        let mut child = command.spawn().expect("it starts");
        let mut at = String::new();
        BufReader::new(child.stdout.as_mut().expect("piped")).read_line(&mut at).expect("it says its address");
        let tells = child.stdin.take().expect("piped");
        Self { _child: Kept(child), tells, at: at.trim().to_owned() }
    }

    /// What an owner would tell of it as the readout of a metric lathe, whose axes stand in its line by these letters, in order, and whether
    /// they show diameter.
    #[must_use]
    pub fn as_readout(&self, axes: &[(&str, &str, bool)]) -> Value {
        let axis = |(nth, (axis, label, diameter)): (usize, &(&str, &str, bool))| json!({"axis": axis, "pattern": {"label": label, "nth": nth, "of": axes.len()}, "counts": {"inches": false, "diameter": diameter, "falls": false}});
        json!({"cable": {"by": "tcp", "address": self.at}, "always": true, "axes": axes.iter().enumerate().map(axis).collect::<Vec<_>>()})
    }

    /// Tells it commands, one a line.
    ///
    /// # Panics
    /// When it is gone.
    pub fn tell(&mut self, lines: &str) {
        for line in lines.lines() {
            writeln!(self.tells, "{line}").expect("it listens");
        }
    }
}
