//! The voice an answer is spoken in, as its request asks for it: `unit` and `words` in the query, else as what it is about says itself.

use axum::extract::{FromRequestParts, Query};
use axum::http::request::Parts;
use axum::response::{IntoResponse, Response};
use serde::Deserialize;
use serde::de::DeserializeOwned;
use serde_json::Value;
use utoipa::{IntoParams, ToSchema};
use yoke_core::quantity::LengthUnit;
use yoke_core::thread::callout;
use yoke_core::voice::{Stands, Voice};
use yoke_core::words::Vocabulary;
use yoke_store::JobRow;

/// The unit texts are asked in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, ToSchema, clap::ValueEnum)]
#[serde(rename_all = "lowercase")]
pub enum AskedUnit {
    /// Millimetres.
    Mm,
    /// Inches.
    In,
    /// The thread's own.
    Auto,
}

/// What the query says of the voice.
#[derive(Debug, Clone, Copy, Default, Deserialize, IntoParams)]
#[serde(default)]
#[into_params(parameter_in = Query)]
pub struct Asked {
    /// The unit texts are spoken in; as the job says, else millimetres, when absent.
    #[param(inline)]
    unit: Option<AskedUnit>,
    /// The trade words; as the job says when absent.
    #[param(inline)]
    words: Option<Vocabulary>,
    /// Where it is read: at the bench the letters of its drawings are the larger.
    #[param(inline)]
    stands: Option<Stands>,
}

/// Reads trade words as the command line has them.
///
/// # Errors
/// Says what there is to choose from.
pub fn words(text: &str) -> Result<Vocabulary, String> {
    serde_json::from_value(Value::from(text)).map_err(|_| "american, british or german".to_owned())
}

impl Asked {
    /// As it was told.
    #[must_use]
    pub const fn new(unit: Option<AskedUnit>, words: Option<Vocabulary>) -> Self {
        Self { unit, words, stands: None }
    }

    /// For what is about no job.
    #[must_use]
    pub fn plain(self) -> Voice {
        self.of(&Value::Null)
    }

    /// For what is about a plan request, as JSON.
    #[must_use]
    pub fn of(self, request: &Value) -> Voice {
        let unit = match self.unit {
            Some(AskedUnit::Mm) => LengthUnit::Mm,
            Some(AskedUnit::In) => LengthUnit::In,
            Some(AskedUnit::Auto) if counts_by_the_inch(request) => LengthUnit::In,
            Some(AskedUnit::Auto) => LengthUnit::Mm,
            None => own(&request["unit"]),
        };
        Voice {
            unit,
            words: self.words.unwrap_or_else(|| own(&request["words"])),
            stands: self.stands.unwrap_or_else(|| own(&request["stands"])),
            ..Voice::default()
        }
    }

    /// For what is about a lathe: its own is that of its leadscrew.
    #[must_use]
    pub fn of_lathe(self, profile: &Value) -> Voice {
        let by_the_inch = profile["leadscrew"]["pitch_mm"].is_null();
        let own = if by_the_inch { AskedUnit::In } else { AskedUnit::Mm };
        let unit = self.unit.map(|asked| if asked == AskedUnit::Auto { own } else { asked });
        Self { unit, ..self }.plain()
    }

    /// For what is about a job. Its facts are read only where the query leaves something to them; facts that do not read are told of by
    /// whoever needs them.
    #[must_use]
    pub fn of_job(self, job: &JobRow) -> Voice {
        if matches!((self.unit, self.words), (Some(AskedUnit::Mm | AskedUnit::In), Some(_))) {
            return self.plain();
        }
        self.of(&serde_json::from_str(&job.request).unwrap_or(Value::Null))
    }
}

/// What a request says itself, the default where it says nothing that reads.
fn own<T: DeserializeOwned + Default>(told: &Value) -> T {
    serde_json::from_value(told.clone()).unwrap_or_default()
}

/// Whether a request's thread is one of the inch.
fn counts_by_the_inch(request: &Value) -> bool {
    let thread = &request["thread"];
    let read = || thread["callout"].as_str().and_then(|text| callout::read(text).ok()).is_some_and(|spec| spec.is_inch());
    !thread["special"]["tpi"].is_null() || read()
}

impl<S: Send + Sync> FromRequestParts<S> for Asked {
    type Rejection = Response;

    async fn from_request_parts(parts: &mut Parts, state: &S) -> Result<Self, Response> {
        Query::from_request_parts(parts, state).await.map(|Query(asked)| asked).map_err(IntoResponse::into_response)
    }
}
