//! A cable between the browser and the server that can be cut, or go dead one way.

use std::io::{ErrorKind, Read, Write};
use std::net::{Shutdown, TcpListener, TcpStream};
use std::sync::Arc;
use std::sync::atomic::{AtomicU8, Ordering};
use std::time::Duration;

/// How the cable is.
#[derive(Clone, Copy, PartialEq, Eq)]
#[repr(u8)]
pub enum Line {
    /// Whole.
    Whole,
    /// What is asked arrives, and the answer is lost.
    Deaf,
    /// Nothing passes.
    Cut,
}

/// Stands between the browser and a server on this machine.
pub struct Cable {
    /// Port the browser is told.
    pub port: u16,
    line: Arc<AtomicU8>,
}

impl Cable {
    /// Lays a cable to the server's port.
    #[must_use]
    pub fn to(server: u16) -> Self {
        let listener = TcpListener::bind("127.0.0.1:0").expect("a free port");
        let port = listener.local_addr().expect("bound").port();
        let line = Arc::new(AtomicU8::new(Line::Whole as u8));
        let shared = Arc::clone(&line);
        std::thread::spawn(move || {
            for browser in listener.incoming().flatten() {
                let now = shared.load(Ordering::SeqCst);
                if now == Line::Cut as u8 {
                    continue;
                }
                let Ok(far) = TcpStream::connect(("127.0.0.1", server)) else { continue };
                let (Ok(back), Ok(back_far)) = (browser.try_clone(), far.try_clone()) else { continue };
                let (there, here) = (Arc::clone(&shared), Arc::clone(&shared));
                // The server keeps its door to its own port, so the browser's word for it is put right on the way.
                std::thread::spawn(move || carry(browser, far, &there, false, (port, server)));
                std::thread::spawn(move || carry(back_far, back, &here, true, (port, port)));
            }
        });
        Self { port, line }
    }

    /// Cuts it, or mends it.
    pub fn set(&self, line: Line) {
        self.line.store(line as u8, Ordering::SeqCst);
    }

    /// The address of `path` through it.
    #[must_use]
    pub fn at(&self, path: &str) -> String {
        format!("http://127.0.0.1:{}{path}", self.port)
    }
}

fn carry(mut from: TcpStream, mut to: TcpStream, line: &AtomicU8, answers: bool, ports: (u16, u16)) {
    let (said, meant) = (format!("127.0.0.1:{}", ports.0), format!("127.0.0.1:{}", ports.1));
    let _ = from.set_read_timeout(Some(Duration::from_millis(30)));
    let mut held = vec![0; 64 * 1024];
    loop {
        let state = line.load(Ordering::SeqCst);
        if state == Line::Cut as u8 {
            break;
        }
        match from.read(&mut held) {
            Ok(0) => break,
            Err(e) if matches!(e.kind(), ErrorKind::WouldBlock | ErrorKind::TimedOut) => {}
            Err(_) => break,
            Ok(_) if answers && state == Line::Deaf as u8 => break,
            Ok(n) => {
                let mut piece = held[..n].to_vec();
                // Ports of this machine's choosing have five figures each, so nothing moves.
                while let Some(at) = piece.windows(said.len()).position(|w| w == said.as_bytes()).filter(|_| said != meant && said.len() == meant.len()) {
                    piece[at..at + meant.len()].copy_from_slice(meant.as_bytes());
                }
                if to.write_all(&piece).is_err() {
                    break;
                }
            }
        }
    }
    let _ = from.shutdown(Shutdown::Both);
    let _ = to.shutdown(Shutdown::Both);
}
