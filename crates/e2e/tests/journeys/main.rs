//! Every browser journey, in one program.
#![allow(missing_docs, clippy::unwrap_used, clippy::panic)]
#![allow(clippy::too_many_lines)] // a journey is told whole

mod at_the_door;
mod bit;
mod chased;
mod describing;
mod five_jobs;
mod gauge;
mod gears;
mod instruments;
mod journeys;
mod kept;
mod log;
mod mates;
mod one_look;
mod paper;
mod parts;
mod rehearse;
mod set_up_and_cut;
mod shop;
mod threads_and_blanks;
mod voices;
mod whole_parts;
