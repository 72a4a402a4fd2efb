//! Callouts and lengths as people type them, by the thousand.

use proptest::prelude::*;
use yoke_core::direction::Hand;
use yoke_core::quantity::{Exact, LengthUnit, Ratio, decimal, parse_length, pitch_of_tpi, ratio_text, real};
use yoke_core::thread::callout::read;
use yoke_core::thread::series::standards;
use yoke_core::thread::{Side, System};
use yoke_core::voice::Voice;

/// The same callout as different hands would type it.
fn typed(plain: &str, habit: u8) -> String {
    match habit % 8 {
        0 => plain.to_lowercase(),
        1 => plain.replace('x', "×"),
        2 => plain.replace('x', " * "),
        3 => plain.replace('-', " - "),
        4 => format!("  {plain} "),
        5 => plain.replace('.', ","),
        6 => plain.replace('-', "–"),
        _ => plain.to_uppercase().replace('X', "x").replace("6G", "6g"),
    }
}

proptest! {
    #[test]
    fn a_metric_callout_reads_the_same_in_every_hand(d in 6_u32..300, p in prop::sample::select(&["0.5", "0.75", "1", "1.5", "2"]), left: bool, habit: u8, class in prop::sample::select(&["", "-6g", "-6H"])) {
        let plain = format!("M{d}x{p}{class}{}", if left { " LH" } else { "" });
        // Lower case makes a nut's letter a screw's, which is a different thread; that habit is not tried on it.
        let habit = if habit % 8 == 0 && class == "-6H" { 4 } else { habit };
        let spec = read(&typed(&plain, habit)).map_err(|f| TestCaseError::fail(format!("{plain} {habit}: {f:?}")))?;
        prop_assert_eq!(spec.major, Ratio::from_integer(i128::from(d)));
        prop_assert_eq!(spec.pitch, decimal(p).unwrap());
        prop_assert_eq!(spec.hand == Hand::Left, left);
        prop_assert_eq!(spec.side == Side::Internal, class == "-6H");
        prop_assert_eq!(&read(&spec.name()).unwrap().name(), &spec.name());
    }

    #[test]
    fn an_inch_callout_reads_the_same_however_its_size_is_written(whole in 0_i128..4, sixteenths in 1_i128..16, tpi in prop::sample::select(&[8_i128, 12, 16, 20, 28, 32]), way in 0_u8..3) {
        let inches = Ratio::from_integer(whole) + Ratio::new(sixteenths, 16);
        prop_assume!(Ratio::from_integer(1) / Ratio::from_integer(tpi) * Ratio::new(13, 10) < inches);
        let fraction = format!("{}/{}", Ratio::new(sixteenths, 16).numer(), Ratio::new(sixteenths, 16).denom());
        let size = match (way, whole) {
            (0, 0) => fraction,
            (0, _) => format!("{whole}-{fraction}"),
            (1, 1..) => format!("{whole} {fraction}"),
            (1, _) => fraction,
            _ => format!("{}", real(&inches)),
        };
        let spec = read(&format!("{size}-{tpi}")).map_err(|f| TestCaseError::fail(format!("{size}-{tpi}: {f:?}")))?;
        prop_assert_eq!(spec.major, inches * Ratio::new(127, 5), "{}-{}", size, tpi);
        prop_assert_eq!(spec.pitch, pitch_of_tpi(&Ratio::from_integer(tpi)));
        prop_assert_eq!(spec.system, System::Unified);
    }

    #[test]
    fn a_standard_thread_reads_the_same_in_every_hand(i in 0..standards().len(), habit: u8, left: bool, starts in 1_u8..5, side in prop::option::of(prop::sample::select(&["nut", "internal", "screw", "ext"]))) {
        let one = &standards()[i];
        // The first letter's case is the family's own in metric callouts; the rest is anyone's.
        let name = match habit % 6 {
            0 => one.name.to_lowercase(),
            1 => one.name.to_uppercase(),
            2 => one.name.replace('×', " x "),
            3 => one.name.replace('-', " - "),
            4 => format!("  {}\" ", one.name),
            _ => one.name.replace('×', "*"),
        };
        let mut text = name;
        if starts > 1 { text.push_str(&format!(" {starts} start")); }
        if let Some(side) = side { text = format!("{text} {side}"); }
        if left { text = if habit % 2 == 0 { format!("LH {text}") } else { format!("{text}-LH") } }
        let spec = read(&text).map_err(|f| TestCaseError::fail(format!("{text}: {f:?}")))?;
        prop_assert_eq!((spec.system, spec.major, spec.pitch), (one.system, one.major, one.pitch), "{}", text);
        prop_assert_eq!((spec.starts, spec.hand == Hand::Left), (starts, left), "{}", text);
        prop_assert_eq!(spec.side == Side::Internal, matches!(side, Some("nut" | "internal")), "{}", text);
        // What it is called reads back as itself.
        let again = read(&spec.name()).map_err(|f| TestCaseError::fail(format!("{}: {f:?}", spec.name())))?;
        prop_assert_eq!((again.system, again.major, again.pitch, again.starts, again.hand), (spec.system, spec.major, spec.pitch, spec.starts, spec.hand));
    }

    #[test]
    fn a_lead_with_its_pitch_gives_the_starts(d in 20_u32..100, p in prop::sample::select(&[2_u32, 3, 4, 5, 6]), starts in 1_u32..6, way in 0_u8..4) {
        prop_assume!(d > 4 * p);
        let lead = p * starts;
        let text = match way {
            0 => format!("Tr{d}x{lead}(P{p})"),
            1 => format!("tr {d} x {lead} P{p}"),
            2 => format!("M{d}xPh{lead}P{p}"),
            _ => format!("m{d} x L{lead}-P{p}"),
        };
        let spec = read(&text).map_err(|f| TestCaseError::fail(format!("{text}: {f:?}")))?;
        prop_assert_eq!((u32::from(spec.starts), spec.pitch), (starts, Ratio::from_integer(i128::from(p))), "{}", text);
        prop_assert_eq!(spec.lead(), Ratio::from_integer(i128::from(lead)));
    }

    #[test]
    fn a_length_is_exact_in_either_unit(thousandths in 0_i128..90_000, inch: bool, comma: bool) {
        let number = format!("{}", thousandths as f64 / 1000.0);
        let text = format!("{}{}", if comma { number.replace('.', ",") } else { number }, if inch { " in" } else { "mm" });
        let read = parse_length(&text, LengthUnit::Mm).unwrap();
        let scale = if inch { Ratio::new(127, 5) } else { Ratio::from_integer(1) };
        prop_assert_eq!(read.mm, Ratio::new(thousandths, 1000) * scale, "{}", text);
    }

    #[test]
    fn an_exact_number_survives_the_wire(numer in -10_000_i128..10_000, denom in 1_i128..10_000) {
        let exact = Exact(Ratio::new(numer, denom));
        let wire = serde_json::to_string(&exact).unwrap();
        prop_assert_eq!(serde_json::from_str::<Exact>(&wire).unwrap(), exact);
        prop_assert_eq!(Exact::parse(&ratio_text(&exact.0)), Some(exact));
        // A decimal of four places is that decimal, not the nearest binary.
        let four = numer as f64 / 10_000.0;
        prop_assert_eq!(serde_json::from_str::<Exact>(&four.to_string()).unwrap().0, Ratio::new(numer, 10_000));
    }

    #[test]
    fn no_length_and_no_class_panics(text in "\\PC{0,16}") {
        let _ = parse_length(&text, LengthUnit::In);
        let _ = System::IsoMetric.family().read_class(&text);
        let _ = System::Unified.family().read_class(&text);
        let _ = Exact::parse(&text);
    }
}

#[test]
fn every_spelling_reads_as_its_thread_or_says_what_is_wrong() {
    let rows: Vec<(&str, &str)> = include_str!("spellings.txt").lines().filter(|l| !l.starts_with("# What")).map(|l| l.split_once(" | ").unwrap()).collect();
    assert!(rows.len() >= 190, "{}", rows.len());
    let mut wrong = Vec::new();
    for (typed, wanted) in rows {
        let got = read(typed);
        match (wanted.strip_prefix("! "), &got) {
            (Some(part), Err(fault)) if fault.missing.said(Voice::default()).contains(part) && (1..=4).contains(&fault.near.len()) => {}
            (None, Ok(spec)) if spec.name() == wanted => {}
            _ => wrong.push(format!("{typed}: {:?}", got.map(|s| s.name()))),
        }
    }
    assert!(wrong.is_empty(), "{wrong:#?}");
}

#[test]
fn what_cannot_be_read_names_the_part_and_offers_near_ones() {
    for (text, part) in
        [("M20x2.5-6g6H", "mixes"), ("M20x2.5-9H", "4 to 8"), ("M", "no diameter"), ("1/2-0", "threads per inch"), ("1/2-999", "400"), ("99-4", "13.98")]
    {
        let fault = read(text).expect_err(text);
        let missing = fault.missing.said(Voice::default());
        assert!(missing.contains(part), "{text}: {missing}");
        assert!(fault.near.iter().all(|n| read(n).is_ok()), "{text}: what is offered reads");
    }
    // The slip of one key is one step from what was meant.
    for (slip, meant) in [("M2O", "M20"), ("1/2-31 UNC", "1/2-13 UNC"), ("5/8-1l UNC", "5/8-11 UNC")] {
        assert!(read(slip).expect_err(slip).near.iter().any(|n| n == meant), "{slip}: {:?}", read(slip));
    }
}

#[test]
fn one_slip_of_a_key_is_offered_back() {
    // Each standard name with one character doubled, dropped or struck beside its own: where it no longer reads,
    // what was meant stands among the four offered.
    let (mut slips, mut offered) = (0_u32, 0_u32);
    for one in standards() {
        let letters: Vec<char> = one.name.chars().collect();
        for at in 1..letters.len() {
            let mut doubled = letters.clone();
            doubled.insert(at, letters[at]);
            let mut dropped = letters.clone();
            dropped.remove(at);
            let mut struck = letters.clone();
            struck[at] = if letters[at].is_ascii_digit() { 'o' } else { 'q' };
            for slip in [doubled, dropped, struck] {
                let typed: String = slip.into_iter().collect();
                if let Err(fault) = read(&typed) {
                    slips += 1;
                    offered += u32::from(fault.near.contains(&one.name));
                    assert!(!fault.missing.said(Voice::default()).is_empty() && fault.near.len() == 4, "{typed}");
                }
            }
        }
    }
    let share = f64::from(offered) / f64::from(slips);
    println!("{:.1} % of {slips} slips are offered back", 100.0 * share);
    assert!(slips > 3000 && share > 0.8, "{:.1} % of {slips}", 100.0 * share);
}

#[test]
fn every_family_reads_its_own_classes_and_no_others() {
    let families: [(System, &[&str]); 8] = [
        (System::IsoMetric, &["6g", "6H", "5g6g", "4h", "7G"]),
        (System::Unified, &["1A", "2A", "3B"]),
        (System::Acme, &["2G", "3G", "4g"]),
        (System::StubAcme, &["2G"]),
        (System::Trapezoidal, &["7e", "8e", "7H", "8H"]),
        (System::Whitworth, &["close", "Medium", "FREE"]),
        (System::PipeG, &["A", "b"]),
        (System::Ba, &[""]),
    ];
    for (system, own) in families {
        for class in own {
            let read = system.family().read_class(class).unwrap_or_else(|e| panic!("{class} of {system:?}: {e:?}"));
            let again = system.family().read_class(&read.to_string());
            assert_eq!(again, Ok(read), "{class} of {system:?}");
            // A class with a side is usual on that side or none.
            if let Some(side) = read.side() {
                assert!(system.family().usual_class(side, 20.0).side().is_none_or(|s| s == side), "{class}");
            }
        }
        for odd in ["", "9Z", "zz", "6gg", "-1", "∞"] {
            let answer = system.family().read_class(odd);
            assert!(answer.is_err() || own.contains(&odd), "{odd:?} of {system:?}: {answer:?}");
        }
        for side in [Side::External, Side::Internal] {
            let usual = system.family().usual_class(side, 20.0);
            assert!(usual.side().is_none_or(|s| s == side), "{system:?}");
        }
    }
}

#[test]
fn a_point_before_a_figure_is_part_of_it_whatever_word_stands_beside() {
    for (text, inches) in [
        (".5-10 Acme", 0.5),
        ("Acme .5-10 LH", 0.5),
        (".625-6 square", 0.625),
        ("Sq .625-6", 0.625),
        (",5-10 Acme", 0.5),
        (".5-12 Whit", 0.5),
        ("sq. 1-4", 1.0),
        ("1-5 Acme.", 1.0),
    ] {
        let spec = read(text).unwrap_or_else(|f| panic!("{text}: {:?}", f.missing));
        assert!((real(&spec.major) - 25.4 * inches).abs() < 1e-9, "{text} reads as {}", spec.name());
    }
}
