//! One order of modules: a file may read from files before it in `module_order.txt`, never from one after it. A folder's own file may
//! name its children; nothing else is let off. What crosses crates the compiler holds.

use std::collections::{BTreeMap, BTreeSet};
use std::path::{Path, PathBuf};
use syn::visit::Visit;

/// Most lines a folder of modules holds, its children with it.
const MOST_LINES: usize = 4000;

/// A crate's modules, each by its path in the crate, with its file.
struct Modules {
    files: BTreeMap<Vec<String>, PathBuf>,
    /// Names a module hands on from elsewhere, and where they come from.
    handed_on: BTreeMap<(Vec<String>, String), Vec<String>>,
}

/// The paths a file names in its code: imports, and paths written out.
#[derive(Default)]
struct Named {
    paths: Vec<Vec<String>>,
    handed_on: Vec<(String, Vec<String>)>,
}

fn leaves(tree: &syn::UseTree, before: &[String], out: &mut Vec<(Vec<String>, String)>) {
    let with = |name: &syn::Ident| [before, &[name.to_string()]].concat();
    match tree {
        syn::UseTree::Path(path) => leaves(&path.tree, &with(&path.ident), out),
        syn::UseTree::Name(name) if name.ident == "self" => out.push((before.to_vec(), before.last().cloned().unwrap_or_default())),
        syn::UseTree::Name(name) => out.push((with(&name.ident), name.ident.to_string())),
        syn::UseTree::Rename(renamed) => out.push((with(&renamed.ident), renamed.rename.to_string())),
        syn::UseTree::Glob(_) => out.push((before.to_vec(), String::new())),
        syn::UseTree::Group(group) => group.items.iter().for_each(|one| leaves(one, before, out)),
    }
}

impl<'ast> Visit<'ast> for Named {
    fn visit_item_use(&mut self, item: &'ast syn::ItemUse) {
        let mut found = Vec::new();
        leaves(&item.tree, &[], &mut found);
        if matches!(item.vis, syn::Visibility::Inherited) {
            self.paths.extend(found.into_iter().map(|f| f.0));
        } else {
            self.handed_on.extend(found.into_iter().map(|(path, name)| (name, path)));
        }
    }

    fn visit_path(&mut self, path: &'ast syn::Path) {
        if path.segments.len() > 1 {
            self.paths.push(path.segments.iter().map(|s| s.ident.to_string()).collect());
        }
        syn::visit::visit_path(self, path);
    }
}

/// Files under a folder whose names end in one of these.
pub fn files_of(folder: &Path, endings: &[&str], out: &mut Vec<PathBuf>) {
    for entry in std::fs::read_dir(folder).unwrap().map(Result::unwrap) {
        let path = entry.path();
        if path.is_dir() {
            files_of(&path, endings, out);
        } else if path.extension().is_some_and(|e| endings.iter().any(|ending| e == *ending)) {
            out.push(path);
        }
    }
}

pub fn rust_files(folder: &Path, out: &mut Vec<PathBuf>) {
    files_of(folder, &["rs"], out);
}

impl Modules {
    fn of(source: &Path) -> (Self, BTreeMap<Vec<String>, Named>) {
        let mut paths = Vec::new();
        rust_files(source, &mut paths);
        let module = |path: &Path| -> Vec<String> {
            let inside = path.strip_prefix(source).unwrap().with_extension("");
            inside.iter().map(|part| part.to_string_lossy().into_owned()).filter(|part| part != "mod" && part != "lib" && part != "main").collect()
        };
        let files: BTreeMap<_, _> = paths.into_iter().map(|path| (module(&path), path)).collect();
        let mut all = Self { files, handed_on: BTreeMap::new() };
        let mut named = BTreeMap::new();
        for (module, path) in &all.files {
            let file = syn::parse_file(&std::fs::read_to_string(path).unwrap()).unwrap();
            let mut found = Named::default();
            found.visit_file(&file);
            named.insert(module.clone(), found);
        }
        for (module, found) in &named {
            for (name, path) in &found.handed_on {
                if let Some(whole) = all.rooted(module, path) {
                    all.handed_on.insert((module.clone(), name.clone()), whole);
                }
            }
        }
        (all, named)
    }

    /// A path as it stands in a module, from the crate's root; nothing where it leads out of the crate.
    fn rooted(&self, module: &[String], path: &[String]) -> Option<Vec<String>> {
        let mut base = module.to_vec();
        match path[0].as_str() {
            "crate" => return Some(path[1..].to_vec()),
            "self" => return Some([&base[..], &path[1..]].concat()),
            "super" => {}
            child => return self.files.contains_key(&[module, &[child.to_owned()]].concat()).then(|| [module, path].concat()),
        }
        let ups = path.iter().take_while(|p| *p == "super").count();
        base.truncate(base.len().saturating_sub(ups));
        Some([&base[..], &path[ups..]].concat())
    }

    /// The file a name really stands in, whoever hands it on.
    fn stands_in(&self, path: &[String], depth: usize) -> Option<Vec<String>> {
        let module = (0..=path.len()).rev().map(|n| path[..n].to_vec()).find(|m| self.files.contains_key(m))?;
        let from = path.get(module.len()).and_then(|name| self.handed_on.get(&(module.clone(), name.clone())));
        match from {
            Some(from) if depth < 8 => self.stands_in(&[&from[..], &path[module.len() + 1..]].concat(), depth + 1),
            _ => Some(module),
        }
    }
}

/// From a file, to a file, by a name.
type Arrow = (Vec<String>, Vec<String>, String);

/// Every arrow of a crate.
fn arrows(source: &Path) -> (Modules, BTreeSet<Arrow>) {
    let (all, named) = Modules::of(source);
    let mut arrows = BTreeSet::new();
    for (module, found) in &named {
        for path in &found.paths {
            let Some(to) = all.rooted(module, path).and_then(|whole| all.stands_in(&whole, 0)) else { continue };
            let own_child = to.len() > module.len() && to.starts_with(module);
            if to != *module && !own_child && !to.is_empty() {
                arrows.insert((module.clone(), to, path.join("::")));
            }
        }
    }
    (all, arrows)
}

/// What is wrong with the order of a crate: arrows that run back, files not in the list, lines of the list without a file.
fn against(listed: &[&str], source: &Path) -> Vec<String> {
    let (all, arrows) = arrows(source);
    let place = |module: &[String]| listed.iter().position(|l| *l == module.join("::"));
    let mut wrong: Vec<String> = all
        .files
        .keys()
        .filter(|m| !m.is_empty() && place(m).is_none())
        .map(|m| format!("{} is not in module_order.txt: put it after all it reads from", m.join("::")))
        .collect();
    wrong.extend(listed.iter().filter(|l| !all.files.keys().any(|m| m.join("::") == **l)).map(|l| format!("{l} is in module_order.txt and is no file")));
    for (from, to, by) in &arrows {
        if let (Some(here), Some(there)) = (place(from), place(to))
            && there > here
        {
            wrong.push(format!("{} reads {} by {by}: that arrow runs back", from.join("::"), to.join("::")));
        }
    }
    wrong
}

pub fn crates() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("..")
}

/// The list, by crate.
fn order() -> BTreeMap<&'static str, Vec<&'static str>> {
    let mut list: BTreeMap<_, Vec<_>> = BTreeMap::new();
    for line in include_str!("module_order.txt").lines().filter(|l| !l.is_empty() && !l.starts_with('#')) {
        let (of, module) = line.split_once(' ').unwrap();
        list.entry(of).or_default().push(module);
    }
    list
}

#[test]
fn no_arrow_runs_back() {
    let wrong: Vec<String> = order().iter().flat_map(|(of, listed)| against(listed, &crates().join(of).join("src"))).collect();
    assert!(wrong.is_empty(), "\n{}\n", wrong.join("\n"));
}

#[test]
fn an_arrow_planted_backwards_is_named() {
    let folder = std::env::temp_dir().join(format!("yoke-order-{}", std::process::id()));
    let write = |name: &str, text: &str| {
        let path = folder.join(name);
        std::fs::create_dir_all(path.parent().unwrap()).unwrap();
        std::fs::write(path, text).unwrap();
    };
    write("lib.rs", "mod first; mod station;");
    write("first.rs", "pub fn one() {}");
    write("station/mod.rs", "mod inner; pub use inner::two; pub fn whole() { inner::two() }");
    write("station/inner.rs", "use crate::first::one; pub fn two() { one() }");
    let listed = ["first", "station", "station::inner"];
    assert_eq!(against(&listed, &folder), Vec::<String>::new());
    // Through what the folder hands on, and by a path written out in a body.
    write("first.rs", "pub fn one() { crate::station::two() }");
    let wrong = against(&listed, &folder);
    std::fs::remove_dir_all(&folder).unwrap();
    assert_eq!(wrong, ["first reads station::inner by crate::station::two: that arrow runs back"]);
}

#[test]
fn no_folder_grows_past_what_one_can_hold() {
    for of in order().keys() {
        let source = crates().join(of).join("src");
        for folder in std::fs::read_dir(&source).unwrap().map(|e| e.unwrap().path()).filter(|p| p.is_dir()) {
            let mut files = Vec::new();
            rust_files(&folder, &mut files);
            let lines: usize = files.iter().map(|f| std::fs::read_to_string(f).unwrap().lines().count()).sum();
            assert!(lines <= MOST_LINES, "{} holds {lines} lines; {MOST_LINES} are the most: take a part out of it", folder.display());
        }
    }
}
