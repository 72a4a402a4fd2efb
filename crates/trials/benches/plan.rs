//! Speed of a full plan, and of the train search against a naive one in the same run.
#![allow(missing_docs, clippy::expect_used, clippy::needless_range_loop)]

use criterion::{Criterion, criterion_group, criterion_main};
use serde_json::json;
use std::hint::black_box;
use yoke_core::faults::read_json;
use yoke_core::gauge::{Estimate, Observation};
use yoke_core::gears::{Table, Wanted, chart, search};
use yoke_core::job::{Job, Kit, Lathe, PlanRequest, settle};
use yoke_core::plan::plan;
use yoke_core::quantity::{Ratio, real};
use yoke_core::sheets::groove_sheet;
use yoke_core::thread::{Flanks, Groove, callout};
use yoke_core::voice::Voice;
use yoke_trials::SinglePoint;

const TWENTY: [i64; 20] = [20, 24, 28, 30, 32, 35, 36, 40, 44, 45, 46, 48, 50, 52, 55, 56, 60, 63, 64, 127];

/// A drawer of forty and a gearbox of twelve.
fn large() -> Lathe {
    let gears: Vec<i64> = (0..39).map(|i| 20 + 2 * i).chain([127]).collect();
    let gearbox: Vec<_> = (0..12).map(|i| json!({"name": format!("{i}"), "ratio": format!("{}/{}", 16 + i, 8 << (i % 3))})).collect();
    let request = json!({ "thread": {"callout": "M20x2.5-6g"}, "lathe": {"leadscrew": {"tpi": 4}, "gears": gears, "gearbox": gearbox, "max_compounds": 2} });
    let (request, faults) = read_json::<PlanRequest>(request);
    settle(&request, None, faults).expect("the request is sound").1
}

fn job() -> (Job, Lathe, Kit) {
    let request = json!({ "thread": {"callout": "M20x2.5-6g"}, "lathe": {"leadscrew": {"tpi": 4}, "gears": TWENTY} });
    let (request, faults) = read_json::<PlanRequest>(request);
    settle(&request, None, faults).expect("the request is sound")
}

/// Every ordered choice of gears, one at a time, keeping the least error.
fn naive(required: &Ratio) -> f64 {
    let wanted = real(required);
    let mut best = f64::MAX;
    for a in 0..20 {
        for b in (0..20).filter(|b| *b != a) {
            for c in (0..20).filter(|c| *c != a && *c != b) {
                for d in (0..20).filter(|d| *d != a && *d != b && *d != c) {
                    #[allow(clippy::cast_precision_loss)]
                    let ratio = (TWENTY[a] * TWENTY[c]) as f64 / (TWENTY[b] * TWENTY[d]) as f64;
                    best = best.min((ratio / wanted - 1.0).abs());
                }
            }
        }
    }
    best
}

/// Every unordered choice of three drivers and three driven of the drawer, in every lever position, keeping the least error.
fn naive_six(lathe: &Lathe, required: &Ratio) -> f64 {
    let wanted = real(required);
    let teeth: Vec<f64> = lathe.gears.iter().map(|g| f64::from(g.teeth)).collect();
    let mut triples = Vec::new();
    for a in 0..teeth.len() {
        for b in a + 1..teeth.len() {
            for c in b + 1..teeth.len() {
                triples.push((1_u64 << a | 1 << b | 1 << c, teeth[a] * teeth[b] * teeth[c]));
            }
        }
    }
    let mut best = f64::MAX;
    for lever in &lathe.gearbox {
        let through = real(&(lever.ratio.0 * lathe.fixed));
        for (on, drivers) in &triples {
            for (_, driven) in triples.iter().filter(|(other, _)| on & other == 0) {
                best = best.min((drivers / driven * through / wanted - 1.0).abs());
            }
        }
    }
    best
}

/// The most memory the process has held, kB, where the system tells.
fn peak_kb() -> Option<String> {
    let status = std::fs::read_to_string("/proc/self/status").ok()?;
    status.lines().find_map(|l| l.strip_prefix("VmHWM:")).map(|t| t.trim().to_owned())
}

fn benches(c: &mut Criterion) {
    let (job, lathe, kit) = job();
    // Sixty passes, every one drawn, the styles compared and every mistake tried.
    let asked = json!({ "thread": {"callout": "Tr40x7-7e"}, "lathe": {"leadscrew": {"tpi": 4}, "gears": TWENTY}, "cut": {"passes": 57} });
    let (asked, faults) = read_json::<PlanRequest>(asked);
    let (coarse, bench, drawer) = settle(&asked, None, faults).expect("the request is sound");
    let cut = plan(&coarse, &bench, &drawer);
    println!("{} passes simulated", cut.point().cut.passes.len());
    c.bench_function("groove of 60 passes with what if", |b| b.iter(|| groove_sheet(black_box(&cut.point()))));
    // The estimate takes in a reading after sixty passes and says the next cut; a wire finds its seat.
    let sets: Vec<f64> = cut.run.passes.iter().map(|p| p.radial_mm).collect();
    let before = Estimate::before(&cut.run).expect("the flanks slant");
    let seen = Observation::Size { mm: cut.run.limits_mm[1] + 0.1, doubt_mm: 0.005 };
    c.bench_function("estimate: a reading taken in, and the next cut", |b| {
        b.iter(|| {
            let mut known = before.clone();
            known.see(&cut.run, black_box(&sets), &seen);
            known.toward_size(&cut.run, &sets, cut.run.target_mm, cut.run.limits_mm[0])
        });
    });
    let groove = Groove { pitch_diameter_mm: 11.43, pitch_mm: 2.54, lead_mm: 10.16, flanks: Flanks::even(14.5) };
    c.bench_function("exact seat of a wire", |b| b.iter(|| groove.seat(black_box(1.313_18))));
    let required = Ratio::new(50, 127);
    let wanted = Wanted { limit: 12, ..Wanted::default() };
    c.bench_function("full plan, 20 gears", |b| b.iter(|| plan(black_box(&job), &lathe, &kit)));
    c.bench_function("callout that reads", |b| b.iter(|| callout::read(black_box("1-1/4-5 Acme-2G LH"))));
    c.bench_function("callout that does not, with its near ones", |b| b.iter(|| callout::read(black_box("1-1/4-5 Acmee"))));
    c.bench_function("train search, 20 gears", |b| b.iter(|| search(black_box(&lathe), &Table::of(&lathe), &required, &wanted)));
    let large = large();
    c.bench_function("table of six-gear trains, 40 gears", |b| b.iter(|| Table::of(black_box(&large))));
    let table = Table::of(&large);
    c.bench_function("six-gear search, 40 gears, 12 levers, table warm", |b| b.iter(|| search(black_box(&large), &table, &required, &wanted)));
    c.bench_function("whole pitch chart, six gears, 40 gears, 12 levers", |b| b.iter(|| chart(black_box(&large), Voice::default())));
    println!("peak memory so far: {}", peak_kb().unwrap_or_default());
    let mut slow = c.benchmark_group("naive");
    slow.sample_size(10);
    slow.bench_function("six-gear search, 40 gears, 12 levers", |b| b.iter(|| naive_six(black_box(&large), &required)));
    slow.finish();
    c.bench_function("naive search, 20 gears", |b| b.iter(|| naive(black_box(&required))));
}

criterion_group!(all, benches);
criterion_main!(all);
