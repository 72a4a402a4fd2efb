//! The door opened and shut: HTTPS for devices, plain HTTP for the authority, the name announced.

use super::authority::Authority;
use super::held::{Open, Ports, Shown};
use super::pages;
use super::who::Via;
use crate::listen::{self, Greeting};
use crate::notices::NoticeCode;
use crate::state::App;
use rustls::ServerConfig;
use std::net::{Ipv4Addr, Ipv6Addr};
use std::sync::Arc;
use time::OffsetDateTime;
use tokio::net::TcpListener;
use tokio::sync::watch;
use tokio_rustls::TlsAcceptor;

/// How often it is looked whether this machine's addresses or its certificate's days are still the same.
const LOOK_EVERY: std::time::Duration = std::time::Duration::from_secs(30);

/// A port of every address there is, of both kinds where there are both.
async fn bound(port: u16, option: &str) -> Result<TcpListener, String> {
    let both = TcpListener::bind((Ipv6Addr::UNSPECIFIED, port)).await;
    let listener = match both {
        Ok(listener) => Ok(listener),
        Err(_) => TcpListener::bind((Ipv4Addr::UNSPECIFIED, port)).await,
    };
    listener.map_err(|e| format!("Port {port} of this machine's addresses cannot be had: {e}. Give another with {option}."))
}

/// Opens the door, where it is not open.
///
/// # Errors
/// What stands against it, in words.
pub async fn open(app: &App) -> Result<Arc<Open>, String> {
    let door = Arc::clone(&app.door);
    let _turning = door.turning.lock().await;
    if let Some(open) = door.opened() {
        return Ok(open);
    }
    door.devices().readable()?;
    let (shop, trust) = (bound(door.asked.shop, "--shop-port").await?, bound(door.asked.trust, "--trust-port").await?);
    let at = |listener: &TcpListener| listener.local_addr().map(|a| a.port()).map_err(|e| e.to_string());
    let now = OffsetDateTime::now_utc();
    let (stop, stopping) = watch::channel(false);
    let ports = Ports { shop: at(&shop)?, trust: at(&trust)? };
    let open = Arc::new(Open::at(ports, Authority::of(&door.folder, now)?, stop, now)?);
    let provider = Arc::new(rustls::crypto::ring::default_provider());
    let config = ServerConfig::builder_with_provider(provider).with_safe_default_protocol_versions().map_err(|e| e.to_string())?;
    let mut config = config.with_no_client_auth().with_cert_resolver(Arc::new(Shown(Arc::clone(&open))));
    config.alpn_protocols = vec![b"http/1.1".to_vec()];
    let stops = |mut shut: watch::Receiver<bool>, app: App| async move {
        tokio::select! { _ = shut.wait_for(|stop| *stop) => {}, () = app.until_stopped() => {} }
    };
    let tls = Greeting::Tls(TlsAcceptor::from(Arc::new(config)));
    tokio::spawn(listen::serve(shop, (app.reached)(app.clone(), Via::Shop), tls, stops(stopping.clone(), app.clone())));
    tokio::spawn(listen::serve(trust, pages::trust(Arc::clone(&open)), Greeting::Plain, stops(stopping.clone(), app.clone())));
    tokio::spawn(kept_right(Arc::clone(&open), door.announces, stops(stopping, app.clone())));
    door.stands(&open);
    app.notices.clear(NoticeCode::DoorShut);
    Ok(open)
}

/// Shuts it: whoever is connected is cut off.
pub async fn shut(app: &App) {
    let _turning = app.door.turning.lock().await;
    app.door.shut();
    app.notices.clear(NoticeCode::DoorShut);
}

/// Certificate, addresses and the name announced, kept as they should be until it is shut.
async fn kept_right(open: Arc<Open>, announces: bool, stop: impl Future<Output = ()>) {
    let announced_now = || if announces { announced(&open) } else { None };
    let mut daemon = announced_now();
    let mut stop = std::pin::pin!(stop);
    loop {
        tokio::select! {
            () = tokio::time::sleep(LOOK_EVERY) => {}
            () = &mut stop => break,
        }
        let before = open.places();
        if let Err(why) = open.renew(OffsetDateTime::now_utc()) {
            tracing::warn!("{why}");
        }
        if open.places() != before {
            quiet(daemon.take());
            daemon = announced_now();
        }
    }
    quiet(daemon);
}

fn quiet(announced: Option<mdns_sd::ServiceDaemon>) {
    if let Some(daemon) = announced {
        let _ = daemon.shutdown();
    }
}

/// Announces its name by multicast; where that may not be, the addresses serve.
fn announced(open: &Open) -> Option<mdns_sd::ServiceDaemon> {
    let places = open.places();
    let addresses: Vec<_> = places.addresses.iter().filter(|a| !a.is_loopback()).copied().collect();
    if addresses.is_empty() {
        return None;
    }
    let made = || {
        let daemon = mdns_sd::ServiceDaemon::new()?;
        let host = format!("{}.", places.name);
        let label = places.name.trim_end_matches(".local");
        let service = mdns_sd::ServiceInfo::new("_https._tcp.local.", &format!("Yoke Turn on {label}"), &host, &addresses[..], open.ports.shop, None)?;
        daemon.register(service)?;
        Ok::<_, mdns_sd::Error>(daemon)
    };
    made().inspect_err(|e| tracing::warn!("the name is not announced: {e}")).ok()
}
