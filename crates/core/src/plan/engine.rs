//! The version of the reckoning, and what is said of a plan that another one froze.

use crate::say;
use crate::voice::Voice;
/// Version of the reckoning, stored with every frozen plan.
pub const ENGINE: &str = env!("CARGO_PKG_VERSION");

/// Another version of the reckoning.
#[derive(Debug, Clone, Copy)]
pub struct OtherEngine<'v>(&'v str);

impl<'v> OtherEngine<'v> {
    /// The version a plan was frozen by, where it is not this one.
    #[must_use]
    pub fn of(version: &'v str) -> Option<Self> {
        (version != ENGINE).then_some(Self(version))
    }

    /// Said of its plan, where this version reckons the same passes.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        say!(voice, "engine-reckons-the-same", frozen = self.0.to_string(), now = ENGINE)
    }

    /// Said in place of anything made of its plan, where this version reckons it otherwise.
    #[must_use]
    pub fn refuses(self, voice: Voice) -> String {
        say!(voice, "engine-reckons-otherwise", frozen = self.0.to_string(), now = ENGINE)
    }
}
