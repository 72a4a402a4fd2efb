//! The gears owned: ranges and repeats read, gears joined as one piece and gears bound to a shaft marked.

use super::profile::GearGroup;
use crate::faults::Checker;
use crate::job::{Gear, GearEntry, GearList};
use crate::quantity::MM_PER_INCH;
use crate::says::Sentence;
use crate::sentence;

/// Most gears a lathe may own.
const MOST: usize = 120;

/// Reads one written entry: `40`, `2x40`, `20-65`, `20-65/5`.
///
/// # Errors
/// What does not read, and what would.
fn read_entry(text: &str) -> Result<Vec<i64>, Sentence> {
    let bad = || sentence!("fact-not-a-gear", text = text);
    let tidy = text.trim().to_lowercase().replace(['×', '*'], "x").replace(['–', '—', '−'], "-").replace(' ', "");
    let number = |t: &str| t.parse::<i64>().ok().filter(|n| (1..=1000).contains(n));
    let (times, body) = match tidy.split_once('x') {
        Some((n, body)) => (number(n).filter(|n| *n <= 20).ok_or_else(bad)?, body.to_owned()),
        None => (1, tidy),
    };
    let teeth = if let Some((from, to)) = body.split_once('-') {
        let (to, step) = to.split_once('/').map_or((to, Some(1)), |(to, step)| (to, number(step)));
        let (from, to, step) = (number(from).ok_or_else(bad)?, number(to).ok_or_else(bad)?, step.ok_or_else(bad)?);
        if to < from || (to - from) % step != 0 {
            return Err(sentence!("fact-gears-never-reach", text = text, from = from, step = step, to = to));
        }
        (0..=(to - from) / step).map(|i| from + i * step).collect()
    } else {
        vec![number(&body).ok_or_else(bad)?]
    };
    Ok(teeth.into_iter().flat_map(|t| std::iter::repeat_n(t, usize::try_from(times).unwrap_or(1))).collect())
}

impl GearList {
    /// The tooth counts, each fault under its own entry.
    fn teeth(&self, at: &str, c: &mut Checker) -> Vec<u16> {
        let entries: Vec<GearEntry> = match self {
            Self::Many(list) => list.clone(),
            Self::Text(text) => text.split([',', ';', '\n']).map(str::trim).filter(|t| !t.is_empty()).map(|t| GearEntry::Text(t.to_owned())).collect(),
        };
        let place = |i: usize| if matches!(self, Self::Text(_)) { at.to_owned() } else { format!("{at}/{i}") };
        let mut list = Vec::new();
        for (i, entry) in entries.iter().enumerate().take(2 * MOST) {
            let read = match entry {
                GearEntry::Teeth(t) => Ok(vec![*t]),
                GearEntry::Text(text) => read_entry(text),
            };
            match read {
                Err(why) => c.fault(place(i), why),
                Ok(teeth) => {
                    let at = place(i);
                    list.extend(teeth.into_iter().filter_map(|t| c.gear(t, &at)));
                }
            }
        }
        list
    }
}

/// Settles the groups: the module of each, and every gear with its piece and its places.
pub(super) fn settle(groups: &[(String, GearGroup)], at: &str, c: &mut Checker) -> (Vec<f64>, Vec<Gear>) {
    let (mut gears, mut modules, mut pieces) = (Vec::new(), Vec::new(), 0_u8);
    let before = c.faults.len();
    for (i, (place, group)) in groups.iter().take(MOST).enumerate() {
        modules.push(module(group, place, c));
        let index = u8::try_from(i).unwrap_or(0);
        let teeth = group.gears.as_ref().map(|g| g.teeth(&format!("{place}/gears"), c)).unwrap_or_default();
        let first = gears.len();
        gears.extend(teeth.into_iter().map(|t| Gear::loose(t, index)));
        let own = gears.get_mut(first..).unwrap_or_default();
        bind(own, group, place, c);
        join(own, group, place, &mut pieces, c);
    }
    if c.faults.len() == before {
        #[allow(clippy::cast_precision_loss)] // a count
        c.within(gears.len() as f64, 2.0, MOST as f64, &format!("{at}/gears"), "gears");
    }
    gears.truncate(MOST);
    (modules, gears)
}

fn module(group: &GearGroup, place: &str, c: &mut Checker) -> f64 {
    let module = match (group.module_mm, group.dp) {
        (Some(m), None) => m,
        (None, Some(dp)) if dp > 0.0 => MM_PER_INCH / dp,
        (None, None) => 1.0,
        _ => {
            c.fault(place, sentence!("fact-give-modulemm-dp-over-0"));
            1.0
        }
    };
    c.within(module, 0.1, 50.0, place, "mm module");
    module
}

/// Marks the gears that go on some shafts only.
fn bind(gears: &mut [Gear], group: &GearGroup, place: &str, c: &mut Checker) {
    for (i, bound) in group.bound.iter().flatten().enumerate() {
        let at = format!("{place}/bound/{i}");
        if bound.on.is_empty() {
            c.fault(format!("{at}/on"), sentence!("fact-name-shafts-goes-spindle-stud"));
        }
        for (k, teeth) in bound.teeth.iter().enumerate() {
            let mut any = false;
            for gear in gears.iter_mut().filter(|g| i64::from(g.teeth) == *teeth) {
                gear.places = bound.on.iter().fold(0, |bits, place| bits | place.bit());
                any = true;
            }
            if !any {
                c.fault(format!("{at}/teeth/{k}"), sentence!("fact-there-no-among-these-gears", teeth = teeth));
            }
        }
    }
}

/// Joins gears two by two.
fn join(gears: &mut [Gear], group: &GearGroup, place: &str, pieces: &mut u8, c: &mut Checker) {
    for (i, pair) in group.joined.iter().flatten().enumerate() {
        let at = format!("{place}/joined/{i}");
        let &[one, other] = pair.as_slice() else {
            c.fault(at, sentence!("fact-piece-two-gears-60-30"));
            continue;
        };
        *pieces = pieces.saturating_add(1);
        for teeth in [one, other] {
            match gears.iter_mut().find(|g| i64::from(g.teeth) == teeth && g.piece == 0) {
                Some(gear) => gear.piece = *pieces,
                None => c.fault(at.as_str(), sentence!("fact-there-no-loose-left-among", teeth = teeth)),
            }
        }
    }
}
