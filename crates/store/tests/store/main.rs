//! Every trial of the store, on real files, in one program.
#![allow(missing_docs, clippy::unwrap_used, clippy::panic)]

mod backups;
mod common;
mod store;
