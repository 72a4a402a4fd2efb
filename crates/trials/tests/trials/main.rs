//! Every trial of the core, in one program: linked once, run side by side.
#![allow(missing_docs, clippy::unwrap_used, clippy::panic)]
#![allow(clippy::too_many_lines)] // a trial is told whole

mod asked;
mod at_the_lathe;
mod batches;
mod bench_work;
mod beside;
mod bits;
mod blanks;
mod board;
mod buttress;
mod callouts;
mod chased;
mod contract;
mod demo_jobs;
mod draughting;
mod drawers;
mod drawings;
mod every_cure;
mod every_form_at_the_lathe;
mod families;
mod gauging;
mod gears;
mod grooves;
mod held_and_ended;
mod honest_jobs;
mod house_values;
mod identifying;
mod inside;
mod kinds;
mod last_cuts;
mod limits;
mod mate_reach;
mod module_order;
mod motion;
mod one_voice;
mod own_figures;
mod pairs;
mod plan;
mod published;
mod readings;
mod routes;
mod seats;
mod sentences;

mod setting_up;
mod shop;
mod shop_of_the_day;
mod stopping;
mod stories;
mod test_pieces;
mod trains;
mod troubles;
mod untold;
mod untold_lathe;
mod whole_part;
