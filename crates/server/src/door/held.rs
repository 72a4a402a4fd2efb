//! The door as the server has it: its devices, its codes, what is under way, and how it stands open.

use super::authority::{Authority, Leaf};
use super::devices::{Devices, Role};
use super::pairing::Pairing;
use super::places::{Places, shown};
use rustls::server::{ClientHello, ResolvesServerCert};
use rustls::sign::CertifiedKey;
use std::collections::HashMap;
use std::path::{Path, PathBuf};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError, RwLock};
use time::OffsetDateTime;
use tokio::sync::{Semaphore, watch};

/// Requests one device may have under way, streams among them. House value.
const AT_ONCE: usize = 48;
/// Ports asked for; 0 takes a free one.
#[derive(Debug, Clone, Copy)]
pub struct Ports {
    /// HTTPS.
    pub shop: u16,
    /// Plain HTTP, for the authority alone.
    pub trust: u16,
}

/// The door, open or not.
pub struct Door {
    /// Where the authority is kept.
    pub folder: PathBuf,
    /// Ports it opens on.
    pub asked: Ports,
    /// Whether this machine's name is announced.
    pub announces: bool,
    devices: Mutex<Devices>,
    pairing: Mutex<Pairing<Role>>,
    open: Mutex<Option<Arc<Open>>>,
    /// Opened or shut one after another.
    pub turning: tokio::sync::Mutex<()>,
    /// What each device has under way, and the word that it is put out.
    under_way: Mutex<HashMap<String, Arc<UnderWay>>>,
}

/// What a device has under way.
pub struct UnderWay {
    /// So much more.
    pub room: Arc<Semaphore>,
    /// Turns true when it is put out.
    pub out: watch::Sender<bool>,
}

/// It is open.
pub struct Open {
    /// Where, by port.
    pub ports: Ports,
    /// Its authority.
    pub authority: Authority,
    /// This machine's name and addresses.
    places: RwLock<Places>,
    leaf: RwLock<Leaf>,
    stop: watch::Sender<bool>,
}

impl std::fmt::Debug for Open {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "Open({:?})", self.ports)
    }
}

/// The certificate as it is at the time somebody connects.
#[derive(Debug)]
pub struct Shown(pub Arc<Open>);

impl ResolvesServerCert for Shown {
    fn resolve(&self, _: ClientHello<'_>) -> Option<Arc<CertifiedKey>> {
        Some(Arc::clone(&self.0.leaf.read().unwrap_or_else(PoisonError::into_inner).key))
    }
}

fn had<T>(of: &Mutex<T>) -> MutexGuard<'_, T> {
    of.lock().unwrap_or_else(PoisonError::into_inner)
}

impl Open {
    /// Open at ports, with a certificate for this machine as it is now.
    pub fn at(ports: Ports, authority: Authority, stop: watch::Sender<bool>, now: OffsetDateTime) -> Result<Self, String> {
        let places = Places::now();
        let leaf = authority.leaf(&places.names(), &places.addresses, now)?;
        Ok(Self { ports, authority, places: RwLock::new(places), leaf: RwLock::new(leaf), stop })
    }

    /// Where this machine is.
    pub fn places(&self) -> Places {
        self.places.read().unwrap_or_else(PoisonError::into_inner).clone()
    }

    /// Another certificate where this one's days or this machine's addresses ask for it.
    pub fn renew(&self, now: OffsetDateTime) -> Result<(), String> {
        let places = Places::now();
        let due = self.leaf.read().unwrap_or_else(PoisonError::into_inner).due <= now;
        if !due && places == self.places() {
            return Ok(());
        }
        let leaf = self.authority.leaf(&places.names(), &places.addresses, now)?;
        *self.leaf.write().unwrap_or_else(PoisonError::into_inner) = leaf;
        *self.places.write().unwrap_or_else(PoisonError::into_inner) = places;
        Ok(())
    }
}

impl Door {
    /// The door of a folder, shut.
    pub fn of(folder: &Path, asked: Ports, announces: bool) -> Self {
        Self {
            folder: folder.to_owned(),
            asked,
            announces,
            devices: Mutex::new(Devices::of(folder)),
            pairing: Mutex::default(),
            open: Mutex::default(),
            turning: tokio::sync::Mutex::default(),
            under_way: Mutex::default(),
        }
    }

    /// Its devices.
    pub fn devices(&self) -> MutexGuard<'_, Devices> {
        had(&self.devices)
    }

    /// Its codes.
    pub fn pairing(&self) -> MutexGuard<'_, Pairing<Role>> {
        had(&self.pairing)
    }

    /// How it stands open; nothing where it is shut.
    pub fn opened(&self) -> Option<Arc<Open>> {
        had(&self.open).clone()
    }

    /// It stands open so.
    pub fn stands(&self, open: &Arc<Open>) {
        *had(&self.open) = Some(Arc::clone(open));
    }

    /// It is shut: whoever is connected is cut off.
    pub fn shut(&self) {
        if let Some(open) = had(&self.open).take() {
            let _ = open.stop.send(true);
        }
        had(&self.under_way).drain().for_each(|(_, under_way)| {
            let _ = under_way.out.send(true);
        });
    }

    /// What a device has under way.
    pub fn under_way(&self, device: &str) -> Arc<UnderWay> {
        let new = || Arc::new(UnderWay { room: Arc::new(Semaphore::new(AT_ONCE)), out: watch::channel(false).0 });
        Arc::clone(had(&self.under_way).entry(device.to_owned()).or_insert_with(new))
    }

    /// Puts a device out, what it has under way with it; false where there is none such.
    pub fn put_out(&self, device: &str) -> Result<bool, String> {
        let out = self.devices().put_out(device);
        if let Some(under_way) = had(&self.under_way).remove(device) {
            let _ = under_way.out.send(true);
        }
        out
    }
}

/// Where the app is, the name first and loopback left out.
pub fn addresses(open: &Open) -> Vec<String> {
    let places = open.places();
    let hosts = std::iter::once(places.name.clone()).chain(places.addresses.iter().filter(|a| !a.is_loopback()).map(|a| shown(*a)));
    hosts.map(|host| format!("https://{host}:{}/", open.ports.shop)).collect()
}

/// Where a device gets at first: an address, since not every tablet finds a name.
pub fn first(open: &Open) -> String {
    let places = open.places();
    places.addresses.first().map_or(places.name, |a| shown(*a))
}

/// Where the authority is to be had.
pub fn trusted_at(open: &Open) -> String {
    format!("http://{}:{}/", first(open), open.ports.trust)
}
