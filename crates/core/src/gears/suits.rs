//! When the size is free to choose: near standard sizes this lathe cuts with less trouble.

use crate::job::Lathe;
use crate::quantity::{Ratio, real};
use crate::say;
use crate::thread::ThreadSpec;
use crate::thread::series::{Standard, standards};
use crate::voice::Voice;
use serde::Serialize;
use yoke_gears::dial::{DialRule, reengage};

/// A near size and what this lathe saves on it.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NearSize {
    /// Its callout.
    pub callout: String,
    /// No gear is changed from those mounted; at most a lever.
    pub no_gear_change: bool,
    /// The half-nut closes anywhere: no dial is needed.
    pub no_dial: bool,
    /// The same in words.
    pub says: String,
}

/// How far from the diameter asked for is still near, as a share of it.
const NEAR: f64 = 0.15;
/// How many are offered.
const OFFERED: usize = 5;

/// Leadscrew turns per spindle turn of the train mounted, with each lever position.
fn mounted(lathe: &Lathe) -> Vec<(Ratio, &str)> {
    let product = |teeth: &[u16]| teeth.iter().fold(Ratio::from_integer(1), |p, t| p * Ratio::from_integer(i128::from(*t)));
    // Gears that cannot be changed are always on.
    if !lathe.gears_fixed && (lathe.mounted.drivers.is_empty() || lathe.mounted.driven.is_empty()) {
        return Vec::new();
    }
    let train = product(&lathe.mounted.drivers) / product(&lathe.mounted.driven) * lathe.fixed;
    lathe.gearbox.iter().map(|position| (train * position.ratio.0, position.name.as_str())).collect()
}

/// What is saved on a lead: a gear change, the dial. The lever that cuts it with no change, if one does.
fn saved(lathe: &Lathe, mounted: &[(Ratio, &str)], lead: Ratio) -> (Option<String>, bool) {
    let turns = lead / lathe.leadscrew;
    let lever = mounted.iter().find(|(ratio, _)| *ratio == turns).map(|(_, name)| (*name).to_owned());
    (lever, lathe.half_nut() && reengage(&turns, None).rule == DialRule::AnyPosition)
}

/// Near sizes that save a gear change or the dial where the one asked for does not, best first.
pub(crate) fn near_sizes(lathe: &Lathe, spec: &ThreadSpec, voice: Voice) -> Vec<NearSize> {
    let mounted = mounted(lathe);
    let own = saved(lathe, &mounted, spec.lead());
    let d = real(&spec.major);
    let starts = Ratio::from_integer(i128::from(spec.starts));
    let mut found: Vec<(bool, bool, f64, &Standard, Option<String>)> = standards()
        .iter()
        .filter(|s| s.system == spec.system && (s.major != spec.major || s.pitch != spec.pitch))
        .filter_map(|s| {
            // What is not near need not be looked into.
            let off = (real(&s.major) / d - 1.0).abs() + 0.3 * (real(&s.pitch) / real(&spec.pitch)).ln().abs();
            if (real(&s.major) / d - 1.0).abs() > NEAR || off >= 2.0 * NEAR {
                return None;
            }
            let (lever, no_dial) = saved(lathe, &mounted, s.pitch * starts);
            let better = (lever.is_some() && own.0.is_none()) || (no_dial && !own.1);
            better.then_some((lever.is_some(), no_dial, off, s, lever))
        })
        .collect();
    found.sort_by(|a, b| b.0.cmp(&a.0).then(b.1.cmp(&a.1)).then(a.2.total_cmp(&b.2)));
    found
        .into_iter()
        .take(OFFERED)
        .map(|(no_gear_change, no_dial, _, standard, lever)| {
            let gears =
                lever.map(|name| if lathe.gearbox.len() > 1 { say!(voice, "suits-lever-at", lever = name) } else { say!(voice, "suits-no-gear-to-change") });
            let dial = no_dial.then(|| say!(voice, "suits-closes-anywhere"));
            NearSize {
                callout: standard.name.clone(),
                no_gear_change,
                no_dial,
                says: format!("{}: {}", standard.pitch_text(), gears.into_iter().chain(dial).collect::<Vec<_>>().join("; ")),
            }
        })
        .collect()
}
