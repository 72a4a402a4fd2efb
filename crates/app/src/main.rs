//! Yoke Turn: single-point threading on a manual lathe, from callout to measured thread.
//!
//! The one binary: the server with the web app inside. The app is embedded here and nowhere else, so that everything
//! under it can be compiled before, or while, the web side is built.

use rust_embed::RustEmbed;
use std::process::ExitCode;

#[derive(RustEmbed)]
#[folder = "../../web/dist"]
#[allow_missing = true]
struct Dist;

fn main() -> ExitCode {
    yoke_server::main(|path| Dist::get(path).map(|file| file.data))
}
