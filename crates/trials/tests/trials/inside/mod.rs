//! The parts inside the plan, each by itself.

mod collars;
mod dial;
mod estimate;
mod exact;
mod faults;
mod kit;
mod known_threads;
mod lengths;
mod materials;
mod names_read_back;
mod rules;
mod schedule;
mod series;
mod shown;
mod tables;
mod watch_codes;
mod wire_bears;
mod working_sheet;
