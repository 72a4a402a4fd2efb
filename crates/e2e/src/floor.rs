//! A shop's network on one machine: hosts in network namespaces, on one switch, each with a cable that can be pulled. Linux, as root.

use std::path::PathBuf;
use std::process::{Command, Output};

/// The switch and what hangs on it; gone when dropped.
pub struct Floor {
    /// Its namespaces, the switch's first.
    spaces: Vec<String>,
    links: Vec<String>,
}

/// Runs a command and gives what it said.
///
/// # Panics
/// When it fails.
pub fn run(line: &str) -> String {
    let output = said(line);
    assert!(output.status.success(), "{line}: {}", String::from_utf8_lossy(&output.stderr));
    String::from_utf8_lossy(&output.stdout).into_owned()
}

/// Runs a command, however it ends.
///
/// # Panics
/// When there is no shell.
pub fn said(line: &str) -> Output {
    Command::new("sh").args(["-c", line]).output().expect("there is a shell")
}

impl Floor {
    /// A switch with nothing on it.
    #[must_use]
    pub fn laid() -> Self {
        let switch = format!("yt{}-switch", std::process::id());
        let floor = Self { spaces: vec![switch], links: Vec::new() };
        let switch = &floor.spaces[0];
        run(&format!("ip netns add {switch} && ip -n {switch} link add br0 type bridge && ip -n {switch} link set br0 up"));
        floor
    }

    /// A host on the switch, at 10.77.0.`n`; its namespace.
    pub fn host(&mut self, name: &str, n: u8) -> String {
        let (space, switch) = (format!("yt{}-{name}", std::process::id()), self.spaces[0].clone());
        self.spaces.push(space.clone());
        run(&format!(
            "ip netns add {space} && ip -n {space} link set lo up && ip link add {name} netns {switch} type veth peer name eth0 netns {space} && \
             ip -n {switch} link set {name} master br0 up && ip -n {space} addr add 10.77.0.{n}/24 dev eth0 && ip -n {space} link set eth0 up"
        ));
        space
    }

    /// A line of its own to a host, for whoever drives its browser: at 10.78.`n`.2 there, 10.78.`n`.1 here.
    pub fn line(&mut self, space: &str, n: u8) {
        let line = format!("yt{}-{n}", std::process::id());
        run(&format!(
            "ip link add {line} type veth peer name line0 netns {space} && ip addr add 10.78.{n}.1/30 dev {line} && ip link set {line} up && \
             ip -n {space} addr add 10.78.{n}.2/30 dev line0 && ip -n {space} link set line0 up"
        ));
        self.links.push(line);
    }

    /// Pulls a host's cable at the switch, or plugs it in.
    pub fn cable(&self, name: &str, plugged: bool) {
        run(&format!("ip -n {} link set {name} {}", self.spaces[0], if plugged { "up" } else { "down" }));
    }

    /// What a host takes names to be, besides its own.
    ///
    /// # Panics
    /// When it cannot be written.
    pub fn names(space: &str, names: &[(&str, &str)]) {
        let folder = PathBuf::from("/etc/netns").join(space);
        std::fs::create_dir_all(&folder).expect("it is made");
        let lines: String = names.iter().map(|(name, at)| format!("{at} {name}\n")).collect();
        // Written into the file that is there: what runs has it laid over its own.
        std::fs::write(folder.join("hosts"), format!("127.0.0.1 localhost\n{lines}")).expect("it is written");
    }
}

impl Drop for Floor {
    fn drop(&mut self) {
        for link in &self.links {
            let _ = said(&format!("ip link del {link}"));
        }
        for space in &self.spaces {
            let _ = said(&format!("ip netns pids {space} | xargs -r kill -KILL; ip netns del {space}; rm -rf /etc/netns/{space}"));
        }
    }
}
