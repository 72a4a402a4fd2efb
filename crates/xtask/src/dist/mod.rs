//! What goes out of the house: the one binary, an archive with the licences of all that is in it and its bill of materials, and a Debian
//! package. The same commit gives the same bytes.

mod contents;
mod licences;
mod materials;

use crate::{Outcome, text, tools};
use std::path::{Path, PathBuf};
use xshell::{Shell, cmd};

/// Most bytes of the binary, and of it packed.
const BINARY: u64 = 20_000_000;
const PACKED: u64 = 8_000_000;
/// The maker of Debian packages, as it is fetched.
const DEB: &str = "3.8";

/// What is built for: this machine, named so that what only builds is built apart from what goes out.
fn triple(sh: &Shell) -> Result<String, String> {
    let said = cmd!(sh, "rustc -vV").quiet().read().map_err(text)?;
    said.lines().find_map(|l| l.strip_prefix("host: ")).map(str::to_owned).ok_or_else(|| "rustc does not say what it builds for".to_owned())
}

/// Seconds of the commit, which stand in for the clock in everything packed.
fn when(sh: &Shell) -> Result<String, String> {
    cmd!(sh, "git log -1 --format=%ct").quiet().read().map_err(text)
}

/// Builds the binary so that no path of this machine, and no clock, is in it.
fn binary(sh: &Shell, triple: &str) -> Result<PathBuf, String> {
    let here = sh.current_dir().canonicalize().map_err(text)?;
    let home = cargo_home(sh);
    let flags = format!("--remap-path-prefix={}=. --remap-path-prefix={}=cargo", here.display(), home.display());
    let _flags = sh.push_env("RUSTFLAGS", flags);
    let _c = sh.push_env("CFLAGS", format!("-ffile-prefix-map={}=. -ffile-prefix-map={}=cargo", here.display(), home.display()));
    let _when = sh.push_env("SOURCE_DATE_EPOCH", when(sh)?);
    cmd!(sh, "cargo build --locked --profile dist --target {triple} -p yoke-turn --bin yoke-turn").run().map_err(text)?;
    Ok(tools::target(sh).join(triple).join("dist/yoke-turn"))
}

/// Where cargo keeps what it fetched.
fn cargo_home(sh: &Shell) -> PathBuf {
    let home = || Path::new(&sh.var_os("HOME").unwrap_or_default()).join(".cargo");
    sh.var_os("CARGO_HOME").map_or_else(home, PathBuf::from)
}

/// Lays out what the archive and the package hold, beside the binary.
fn laid_out(sh: &Shell, program: &Path, triple: &str, into: &Path) -> Outcome {
    sh.remove_path(into).map_err(text)?;
    for folder in ["man", "completions"] {
        sh.create_dir(into.join(folder)).map_err(text)?;
    }
    sh.copy_file(program, into).map_err(text)?;
    let pages = into.join("man");
    cmd!(sh, "{program} manual {pages}").quiet().run().map_err(text)?;
    for (shell, name) in [("bash", "yoke-turn.bash"), ("zsh", "_yoke-turn"), ("fish", "yoke-turn.fish")] {
        let words = cmd!(sh, "{program} completions {shell}").quiet().read().map_err(text)?;
        sh.write_file(into.join("completions").join(name), words + "\n").map_err(text)?;
    }
    for file in ["LICENSE-MIT", "LICENSE-APACHE", "CHANGELOG.md", "docs/install.md", "packaging/yoke-turn.service", "packaging/yoke-turn.desktop"] {
        sh.copy_file(file, into).map_err(text)?;
    }
    sh.copy_file("web/public/mark.svg", into.join("yoke-turn.svg")).map_err(text)?;
    let all = contents::all(sh, triple)?;
    sh.write_file(into.join("THIRD-PARTY-LICENCES.txt"), licences::told(&all)?).map_err(text)?;
    sh.write_file(into.join("yoke-turn.cdx.json"), materials::told(&all)?).map_err(text)
}

/// The binary, the archive and the Debian package, under target/shipped; sizes are held to.
pub fn dist(sh: &Shell) -> Outcome {
    tools::web(sh)?;
    let triple = triple(sh)?;
    let program = binary(sh, &triple)?;
    let out = tools::target(sh).join("shipped");
    let name = format!("yoke-turn-{}-{triple}", env!("CARGO_PKG_VERSION"));
    let laid = out.join(&name);
    laid_out(sh, &program, &triple, &laid)?;
    let archive = out.join(format!("{name}.tar.gz"));
    packed(sh, &out, &name, &archive)?;
    debian(sh, &triple, &out, &laid)?;
    let size = |path: &Path| std::fs::metadata(path).map(|m| m.len()).map_err(|e| format!("{}: {e}", path.display()));
    let (whole, small) = (size(&laid.join("yoke-turn"))?, size(&archive)?);
    println!("binary {:.2} MB, packed {:.2} MB, in {}", whole as f64 / 1e6, small as f64 / 1e6, out.display());
    if whole > BINARY || small > PACKED {
        return Err(format!("it is to be {} MB at most, packed {} MB", BINARY / 1_000_000, PACKED / 1_000_000));
    }
    let _in = sh.push_dir(&out);
    let sums = cmd!(sh, "sha256sum {name}/yoke-turn {name}.tar.gz").read().map_err(text)?;
    println!("{sums}");
    sh.write_file("SHA256SUMS", sums + "\n").map_err(text)
}

/// An archive whose bytes hang on what is in it alone.
fn packed(sh: &Shell, out: &Path, name: &str, archive: &Path) -> Outcome {
    let when = when(sh)?;
    let tar = archive.with_extension("");
    cmd!(sh, "tar --create --sort=name --mtime=@{when} --owner=0 --group=0 --numeric-owner --mode=u+rw,go-w,a+rX --directory {out} --file {tar} {name}")
        .run()
        .map_err(text)?;
    cmd!(sh, "gzip --force --best --no-name {tar}").run().map_err(text)
}

/// The Debian package, from what was laid out.
fn debian(sh: &Shell, triple: &str, out: &Path, laid: &Path) -> Outcome {
    let tools = tools::target(sh).join("tools");
    let maker = tools.join("bin/cargo-deb");
    if !maker.exists() {
        cmd!(sh, "cargo install --locked --quiet cargo-deb --version ^{DEB} --root {tools}").run().map_err(text)?;
    }
    // The package names its files from one place, whatever is built for.
    let staged = out.join("deb");
    sh.remove_path(&staged).map_err(text)?;
    cmd!(sh, "cp --recursive {laid} {staged}").quiet().run().map_err(text)?;
    let _when = sh.push_env("SOURCE_DATE_EPOCH", when(sh)?);
    cmd!(sh, "{maker} deb --no-build --no-strip --package yoke-turn --profile dist --target {triple} --output {out}").run().map_err(text)
}

/// The Debian package as it was made, tried in a clean root.
pub fn try_package(sh: &Shell) -> Outcome {
    tools::packages(sh, &["debootstrap --version"], &["debootstrap"])?;
    let out = tools::target(sh).join("shipped");
    let made = sh.read_dir(&out).map_err(|_| "there is no package yet: cargo xtask dist".to_owned())?;
    let package = made.into_iter().find(|path| path.extension().is_some_and(|e| e == "deb")).ok_or("there is no package yet: cargo xtask dist")?;
    cmd!(sh, "packaging/try.sh {package}").run().map_err(text)
}
