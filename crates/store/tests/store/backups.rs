//! Copies: whole, taken in without loss or doubles, and hostile ones refused with nothing touched.

use crate::common::{act, frozen, record, take_in};
use std::path::{Path, PathBuf};
use yoke_store::{COPIES_KEPT, Changed, NewBatch, PartsAdded, PhotoRow, Store, StoreError, TakenIn};

fn shop(folder: &Path) -> Store {
    let store = Store::open(&folder.join("yoke-turn.db")).unwrap();
    store.put_lathe("long-bed", r#"{"name":"Long bed"}"#).unwrap();
    store.put_kit(r#"{"wires_mm":[1.6]}"#).unwrap();
    let frozen = frozen("{}");
    for (id, acts) in [("stud", 3), ("cap", 0)] {
        store.add_job(id, id, "{}", "2026-05-04T08:00:00Z").unwrap();
        for i in 0..acts {
            record(&store, id, &act(&format!("{id}-{i}"), r#"{"kind":"sprung"}"#), Some(&frozen));
        }
    }
    let mate =
        yoke_store::NewMember { id: "nut", title: "nut", request: "{}", created: "2026-05-04T08:01:00Z", revision: 1, mates: true, request_of_first: None };
    assert_eq!(store.add_member("stud", &mate).unwrap(), Changed::Done(()));
    let photo = PhotoRow { id: "p".into(), kind: "image/png".into(), taken: "2026-05-04T09:00:00Z".into(), says: "groove".into() };
    store.put_photo("stud", &photo, b"\x89PNG\r\n\x1a\n and more", 20).unwrap();
    let part = yoke_store::NewPart { id: "cap-2", title: "cap 2", request: "{}", created: "2026-05-04T08:02:00Z", place: 2, part: None, mate: None };
    assert_eq!(store.add_parts("cap", NewBatch::Of { revision: 1, kind: "batch", body: "{}" }, &[part]).unwrap(), PartsAdded::Done);
    store.tick("cap-2", "cap.op1", Some(("2026-05-04T10:00:00Z", Some("{}")))).unwrap();
    store
}

/// Everything of a store, to be compared.
fn all(store: &Store) -> String {
    let jobs = store.jobs().unwrap();
    let mut said = format!("{:?} {:?} {jobs:?}", store.lathes().unwrap(), store.kit().unwrap());
    said += &format!("{:?}", store.sheets().unwrap());
    for job in jobs {
        said += &format!("{:?} {:?} {:?}", store.acts(&job.id).unwrap(), store.photos(&job.id).unwrap(), store.ticks(&job.id).unwrap());
    }
    said
}

#[test]
fn a_copy_fills_an_empty_shop_and_a_full_one_is_left_as_it_is() {
    let (here, there) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
    let store = shop(here.path());
    let file = here.path().join("copy.db");
    store.backup(&file).unwrap();
    assert!(store.backup(&file).unwrap_err().to_string().contains("is there already"));
    let empty = Store::open(&there.path().join("yoke-turn.db")).unwrap();
    let taken = take_in(&empty, &file, there.path()).unwrap();
    assert_eq!(taken, TakenIn { lathes: 1, jobs: 4, acts: 3, photos: 1, kept: 0 });
    assert_eq!(all(&empty), all(&store));
    assert_eq!(empty.photo("stud", "p").unwrap(), store.photo("stud", "p").unwrap());
    assert!(empty.sound().unwrap());
    // The same again brings nothing; nor does it into the shop it came from.
    assert_eq!(take_in(&empty, &file, there.path()).unwrap(), TakenIn::default());
    assert_eq!(take_in(&store, &file, here.path()).unwrap(), TakenIn::default());
    // Here a lathe was changed, one job went on, another took a way of its own: the copy takes nothing of that back.
    empty.put_lathe("long-bed", r#"{"name":"Long bed, new screw"}"#).unwrap();
    record(&empty, "cap", &act("own", r#"{"kind":"lost"}"#), None);
    record(&store, "stud", &act("stud-3", r#"{"kind":"sprung"}"#), None);
    record(&store, "cap", &act("other", r#"{"kind":"sprung"}"#), None);
    let later = here.path().join("later.db");
    store.backup(&later).unwrap();
    assert_eq!(take_in(&empty, &later, there.path()).unwrap(), TakenIn { acts: 1, kept: 1, ..TakenIn::default() });
    assert_eq!(empty.acts("stud").unwrap(), store.acts("stud").unwrap());
    assert_eq!(empty.acts("cap").unwrap().iter().map(|a| a.id.as_str()).collect::<Vec<_>>(), ["own"]);
    assert_eq!(std::fs::read_dir(there.path()).unwrap().filter(|e| e.as_ref().unwrap().file_name().to_string_lossy().starts_with("restoring")).count(), 0);
}

#[test]
fn damaged_and_hostile_files_are_refused_with_where_and_nothing_is_touched() {
    let here = tempfile::tempdir().unwrap();
    let store = shop(here.path());
    let file = here.path().join("copy.db");
    store.backup(&file).unwrap();
    let before = all(&store);
    let good = std::fs::read(&file).unwrap();
    let spoilt = |name: &str, bytes: &[u8]| -> PathBuf {
        let path = here.path().join(name);
        std::fs::write(&path, bytes).unwrap();
        path
    };
    let changed = |name: &str, sql: &str| -> PathBuf {
        let path = spoilt(name, &good);
        rusqlite::Connection::open(&path).unwrap().execute_batch(&format!("PRAGMA foreign_keys = OFF; {sql}")).unwrap();
        path
    };
    // A page in the middle, overwritten.
    let mut torn = good.clone();
    let page = usize::from(u16::from_be_bytes([good[16], good[17]]));
    torn[page..2 * page].fill(0xA5);
    let hostile = [
        (here.path().join("nowhere.db"), "cannot be read"),
        (here.path().to_owned(), "cannot be read"),
        (spoilt("empty.db", b""), "does not begin like a database"),
        (spoilt("text.db", b"{\"jobs\": []}"), "does not begin like a database"),
        (spoilt("header.db", b"SQLite format 3\0 and no more"), "damaged"),
        (spoilt("short.db", &good[..good.len() / 2]), "damaged"),
        (spoilt("torn.db", &torn), "damaged"),
        (changed("newer.db", "PRAGMA user_version = 99"), "newer version"),
        (changed("other.db", "PRAGMA user_version = 0"), "bears no version"),
        (changed("trigger.db", "CREATE TRIGGER t AFTER INSERT ON jobs BEGIN DELETE FROM acts; END"), "trigger “t”"),
        (changed("view.db", "CREATE VIEW v AS SELECT * FROM jobs"), "view “v”"),
        (changed("table.db", "CREATE TABLE more (x)"), "table “more”"),
        (changed("column.db", "ALTER TABLE acts DROP COLUMN seen"), "no column “seen”"),
        (changed("json.db", "UPDATE jobs SET request = '{\"thread\": ' WHERE id = 'cap'"), "request that is not JSON"),
        (changed("sheet.db", "UPDATE sheets SET body = '{'"), "body that is not JSON"),
        (changed("orphan.db", "UPDATE acts SET job = 'gone' WHERE id = 'stud-0'"), "belongs to one of “jobs”"),
    ];
    for (path, why) in &hostile {
        let refused = take_in(&store, path, here.path()).unwrap_err();
        assert!(refused.to_string().contains(why), "{}: {refused}", path.display());
        assert_eq!(all(&store), before, "{}", path.display());
    }
    assert!(matches!(take_in(&store, &hostile[2].0, here.path()), Err(StoreError::NotACopy { .. })));
    assert!(store.sound().unwrap());
}

#[test]
fn a_copy_a_day_is_kept_and_the_newest_fourteen_of_them() {
    let here = tempfile::tempdir().unwrap();
    let store = shop(here.path());
    let copies = here.path().join("copies");
    for day in 1..=20 {
        assert!(store.daily_copy(&copies, &format!("2026-05-{day:02}")).unwrap().is_some());
    }
    assert!(store.daily_copy(&copies, "2026-05-20").unwrap().is_none(), "one a day");
    let mut names: Vec<String> = std::fs::read_dir(&copies).unwrap().map(|e| e.unwrap().file_name().into_string().unwrap()).collect();
    names.sort();
    assert_eq!((names.len(), names[0].as_str()), (COPIES_KEPT, "yoke-turn-2026-05-07.db"));
    let last = Store::open(&copies.join("yoke-turn-2026-05-20.db")).unwrap();
    assert_eq!(all(&last), all(&store));
}

/// While a large shop is copied, acts are recorded: the copy holds the first of them, whole and in order, and none waits for its end.
#[test]
fn acts_are_recorded_while_a_large_shop_is_copied() {
    let here = tempfile::tempdir().unwrap();
    let store = shop(here.path());
    let picture = [b"\x89PNG\r\n\x1a\n".as_slice(), &vec![7; 4 << 20]].concat();
    for n in 0..12 {
        let photo = PhotoRow { id: format!("large-{n}"), kind: "image/png".into(), taken: "2026-05-04T09:00:00Z".into(), says: "groove".into() };
        store.put_photo("stud", &photo, &picture, 40).unwrap();
    }
    let before = store.acts("cap").unwrap().len();
    let copied = std::sync::atomic::AtomicBool::new(false);
    let file = here.path().join("under-load.db");
    let during = std::thread::scope(|scope| {
        let copying = scope.spawn(|| {
            let made = store.backup(&file);
            copied.store(true, std::sync::atomic::Ordering::SeqCst);
            made
        });
        let mut told = 0;
        while !copied.load(std::sync::atomic::Ordering::SeqCst) {
            record(&store, "cap", &act(&format!("under-{told}"), r#"{"kind":"sprung"}"#), None);
            told += 1;
        }
        copying.join().unwrap().unwrap();
        told
    });
    assert!(during > 3, "only {during} acts were recorded while it was copied");
    let copy = Store::open(&file).unwrap();
    let (held, all) = (copy.acts("cap").unwrap(), store.acts("cap").unwrap());
    assert_eq!(all.len(), before + during);
    assert!(copy.sound().unwrap() && held == all[..held.len()], "{} of {}", held.len(), all.len());
}

#[test]
fn a_clock_that_stands_wrong_and_a_copy_that_is_not_sound_push_no_sound_copy_out() {
    let here = tempfile::tempdir().unwrap();
    let store = shop(here.path());
    let copies = here.path().join("copies");
    let names = || {
        let mut names: Vec<String> = std::fs::read_dir(&copies).unwrap().map(|e| e.unwrap().file_name().into_string().unwrap()).collect();
        names.sort();
        names
    };
    // Twenty days of a clock far ahead, and then it is put right: what is made now is kept, day after day.
    for day in 1..=20 {
        store.daily_copy(&copies, &format!("2098-03-{day:02}")).unwrap();
    }
    for day in 1..=16 {
        assert!(store.daily_copy(&copies, &format!("2026-05-{day:02}")).unwrap().is_some());
        assert!(names().contains(&format!("yoke-turn-2026-05-{day:02}.db")), "the one just made is there");
    }
    let of = |year: &str| names().iter().filter(|n| n.contains(year)).count();
    assert_eq!((of("2098"), of("2026")), (COPIES_KEPT, COPIES_KEPT));
    // Some of them spoilt: the sound ones stay till there are enough of them.
    for day in 8..=16 {
        std::fs::write(copies.join(format!("yoke-turn-2026-05-{day:02}.db")), b"spoilt").unwrap();
    }
    for day in 17..=20 {
        store.daily_copy(&copies, &format!("2026-05-{day:02}")).unwrap();
    }
    for day in (3..=7).chain(17..=20) {
        assert!(names().contains(&format!("yoke-turn-2026-05-{day:02}.db")), "{day}: {:?}", names());
    }
}
