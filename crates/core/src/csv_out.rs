//! Sheets of comma-separated values, written by one hand: what was typed by somebody is text in them, and never a formula.

/// What a spreadsheet takes for the beginning of a formula.
const FORMULA: [char; 6] = ['=', '+', '-', '@', '\t', '\r'];
/// Put before such a cell, it is text.
const AS_TEXT: char = '\'';

/// A cell as it is written: a number as it is, text that would be taken for a formula marked as text.
fn written(cell: &str) -> String {
    let formula = cell.starts_with(FORMULA) && cell.parse::<f64>().is_err();
    if formula { format!("{AS_TEXT}{cell}") } else { cell.to_owned() }
}

/// A cell as it was before it was written so.
#[must_use]
pub fn read(cell: &str) -> &str {
    cell.strip_prefix(AS_TEXT).filter(|rest| rest.starts_with(FORMULA)).unwrap_or(cell)
}

/// The sheet of these rows, the first of them naming the columns.
#[must_use]
pub fn sheet(rows: &[Vec<String>]) -> String {
    let mut writer = csv::WriterBuilder::new().flexible(true).from_writer(Vec::new());
    // Writing to memory does not fail.
    let _ = rows.iter().try_for_each(|row| writer.write_record(row.iter().map(|cell| written(cell))));
    writer.into_inner().ok().and_then(|bytes| String::from_utf8(bytes).ok()).unwrap_or_default()
}
