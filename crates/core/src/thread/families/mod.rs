//! The families of thread: basic sizes and limits of each, worked on the sheet.

pub(crate) mod acme;
mod ba;
pub(super) mod iso;
mod special;
pub(crate) mod square;
mod trapezoidal;
mod unified;
mod whitworth;

use super::class::Class;
use super::spec::{Side, System, ThreadSpec};
use crate::working::{Num, Rule, Sheet};

/// Limits of one member on the sheet, mm: lower, upper.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Limits {
    pub major: (Option<Num>, Option<Num>),
    pub pitch: (Num, Num),
    pub minor: (Option<Num>, Option<Num>),
}

impl Limits {
    /// Limits of the crest the blank is made to: major of a screw, minor of a nut.
    pub(crate) const fn crest(&self, side: Side) -> (Option<Num>, Option<Num>) {
        match side {
            Side::External => self.major,
            Side::Internal => self.minor,
        }
    }

    /// Limits of the root the tip leaves: minor of a screw, major of a nut.
    pub(crate) const fn root(&self, side: Side) -> (Option<Num>, Option<Num>) {
        self.crest(side.other())
    }
}

/// Basic sizes, mm: where thread and gap are equal, and the mate's crest.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Basics {
    pub pitch: Num,
    pub minor: Num,
}

/// One member as asked for.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Ask<'a> {
    pub spec: &'a ThreadSpec,
    pub class: Class,
    pub side: Side,
    pub engagement_mm: Option<f64>,
}

/// Basic sizes of a thread.
pub(super) fn basics(sheet: &mut Sheet, spec: &ThreadSpec) -> Basics {
    match spec.system {
        System::IsoMetric => iso::basics(sheet, spec),
        System::Unified => unified::basics(sheet, spec),
        System::Acme | System::StubAcme => acme::basics(sheet, spec),
        System::Trapezoidal => trapezoidal::basics(sheet, spec),
        System::Whitworth | System::PipeG => whitworth::basics(sheet, spec),
        System::Ba => ba::basics(sheet, spec),
        System::Square => square::basics(sheet, spec),
        System::Special => special::basics(sheet, spec),
    }
}

/// Limits of one member, mm.
pub(super) fn limits(sheet: &mut Sheet, ask: &Ask) -> Limits {
    match (ask.spec.system, ask.class) {
        (System::IsoMetric, Class::Iso { .. }) => iso::limits(sheet, ask),
        (System::Unified, Class::Unified { number, .. }) => unified::limits(sheet, ask, number),
        (System::Acme | System::StubAcme, Class::Acme(number)) => acme::limits(sheet, ask, number),
        (System::Trapezoidal, Class::Iso { pitch_grade, .. }) => trapezoidal::limits(sheet, ask, pitch_grade),
        (System::Whitworth, Class::Whitworth(fit)) => whitworth::limits(sheet, ask, fit),
        (System::PipeG, Class::Pipe { wide }) => whitworth::pipe_limits(sheet, ask, wide),
        (System::PipeG, _) => whitworth::pipe_limits(sheet, ask, false),
        (System::Ba, _) => ba::limits(sheet, ask),
        (System::Square, _) => square::limits(sheet, ask),
        // A class is read for its own system when the facts are settled, so the rest are specials.
        _ => special::limits(sheet, ask),
    }
}

/// Every rule of every family.
pub(super) fn rules() -> Vec<&'static Rule> {
    [iso::ALL, unified::ALL, acme::ALL, trapezoidal::ALL, whitworth::ALL, ba::ALL, square::ALL, special::ALL].concat()
}
