//! The version of the reckoning, and what is said of a plan that another one froze.

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
    pub fn says(self) -> String {
        format!(
            "This plan was frozen by version {} of the reckoning; its passes and limits stand as they were frozen, and version {ENGINE} reckons the same. What is drawn and said beside them is by version {ENGINE}.",
            self.0
        )
    }

    /// Said in place of anything made of its plan, where this version reckons it otherwise.
    #[must_use]
    pub fn refuses(self) -> String {
        format!(
            "This plan was frozen by version {} of the reckoning, and version {ENGINE} reckons it otherwise: so nothing is drawn or printed of it here. Go on at the lathe by its passes, which stand as they were frozen.",
            self.0
        )
    }
}
