//! Instruments that stand in, as the program runs them: over TCP and a pseudo-terminal, inch and metric, radius and diameter.

use std::io::{BufRead, BufReader, Read, Write};
use std::net::TcpStream;
use std::process::{Child, ChildStdout, Command, Stdio};
use std::time::{Duration, Instant};

/// One running, and where it says it speaks.
pub struct Standing {
    child: Child,
    says: BufReader<ChildStdout>,
    pub at: String,
}

impl Standing {
    pub fn start(arguments: &[&str]) -> Self {
        let mut command = Command::new(env!("CARGO_BIN_EXE_yoke-turn"));
        command.arg("stand-in").args(arguments).stdin(Stdio::piped()).stdout(Stdio::piped()).stderr(Stdio::piped());
        let mut child = command.spawn().unwrap();
        let mut at = String::new();
        let mut says = BufReader::new(child.stdout.take().unwrap());
        says.read_line(&mut at).unwrap();
        Self { child, says, at: at.trim().to_owned() }
    }

    /// One more line it prints.
    fn says(&mut self, line: &mut String) {
        self.says.read_line(line).unwrap();
    }

    pub fn listen(&self) -> BufReader<TcpStream> {
        let stream = TcpStream::connect(&self.at).unwrap();
        stream.set_read_timeout(Some(Duration::from_secs(5))).unwrap();
        BufReader::new(stream)
    }

    pub fn tell(&mut self, line: &str) {
        writeln!(self.child.stdin.as_mut().unwrap(), "{line}").unwrap();
    }
}

impl Drop for Standing {
    fn drop(&mut self) {
        let _ = self.child.kill();
        let _ = self.child.wait();
    }
}

/// The figures of a line `X… Z…`.
pub fn figures(line: &str) -> Vec<f64> {
    line.split_whitespace().map(|word| word.trim_start_matches(|c: char| c.is_ascii_alphabetic()).parse().unwrap()).collect()
}

/// Lines until one will do; how long it took.
pub fn until(from: &mut impl BufRead, mut will_do: impl FnMut(&str) -> bool) -> String {
    let end = Instant::now() + Duration::from_secs(20);
    loop {
        let mut line = String::new();
        from.read_line(&mut line).unwrap();
        if will_do(line.trim()) {
            return line;
        }
        assert!(Instant::now() < end, "it never came; the last was {line}");
    }
}

#[test]
fn a_readout_says_where_the_lathe_stands() {
    let script = tempfile::NamedTempFile::new().unwrap();
    std::fs::write(script.path(), "cross 1 at 20\ncarriage 40 at 100\n").unwrap();
    let file = script.path().to_str().unwrap();
    // Metric on radius; inch on diameter, the carriage counting the other way.
    for (more, wanted) in [(&["--interval", "20"][..], [1.0, 40.0]), (&["--inches", "--axes", "cross:diameter,-carriage"][..], [2.0 / 25.4, -40.0 / 25.4])] {
        let mut readout = Standing::start(&[&["readout", "--script", file], more].concat());
        let mut hears = readout.listen();
        until(&mut hears, |line| figures(line).iter().zip(wanted).all(|(a, b)| (a - b).abs() < 6e-4));
        // As many listen as like, and commands are typed at any time.
        let mut also = readout.listen();
        readout.tell("carriage 30 at 100");
        let moved = wanted[1] * 0.75;
        until(&mut also, |line| (figures(line)[1] - moved).abs() < 6e-4);
        until(&mut hears, |line| (figures(line)[1] - moved).abs() < 6e-4);
        // A cut cable says nothing more.
        readout.tell("cut");
        hears.get_ref().set_read_timeout(Some(Duration::from_millis(700))).unwrap();
        let (mut heard, began) = (String::new(), Instant::now());
        while hears.read_line(&mut heard).is_ok() {
            assert!(began.elapsed() < Duration::from_secs(5), "it goes on");
        }
        readout.tell("spindel 60");
        let mut said = BufReader::new(readout.child.stderr.take().unwrap());
        until(&mut said, |line| line.contains("`spindel` is not understood"));
    }
}

#[cfg(unix)]
#[test]
fn and_over_a_pseudo_terminal_likewise() {
    let mut readout = Standing::start(&["readout", "--pty", "--inches", "--line", "A: {0} {u} B: {1} {u}"]);
    let mut hears = BufReader::new(std::fs::File::open(&readout.at).unwrap_or_else(|e| panic!("{}: {e}", readout.at)));
    readout.tell("carriage 25.4 at 100");
    let line = until(&mut hears, |line| line.ends_with("B: +1.0000 in"));
    assert!(line.starts_with("A: "), "{line}");
}

#[test]
fn a_micrometer_sends_what_it_is_told() {
    for (arguments, wanted) in [(&["micrometer"][..], "18.256mm\r\n"), (&["micrometer", "--inches", "--line", "OK {0} {u}"][..], "OK 0.7187 in\r\n")] {
        let mut micrometer = Standing::start(arguments);
        let mut hears = micrometer.listen();
        // It is told once it is heard.
        std::thread::sleep(Duration::from_millis(300));
        micrometer.tell("send 18.256");
        let mut line = vec![0; wanted.len()];
        hears.read_exact(&mut line).unwrap();
        assert_eq!(String::from_utf8(line).unwrap(), wanted);
    }
}

const TIE_ROD: &str = r#"{"thread": {"callout": "M24x3-6g", "length_mm": 10}, "blank": {"diameter_mm": 23.9}, "setup": {"spindle_rpm": 120, "way": "toward"},
    "cut": {"style": "radial"}, "lathe": {"leadscrew": {"pitch_mm": 6}, "gears": [20, 24, 40, 48, 60, 100], "dial": {"teeth": 20, "marks": 4}}}"#;

/// A job on the lathe under the readout: its next pass at its own depth, and its thread measured as it is cut, with what springs.
#[test]
fn a_job_drives_the_readout_and_is_measured() {
    let file = tempfile::NamedTempFile::new().unwrap();
    std::fs::write(file.path(), TIE_ROD).unwrap();
    let job = file.path().to_str().unwrap();
    let mut standing = Standing::start(&["readout", "--plan", job, "--interval", "20", "--springs", "0.3", "--micrometer", "127.0.0.1:0"]);
    let mut micrometer = String::new();
    standing.says(&mut micrometer);
    let gauge = TcpStream::connect(micrometer.trim().strip_prefix("micrometer ").unwrap()).unwrap();
    gauge.set_read_timeout(Some(Duration::from_secs(40))).unwrap();
    let mut gauge = BufReader::new(gauge);
    let mut hears = standing.listen();
    // It stands with the point at the crest, the carriage clear of the end.
    let first = until(&mut hears, |line| figures(line).len() == 2);
    assert!(figures(&first)[0].abs() < 1e-9 && figures(&first)[1] > 10.0, "{first}");
    // Over the thread and in past the crest, deeper the second time.
    let mut passes = Vec::new();
    for _ in 0..2 {
        standing.tell("pass");
        let (mut deepest, mut inside) = (0.0_f64, false);
        until(&mut hears, |line| {
            let [x, z] = figures(line)[..] else { return false };
            let over = x > 0.0 && (1.0..9.0).contains(&z);
            deepest = if over { deepest.max(x) } else { deepest };
            let left = inside && !over;
            inside = over;
            left
        });
        passes.push(deepest);
    }
    assert!(passes[1] > passes[0] + 0.05, "{passes:?}");
    standing.tell("measure 2.5");
    let mut read = String::new();
    gauge.read_line(&mut read).unwrap();
    let read: f64 = read.trim().strip_suffix(" mm").unwrap().parse().unwrap();
    assert!((26.0..28.9).contains(&read), "{read}");
    assert!(Standing::start(&["readout", "--plan", job, "--drill", "stop_open", "--goes", "late"]).at.contains("127.0.0.1"));
}

#[test]
fn what_it_is_not_is_refused() {
    let wrong = tempfile::NamedTempFile::new().unwrap();
    std::fs::write(wrong.path(), "close\nuntil noon\n").unwrap();
    let file = wrong.path().to_str().unwrap();
    let [unread, read] = [r#"{"thread": {"callout": "M20x"}}"#, TIE_ROD].map(|text| {
        let file = tempfile::NamedTempFile::new().unwrap();
        std::fs::write(file.path(), text).unwrap();
        file
    });
    let [job, tie_rod] = [&unread, &read].map(|file| file.path().to_str().unwrap());
    for (arguments, says) in [
        (&["readout", "--axes", "sideways"][..], "no axis"),
        (&["readout", "--turns", "0/1"][..], "no fraction"),
        (&["readout", "--interval", "0"][..], "0"),
        (&["readout", "--script", file][..], "line 2: `until` what"),
        (&["readout", "--script", "/nowhere/at-all"][..], "/nowhere/at-all"),
        (&["readout", "--tcp", "here"][..], "here"),
        (&["readout", "--plan", job], "/thread/callout"),
        (&["readout", "--plan", tie_rod, "--drill", "sleep"], "`sleep` is no drill"),
        (&["readout", "--plan", tie_rod, "--drill", "stop_open", "--goes", "sideways"], "`sideways` is no way"),
        (&["readout", "--drill", "cycle"], "--plan"),
    ] {
        let out = Command::new(env!("CARGO_BIN_EXE_yoke-turn")).arg("stand-in").args(arguments).stdin(Stdio::null()).output().unwrap();
        let said = String::from_utf8(out.stderr).unwrap();
        assert!(out.status.code() == Some(2) && said.contains(says), "{arguments:?}: {said}");
    }
}
