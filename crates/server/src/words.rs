//! The trade words of the shop, chosen once for all its screens.

use crate::body::Sent;
use crate::day::OWNER;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed};
use axum::Json;
use axum::extract::State;
use serde::{Deserialize, Serialize};
use serde_json::json;
use std::collections::BTreeMap;
use std::sync::OnceLock;
use utoipa::ToSchema;
use yoke_core::says;
use yoke_core::words::Vocabulary;
use yoke_store::Store;

/// What the choice is kept as.
pub const KIND: &str = "words";

/// The words chosen.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct ShopWords {
    /// Which trade words.
    pub words: Vocabulary,
}

/// The words chosen, and in them what the pages say of themselves.
#[derive(Serialize, ToSchema)]
pub struct WordsView {
    /// Which trade words.
    words: Vocabulary,
    /// What stands for each key, for whoever makes sentences of his own.
    says: BTreeMap<&'static str, &'static str>,
    /// What the pages say of themselves, by name; a part stands as its name between braces.
    texts: &'static BTreeMap<String, String>,
}

/// The texts of the pages in some words: put together once, since every page that opens waits for them.
fn texts(words: Vocabulary) -> &'static BTreeMap<String, String> {
    static MADE: [OnceLock<BTreeMap<String, String>>; 3] = [const { OnceLock::new() }; 3];
    MADE[words as usize].get_or_init(|| says::pages(words, says::is_of_pages))
}

fn view(words: Vocabulary) -> WordsView {
    WordsView { words, says: words.terms().collect(), texts: texts(words) }
}

fn kept(store: &Store) -> Result<ShopWords, Failed> {
    Ok(store.sheet(OWNER, KIND)?.map(|row| stored::sheet(&row)).transpose()?.unwrap_or_default())
}

/// The trade words of the shop.
#[utoipa::path(get, path = "/api/v1/words", responses((status = 200, body = WordsView)))]
pub async fn words(State(app): State<App>) -> Result<Json<WordsView>, Problem> {
    Ok(Json(view(app.with_store(kept).await?.words)))
}

/// Chooses them.
#[utoipa::path(put, path = "/api/v1/words", request_body = ShopWords, responses((status = 200, body = WordsView), (status = 422, body = Problem)))]
pub async fn put_words(State(app): State<App>, Sent { read: chosen, faults }: Sent<ShopWords>) -> Result<Json<WordsView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    app.with_store(move |store| Ok(store.set_sheet(OWNER, KIND, Some(&json!(chosen).to_string()))?)).await?;
    JobChanged::tell_all(&app);
    Ok(Json(view(chosen.words)))
}
