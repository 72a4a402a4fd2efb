//! Buttress threads, which carry their load on one flank: 7° and 45° by the proportions of ASME B1.9, 3° and 30° by DIN 513.
//!
//! No table of either is kept here, so the proportions are recalled, and each is held to a second derivation in the tests: the root is
//! the arc of the standard's radius between the two flanks, the crest what the flanks leave of the pitch.

use super::special::SPECIAL_BAND;
use super::unified::inches;
use super::{Basics, Family, Limits, MemberQuery, Note};
use crate::class::Class;
use crate::quantity::real;
use crate::rules::{self, round4};
use crate::spec::ThreadSpec;
use crate::system::Side;
use crate::voice::Voice;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::says::Sentence;
use yoke_ground::{say, sentence};

rule!(BASIC = "thread.buttress_basic", "Basic diameter", (D: Mm "nominal diameter", k: One "share of the pitch: 0.6 and 1.2 of 7°/45°, 0.75 and 1.5 of 3°/30°", P: Mm "pitch") -> E: Mm,
    "D - k*P", "ASME B1.9, DIN 513 (recalled): heights of 0.6P and 0.75P", D - k * P);
rule!(ROOT = "thread.buttress_root", "Root of the screw", (D: Mm "nominal diameter", k: One "share of the pitch: 1.32542 of 7°/45°, 1.73554 of 3°/30°", P: Mm "pitch") -> d3: Mm,
    "D - k*P", "ASME B1.9, DIN 513 (recalled); the arc of the root's radius between the flanks", D - k * P);
rule!(TOLERANCE = "thread.buttress_tolerance", "Pitch diameter tolerance", (k: One "1 class 2, 2/3 class 3", D: In "nominal diameter", P: In "pitch") -> T: In,
    "round4(k*(0.002*cbrt(D) + 0.0173*sqrt(P)))", "ASME B1.9 for an engagement of ten pitches (recalled)", round4(k * (0.002 * D.cbrt() + 0.0173 * P.sqrt())));
rule!(PLAY = "thread.buttress_play", "What the play between the clearing flanks takes off the screw's pitch diameter", (P: Mm "pitch") -> c: Mm,
    "0.2*sqrt(P)/(tan(3) + tan(30))", "DIN 513 (recalled): 0.1√P mm along the axis", 0.2 * P.sqrt() / (3.0_f64.to_radians().tan() + 30.0_f64.to_radians().tan()));

/// All of them.
static ALL: &[&Rule] = &[&BASIC, &ROOT, &TOLERANCE, &PLAY];

/// A buttress form by its proportions.
pub struct Buttress {
    /// As it is said.
    word: &'static str,
    /// The flank that carries the load and the other, degrees.
    flanks_deg: [f64; 2],
    /// Height of the flanks in touch, in pitches.
    height: f64,
    /// Depth of the root under the nominal diameter, in pitches.
    root: f64,
    /// Radius of the root, in pitches, where the groove is not widened for play beside it.
    radius: Option<f64>,
    /// The classes, where the standard's tolerances are worked.
    classed: bool,
}

/// 7° and 45°, ASME B1.9.
pub static BUTTRESS: Buttress = Buttress { word: "buttress", flanks_deg: [7.0, 45.0], height: 0.6, root: 0.66271, radius: Some(0.07141), classed: true };
/// 3° and 30°, DIN 513.
pub static METRIC: Buttress = Buttress { word: "metric buttress", flanks_deg: [3.0, 30.0], height: 0.75, root: 0.86777, radius: None, classed: false };

impl Buttress {
    /// Tolerance of the pitch diameter in mm, and what the screw stands off its basic size.
    fn room(&self, sheet: &mut Worksheet, query: &MemberQuery) -> (Num, Num) {
        let spec = query.spec;
        let p = Num::from(real(&spec.pitch));
        let Class::Unified { number, .. } = query.class else {
            return (sheet.apply(&SPECIAL_BAND, [real(&spec.major).into(), p]), spec.clearance_mm.map_or_else(|| sheet.apply(&PLAY, [p]), Num::from));
        };
        let [d, pitch] = inches(sheet, spec);
        let mut of = |share: f64| {
            let tolerance = sheet.apply(&TOLERANCE, [share.into(), d, pitch]);
            sheet.apply(&rules::MM_OF_IN, [tolerance])
        };
        let fine = of(2.0 / 3.0);
        (if number == 3 { fine } else { of(1.0) }, fine)
    }
}

impl Family for Buttress {
    fn word(&self) -> &'static str {
        self.word
    }

    fn flanks_deg(&self) -> [f64; 2] {
        self.flanks_deg
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        let [d, p] = [&spec.major, &spec.pitch].map(|n| Num::from(real(n)));
        let [pitch, minor] = [1.0, 2.0].map(|heights| sheet.apply(&BASIC, [d, (heights * self.height).into(), p]));
        Basics { pitch, minor }
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        let [d, p] = [&query.spec.major, &query.spec.pitch].map(|n| Num::from(real(n)));
        let basic = self.basics(sheet, query.spec);
        let (band, off) = self.room(sheet, query);
        if query.side == Side::External {
            let root = sheet.apply(&ROOT, [d, (2.0 * self.root).into(), p]);
            let mut under = |size: Num, off: Num| {
                let most = if off.value > 0.0 { sheet.apply(&rules::LESS, [size, off]) } else { size };
                (sheet.apply(&rules::LESS, [most, band]), most)
            };
            // By DIN 513 the play lies between the flanks alone: crest and root stay where they are.
            let radial = if self.classed { off } else { 0.0.into() };
            let (major, pitch, minor) = (under(d, radial), under(basic.pitch, off), under(root, radial));
            return Limits { major: (Some(major.0), Some(major.1)), pitch, minor: (Some(minor.0), Some(minor.1)) };
        }
        // The nut's root clears the screw's crest by as much as the screw's clears the nut's.
        let clear = Num::from(if self.classed { 2.0 * (self.root - self.height) * p.value } else { 0.0 });
        let mut over = |size: Num| (size, sheet.apply(&rules::PLUS, [size, band]));
        let (pitch, minor, major) = (over(basic.pitch), over(basic.minor), over((d.value + clear.value).into()));
        Limits { major: (Some(major.0), Some(major.1)), pitch, minor: (Some(minor.0), Some(minor.1)) }
    }

    fn usual_class(&self, side: Side, _major_mm: f64) -> Class {
        if self.classed { Class::Unified { number: 2, side } } else { Class::Nominal }
    }

    fn classes(&self, side: Side) -> Vec<Class> {
        if self.classed { [3, 2].map(|number| Class::Unified { number, side }).into() } else { Vec::new() }
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        let class = |number, side| Ok(Class::Unified { number, side });
        match text.trim().to_ascii_uppercase().as_str() {
            "" => Ok(Class::Nominal),
            "2A" if self.classed => class(2, Side::External),
            "3A" if self.classed => class(3, Side::External),
            "2B" if self.classed => class(2, Side::Internal),
            "3B" if self.classed => class(3, Side::Internal),
            _ if self.classed => Err(sentence!("class-buttress", text = &text)),
            _ => Err(sentence!("class-buttress-metric", text = &text)),
        }
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)] {
        if self.classed { &[("0.6627 P", 0.66271)] } else { &[("0.8678 P", 0.86777)] }
    }

    fn root_radius(&self) -> Option<f64> {
        self.radius
    }

    fn takes_clearance(&self) -> bool {
        !self.classed
    }

    fn tolerance_note(&self, _spec: &ThreadSpec, _classes: [Class; 2], voice: Voice) -> Option<Note> {
        Some((Code::ToleranceNominal, if self.classed { say!(voice, "buttress-recalled") } else { say!(voice, "buttress-metric-recalled") }))
    }
}
