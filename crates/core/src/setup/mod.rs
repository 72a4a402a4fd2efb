//! Set-up: which way everything moves, and how fast.

mod cycle;
mod endings;
mod motion;
pub mod rules;
pub(crate) mod speeds;

use crate::direction::{Carriage, Direction, Spindle};
use crate::say;
use crate::voice::{ScrewGrip, Voice};
pub use cycle::CyclePhase;
pub(crate) use cycle::{cycle, opening_loses, pick_up};
pub use endings::EndingWay;
pub use motion::Motion;
pub use speeds::SpeedCap;

use crate::blank::reach::Reach;
use crate::blank::{beyond, end, relief};
use crate::direction::Hand;
use crate::direction::Wall;
use crate::gears::{DialRule, TrainRow};
use crate::job::EndKind;
use crate::job::defaults::{BACKLASH_MM, CRANKED_RPM, HAND_MM_S, HAND_RPM, REACTION_S, WITHDRAW_S};
use crate::job::{BlankFacts, CarriageStop, Chuck, Ending, Lathe, SetupFacts, Speeds, ToolMaterial, Way};
use crate::quantity::plain_text;
use crate::thread::form::Thread;
use crate::thread::{Side, ThreadSpec};
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// Which of the limits binds the speed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SpeedLimit {
    /// What the bit stands.
    Cutting,
    /// What the hand can stop.
    Stopping,
    /// What work out of balance may turn at.
    Balance,
    /// What the user cares to thread at.
    Comfort,
    /// What a hand that was not measured is given.
    Hand,
    /// The spindle is cranked: there is no speed.
    Cranked,
}

/// The carriage coming back with the half-nut closed.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Return {
    /// How far it runs on after the hand moves, at the same speed.
    pub runs_on_mm: Quantity,
    /// Room for that where it comes back to a shoulder, a wall or the jaws; absent toward the tailstock, and where nothing is known of it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub room_mm: Option<Quantity>,
    /// Whether the last part is brought in by hand: there is not the room.
    pub by_hand: bool,
    /// In one sentence.
    pub says: String,
}

/// How everything moves and how fast.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SetupSection {
    /// Spindle direction.
    pub spindle: Spindle,
    /// Carriage direction.
    pub carriage: Carriage,
    /// The hand this really cuts.
    pub hand_cut: Hand,
    /// Speed, one the lathe has; absent where the spindle is turned by hand, cranked or not.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub speed_rpm: Option<Quantity>,
    /// What turns it, where there is no speed.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub speed_says: Option<String>,
    /// The most the binding limit allows.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub limit_rpm: Option<Quantity>,
    /// Turns of the spindle a minute that time and heat are reckoned with.
    #[serde(skip)]
    pub turning: Num,
    /// Which limit binds.
    pub speed_limit: SpeedLimit,
    /// Every limit there is here, the lowest first.
    pub limits: Vec<SpeedCap>,
    /// The lathe's own speeds; drawn on the set-up sheet, not sent with every plan.
    #[serde(skip)]
    pub lathe_speeds: Speeds,
    /// Run-up at the start of every pass: backlash and two or three pitches.
    pub run_up_mm: Quantity,
    /// How each pass ends: `dial`, `closed`, `hand`.
    pub ending: Ending,
    /// Every way of ending a pass, side by side.
    pub endings: Vec<EndingWay>,
    /// Room the carriage needs to stop in at that speed.
    pub stopping_mm: Quantity,
    /// What the relief is laid out to stop in, mm.
    #[serde(skip)]
    pub stops_in: Num,
    /// The stroke back, where the half-nut stays closed on a spindle under power.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub comes_back: Option<Return>,
    /// Time the hand is given to stop a pass, s.
    pub reaction_s: f64,
    /// The wall of the bore that is cut.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wall: Option<Wall>,
    /// Whether the bit stands right way up.
    pub upright: bool,
    /// Whether the bit is fed in away from the operator.
    pub infeed_away: bool,
    /// How the screw takes hold of what it drives.
    #[serde(skip_serializing_if = "ScrewGrip::is_half_nut")]
    pub screw: ScrewGrip,
    /// Whether a side-step or a lean can be set on the compound.
    #[serde(skip)]
    pub compound_feeds: bool,
    /// Whether the compound's handle end leans toward the tailstock.
    pub handle_to_tailstock: bool,
    /// All of it in one sentence.
    pub says: String,
    /// The whole chain from spindle to bit.
    pub motion: Motion,
}

/// Way: from hand, lathe and what was asked; not from the train.
pub(crate) fn way(facts: &SetupFacts, lathe: &Lathe, spec: &ThreadSpec, voice: Voice, watch: &mut Vec<Watch>) -> Direction {
    let right = spec.hand == Hand::Right;
    let toward = match facts.way {
        Way::Toward => true,
        Way::Away => false,
        // Spindle forward is the safe habit: a left-hand thread then starts at the headstock end.
        Way::Auto => right,
    };
    let wants_reverse = right != toward;
    let reversed = wants_reverse && lathe.reverses;
    let hand_cut = if reversed != toward { Hand::Right } else { Hand::Left };
    if hand_cut != spec.hand {
        watch.push(Watch::new(
            Level::Danger,
            Code::WrongHand,
            "gears",
            say!(voice, "setup-does-not-reverse", way = if toward { "toward" } else { "away" }, hand = hand_cut.word()),
        ));
    }
    if reversed && lathe.chuck == Chuck::Screwed {
        watch.push(Watch::new(Level::Danger, Code::ChuckUnscrews, "setup", say!(voice, "setup-reversed-unscrews")));
    }
    let forward = !reversed;
    // Reversed, a bar right way up cuts the far wall: nothing need be inverted.
    let wall = (spec.side == Side::Internal).then(|| facts.wall.unwrap_or(if forward { Wall::Near } else { Wall::Far }));
    let infeed_away = wall.map_or(!lathe.rear_post, |w| w == Wall::Far);
    // What faces the operator's side and is cut from there goes right way up while the near side of the work comes down.
    let upright = forward == wall.map_or(!lathe.rear_post, |w| w == Wall::Near);
    // A right-hand leadscrew turning in the spindle's sense cuts right-hand.
    let screw_with_spindle = (hand_cut == Hand::Right) == (lathe.leadscrew_hand == Hand::Right);
    Direction {
        spindle: if reversed { Spindle::Reversed } else { Spindle::Forward },
        carriage: if toward { Carriage::TowardHeadstock } else { Carriage::AwayFromHeadstock },
        hand_cut,
        screw_with_spindle,
        wall,
        upright,
        infeed_away,
    }
}

/// Lead past which a spindle is heavy to turn by hand, mm. House value.
const COARSE_MM: f64 = 4.0;

/// Run-up from an open end, at the start of every pass.
fn run_up(sheet: &mut Worksheet, facts: &SetupFacts, pitch: Num) -> Num {
    let backlash = facts.backlash_mm.map_or_else(|| Num::from(BACKLASH_MM), Num::from);
    let voice = sheet.voice();
    sheet.apply_assuming(&rules::RUN_UP, [backlash, pitch], facts.backlash_mm.is_none().then(|| say!(voice, "setup-backlash-not-measured")))
}

/// How the spindle or the carriage is stopped.
pub(crate) struct Stop {
    lead: Num,
    /// Reaction, s.
    reaction: Num,
    /// Turns coasted, and from which speed, where it is the spindle that is stopped.
    coast: Option<[Num; 2]>,
}

impl Stop {
    /// The half-nut opened stops the carriage at once; where it stays closed the tool is withdrawn and the spindle coasts.
    pub(crate) fn of(lathe: &Lathe, ending: Ending, reaction_s: Option<f64>, lead: Num) -> Self {
        let closed = ending == Ending::Closed;
        let reaction = reaction_s.unwrap_or(if closed { WITHDRAW_S } else { REACTION_S }).into();
        Self { lead, reaction, coast: (closed && lathe.coast[0] > 0.0).then(|| lathe.coast.map(Num::from)) }
    }

    pub(crate) fn distance(&self, sheet: &mut Worksheet, rpm: f64) -> Num {
        match self.coast {
            None => sheet.apply(&rules::STOPPING_DISTANCE, [self.lead, rpm.into(), self.reaction]),
            Some([turns, from]) => sheet.apply(&rules::STOPPING_DISTANCE_COASTING, [self.lead, rpm.into(), self.reaction, turns, from]),
        }
    }

    fn speed(&self, sheet: &mut Worksheet, room: Num) -> Num {
        match self.coast {
            None => sheet.apply(&rules::STOPPING_SPEED, [room, self.lead, self.reaction]),
            Some([turns, from]) => sheet.apply(&rules::STOPPING_SPEED_COASTING, [room, self.lead, self.reaction, turns, from]),
        }
    }
}

/// What was settled before the ending and the speed are.
pub(crate) struct Inputs<'a> {
    pub blank: &'a BlankFacts,
    pub reach: &'a Reach,
    pub lathe: &'a Lathe,
    pub thread: &'a Thread,
    pub direction: Direction,
    pub rule: DialRule,
    pub train: Option<&'a TrainRow>,
    /// Turns of the spindle in which it comes round with the leadscrew.
    pub meet: Option<i128>,
    /// What the tool picked is made of.
    pub tool: Option<&'a ToolMaterial>,
}

/// The stroke back at the speed of the cut: toward the tailstock it runs into the open; toward the headstock it must stop in the room there
/// is, or be brought in by hand.
fn come_back(distance: Num, room: Option<Num>, toward: bool, speeds: &Speeds, voice: Voice) -> Return {
    let by_hand = !toward && room.is_none_or(|r| r.value < distance.value);
    let on = voice.least(distance.value);
    let slower = match speeds {
        Speeds::Steps(list) if list.len() < 2 => "no",
        _ => "yes",
    };
    let says = match room {
        None if toward => say!(voice, "comes-back-to-tailstock", on = on),
        None => say!(voice, "comes-back-untold", on = on),
        Some(room) if by_hand => {
            say!(voice, "comes-back-by-hand", on = on, any = if room.value < 0.1 { "no" } else { "yes" }, room = voice.about(room.value), slower = slower)
        }
        Some(room) => say!(voice, "comes-back-in-room", on = on, room = voice.about(room.value)),
    };
    Return { runs_on_mm: Quantity::least(voice, distance), room_mm: room.map(|v| Quantity::about(voice, v)), by_hand, says }
}

/// What the ending followed may do to the lathe, or the lathe to it.
fn warn_of_the_ending(ending: Ending, rule: DialRule, lathe: &Lathe, voice: Voice, watch: &mut Vec<Watch>) {
    if ending == Ending::Dial && rule == DialRule::KeepClosed {
        watch.push(Watch::new(Level::Danger, Code::DialUnsafe, "gears", say!(voice, "setup-do-not-open")));
    }
    if ending == Ending::Closed && lathe.chuck == Chuck::Screwed {
        watch.push(Watch::new(Level::Warn, Code::ChuckUnscrews, "setup", say!(voice, "setup-back-unscrews")));
    }
    if lathe.carriage_stop == CarriageStop::Fixed && ending != Ending::Hand {
        watch.push(Watch::new(Level::Warn, Code::FixedStop, "setup", say!(voice, "setup-fixed-stop")));
    }
}

impl SetupSection {
    /// The speed as it is said.
    #[must_use]
    pub fn speed_text(&self) -> &str {
        self.speed_rpm.as_ref().map(|speed| speed.text.as_str()).or(self.speed_says.as_deref()).unwrap_or_default()
    }

    /// The most that is allowed, as it is said.
    #[must_use]
    pub fn limit_says(&self, voice: Voice) -> String {
        self.limit_rpm.as_ref().map_or_else(|| say!(voice, "speed-no-limit"), |limit| limit.text.clone())
    }

    /// Speed and what it may be, where there is a speed.
    #[must_use]
    pub fn speed_and_limit(&self) -> Option<[f64; 2]> {
        Some([self.speed_rpm.as_ref()?.value, self.limit_rpm.as_ref()?.value])
    }
}

/// Room to stop in past the end of the thread, where it is known.
fn beyond_the_end(sheet: &mut Worksheet, before: &Inputs<'_>, stop: &Stop, ends: EndKind) -> Option<Num> {
    let Inputs { blank, reach, lathe, thread, .. } = *before;
    // Away from the headstock the shoulder is behind the cut: only a room that was given binds. A relief that is
    // there leaves less than its width; one still to be turned is as wide as the slowest speed needs, and the speed follows from it.
    let relief = blank.relief_width_mm.map(|w| relief::room(sheet, reach, w)).or_else(|| {
        let slowest = stop.distance(&mut Worksheet::default(), lathe.speeds.slowest());
        blank.shoulder.then(|| relief::proposed_room(sheet, reach, thread, slowest.value.into()))
    });
    // What stands beyond an open end is met as a shoulder is.
    relief.or_else(|| if ends == EndKind::Open { beyond::room(sheet, blank, thread, reach) } else { None })
}

/// The speed the tool stands at this diameter.
fn cutting(sheet: &mut Worksheet, before: &Inputs<'_>) -> Num {
    let Inputs { blank, tool, thread, .. } = *before;
    let surface = Num::from(blank.material.hss_m_per_min);
    // What is known of this material with this tool goes before what the tool stands in general.
    if let Some(known) = tool.and_then(|t| blank.material.speed_with(t)) {
        return sheet.apply(&rules::CUTTING_SPEED, [known.into(), thread.major]);
    }
    // A tool that is not of high-speed steel stands more, or less.
    let surface = tool.filter(|t| t.speed_times != 1.0).map_or(surface, |t| sheet.apply(&rules::TOOL_SPEED, [surface, t.speed_times.into()]));
    sheet.apply(&rules::CUTTING_SPEED, [surface, thread.major])
}

/// Ending and speed: from the dial rule, the room and the material.
pub(crate) fn reckon(sheet: &mut Worksheet, facts: &SetupFacts, before: &Inputs<'_>, watch: &mut Vec<Watch>) -> SetupSection {
    let voice = sheet.voice();
    let Inputs { blank, lathe, thread, direction, rule, train, meet, .. } = *before;
    let toward = direction.carriage == Carriage::TowardHeadstock;
    // A ring or pocket is too narrow for a carriage under power to stop in.
    let by_hand = toward && matches!(blank.end, Some(EndKind::PlungedRing | EndKind::DrilledPocket));
    let ask = endings::EndingQuery { lathe, rule, by_hand, shoulder: blank.shoulder, coarse: thread.lead.value > COARSE_MM, meet, voice };
    let ending = if facts.ending == Ending::Auto { endings::recommend(&ask) } else { facts.ending };
    warn_of_the_ending(ending, rule, lathe, voice, watch);
    // Turned by hand, as a crank always is, it has no speed and is held to no table.
    let turned = ending == Ending::Hand;
    let mut aside = Worksheet::default();
    let cutting = cutting(if turned { &mut aside } else { sheet }, before);
    let stop = Stop::of(lathe, ending, facts.reaction_s, thread.lead);
    let ends = end::ends_in(blank, thread.spec.side, direction.carriage);
    let relief = beyond_the_end(sheet, before, &stop, ends);
    let room = facts.runout_mm.map(Num::from).or_else(|| relief.filter(|_| toward)).filter(|_| ending != Ending::Hand);
    let stopping = room.map(|r| stop.speed(sheet, r));
    let hand =
        (ending != Ending::Hand && facts.comfort_rpm.is_none()).then(|| sheet.apply(&rules::HAND_SPEED, [HAND_MM_S.into(), thread.lead, HAND_RPM.into()]));
    let (limits, limit, binds) = speeds::limits(cutting, stopping, hand, facts, voice);
    let speed = if turned { CRANKED_RPM } else { facts.spindle_rpm.unwrap_or_else(|| lathe.speeds.under(limit.value)) };
    let (limits, binds) = if turned { (Vec::new(), SpeedLimit::Cranked) } else { (limits, binds) };
    if stopping.is_some_and(|s| speed > s.value + 1e-9) {
        watch.push(cannot_stop(speed, blank.shoulder, voice));
    }
    // Standing in a groove, clear of both walls, the play is taken up before the carriage moves: there is no run-up.
    let in_groove = !toward && end::is_groove(ends);
    let run_up = if in_groove { 0.0.into() } else { run_up(sheet, facts, thread.pitch) };
    // Turned by hand it stops where the hand does.
    let distance = if ending == Ending::Hand { 0.0.into() } else { stop.distance(sheet, speed) };
    // A speed told that cannot stop in the relief proposed makes no wider relief of it: the speed is what is wrong.
    let proposed = toward && blank.shoulder && blank.relief_width_mm.is_none() && facts.runout_mm.is_none() && ending != Ending::Hand;
    let stops_in =
        stopping.filter(|s| proposed && speed > s.value + 1e-9).map_or(distance, |s| stop.distance(&mut Worksheet::default(), lathe.speeds.under(s.value)));
    let comes_back = (ending == Ending::Closed).then(|| {
        let room = room_back(sheet, before, in_groove);
        come_back(distance, room, toward, &lathe.speeds, voice)
    });
    SetupSection {
        spindle: direction.spindle,
        carriage: direction.carriage,
        hand_cut: direction.hand_cut,
        speed_says: turned.then(|| say!(voice, "speed-cranked")),
        speed_rpm: (!turned).then(|| Quantity::plain(speed, 0, " rpm")),
        limit_rpm: (!turned).then(|| Quantity::plain(limit, 0, " rpm")),
        turning: speed.into(),
        speed_limit: binds,
        limits,
        lathe_speeds: lathe.speeds.clone(),
        run_up_mm: Quantity::least(voice, run_up),
        ending,
        endings: endings::ways(&ask, ending),
        stopping_mm: Quantity::least(voice, distance),
        stops_in,
        comes_back,
        reaction_s: stop.reaction.value,
        wall: direction.wall,
        upright: direction.upright,
        infeed_away: direction.infeed_away,
        screw: lathe.grip,
        compound_feeds: lathe.compound_feeds,
        handle_to_tailstock: direction.infeed_away == toward,
        motion: motion::chain(lathe, train, &direction, thread.spec.side, thread.spec.hand, voice),
        says: says(&direction, voice),
    }
}

/// The room the stroke back has where it begins.
fn room_back(sheet: &mut Worksheet, before: &Inputs<'_>, in_groove: bool) -> Option<Num> {
    let Inputs { blank, reach, thread, direction, .. } = *before;
    let toward = direction.carriage == Carriage::TowardHeadstock;
    if in_groove {
        let width = blank.relief_width_mm.map_or_else(|| relief::start_width(sheet, reach), Num::from);
        Some(relief::room(sheet, reach, width.value))
    } else if toward {
        None
    } else {
        beyond::room(sheet, blank, thread, reach)
    }
}

/// Which way everything goes, in one sentence.
fn says(direction: &Direction, voice: Voice) -> String {
    say!(
        voice,
        "setup-way",
        spindle = if direction.spindle == Spindle::Forward { "forward" } else { "reversed" },
        carriage = direction.carriage.word(),
        tool = match (direction.upright, direction.wall) {
            (true, Some(Wall::Far)) => "upright-far",
            (false, Some(Wall::Far)) => "inverted-far",
            (true, _) => "upright",
            (false, _) => "inverted",
        },
        hand = direction.hand_cut.word()
    )
}

/// The speed told cannot be stopped in the room there is.
fn cannot_stop(speed: f64, shoulder: bool, voice: Voice) -> Watch {
    let text = say!(voice, "setup-cannot-stop", rpm = plain_text(speed, 0), end = if shoulder { "shoulder" } else { "open" });
    Watch::new(Level::Danger, Code::Stopping, "setup", text)
}
