//! Follows a run by the instruments of its lathe: hears their lines, shows where the tool stands, and marks the passes that are seen.

use super::ear::{Ear, Heard, Said};
use super::followed::{Followed, Shared};
use crate::acts::{ActBody, put};
use crate::jobs::whole_of;
use crate::kept::{change, kept};
use crate::state::App;
use crate::stored::{self, Failed};
use crate::voice::Asked;
use std::future::pending;
use std::sync::{Arc, Weak};
use std::time::{Duration, SystemTime};
use tokio::sync::{broadcast, watch};
use tokio::time::{Instant, MissedTickBehavior, interval};
use yoke_core::instruments::{Bench, Came, CameCode, Follow, Following, Instruments, Link, Seen, Sent, Stands, came};
use yoke_core::log::{ActKind, RunState, fold, standing};
use yoke_core::voice::Voice;
use yoke_store::{ActRow, JobRow, Store};

/// What the instruments of a lathe are kept as.
pub const TOLD: &str = "instruments";
/// What is kept of a run that is followed.
pub const FOLLOWING: &str = "following";
/// How often it is looked whether anything was heard.
const LOOKS: Duration = Duration::from_millis(200);
/// A readout known to send always of which so many looks in a row heard nothing is silent. House value: it is to be said within two seconds.
/// Looks are counted and not the clock, since a machine that stood still itself heard nothing either.
const SILENT: u32 = 7;
/// But one that slept so long between two looks cannot say what it missed: the readout may have been off meanwhile.
const SLEPT: Duration = Duration::from_secs(10);
/// The same reading of a micrometer twice within this is one.
const TWICE: Duration = Duration::from_secs(1);
/// Lines in a row that do not read before it is said.
const UNREAD: u32 = 3;
/// How far a slide may stand from where it was last heard, mm, and still count from the same place. House value.
const MOVED_MM: f64 = 0.05;
/// After so long with nobody following, minutes, what it counts from is doubted: it may have been off since. House value.
const OLD_MIN: i64 = 60;
/// Who the acts are from.
pub const SOURCE: &str = "readout";

/// What is followed, as it is stored.
pub struct Loaded {
    /// The instruments of its lathe.
    pub told: Instruments,
    /// How it is followed.
    pub following: Following,
    /// The run as set up; nothing where it does not plan, or is no single point's.
    pub bench: Option<Bench>,
    /// How it stands.
    pub state: Option<RunState>,
    /// The job's revision and sequence then.
    at: [i64; 2],
}

/// What of a job is followed.
pub fn load(store: &Store, id: &str) -> Result<Option<Loaded>, Failed> {
    let Some(job) = store.job(id)? else { return Ok(None) };
    let (lathe, at) = (stored::request(&job)?.read.lathe_id, [job.revision, job.sequence]);
    let told = lathe.map(|lathe| kept::<Instruments>(store, &lathe, TOLD)).transpose()?.unwrap_or_default();
    let following = kept::<Following>(store, id, FOLLOWING)?;
    let Ok((plan, facts, lathe, _)) = whole_of(store, &job, Asked::default())? else {
        return Ok(Some(Loaded { told, following, bench: None, state: None, at }));
    };
    let bench = plan.pointed().map(|p| Bench::of(&p, &facts, &lathe));
    let state = fold(&plan.run, &stored::acts(store, &job)?, Voice::default());
    Ok(Some(Loaded { told, following, bench, state: Some(state), at }))
}

/// An instrument's lines and what is known of its cable.
struct Listened {
    ear: Arc<Ear>,
    lines: broadcast::Receiver<Said>,
    now: watch::Receiver<Heard>,
}

impl Listened {
    fn of(ear: Arc<Ear>) -> Self {
        Self { lines: ear.lines(), now: ear.now(), ear }
    }
}

/// Its next line; never of what is not there.
async fn next(of: &mut Option<Listened>) -> Said {
    let Some(listened) = of else { return pending().await };
    loop {
        match listened.lines.recv().await {
            Ok(said) => return said,
            Err(broadcast::error::RecvError::Lagged(_)) => {}
            Err(broadcast::error::RecvError::Closed) => return pending().await,
        }
    }
}

/// Follows one run until nobody holds it.
struct Follower {
    app: App,
    job: String,
    run: Weak<Followed>,
    loaded: Loaded,
    readout: Option<Listened>,
    micrometer: Option<Listened>,
    /// When the follower began; whether it heard its readout since; when it spoke last, and the looks since in which it did not.
    began: Instant,
    heard: bool,
    spoke: Option<Instant>,
    quiet: u32,
    /// When it was looked last, by the clock on the wall, which goes on in a machine's sleep.
    looked: SystemTime,
    unread: u32,
    /// Where things stood when it was heard last, once it was away.
    away: bool,
    stood: Option<Stands>,
    sent: Option<(Instant, Sent)>,
}

/// Follows a job's run until it is let go.
pub async fn follow(app: App, job: String, run: Weak<Followed>) {
    let mut events = app.events.subscribe();
    let id = job.clone();
    let Ok(Some(loaded)) = app.with_store(move |store| load(store, &id)).await else { return };
    let mut follower = Follower {
        app,
        job,
        run,
        loaded,
        readout: None,
        micrometer: None,
        began: Instant::now(),
        heard: false,
        spoke: None,
        quiet: 0,
        looked: SystemTime::now(),
        unread: 0,
        away: false,
        stood: None,
        sent: None,
    };
    follower.doubt_the_old().await;
    follower.settle();
    let mut looks = interval(LOOKS);
    looks.set_missed_tick_behavior(MissedTickBehavior::Delay);
    let mut stopping = follower.app.stopping.clone();
    while follower.run.strong_count() > 0 {
        tokio::select! {
            said = next(&mut follower.readout) => follower.heard(said).await,
            said = next(&mut follower.micrometer) => follower.sent(&said),
            moved = events.recv() => match moved {
                // What it recorded itself it knows already.
                Ok(moved) if moved.of(&follower.job) && moved.at() != follower.loaded.at => follower.reload().await,
                Err(broadcast::error::RecvError::Lagged(_)) => follower.reload().await,
                Err(broadcast::error::RecvError::Closed) => return,
                Ok(_) => {}
            },
            _ = looks.tick() => follower.look(),
            _ = stopping.changed() => return,
        }
    }
}

impl Follower {
    fn change(&self, by: impl FnOnce(&mut Shared)) {
        if let Some(run) = self.run.upgrade() {
            run.change(by);
        }
    }

    /// What it counts from was told long ago: the readout may have been off since.
    async fn doubt_the_old(&mut self) {
        if self.loaded.following.zeros.told() && is_old(self.loaded.following.sure.as_deref(), &(self.app.clock)()) {
            self.change_following(|f| f.zeros.doubted = true).await;
        }
    }

    /// Changes how it is followed, on disk and here.
    async fn change_following(&mut self, by: impl Fn(&mut Following) + Send + 'static) {
        by(&mut self.loaded.following);
        let job = self.job.clone();
        if let Ok(now) = self.app.with_store(move |store| change(store, &job, FOLLOWING, by)).await {
            self.loaded.following = now;
        }
    }

    async fn reload(&mut self) {
        let id = self.job.clone();
        // What cannot be read just now stays as it was.
        if let Ok(Some(loaded)) = self.app.with_store(move |store| load(store, &id)).await {
            self.loaded = loaded;
            self.settle();
        }
    }

    /// Listens where it is told to, and watches the run as it is set up.
    fn settle(&mut self) {
        let Loaded { told, following, bench, state, .. } = &self.loaded;
        let ears = &self.app.follows.ears;
        for (listened, cable) in
            [(&mut self.readout, told.readout.as_ref().map(|r| &r.cable)), (&mut self.micrometer, told.micrometer.as_ref().map(|m| &m.cable))]
        {
            let ear = cable.map(|cable| ears.at(cable));
            let same = listened.as_ref().zip(ear.as_ref()).is_some_and(|(l, e)| Arc::ptr_eq(&l.ear, e));
            if !same {
                *listened = ear.map(Listened::of);
            }
        }
        let (readout, micrometer) = (self.readout.is_some(), self.micrometer.is_some());
        let (following, bench, state) = (following.clone(), bench.clone(), state.clone());
        self.change(|shared| {
            shared.now.marks = following.marks;
            let link = |there: bool, now: Link| {
                if !there {
                    Link::None
                } else if now == Link::None {
                    Link::Waits
                } else {
                    now
                }
            };
            shared.now.readout = link(readout, shared.now.readout);
            shared.now.micrometer = link(micrometer, shared.now.micrometer);
            shared.follow = match (shared.follow.take(), bench) {
                (Some(follow), Some(bench)) if follow.bench == bench => Some(follow.from(following.zeros)),
                (_, bench) => bench.map(|bench| Follow::new(bench, following.zeros)),
            };
            if shared.marked.as_ref().is_some_and(|(act, _)| state.as_ref().and_then(|s| s.last_act.as_ref()) != Some(act)) {
                shared.marked = None;
            }
            shared.state = state;
        });
    }

    /// Whether they are heard at all.
    fn look(&mut self) {
        let link = |listened: &Option<Listened>| listened.as_ref().map(|l| l.now.borrow().link);
        let (readout, micrometer) = (link(&self.readout), link(&self.micrometer));
        let always = self.loaded.told.readout.as_ref().is_some_and(|r| r.always);
        // By when it spoke, not by when there was time to listen: what waits to be read is no silence.
        let spoke = self.readout.as_ref().and_then(|l| l.now.borrow().last.as_ref().map(|said| said.at));
        // A cable that has not spoken yet is waited for.
        self.quiet = if spoke.is_some() && spoke == self.spoke { self.quiet.saturating_add(1) } else { 0 };
        self.spoke = spoke;
        let silent = always && self.heard && self.quiet >= SILENT;
        let off = match readout {
            Some(Link::Lost) => Some(Link::Lost),
            Some(_) if silent => Some(Link::Silent),
            _ => None,
        };
        let looks = SystemTime::now();
        let slept = looks.duration_since(std::mem::replace(&mut self.looked, looks)).is_ok_and(|gap| gap > SLEPT);
        let missed = off.is_some() || slept;
        self.away |= missed;
        let unread = self.unread >= UNREAD;
        let Some(run) = self.run.upgrade() else { return };
        let before = {
            let s = run.shared();
            (s.now.readout, s.now.micrometer)
        };
        let now = (off.or_else(|| unread.then_some(Link::Unread)).unwrap_or(before.0), micrometer.unwrap_or(Link::None));
        if now != before || slept {
            run.change(|shared| {
                (shared.now.readout, shared.now.micrometer) = now;
                if let (true, Some(follow)) = (missed, &mut shared.follow) {
                    follow.silent();
                    shared.now.stands = None;
                }
            });
        }
    }

    /// A line of the readout.
    async fn heard(&mut self, said: Said) {
        let Some(readout) = &self.loaded.told.readout else { return };
        self.heard = true;
        let Some(stands) = readout.read(&said.line) else {
            self.unread = self.unread.saturating_add(1);
            return;
        };
        self.unread = 0;
        if std::mem::take(&mut self.away) && self.stood.is_some_and(|stood| moved(&stood, &stands)) && self.loaded.following.zeros.told() {
            self.change_following(|f| f.zeros.doubted = true).await;
            self.settle();
        }
        self.stood = Some(stands);
        let at_s = (said.at - self.began).as_secs_f64();
        let Some(run) = self.run.upgrade() else { return };
        let seen = run.change(|shared| {
            shared.now.readout = Link::Heard;
            shared.now.stands = Some(stands);
            shared.follow.as_mut()?.reads(at_s, &stands).filter(|_| shared.now.marks)
        });
        drop(run);
        if let Some(seen) = seen {
            self.mark(seen).await;
        }
    }

    /// A pass was seen: it is told as the run stands, unless it was told by hand meanwhile.
    async fn mark(&mut self, seen: Seen) {
        let began = self.began + Duration::from_secs_f64(seen.began_s().max(0.0));
        let (job, clock) = (self.job.clone(), self.app.clock);
        let judged = self.app.with_store(move |store| {
            let Some(row) = store.job(&job)? else { return Ok(None) };
            let Some(Loaded { state: Some(state), bench: Some(bench), .. }) = load(store, &job)? else { return Ok(None) };
            // Both clocks are read here: how long it took to come to this is in both.
            let ago = chrono::Duration::from_std(began.elapsed()).unwrap_or(chrono::Duration::days(1));
            let told = told_since(store, &row, &clock(), ago)?;
            Ok(Some((came(&seen, told, &state, &bench.dial), row.sequence)))
        });
        let came = match judged.await {
            Ok(Some((came, sequence))) => match came.act.clone().filter(|_| came.marks()) {
                Some(act) => Some(self.record(came, act, sequence).await),
                None => Some(came),
            },
            _ => None,
        };
        self.change(|shared| {
            // Told by hand because it was not marked, it is no second telling of the one before.
            if let (false, Some(follow)) = (came.as_ref().is_some_and(Came::marks), &mut shared.follow) {
                follow.unmarked();
            }
            if let Some(came) = came {
                shared.came(came);
            }
        });
    }

    async fn record(&mut self, came: Came, act: ActKind, sequence: i64) -> Came {
        let id = format!("{SOURCE}-{}", uuid::Uuid::new_v4());
        let source = if came.code == CameCode::Unseen { format!("{SOURCE}, depth unseen") } else { SOURCE.to_owned() };
        let body = ActBody::seen_by(source, sequence);
        // Known as marked before anybody hears of it, so that a hand telling it just now tells the same.
        let n = came.pass.map(|pass| pass.n);
        if put(&self.app, Asked::default(), (self.job.clone(), id.clone()), (act, body, false)).await.is_err() {
            return Came { code: CameCode::NotKept, act: None, ..came };
        }
        let now = (self.app.clock)();
        self.change_following(move |f| f.sure = Some(now.clone())).await;
        self.reload().await;
        self.change(|shared| shared.marked = n.map(|n| (id, n)));
        came
    }

    /// A line of the micrometer; the same again within a second is one reading.
    fn sent(&mut self, said: &Said) {
        let Some(sent) = self.loaded.told.micrometer.as_ref().and_then(|m| m.read(&said.line)) else { return };
        let twice = self.sent.is_some_and(|(at, before)| before == sent && said.at - at < TWICE);
        self.sent = Some((said.at, sent));
        if !twice {
            self.change(|shared| {
                let n = shared.now.sent.map_or(0, |(n, _)| n) + 1;
                shared.now.sent = Some((n, sent));
            });
        }
    }
}

/// Whether that is so long ago that the readout may have been off since.
fn is_old(sure: Option<&str>, now: &str) -> bool {
    let time = |text: &str| chrono::DateTime::parse_from_rfc3339(text).ok();
    sure.and_then(time).zip(time(now)).is_none_or(|(sure, now)| now - sure > chrono::Duration::minutes(OLD_MIN))
}

/// Whether things stand elsewhere than they did.
fn moved(before: &Stands, now: &Stands) -> bool {
    let axes = |s: &Stands| [s.cross_mm, s.compound_mm, s.carriage_mm];
    axes(before).iter().zip(axes(now)).any(|(a, b)| a.zip(b).is_some_and(|(a, b)| (a - b).abs() > MOVED_MM))
}

/// Whether a pass was told by hand since a passage began.
fn told_since(store: &Store, job: &JobRow, now: &str, ago: chrono::Duration) -> Result<bool, Failed> {
    let Ok(now) = chrono::DateTime::parse_from_rfc3339(now) else { return Ok(false) };
    let rows = store.acts(&job.id)?;
    let acts = rows.iter().map(|row| stored::act(row, &job.title)).collect::<Result<Vec<_>, _>>()?;
    let since = |row: &ActRow| chrono::DateTime::parse_from_rfc3339(&row.recorded).is_ok_and(|at| at >= now - ago);
    let by_hand: Vec<&str> = rows.iter().filter(|row| !row.source.starts_with(SOURCE) && since(row)).map(|row| row.id.as_str()).collect();
    let a_pass = |act: &ActKind| matches!(act, ActKind::PassDone { .. } | ActKind::Took { .. } | ActKind::Sprung {} | ActKind::StandsAt { .. });
    Ok(standing(&acts).iter().any(|act| a_pass(&act.kind) && by_hand.contains(&act.id.as_str())))
}
