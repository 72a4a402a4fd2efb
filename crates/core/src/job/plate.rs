//! The gearbox from its plate: the pitches printed by lever, turned into ratios, and a cell that was misread found.

use super::profile::LatheProfile;
use crate::faults::{Checker, Fault};
use crate::job::PlateRequest;
use crate::job::written::KeepRequest;
use crate::quantity::{Exact, LengthUnit, Ratio, pitch_of_tpi, real, short_text};
use crate::voice::Voice;
use crate::{say, sentence};
use num_traits::Zero;
use serde::Serialize;
use yoke_gears::GearboxPosition;

/// A cell that does not fit the rest.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Misread {
    /// Its row.
    pub row: usize,
    /// Its column.
    pub column: usize,
    /// What would fit, as the plate would print it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub fits: Option<String>,
    /// The same in words.
    pub says: String,
}

/// A plate, read.
#[derive(Debug, Clone, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlateRead {
    /// The lever positions with their ratios, those of misread cells left out.
    pub positions: Vec<GearboxPosition>,
    /// Cells that do not fit.
    pub misread: Vec<Misread>,
    /// What was found, in one sentence.
    pub says: String,
    /// Why its figures may not be taken as exact.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub doubt: Option<String>,
}

/// How far a printed value may be rounded, as a share of it: counts are printed whole or in halves and quarters,
/// millimetres to two places.
const fn rounding(unit: LengthUnit) -> f64 {
    match unit {
        LengthUnit::In => 0.002,
        LengthUnit::Mm => 0.008,
    }
}

/// The most cells a plate has: gearbox positions are bounded to as many.
const MOST: usize = 64;

impl PlateRequest {
    /// Reads the plate of a lathe.
    ///
    /// # Errors
    /// Every faulty field, with its pointer.
    pub fn read(&self, lathe: &LatheProfile, voice: Voice) -> Result<PlateRead, Vec<Fault>> {
        let mut c = Checker::spoken(voice);
        // The plate in hand is asked about, not one the lathe may carry already.
        let checked = LatheProfile { plate: None, ..lathe.clone() }.check("/lathe", &mut c);
        let read = self.settle(&(checked.fixed * checked.leadscrew), "", &mut c);
        if c.faults.is_empty() { Ok(read) } else { Err(c.faults) }
    }

    /// The lever positions, where one turn of the gearbox's first shaft would move the carriage `straight_through` mm
    /// by a ratio of one; faults are noted under `at`.
    pub(super) fn settle(&self, straight_through: &Ratio, at: &str, c: &mut Checker) -> PlateRead {
        let before = c.faults.len();
        if self.rows.is_empty() || self.columns.is_empty() {
            c.fault(format!("{at}/rows"), sentence!("fact-plate-least-one-row-one"));
        }
        for (list, at) in [(&self.rows, format!("{at}/rows")), (&self.columns, format!("{at}/columns"))] {
            for (i, name) in list.iter().enumerate() {
                if list.iter().take(i).any(|n| n.trim() == name.trim()) {
                    c.fault(format!("{at}/{i}"), sentence!("fact-stands-here-twice-each-place", part = name.trim()));
                }
            }
        }
        let levers = !self.row_ratios.is_empty() || !self.column_ratios.is_empty();
        let ratios = if levers { self.of_levers(at, c) } else { self.of_cells(straight_through, at, c) };
        let count = ratios.iter().flatten().flatten().count();
        if count > MOST {
            c.fault(format!("{at}/cells"), sentence!("fact-pitches-more-than-lever-positions", count = count, most = MOST));
        }
        if c.faults.len() > before {
            return PlateRead::default();
        }
        let misread = if levers { Vec::new() } else { self.misread(&ratios, self.unit.unwrap_or(LengthUnit::In), c.voice) };
        let positions: Vec<GearboxPosition> = (0..self.rows.len())
            .flat_map(|i| (0..self.columns.len()).map(move |j| (i, j)))
            .filter(|(i, j)| !misread.iter().any(|m| m.row == *i && m.column == *j))
            .filter_map(|(i, j)| Some(GearboxPosition { name: self.name(i, j), ratio: Exact((*ratios.get(i)?.get(j)?)?) }))
            .collect();
        let says = match misread.as_slice() {
            [] => say!(c.voice, "plate-all-fit", n = positions.len()),
            [one] => one.says.clone(),
            _ => say!(c.voice, "plate-cells-misfit", n = misread.len()),
        };
        // No gearbox has a 127 in it: a ratio that wants one is an inch plate on a metric screw, or the other way about,
        // read without its transposing gears, or with its figures rounded to be printed.
        let transposed = |p: &GearboxPosition| p.ratio.0.numer() % 127 == 0 || p.ratio.0.denom() % 127 == 0;
        let doubt = positions.iter().any(transposed).then(|| say!(c.voice, "plate-inch-and-metric"));
        PlateRead { positions, misread, says, doubt }
    }

    /// Two levers that multiply.
    fn of_levers(&self, at: &str, c: &mut Checker) -> Vec<Vec<Option<Ratio>>> {
        if !self.cells.is_empty() {
            c.fault(format!("{at}/cells"), sentence!("fact-give-pitches-printed-ratios-two"));
        }
        let mut lever = |ratios: &[Exact], names: &[String], field: &str| -> Vec<Ratio> {
            if ratios.len() != names.len() {
                c.fault(format!("{at}/{field}"), sentence!("fact-places-named-but-ratios-given", names = names.len(), ratios = ratios.len()));
            }
            ratios.iter().enumerate().map(|(i, r)| c.ratio(r, &format!("{at}/{field}/{i}"))).collect()
        };
        let (rows, columns) = (lever(&self.row_ratios, &self.rows, "row_ratios"), lever(&self.column_ratios, &self.columns, "column_ratios"));
        rows.iter().take(MOST + 1).map(|r| columns.iter().take(MOST + 1).map(|k| Some(r * k)).collect()).collect()
    }

    /// The pitches printed, each over what the train and the screw make of a straight drive.
    fn of_cells(&self, straight_through: &Ratio, at: &str, c: &mut Checker) -> Vec<Vec<Option<Ratio>>> {
        let unit = self.unit.unwrap_or(LengthUnit::In);
        if self.cells.len() != self.rows.len() {
            c.fault(format!("{at}/cells"), sentence!("fact-rows-named-but-given", rows = self.rows.len(), cells = self.cells.len()));
        }
        let mut ratios = Vec::new();
        for (i, row) in self.cells.iter().enumerate() {
            if row.len() != self.columns.len() {
                c.fault(format!("{at}/cells/{i}"), sentence!("fact-row-cells-where-columns-named", row = row.len(), columns = self.columns.len()));
            }
            let own = self.row_gears.get(i).and_then(Option::as_ref);
            let field = if own.is_some() { format!("{at}/row_gears/{i}") } else { format!("{at}/gears") };
            let train = own.or(self.gears.as_ref()).map_or_else(|| Ratio::from_integer(1), |g| train(g, &field, c));
            let mut cell = |(j, printed): (usize, &Option<Exact>)| {
                let printed = printed.as_ref()?.0;
                if printed <= Ratio::zero() || printed > Ratio::from_integer(1000) {
                    c.fault(format!("{at}/cells/{i}/{j}"), sentence!("fact-pitch-over-0-most-1000"));
                    return None;
                }
                let pitch = if unit == LengthUnit::In { pitch_of_tpi(&printed) } else { printed };
                Some(pitch / (train * straight_through))
            };
            ratios.push(row.iter().enumerate().map(&mut cell).collect());
        }
        ratios
    }

    fn name(&self, row: usize, column: usize) -> String {
        let word = |list: &[String], i: usize| list.get(i).map_or_else(String::new, |n| n.trim().to_owned());
        format!("{} {}", word(&self.rows, row), word(&self.columns, column)).trim().to_owned()
    }

    /// The cells that do not fit: of a grid, those whose row and column multiply to something else with nearly all the
    /// others; of one row, the one that stands out of order.
    fn misread(&self, ratios: &[Vec<Option<Ratio>>], unit: LengthUnit, voice: Voice) -> Vec<Misread> {
        let values: Vec<Vec<Option<f64>>> = ratios.iter().map(|r| r.iter().map(|c| c.as_ref().map(real)).collect()).collect();
        let wrong = if self.rows.len() > 1 && self.columns.len() > 1 { of_grid(values, rounding(unit)) } else { of_list(&values) };
        wrong
            .into_iter()
            .map(|(row, column, fits)| {
                // What was printed over what would fit gives the printed figure that would.
                let printed = self.cells[row][column].as_ref().map_or(0.0, |e| real(&e.0));
                let ratio = ratios[row][column].as_ref().map_or(1.0, real);
                let fits = fits.map(|f| tidy(if unit == LengthUnit::In { printed * ratio / f } else { printed * f / ratio }));
                let told = short_text(printed, 3);
                let says = match &fits {
                    Some(fits) => say!(voice, "plate-cell-misfits", cell = self.name(row, column), told = told, fits = fits),
                    None => say!(voice, "plate-cell-out-of-order", cell = self.name(row, column), told = told),
                };
                Misread { row, column, fits, says }
            })
            .collect()
    }
}

/// A printed figure: to the nearest quarter where that is near, else to two places.
fn tidy(value: f64) -> String {
    let quarters = (value * 4.0).round() / 4.0;
    let shown = if (quarters / value - 1.0).abs() < 0.01 { quarters } else { value };
    short_text(shown, 2)
}

fn train(gears: &KeepRequest, at: &str, c: &mut Checker) -> Ratio {
    let drivers = c.teeth(&gears.drivers, &format!("{at}/drivers"));
    let driven = c.teeth(&gears.driven, &format!("{at}/driven"));
    if drivers.is_empty() || drivers.len() != driven.len() {
        c.fault(at, sentence!("fact-train-many-driven-gears-drivers-2"));
        return Ratio::from_integer(1);
    }
    let product = |list: &[u16]| list.iter().map(|t| i128::from(*t)).product::<i128>();
    Ratio::new(product(&drivers), product(&driven))
}

/// Cells of a grid that do not fit, and the ratio that would: where levers multiply, any two rows stand in one proportion
/// across all columns. The cell most at odds with the others is taken out, and the rest looked at again.
fn of_grid(mut values: Vec<Vec<Option<f64>>>, rounding: f64) -> Vec<(usize, usize, Option<f64>)> {
    let (rows, columns) = (values.len(), values.first().map_or(0, Vec::len));
    let slack = 4.0 * rounding;
    let mut wrong = Vec::new();
    let cells = || (0..rows).flat_map(move |i| (0..columns).map(move |j| (i, j)));
    let all = cells().filter(|(i, j)| values[*i][*j].is_some()).count();
    // More than a few, and it is not that kind of plate.
    while wrong.len() <= all / 6 {
        // What each other row and column make of a cell.
        let others = |i: usize, j: usize| -> Vec<f64> {
            (0..rows)
                .filter(|r| *r != i)
                .flat_map(|r| (0..columns).filter(move |k| *k != j).map(move |k| (r, k)))
                .filter_map(|(r, k)| Some(values[i][k]? * values[r][j]? / values[r][k]?))
                .collect()
        };
        let worst = cells()
            .filter_map(|(i, j)| {
                let own = values[i][j]?;
                let mut made = others(i, j);
                let at_odds = made.iter().filter(|m| (*m / own - 1.0).abs() > slack).count();
                made.sort_by(f64::total_cmp);
                let middle = *made.get(made.len() / 2)?;
                #[allow(clippy::cast_precision_loss)] // counts of cells
                let share = at_odds as f64 / made.len() as f64;
                Some((share, i, j, middle))
            })
            .max_by(|a, b| a.0.total_cmp(&b.0));
        match worst {
            Some((share, i, j, middle)) if share > 0.6 => {
                wrong.push((i, j, Some(middle)));
                values[i][j] = None;
            }
            _ => return wrong,
        }
    }
    Vec::new()
}

/// The one cell of a list that stands out of order, without which the rest run one way.
fn of_list(values: &[Vec<Option<f64>>]) -> Vec<(usize, usize, Option<f64>)> {
    let list: Vec<(usize, usize, f64)> =
        values.iter().enumerate().flat_map(|(i, row)| row.iter().enumerate().filter_map(move |(j, v)| Some((i, j, (*v)?)))).collect();
    let ordered = |skip: Option<usize>| {
        let kept: Vec<f64> = list.iter().enumerate().filter(|(k, _)| Some(*k) != skip).map(|(_, v)| v.2).collect();
        kept.windows(2).all(|w| w[1] > w[0]) || kept.windows(2).all(|w| w[1] < w[0])
    };
    if list.len() < 4 || ordered(None) {
        return Vec::new();
    }
    // Where two could be it, neighbours changed about, the one farther from the run of the rest is named.
    let step = |k: usize| {
        let near = |d: isize| k.checked_add_signed(d).and_then(|i| list.get(i)).map(|v| (list[k].2 / v.2).ln().abs());
        near(-1).unwrap_or(0.0) + near(1).unwrap_or(0.0)
    };
    (0..list.len()).filter(|k| ordered(Some(*k))).max_by(|a, b| step(*a).total_cmp(&step(*b))).map(|k| (list[k].0, list[k].1, None)).into_iter().collect()
}
