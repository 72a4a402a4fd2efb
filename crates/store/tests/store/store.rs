//! The store on a real file.

use crate::common::{act, frozen, record, take_in};
use yoke_store::{Changed, JobChange, NewBatch, NewMember, NewPart, PartsAdded, PhotoRow, Put, Recorded, Store, StoreError, TickRow};

/// A change of title and facts, and of the mate's.
fn change<'a>(title: &'a str, request: &'a str, mate: Option<(&'a str, &'a str)>) -> JobChange<'a> {
    JobChange { title: Some(title), request: Some(request), begun: false, mate, away: None }
}

#[test]
fn facts_change_only_under_the_newest_revision() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    store.add_job("j", "Tie rod", "{}", "2026-01-01").unwrap();
    let Changed::Done(job) = store.change_job("j", 1, &change("Tie rod", "{\"a\":1}", None)).unwrap() else { panic!("fresh") };
    assert_eq!((job.revision, job.request.as_str()), (2, "{\"a\":1}"));
    let Changed::Stale(job) = store.change_job("j", 1, &change("Other", "{}", None)).unwrap() else { panic!("stale") };
    assert_eq!((job.revision, job.title.as_str()), (2, "Tie rod"));
    assert_eq!(store.change_job("none", 1, &change("", "", None)).unwrap(), Changed::Missing);
}

#[test]
fn an_act_is_recorded_once_and_freezes_the_plan_with_the_first() {
    let folder = tempfile::tempdir().unwrap();
    let path = folder.path().join("yoke.db");
    let frozen = |n: u8| frozen(&format!("p{n}"));
    {
        let store = Store::open(&path).unwrap();
        store.add_job("j", "Tie rod", "{}", "2026-01-01").unwrap();
        assert!(matches!(record(&store, "j", &act("a", "1"), Some(&frozen(1))), Recorded::Done(r) if r.sequence == 1));
        assert!(matches!(record(&store, "j", &act("a", "1"), Some(&frozen(2))), Recorded::Done(r) if r.sequence == 1));
        assert_eq!(record(&store, "j", &act("a", "2"), None), Recorded::Different);
        assert!(matches!(record(&store, "j", &act("b", "2"), Some(&frozen(3))), Recorded::Done(r) if r.sequence == 2));
        assert_eq!(record(&store, "none", &act("a", "1"), None), Recorded::Missing);
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
        store.put_lathe("long-bed", body).unwrap();
        store.put_kit(body).unwrap();
    }
    assert_eq!(store.lathes().unwrap().len(), 1);
    assert_eq!(store.lathe("long-bed").unwrap().unwrap().body, "2");
    assert_eq!(store.kit().unwrap().as_deref(), Some("2"));
}

#[test]
fn a_lathe_changes_under_its_revision_and_one_put_away_is_not_lost() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    let ids = || ["bench", "bench-2"].map(str::to_owned).into_iter();
    let added = |n: &str| store.add_lathe(ids(), |id| format!("{id} {n}")).unwrap().map(|r| (r.id, r.body));
    assert_eq!(added("a"), Some(("bench".into(), "bench a".into())));
    assert_eq!(added("b"), Some(("bench-2".into(), "bench-2 b".into())));
    assert_eq!(added("c"), None, "no id is taken twice");
    assert!(matches!(store.change_lathe("bench", 1, "told").unwrap(), Changed::Done(r) if r.revision == 2 && r.body == "told"));
    assert!(matches!(store.change_lathe("bench", 1, "late").unwrap(), Changed::Stale(r) if r.body == "told"));
    assert_eq!(store.change_lathe("none", 1, "").unwrap(), Changed::Missing);
    let away = store.put_away("bench", Some("2026-01-01")).unwrap().unwrap();
    assert_eq!((away.away.as_deref(), store.lathe("bench").unwrap().unwrap().body.as_str()), (Some("2026-01-01"), "told"));
    assert_eq!(store.put_away("bench", None).unwrap().unwrap().away, None);
    store.put_away("bench", Some("2026-01-02")).unwrap();
    store.put_lathe("bench", "new").unwrap();
    assert_eq!(store.lathe("bench").unwrap().unwrap().away, None, "one put in its place stands in the shop");
    assert!(store.put_away("none", None).unwrap().is_none());
}

#[test]
fn a_newer_database_is_refused_by_name() {
    let folder = tempfile::tempdir().unwrap();
    let path = folder.path().join("yoke.db");
    drop(Store::open(&path).unwrap());
    rusqlite::Connection::open(&path).unwrap().pragma_update(None, "user_version", 99).unwrap();
    let error = Store::open(&path).unwrap_err();
    assert!(matches!(error, StoreError::Newer { found: 99, .. }) && error.to_string().contains("newer version of this program"));
}

#[test]
fn two_threads_writing_acts_keep_every_one_in_one_order() {
    let folder = tempfile::tempdir().unwrap();
    let store = std::sync::Arc::new(Store::open(&folder.path().join("yoke.db")).unwrap());
    store.add_job("j", "Tie rod", "{}", "2026-01-01").unwrap();
    let writers: Vec<_> = (0..4)
        .map(|writer| {
            let store = std::sync::Arc::clone(&store);
            std::thread::spawn(move || {
                for i in 0..25 {
                    assert!(matches!(record(&store, "j", &act(&format!("{writer}-{i}"), "{}"), None), Recorded::Done(_)));
                }
            })
        })
        .collect();
    for writer in writers {
        writer.join().unwrap();
    }
    let sequences: Vec<i64> = store.acts("j").unwrap().iter().map(|a| a.sequence).collect();
    assert_eq!(sequences, (1..=100).collect::<Vec<_>>());
    assert_eq!(store.job("j").unwrap().unwrap().sequence, 100);
    assert!(store.sound().unwrap());
}

#[test]
fn jobs_are_listed_newest_first_and_apart() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    for (id, created) in [("a", "2026-01-01"), ("b", "2026-01-03"), ("c", "2026-01-02"), ("d", "2026-01-03")] {
        store.add_job(id, id, "{}", created).unwrap();
    }
    assert!(!store.add_job("a", "again", "{}", "2026-01-04").unwrap(), "an id stands for one job");
    record(&store, "b", &act("x", "{}"), None);
    let listed = store.jobs().unwrap();
    let ids: Vec<&str> = listed.iter().map(|j| j.id.as_str()).collect();
    assert_eq!(ids, ["d", "b", "c", "a"]);
    assert_eq!(listed.iter().map(|j| j.sequence).collect::<Vec<_>>(), [0, 1, 0, 0]);
    assert!(store.acts("a").unwrap().is_empty(), "an act belongs to its own job");
    assert!(store.job("none").unwrap().is_none() && store.lathe("none").unwrap().is_none() && store.kit().unwrap().is_none());
}

#[test]
fn a_refused_change_leaves_no_trace() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    store.add_job("j", "Tie rod", "{}", "2026-01-01").unwrap();
    record(&store, "j", &act("a", "1"), None);
    assert_eq!(record(&store, "j", &act("a", "2"), Some(&frozen("p"))), Recorded::Different);
    let job = store.job("j").unwrap().unwrap();
    assert_eq!((job.frozen, job.sequence), (None, 1));
}

#[test]
fn members_of_a_part_are_linked_and_changed_together() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("y.db")).unwrap();
    store.add_job("screw", "Paddle screw", "{}", "2026-01-01").unwrap();
    let nut =
        NewMember { id: "nut", title: "The nut", request: "{\"n\":1}", created: "2026-01-02", revision: 1, mates: true, request_of_first: Some("{\"s\":1}") };
    assert_eq!(store.add_member("screw", &nut).unwrap(), Changed::Done(()));
    let screw = store.job("screw").unwrap().unwrap();
    assert_eq!((screw.mate.as_deref(), screw.part.as_deref(), screw.request.as_str(), screw.revision), (Some("nut"), Some("screw"), "{\"s\":1}", 2));
    assert_eq!(store.job("nut").unwrap().unwrap().mate.as_deref(), Some("screw"));
    // A thread has one mate; another thread of the part has none of it.
    assert_eq!(store.add_member("screw", &NewMember { id: "again", ..nut }).unwrap(), Changed::Stale(()), "it was made of what it no longer is");
    assert!(store.job("again").unwrap().is_none());
    assert_eq!(store.add_member("nut", &NewMember { id: "end", mates: false, request_of_first: None, ..nut }).unwrap(), Changed::Done(()));
    assert_eq!(store.members("screw").unwrap().iter().map(|m| m.id.as_str()).collect::<Vec<_>>(), ["screw", "nut", "end"]);
    assert_eq!(store.add_member("nowhere", &NewMember { id: "x", ..nut }).unwrap(), Changed::Missing);
    // What is the pair's changes on both, once; a stale change changes neither.
    let (request, of_mate) = ("{\"s\":2}", "{\"n\":2}");
    assert!(matches!(store.change_job("screw", 1, &change("x", request, Some(("nut", of_mate)))).unwrap(), Changed::Stale(_)));
    assert_eq!(store.job("nut").unwrap().unwrap().request, "{\"n\":1}");
    assert!(matches!(store.change_job("screw", 2, &change("x", request, Some(("nut", of_mate)))).unwrap(), Changed::Done(_)));
    assert_eq!(store.job("nut").unwrap().unwrap().request, of_mate);
}

/// A batch made of a job at a revision.
fn batch_of(revision: i64) -> NewBatch<'static> {
    NewBatch::Of { revision, kind: "batch", body: "{}" }
}

/// A shop as each version before this one left it.
const OLDER: [&str; 6] = [
    include_str!("fixtures/v1.sql"),
    include_str!("fixtures/v2.sql"),
    include_str!("fixtures/v3.sql"),
    include_str!("fixtures/v4.sql"),
    include_str!("fixtures/v5.sql"),
    include_str!("fixtures/v6.sql"),
];

#[test]
fn a_database_of_every_earlier_version_opens_as_it_was_with_a_copy_kept() {
    for (at, sql) in OLDER.iter().enumerate() {
        let version = at + 1;
        let folder = tempfile::tempdir().unwrap();
        let path = folder.path().join("yoke.db");
        rusqlite::Connection::open(&path).unwrap().execute_batch(sql).unwrap();
        let as_it_was = std::fs::read(&path).unwrap();
        let store = Store::open(&path).unwrap();
        let job = store.job("stud").unwrap().unwrap();
        assert_eq!((job.title.as_str(), job.sequence, job.revision, job.frozen.is_some()), ("Mill bearing stud", 2, 3, true));
        assert_eq!(job.mate.as_deref(), (version >= 2).then_some("cap"));
        assert_eq!((job.batch, job.place), (None, None));
        assert_eq!(store.acts("stud").unwrap().iter().map(|a| a.id.as_str()).collect::<Vec<_>>(), ["a", "b"]);
        let lathe = store.lathe("long-bed").unwrap().unwrap();
        assert_eq!((lathe.revision, lathe.away.is_some()), if version >= 3 { (4, true) } else { (1, false) });
        assert_eq!(store.photos("stud").unwrap().len(), usize::from(version >= 4));
        // What came since works on it: a member, a batch, a tick, a sheet.
        let revision = store.job("cap").unwrap().unwrap().revision;
        let member = NewMember { id: "n", title: "Nut", request: "{}", created: "2026-01-07", revision, mates: version < 2, request_of_first: None };
        assert_eq!(store.add_member("cap", &member).unwrap(), Changed::Done(()));
        assert_eq!(store.job("cap").unwrap().unwrap().request, "{\"thread\":{\"callout\":\"M36x1.5-6H\"}}", "its facts stand unless new ones come");
        let part = NewPart { id: "p2", title: "x", request: "{}", created: "2026-01-08", place: 2, part: None, mate: None };
        assert_eq!(store.add_parts("stud", batch_of(3), &[part]).unwrap(), PartsAdded::Done);
        assert_eq!(store.ticks("stud").unwrap().len(), usize::from(version >= 5));
        assert!(store.tick("stud", "op1", Some(("2026-01-08", Some("{}")))).unwrap());
        assert_eq!(store.took(9).unwrap(), ["{}"]);
        assert!(matches!(store.put_sheet("stud", "route", 0, "{}").unwrap(), Changed::Done(_)));
        assert!(store.sound().unwrap());
        // The copy kept before is the file as it was.
        let copy = folder.path().join("yoke.before-v7.db");
        let kept = rusqlite::Connection::open(&copy).unwrap();
        assert_eq!(kept.query_row("PRAGMA user_version", [], |r| r.get::<_, u32>(0)).unwrap() as usize, version);
        assert_eq!(std::fs::read(&copy).unwrap().len(), as_it_was.len());
        // And it is taken in by restore, as an older copy.
        let there = tempfile::tempdir().unwrap();
        let empty = Store::open(&there.path().join("yoke.db")).unwrap();
        let taken = take_in(&empty, &copy, there.path()).unwrap();
        assert_eq!((taken.lathes, taken.jobs, taken.acts), (1, 2, 2));
    }
}

#[test]
fn sheets_change_under_a_revision_ticks_are_the_same_twice_and_a_batch_keeps_its_places() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    assert!(matches!(store.put_sheet("j", "route", 3, "{}").unwrap(), Changed::Missing), "there is none of that revision");
    assert!(matches!(store.put_sheet("j", "route", 0, "1").unwrap(), Changed::Done(r) if r.revision == 1));
    assert!(matches!(store.put_sheet("j", "route", 0, "2").unwrap(), Changed::Stale(r) if r.body == "1"));
    assert!(matches!(store.put_sheet("j", "route", 1, "3").unwrap(), Changed::Done(r) if r.revision == 2 && r.body == "3"));
    store.drop_sheet("j", "route").unwrap();
    assert_eq!(store.sheets().unwrap(), []);
    assert!(!store.tick("j", "op", Some(("t", None))).unwrap(), "no such job");
    store.add_job("j", "J", "{}", "2026-01-01").unwrap();
    assert!(store.tick("j", "op", Some(("first", None))).unwrap() && store.tick("j", "op", Some(("again", None))).unwrap());
    assert_eq!(store.ticks("j").unwrap(), [TickRow { op: "op".into(), done: "first".into(), took: None }]);
    // What it took may be told after, and is not lost to a tick without.
    assert!(store.tick("j", "op", Some(("later", Some("12")))).unwrap() && store.tick("j", "op", Some(("later", None))).unwrap());
    assert_eq!(store.ticks("j").unwrap(), [TickRow { op: "op".into(), done: "first".into(), took: Some("12".into()) }]);
    store.tick("j", "op", None).unwrap();
    assert_eq!(store.ticks("j").unwrap(), []);
    let part = |id, place| NewPart { id, title: "P", request: "{}", created: "2026-01-02", place, part: None, mate: None };
    assert_eq!(store.add_parts("nowhere", batch_of(1), &[part("x", 2)]).unwrap(), PartsAdded::Missing);
    // All or none.
    assert!(store.add_parts("j", batch_of(1), &[part("p2", 2), part("p2", 3)]).is_err());
    assert_eq!(store.batch("j").unwrap(), []);
    assert_eq!(store.add_parts("j", batch_of(7), &[part("p2", 2)]).unwrap(), PartsAdded::Moved);
    assert_eq!(store.add_parts("j", batch_of(1), &[part("p2", 2), part("p3", 3)]).unwrap(), PartsAdded::Done);
    assert_eq!(store.add_parts("j", batch_of(2), &[part("p4", 2)]).unwrap(), PartsAdded::Already);
    assert_eq!(store.add_parts("j", NewBatch::Again { jobs: &["p2"], part: None, others: &[] }, &[part("p2b", 2)]).unwrap(), PartsAdded::Done);
    assert_eq!(
        store.add_parts("j", NewBatch::Again { jobs: &["p2"], part: None, others: &[] }, &[part("p2c", 2)]).unwrap(),
        PartsAdded::Already,
        "begun again once"
    );
    let ids: Vec<(String, Option<i64>)> = store.batch("j").unwrap().into_iter().map(|r| (r.id, r.place)).collect();
    assert_eq!(ids, [("j", 1), ("p2", 2), ("p2b", 2), ("p3", 3)].map(|(id, place)| (id.to_owned(), Some(place))));
}

#[test]
fn a_batch_is_of_whole_parts_and_a_piece_begun_again_takes_its_place_among_the_others() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    store.add_job("screw", "Screw", "{}", "2026-01-01").unwrap();
    let member = |id, revision, mates| NewMember { id, title: id, request: "{}", created: "2026-01-02", revision, mates, request_of_first: None };
    store.add_member("screw", &member("end", 1, false)).unwrap();
    store.add_member("screw", &member("nut", 2, true)).unwrap();
    let part = |id, part, mate| NewPart { id, title: "P", request: "{}", created: "2026-01-03", place: 2, part: Some(part), mate };
    let two = [part("screw2", "screw2", Some("nut2")), part("end2", "screw2", None), part("nut2", "screw2", Some("screw2"))];
    assert_eq!(store.add_parts("screw", batch_of(3), &two).unwrap(), PartsAdded::Done);
    let kin = |id: &str| {
        let job = store.job(id).unwrap().unwrap();
        (job.part.unwrap_or_default(), job.mate.unwrap_or_default(), job.place)
    };
    assert_eq!(kin("end"), ("screw".into(), String::new(), Some(1)));
    assert_eq!(kin("nut2"), ("screw2".into(), "screw2".into(), Some(2)));
    // The second screw is spoilt: screw and end are made anew, and its nut goes with them.
    let anew = [part("screw2b", "screw2b", Some("nut2")), part("end2b", "screw2b", None)];
    let again = NewBatch::Again { jobs: &["screw2", "end2"], part: Some("screw2b"), others: &[("nut2", Some("screw2b"))] };
    assert_eq!(store.add_parts("screw", again, &anew).unwrap(), PartsAdded::Done);
    assert_eq!(kin("nut2"), ("screw2b".into(), "screw2b".into(), Some(2)));
    assert_eq!((kin("screw2").0, kin("end2").0, kin("screw2").1), ("screw2".to_owned(), "screw2".to_owned(), String::new()));
    let ids: Vec<String> = store.members("screw2b").unwrap().into_iter().map(|j| j.id).collect();
    assert_eq!(ids, ["nut2", "screw2b", "end2b"]);
    // The spoilt ones are no part that stands there any more.
    assert_eq!(store.add_parts("screw", NewBatch::Again { jobs: &["screw2"], part: None, others: &[] }, &[]).unwrap(), PartsAdded::Already);
    // What is added to a part of a batch is of its place.
    let revision = store.job("screw2b").unwrap().unwrap().revision;
    store.add_member("screw2b", &member("third", revision, false)).unwrap();
    assert_eq!(kin("third"), ("screw2b".into(), String::new(), Some(2)));
}

#[test]
fn a_mates_facts_stand_once_its_cut_has_begun() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke.db")).unwrap();
    store.add_job("screw", "Screw", "s1", "2026-01-01").unwrap();
    let nut = NewMember { id: "nut", title: "Nut", request: "n1", created: "2026-01-02", revision: 1, mates: true, request_of_first: None };
    store.add_member("screw", &nut).unwrap();
    let frozen = frozen("p");
    record(&store, "nut", &act("x", "{}"), Some(&frozen));
    let revision = store.job("screw").unwrap().unwrap().revision;
    assert!(matches!(store.change_job("screw", revision, &change("Screw", "s2", Some(("nut", "n2")))).unwrap(), Changed::Done(_)));
    assert_eq!(store.job("nut").unwrap().unwrap().request, "n1");
}

#[test]
fn photographs_are_kept_as_they_came_and_no_more_than_a_job_may_have() {
    let folder = tempfile::tempdir().unwrap();
    let store = Store::open(&folder.path().join("yoke-turn.db")).unwrap();
    store.add_job("a", "A", "{}", "2026-01-01T00:00:00Z").unwrap();
    let row = |id: &str| PhotoRow { id: id.into(), kind: "image/png".into(), taken: "2026-01-01T00:00:01Z".into(), says: "the scratch".into() };
    assert_eq!(store.put_photo("a", &row("p1"), b"one", 2).unwrap(), Put::Done);
    assert_eq!(store.put_photo("a", &row("p1"), b"one", 2).unwrap(), Put::Done, "the same again");
    assert_eq!(store.put_photo("a", &row("p1"), b"two", 2).unwrap(), Put::Different);
    assert_eq!(store.put_photo("a", &row("p2"), b"two", 2).unwrap(), Put::Done);
    assert_eq!(store.put_photo("a", &row("p3"), b"three", 2).unwrap(), Put::Full);
    assert_eq!(store.put_photo("b", &row("p1"), b"one", 2).unwrap(), Put::Missing);
    assert_eq!(store.photos("a").unwrap(), [row("p1"), row("p2")]);
    assert_eq!(store.photo("a", "p2").unwrap(), Some(b"two".to_vec()));
    assert_eq!(store.photo("a", "p9").unwrap(), None);
}
