//! Series.

use yoke_core::quantity::{decimal, real};
use yoke_core::thread::series::{Series, british_association, coarse_pitch, of_series, standards};
use yoke_core::thread::tables;

#[test]
fn every_row_of_every_series_is_read() {
    let counts: Vec<usize> = Series::ALL.iter().map(|s| of_series(*s).count()).collect();
    assert_eq!(counts, [40, 67, 33, 24, 25, 23, 23, 95, 24, 28, 24, 17]);
    assert_eq!(counts.iter().sum::<usize>(), standards().len());
}

#[test]
fn recalled_series_keep_the_order_of_series() {
    // Within a series a larger size never has a finer pitch class than the tables' own order, and no
    // metric pitch stands outside the standard's tolerance table.
    for one in of_series(Series::IsoCoarse).chain(of_series(Series::IsoFine)) {
        assert!(tables::td_um(real(&one.pitch), 6.0).0.is_finite() && !tables::td_um(real(&one.pitch), 6.0).1, "{}", one.name);
    }
    for fine in of_series(Series::IsoFine) {
        assert!(coarse_pitch(&fine.major).is_some_and(|p| p > fine.pitch), "{}", fine.name);
    }
    for one in of_series(Series::Trapezoidal) {
        assert!(tables::trapezoidal_es_um(real(&one.pitch)).is_finite(), "{}", one.name);
    }
    for series in [Series::Bsw, Series::Bsf, Series::Acme, Series::PipeG, Series::Ba, Series::IsoCoarse, Series::Unc] {
        let list: Vec<_> = of_series(series).collect();
        assert!(
            list.windows(2).all(|w| w[1].pitch >= w[0].pitch || w[0].name == "#10-24 UNC" || w[0].name.starts_with('#')),
            "{series:?}: a pitch grows with its size"
        );
    }
    for (coarse, fine) in [(Series::Unc, Series::Unf), (Series::Unf, Series::Unef), (Series::Bsw, Series::Bsf)] {
        for one in of_series(fine) {
            assert!(of_series(coarse).filter(|c| c.major == one.major).all(|c| c.pitch > one.pitch), "{}", one.name);
        }
    }
}

#[test]
fn the_association_follows_its_own_law() {
    // By hand, recalled from tables: 0BA 6.0×1.0, 3BA 4.1×0.73, 4BA 3.6×0.66, 8BA 2.2×0.43, 10BA 1.7×0.35, 16BA 0.79×0.19.
    for (n, d, p) in [(0, "6", "1"), (2, "4.7", "0.81"), (3, "4.1", "0.73"), (4, "3.6", "0.66"), (8, "2.2", "0.43"), (10, "1.7", "0.35"), (16, "0.79", "0.19")]
    {
        let one = british_association(n).unwrap();
        assert_eq!((one.major, one.pitch), (decimal(d).unwrap(), decimal(p).unwrap()), "{n}BA");
    }
    assert!(british_association(26).is_none());
}
