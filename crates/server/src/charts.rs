//! Pitch charts made, kept by what they were made from: a large drawer takes its time.

use std::sync::{Arc, Mutex, PoisonError};
use yoke_core::gears::ChartRow;

/// Charts kept: as many as a shop has lathes under hand at once. House value.
const KEPT: usize = 8;

/// The charts, newest last.
#[derive(Default)]
pub struct Charts(Mutex<Vec<(String, Arc<[ChartRow]>)>>);

impl Charts {
    /// The one made from just this.
    pub fn of(&self, key: &str) -> Option<Arc<[ChartRow]>> {
        let charts = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        charts.iter().find(|(of, _)| of == key).map(|(_, chart)| Arc::clone(chart))
    }

    /// Keeps one; the oldest gives way.
    pub fn keep(&self, key: String, chart: &Arc<[ChartRow]>) {
        let mut charts = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        if charts.len() >= KEPT {
            charts.remove(0);
        }
        charts.push((key, Arc::clone(chart)));
    }
}
