//! Materials: the table, materials of the user's own, and one nobody knows.

use serde_json::{Value, json};
use yoke_core::faults::read_json;
use yoke_core::job::{PlanRequest, TOOLS, materials, settle};
use yoke_core::kit::{Filed, Magnet, Material, MaterialFamily, Spark, Swarf, TriedRequest, not_known};
use yoke_core::plan::plan;
use yoke_core::voice::Voice;

#[test]
fn every_row_reads() {
    assert_eq!((materials().len(), TOOLS.len()), (18, 4));
    assert!(materials().iter().all(|m| m.first_cut_mm > m.least_cut_mm && m.hss_m_per_min > 1.0));
    // Plastics are soft and yield, metals do not; what burns or hardens says so.
    for m in materials() {
        let plastic = m.family == MaterialFamily::Plastic;
        assert_eq!((m.modulus_gpa < 10.0, m.kc1_n_mm2 < 300.0), (plastic, plastic), "{}", m.name);
        assert_eq!(m.carbide_m_per_min.is_some(), plastic || m.family == MaterialFamily::Titanium, "{}", m.name);
    }
}

/// Every trial with every sign, and without.
fn every_trial() -> Vec<TriedRequest> {
    fn or_not<T: Copy>(signs: &[T]) -> Vec<Option<T>> {
        std::iter::once(None).chain(signs.iter().copied().map(Some)).collect()
    }
    let mut all = Vec::new();
    for magnet in or_not(&[Magnet::Strong, Magnet::Weak, Magnet::None]) {
        for file in or_not(&[Filed::Clogs, Filed::Bites, Filed::Hard]) {
            for spark in or_not(&[Spark::None, Spark::Few, Spark::Long, Spark::Bursts, Spark::White]) {
                for swarf in or_not(&[Swarf::Strings, Swarf::Chips, Swarf::Crumbs]) {
                    all.push(TriedRequest { magnet, file, spark, swarf });
                }
            }
        }
    }
    all
}

#[test]
fn trials_rule_out_what_they_do_and_the_rest_is_planned_for() {
    // Read anew from the table, another way.
    let rows: Vec<Vec<&str>> = include_str!("../../../../core/data/material_signs.csv").lines().skip(1).map(|l| l.split(',').collect()).collect();
    let metals: Vec<&Material> = materials().iter().filter(|m| m.family != MaterialFamily::Plastic).collect();
    assert_eq!(rows.iter().map(|r| r[0]).collect::<Vec<_>>(), metals.iter().map(|m| m.code.as_str()).collect::<Vec<_>>());
    let (mut alone, mut none) = (0, 0);
    for tried in every_trial() {
        let seen = json!(tried);
        let shows = |row: &Vec<&str>| {
            ["magnet", "file", "spark", "swarf"].iter().enumerate().all(|(i, t)| seen[t].as_str().is_none_or(|s| row[i + 1].split(' ').any(|w| w == s)))
        };
        let of = |row: &Vec<&str>| metals.iter().find(|m| m.code == row[0]).unwrap();
        let left: Vec<&&Material> = rows.iter().filter(|r| shows(r)).map(of).collect();
        let (planned, view) = not_known(&tried, Voice::default());
        assert_eq!(view.left, left.iter().map(|m| m.name.as_str()).collect::<Vec<_>>(), "{seen}");
        assert_eq!(view.left.len() + view.out.len(), metals.len());
        let worst = if left.is_empty() { metals.iter().collect() } else { left.clone() };
        for m in worst {
            assert!(
                planned.hss_m_per_min <= m.hss_m_per_min && planned.kc1_n_mm2 >= m.kc1_n_mm2 && planned.tensile_n_mm2 <= m.tensile_n_mm2,
                "{seen}: {}",
                m.name
            );
            assert!(
                planned.least_cut_mm >= m.least_cut_mm && planned.most_area_mm2 <= m.most_area_mm2 && planned.modulus_gpa <= m.modulus_gpa,
                "{seen}: {}",
                m.name
            );
            assert!(
                m.cautions.iter().all(|c| planned.cautions.contains(c)) && planned.relief_deg >= m.relief_deg && planned.rake_most_deg <= m.rake_most_deg,
                "{seen}: {}",
                m.name
            );
        }
        assert!(planned.first_cut_mm >= planned.least_cut_mm);
        // No trial is proposed where none would tell, nor one already made.
        assert!(
            view.next.is_none() || left.len() > 1 && (tried.magnet.is_none() || tried.file.is_none() || tried.spark.is_none() || tried.swarf.is_none()),
            "{seen}"
        );
        alone += usize::from(left.len() == 1);
        none += usize::from(left.is_empty());
    }
    // Some signs settle it and some contradict: the trial sees all three cases.
    assert!(alone > 5 && none > 5, "{alone} {none}");
    // What every workshop knows: a magnet holds no brass; white sparks without a magnet are titanium.
    let only = |tried| not_known(&tried, Voice::default()).1.left;
    assert!(
        only(TriedRequest { magnet: Some(Magnet::Strong), ..TriedRequest::default() })
            .iter()
            .all(|m| m.contains("steel") || m.contains("iron") || m.contains("drill rod"))
    );
    assert_eq!(only(TriedRequest { magnet: Some(Magnet::None), spark: Some(Spark::White), ..TriedRequest::default() }), ["titanium"]);
}

fn planned(blank: Value, kit: Value) -> Result<Value, Vec<String>> {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 40}, "blank": blank, "kit": kit}));
    let (job, lathe, kit) = settle(&request, None, faults).map_err(|f| f.into_iter().map(|f| f.pointer).collect::<Vec<_>>())?;
    Ok(json!(plan(&job, &lathe, &kit)))
}

#[test]
fn a_material_of_ones_own_is_what_was_told_and_else_what_it_is_like() {
    let own = |more: Value| {
        let mut m = json!({"name": "Rod W1", "like": "tool_steel"});
        m.as_object_mut().unwrap().extend(more.as_object().unwrap().clone());
        json!({"materials": [m]})
    };
    let at = json!({"material": "own_rod_w1"});
    let like = planned(json!({"material": "tool_steel"}), json!({})).unwrap();
    let same = planned(at.clone(), own(json!({}))).unwrap();
    assert_eq!((&same["cut"]["passes"], &same["setup"]["speed_rpm"]["value"]), (&like["cut"]["passes"], &like["setup"]["speed_rpm"]["value"]));
    let taken = |plan: &Value| plan["assumptions"].as_array().unwrap().iter().filter(|a| a["text"].as_str().unwrap().contains("Rod W1")).count();
    assert_eq!(taken(&same), 4);
    let told = json!({"hss_m_per_min": 3, "first_cut_mm": 0.05, "least_cut_mm": 0.03, "kc1_n_mm2": 2500, "tensile_n_mm2": 900, "modulus_gpa": 210, "cautions": ["fire"], "crests_rise": true});
    let all = planned(at, own(told)).unwrap();
    assert_eq!(taken(&all), 0);
    assert!(all["cut"]["passes"].as_array().unwrap().len() > like["cut"]["passes"].as_array().unwrap().len());
    assert!(all["watch"].as_array().unwrap().iter().any(|w| w["code"] == "material" && w["text"].as_str().unwrap().starts_with("Rod W1 raises")));
    // Faults by their fields; a code nobody keeps is refused, one of somebody's own that is kept no longer is planned for with care.
    assert_eq!(planned(json!({}), own(json!({"like": "oak"}))).unwrap_err(), ["/kit/materials/0/like"]);
    assert_eq!(planned(json!({}), own(json!({"kc1_n_mm2": 9e9}))).unwrap_err(), ["/kit/materials/0/kc1_n_mm2"]);
    assert_eq!(planned(json!({"material": "oak"}), json!({})).unwrap_err(), ["/blank/material"]);
    let gone = planned(json!({"material": "own_gone"}), json!({})).unwrap();
    assert!(gone["watch"].as_array().unwrap().iter().any(|w| w["code"] == "material" && w["level"] == "warn"));
}

#[test]
fn speeds_follow_the_tool_and_the_unknown_is_said() {
    // Carbide in nylon by its own speed, in steel by its usual share: v = π·d·n.
    let with = |material: &str, of: &str| {
        let kit = json!({"bits": [{"name": "bit", "kind": "external", "material": of, "included_angle_deg": 60, "tip_flat_mm": 0.3}]});
        let (request, faults) =
            read_json::<PlanRequest>(json!({"thread": {"callout": "M20x2.5-6g"}, "blank": {"material": material}, "bit": {"owned": "bit"}, "kit": kit}));
        let (job, lathe, kit) = settle(&request, None, faults).unwrap();
        let plan = json!(plan(&job, &lathe, &kit));
        plan["setup"]["cutting_rpm"]["value"]
            .as_f64()
            .or_else(|| plan["setup"]["limits"].as_array().and_then(|l| l.iter().find(|x| x["limit"] == "cutting")).and_then(|l| l["rpm"]["value"].as_f64()))
            .unwrap_or_else(|| panic!("{}", plan["setup"]))
    };
    let rpm = |v: f64| v * 1000.0 / (std::f64::consts::PI * 20.0);
    for (material, of, v) in [("nylon", "hss", 40.0), ("nylon", "carbide", 60.0), ("titanium", "carbide", 18.0), ("mild_steel", "carbide", 30.0)] {
        assert!((with(material, of) - rpm(v)).abs() < 0.6, "{material} with {of}: {} for {}", with(material, of), rpm(v));
    }
    let tried = planned(json!({"material": "not_known", "tried": {"magnet": "none", "spark": "none", "file": "clogs"}}), json!({})).unwrap();
    assert_eq!(tried["blank"]["tried"]["left"].as_array().unwrap().len(), 3);
    assert!(tried["assumptions"].as_array().unwrap().iter().any(|a| a["pointer"] == "/blank/material"));
}
