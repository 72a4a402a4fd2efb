//! Cards of the operations beside the thread: each with a figure of this part on this lathe, what it does to the thread, and its caution.

use super::line::{CardLine, number, words};
use super::speed::{BROAD, Minutes};
use super::told::OpFacts;
use super::{Member, OpKind};
use crate::cut::{DepthDial, SlideName};
use crate::job::HEXAGON_CORNERS as CORNERS;
use crate::quantity::plain_text;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::working::Quantity;
use std::f64::consts::PI;

/// Left for a reamer on the diameter, mm: up to 13, to 25, over. House values.
const REAMED_MM: [f64; 3] = [0.2, 0.25, 0.3];
/// A knurl filled full grows on the diameter by this share of its pitch: straight, crossed and raised, crossed and sunk.
const GROWS: [f64; 3] = [0.5, 2.0 / 3.0, 1.0 / 3.0];
/// Rise of a turning mandrel over its length: half a millimetre on a metre. Recalled; makers differ, so the mandrel itself is measured.
const MANDREL_RISE: f64 = 0.0005;
/// Left on what is hardened, on the diameter, for scale and movement, mm. House value.
const HARDENED_MM: f64 = 0.25;
/// How much of a groover's width each plunge after the first takes. House value.
const OVERLAP: f64 = 0.8;

/// A card being written.
struct Card<'a> {
    member: &'a Member<'a>,
    told: OpFacts,
    voice: Voice,
    lines: Vec<CardLine>,
}

impl Card<'_> {
    /// A length, to what a micrometer reads.
    fn length(&mut self, line: &'static str, mm: f64) {
        self.lines.push(number(say!(self.voice, line), &Quantity::length(self.voice, mm)));
    }

    /// A length by a rule.
    fn about(&mut self, line: &'static str, mm: f64) {
        self.lines.push(number(say!(self.voice, line), &Quantity::about(self.voice, mm)));
    }

    fn how(&mut self, says: String) {
        self.lines.push(words(say!(self.voice, "line-of-how"), says));
    }

    fn caution(&mut self, id: &'static str) {
        self.lines.push(words(say!(self.voice, "line-of-caution"), say!(self.voice, id)));
    }

    fn speed(&mut self, mm: f64, share: f64) {
        self.lines.push(self.member.speed(mm, share));
    }

    /// The cross-slide's setting so deep from its touch.
    fn dial(&mut self, radial_mm: f64) {
        let dial = DepthDial::new(SlideName::CrossSlide, &self.member.lathe.cross_slide, 0.0).said_in(self.voice.words);
        let setting = dial.nearest(radial_mm).setting;
        self.lines.push(words(say!(self.voice, "line-of-cross-slide"), say!(self.voice, "card-from-touch", dial = setting.text)));
    }

    /// The diameter it is done at: as told, else the thread's own, or what a nut is turned to outside.
    fn at_diameter(&self) -> f64 {
        self.told.diameter_mm.unwrap_or_else(|| self.part_diameter())
    }

    /// The part's own diameter, where what is told is a hole's.
    fn part_diameter(&self) -> f64 {
        let outside = self.member.facts.blank.outside_mm.filter(|_| self.member.plan.thread.side == Side::Internal);
        outside.unwrap_or_else(|| self.member.blank_mm())
    }

    /// Whether a place lies in the thread.
    fn in_the_thread(&self, at: f64) -> bool {
        at < self.member.plan.thread.length_mm.value
    }

    /// What is still to be told before there is a figure.
    fn wants(&mut self, kind: OpKind) {
        let told = self.told.fields();
        let has = |f: &str| told.iter().any(|(field, _, value)| *field == f && value.is_some());
        // The place's own diameter is the part's, where a hole's is not meant.
        let known = |f: &str| f == "diameter_mm" && !matches!(kind, OpKind::Ream | OpKind::CrossDrill);
        let open: Vec<String> = kind.asks().iter().filter(|f| !has(f) && !known(f)).map(|f| say!(self.voice, "op-asks", field = *f)).collect();
        if !open.is_empty() {
            self.lines.push(words(say!(self.voice, "line-of-wants"), open.join(", ")));
        }
    }
}

/// The card of an operation beside the thread.
pub(super) fn card(member: &Member<'_>, kind: OpKind, told: OpFacts, voice: Voice) -> Vec<CardLine> {
    let mut card = Card { member, told, voice, lines: Vec::new() };
    match kind {
        OpKind::Groove => groove(&mut card),
        OpKind::Ream => ream(&mut card),
        OpKind::Knurl => knurl(&mut card),
        OpKind::CrossDrill => cross_drill(&mut card),
        OpKind::Flats | OpKind::Hexagon => flats(&mut card, kind == OpKind::Hexagon),
        OpKind::Slot => slot(&mut card),
        OpKind::Split => split(&mut card),
        OpKind::Mandrel => mandrel(&mut card),
        OpKind::Fit => fit(&mut card),
        OpKind::Weld => weld(&mut card),
        OpKind::Harden => harden(&mut card),
        OpKind::Temper => temper(&mut card),
        OpKind::Polish => polish(&mut card),
        _ => return Vec::new(),
    }
    card.wants(kind);
    card.lines
}

fn groove(card: &mut Card<'_>) {
    let from = card.at_diameter();
    if let Some(depth) = card.told.depth_mm {
        card.length("line-of-to-diameter", from - 2.0 * depth);
        card.dial(depth);
    }
    if let Some(at) = card.told.at_mm {
        card.about("line-of-from-the-face", at);
    }
    if let Some(width) = card.told.width_mm {
        card.length("line-of-wide", width);
        let says = match card.member.plan.blank.parting_mm {
            Some(blade) if blade > width + 1e-6 => say!(card.voice, "card-blade-too-wide", blade = card.voice.given(blade)),
            Some(blade) => {
                let plunges = 1.0 + ((width - blade) / (OVERLAP * blade) - 1e-9).ceil().max(0.0);
                say!(
                    card.voice,
                    "card-plunges",
                    n = plain_text(plunges, 0),
                    blade = card.voice.given(blade),
                    aside = card.voice.about((width - blade).max(0.0))
                )
            }
            None => say!(card.voice, "card-no-blade"),
        };
        card.how(says);
    }
    card.speed(from, BROAD);
}

fn ream(card: &mut Card<'_>) {
    if let Some(d) = card.told.diameter_mm {
        let left = REAMED_MM[usize::from(d > 13.0) + usize::from(d > 25.0)];
        card.length("line-of-to-diameter", d);
        card.about("line-of-left-for-it", left);
        // The drill cuts over: so much under, that this is left.
        card.about("line-of-drill", (crate::blank::rules::DRILL_FOR_HOLE.eval)(&[d - left]));
        card.speed(d, BROAD);
    }
    card.how(say!(card.voice, "card-ream"));
}

fn knurl(card: &mut Card<'_>) {
    let d = card.at_diameter();
    if let Some(pitch) = card.told.pitch_mm {
        let teeth = (PI * d / pitch).floor().max(1.0);
        let blank = teeth * pitch / PI;
        card.length("line-of-knurl-blank", blank);
        card.how(say!(card.voice, "card-knurl-teeth", n = plain_text(teeth, 0), pitch = card.voice.given(pitch)));
        let [straight, raised, sunk] = GROWS.map(|share| card.voice.about(blank + share * pitch));
        card.lines.push(words(say!(card.voice, "line-of-grows-to"), say!(card.voice, "card-knurl-grows", straight = straight, raised = raised, sunk = sunk)));
    }
    card.speed(d, 0.3);
    card.how(say!(card.voice, "card-knurl"));
    card.caution("card-knurl-caution");
}

fn cross_drill(card: &mut Card<'_>) {
    let through = card.part_diameter();
    if let Some(d) = card.told.diameter_mm {
        card.length("line-of-hole", d);
        card.speed(d, 1.0);
    }
    card.about("line-of-through", through);
    card.length("line-of-axis-over", through / 2.0);
    if let Some(at) = card.told.at_mm {
        card.about("line-of-from-the-face", at);
        let says = if card.in_the_thread(at) { say!(card.voice, "card-cross-in-thread") } else { say!(card.voice, "card-cross-beside") };
        card.how(says);
    }
    card.caution("card-cross-caution");
}

fn flats(card: &mut Card<'_>, hexagon: bool) {
    let d = card.at_diameter();
    if let Some(across) = card.told.across_mm {
        card.length("line-of-across-flats", across);
        if hexagon {
            card.about("line-of-across-corners", CORNERS * across);
            let says = if CORNERS * across > d + 1e-6 {
                say!(card.voice, "card-hex-rounded", d = card.voice.given(d))
            } else {
                say!(card.voice, "card-hex-full", side = card.voice.about(across / 3.0_f64.sqrt()))
            };
            card.how(says);
        } else if across < d {
            card.about("line-of-flat-wide", (d * d - across * across).sqrt());
        }
        card.length("line-of-off-each", (d - across) / 2.0);
    }
    if let Some(length) = card.told.length_mm {
        card.about("line-of-long", length);
    }
    card.how(if hexagon { say!(card.voice, "card-hexagon") } else { say!(card.voice, "card-flats") });
}

fn slot(card: &mut Card<'_>) {
    let d = card.at_diameter();
    if let Some(width) = card.told.width_mm {
        card.length("line-of-wide", width);
    }
    if let Some(depth) = card.told.depth_mm {
        card.length("line-of-deep", depth);
    }
    card.length("line-of-to-middle", d / 2.0);
    card.how(say!(card.voice, "card-slot"));
}

fn split(card: &mut Card<'_>) {
    if let Some(width) = card.told.width_mm {
        card.length("line-of-wide", width);
        // What is taken out of the way round closes on the diameter.
        card.length("line-of-closes-by", width / PI);
    }
    card.how(say!(card.voice, "card-split"));
}

fn mandrel(card: &mut Card<'_>) {
    let bore = card.told.diameter_mm.unwrap_or_else(|| card.member.blank_mm());
    let length = card.told.length_mm.unwrap_or(card.member.plan.thread.length_mm.value);
    card.length("line-of-bore", bore);
    card.length("line-of-rises", MANDREL_RISE * length);
    card.how(say!(card.voice, "card-mandrel"));
}

fn fit(card: &mut Card<'_>) {
    if let Some(pair) = &card.member.plan.pair {
        card.lines.push(words(say!(card.voice, "line-of-fitted"), pair.says.clone()));
    }
    card.how(say!(card.voice, "card-fit"));
}

fn weld(card: &mut Card<'_>) {
    card.about("line-of-keep-off", 2.0 * card.at_diameter());
    card.how(say!(card.voice, "card-weld"));
    card.caution("card-weld-caution");
}

/// Materials that harden by heating and quenching.
const HARDENS: [&str; 3] = ["drill_rod", "tool_steel", "alloy_steel"];

fn harden(card: &mut Card<'_>) {
    let material = &card.member.facts.blank.material;
    let hardens = HARDENS.contains(&material.code.as_str());
    card.about("line-of-leave-on", HARDENED_MM);
    card.how(say!(card.voice, "card-harden", hardens = if hardens { "yes" } else { "no" }, material = &material.name));
    card.caution("card-harden-caution");
}

/// Colours a bright steel runs through as it is let down, by their temperature, °C.
const COLOURS: [(f64, &str); 6] =
    [(220.0, "pale-straw"), (240.0, "dark-straw"), (260.0, "brown-purple"), (280.0, "purple"), (300.0, "dark-blue"), (320.0, "pale-blue")];

/// The colour nearest a temperature; none where no colour tells it.
#[must_use]
pub fn temper_colour(temper_c: f64) -> Option<&'static str> {
    if !(210.0..=335.0).contains(&temper_c) {
        return None;
    }
    COLOURS.into_iter().min_by(|a, b| (a.0 - temper_c).abs().total_cmp(&(b.0 - temper_c).abs())).map(|c| c.1)
}

fn temper(card: &mut Card<'_>) {
    if let Some(temper_c) = card.told.temper_c {
        card.lines.push(number(say!(card.voice, "line-of-let-down-to"), &Quantity::plain(temper_c, 0, " °C")));
        let colour = temper_colour(temper_c);
        card.lines.push(words(say!(card.voice, "line-of-color"), say!(card.voice, "card-color", color = colour.unwrap_or("none"))));
    }
    card.how(say!(card.voice, "card-temper"));
    card.caution("card-harden-caution");
}

fn polish(card: &mut Card<'_>) {
    let d = card.at_diameter();
    card.speed(d, 1.0);
    card.how(say!(card.voice, "card-polish"));
    card.caution("card-polish-caution");
}

/// How long it takes: to set, and each. House values.
pub(super) fn minutes(kind: OpKind) -> Option<Minutes> {
    let (set, each) = match kind {
        OpKind::Groove => (2.0, 2.0),
        OpKind::Ream => (1.0, 2.0),
        OpKind::Knurl => (3.0, 2.0),
        OpKind::CrossDrill => (5.0, 4.0),
        OpKind::Flats => (3.0, 8.0),
        OpKind::Hexagon => (4.0, 18.0),
        OpKind::Slot => (3.0, 5.0),
        OpKind::Split => (3.0, 6.0),
        OpKind::Mandrel => (2.0, 2.0),
        OpKind::Fit => (0.0, 5.0),
        OpKind::Weld => (10.0, 10.0),
        OpKind::Harden => (15.0, 8.0),
        OpKind::Temper => (5.0, 5.0),
        OpKind::Polish => (0.0, 2.0),
        _ => return None,
    };
    Some(Minutes { set, each })
}
