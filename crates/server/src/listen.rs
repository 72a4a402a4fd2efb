//! Connections: so many at once, each with so long for what it sends, and an end that comes.

use axum::Router;
use hyper::server::conn::http1::Builder;
use hyper_util::rt::{TokioIo, TokioTimer};
use hyper_util::server::graceful::GracefulShutdown;
use hyper_util::service::TowerToHyperService;
use std::collections::HashMap;
use std::net::IpAddr;
use std::sync::{Arc, Mutex, PoisonError};
use std::time::Duration;
use tokio::net::TcpListener;
use tokio::sync::Semaphore;
use tokio_rustls::TlsAcceptor;

/// Connections at once: every page holds one for its events. House value.
const CONNECTIONS: usize = 2048;
/// Time for the head of a request. House value.
const HEAD: Duration = Duration::from_secs(15);
/// What is read ahead of one connection, bytes.
const READ_AHEAD: usize = 32 * 1024;
/// Time for what is under way when the server is asked to stop. House value.
const LAST: Duration = Duration::from_secs(5);
/// Time to wait before trying again when no connection can be had.
const BREATHE: Duration = Duration::from_millis(50);

/// Time to greet over TLS. House value.
const GREETED: Duration = Duration::from_secs(10);
/// Connections one address of the shop's network may have at once. House value.
const OF_ONE: usize = 64;

/// How who connects is greeted.
#[derive(Clone)]
pub enum Greeting {
    /// Not at all.
    Plain,
    /// Over TLS, each address bounded.
    Tls(TlsAcceptor),
}

/// Connections by who made them.
type Callers = Arc<Mutex<HashMap<IpAddr, usize>>>;

/// One of them, as long as it is there.
struct Caller(Callers, IpAddr);

impl Caller {
    fn come(callers: &Callers, from: IpAddr) -> Option<Self> {
        let mut all = callers.lock().unwrap_or_else(PoisonError::into_inner);
        let has = all.entry(from).or_default();
        if *has >= OF_ONE {
            return None;
        }
        *has += 1;
        Some(Self(Arc::clone(callers), from))
    }
}

impl Drop for Caller {
    fn drop(&mut self) {
        let mut all = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        if let Some(has) = all.get_mut(&self.1) {
            *has -= 1;
            if *has == 0 {
                all.remove(&self.1);
            }
        }
    }
}

/// Answers until `stop` comes, and then for what is under way, but not for ever.
pub async fn serve(listener: TcpListener, router: Router, greeting: Greeting, stop: impl Future<Output = ()>) {
    let mut builder = Builder::new();
    builder.timer(TokioTimer::new()).header_read_timeout(HEAD).max_buf_size(READ_AHEAD);
    let (graceful, room) = (GracefulShutdown::new(), Arc::new(Semaphore::new(CONNECTIONS)));
    let callers = Callers::default();
    let mut stop = std::pin::pin!(stop);
    loop {
        let Ok(place) = Arc::clone(&room).acquire_owned().await else { break };
        let (stream, from) = tokio::select! {
            accepted = listener.accept() => match accepted {
                Ok((stream, from)) => (stream, from.ip().to_canonical()),
                Err(error) => {
                    tracing::warn!("a connection was not taken: {error}");
                    tokio::time::sleep(BREATHE).await;
                    continue;
                }
            },
            () = &mut stop => break,
        };
        let _ = stream.set_nodelay(true);
        let service = TowerToHyperService::new(router.clone());
        let (builder, watcher) = (builder.clone(), graceful.watcher());
        match &greeting {
            Greeting::Plain => {
                let connection = watcher.watch(builder.serve_connection(TokioIo::new(stream), service));
                tokio::spawn(async move {
                    // A client that goes away, or sends nothing that reads, is its own affair.
                    let _ = connection.await;
                    drop(place);
                });
            }
            Greeting::Tls(tls) => {
                let Some(caller) = Caller::come(&callers, from) else { continue };
                let greeted = tls.accept(stream);
                tokio::spawn(async move {
                    if let Ok(Ok(stream)) = tokio::time::timeout(GREETED, greeted).await {
                        let _ = watcher.watch(builder.serve_connection(TokioIo::new(stream), service)).await;
                    }
                    drop((place, caller));
                });
            }
        }
    }
    drop(listener);
    if tokio::time::timeout(LAST, graceful.shutdown()).await.is_err() {
        tracing::warn!("some requests were still under way after {} s, and are cut off", LAST.as_secs());
    }
}
