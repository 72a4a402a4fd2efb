//! Every house value, made from the code, is what `docs/house-values.md` says. `YOKE_WRITE=1 cargo test --test trials house_values`
//! writes it again (`cargo xtask api` does).

use crate::module_order::{crates, rust_files};
use quote::ToTokens;
use std::fmt::Write;
use syn::visit::Visit;
use yoke_core::rulebook::rules;

/// Constants and tables whose documentation says that they are the house's own.
#[derive(Default)]
struct Found {
    list: Vec<[String; 3]>,
}

fn doc(attributes: &[syn::Attribute]) -> String {
    let said = attributes.iter().filter(|a| a.path().is_ident("doc")).filter_map(|a| match &a.meta {
        syn::Meta::NameValue(pair) => match &pair.value {
            syn::Expr::Lit(syn::ExprLit { lit: syn::Lit::Str(text), .. }) => Some(text.value().trim().to_owned()),
            _ => None,
        },
        _ => None,
    });
    said.collect::<Vec<_>>().join(" ")
}

impl Found {
    fn keep(&mut self, attributes: &[syn::Attribute], name: &syn::Ident, value: String) {
        let says = doc(attributes);
        if says.contains("House value") {
            self.list.push([name.to_string(), value, says]);
        }
    }
}

impl<'ast> Visit<'ast> for Found {
    fn visit_item_const(&mut self, item: &'ast syn::ItemConst) {
        self.keep(&item.attrs, &item.ident, item.expr.to_token_stream().to_string());
    }

    fn visit_impl_item_fn(&mut self, item: &'ast syn::ImplItemFn) {
        self.keep(&item.attrs, &item.sig.ident, "a table: see there".into());
    }

    fn visit_item_fn(&mut self, item: &'ast syn::ItemFn) {
        self.keep(&item.attrs, &item.sig.ident, "a table: see there".into());
        syn::visit::visit_item_fn(self, item);
    }
}

fn page() -> String {
    let mut page = String::from(
        "# House values\n\nFigures that no standard gives: ours, each with what it stands for, to be bettered at the machine. Made from the \
         code; do not edit.\n\n| where | name | value | what |\n|---|---|---|---|\n",
    );
    for of in ["ground", "threads", "gears", "core"] {
        let source = crates().join(of).join("src");
        let mut paths = Vec::new();
        rust_files(&source, &mut paths);
        paths.sort();
        for path in paths {
            let mut found = Found::default();
            found.visit_file(&syn::parse_file(&std::fs::read_to_string(&path).unwrap()).unwrap());
            let place = path.strip_prefix(crates()).unwrap().display().to_string();
            for [name, value, says] in found.list {
                writeln!(page, "| `{place}` | `{name}` | `{}` | {} |", value.replace(" . ", ".").replace('|', "\\|"), says.replace('|', "\\|")).unwrap();
            }
        }
    }
    page.push_str("\n## Rules of the house\n\n| rule | what | formula | says |\n|---|---|---|---|\n");
    for rule in rules().into_iter().filter(|r| r.source.contains("house")) {
        writeln!(page, "| `{}` | {} | `{}` | {} |", rule.id, rule.title, rule.formula, rule.source).unwrap();
    }
    page
}

#[test]
fn the_list_of_house_values_is_what_the_code_says() {
    let path = crates().join("../docs/house-values.md");
    let page = page();
    if std::env::var_os("YOKE_WRITE").is_some() {
        std::fs::write(&path, &page).unwrap();
    }
    assert!(page.lines().count() > 60, "the values are found");
    assert!(std::fs::read_to_string(&path).unwrap_or_default() == page, "a house value changed: run `cargo xtask api` and commit docs/house-values.md");
}
