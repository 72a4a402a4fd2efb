//! Names read back.

use proptest::prelude::*;
use yoke_core::thread::ThreadSpec;
use yoke_core::thread::callout::read;
use yoke_core::thread::series::standards;

#[test]
fn a_name_reads_back_as_itself() {
    for standard in standards() {
        let spec = read(&standard.name).expect(&standard.name);
        assert_eq!((spec.system, spec.major, spec.pitch), (standard.system, standard.major, standard.pitch), "{}", standard.name);
        let again = read(&spec.name()).expect("its own name reads");
        assert_eq!(again, ThreadSpec { class_given: again.class_given, ..spec }, "{}", standard.name);
    }
}

proptest! {
    #[test]
    fn no_text_panics(text in "\\PC{0,24}", odd in "[Mm#RrGgTt]?[0-9./, xX×*-]{0,12}[A-Za-z0-9 -]{0,8}", worded in "([0-9/. -]|ACME|Stub|BSW|Tr|BA|LH|start|G|sq|x|P|\\(|\\)|é|×){0,8}") {
        for text in [text, odd, worded] {
            if let Ok(spec) = read(&text) {
                prop_assert_eq!(read(&spec.name()).map(|s| (s.system, s.major, s.pitch, s.hand, s.starts)), Ok((spec.system, spec.major, spec.pitch, spec.hand, spec.starts)), "{} as {}", text, spec.name());
            }
        }
    }
}
