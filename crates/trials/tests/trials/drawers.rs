//! The drawer written a thing a line: sets, runs and marks read to their sizes, and what is written reads back as it was.

use yoke_core::job::{Kit, MicrometerKind, OwnedMicrometer};
use yoke_core::quantity::LengthUnit;
use yoke_core::shop::{WrittenDrawer, put_written, written};
use yoke_core::voice::Voice;

fn voice(unit: LengthUnit) -> Voice {
    Voice { unit, ..Voice::default() }
}

fn drills(text: &str, unit: LengthUnit) -> Vec<f64> {
    let mut kit = Kit::default();
    put_written(&mut kit, &WrittenDrawer { drills: Some(text.into()), ..WrittenDrawer::default() }, voice(unit)).unwrap_or_else(|f| panic!("{text}: {f:?}"));
    kit.drills_mm
}

#[test]
fn sets_runs_and_marks_read_to_their_sizes() {
    let is = |got: &[f64], want: &[f64]| assert!(got.len() == want.len() && got.iter().zip(want).all(|(a, b)| (a - b).abs() < 1e-9), "{got:?} for {want:?}");
    // Counts and ends every chart of the trade agrees on.
    for (set, count, least, most) in [
        ("numbers", 60, 0.04, 0.228),
        ("letters", 26, 0.234, 0.413),
        ("fractions", 29, 0.0625, 0.5),
        ("tenths", 91, 1.0 / 25.4, 10.0 / 25.4),
        ("halves", 25, 1.0 / 25.4, 13.0 / 25.4),
    ] {
        let all = drills(set, LengthUnit::Mm);
        assert_eq!(all.len(), count, "{set}");
        assert!((all[0] - least * 25.4).abs() < 1e-9 && (all[count - 1] - most * 25.4).abs() < 1e-9, "{set}: {all:?}");
    }
    // Letter E is a quarter of an inch, and one drill.
    assert_eq!(drills("letters; fractions", LengthUnit::Mm).len(), 26 + 29 - 1);
    is(&drills("#7, letter F, 1/4", LengthUnit::Mm), &[0.201 * 25.4, 6.35, 0.257 * 25.4]);
    is(&drills("8,5\n1 to 2 by 0.5 mm\n0.125 in", LengthUnit::Mm), &[1.0, 1.5, 2.0, 3.175, 8.5]);
    is(&drills(".25\n1/16 to 1/8 by 1/32", LengthUnit::In), &[1.5875, 2.38125, 3.175, 6.35]);
    // Wires have no marks: the same word is none.
    let mut kit = Kit::default();
    let wires = |text: &str| WrittenDrawer { wires: Some(text.into()), ..WrittenDrawer::default() };
    put_written(&mut kit, &wires("0.0289 in; 1.35 mm"), voice(LengthUnit::Mm)).unwrap();
    is(&kit.wires_mm, &[0.734_06, 1.35]);
    let before = kit.clone();
    let faults = put_written(&mut kit, &wires("1.35 mm\nletters\noak; 2 to 1 by 0.1 mm"), voice(LengthUnit::Mm)).unwrap_err();
    assert_eq!((faults.len(), kit), (3, before), "{faults:?}");
    assert!(faults[0].detail.starts_with("Line 2: “letters” is not the size of a wire") && faults[1].detail.starts_with("Line 3: “oak”"), "{faults:?}");
}

#[test]
fn what_is_written_reads_back_as_it_was() {
    let mut kit = Kit::alder_reach();
    kit.drills_mm.extend([6.351, 0.257 * 25.4]);
    kit.drills_mm.sort_by(f64::total_cmp);
    kit.wires_mm.push(0.734_06);
    kit.wires_mm.sort_by(f64::total_cmp);
    kit.micrometers.push(OwnedMicrometer {
        name: "Old, vee".into(),
        kind: MicrometerKind::InsideThread,
        from_mm: 25.4,
        to_mm: 50.8,
        zero_mm: -0.002,
        spread_mm: Some(0.003),
    });
    for unit in [LengthUnit::Mm, LengthUnit::In] {
        let mut back = Kit { drills_mm: vec![1.0], wires_mm: vec![], micrometers: vec![], ..kit.clone() };
        let lines = written(&kit, voice(unit));
        put_written(&mut back, &lines, voice(unit)).unwrap_or_else(|f| panic!("{f:?} in {lines:?}"));
        let near = |a: &[f64], b: &[f64]| a.len() == b.len() && a.iter().zip(b).all(|(a, b)| (a - b).abs() < 1e-7);
        assert!(near(&back.drills_mm, &kit.drills_mm) && near(&back.wires_mm, &kit.wires_mm), "{lines:?}");
        assert_eq!(written(&back, voice(unit)), lines);
        assert_eq!(back.micrometers.len(), kit.micrometers.len());
        for (a, b) in back.micrometers.iter().zip(&kit.micrometers) {
            assert!((&a.name, a.kind) == (&b.name, b.kind) && near(&[a.from_mm, a.to_mm, a.zero_mm], &[b.from_mm, b.to_mm, b.zero_mm]), "{a:?} for {b:?}");
        }
        // What is left out stands.
        put_written(&mut back, &WrittenDrawer { wires: Some(String::new()), ..WrittenDrawer::default() }, voice(unit)).unwrap();
        assert!(back.wires_mm.is_empty() && near(&back.drills_mm, &kit.drills_mm));
    }
}
