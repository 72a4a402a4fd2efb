//! What is shown of the instruments beside the run: live.

use super::follow::{Came, CameCode, Follow, Tool};
use super::told::{Sent, Stands};
use crate::cut::SlideName;
use crate::log::{ActKind, RunState};
use crate::say;
use crate::voice::Voice;
use serde::Serialize;

/// Whether an instrument is heard.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Link {
    /// There is none.
    None,
    /// Its cable is being opened, or nothing came yet.
    #[default]
    Waits,
    /// It speaks.
    Heard,
    /// It speaks, but not as it was learned.
    Unread,
    /// Known to send always, it says nothing.
    Silent,
    /// Its cable is off.
    Lost,
}

impl Link {
    /// As sentences choose by it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::None => "none",
            Self::Waits => "waits",
            Self::Heard => "heard",
            Self::Unread => "unread",
            Self::Silent => "silent",
            Self::Lost => "lost",
        }
    }
}

/// How far the slide is from the next setting.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToGo {
    /// Divisions still to go; under nought past it.
    pub divisions: f64,
    /// Whether it is past the setting.
    pub past: bool,
    /// In words.
    pub says: String,
}

/// A passage and what came of it.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CameView {
    /// Goes up with each.
    pub n: u64,
    /// What.
    pub code: CameCode,
    /// In words.
    pub says: String,
    /// What is offered where it is only asked.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub offers: Option<ActKind>,
}

/// A reading of the micrometer.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SentView {
    /// Goes up with each.
    pub n: u64,
    /// As it is typed: figure and unit.
    pub text: String,
}

/// The instruments beside a run.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LiveView {
    /// Whether the readout is heard.
    pub readout: Link,
    /// What is to be known of it; empty where nothing is amiss.
    pub says: String,
    /// How far to the next setting.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub to_go: Option<ToGo>,
    /// The division of the collar at its mark; none where the slide has none, or is not seen.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub collar: Option<f64>,
    /// The carriage before its mark, or past it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub along: Option<String>,
    /// What is still to be told with the point standing there: the crest, the mark.
    pub wants_crest: bool,
    /// Likewise.
    pub wants_mark: bool,
    /// Whether what it counts from is in doubt.
    pub doubted: bool,
    /// Whether passes are marked by themselves.
    pub marks: bool,
    /// The last passage.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub came: Option<CameView>,
    /// Whether the micrometer is heard.
    pub micrometer: Link,
    /// Its last reading.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub sent: Option<SentView>,
}

/// What the instruments are at, as it is followed.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Now {
    /// Whether the readout is heard.
    pub readout: Link,
    /// Where it shows things standing.
    pub stands: Option<Stands>,
    /// Whether passes are marked.
    pub marks: bool,
    /// The last passage, with its number.
    pub came: Option<(u64, Came)>,
    /// Whether the micrometer is heard.
    pub micrometer: Link,
    /// Its last reading, with its number.
    pub sent: Option<(u64, Sent)>,
}

impl Now {
    /// What is shown of it.
    #[must_use]
    pub fn view(&self, follow: &Follow, state: &RunState, voice: Voice) -> LiveView {
        let heard = self.stands.filter(|_| self.readout == Link::Heard);
        let tool = heard.map(|s| follow.tool(&s)).unwrap_or_default();
        let dial = follow.bench.dial.clone().said_in(voice.words);
        let slants = dial.slide == SlideName::Compound;
        let sees = |of: fn(&Stands) -> Option<f64>| heard.as_ref().is_some_and(|s| of(s).is_some());
        let wants_crest = sees(|s| s.cross_mm) && follow.zeros.cross_mm.is_none() || slants && sees(|s| s.compound_mm) && follow.zeros.compound_mm.is_none();
        let wants_mark = sees(|s| s.carriage_mm) && follow.zeros.carriage_mm.is_none();
        let doubted = follow.zeros.doubted;
        let to_go = self.to_go(follow, &tool, state, voice).filter(|_| !doubted);
        let past = to_go.as_ref().filter(|to_go| to_go.past).map(|_| say!(voice, "live-wind-back"));
        let unseen = slants && heard.is_some() && !sees(|s| s.compound_mm);
        LiveView {
            readout: self.readout,
            says: past.unwrap_or_else(|| self.says(unseen, doubted, voice)),
            to_go,
            collar: tool.set_mm.filter(|_| !doubted && dial.divisions > 0.0).map(|mm| {
                // To half a division, drawn out too.
                let halves = (mm / dial.half_mm()).round();
                (halves / 2.0).rem_euclid(dial.divisions)
            }),
            along: tool.to_mark_mm.map(|mm| {
                let id = if mm < 0.0 { "live-past-mark" } else { "live-to-mark" };
                say!(voice, id, by = voice.about(mm.abs()), late = voice.about(follow.late_mm()))
            }),
            wants_crest,
            wants_mark,
            doubted,
            marks: self.marks,
            came: self.came.as_ref().map(|(n, came)| CameView {
                n: *n,
                code: came.code,
                says: came.says(&follow.bench.dial, voice),
                offers: came.act.clone().filter(|_| !came.marks()),
            }),
            micrometer: self.micrometer,
            sent: self.sent.map(|(n, sent)| SentView { n, text: sent.text() }),
        }
    }

    fn says(&self, compound_unseen: bool, doubted: bool, voice: Voice) -> String {
        match self.readout {
            Link::None => String::new(),
            Link::Heard if doubted => say!(voice, "live-doubted"),
            Link::Heard if compound_unseen => say!(voice, "live-compound-unseen"),
            Link::Heard => String::new(),
            link => say!(voice, "live-link", link = link.word()),
        }
    }

    /// How far the slide in use is from the next setting, to half a division.
    fn to_go(&self, follow: &Follow, tool: &Tool, state: &RunState, voice: Voice) -> Option<ToGo> {
        let dial = follow.bench.dial.clone().said_in(voice.words);
        let (set, next) = tool.set_mm.zip(state.next.as_ref())?;
        let left = next.pass.radial_mm - set;
        let halves = (left / dial.half_mm()).round();
        let by = dial.nearest(left.abs()).setting.text;
        let id = if halves == 0.0 {
            "live-there"
        } else if halves < 0.0 {
            "live-past"
        } else {
            "live-to-go"
        };
        Some(ToGo { divisions: halves / 2.0, past: halves < 0.0, says: say!(voice, id, by = by) })
    }
}
