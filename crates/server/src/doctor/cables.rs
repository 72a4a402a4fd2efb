//! The instruments told of each lathe: whether the end of each cable is there.

use super::line::Line;
use crate::instruments::TOLD;
use crate::stored;
use rustix::fs::{Access, access};
use std::net::{TcpStream, ToSocketAddrs};
use std::path::Path;
use std::time::Duration;
use yoke_core::instruments::{Cable, Instruments};
use yoke_store::SheetRow;

const ABOUT: &str = "Instruments";
/// Time for an instrument on the network to answer.
const ANSWERS: Duration = Duration::from_secs(2);

/// Every instrument; a serial port the server has open is left alone.
pub fn all(sheets: &[SheetRow], served: bool) -> Vec<Line> {
    let told = sheets.iter().filter(|row| row.kind == TOLD);
    told.flat_map(|row| of_lathe(row, served)).collect()
}

fn of_lathe(row: &SheetRow, served: bool) -> Vec<Line> {
    // What does not read is said of the database.
    let Ok(Instruments { readout, micrometer }) = stored::sheet(row) else { return Vec::new() };
    let cables = [readout.map(|r| ("readout", r.cable)), micrometer.map(|m| ("micrometer", m.cable))];
    cables.into_iter().flatten().map(|(what, cable)| at_the_end(&format!("{what} of {}", row.owner), &cable, served)).collect()
}

fn at_the_end(what: &str, cable: &Cable, served: bool) -> Line {
    match cable {
        Cable::Tcp { address } => {
            let reached = address.to_socket_addrs().and_then(|mut all| {
                let at = all.next().ok_or_else(|| std::io::Error::other("the name leads nowhere"))?;
                TcpStream::connect_timeout(&at, ANSWERS)
            });
            match reached {
                Ok(_) => Line::right(ABOUT, format!("{what}: {address} answers")),
                Err(e) => Line::wrong(ABOUT, format!("{what}: {address} does not answer: {e}")),
            }
        }
        Cable::Serial { port, .. } if !Path::new(port).exists() => Line::wrong(ABOUT, format!("{what}: {port} is not there: is its cable plugged in?")),
        Cable::Serial { port, .. } if access(port, Access::READ_OK | Access::WRITE_OK).is_err() => {
            Line::wrong(ABOUT, format!("{what}: {port} may not be opened by this user: add yourself to its group (dialout on Debian) and log in again"))
        }
        Cable::Serial { port, .. } if served => Line::right(ABOUT, format!("{what}: {port} is there; the running server listens at it")),
        Cable::Serial { port, .. } => Line::right(ABOUT, format!("{what}: {port} is there")),
    }
}
