//! The door to the shop's network: HTTPS on this machine's own addresses, under an authority of the shop's own, for devices that were let in.

pub mod authority;
pub mod desk;
pub mod devices;
pub mod held;
pub mod opening;
pub mod pages;
pub mod pairing;
pub mod places;
pub mod who;
