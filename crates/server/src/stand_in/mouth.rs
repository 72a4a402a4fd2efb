//! Where an instrument that stands in speaks: a TCP port or a pseudo-terminal, a line of text at a time.

use std::net::SocketAddr;
use std::path::PathBuf;
use tokio::io::{AsyncWrite, AsyncWriteExt};
use tokio::net::TcpListener;
use tokio::sync::broadcast;
use tokio_serial::{SerialPort, SerialStream};

/// How it speaks, and what drives it.
#[derive(Debug, clap::Args)]
pub struct Speaks {
    /// The address it listens at.
    #[arg(long, default_value = "127.0.0.1:0")]
    pub tcp: SocketAddr,
    /// It speaks over a pseudo-terminal instead, whose path it prints.
    #[arg(long)]
    pub pty: bool,
    /// A file of commands, done one after another from the first listener on.
    #[arg(long)]
    pub script: Option<PathBuf>,
    /// It speaks in inches.
    #[arg(long)]
    pub inches: bool,
    /// Places after the point: 3 of a millimetre, 4 of an inch, unless told.
    #[arg(long)]
    pub places: Option<usize>,
}

impl Speaks {
    /// Its commands; none where no script was named.
    pub fn script(&self) -> Result<String, String> {
        self.script.as_ref().map_or_else(|| Ok(String::new()), |file| std::fs::read_to_string(file).map_err(|e| format!("{}: {e}", file.display())))
    }

    /// Places after the point.
    pub fn places(&self) -> usize {
        self.places.unwrap_or(if self.inches { 4 } else { 3 }).min(9)
    }
}

/// Its lines, and who listens to them.
pub struct Mouth {
    pub lines: broadcast::Sender<String>,
    listener: Option<TcpListener>,
    /// The other end of its pseudo-terminal, kept open so that it stays.
    _held: Option<SerialStream>,
}

impl Mouth {
    /// Opened, and where it is printed on standard output.
    pub async fn open(speaks: &Speaks) -> Result<Self, String> {
        let (lines, _) = broadcast::channel(256);
        if speaks.pty {
            let (ours, theirs) = SerialStream::pair().map_err(|e| format!("A pseudo-terminal cannot be had: {e}"))?;
            println!("{}", theirs.name().unwrap_or_default());
            tokio::spawn(speak(ours, lines.subscribe()));
            return Ok(Self { lines, listener: None, _held: Some(theirs) });
        }
        Self::at(speaks.tcp, "").await
    }

    /// At an address, what it is printed before it.
    pub async fn at(address: SocketAddr, what: &str) -> Result<Self, String> {
        let listener = TcpListener::bind(address).await.map_err(|e| format!("{address} cannot be had: {e}"))?;
        println!("{what}{}", listener.local_addr().map_err(|e| e.to_string())?);
        Ok(Self { lines: broadcast::channel(256).0, listener: Some(listener), _held: None })
    }

    /// One more listener; never of a pseudo-terminal.
    pub async fn heard(&self) {
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
    pub async fn first(&self) {
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
