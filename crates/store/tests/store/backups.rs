//! Copies: whole, taken in without loss or doubles, and hostile ones refused with nothing touched.

use std::path::{Path, PathBuf};
use yoke_store::{ActRow, COPIES_KEPT, Frozen, PhotoRow, Store, StoreError, TakenIn};

fn act(id: &str, body: &str) -> ActRow {
    let at = "2026-05-04T09:00:00Z".to_owned();
    ActRow { id: id.into(), sequence: 0, body: body.into(), happened: at.clone(), recorded: at, source: "typed".into(), seen: 0 }
}

fn shop(folder: &Path) -> Store {
    let store = Store::open(&folder.join("yoke-turn.db")).unwrap();
    store.put_lathe("long-bed", r#"{"name":"Long bed"}"#).unwrap();
    store.put_kit(r#"{"wires_mm":[1.6]}"#).unwrap();
    let frozen = Frozen { plan: "{}".into(), run: "{}".into(), engine: "0".into() };
    for (id, acts) in [("stud", 3), ("cap", 0)] {
        store.add_job(id, id, "{}", "2026-05-04T08:00:00Z").unwrap();
        for i in 0..acts {
            store.record(id, &act(&format!("{id}-{i}"), r#"{"kind":"sprung"}"#), Some(&frozen)).unwrap();
        }
    }
    let mate = yoke_store::NewMember { id: "nut", title: "nut", request: "{}", created: "2026-05-04T08:01:00Z", mates: true, request_of_first: None };
    assert!(store.add_member("stud", &mate).unwrap());
    let photo = PhotoRow { id: "p".into(), kind: "image/png".into(), taken: "2026-05-04T09:00:00Z".into(), says: "groove".into() };
    store.put_photo("stud", &photo, &[1, 2, 3], 20).unwrap();
    let part = yoke_store::NewPart { id: "cap-2", title: "cap 2", request: "{}", created: "2026-05-04T08:02:00Z", place: 2 };
    assert!(store.add_parts("cap", &[part]).unwrap());
    store.put_sheet("cap", "batch", 0, "{}").unwrap();
    store.tick("cap-2", "cap.op1", Some("2026-05-04T10:00:00Z")).unwrap();
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
    let taken = empty.restore(&file, there.path()).unwrap();
    assert_eq!(taken, TakenIn { lathes: 1, jobs: 4, acts: 3, photos: 1, kept: 0 });
    assert_eq!(all(&empty), all(&store));
    assert_eq!(empty.photo("stud", "p").unwrap(), store.photo("stud", "p").unwrap());
    assert!(empty.sound().unwrap());
    // The same again brings nothing; nor does it into the shop it came from.
    assert_eq!(empty.restore(&file, there.path()).unwrap(), TakenIn::default());
    assert_eq!(store.restore(&file, here.path()).unwrap(), TakenIn::default());
    // Here a lathe was changed, one job went on, another took a way of its own: the copy takes nothing of that back.
    empty.put_lathe("long-bed", r#"{"name":"Long bed, new screw"}"#).unwrap();
    empty.record("cap", &act("own", r#"{"kind":"lost"}"#), None).unwrap();
    store.record("stud", &act("stud-3", r#"{"kind":"sprung"}"#), None).unwrap();
    store.record("cap", &act("other", r#"{"kind":"sprung"}"#), None).unwrap();
    let later = here.path().join("later.db");
    store.backup(&later).unwrap();
    assert_eq!(empty.restore(&later, there.path()).unwrap(), TakenIn { acts: 1, kept: 1, ..TakenIn::default() });
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
        (changed("newer.db", "PRAGMA user_version = 99"), "version 99"),
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
        let refused = store.restore(path, here.path()).unwrap_err();
        assert!(refused.to_string().contains(why), "{}: {refused}", path.display());
        assert_eq!(all(&store), before, "{}", path.display());
    }
    assert!(matches!(store.restore(&hostile[2].0, here.path()), Err(StoreError::NotACopy { .. })));
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
