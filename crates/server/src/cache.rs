//! What was reckoned, kept by just what it was reckoned from: the same asked again is not reckoned again, and nothing else is ever given for it.

use std::sync::{Mutex, PoisonError};

/// So many of a kind, newest last; the oldest gives way.
pub struct Cache<T> {
    most: usize,
    kept: Mutex<Vec<(String, T)>>,
}

impl<T: Clone> Cache<T> {
    /// An empty one.
    pub const fn of_most(most: usize) -> Self {
        Self { most, kept: Mutex::new(Vec::new()) }
    }

    /// The one made from just this.
    pub fn of(&self, content: &str) -> Option<T> {
        let kept = self.kept.lock().unwrap_or_else(PoisonError::into_inner);
        kept.iter().find(|(of, _)| of == content).map(|(_, made)| made.clone())
    }

    /// Keeps one.
    pub fn keep(&self, content: String, made: &T) {
        let mut kept = self.kept.lock().unwrap_or_else(PoisonError::into_inner);
        if kept.len() >= self.most {
            kept.remove(0);
        }
        kept.push((content, made.clone()));
    }
}
