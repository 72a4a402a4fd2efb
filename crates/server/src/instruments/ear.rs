//! Cables listened at: each is opened once, however many want to hear it, and opened again while anybody does.

use std::collections::HashMap;
use std::io;
use std::sync::{Arc, Mutex, PoisonError, Weak};
use std::time::Duration;
use tokio::io::AsyncRead;
use tokio::net::TcpStream;
use tokio::sync::{broadcast, watch};
use tokio::task::AbortHandle;
use tokio::time::{Instant, sleep, timeout};
use tokio_serial::{DataBits, SerialPortBuilderExt, StopBits};
use tokio_stream::StreamExt;
use tokio_util::codec::{AnyDelimiterCodec, FramedRead};
use yoke_core::instruments::{Cable, Link, Parity};

/// Longest line; what is longer is none.
const LONGEST: usize = 256;
/// So many lines wait for who is slow.
const WAITING: usize = 1024;
/// How long nobody may answer at an address.
const ANSWERS: Duration = Duration::from_secs(3);
/// How long a cable is listened at after the last who did.
const LINGERS: Duration = Duration::from_secs(2);
/// How soon a cable that is off is tried again.
const AGAIN: Duration = Duration::from_millis(400);

/// A line, and when it came.
#[derive(Debug, Clone)]
pub struct Said {
    /// When.
    pub at: Instant,
    /// What.
    pub line: Arc<str>,
}

/// What is known of a cable now.
#[derive(Debug, Clone, Default)]
pub struct Heard {
    /// Whether it is open, and speaks.
    pub link: Link,
    /// The last line.
    pub last: Option<Said>,
}

/// Somebody listens at a cable, as long as it is held.
#[derive(Debug)]
pub struct Ear {
    said: broadcast::Sender<Said>,
    now: watch::Receiver<Heard>,
    task: AbortHandle,
}

impl Drop for Ear {
    fn drop(&mut self) {
        self.task.abort();
    }
}

impl Ear {
    fn at(cable: Cable) -> Self {
        let (said, _) = broadcast::channel(WAITING);
        let (tells, now) = watch::channel(Heard::default());
        let task = tokio::spawn(listen(cable, said.clone(), tells)).abort_handle();
        Self { said, now, task }
    }

    /// Every line from now on.
    pub fn lines(&self) -> broadcast::Receiver<Said> {
        self.said.subscribe()
    }

    /// What is known of it, as it changes.
    pub fn now(&self) -> watch::Receiver<Heard> {
        self.now.clone()
    }
}

/// An ear that is kept a little longer than it is held: a page that listens anew at once still knows the last line.
#[derive(Debug)]
pub struct Lingering(pub Arc<Ear>);

impl Drop for Lingering {
    fn drop(&mut self) {
        let ear = Arc::clone(&self.0);
        if let Ok(runtime) = tokio::runtime::Handle::try_current() {
            runtime.spawn(async move {
                sleep(LINGERS).await;
                drop(ear);
            });
        }
    }
}

/// Every cable somebody listens at.
#[derive(Debug, Default)]
pub struct Ears(Mutex<HashMap<Cable, Weak<Ear>>>);

impl Ears {
    /// Listens at a cable, with whoever does already.
    pub fn at(&self, cable: &Cable) -> Arc<Ear> {
        let mut all = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        all.retain(|_, ear| ear.strong_count() > 0);
        if let Some(ear) = all.get(cable).and_then(Weak::upgrade) {
            return ear;
        }
        let ear = Arc::new(Ear::at(cable.clone()));
        all.insert(cable.clone(), Arc::downgrade(&ear));
        ear
    }
}

type Stream = Box<dyn AsyncRead + Send + Unpin>;

async fn open(cable: &Cable) -> io::Result<Stream> {
    match cable {
        Cable::Tcp { address } => Ok(Box::new(timeout(ANSWERS, TcpStream::connect(address)).await??)),
        Cable::Serial { port, baud, data_bits, parity, stop_bits } => {
            let port = tokio_serial::new(port, *baud)
                .data_bits(if *data_bits == 7 { DataBits::Seven } else { DataBits::Eight })
                .stop_bits(if *stop_bits == 2 { StopBits::Two } else { StopBits::One })
                .parity(match parity {
                    Parity::None => tokio_serial::Parity::None,
                    Parity::Even => tokio_serial::Parity::Even,
                    Parity::Odd => tokio_serial::Parity::Odd,
                })
                .open_native_async()?;
            Ok(Box::new(port))
        }
    }
}

async fn listen(cable: Cable, said: broadcast::Sender<Said>, tells: watch::Sender<Heard>) {
    loop {
        match open(&cable).await {
            Ok(stream) => {
                tells.send_modify(|h| h.link = Link::Waits);
                read(stream, &said, &tells).await;
            }
            Err(why) => tracing::debug!("{cable:?}: {why}"),
        }
        tells.send_modify(|h| h.link = Link::Lost);
        sleep(AGAIN).await;
    }
}

/// Says every line until the cable is off. A line ends at a carriage return or a line feed; one too long is skipped.
async fn read(stream: Stream, said: &broadcast::Sender<Said>, tells: &watch::Sender<Heard>) {
    let mut lines = FramedRead::new(stream, AnyDelimiterCodec::new_with_max_length(b"\r\n".to_vec(), b"\n".to_vec(), LONGEST));
    let mut skipped = false;
    loop {
        match lines.next().await {
            Some(Ok(line)) if line.is_empty() => {}
            Some(Ok(line)) => {
                let one = Said { at: Instant::now(), line: String::from_utf8_lossy(&line).into() };
                tells.send_modify(|h| (h.link, h.last) = (Link::Heard, Some(one.clone())));
                // Nobody may be listening just now.
                let _ = said.send(one);
            }
            // After a line too long the stream ends once, and goes on.
            Some(Err(tokio_util::codec::AnyDelimiterCodecError::MaxChunkLengthExceeded)) => skipped = true,
            None if skipped => skipped = false,
            Some(Err(_)) | None => return,
        }
    }
}
