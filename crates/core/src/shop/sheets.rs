//! Gears and plate as CSV: what is exported reads back to the same, and a faulty line is named by its number and column.

use crate::csv_out;
use crate::faults::Fault;
use crate::job::{BoundGears, GearEntry, GearGroup, GearList, GearboxPosition, KeepRequest, Lathe, LatheProfile, Place, PlateRequest, assumed_lathe};
use crate::quantity::{Exact, LengthUnit, ratio_text, real, short_text};
use crate::says::Sentence;
use crate::voice::Voice;
use crate::{say, sentence};
use csv::StringRecord;
use serde_json::Value;

/// Columns of the gears' sheet.
const GEARS: [&str; 7] = ["teeth", "count", "module_mm", "dp", "pressure_angle_deg", "piece", "on"];
/// Most lines a sheet may have.
const MOST: usize = 500;

/// A fault on a line of a sheet, its pointer the line and the column.
fn fault(line: usize, column: &str, detail: Sentence, voice: Voice) -> Fault {
    Fault::new(format!("/{line}/{column}"), say!(voice, "sheet-line", line = line, column = column, detail = detail.said(voice)))
}

/// The lines of a sheet, each with its number; what is not CSV is a fault of its line.
fn lines(text: &str, voice: Voice) -> Result<Vec<(usize, StringRecord)>, Vec<Fault>> {
    let mut reader =
        csv::ReaderBuilder::new().has_headers(false).flexible(true).trim(csv::Trim::All).from_reader(text.trim_start_matches('\u{feff}').as_bytes());
    let mut list = Vec::new();
    for record in reader.records() {
        let record = record.map_err(|e| vec![Fault::new("", say!(voice, "sheet-not-csv", why = e.to_string()))])?;
        let line = record.position().map_or(list.len() + 1, |p| usize::try_from(p.line()).unwrap_or(0));
        if list.len() == MOST {
            return Err(vec![fault(line, "", sentence!("sheet-most-lines", most = MOST), voice)]);
        }
        if record.iter().any(|f| !f.is_empty()) {
            list.push((line, record.iter().map(csv_out::read).collect()));
        }
    }
    if list.is_empty() { Err(vec![Fault::new("", say!(voice, "sheet-empty"))]) } else { Ok(list) }
}

/// The gears of a lathe, a line for each kind: teeth, how many, what they mesh with, the piece they are joined in, and the
/// shafts they go on where not on all.
#[must_use]
pub fn gears_to_csv(profile: &LatheProfile, lathe: &Lathe) -> String {
    let lent = || if profile.gears.is_none() { assumed_lathe().gear_groups } else { None };
    let groups = profile.gear_groups.clone().or_else(lent).unwrap_or_else(|| vec![GearGroup::default()]);
    let mut rows = vec![GEARS.map(str::to_owned).to_vec()];
    let mut kinds: Vec<(crate::job::Gear, usize)> = Vec::new();
    for gear in &lathe.gears {
        match kinds.iter_mut().find(|(g, _)| g == gear) {
            Some((_, count)) => *count += 1,
            None => kinds.push((*gear, 1)),
        }
    }
    for (gear, count) in kinds {
        let group = groups.get(usize::from(gear.group)).cloned().unwrap_or_default();
        let number = |v: Option<f64>| v.map_or_else(String::new, |v| v.to_string());
        let on = [(Place::Spindle, "spindle"), (Place::Stud, "stud"), (Place::Leadscrew, "leadscrew")];
        let on = if on.iter().all(|(p, _)| gear.goes_on(*p)) {
            String::new()
        } else {
            on.iter().filter(|(p, _)| gear.goes_on(*p)).map(|(_, name)| *name).collect::<Vec<_>>().join(" ")
        };
        rows.push(vec![
            gear.teeth.to_string(),
            count.to_string(),
            number(group.module_mm.or_else(|| group.dp.is_none().then_some(1.0))),
            number(group.dp),
            number(group.pressure_angle_deg),
            if gear.piece == 0 { String::new() } else { gear.piece.to_string() },
            on,
        ]);
    }
    csv_out::sheet(&rows)
}

/// Gears from a sheet as [`gears_to_csv`] writes it; only `teeth` must be there.
///
/// # Errors
/// Every faulty line and column. What the gears must be among themselves the profile checks.
pub fn gears_from_csv(text: &str, voice: Voice) -> Result<Vec<GearGroup>, Vec<Fault>> {
    let lines = lines(text, voice)?;
    let mut faults = Vec::new();
    let Some(((first, head), rest)) = lines.split_first() else { return Ok(Vec::new()) };
    for name in head {
        if !GEARS.contains(&name) {
            faults.push(fault(*first, name, sentence!("sheet-no-column", columns = GEARS.join(", ")), voice));
        }
    }
    if !head.iter().any(|h| h == "teeth") {
        faults.push(fault(*first, "teeth", sentence!("sheet-teeth-column"), voice));
        return Err(faults);
    }
    let mut sheet = GearSheet { voice, head, groups: Vec::new(), pieces: Vec::new(), faults };
    for (line, record) in rest {
        sheet.take(*line, record);
    }
    sheet.join_pieces();
    if sheet.faults.is_empty() { Ok(sheet.groups) } else { Err(sheet.faults) }
}

/// A sheet of gears as it is read, line by line.
struct GearSheet<'a> {
    voice: Voice,
    head: &'a StringRecord,
    groups: Vec<GearGroup>,
    /// Gears of one piece: their group, the piece's name, their teeth, the line it was first named on.
    pieces: Vec<(usize, String, Vec<i64>, usize)>,
    faults: Vec<Fault>,
}

impl GearSheet<'_> {
    fn field<'r>(&self, record: &'r StringRecord, name: &str) -> Option<&'r str> {
        let column = self.head.iter().position(|h| h == name)?;
        record.get(column).filter(|t| !t.is_empty())
    }

    fn number(&mut self, line: usize, record: &StringRecord, name: &str) -> Option<f64> {
        let told = self.field(record, name)?;
        let number = told.replace(',', ".").parse::<f64>().ok().filter(|v| v.is_finite());
        if number.is_none() {
            self.faults.push(fault(line, name, sentence!("sheet-not-a-number", told = told), self.voice));
        }
        number
    }

    /// One line: a gear, or several of one count.
    fn take(&mut self, line: usize, record: &StringRecord) {
        let [module_mm, dp, pressure_angle_deg] = ["module_mm", "dp", "pressure_angle_deg"].map(|name| self.number(line, record, name));
        let count = self.number(line, record, "count").unwrap_or(1.0);
        let teeth = match self.field(record, "teeth").map(|t| t.parse::<i64>().map_err(|_| t)) {
            Some(Ok(t)) => t,
            Some(Err(t)) => {
                return self.faults.push(fault(line, "teeth", sentence!("sheet-not-teeth", told = t), self.voice));
            }
            None => return self.faults.push(fault(line, "teeth", sentence!("sheet-teeth-wanted"), self.voice)),
        };
        if !(1.0..=20.0).contains(&count) || count.fract() != 0.0 {
            return self.faults.push(fault(line, "count", sentence!("sheet-not-a-count", count = count), self.voice));
        }
        let same = |g: &GearGroup| g.module_mm == module_mm && g.dp == dp && g.pressure_angle_deg == pressure_angle_deg;
        let at = self.groups.iter().position(same).unwrap_or_else(|| {
            self.groups.push(GearGroup { module_mm, dp, pressure_angle_deg, gears: Some(GearList::Many(Vec::new())), ..GearGroup::default() });
            self.groups.len() - 1
        });
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // 1 to 20
        let count = count as usize;
        if let Some(GearList::Many(list)) = self.groups.get_mut(at).and_then(|g| g.gears.as_mut()) {
            list.extend(std::iter::repeat_n(GearEntry::Teeth(teeth), count));
        }
        if let Some(on) = self.field(record, "on") {
            self.bind(line, at, teeth, on);
        }
        if let Some(piece) = self.field(record, "piece") {
            match self.pieces.iter_mut().find(|p| p.0 == at && p.1 == piece) {
                Some(found) => found.2.extend(std::iter::repeat_n(teeth, count)),
                None => self.pieces.push((at, piece.to_owned(), vec![teeth; count], line)),
            }
        }
    }

    /// A gear that goes on some shafts only.
    fn bind(&mut self, line: usize, at: usize, teeth: i64, on: &str) {
        let places: Vec<Place> = on.split_whitespace().filter_map(|p| serde_json::from_value(Value::String(p.to_lowercase())).ok()).collect();
        if places.len() != on.split_whitespace().count() {
            self.faults.push(fault(line, "on", sentence!("sheet-no-shafts", on = on), self.voice));
        } else if let Some(group) = self.groups.get_mut(at) {
            group.bound.get_or_insert_default().push(BoundGears { teeth: vec![teeth], on: places });
        }
    }

    /// Gears that are one piece, two to a name.
    fn join_pieces(&mut self) {
        for (at, name, teeth, line) in std::mem::take(&mut self.pieces) {
            if teeth.len() != 2 {
                let text = sentence!("sheet-piece", name = name, n = teeth.len());
                self.faults.push(fault(line, "piece", text, self.voice));
            } else if let Some(group) = self.groups.get_mut(at) {
                group.joined.get_or_insert_default().push(teeth);
            }
        }
    }
}

/// The gearbox as a sheet: the plate where one was told, else each position with its ratio. The corner names what the cells
/// are: `tpi`, `mm` or `ratio`.
#[must_use]
pub fn plate_to_csv(profile: &LatheProfile, lathe: &Lathe) -> String {
    let Some(plate) = profile.plate.as_ref().filter(|p| p.row_ratios.is_empty()) else {
        let mut rows = vec![vec!["ratio".to_owned(), String::new()]];
        rows.extend(lathe.gearbox.iter().map(|p| vec![p.name.clone(), ratio_text(&p.ratio.0)]));
        return csv_out::sheet(&rows);
    };
    let geared = plate.gears.is_some() || plate.row_gears.iter().any(Option::is_some);
    let mut head = vec![if plate.unit == Some(LengthUnit::Mm) { "mm" } else { "tpi" }.to_owned()];
    head.extend(plate.columns.clone());
    if geared {
        head.extend(["drivers".to_owned(), "driven".to_owned()]);
    }
    let mut rows = vec![head];
    for (i, name) in plate.rows.iter().enumerate() {
        let mut row = vec![name.clone()];
        let cells = plate.cells.get(i).cloned().unwrap_or_default();
        row.extend(cells.iter().map(|c| c.as_ref().map_or_else(String::new, printed)));
        if geared {
            let gears = plate.row_gears.get(i).and_then(Option::as_ref).or(plate.gears.as_ref()).cloned().unwrap_or_default();
            let list = |teeth: &[i64]| teeth.iter().map(i64::to_string).collect::<Vec<_>>().join(" ");
            row.extend([list(&gears.drivers), list(&gears.driven)]);
        }
        rows.push(row);
    }
    csv_out::sheet(&rows)
}

/// A pitch as the plate prints it.
fn printed(cell: &Exact) -> String {
    // Two places and quarters come out; a fraction that does not is left one.
    if 10_000 % cell.0.denom() == 0 { short_text(real(&cell.0), 4) } else { ratio_text(&cell.0) }
}

/// What a plate's sheet holds: pitches, or plain ratios.
type Gearbox = (Option<Vec<GearboxPosition>>, Option<PlateRequest>);

/// A gearbox from a sheet as [`plate_to_csv`] writes it.
///
/// # Errors
/// Every faulty line and column. What the levers must be among themselves the profile checks.
pub fn plate_from_csv(text: &str, voice: Voice) -> Result<Gearbox, Vec<Fault>> {
    let lines = lines(text, voice)?;
    let Some(((first, head), rest)) = lines.split_first() else { return Ok((None, None)) };
    let corner = head.get(0).unwrap_or_default().to_lowercase();
    if !["tpi", "mm", "ratio"].contains(&corner.as_str()) {
        return Err(vec![fault(*first, "1", sentence!("sheet-first-cell"), voice)]);
    }
    let names: Vec<String> = head.iter().skip(1).map(str::to_owned).collect();
    let geared = names.ends_with(&["drivers".to_owned(), "driven".to_owned()]);
    let columns = &names[..names.len() - if geared { 2 } else { 0 }];
    let mut faults = Vec::new();
    let mut plate = PlateRequest {
        unit: Some(if corner == "mm" { LengthUnit::Mm } else { LengthUnit::In }),
        columns: if columns.is_empty() { vec![String::new()] } else { columns.to_vec() },
        ..PlateRequest::default()
    };
    let mut positions = Vec::new();
    for (line, record) in rest {
        let name = record.get(0).unwrap_or_default();
        if record.len() > names.len() + 1 {
            faults.push(fault(*line, &(names.len() + 2).to_string(), sentence!("sheet-more-cells"), voice));
        }
        let mut cells = Vec::new();
        for (j, column) in plate.columns.iter().enumerate() {
            let text = record.get(j + 1).unwrap_or_default();
            let read = (!text.is_empty()).then(|| serde_json::from_value::<Exact>(Value::String(text.replace(',', "."))));
            cells.push(match read {
                None => None,
                Some(Ok(value)) => {
                    if corner == "ratio" {
                        positions.push(GearboxPosition { name: format!("{name} {column}").trim().to_owned(), ratio: value });
                    }
                    Some(value)
                }
                Some(Err(_)) => {
                    faults.push(fault(*line, &format!("{}", j + 2), sentence!("sheet-not-a-pitch", text = text), voice));
                    None
                }
            });
        }
        plate.rows.push(name.to_owned());
        plate.cells.push(cells);
        if geared {
            let mut teeth = |column: usize, says: &str| -> Vec<i64> {
                let text = record.get(column).unwrap_or_default();
                text.split_whitespace()
                    .filter_map(|t| t.parse().map_err(|_| faults.push(fault(*line, says, sentence!("sheet-not-tooth-count", told = t), voice))).ok())
                    .collect()
            };
            let train = KeepRequest { drivers: teeth(names.len() - 1, "drivers"), driven: teeth(names.len(), "driven") };
            plate.row_gears.push((!train.drivers.is_empty() || !train.driven.is_empty()).then_some(train));
        }
    }
    match (faults.is_empty(), corner == "ratio") {
        (false, _) => Err(faults),
        (true, true) => Ok((Some(positions), None)),
        (true, false) => Ok((None, Some(plate))),
    }
}
