//! The shop's own certificate authority: made once, kept where only its owner reads it, and the certificates it gives this machine.

use rcgen::{
    BasicConstraints, CertificateParams, CidrSubnet, DnType, ExtendedKeyUsagePurpose, GeneralSubtree, IsCa, Issuer, KeyPair, KeyUsagePurpose, NameConstraints,
};
use rustls::pki_types::pem::PemObject;
use rustls::pki_types::{CertificateDer, PrivateKeyDer, PrivatePkcs8KeyDer};
use rustls::sign::CertifiedKey;
use sha2::{Digest, Sha256};
use std::fs::{File, OpenOptions};
use std::io::Write;
use std::net::IpAddr;
use std::path::{Path, PathBuf};
use std::sync::Arc;
use time::{Duration, OffsetDateTime};

const KEY: &str = "authority.key";
const CERTIFICATE: &str = "authority.crt";
/// So long the authority lasts. House value.
const LASTS: Duration = Duration::days(3650);
/// So long a certificate lasts that it gives, and so much before its end a new one is made. House values; browsers take none over 398 days.
const LEAF_LASTS: Duration = Duration::days(90);
const RENEWED: Duration = Duration::days(30);
/// A clock that is a little slow still finds it valid.
const BEFORE: Duration = Duration::days(1);

/// Networks it may speak for: private ones and the machine itself, so that whoever stole its key could pass for nothing on the wide one.
const MAY_NAME: [(&str, u8); 7] =
    [("10.0.0.0", 8), ("172.16.0.0", 12), ("192.168.0.0", 16), ("169.254.0.0", 16), ("127.0.0.0", 8), ("fc00::", 7), ("fe80::", 10)];

/// The authority.
pub struct Authority {
    certificate: CertificateDer<'static>,
    issuer: Issuer<'static, KeyPair>,
}

/// A certificate of this machine, and when a new one is due.
pub struct Leaf {
    /// What is shown to who connects.
    pub key: Arc<CertifiedKey>,
    /// Due then.
    pub due: OffsetDateTime,
}

/// Whether the authority may speak for an address.
pub fn may_name(address: IpAddr) -> bool {
    let within = |(net, prefix): (&str, u8)| match (net.parse(), address) {
        (Ok(IpAddr::V4(net)), IpAddr::V4(a)) => u32::from(net) >> (32 - prefix) == u32::from(a) >> (32 - prefix),
        (Ok(IpAddr::V6(net)), IpAddr::V6(a)) => u128::from(net) >> (128 - prefix) == u128::from(a) >> (128 - prefix),
        _ => false,
    };
    MAY_NAME.into_iter().any(within)
}

/// Whether a folder has one.
pub fn is_made(folder: &Path) -> bool {
    key_of(folder).exists() || folder.join(CERTIFICATE).exists()
}

/// Where a folder has its key.
pub fn key_of(folder: &Path) -> PathBuf {
    folder.join(KEY)
}

impl Authority {
    /// The one of a folder; made at its first use.
    ///
    /// # Errors
    /// What the disk says, or that what is kept there is none: it is never made anew over one that devices trust.
    pub fn of(folder: &Path, now: OffsetDateTime) -> Result<Self, String> {
        if !is_made(folder) {
            return Self::made(folder, now);
        }
        let [key, certificate] = [key_of(folder), folder.join(CERTIFICATE)];
        let read = |path: &Path| std::fs::read_to_string(path).map_err(|e| format!("{} cannot be read: {e}", path.display()));
        let (key_text, certificate_text) = (read(&key)?, read(&certificate)?);
        let none = |e: String| {
            format!(
                "{} and {} do not read as the shop's authority: {e}. Put both back from a copy, or move both away and have every device trust a new one.",
                key.display(),
                certificate.display()
            )
        };
        let certificate = CertificateDer::from_pem_slice(certificate_text.as_bytes()).map_err(|e| none(e.to_string()))?;
        let pair = KeyPair::from_pem(&key_text).map_err(|e| none(e.to_string()))?;
        let issuer = Issuer::from_ca_cert_der(&certificate, pair).map_err(|e| none(e.to_string()))?;
        Ok(Self { certificate, issuer })
    }

    fn made(folder: &Path, now: OffsetDateTime) -> Result<Self, String> {
        let cannot = |e: rcgen::Error| format!("A certificate authority cannot be made: {e}");
        let pair = KeyPair::generate().map_err(cannot)?;
        let mut params = CertificateParams::default();
        params.distinguished_name.push(DnType::CommonName, format!("Yoke Turn shop authority, {}", now.date()));
        params.is_ca = IsCa::Ca(BasicConstraints::Constrained(0));
        params.key_usages = vec![KeyUsagePurpose::KeyCertSign, KeyUsagePurpose::CrlSign];
        params.name_constraints = Some(NameConstraints {
            permitted_subtrees: [GeneralSubtree::DnsName("local".into()), GeneralSubtree::DnsName("localhost".into())]
                .into_iter()
                .chain(
                    MAY_NAME.into_iter().filter_map(|(net, prefix)| Some(GeneralSubtree::IpAddress(CidrSubnet::from_addr_prefix(net.parse().ok()?, prefix)))),
                )
                .collect(),
            excluded_subtrees: Vec::new(),
        });
        (params.not_before, params.not_after) = (now - BEFORE, now + LASTS);
        let certificate = params.self_signed(&pair).map_err(cannot)?;
        // The key first: a certificate without its key would be one nobody can use.
        private(&key_of(folder), pair.serialize_pem().as_bytes())?;
        private(&folder.join(CERTIFICATE), certificate.pem().as_bytes())?;
        let certificate = certificate.der().clone();
        Ok(Self { issuer: Issuer::from_ca_cert_der(&certificate, pair).map_err(cannot)?, certificate })
    }

    /// The certificate devices are to trust, as a file.
    pub fn der(&self) -> &[u8] {
        &self.certificate
    }

    /// When it ends.
    ///
    /// # Errors
    /// That it does not read.
    pub fn until(&self) -> Result<OffsetDateTime, String> {
        let (_, read) = x509_parser::parse_x509_certificate(&self.certificate).map_err(|e| e.to_string())?;
        Ok(read.validity().not_after.to_datetime())
    }

    /// Its SHA-256, to be compared on two screens: in groups of four pairs, so that a line never breaks within one.
    pub fn fingerprint(&self) -> String {
        let pairs: Vec<String> = Sha256::digest(self.der()).iter().map(|b| format!("{b:02X}")).collect();
        pairs.chunks(4).map(|group| group.join(":")).collect::<Vec<_>>().join(" ")
    }

    /// A certificate for names and addresses of this machine.
    ///
    /// # Errors
    /// What would not be made, in words.
    pub fn leaf(&self, names: &[String], addresses: &[IpAddr], now: OffsetDateTime) -> Result<Leaf, String> {
        let cannot = |e: String| format!("A certificate for this machine cannot be made: {e}");
        let named = names.iter().cloned().chain(addresses.iter().map(ToString::to_string)).collect::<Vec<_>>();
        let mut params = CertificateParams::new(named).map_err(|e| cannot(e.to_string()))?;
        params.distinguished_name.push(DnType::CommonName, "Yoke Turn");
        params.key_usages = vec![KeyUsagePurpose::DigitalSignature];
        params.extended_key_usages = vec![ExtendedKeyUsagePurpose::ServerAuth];
        params.use_authority_key_identifier_extension = true;
        (params.not_before, params.not_after) = (now - BEFORE, now + LEAF_LASTS);
        let pair = KeyPair::generate().map_err(|e| cannot(e.to_string()))?;
        let certificate = params.signed_by(&pair, &self.issuer).map_err(|e| cannot(e.to_string()))?;
        let key = PrivateKeyDer::Pkcs8(PrivatePkcs8KeyDer::from(pair.serialize_der()));
        let signing = rustls::crypto::ring::sign::any_supported_type(&key).map_err(|e| cannot(e.to_string()))?;
        let chain = vec![certificate.der().clone(), self.certificate.clone()];
        Ok(Leaf { key: Arc::new(CertifiedKey::new(chain, signing)), due: now + LEAF_LASTS - RENEWED })
    }
}

/// Writes what only its owner may read, whole or not at all.
pub fn private(path: &Path, bytes: &[u8]) -> Result<(), String> {
    let cannot = |e: std::io::Error| format!("{} cannot be written: {e}", path.display());
    let beside = path.with_extension("new");
    let mut options = OpenOptions::new();
    options.write(true).create(true).truncate(true);
    #[cfg(unix)]
    std::os::unix::fs::OpenOptionsExt::mode(&mut options, 0o600);
    let _ = std::fs::remove_file(&beside);
    let write = || {
        let mut file: File = options.open(&beside)?;
        file.write_all(bytes)?;
        file.sync_all()?;
        std::fs::rename(&beside, path)
    };
    write().map_err(cannot)
}
