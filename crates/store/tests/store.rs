//! The store on a real file.
#![allow(missing_docs, clippy::unwrap_used)]

use yoke_store::{ActRow, Changed, Frozen, LatheRow, Recorded, Store, StoreError};

fn act(id: &str, body: &str) -> ActRow {
    ActRow { id: id.into(), sequence: 0, body: body.into(), happened: "t".into(), recorded: "t".into(), source: "typed".into(), seen: 0 }
}

#[test]
fn facts_change_only_under_the_newest_revision() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    store.add_job("j", "Tie rod", "{}", "2026-01-01").unwrap();
    let Changed::Done(job) = store.change_job("j", 1, "Tie rod", "{\"a\":1}").unwrap() else { panic!("fresh") };
    assert_eq!((job.revision, job.request.as_str()), (2, "{\"a\":1}"));
    let Changed::Stale(job) = store.change_job("j", 1, "Other", "{}").unwrap() else { panic!("stale") };
    assert_eq!((job.revision, job.title.as_str()), (2, "Tie rod"));
    assert_eq!(store.change_job("none", 1, "", "").unwrap(), Changed::Missing);
}

#[test]
fn an_act_is_recorded_once_and_freezes_the_plan_with_the_first() {
    let folder = tempfile::tempdir().unwrap();
    let path = folder.path().join("yoke.db");
    let frozen = |n: u8| Frozen { plan: format!("p{n}"), run: "r".into(), engine: "e".into() };
    {
        let store = Store::open(&path).unwrap();
        store.add_job("j", "Tie rod", "{}", "2026-01-01").unwrap();
        assert!(matches!(store.record("j", &act("a", "1"), Some(&frozen(1))).unwrap(), Recorded::Done(r) if r.sequence == 1));
        assert!(matches!(store.record("j", &act("a", "1"), Some(&frozen(2))).unwrap(), Recorded::Done(r) if r.sequence == 1));
        assert_eq!(store.record("j", &act("a", "2"), None).unwrap(), Recorded::Different);
        assert!(matches!(store.record("j", &act("b", "2"), Some(&frozen(3))).unwrap(), Recorded::Done(r) if r.sequence == 2));
        assert_eq!(store.record("none", &act("a", "1"), None).unwrap(), Recorded::Missing);
    }
    let store = Store::open(&path).unwrap();
    let job = store.job("j").unwrap().unwrap();
    assert_eq!(job.frozen, Some(frozen(1)), "never changed by a later act");
    assert_eq!(store.acts("j").unwrap().iter().map(|a| a.id.as_str()).collect::<Vec<_>>(), ["a", "b"]);
    assert!(store.sound().unwrap());
}

#[test]
fn lathes_and_kit_are_replaced_whole() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    for body in ["1", "2"] {
        store.put_lathe(&LatheRow { id: "long-bed".into(), body: body.into() }).unwrap();
        store.put_kit(body).unwrap();
    }
    assert_eq!(store.lathes().unwrap().len(), 1);
    assert_eq!(store.lathe("long-bed").unwrap().unwrap().body, "2");
    assert_eq!(store.kit().unwrap().as_deref(), Some("2"));
}

#[test]
fn a_newer_database_is_refused_by_name() {
    let folder = tempfile::tempdir().unwrap();
    let path = folder.path().join("yoke.db");
    drop(Store::open(&path).unwrap());
    rusqlite::Connection::open(&path).unwrap().pragma_update(None, "user_version", 99).unwrap();
    let error = Store::open(&path).unwrap_err();
    assert!(matches!(error, StoreError::Newer { found: 99, .. }) && error.to_string().contains("newer program"));
}
