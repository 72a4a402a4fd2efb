//! A server of one's own over a folder, for the tests.

use reqwest::{Client, Method, StatusCode};
use serde_json::Value;
use std::io::{BufRead, BufReader};
use std::path::Path;
use std::process::{Child, Command, Output, Stdio};

/// Whether everything is proven, rather than the everyday check.
pub fn proving() -> bool {
    std::env::var_os("YOKE_PROVE").is_some()
}

/// How many of these are tried: all of them when everything is proven, a tenth otherwise.
pub fn prove(all: u32) -> u32 {
    if proving() { all } else { all / 10 }
}

pub struct Server {
    pub child: Child,
    pub address: String,
    pub client: Client,
}

impl Server {
    pub fn start(folder: &Path, extra: &[&str]) -> Self {
        let mut command = Command::new(env!("CARGO_BIN_EXE_yoke-turn"));
        command.args(["serve", "--port", "0", "--data"]).arg(folder).args(extra);
        Self::run(command)
    }

    /// Starts it in a shell that has done something first.
    pub fn start_under(folder: &Path, first: &str) -> Self {
        let mut command = Command::new("sh");
        let serve = format!("{first} exec \"$0\" serve --port 0 --data \"$1\"");
        command.args(["-c", &serve, env!("CARGO_BIN_EXE_yoke-turn")]).arg(folder);
        Self::run(command)
    }

    fn run(mut command: Command) -> Self {
        let mut child = command.stdout(Stdio::piped()).stderr(Stdio::null()).spawn().unwrap();
        let mut line = String::new();
        BufReader::new(child.stdout.as_mut().unwrap()).read_line(&mut line).unwrap();
        let address = line.trim().trim_start_matches("Yoke Turn is at ").trim_end_matches('/').to_owned();
        Self { child, address, client: Client::new() }
    }

    pub async fn send(&self, method: Method, path: &str, body: Value, headers: &[(&str, &str)]) -> (StatusCode, Value) {
        let mut request = self.client.request(method, format!("{}{path}", self.address)).json(&body);
        for (name, value) in headers {
            request = request.header(*name, *value);
        }
        let response = request.send().await.unwrap();
        (response.status(), response.json().await.unwrap_or(Value::Null))
    }

    pub async fn post(&self, path: &str, body: Value) -> (StatusCode, Value) {
        self.send(Method::POST, path, body, &[]).await
    }

    pub async fn get(&self, path: &str) -> (StatusCode, Value) {
        self.send(Method::GET, path, Value::Null, &[]).await
    }

    /// Dead at once, as when the power goes.
    pub fn kill(mut self) {
        self.child.kill().unwrap();
        self.child.wait().unwrap();
    }
}

impl Drop for Server {
    fn drop(&mut self) {
        let _ = self.child.kill();
        let _ = self.child.wait();
    }
}

/// Runs the program to its end with the folder given.
pub fn run(arguments: &[&str], folder: &Path) -> Output {
    Command::new(env!("CARGO_BIN_EXE_yoke-turn")).args(arguments).arg("--data").arg(folder).stdin(Stdio::null()).output().unwrap()
}
