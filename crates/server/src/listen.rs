//! Connections: so many at once, each with so long for what it sends, and an end that comes.

use axum::Router;
use hyper::server::conn::http1::Builder;
use hyper_util::rt::{TokioIo, TokioTimer};
use hyper_util::server::graceful::GracefulShutdown;
use hyper_util::service::TowerToHyperService;
use std::sync::Arc;
use std::time::Duration;
use tokio::net::TcpListener;
use tokio::sync::Semaphore;

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

/// Answers until `stop` comes, and then for what is under way, but not for ever.
pub async fn serve(listener: TcpListener, router: Router, stop: impl Future<Output = ()>) {
    let mut builder = Builder::new();
    builder.timer(TokioTimer::new()).header_read_timeout(HEAD).max_buf_size(READ_AHEAD);
    let (graceful, room) = (GracefulShutdown::new(), Arc::new(Semaphore::new(CONNECTIONS)));
    let mut stop = std::pin::pin!(stop);
    loop {
        let Ok(place) = Arc::clone(&room).acquire_owned().await else { break };
        let stream = tokio::select! {
            accepted = listener.accept() => match accepted {
                Ok((stream, _)) => stream,
                Err(error) => {
                    tracing::warn!("a connection was not taken: {error}");
                    tokio::time::sleep(BREATHE).await;
                    continue;
                }
            },
            () = &mut stop => break,
        };
        let _ = stream.set_nodelay(true);
        let connection = builder.serve_connection(TokioIo::new(stream), TowerToHyperService::new(router.clone()));
        let connection = graceful.watch(connection);
        tokio::spawn(async move {
            // A client that goes away, or sends nothing that reads, is its own affair.
            let _ = connection.await;
            drop(place);
        });
    }
    drop(listener);
    if tokio::time::timeout(LAST, graceful.shutdown()).await.is_err() {
        tracing::warn!("some requests were still under way after {} s, and are cut off", LAST.as_secs());
    }
}
