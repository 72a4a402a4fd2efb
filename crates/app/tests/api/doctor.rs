//! What `doctor` says of a folder: where all of it lies, how it stands, and what is wrong. It changes nothing.

use crate::common::{Server, run};
use crate::folders::stop;
use serde_json::{Value, json};
use std::collections::BTreeMap;
use std::os::unix::fs::PermissionsExt;
use std::path::Path;

/// What it says as JSON, by what it is about; whether all is well.
fn doctor(folder: &Path) -> (bool, Vec<Value>) {
    let output = run(&["doctor", "--json", "--port", "0"], folder);
    (output.status.success(), serde_json::from_slice(&output.stdout).unwrap())
}

fn said(folder: &Path, about: &str) -> (String, String) {
    let lines = doctor(folder).1;
    let of: Vec<&Value> = lines.iter().filter(|l| l["about"] == about).collect();
    let worst = ["wrong", "note", "right"].into_iter().find(|s| of.iter().any(|l| l["stands"] == *s)).unwrap();
    (worst.to_owned(), of.iter().map(|l| l["says"].as_str().unwrap()).collect::<Vec<_>>().join("; "))
}

/// Every file of a folder, with its bytes.
fn files(folder: &Path) -> BTreeMap<String, Vec<u8>> {
    let all = std::fs::read_dir(folder).unwrap().flatten().filter(|e| e.path().is_file());
    all.map(|e| (e.file_name().to_string_lossy().into_owned(), std::fs::read(e.path()).unwrap())).collect()
}

fn holds(folder: &Path, about: &str, stands: &str, says: &str) {
    let (is, told) = said(folder, about);
    assert!(is == stands && told.contains(says), "{about}: {is}: {told}, and not {stands}: {says}");
}

#[tokio::test]
async fn what_is_right_and_what_is_wrong_with_a_folder_is_said() {
    let outer = tempfile::tempdir().unwrap();
    let folder = outer.path().join("shop");
    assert!(doctor(&folder).0, "one that is not there yet is no fault");
    holds(&folder, "Data folder", "note", "the first start makes it");
    assert!(!folder.exists());

    let server = Server::start(&folder, &["--demo"]);
    std::fs::set_permissions(&folder, std::fs::Permissions::from_mode(0o755)).unwrap();
    let cable = json!({"readout": {"cable": {"by": "tcp", "address": "127.0.0.1:1"}, "axes": []}, "micrometer": {"cable": {"by": "serial", "port": "/dev/ttyNone", "baud": 9600}}});
    let (status, answer) = server.send(reqwest::Method::PUT, "/api/v1/lathes/gap-bed/instruments", cable, &[("If-Match", "0")]).await;
    assert!(status.is_success(), "{answer}");
    holds(&folder, "Server", "right", &server.address);
    holds(&folder, "Database", "right", "version 7, sound; 14 jobs");
    holds(&folder, "Instruments", "wrong", "readout of gap-bed: 127.0.0.1:1 does not answer");
    holds(&folder, "Instruments", "wrong", "micrometer of gap-bed: /dev/ttyNone is not there");
    assert!(!doctor(&folder).0);
    server.kill();
    holds(&folder, "Server", "right", "not running");

    // An act that does not read, and a key others may read.
    let database = rusqlite::Connection::open(folder.join("yoke-turn.db")).unwrap();
    database.execute("UPDATE acts SET body = '{\"kind\": \"danced\"}' WHERE rowid = (SELECT min(rowid) FROM acts)", []).unwrap();
    drop(database);
    holds(&folder, "Database", "wrong", "danced");
    std::fs::write(folder.join("authority.key"), "no key").unwrap();
    holds(&folder, "Certificate", "wrong", "chmod 600");
    std::fs::set_permissions(folder.join("authority.key"), std::fs::Permissions::from_mode(0o600)).unwrap();
    holds(&folder, "Certificate", "wrong", "authority.crt");
    std::fs::write(folder.join("devices.json"), "[").unwrap();
    holds(&folder, "Devices", "wrong", "does not read");
    std::fs::write(folder.join("yoke-turn.db"), "no database at all, and long enough to be looked at").unwrap();
    holds(&folder, "Database", "wrong", "");
    std::fs::remove_file(folder.join("yoke-turn.db")).unwrap();
    let _ = std::fs::remove_file(folder.join("yoke-turn.db-wal"));
    holds(&folder, "Database", "wrong", "copies of it lie there");
}

/// A database of every version there was: told of, left as it is, brought up at the next start with its copy kept.
#[test]
fn an_older_database_is_told_of_and_brought_up_with_its_copy() {
    for version in 1..7 {
        let folder = tempfile::tempdir().unwrap();
        let at = folder.path().join("yoke-turn.db");
        let sql = std::fs::read_to_string(format!("{}/../store/tests/store/fixtures/v{version}.sql", env!("CARGO_MANIFEST_DIR"))).unwrap();
        rusqlite::Connection::open(&at).unwrap().execute_batch(&sql).unwrap();
        let before = files(folder.path());
        // What of it does not read is said beside it.
        let told = said(folder.path(), "Database").1;
        assert!(told.starts_with(&format!("version {version}, sound")) && told.contains("brings it to 7"), "{told}");
        assert_eq!(files(folder.path()), before, "version {version}");
        let server = Server::start(folder.path(), &[]);
        assert!(said(folder.path(), "Database").1.starts_with("version 7, sound"), "version {version}");
        stop(server, "TERM");
        let after = files(folder.path());
        assert!(said(folder.path(), "Database").1.starts_with("version 7, sound"), "version {version}");
        assert_eq!(files(folder.path()), after, "version {version}");
        assert!(folder.path().join("yoke-turn.before-v7.db").exists(), "version {version}");
    }
}

/// What a package ships of it: a page and completions that name every command.
#[test]
fn the_manual_and_the_completions_name_every_command() {
    let folder = tempfile::tempdir().unwrap();
    let program = env!("CARGO_BIN_EXE_yoke-turn");
    let manual = std::process::Command::new(program).arg("manual").arg(folder.path()).status().unwrap();
    assert!(manual.success());
    let shells = ["bash", "zsh", "fish"].map(|shell| std::process::Command::new(program).args(["completions", shell]).output().unwrap().stdout);
    for command in ["serve", "plan", "backup", "restore", "doctor", "stand-in"] {
        assert!(folder.path().join(format!("yoke-turn-{command}.1")).exists(), "{command}");
        assert!(shells.iter().all(|words| String::from_utf8_lossy(words).contains(command)), "{command}");
    }
    assert!(std::fs::read_to_string(folder.path().join("yoke-turn.1")).unwrap().contains("left alone when the program is removed"));
}
