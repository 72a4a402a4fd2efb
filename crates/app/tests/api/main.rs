//! Every trial of the server, over HTTP on a real database, in one program.
#![allow(missing_docs, clippy::unwrap_used, clippy::panic)]
#![allow(clippy::too_many_lines)] // a story is told whole

mod api;
mod api_drift;
mod at_the_door;
mod chased;
mod common;
mod doctor;
mod drafting;
mod folders;
mod following;
mod gauging;
mod ids;
mod lathes;
mod logging;
mod mates;
mod merge_patch;
mod parts_and_batches;
mod power_cuts;
mod refusals;
mod rehearsing;
mod shop_files;
mod stand_ins;
mod stored_true;
mod voices;
