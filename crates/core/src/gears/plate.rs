//! The gearbox from its plate: the pitches printed by lever, turned into ratios, and a cell that was misread found.

use crate::job::{Checker, Fault, GearboxPosition, KeepRequest, LatheProfile};
use crate::quantity::{Exact, LengthUnit, Ratio, pitch_of_tpi, plain_text, real};
use num_traits::Zero;
use serde::{Deserialize, Serialize};

/// A plate as it is read off the headstock.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlateRequest {
    /// Whether it prints threads per inch or millimetres.
    pub unit: Option<LengthUnit>,
    /// Names of one lever's places, down the side.
    pub rows: Vec<String>,
    /// Names of the other's, across the top; one empty name where there is no other.
    pub columns: Vec<String>,
    /// What it prints, row by row; null where it prints nothing.
    pub cells: Vec<Vec<Option<Exact>>>,
    /// The change gears it assumes; none where it says straight through.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub gears: Option<KeepRequest>,
    /// Other change gears for some rows, by row.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub row_gears: Vec<Option<KeepRequest>>,
}

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
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlateRead {
    /// The lever positions with their ratios, those of misread cells left out.
    pub positions: Vec<GearboxPosition>,
    /// Cells that do not fit.
    pub misread: Vec<Misread>,
    /// What was found, in one sentence.
    pub says: String,
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
    pub fn read(&self, lathe: &LatheProfile) -> Result<PlateRead, Vec<Fault>> {
        let mut c = Checker::default();
        let checked = lathe.check("/lathe", &mut c);
        let unit = self.unit.unwrap_or(LengthUnit::In);
        if self.rows.is_empty() || self.columns.is_empty() {
            c.fault("/rows", "a plate has at least one row and one column; name the lever's places");
        }
        if self.cells.len() != self.rows.len() {
            c.fault("/cells", format!("{} rows are named but {} are given", self.rows.len(), self.cells.len()));
        }
        for (i, row) in self.cells.iter().enumerate() {
            if row.len() != self.columns.len() {
                c.fault(
                    format!("/cells/{i}"),
                    format!("this row has {} cells where {} columns are named; null stands for an empty one", row.len(), self.columns.len()),
                );
            }
        }
        let count = self.cells.iter().flatten().flatten().count();
        if count > MOST {
            c.fault("/cells", format!("{count} pitches are more than the {MOST} lever positions a lathe may have"));
        }
        let trains: Vec<Ratio> = (0..self.cells.len())
            .map(|i| {
                let own = self.row_gears.get(i).and_then(Option::as_ref);
                let at = if own.is_some() { format!("/row_gears/{i}") } else { "/gears".to_owned() };
                own.or(self.gears.as_ref()).map_or_else(|| Ratio::from_integer(1), |g| train(g, &at, &mut c))
            })
            .collect();
        let mut ratios: Vec<Vec<Option<Ratio>>> = Vec::new();
        for (i, row) in self.cells.iter().enumerate() {
            let through = trains[i] * checked.fixed * checked.leadscrew;
            ratios.push(
                row.iter()
                    .enumerate()
                    .map(|(j, cell)| {
                        let printed = cell.as_ref()?.0;
                        if printed <= Ratio::zero() || printed > Ratio::from_integer(1000) {
                            c.fault(format!("/cells/{i}/{j}"), "a pitch over 0 and at most 1000 is wanted, or null for an empty cell");
                            return None;
                        }
                        let pitch = if unit == LengthUnit::In { pitch_of_tpi(&printed) } else { printed };
                        Some(pitch / through)
                    })
                    .collect(),
            );
        }
        if !c.faults.is_empty() {
            return Err(c.faults);
        }
        let misread = self.misread(&ratios, unit);
        let positions: Vec<GearboxPosition> = (0..self.rows.len())
            .flat_map(|i| (0..self.columns.len()).map(move |j| (i, j)))
            .filter(|(i, j)| !misread.iter().any(|m| m.row == *i && m.column == *j))
            .filter_map(|(i, j)| Some(GearboxPosition { name: self.name(i, j), ratio: Exact(ratios[i][j]?) }))
            .collect();
        let says = match misread.as_slice() {
            [] => format!("{} lever positions, and they all fit together.", positions.len()),
            [one] => one.says.clone(),
            _ => format!("{} cells do not fit the rest: read them again.", misread.len()),
        };
        Ok(PlateRead { positions, misread, says })
    }

    fn name(&self, row: usize, column: usize) -> String {
        format!("{} {}", self.rows[row], self.columns[column]).trim().to_owned()
    }

    /// The cells that do not fit: of a grid, those whose row and column multiply to something else with nearly all the
    /// others; of one row, the one that stands out of order.
    fn misread(&self, ratios: &[Vec<Option<Ratio>>], unit: LengthUnit) -> Vec<Misread> {
        let values: Vec<Vec<Option<f64>>> = ratios.iter().map(|r| r.iter().map(|c| c.as_ref().map(real)).collect()).collect();
        let wrong = if self.rows.len() > 1 && self.columns.len() > 1 { of_grid(values, rounding(unit)) } else { of_list(&values) };
        wrong
            .into_iter()
            .map(|(row, column, fits)| {
                // What was printed over what would fit gives the printed figure that would.
                let printed = self.cells[row][column].as_ref().map_or(0.0, |e| real(&e.0));
                let ratio = ratios[row][column].as_ref().map_or(1.0, real);
                let fits = fits.map(|f| tidy(if unit == LengthUnit::In { printed * ratio / f } else { printed * f / ratio }));
                let told = plain_text(printed, 3).trim_end_matches('0').trim_end_matches('.').to_owned();
                let says = match &fits {
                    Some(fits) => format!("{}: {told} does not fit the rest of the plate; {fits} would. Read it again.", self.name(row, column)),
                    None => format!("{}: {told} stands out of order with its neighbours. Read it again.", self.name(row, column)),
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
    plain_text(shown, 2).trim_end_matches('0').trim_end_matches('.').to_owned()
}

fn train(gears: &KeepRequest, at: &str, c: &mut Checker) -> Ratio {
    let drivers = c.teeth(&gears.drivers, &format!("{at}/drivers"));
    let driven = c.teeth(&gears.driven, &format!("{at}/driven"));
    if drivers.is_empty() || drivers.len() != driven.len() {
        c.fault(at, "a train has as many driven gears as drivers, at least one of each");
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
