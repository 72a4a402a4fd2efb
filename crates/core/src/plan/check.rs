//! The one check before the first chip: each line green or red with its number and its cure, or plainly not known.
//!
//! What was judged at the stations is not judged again here: a line stands on the watch of its station, and on what the sections
//! say. A cure that can be made by changing a fact carries the change itself, so that it can be made by one touch and tested.

use crate::cut::PassKind;
use crate::direction::Carriage;
use crate::gears::DialRule;
use crate::job::{Chuck, EndKind, Ending, Job, Lathe, Proof, Speeds, Support};
use crate::plan::Plan;
use crate::quantity::{SHOWN_MM, large_first, up_to};
use crate::setup::{SetupSection, SpeedLimit};
use crate::thread::Side;
use crate::thread::section::LOAD_FACES;
use crate::watch::Level;
use crate::watch::{Code, DOUBTFUL_SHARE};
use crate::working::round_to_nine;
use serde::Serialize;
use serde_json::{Value, json};

/// How a line stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum State {
    /// As it should be.
    Good,
    /// Not to be cut like this.
    Bad,
    /// Not known.
    Unknown,
}

/// What to change.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Cure {
    /// In words.
    pub says: String,
    /// The change itself, as a part of a plan request; under `lathe`, a change of the lathe. Absent where it is done at the
    /// bench or at the shop.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(value_type = Option<Object>))]
    pub change: Option<Value>,
}

/// One line of the check.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CheckLine {
    /// Stable code.
    pub code: &'static str,
    /// What is checked, in a word or two.
    pub name: String,
    /// The station it belongs to.
    pub station: &'static str,
    /// How it stands.
    pub state: State,
    /// With its number.
    pub says: String,
    /// What to change; absent when it is good.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub cure: Option<Cure>,
}

/// The whole check.
#[derive(Debug, Clone, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Check {
    /// Whether nothing stands against the first chip.
    pub ready: bool,
    /// In one sentence.
    pub says: String,
    /// Lines, in working order.
    pub lines: Vec<CheckLine>,
}

struct Line<'a> {
    list: Vec<CheckLine>,
    plan: &'a Plan,
    /// Watch codes that some line answers for.
    answered: Vec<Code>,
}

impl Line<'_> {
    fn put(&mut self, code: &'static str, name: &str, station: &'static str, (state, says, cure): LineFinding) {
        self.list.push(CheckLine { code, name: self.plan.voice.fill(name), station, state, says, cure });
    }

    /// What the stations say against it under any of these codes.
    fn against(&mut self, codes: &[Code]) -> Option<String> {
        self.answered.extend(codes);
        let said: Vec<&str> = self.plan.watch.iter().filter(|w| w.level != Level::Note && codes.contains(&w.code)).map(|w| w.text.as_str()).collect();
        (!said.is_empty()).then(|| said.join(" "))
    }
}

type LineFinding = (State, String, Option<Cure>);

fn good(says: impl Into<String>) -> LineFinding {
    (State::Good, says.into(), None)
}

fn bad(says: impl Into<String>, cure: impl Into<String>, change: Option<Value>) -> LineFinding {
    (State::Bad, says.into(), Some(Cure { says: cure.into(), change }))
}

fn unknown(says: impl Into<String>, cure: impl Into<String>, change: Option<Value>) -> LineFinding {
    (State::Unknown, says.into(), Some(Cure { says: cure.into(), change }))
}

/// Makes the check of a plan just reckoned.
#[must_use]
pub fn check(plan: &Plan, job: &Job, lathe: &Lathe) -> Check {
    let mut lines = Line { list: Vec::new(), plan, answered: Vec::new() };
    stock(&mut lines, plan);
    stick_out(&mut lines, plan, job);
    wall(&mut lines, plan);
    ends_true(&mut lines, plan);
    gears(&mut lines, plan, job, lathe);
    hand(&mut lines, plan);
    load_flank(&mut lines, plan, job);
    tool(&mut lines, plan);
    relief(&mut lines, plan, job);
    open_end(&mut lines, plan, job);
    speed(&mut lines, plan, job);
    dial(&mut lines, plan);
    chuck(&mut lines, plan, lathe, job);
    compound(&mut lines, plan, job);
    passes(&mut lines, plan);
    mate(&mut lines, plan);
    proof(&mut lines, plan);
    if let Some(why) = lines.against(&[Code::NewerFields]) {
        lines.put("newer_fields", "All that is kept was read", "thread", unknown(why, "Use the newer program that wrote it.", None));
    }
    // No danger and no warning goes unsaid, whatever station found it.
    let rest: Vec<_> = plan.watch.iter().filter(|w| w.level != Level::Note && !lines.answered.contains(&w.code)).cloned().collect();
    for watch in rest {
        lines.put(watch.code.name(), "Also", watch.station, bad(watch.text, "See its station.", None));
    }
    lines.list.iter_mut().filter_map(|l| l.cure.as_mut()?.change.as_mut()).for_each(tidy);
    let count = |state| lines.list.iter().filter(|l| l.state == state).count();
    let (wrong, open) = (count(State::Bad), count(State::Unknown));
    let known = match open {
        0 => String::new(),
        1 => " One thing is not known.".into(),
        n => format!(" {n} things are not known."),
    };
    let says = match wrong {
        0 => format!("Nothing stands against the first chip.{known}"),
        1 => format!("Not yet: one thing to put right.{known}"),
        n => format!("Not yet: {n} things to put right.{known}"),
    };
    Check { ready: wrong == 0, says, lines: lines.list }
}

/// Figures to nine places, as they are sent.
fn tidy(change: &mut Value) {
    match change {
        Value::Object(map) => map.values_mut().for_each(tidy),
        Value::Array(list) => list.iter_mut().for_each(tidy),
        Value::Number(n) if n.is_f64() => *change = n.as_f64().map_or(Value::Null, |v| round_to_nine(v).into()),
        _ => {}
    }
}

fn stock(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::BlankSize, Code::BoreLimits]);
    let internal = plan.thread.side == Side::Internal;
    let name = if internal { "Bore" } else { "Blank" };
    let wanted = format!("{} to {}", plan.blank.min_mm.text, plan.blank.max_mm.text);
    let verb = if internal { "Bore it" } else { "Turn it" };
    lines.put(
        "stock",
        name,
        "blank",
        match against {
            Some(why) => bad(why, format!("{verb} to {}.", plan.blank.aim_mm.text), Some(json!({"blank": {"diameter_mm": null}}))),
            // The stations warn of what spoils the fit; what is outside its limits at all is not called within them.
            None if plan.blank.measured && !(plan.blank.min_mm.value - SHOWN_MM..=plan.blank.max_mm.value + SHOWN_MM).contains(&plan.blank.used_mm.value) => {
                bad(
                    format!("{} is outside {wanted}.", plan.blank.used_mm.text),
                    format!("{verb} to {}.", plan.blank.aim_mm.text),
                    Some(json!({"blank": {"diameter_mm": null}})),
                )
            }
            None if plan.blank.measured => good(format!("{}, within {wanted}.", plan.blank.used_mm.text)),
            None => unknown(
                format!("Not measured: {wanted} is wanted."),
                format!("{verb}, measure, and tell it; aim at {}.", plan.blank.aim_mm.text),
                Some(json!({"blank": {"diameter_mm": plan.blank.aim_mm.value}})),
            ),
        },
    );
}

fn stick_out(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let against = lines.against(&[Code::Stickout]);
    let Some(slender) = &plan.blank.slenderness else { return };
    let (how, change) = match slender.asks {
        Some(Support::Centre) => ("Bring up the tailstock.", Some(json!({"blank": {"support": "centre"}}))),
        Some(_) => ("Set a steady.", Some(json!({"blank": {"support": "steady"}}))),
        None => {
            ("No support serves work so thin or held so already: leave the thread a little full and finish it with a die, or make it entirely by one.", None)
        }
    };
    lines.put(
        "stick_out",
        "Stick-out",
        "blank",
        match against {
            Some(why) => bad(why, how, change),
            None if job.blank.stick_out_mm.is_none() => unknown(
                format!("How far it stands out was not told; no less than the thread itself. {}", slender.says),
                "Measure it from the jaws, and tell it.",
                None,
            ),
            None => good(slender.says.clone()),
        },
    );
}

/// The first thread's chamfer, and how true the work runs where that matters.
fn ends_true(lines: &mut Line<'_>, plan: &Plan) {
    if let Some(why) = lines.against(&[Code::Chamfer]) {
        let to = plan.blank.chamfer_wanted_mm.value;
        let to = if plan.thread.side == Side::Internal { plan.voice.rule_over(to) } else { plan.voice.rule_under(to) };
        lines.put("chamfer", "Chamfer", "blank", bad(why, format!("Take it to {}.", plan.voice.about(to)), Some(json!({"blank": {"chamfer_mm": to}}))));
    }
    let against = lines.against(&[Code::Runout]);
    if let Some(run_out) = &plan.blank.run_out {
        lines.put(
            "run_out",
            "Runs true",
            "blank",
            match against {
                Some(why) => bad(why, run_out.mend.clone(), Some(json!({"blank": {"runout_mm": 0.0}}))),
                None => good(run_out.does.clone()),
            },
        );
    }
    if let Some(why) = lines.against(&[Code::Taper]) {
        let mend = plan.blank.parallel.as_ref().map_or_else(String::new, |p| p.mend.clone());
        lines.put("parallel", "Turns parallel", "blank", bad(why, mend, Some(json!({"blank": {"parallel": null}}))));
    }
}

/// The wall round a bore.
fn wall(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::WallThin]);
    let Some(wall) = &plan.blank.wall else { return };
    let soft = wall.pressed.then(|| json!({"blank": {"holding": "faceplate"}}));
    lines.put(
        "wall",
        "Wall",
        "blank",
        match against {
            Some(why) if wall.pressed => bad(why, "Clamp it by its face, on the faceplate, or hold it in what presses it all round.", soft),
            Some(why) => bad(why, "The part must be larger outside, or the thread smaller: no way of holding it mends that.", None),
            None => good(wall.says.clone()),
        },
    );
}

/// A number of passes of the user's own.
fn passes(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::Passes]);
    let rows = plan.cut.passes.iter().filter(|p| matches!(p.kind, PassKind::Cut | PassKind::Stocking));
    let (count, most) = rows.fold((0, 0.0_f64), |(n, a), p| (n + 1, a.max(p.chip_mm2)));
    lines.put(
        "passes",
        "Passes",
        "cut",
        match against {
            Some(why) => bad(why, "Leave the passes to the app.", Some(json!({"cut": {"passes": null, "rows": []}}))),
            None => good(
                format!(
                    "{count} {}, of up to {} each. {}",
                    if count == 1 { "cut" } else { "cuts" },
                    plan.voice.area(most),
                    plan.cut.lightened.as_deref().unwrap_or_default()
                )
                .trim()
                .to_owned(),
            ),
        },
    );
}

fn gears(lines: &mut Line<'_>, plan: &Plan, job: &Job, lathe: &Lathe) {
    let against = lines.against(&[Code::TrainUnfit]);
    let hang = |row: &crate::gears::TrainRow| json!({"gears": {"hang": {"drivers": row.drivers, "driven": row.driven, "gearbox": row.gearbox}}});
    let other = plan.gears.trains.iter().find(|r| r.fits != Some(false) && r.why_not.is_none());
    let name = "Gears hang";
    match (&plan.gears.hung, against) {
        (None, why) => {
            let facts = &job.gears;
            let narrowed = facts.max_error.is_some() || facts.gearbox.is_some() || facts.keep.is_some() || facts.max_changes.is_some();
            let open = json!({"gears": {"exact_only": null, "max_error_ppm": null, "gearbox": null, "keep": null, "max_changes": null, "hang": null}});
            lines.put(
                "gears_hang",
                name,
                "gears",
                bad(
                    why.unwrap_or_default(),
                    if narrowed { "Look for trains without those bounds." } else { "Add gears to the lathe, or see which to make or buy." },
                    narrowed.then_some(open),
                ),
            );
            return;
        }
        (Some(hung), Some(why)) => {
            let free = other.filter(|r| r.drivers != hung.train.drivers || r.driven != hung.train.driven);
            lines.put(
                "gears_hang",
                name,
                "gears",
                match (free, hung.chosen) {
                    (_, true) => bad(why, "Leave the train to the app.", Some(json!({"gears": {"hang": null}}))),
                    (Some(row), false) => bad(why, format!("Hang {} instead.", teeth(row)), Some(hang(row))),
                    (None, false) => bad(why, "No train of these gears hangs: see near sizes, and which gear to make or buy.", None),
                },
            );
        }
        (Some(hung), None) => lines.put(
            "gears_hang",
            name,
            "gears",
            if hung.train.fits.is_none() {
                unknown(
                    format!("{}: by tooth counts alone, the arm is not measured.", teeth(&hung.train)),
                    "Hang it with a slip of paper in each mesh, and turn it by hand.",
                    None,
                )
            } else {
                let tight = hung.clearances.first().map_or_else(String::new, |c| format!(" Tightest, {}: {}.", c.between, c.room_mm.text));
                good(format!("{}.{tight}", teeth(&hung.train)))
            },
        ),
    }
    let Some(hung) = &plan.gears.hung else { return };
    lines.put(
        "gears_on",
        "Gears are on",
        "gears",
        if hung.train.swaps == 0 {
            good(format!("{} is on the lathe{}.", teeth(&hung.train), lever(&hung.train)))
        } else {
            // A lathe with nothing on it is one whose gears nobody told.
            let untold = lathe.mounted.drivers.is_empty() && lathe.mounted.driven.is_empty();
            let says = if untold { format!("{} is wanted; what hangs there was not told.", teeth(&hung.train)) } else { to_change(&hung.train, lathe) };
            let judged = if untold { unknown } else { bad };
            judged(
                says,
                "Machine isolated, hang it, guard back on; then say it is on.",
                Some(json!({"lathe": {"mounted": {"drivers": hung.train.drivers, "driven": hung.train.driven}}})),
            )
        },
    );
    let error = lines.against(&[Code::LeadError]);
    lines.put(
        "lead",
        "Lead true",
        "gears",
        match error {
            Some(why) => {
                let truer =
                    plan.gears.trains.iter().find(|r| r.fits != Some(false) && r.why_not.is_none() && r.error_ppm.abs() < 0.3 * hung.train.error_ppm.abs());
                match truer {
                    Some(row) => bad(why, format!("Hang {}: {}.", teeth(row), row.error_text), Some(hang(row))),
                    None => {
                        // As much of the room as is harmless, and a hair under it.
                        let room = plan.gauge.max_mm.value - plan.gauge.min_mm.value;
                        let engaged = plan.thread.engagement_mm.value;
                        let shorter = engaged * room * DOUBTFUL_SHARE / hung.takes_mm.value.abs().max(1e-9) * CLOSER_WHEN_SHORT;
                        if shorter < plan.thread.pitch_mm.value {
                            bad(why, "No nut is short enough for it: buy the gear that makes it true.", None)
                        } else {
                            bad(
                                why,
                                format!("Engage no more than {} of nut, or buy the gear that makes it true.", plan.voice.about(shorter)),
                                Some(json!({"thread": {"engagement_mm": shorter}})),
                            )
                        }
                    }
                }
            }
            None => good(hung.judged.clone()),
        },
    );
}

/// A shorter mate is given a closer tolerance by some standards: at the least, this share of the room.
const CLOSER_WHEN_SHORT: f64 = 0.6;

/// What hangs there and what comes off and goes on, in words.
fn to_change(row: &crate::gears::TrainRow, lathe: &Lathe) -> String {
    let [off, on] = yoke_gears::changes(row.drivers.iter().copied(), row.driven.iter().copied(), &lathe.mounted);
    let some = |n: usize, way: &str| (n > 0).then(|| format!("{n} {} {way}", if n == 1 { "gear" } else { "gears" }));
    let list: Vec<String> = some(off, "to take off").into_iter().chain(some(on, "to hang")).collect();
    format!("{} is wanted: {}.", teeth(row), list.join(", "))
}

/// A train as it is said.
fn teeth(row: &crate::gears::TrainRow) -> String {
    let pairs = row.drivers.iter().zip(&row.driven).map(|(a, b)| format!("{a}/{b}"));
    pairs.collect::<Vec<_>>().join(" · ")
}

fn lever(row: &crate::gears::TrainRow) -> String {
    if row.gearbox == "direct" { String::new() } else { format!("; lever at {}", row.gearbox) }
}

fn hand(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::WrongHand]);
    let (motion, wanted) = (&plan.setup.motion, plan.thread.hand);
    let way = Some(json!({"setup": {"way": null}}));
    lines.put(
        "hand",
        "Hand",
        "setup",
        match (motion.hand, against) {
            (_, Some(why)) if plan.setup.hand_cut != wanted => bad(why, "Let the carriage run the way that suits the hand.", way),
            (Some(given), _) if given != wanted => bad(motion.says.clone(), "Hang the train with the idlers shown.", Some(json!({"gears": {"hang": null}}))),
            (_, Some(why)) => bad(why, "Hang one idler more, or one fewer.", Some(json!({"gears": {"hang": null}}))),
            (None, None) => unknown("Nothing is known of the tumbler.", "Turn the spindle once by hand and see which way the carriage goes.", None),
            (Some(given), None) => good(format!("A {} thread, as wanted.", given.word())),
        },
    );
}

/// Which flank carries the load, of a thread whose flanks are not alike.
fn load_flank(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let Some(flanks) = plan.thread.flanks_deg else { return };
    let met = flanks.says();
    lines.put(
        "load_flank",
        "Flank that carries the load",
        "thread",
        match job.thread.load_faces {
            Some(faces) => good(format!("It faces the {}: the tool meets {met}.", faces.word())),
            None => unknown(
                format!("Which way it faces was not told: the {} is taken, so the tool meets {met}.", LOAD_FACES.word()),
                "Hold the drawing to the lathe and tell it: turned about, the thread carries its load on the wrong flank.",
                None,
            ),
        },
    );
}

fn tool(lines: &mut Line<'_>, plan: &Plan) {
    let voice = plan.voice;
    let bit = &plan.bit;
    let internal = plan.thread.side == Side::Internal;
    let against = lines.against(&[Code::ToolUnfit, Code::BarUnfit, Code::ToolGone]);
    let serves = bit.drawer.tools.iter().find(|t| t.serves);
    let picked = bit.drawer.tools.iter().find(|t| t.picked);
    let pick = |name: &str| json!({"bit": {"owned": name, "tip_flat_mm": null, "tip_radius_mm": null, "tip_flat_between_mm": null, "tip_radius_between_mm": null, "included_angle_deg": null}});
    lines.put(
        "tool_in",
        if internal { "Tool goes in" } else { "Tool" },
        "bit",
        match (against, picked) {
            (Some(why), _) => match serves {
                Some(tool) => bad(why, format!("Use {}.", tool.name), Some(pick(&tool.name))),
                None => bad(
                    why,
                    bit.drawer.otherwise.clone().unwrap_or_else(|| "Grind one for it.".into()),
                    Some(json!({"bit": {"owned": null}})).filter(|_| picked.is_some() && !internal),
                ),
            },
            (None, Some(tool)) => good(format!("{}. {}", tool.name, tool.says.first().map_or("", String::as_str))),
            (None, None) if internal => unknown(
                match &bit.drawer.span_mm {
                    Some(span) => format!("No bar was picked: at most {} tip to back goes in.", span.text),
                    None => "No bar was picked.".into(),
                },
                serves.map_or_else(|| "Pick one from the drawer.".to_owned(), |t| format!("Use {}.", t.name)),
                serves.map(|t| pick(&t.name)),
            ),
            (None, None) => unknown(
                "No bit was picked from the drawer.",
                serves.map_or_else(|| "Grind one for it.".to_owned(), |t| format!("Use {}.", t.name)),
                serves.map(|t| pick(&t.name)),
            ),
        },
    );
    let rubs = lines.against(&[Code::FlankRubs, Code::TrailingRelief]);
    let heel = lines.against(&[Code::HeelRubs]);
    let wanted = bit.grind.sides.iter().map(|s| format!("{} {}", voice.eye(up_to(s.front_deg.value, 2.0)), s.side)).collect::<Vec<_>>().join(", ");
    let [leading, trailing] = [0, 1].map(|i| up_to(bit.grind.sides[i].front_deg.value, 2.0));
    let ground = Some(json!({"bit": {"leading_relief_deg": leading, "trailing_relief_deg": trailing}}));
    lines.put(
        "tool_clears",
        "Both sides clear",
        "bit",
        match (heel, rubs) {
            (Some(why), None) => bad(why, plan.voice.fill("Set it on {center}, and tell it."), Some(json!({"bit": {"height_mm": 0}}))),
            (Some(why), Some(rubs)) => bad(
                format!("{why} {rubs}"),
                format!("Set it on {}, and grind its sides to {wanted}.", plan.voice.words().center),
                Some(json!({"bit": {"height_mm": 0, "leading_relief_deg": leading, "trailing_relief_deg": trailing}})),
            ),
            (None, Some(why)) => bad(why, format!("Grind its sides to {wanted}."), ground),
            (None, None) if bit.grind.sides.iter().all(|s| s.ground_deg.is_some()) => good(format!("Ground past what the thread takes; {wanted} was wanted.")),
            (None, None) => unknown("What its sides were ground to was not told.", format!("Grind {wanted}, and tell it."), ground),
        },
    );
    let wrong = lines.against(&[Code::TipTooWide, Code::RootPastMinor, Code::BitAngle, Code::TipNotRound]);
    let radius = bit.tip_radius_mm.as_ref().map(|r| r.aim.value);
    let aim = json!({"bit": {
        "tip_flat_mm": if radius.is_none() { json!(bit.tip_flat_mm.aim.value) } else { Value::Null },
        "tip_radius_mm": radius, "tip_flat_between_mm": null, "tip_radius_between_mm": null,
        "included_angle_deg": plan.thread.included_angle_deg, "square_deg": null, "rake_deg": null, "height_mm": null,
    }});
    let to = bit.tip_radius_mm.as_ref().map_or_else(|| format!("a flat of {}", bit.tip_flat_mm.aim.text), |r| format!("a radius of {}", r.aim.text));
    lines.put(
        "tip",
        "Tip",
        "bit",
        match wrong {
            Some(why) => bad(why, format!("Grind it true, with {to}."), Some(aim)),
            None if bit.measured => good(format!("{}.", bit.says)),
            None => {
                let stop = &plan.cut.radial_mm.text;
                unknown(format!("{}. The passes stop at {stop}, to be measured.", bit.says), format!("Measure it; {to} is the aim."), Some(aim))
            }
        },
    );
}

fn relief(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let Some(relief) = &plan.blank.relief else {
        lines.answered.extend([Code::ReliefNarrow, Code::ReliefShallow]);
        return;
    };
    let facts = &job.blank;
    let voice = plan.voice;
    let internal = plan.thread.side == Side::Internal;
    let deep = if internal { voice.turned_over(relief.diameter_mm.value) } else { voice.turned_under(relief.diameter_mm.value) };
    let name = match relief.end {
        EndKind::PlungedRing => "ring",
        EndKind::DrilledPocket => "pocket",
        _ => "relief",
    };
    let wants = format!("{} across and {} wide", relief.diameter_mm.text, relief.width_mm.text);
    let shallow = lines.against(&[Code::ReliefShallow]);
    lines.put(
        "relief_depth",
        "Relief deep enough",
        "blank",
        match (shallow, facts.relief_diameter_mm) {
            (Some(why), _) => bad(why, format!("Take it to {}.", voice.coarse(deep)), Some(json!({"blank": {"relief_diameter_mm": deep}}))),
            (None, Some(there)) => good(format!(
                "{}, past the deepest this tip reaches by {}.",
                voice.coarse(there),
                voice.coarse(0.1 + (there - relief.diameter_mm.value).abs() / 2.0)
            )),
            (None, None) => unknown(
                format!("No {name} told: this tip wants {wants}."),
                "Turn it before the thread, and tell it.",
                Some(json!({"blank": {"relief_diameter_mm": deep}})),
            ),
        },
    );
    let narrow = lines.against(&[Code::ReliefNarrow]);
    let width = voice.rule_over(relief.width_mm.value);
    let stop = if plan.setup.carriage == Carriage::TowardHeadstock { "to stop in" } else { "to start in" };
    let corner = facts
        .relief_corner_mm
        .zip(relief.corner_mm.as_ref())
        .filter(|(there, most)| *there > most.value + 1e-6)
        .map(|(_, most)| voice.turned_under(most.value));
    let too_narrow = facts.relief_width_mm.is_some_and(|w| w < relief.width_mm.value - 1e-6);
    lines.put(
        "relief_width",
        "Relief wide enough",
        "blank",
        match (narrow, facts.relief_width_mm) {
            (_, _) if plan.blank.body_ahead_mm.is_none() => bad(
                "What stands ahead of the point in the bore, the bar's nose or its screw, was not told: it meets the end first.",
                "Measure from the point to whatever stands foremost, and tell it.",
                None,
            ),
            (Some(why), _) => {
                let mut change = json!({});
                if too_narrow {
                    change["blank"]["relief_width_mm"] = json!(width);
                }
                if let Some(corner) = corner {
                    change["blank"]["relief_corner_mm"] = json!(corner);
                }
                // A ring or a pocket leaves no room to stop under power, however wide it is made.
                if (!too_narrow && corner.is_none()) || (relief.end != EndKind::Relief && plan.setup.carriage == Carriage::TowardHeadstock) {
                    change["setup"]["ending"] = json!("hand");
                }
                let cure = if too_narrow {
                    format!("Widen it to {}.", voice.about(width))
                } else if corner.is_some() {
                    "Leave a smaller radius in its corners.".into()
                } else {
                    "Turn the spindle by hand for the last turns.".to_owned()
                };
                bad(why, cure, Some(change))
            }
            (None, Some(there)) => good(format!("{} {stop}, {} needed.", voice.coarse(there), relief.width_mm.text)),
            (None, None) => unknown(
                format!("Its width was not told: {} {stop} is needed.", relief.width_mm.text),
                format!("Make it at least {}.", voice.about(width)),
                Some(json!({"blank": {"relief_width_mm": width}})),
            ),
        },
    );
}

/// What stands beyond an end with nothing turned there, what the cut meets at the tailstock, and the stroke back.
fn open_end(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let against = lines.against(&[Code::EndRoom]);
    let internal = plan.thread.side == Side::Internal;
    if let Some(beyond) = &plan.blank.beyond {
        let voice = plan.voice;
        let needs = voice.rule_over(beyond.needs_mm.value);
        lines.put(
            "end_room",
            "Beyond the end",
            "blank",
            match (against, &beyond.gap_mm) {
                (_, Some(_)) if internal && plan.blank.body_ahead_mm.is_none() => bad(
                    "What stands ahead of the point, the bar's nose or its screw, was not told: it meets what is behind the bore first.",
                    "Measure from the point to whatever stands foremost, and tell it.",
                    None,
                ),
                (Some(why), None) if job.setup.runout_mm.is_some_and(|room| over_the_room(plan, room)) => bad(
                    why,
                    "Turn a groove to start in, and turn the spindle by hand.",
                    Some(json!({"blank": {"end": null}, "setup": {"ending": "hand", "spindle_rpm": null}})),
                ),
                (Some(why), None) => bad(why, "Turn a groove to start in.", Some(json!({"blank": {"end": null}}))),
                (Some(why), Some(_)) => {
                    let (says, change) = if job.blank.end == Some(EndKind::Withdraw) && plan.setup.carriage == Carriage::AwayFromHeadstock {
                        let tight = job.blank.beyond_mm.is_some_and(|there| there < needs);
                        let room = if tight { format!(", and make {} of room behind it", voice.about(needs)) } else { String::new() };
                        let mut change = json!({"blank": {"end": null}});
                        if tight {
                            change["blank"]["beyond_mm"] = json!(needs);
                        }
                        (format!("Turn a groove to start in{room}."), change)
                    } else if beyond.jaws {
                        let out = voice.rule_over(plan.thread.length_mm.value + needs);
                        (format!("Let it stand out {}.", voice.about(out)), json!({"blank": {"stick_out_mm": out}}))
                    } else {
                        (format!("Make {} of room there, and tell it.", voice.about(needs)), json!({"blank": {"beyond_mm": needs}}))
                    };
                    bad(why, says, Some(change))
                }
                (None, Some(_)) => good(beyond.says.clone()),
                (None, None) if job.setup.runout_mm.is_some() => room_told(plan, job.setup.runout_mm.unwrap_or(0.0)),
                (None, None) => unknown(beyond.says.clone(), "Measure from the end of the thread to whatever stands there, and tell it.", None),
            },
        );
    }
    let setup = &plan.setup;
    if setup.carriage == Carriage::AwayFromHeadstock && setup.ending != Ending::Hand {
        let held = job.blank.support != Support::None && !internal;
        lines.put(
            "tail_room",
            "Room at the tailstock",
            "setup",
            match job.setup.runout_mm {
                Some(room) => room_told(plan, room),
                None => unknown(
                    format!(
                        "The cut runs toward {}, and the room there was not told; it runs on {} after the hand moves.",
                        if held { plan.voice.fill("the {center}") } else { "the tailstock".to_owned() },
                        setup.stopping_mm.text
                    ),
                    "Measure from the end of the thread to where the carriage, the slide or the tool would meet it, and tell it.",
                    None,
                ),
            },
        );
    }
    if let Some(back) = &setup.comes_back {
        lines.put("comes_back", "Coming back", "setup", good(back.says.clone()));
    }
}

/// How far a lathe's slowest speed may be over a table of starting speeds before the edge is surely burnt. House value.
const STARTING_SPREAD: f64 = 1.5;

/// Whether the carriage runs on past a room that was told.
fn over_the_room(plan: &Plan, room: f64) -> bool {
    plan.setup.ending != Ending::Hand && plan.setup.stopping_mm.value > room + SHOWN_MM
}

/// A room to stop in that was told, against what stopping takes.
fn room_told(plan: &Plan, room: f64) -> LineFinding {
    let (setup, there) = (&plan.setup, plan.voice.thou(room));
    if setup.ending == Ending::Hand {
        return good(format!("{there} to stop in, as told; turned by hand it stops where the hand does."));
    }
    let takes = &setup.stopping_mm;
    if over_the_room(plan, room) {
        let by_hand = Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}}));
        return bad(format!("{there} to stop in, as told, where it runs on {}.", takes.text), "Turn the spindle by hand, or make room there.", by_hand);
    }
    good(format!("{there} to stop in, as told; it runs on {}.", takes.text))
}

fn speed(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    lines.answered.push(Code::Stopping);
    let setup: &SetupSection = &plan.setup;
    let (speed, limit) = (setup.speed_rpm.value, setup.limit_rpm.value);
    let by_hand = setup.ending == Ending::Hand;
    let has = match &setup.lathe_speeds {
        Speeds::Steps(list) => list.iter().any(|s| (s - speed).abs() < 1e-6),
        Speeds::Between { from, to } => (*from..=*to).contains(&speed),
    };
    let chosen = job.setup.spindle_rpm.is_some();
    let auto = json!({"setup": {"spindle_rpm": null}});
    let binds = setup.speed_limit.says();
    lines.put(
        "speed",
        "Speed",
        "setup",
        if by_hand {
            good("The spindle is turned by hand.")
        } else if chosen && (!has || (speed > limit + 1e-9 && setup.lathe_speeds.slowest() <= limit)) {
            let why = if has {
                format!("{} is over {}: {binds} allows no more.", setup.speed_rpm.text, setup.limit_rpm.text)
            } else {
                format!("{} is no speed of this lathe.", setup.speed_rpm.text)
            };
            if setup.lathe_speeds.slowest() > limit + 1e-9 {
                bad(
                    why,
                    "Turn the spindle by hand: even the slowest is over what is allowed here.",
                    Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}})),
                )
            } else {
                bad(why, "Leave the speed to the app.", Some(auto))
            }
        } else if speed > limit + 1e-9 && setup.speed_limit == SpeedLimit::Hand {
            unknown(
                format!("The slowest, {}, is over the {} that {binds} is given.", setup.speed_rpm.text, setup.limit_rpm.text),
                "Try it on air first, hand on the lever, and tell what you care to thread at; or turn the spindle by hand.",
                Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}})),
            )
        } else if speed > limit + 1e-9 && setup.speed_limit == SpeedLimit::Cutting && speed <= limit * STARTING_SPREAD {
            unknown(
                format!("The slowest, {}, is over the {} of the table, which is where to start and no limit.", setup.speed_rpm.text, setup.limit_rpm.text),
                "Oil it well and watch the edge; or turn the spindle by hand.",
                Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}})),
            )
        } else if speed > limit + 1e-9 {
            let stops = setup.speed_limit == SpeedLimit::Stopping;
            let why = if limit < 1.0 {
                format!("There is no room to stop in at any speed; the slowest is {}.", setup.speed_rpm.text)
            } else {
                format!("The slowest, {}, is over {}: {binds} allows no more.", setup.speed_rpm.text, setup.limit_rpm.text)
            };
            let cure = if stops && plan.blank.beyond.is_some() {
                "Turn the spindle by hand, or make room past the end of the thread."
            } else if stops {
                "Turn the spindle by hand for the last turns, widen the relief, or cut away from the shoulder."
            } else {
                "Turn the spindle by hand."
            };
            bad(why, cure, Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}})))
        } else {
            good(format!("{}; {binds} allows {}. It runs on {} before it stops.", setup.speed_rpm.text, setup.limit_rpm.text, setup.stopping_mm.text))
        },
    );
}

fn dial(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::DialUnsafe]);
    let ending = plan.setup.endings.iter().find(|e| e.chosen);
    let said = ending.map_or("", |e| e.says.as_str());
    lines.put(
        "dial",
        "{Half-nut}",
        "gears",
        match (against, ending) {
            (Some(why), _) => bad(why, "End each pass as suits the train.", Some(json!({"setup": {"ending": null}}))),
            (None, Some(way)) if !way.serves => bad(
                format!("Not with this lathe and train: {said}; {}.", way.consequence),
                "End each pass as suits this lathe.",
                Some(json!({"setup": {"ending": null}})),
            ),
            _ => good(format!("To end each pass, {said}.")),
        },
    );
}

fn chuck(lines: &mut Line<'_>, plan: &Plan, lathe: &Lathe, job: &Job) {
    lines.answered.push(Code::ChuckUnscrews);
    let reversed = plan.setup.spindle == crate::direction::Spindle::Reversed;
    let back = matches!(plan.setup.ending, Ending::Closed | Ending::SameMark);
    let chalk = plan.setup.endings.iter().any(|e| e.ending == Ending::ChalkMarks && e.serves);
    let other = match plan.gears.dial.rule {
        DialRule::KeepClosed if chalk => "chalk_marks",
        DialRule::KeepClosed => "hand",
        _ => "dial",
    };
    lines.put(
        "chuck",
        "Chuck",
        "setup",
        match (lathe.chuck, reversed, back) {
            (Chuck::Screwed, true, _) => bad(
                "The chuck screws on and the cut runs reversed: it can unscrew.",
                "Run the carriage the other way with the spindle forward.",
                Some(json!({"setup": {"way": null, "wall": null, "ending": if back { Value::from(other) } else { Value::Null }}})),
            ),
            (Chuck::Screwed, false, true) => bad(
                "The chuck screws on and the spindle is reversed after every pass: started hard, it can unscrew.",
                match other {
                    "dial" => format!("Open the {} instead and close it by the dial.", job.voice.words().half_nut),
                    "hand" => "Turn the spindle by hand instead.".to_owned(),
                    _ => format!("Open the {} instead and close it by chalk marks, the carriage back at a fixed stop.", job.voice.words().half_nut),
                },
                Some(json!({"setup": {"ending": other}})),
            ),
            (Chuck::Screwed, false, false) => good("Screwed on, and never run in reverse here. Key out."),
            (_, true, _) => good("Held so that it may run in reverse. Key out."),
            _ => good("Held for the directions used. Key out."),
        },
    );
}

fn compound(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let angle = lines.against(&[Code::CompoundAngle]);
    let cannot = lines.against(&[Code::CompoundSwing, Code::CompoundTravel]);
    let straight = Some(json!({"cut": {"style": "radial", "compound_angle_deg": null}}));
    lines.put(
        "slide",
        "Slide",
        "cut",
        match (cannot, angle) {
            (Some(why), _) => bad(why, "Plunge straight in by the cross-slide, with lighter cuts.", straight),
            (None, Some(why)) => {
                bad(why, format!("Lean the {} as the thread wants.", job.voice.words().compound), Some(json!({"cut": {"compound_angle_deg": null}})))
            }
            (None, None) => {
                let travel = plan.cut.compound_mm.as_ref().map_or_else(String::new, |c| format!(" {} of travel wanted.", c.text));
                good(format!("{}{travel}", plan.cut.scale))
            }
        },
    );
}

/// Whether the mate will go on at the size aimed at.
fn mate(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::MateTight]);
    let Some(functional) = &plan.gauge.functional else { return };
    let aim = functional.aim_mm.as_ref();
    lines.put(
        "mate_goes",
        "Mate goes on",
        "gauge",
        match against {
            Some(why) => bad(
                why,
                aim.map_or_else(|| "No size in the limits makes room: a truer train or bit, or a shorter mate.".to_owned(), |a| format!("Aim at {}.", a.text)),
                aim.map(|a| json!({"cut": {"target_pitch_diameter_mm": a.value}})),
            ),
            None => good(functional.says.clone()),
        },
    );
}

fn proof(lines: &mut Line<'_>, plan: &Plan) {
    let wires = lines.against(&[Code::WireUnusable]).map_or_else(String::new, |w| format!(" {w}"));
    let proof = &plan.proof;
    let way = proof.ways.iter().find(|w| w.chosen);
    // What to do first when nothing at hand proves it.
    let first = proof.ways.iter().find(|w| matches!(w.by, Proof::Plug | Proof::TestPiece) && w.serves == Some(true));
    let cure = |judged: fn(String, String, Option<Value>) -> LineFinding, why: String| match first {
        Some(w) => judged(why, format!("Prove it by {}.", w.says), Some(json!({"gauge": {"proof": w.by}}))),
        None => judged(why, "Get what is missing before the first chip.".into(), None),
    };
    lines.put(
        "proof",
        "Proof of size",
        "gauge",
        match way {
            Some(w) if w.serves == Some(true) => good(format!("{}: {}.{wires}", large_first(w.says), w.why)),
            Some(w) if w.serves.is_none() => cure(unknown, format!("{}: {}.{wires}", large_first(w.says), w.why)),
            Some(w) => cure(bad, format!("{}: {}.", large_first(w.says), w.why)),
            None => {
                let why: Vec<String> = proof.ways.iter().filter(|w| w.serves != Some(true)).map(|w| format!("{}, {}", w.says, w.why)).collect();
                cure(bad, format!("Nothing at hand proves it: {}.", why.join("; ")))
            }
        },
    );
}
