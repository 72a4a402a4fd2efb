//! Pairs: which member to cut first, the clearance between them, and the second fitted to the first.

mod drawing;
pub mod rules;

use crate::form::Thread;
use crate::outline::Drawing;
use crate::system::Side;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use crate::{MateFacts, PairSchool};
use serde::Serialize;
use yoke_ground::say;

/// One school and what comes of it here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SchoolView {
    /// Which.
    pub school: PairSchool,
    /// As it is said.
    pub says: String,
    /// Its consequence in numbers.
    pub consequence: String,
}

/// A clearance between the members, on diameter, over their limits and as they are.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Clearance {
    /// Where.
    pub at: String,
    /// Least, both members at their fullest.
    pub least: Quantity,
    /// Most; absent where a limit is open.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub most: Option<Quantity>,
    /// Between the sizes made, or aimed at.
    pub now: Quantity,
}

/// The pair.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PairSection {
    /// The school followed.
    pub school: PairSchool,
    /// The school recommended.
    pub recommended: PairSchool,
    /// Why, in one sentence.
    pub reason: String,
    /// All of them, side by side.
    pub schools: Vec<SchoolView>,
    /// Whether this member is made first, second, or to its own limits (absent).
    #[serde(skip_serializing_if = "Option::is_none")]
    pub first: Option<bool>,
    /// The mate as made, when it was measured.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_made_mm: Option<Quantity>,
    /// How far that may be out, where it was reckoned and never measured.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_doubt_mm: Option<Quantity>,
    /// Limits this member is held to: its own, or those that fit the mate as made.
    pub limits_mm: [Quantity; 2],
    /// What this member follows, in words.
    pub says: String,
    /// At the pitch line, the crests and the roots.
    pub clearances: Vec<Clearance>,
    /// How many times as large the gaps are drawn.
    pub gaps_times: f64,
    /// The two in mesh.
    pub drawing: Drawing,
}

/// Which member the drawer can prove by itself, the other not being made.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Provable {
    /// The screw: by wires, a thread micrometer or a ring.
    pub screw: bool,
    /// The nut: by a plug or an inside thread micrometer.
    pub nut: bool,
}

/// A bore smaller than this is proven by a plug that is bought, or by its tap, mm: one so thin bends under its own tool. House value.
pub const LEAST_PLUG_MM: f64 = 3.0;

/// The school recommended, and why: what is proven by itself may come first, and then proves the other.
fn recommend(facts: &MateFacts, proven: Provable, thread: &Thread, voice: Voice) -> (PairSchool, String) {
    let bore = voice.length(thread.basic.minor.value);
    if facts.interchange {
        return (PairSchool::Limits, say!(voice, "pair-interchange"));
    }
    match proven {
        // A screw is crept down to a size under the eye: it is the easier of the two to fit.
        Provable { screw: true, nut: true } => (PairSchool::InternalFirst, say!(voice, "pair-nut-why-both")),
        Provable { screw: true, nut: false } => (PairSchool::ExternalFirst, say!(voice, "pair-screw-why", bore = bore)),
        Provable { screw: false, nut: true } => (PairSchool::InternalFirst, say!(voice, "pair-nut-why")),
        Provable { screw: false, nut: false } if thread.basic.minor.value < LEAST_PLUG_MM => {
            (PairSchool::InternalFirst, say!(voice, "pair-tap-why", bore = bore))
        }
        Provable { screw: false, nut: false } => (PairSchool::InternalFirst, say!(voice, "pair-plug-why", bore = bore)),
    }
}

/// What fitting a pair settled, kept for its section.
pub struct Fitted {
    school: PairSchool,
    recommended: PairSchool,
    reason: String,
    /// The standard's limits of this member, before it followed the mate.
    standard: (Num, Num),
    least: Num,
    says: String,
    /// Whether this member is fitted to the other.
    follows: bool,
}

impl Fitted {
    /// Whether this member is the one fitted to the other.
    pub const fn follows(&self) -> bool {
        self.follows
    }
}

/// Settles the school, and holds the second member to the limits that fit the first as made.
pub fn fit(sheet: &mut Worksheet, facts: &MateFacts, proven: Provable, thread: &mut Thread, watch: &mut Vec<Watch>) -> Fitted {
    let voice = sheet.voice();
    let (recommended, reason) = recommend(facts, proven, thread, voice);
    let school = facts.school.unwrap_or(recommended);
    let standard = thread.own.pitch;
    let side = thread.spec.side;
    let (own, mate) = (thread.own.pitch, thread.mate.pitch);
    let least = facts.clearance_mm.map_or_else(
        || match side {
            Side::External => sheet.apply(&rules::CLEARANCE, [mate.0, own.1]),
            Side::Internal => sheet.apply(&rules::CLEARANCE, [own.0, mate.1]),
        },
        Num::from,
    );
    let (member, other) = if side == Side::External { ("screw", "nut") } else { ("nut", "screw") };
    // The order really followed wins over the school, but not over limits: there each keeps its own.
    let follows = school != PairSchool::Limits && (facts.made_mm.is_some() || school.second() == Some(side));
    let says = match (follows, facts.made_mm) {
        (true, Some(made)) => {
            let band = Num::from(own.1.value - own.0.value);
            // Only reckoned, it may be so much larger or smaller: these are then the sizes among which trying it finds the right one.
            let doubt = facts.doubt_mm.unwrap_or(0.0);
            let [smaller, larger] = [made - doubt, made + doubt].map(Num::from);
            thread.own.pitch = match side {
                Side::Internal => [(smaller, 0.0.into()), (larger, band)].map(|(e, t)| sheet.apply(&rules::FITTED_NUT, [e, least, t])).into(),
                Side::External => [(smaller, band), (larger, 0.0.into())].map(|(i, t)| sheet.apply(&rules::FITTED_SCREW, [i, least, t])).into(),
            };
            if made < mate.0.value - 5e-4 || made > mate.1.value + 5e-4 {
                let text =
                    say!(voice, "pair-own", other = &other, made = voice.length(made), low = voice.length(mate.0.value), high = voice.length(mate.1.value));
                watch.push(Watch::new(Level::Note, Code::PairOwn, "thread", text));
            }
            say!(
                voice,
                if facts.doubt_mm.is_some() { "pair-follows-reckoned" } else { "pair-follows" },
                member = &member,
                other = &other,
                doubt = voice.length(doubt),
                made = voice.length(made),
                low = voice.length(thread.own.pitch.0.value),
                high = voice.length(thread.own.pitch.1.value)
            )
        }
        (true, None) => {
            watch.push(Watch::new(Level::Warn, Code::PairOrder, "thread", say!(voice, "pair-not-measured", other = &other, member = &member)));
            say!(voice, "pair-will-follow", member = &member, other = &other)
        }
        (false, made) if school == PairSchool::Limits => {
            if let Some(made) = made.filter(|made| *made < mate.0.value - 5e-4 || *made > mate.1.value + 5e-4) {
                let [made, low, high] = [made, mate.0.value, mate.1.value].map(|mm| voice.length(mm));
                watch.push(Watch::new(
                    Level::Warn,
                    Code::PairOwn,
                    "thread",
                    say!(voice, "pair-limits-own", other = &other, made = made, low = low, high = high),
                ));
            }
            say!(voice, "pair-keeps", member = &member, other = &other)
        }
        (false, _) => say!(voice, "pair-made-first", member = &member, other = &other),
    };
    Fitted { school, recommended, reason, standard, least, says, follows }
}

/// Sizes of this member as it will be: pitch diameter, crest, root.
#[derive(Debug, Clone, Copy)]
pub struct AsCut {
    /// Pitch diameter, mm.
    pub pitch: Num,
    /// Crest diameter, mm.
    pub crest: Num,
    /// Root diameter, mm.
    pub root: f64,
}

/// The pair section: schools, clearances and the two in mesh.
pub fn section(sheet: &mut Worksheet, facts: &MateFacts, fitted: &Fitted, thread: &Thread, cut: AsCut) -> PairSection {
    let voice = sheet.voice();
    let side = thread.spec.side;
    let middle = |(a, b): (Num, Num)| f64::midpoint(a.value, b.value);
    let open = |(a, b): (Option<Num>, Option<Num>), or: Num| (a.or(b).unwrap_or(or), b.or(a).unwrap_or(or));
    let told = |made: Option<f64>, or: Num| made.map_or(or, Num::from);
    let mate_pitch: Num = facts.made_mm.unwrap_or_else(|| middle(thread.mate.pitch)).into();
    let of = |own: Num, mate: Num| if side == Side::External { [own, mate] } else { [mate, own] };
    let [screw_pitch, nut_pitch] = of(cut.pitch, mate_pitch);
    let (own, mate) = (thread.own, thread.mate);
    let (screw, nut) = if side == Side::External { (own, mate) } else { (mate, own) };
    let (screw_major, nut_major) = (open(screw.major, thread.major), open(nut.major, thread.major));
    let (screw_minor, nut_minor) = (open(screw.minor, thread.basic.minor), open(nut.minor, thread.basic.minor));
    let [major_screw_now, major_nut_now, minor_screw_now, minor_nut_now] = match side {
        Side::External => [cut.crest, told(facts.root_mm, nut_major.0), cut.root.into(), told(facts.crest_mm, middle(nut_minor).into())],
        Side::Internal => [told(facts.crest_mm, middle(screw_major).into()), cut.root.into(), told(facts.root_mm, screw_minor.1), cut.crest],
    };
    let mut clearance = |at: String, screw: (Num, Num), nut: (Num, Num), now: [Num; 2], closed: bool| {
        let mut between = |i: Num, e: Num| Quantity::length(voice, sheet.apply(&rules::CLEARANCE, [i, e]));
        Clearance { at, least: between(nut.0, screw.1), most: closed.then(|| between(nut.1, screw.0)), now: between(now[1], now[0]) }
    };
    let clearances = vec![
        clearance(say!(voice, "pitch-line"), screw.pitch, nut.pitch, [screw_pitch, nut_pitch], true),
        clearance(say!(voice, "pair-screws-crests"), screw_major, nut_major, [major_screw_now, major_nut_now], nut.major.1.is_some()),
        clearance(say!(voice, "pair-nuts-crests"), screw_minor, nut_minor, [minor_screw_now, minor_nut_now], screw.minor.0.is_some()),
    ];
    let band = fitted.standard.1.value - fitted.standard.0.value;
    let mate_band = thread.mate.pitch.1.value - thread.mate.pitch.0.value;
    let says = |id: &'static str, width: f64| {
        let [from, to] = [fitted.least.value, fitted.least.value + width].map(|mm| voice.length(mm));
        say!(voice, id, from = from, to = to)
    };
    let schools = vec![
        SchoolView {
            school: PairSchool::InternalFirst,
            says: say!(voice, "pair-nut-first"),
            consequence: says("pair-nut-first-is", if side == Side::External { band } else { mate_band }),
        },
        SchoolView {
            school: PairSchool::ExternalFirst,
            says: say!(voice, "pair-screw-first"),
            consequence: says("pair-screw-first-is", if side == Side::Internal { band } else { mate_band }),
        },
        SchoolView { school: PairSchool::Limits, says: say!(voice, "pair-limits"), consequence: says("pair-limits-is", band + mate_band) },
    ];
    let gaps = [&clearances[0], &clearances[1], &clearances[2]].map(|c| c.now.value);
    let (drawing, gaps_times) = drawing::mesh(thread, screw_pitch.value, [major_screw_now.value, minor_screw_now.value], gaps, &clearances, voice);
    PairSection {
        school: fitted.school,
        recommended: fitted.recommended,
        reason: fitted.reason.clone(),
        schools,
        first: (fitted.school != PairSchool::Limits).then_some(!fitted.follows),
        mate_made_mm: facts.made_mm.map(|v| Quantity::length(voice, v)),
        mate_doubt_mm: facts.doubt_mm.map(|v| Quantity::length(voice, v)),
        limits_mm: [Quantity::length(voice, own.pitch.0), Quantity::length(voice, own.pitch.1)],
        says: fitted.says.clone(),
        clearances,
        gaps_times,
        drawing,
    }
}
