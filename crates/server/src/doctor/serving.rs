//! The server, the port, the door to the shop's network, the browser.

use super::data::others_may;
use super::line::Line;
use crate::door::authority::{self, Authority};
use crate::door::devices::Devices;
use crate::folder::served;
use std::io::{Read, Write};
use std::net::{SocketAddr, TcpListener, TcpStream};
use std::path::Path;
use std::time::Duration;
use time::OffsetDateTime;

/// Time for an answer of one's own machine.
const ANSWERS: Duration = Duration::from_secs(2);
/// An authority that ends sooner is said: every device has then to trust another.
const ENDS_SOON: time::Duration = time::Duration::days(60);

/// Whether Yoke Turn answers at a port of this machine.
fn answers(port: u16) -> bool {
    let ask = || {
        let mut stream = TcpStream::connect_timeout(&SocketAddr::from(([127, 0, 0, 1], port)), ANSWERS)?;
        stream.set_read_timeout(Some(ANSWERS))?;
        write!(stream, "GET /healthz HTTP/1.1\r\nHost: 127.0.0.1:{port}\r\nConnection: close\r\n\r\n")?;
        let mut answer = String::new();
        stream.take(4096).read_to_string(&mut answer)?;
        Ok::<_, std::io::Error>(answer.starts_with("HTTP/1.1 200"))
    };
    ask().unwrap_or(false)
}

/// Whether a server has the folder, and how it, or the port it would take, stands.
pub fn port(folder: &Path, port: u16) -> (bool, Line) {
    const ABOUT: &str = "Server";
    match served(folder) {
        Some(Some(at)) if answers(at) => (true, Line::right(ABOUT, format!("running at http://127.0.0.1:{at}/"))),
        Some(Some(at)) => {
            (true, Line::wrong(ABOUT, format!("one has the folder and should answer at http://127.0.0.1:{at}/, but does not: stop it, and start it again")))
        }
        Some(None) => (true, Line::note(ABOUT, "one is only starting in this folder")),
        None => match TcpListener::bind(("127.0.0.1", port)) {
            Ok(_) => (false, Line::right(ABOUT, format!("not running; port {port} is free for it"))),
            Err(e) => (false, Line::wrong(ABOUT, format!("not running, and port {port} cannot be had: {e}. Start it with another: --port N"))),
        },
    }
}

/// The door: its authority, its devices.
pub fn door(folder: &Path) -> Vec<Line> {
    let mut lines = Vec::new();
    const CERTIFICATE: &str = "Certificate";
    let now = OffsetDateTime::now_utc();
    if authority::is_made(folder) {
        lines.push(match Authority::of(folder, now).and_then(|a| Ok((a.until()?, a.fingerprint()))) {
            _ if others_may(&authority::key_of(folder), 0o077) => {
                Line::wrong(CERTIFICATE, format!("the authority's key in {} may be read by others: chmod 600 it", folder.display()))
            }
            Ok((until, _)) if until - now < ENDS_SOON => {
                Line::wrong(CERTIFICATE, format!("the shop's authority ends on {}: move it away, and have every device trust a new one", until.date()))
            }
            Ok((until, print)) => Line::right(CERTIFICATE, format!("the shop's authority is good until {}; SHA-256 {print}", until.date())),
            Err(why) => Line::wrong(CERTIFICATE, why),
        });
    } else {
        lines.push(Line::note(CERTIFICATE, "none: the door to the shop's network was never opened here"));
    }
    const DEVICES: &str = "Devices";
    let mut devices = Devices::of(folder);
    lines.push(match devices.readable() {
        Ok(()) => {
            let state = if devices.opens() == Some(true) { "is opened at every start" } else { "is shut unless asked for" };
            Line::right(DEVICES, format!("{} let in; the door {state}", devices.all().len()))
        }
        Err(why) => Line::wrong(DEVICES, why),
    });
    lines
}

/// Whether `--open` finds a browser.
pub fn browser() -> Line {
    const ABOUT: &str = "Browser";
    let path = std::env::var_os("PATH").unwrap_or_default();
    if cfg!(not(target_os = "linux")) || std::env::split_paths(&path).any(|folder| folder.join("xdg-open").exists()) {
        Line::right(ABOUT, "--open opens the one this desk has chosen")
    } else {
        Line::note(ABOUT, "--open finds no xdg-open on this machine: open the address by hand")
    }
}
