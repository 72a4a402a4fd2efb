//! Instruments that speak: numbers found again in their lines by pointing once, and the passes a readout sees of a lathe that stands in.

use proptest::prelude::*;
use yoke_core::instruments::{Passes, Pattern, Place, Seen, Unlearned, Watching, numbers};
use yoke_core::quantity::Ratio;
use yoke_standin::script::{read, read_line};
use yoke_standin::{Axis, DialFace, Lathe, Machine, Operator, Readout, Sees};

/// A line it is shown, what is pointed at, places that are not written, another line, and what it then reads; inches where it says so.
type Odd = (&'static str, &'static str, u8, &'static str, f64, Option<bool>);

#[test]
fn ten_odd_lines_are_learned_by_pointing() {
    let odd: [Odd; 12] = [
        ("X+0012.345 Z-0001.200", "12.345", 0, "X-0000.105 Z+0044.000", -0.105, None),
        ("X:   1.2345in Y:  -0.0002in", "0.0002", 0, "X:   1.0000in Y:   0.0315in", 0.0315, Some(true)),
        ("A=  -  12,345 mm", "12,345", 0, "A=     0,500 mm", 0.5, Some(false)),
        ("12.345,-1.200,0.000", "-1.2", 0, "1.000,2.500,-3.000", 2.5, None),
        ("01A+00012345", "12345", 3, "01A-00000500", -0.5, None),
        ("\u{2}N1 OK  18.256 mm\u{3}", "18.256", 0, "\u{2}N1 OK  18.301 mm\u{3}", 18.301, Some(false)),
        ("18.256", "18", 0, "18.301", 18.301, None),
        ("ax1 .5000\" ax2 -.2500\"", "-.25", 0, "ax1 .5000\" ax2 .1250\"", 0.125, Some(true)),
        ("+0.512;+33.10;7F", "33.10", 0, "-0.512;-33.20;7F", -33.2, None),
        ("x 000123 z -00456 #17", "456", 2, "x 000001 z  00100 #18", 1.0, None),
        ("DEPTH 0.750 INCH", "0.750", 0, "DEPTH 0.812 INCH", 0.812, Some(true)),
        ("R, 3, 12.5", "12.5", 0, "R, 3, 13.5", 13.5, None),
    ];
    for (line, pointed, places, other, wanted, inches) in odd {
        let pattern = Pattern::learned(line, line.find(pointed).unwrap(), places).unwrap_or_else(|e| panic!("{line}: {e:?}"));
        let read = pattern.read(other).unwrap_or_else(|| panic!("{other} by {pattern:?}"));
        assert!((read.value - wanted).abs() < 1e-12, "{other}: {} by {pattern:?}", read.value);
        assert_eq!(read.inches, inches, "{other}");
        // Where it was pointed at it reads itself.
        assert!(pattern.read(line).is_some());
    }
    // A line cut short, another kind of line and no number are no reading, never a wrong one.
    let by_place = Pattern::learned("12.345,-1.200,0.000", 8, 0).unwrap();
    assert!(by_place.read("12.345,-1.2").is_none() && by_place.read("").is_none() && by_place.read("ERROR").is_none());
    let by_label = Pattern::learned("X1.5 Z2.5", 6, 0).unwrap();
    assert!(by_label.read("X1.5").is_none() && by_label.read("X1 Z2 Z3").is_none());
    assert_eq!(Pattern::learned("no figure here", 3, 0), Err(Unlearned::NoNumber));
    assert_eq!(Pattern::learned("X  12.5", 0, 0), Err(Unlearned::NoNumberThere));
}

proptest! {
    /// Nothing a cable brings upsets it, and what it finds is in the line.
    #[test]
    fn any_line_may_come(line in "\\PC{0,300}", pointed in 0_usize..300, other in "[XZ+\\-0-9., ]{0,40}") {
        for number in numbers(&line) {
            prop_assert!(number.value.is_finite() && line.get(number.at[0]..number.at[1]).is_some());
        }
        if let Ok(pattern) = Pattern::learned(&line, pointed, 3) {
            let _ = pattern.read(&other);
            prop_assert!(pattern.read(&line).is_some());
        }
    }

    /// Any script either reads or says which line does not.
    #[test]
    fn any_script_may_be_told(text in "\\PC{0,60}") {
        let _ = read_line(&text);
    }
}

#[test]
fn every_command_of_a_script_reads_and_a_wrong_one_is_named() {
    let all = "spindle 60\nturn 2 at 20\nclose\nopen\npart 0.3\ncarriage 50 at 20\ncross 0.2 at 4\ncompound 0.1\nzero cross\nzero readout\npick up\nstart 1\n\
        wait 2 # a remark\n\nuntil mark 3\nuntil place 3.5\nuntil turned 12\nuntil still\nhand 0.31 0.04\ngap 0.5\nnoise 0.01\ncut\ninches\nmillimetres\n";
    assert_eq!(read(all).unwrap().len(), 23);
    let unread = read("close\ncarriage there\nuntil noon\nspindel 60\ncross 1 by 2").unwrap_err();
    assert_eq!(unread.iter().map(|u| u.line).collect::<Vec<_>>(), [2, 3, 4, 5]);
    assert!(unread[0].says.contains("`there` is no number") && unread[2].says.contains("There is: spindle RPM"), "{unread:?}");
}

/// The lathe of the tie rod, cutting toward the headstock.
pub fn machine() -> Machine {
    Machine {
        screw_mm: Ratio::from_integer(6),
        turns: Ratio::new(-5, 12),
        play_mm: 0.2,
        dial: Some(DialFace { teeth: 20, marks: 4 }),
        spin_up_s: 0.4,
        coast: [0.4, 100.0 / 60.0],
        chuck_screwed: false,
        slide_play_mm: [0.1; 2],
        lean_deg: 0.0,
        cuts: -1.0,
    }
}

/// The same with a readout on cross-slide and carriage.
fn bench(noise_mm: f64, inches: bool, diameter: bool, seed: u64) -> Operator {
    let axes = vec![Axis { sees: Sees::Cross, reversed: false, diameter }, Axis { sees: Sees::Carriage, reversed: true, diameter: false }];
    let mut readout = Readout::new(axes, "X{0} Z{1}", seed);
    (readout.noise_mm, readout.inches, readout.places) = (noise_mm, inches, if inches { 5 } else { 4 });
    Operator::new(Lathe::new(machine(), 50.0, [0.0; 2]), readout, seed)
}

/// What is watched: 34 mm of thread, toward the headstock, set by the cross-slide to 0.02.
const WATCHING: Watching = Watching { thread_mm: [40.0, 6.0], pitch_mm: 2.5, division_mm: 0.02, compound_gives: None };

/// Everything seen until the script is done, the readout asked every 50 ms, its lines read as a program would.
fn seen(operator: &mut Operator, script: &str) -> Vec<Seen> {
    operator.told(read(script).unwrap());
    let (inches, diameter) = (operator.readout.inches, operator.readout.axes[0].diameter);
    let patterns = ["X", "Z"].map(|label| Pattern { label: label.into(), nth: 0, of: 2, places: 0 });
    let (mut passes, mut all, mut now) = (Passes::new(WATCHING), Vec::new(), 0.0);
    while !operator.done() && now < 4000.0 {
        now += 0.05;
        operator.advance(now);
        let stands = operator.lathe.stands();
        let Some(line) = operator.readout.says(now, &stands) else { continue };
        let [cross, along] = patterns.each_ref().map(|p| p.read(&line).unwrap().value * if inches { 25.4 } else { 1.0 });
        // It counts the carriage the other way, as it was fitted.
        all.extend(passes.reads(Place { at_s: now, along_mm: -along, cross_mm: cross / if diameter { 2.0 } else { 1.0 }, compound_mm: None }));
    }
    all
}

fn pass(depth: f64, at_the_end: &str) -> String {
    format!("cross {depth} at 4\nwait 2\nuntil mark 0\nclose\nuntil place 3.5\n{at_the_end}\nopen\ncross -5 at 8\nwait 1\ncarriage 50 at 20\nwait 3\n")
}

fn depths(all: &[Seen]) -> Vec<f64> {
    all.iter().filter_map(|s| if let Seen::Pass { radial_mm: Some(d), .. } = s { Some(*d) } else { None }).collect()
}

#[test]
fn every_real_pass_is_seen_once_at_its_depth_and_nothing_else() {
    let set: Vec<f64> = (1..=14).map(|i| 0.1 * f64::from(i)).collect();
    for (noise, inches, diameter, seed) in [(0.0, false, false, 1), (0.004, false, true, 2), (0.004, true, false, 3), (0.006, true, true, 4)] {
        let mut script = String::from("spindle 60\nwait 2\n");
        for (i, depth) in set.iter().enumerate() {
            // Twice the tool is left out over the thread, once it runs on past its mark.
            if i == 4 || i == 9 {
                script += &pass(-1.0, "wait 0.1");
            }
            script += &pass(*depth, if i == 6 { "wait 0.6" } else { "hand 0.31 0.04" });
        }
        let all = seen(&mut bench(noise, inches, diameter, seed), &script);
        let found = depths(&all);
        assert_eq!((all.len(), found.len()), (14, 14), "noise {noise}, inches {inches}: {all:?}");
        for (depth, wanted) in found.iter().zip(&set) {
            // Half a division.
            assert!((depth - wanted).abs() <= 0.01, "{depth} seen of {wanted}, noise {noise}");
        }
    }
}

#[test]
fn what_cannot_be_trusted_marks_nothing() {
    let begin = "spindle 60\nwait 2\n";
    // A hole in the middle of a pass of 14 s: more than a quarter of the thread.
    let gap = format!(
        "{begin}cross 0.2 at 4\nwait 2\nclose\nuntil place 30\ngap 4\nuntil place 3.5\nopen\ncross -5 at 8\nwait 1\ncarriage 50\nwait 4\n{}",
        pass(0.4, "wait 0.1")
    );
    let all = seen(&mut bench(0.0, false, false, 1), &gap);
    assert!(matches!(all[..], [Seen::Untrusted { .. }, Seen::Pass { radial_mm: Some(d), .. }] if (d - 0.4).abs() < 0.01), "{all:?}");
    // It began where the tool went over the end of the thread, however long the tool had stood in: what was told before is of another.
    let stood = seen(&mut bench(0.0, false, false, 1), &gap.replacen("wait 2\nclose", "wait 9\nclose", 1));
    let later = stood[0].began_s() - all[0].began_s();
    assert!((6.0..8.0).contains(&later) && all[0].began_s() > 5.0, "{all:?} {stood:?}");
    // A cut cable: nothing is made up of what was not heard.
    let cut = format!("{begin}{}cross 0.4 at 4\nwait 2\nclose\nuntil place 20\ncut\nuntil place 3.5\nopen\ncross -5 at 8\nwait 2\n", pass(0.2, "wait 0.1"));
    assert_eq!(depths(&seen(&mut bench(0.0, false, false, 1), &cut)).len(), 1);
    // Stopped in the middle and wound back: no pass.
    let short = format!("{begin}cross 0.2 at 4\nwait 2\nclose\nuntil place 25\nopen\ncross -5 at 8\nwait 1\ncarriage 50\nwait 4\n");
    assert_eq!(seen(&mut bench(0.0, false, false, 1), &short), []);
    // Wound back over the thread with the tool in: not the way of the cut.
    let back = "cross -5\nwait 3\ncarriage 3\nwait 5\ncross 0.2 at 4\nwait 2\ncarriage 50\nwait 5\ncross -5\nwait 3\n";
    assert_eq!(seen(&mut bench(0.0, false, false, 1), back), []);
    // Too fast for this readout: told as such.
    let fast = "spindle 2400\nwait 3\ncross 0.2 at 20\nwait 1\nclose\nuntil place 3.5\nopen\ncross -5 at 20\nwait 2\n";
    let all = seen(&mut bench(0.0, false, false, 1), fast);
    assert!(all.iter().all(|s| matches!(s, Seen::TooFast { .. } | Seen::Untrusted { .. })) && all.len() == 1, "{all:?}");
}

/// Set deeper on the way, it is the deeper that counts; a compound nobody reads gives no depth.
#[test]
fn deeper_on_the_way_is_the_depth() {
    let script = "spindle 60\nwait 2\ncross 0.2 at 4\nwait 2\nclose\nuntil place 18\ncross 0.3 at 4\nuntil place 3.5\nopen\ncross -5 at 8\nwait 2\n";
    let all = seen(&mut bench(0.0, false, false, 1), script);
    assert!(matches!(all[..], [Seen::Pass { radial_mm: Some(d), .. }] if (d - 0.3).abs() < 0.01), "{all:?}");
    let mut passes = Passes::new(Watching { compound_gives: Some(0.87), ..WATCHING });
    let walk = |passes: &mut Passes, compound_mm: Option<f64>| {
        let mut all = Vec::new();
        for i in 0..=900 {
            let along_mm = 50.0 - 0.05 * f64::from(i);
            all.extend(passes.reads(Place { at_s: 0.02 * f64::from(i), along_mm, cross_mm: if along_mm < 5.5 { -0.5 } else { 0.0 }, compound_mm }));
        }
        passes.silent();
        all
    };
    assert!(matches!(walk(&mut passes, None)[..], [Seen::Pass { radial_mm: None, .. }]));
    assert!(matches!(walk(&mut passes, Some(0.5))[..], [Seen::Pass { radial_mm: Some(d), .. }] if (d - 0.435).abs() < 1e-9));
}
