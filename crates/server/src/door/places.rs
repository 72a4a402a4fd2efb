//! Where this machine is on the shop's network: its name, and its addresses.

use super::authority::may_name;
use std::net::IpAddr;

/// Name and addresses.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Places {
    /// `NAME.local`.
    pub name: String,
    /// Its addresses on private networks, loopback last.
    pub addresses: Vec<IpAddr>,
}

impl Places {
    /// As they are now.
    pub fn now() -> Self {
        let found = if_addrs::get_if_addrs().unwrap_or_default();
        let mut addresses: Vec<IpAddr> = found.iter().map(|i| i.ip()).filter(|a| may_name(*a) && !a.is_loopback() && !link_local(*a)).collect();
        addresses.sort_by_key(|a| (a.is_ipv6(), *a));
        addresses.dedup();
        addresses.push(IpAddr::from([127, 0, 0, 1]));
        Self { name: format!("{}.local", named(&gethostname::gethostname().to_string_lossy())), addresses }
    }

    /// Every name there is a certificate for.
    pub fn names(&self) -> Vec<String> {
        vec![self.name.clone(), "localhost".to_owned()]
    }

    /// Whether a Host or an Origin is this machine at a port.
    pub fn are(&self, authority: &str, port: u16) -> bool {
        let at = |host: &str| authority.eq_ignore_ascii_case(&format!("{host}:{port}"));
        self.names().iter().any(|name| at(name)) || self.addresses.iter().any(|a| at(&shown(*a)))
    }
}

/// An address as it stands in a URL.
pub fn shown(address: IpAddr) -> String {
    if address.is_ipv6() { format!("[{address}]") } else { address.to_string() }
}

/// A scope is no part of a URL browsers take.
fn link_local(address: IpAddr) -> bool {
    matches!(address, IpAddr::V6(a) if a.segments()[0] & 0xffc0 == 0xfe80)
}

/// A host's name as a label: the first of it, letters, digits and hyphens.
fn named(host: &str) -> String {
    let first = host.split('.').next().unwrap_or_default();
    let label: String = first.chars().map(|c| if c.is_ascii_alphanumeric() { c.to_ascii_lowercase() } else { '-' }).take(60).collect();
    let label = label.trim_matches('-');
    if label.is_empty() { "yoke-turn".to_owned() } else { label.to_owned() }
}
