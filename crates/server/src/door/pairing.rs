//! The pairing code: good once and for ten minutes; wrong ones are slowed, and after ten the door is shut for the hour.

use std::time::{Duration, Instant};

/// So long a code is good. House value.
const GOOD: Duration = Duration::from_secs(600);
/// Wrong codes until the door is shut, and for how long. House values.
const WRONG: u32 = 10;
const SHUT: Duration = Duration::from_secs(3600);
/// The answer to the first wrong code waits so long, to each after it twice as long, and no longer than that. House values.
const SLOWED: [Duration; 2] = [Duration::from_millis(500), Duration::from_secs(8)];
/// Digits of a code.
const DIGITS: usize = 8;

/// A code given out.
#[derive(Debug, Clone)]
struct Given<R> {
    code: String,
    until: Instant,
    role: R,
}

/// The code that is good now, and what was tried.
#[derive(Debug)]
pub struct Pairing<R> {
    given: Option<Given<R>>,
    wrong: u32,
    shut_until: Option<Instant>,
}

impl<R> Default for Pairing<R> {
    fn default() -> Self {
        Self { given: None, wrong: 0, shut_until: None }
    }
}

/// What a code told came to.
#[derive(Debug, PartialEq, Eq)]
pub enum Told<R> {
    /// It is the one: what it was given for.
    Right(R),
    /// It is not, or no more: answered only after so long.
    Wrong(Duration),
    /// The door was shut by this one, or is.
    Shut,
}

impl<R: Copy> Pairing<R> {
    /// A new code, the one before it good no more.
    pub fn give(&mut self, role: R, random: u128, now: Instant) -> String {
        let code = format!("{:0DIGITS$}", random % 10_u128.pow(8));
        self.given = Some(Given { code: code.clone(), until: now + GOOD, role });
        code
    }

    /// The code that is good now, and for how long.
    pub fn good(&self, now: Instant) -> Option<(&str, Duration)> {
        self.given.as_ref().filter(|g| now < g.until).map(|g| (g.code.as_str(), g.until - now))
    }

    /// For how long the door is shut still.
    pub fn shut(&self, now: Instant) -> Option<Duration> {
        self.shut_until.filter(|until| now < *until).map(|until| until - now)
    }

    /// Opened at the desk before its hour is over.
    pub fn open(&mut self) {
        (self.shut_until, self.wrong) = (None, 0);
    }

    /// A code told at the door. Spaces and hyphens in it are nothing.
    pub fn told(&mut self, code: &str, now: Instant) -> Told<R> {
        if self.shut(now).is_some() {
            return Told::Shut;
        }
        if self.shut_until.take().is_some() {
            self.wrong = 0;
        }
        let code: String = code.chars().filter(|c| !c.is_whitespace() && *c != '-').collect();
        if let Some(given) = self.given.take_if(|g| now < g.until && g.code == code) {
            self.wrong = 0;
            return Told::Right(given.role);
        }
        self.wrong += 1;
        if self.wrong >= WRONG {
            // The code that was being guessed at goes with it.
            (self.given, self.shut_until) = (None, Some(now + SHUT));
            return Told::Shut;
        }
        Told::Wrong(SLOWED[1].min(SLOWED[0] * 2_u32.pow(self.wrong - 1)))
    }
}
