//! The drawer as it is written: sizes, and everything else a thing a line.

mod lines;
mod sizes;
mod tools;

use crate::blank::drill::marked;
use crate::faults::Fault;
use crate::kit::Kit;
use crate::say;
use crate::voice::Voice;
use lines::Line;
use serde::{Deserialize, Serialize};
use sizes::{length, mark, size, sizes};
use tools::put_storied;

/// What of the drawer is written.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WrittenDrawer {
    /// Drills: sizes, numbers, letters, runs such as `1 to 13 by 0.5 mm`, and sets by name; `12 mm reach 150 mm`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drills: Option<String>,
    /// Measuring wires, as each measures.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wires: Option<String>,
    /// Micrometers, one a line: `name; outside; 0 to 25 mm; zero 0.002 mm; spread 0.003 mm`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub micrometers: Option<String>,
    /// Bits, one a line: `name; outside; hss; 60°; flat 0.25 mm; left 10; right 8; width 10 mm; in Long bar`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bits: Option<String>,
    /// Boring bars, one a line: `name; thick 16 mm; reach 80 mm; nose 4 mm; carbide`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bars: Option<String>,
    /// Inserts, one a line: `name; inside; pitch 0.5 to 3 mm; 60°; radius 0.1 mm; tilt 1.5`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub inserts: Option<String>,
    /// Groovers and parting blades, one a line: `name; outside; parting; width 3 mm; corner 0.2 mm; deep 28 mm`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub blades: Option<String>,
    /// Reamers, one a line: `12 mm`, `11 to 12.5 mm; lent`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub reamers: Option<String>,
    /// Taps and dies, one or a set a line: `M8x1.25; taps`, `M20x2.5; split die; worn`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub chasers: Option<String>,
    /// Plug and ring gauges, one a line: `M20x2.5-6H; go plug`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub gauges: Option<String>,
    /// Indicators, one a line: `name; plunger; 10 mm; divides 0.01 mm`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub indicators: Option<String>,
    /// Dogs, centres, steadies, collets and arbors, one a line: `dog; 10 to 25 mm`, `live centre`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub holders: Option<String>,
}

/// The things of one list, a line each; none where nothing of them is written, or some of it does not read.
fn lines_of<T: Line>(text: Option<&String>, at: &str, voice: Voice, faults: &mut Vec<Fault>) -> Option<Vec<T>> {
    let mut list = Vec::new();
    let before = faults.len();
    for (i, line) in text?.lines().enumerate().filter(|(_, line)| !line.trim().is_empty()) {
        match T::read(line, voice.unit) {
            Some(read) => list.extend(read),
            None => faults.push(Fault::new(at, say!(voice, "drawer-unread", line = i + 1, of = T::OF))),
        }
    }
    (faults.len() == before).then_some(list)
}

/// Puts what is written in place of what the drawer held of it; what is not written stays.
///
/// # Errors
/// Every line that does not read, and how it would.
pub fn put_written(kit: &mut Kit, written: &WrittenDrawer, voice: Voice) -> Result<(), Vec<Fault>> {
    let mut faults = Vec::new();
    let mut list = |text: &Option<String>, at: &str, drills: bool| {
        let text = text.as_ref()?;
        sizes(text, at, drills, voice).map_err(|f| faults.extend(f)).ok()
    };
    let (drills, wires) = (list(&written.drills, "/drills", true), list(&written.wires, "/wires", false));
    let micrometers = lines_of(written.micrometers.as_ref(), "/micrometers", voice, &mut faults);
    let bits = lines_of(written.bits.as_ref(), "/bits", voice, &mut faults);
    let bars = lines_of(written.bars.as_ref(), "/bars", voice, &mut faults);
    let inserts = lines_of(written.inserts.as_ref(), "/inserts", voice, &mut faults);
    let blades = lines_of(written.blades.as_ref(), "/blades", voice, &mut faults);
    let reamers = lines_of(written.reamers.as_ref(), "/reamers", voice, &mut faults);
    let chasers = lines_of(written.chasers.as_ref(), "/chasers", voice, &mut faults);
    let gauges = lines_of(written.gauges.as_ref(), "/gauges", voice, &mut faults);
    let indicators = lines_of(written.indicators.as_ref(), "/indicators", voice, &mut faults);
    let holders = lines_of(written.holders.as_ref(), "/holders", voice, &mut faults);
    if !faults.is_empty() {
        return Err(faults);
    }
    if let Some((sizes, reaches)) = drills {
        (kit.drills_mm, kit.drill_reaches) = (sizes, reaches);
    }
    put(&mut kit.wires_mm, wires.map(|(sizes, _)| sizes));
    put(&mut kit.micrometers, micrometers);
    put_storied(&mut kit.bits, bits);
    put_storied(&mut kit.bars, bars);
    put_storied(&mut kit.inserts, inserts);
    put_storied(&mut kit.blades, blades);
    put(&mut kit.reamers, reamers);
    put(&mut kit.chasers, chasers);
    put(&mut kit.gauges, gauges);
    put(&mut kit.indicators, indicators);
    put(&mut kit.holders, holders);
    Ok(())
}

fn put<T>(held: &mut Vec<T>, told: Option<Vec<T>>) {
    if let Some(told) = told {
        *held = told;
    }
}

/// The drawer as it would be written.
#[must_use]
pub fn written(kit: &Kit, voice: Voice) -> WrittenDrawer {
    let drill = |mm: &f64| {
        let name = marked(*mm, Voice { unit: voice.unit, ..Voice::default() });
        let reads = mark(&name.to_lowercase()).or_else(|| length(&name, voice.unit)).is_some_and(|d| (d - mm).abs() < 1e-7);
        let name = if reads { name } else { size(*mm, voice.unit) };
        kit.drill_reach(*mm).map_or_else(|| name.clone(), |reach| format!("{name} reach {}", size(reach, voice.unit)))
    };
    fn all<T: Line>(list: &[T], voice: Voice) -> Option<String> {
        Some(list.iter().map(|one| one.write(voice.unit)).collect::<Vec<_>>().join("\n"))
    }
    WrittenDrawer {
        drills: Some(kit.drills_mm.iter().map(drill).collect::<Vec<_>>().join("\n")),
        wires: Some(kit.wires_mm.iter().map(|mm| size(*mm, voice.unit)).collect::<Vec<_>>().join("\n")),
        micrometers: all(&kit.micrometers, voice),
        bits: all(&kit.bits, voice),
        bars: all(&kit.bars, voice),
        inserts: all(&kit.inserts, voice),
        blades: all(&kit.blades, voice),
        reamers: all(&kit.reamers, voice),
        chasers: all(&kit.chasers, voice),
        gauges: all(&kit.gauges, voice),
        indicators: all(&kit.indicators, voice),
        holders: all(&kit.holders, voice),
    }
}
