//! Everything that is in the binary and is not the project's own: crates and npm packages, with their licences and the texts of them.

use super::cargo_home;
use crate::text;
use serde_json::Value;
use std::collections::BTreeMap;
use std::path::{Path, PathBuf};
use xshell::{Shell, cmd};

/// One of them.
pub struct Piece {
    /// `cargo` or `npm`.
    pub kind: &'static str,
    /// What it is called.
    pub name: String,
    /// Its version.
    pub version: String,
    /// Its licence, as an SPDX expression.
    pub licence: String,
    /// The texts that lie in it, by name.
    pub texts: BTreeMap<String, String>,
}

/// All of them, in order.
pub fn all(sh: &Shell, triple: &str) -> Result<Vec<Piece>, String> {
    let mut all = crates(sh, triple)?;
    all.extend(packages(sh)?);
    Ok(all)
}

/// Licence texts of a folder: what is named so, or lies in a folder named so.
fn texts(folder: &Path) -> BTreeMap<String, String> {
    let files = std::fs::read_dir(folder).into_iter().flatten().flatten().map(|e| e.path());
    let named = |path: &PathBuf| {
        let name = path.file_name().unwrap_or_default().to_string_lossy().to_uppercase();
        ["LICENSE", "LICENCE", "COPYING", "NOTICE", "UNLICENSE"].iter().any(|word| name.starts_with(word))
    };
    let within = |path: PathBuf| if path.is_dir() { std::fs::read_dir(path).into_iter().flatten().flatten().map(|e| e.path()).collect() } else { vec![path] };
    let read = |path: PathBuf| {
        // Letters in another coding are read as far as they go; a name with an accent is no reason to leave its licence out.
        let text = String::from_utf8_lossy(&std::fs::read(&path).ok()?).replace('\r', "");
        Some((path.file_name()?.to_string_lossy().into_owned(), text))
    };
    files.filter(named).flat_map(within).filter_map(read).collect()
}

/// The crates linked in, as cargo resolves them for what is built; not those that only build.
fn crates(sh: &Shell, triple: &str) -> Result<Vec<Piece>, String> {
    let form = "{p}|{l}";
    let said = cmd!(sh, "cargo tree --locked --package yoke-turn --edges normal,no-proc-macro --target {triple} --prefix none --format {form}")
        .quiet()
        .read()
        .map_err(text)?;
    let mut lines: Vec<&str> = said.lines().filter(|l| !l.contains("(/") && !l.is_empty()).map(|l| l.trim_end_matches(" (*)")).collect();
    lines.sort_unstable();
    lines.dedup();
    let registries = cargo_home(sh).join("registry/src");
    let homes: Vec<PathBuf> = std::fs::read_dir(&registries).into_iter().flatten().flatten().map(|e| e.path()).collect();
    lines
        .into_iter()
        .map(|line| {
            let told = || {
                let (named, licence) = line.split_once('|')?;
                let (name, version) = named.split_once(" v")?;
                let folder = homes.iter().map(|h| h.join(format!("{name}-{version}"))).find(|f| f.is_dir())?;
                Some(Piece { kind: "cargo", name: name.into(), version: version.into(), licence: licence.into(), texts: texts(&folder) })
            };
            told().ok_or_else(|| format!("cargo names {line}, which does not read, or is not where it keeps its sources"))
        })
        .collect()
}

/// The npm packages of the web side that are more than tools.
fn packages(sh: &Shell) -> Result<Vec<Piece>, String> {
    let _in = sh.push_dir("web");
    let said = cmd!(sh, "npm ls --omit=dev --all --parseable").quiet().ignore_stderr().read().map_err(text)?;
    let mut folders: Vec<PathBuf> = said.lines().skip(1).map(PathBuf::from).collect();
    folders.sort();
    folders.dedup();
    folders
        .into_iter()
        .map(|folder| {
            let written = sh.read_file(folder.join("package.json")).map_err(text)?;
            let written: Value = serde_json::from_str(&written).map_err(|e| format!("{}: {e}", folder.display()))?;
            let field = |name: &str| written[name].as_str().map(str::to_owned).ok_or_else(|| format!("{} tells no {name}", folder.display()));
            Ok(Piece { kind: "npm", name: field("name")?, version: field("version")?, licence: field("license")?, texts: texts(&folder) })
        })
        .collect()
}
