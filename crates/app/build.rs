//! Rebuilds when the web app was rebuilt; never builds it.

fn main() {
    println!("cargo:rerun-if-changed=../../web/dist");
}
