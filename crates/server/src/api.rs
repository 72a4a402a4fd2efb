//! The routes of the API, each named once: served at once, described only when the description is asked for, which takes as long as a
//! start may.

use crate::state::App;
use axum::Router;
use axum::extract::DefaultBodyLimit;
use axum::routing::MethodRouter;
use utoipa::openapi::OpenApi;
use utoipa_axum::router::{OpenApiRouter, UtoipaMethodRouter};

/// Operations at one address: as they are served, and how they are described.
pub struct Routes {
    /// Where they are.
    pub at: String,
    /// What answers there.
    pub served: MethodRouter<App>,
    /// Their description.
    pub told: fn() -> UtoipaMethodRouter<App>,
}

/// The operations of handlers that share an address.
macro_rules! routes {
    ($($handler:path),+ $(,)?) => {{
        use utoipa_axum::PathItemExt;
        let (mut at, mut served) = (String::new(), axum::routing::MethodRouter::new());
        $(
            utoipa_axum::paste! {
                at.replace_range(.., &utoipa_axum::routes!(@path [path()] of $handler));
                for method in utoipa_axum::routes!(@path [methods()] of $handler) {
                    served = served.on(method.to_method_filter(), $handler);
                }
            }
        )+
        $crate::api::Routes { at, served, told: || utoipa_axum::routes!($($handler),+) }
    }};
}
pub(crate) use routes;

/// Many of them.
#[derive(Default)]
pub struct Api {
    router: Router<App>,
    told: Vec<fn() -> UtoipaMethodRouter<App>>,
}

impl Api {
    /// These too.
    pub fn routes(mut self, Routes { at, served, told }: Routes) -> Self {
        self.router = self.router.route(&at, served);
        self.told.push(told);
        self
    }

    /// These too, whose requests may be so long, bytes.
    pub fn longer(self, most: usize, routes: Routes) -> Self {
        self.routes(Routes { served: routes.served.layer(DefaultBodyLimit::max(most)), ..routes })
    }

    /// Those of another too.
    pub fn merge(mut self, other: Self) -> Self {
        self.router = self.router.merge(other.router);
        self.told.extend(other.told);
        self
    }

    /// As they are served.
    pub fn served(self) -> Router<App> {
        self.router
    }

    /// How they are described, under what is said of them all.
    pub fn described(self, all: OpenApi) -> OpenApi {
        self.told.into_iter().fold(OpenApiRouter::with_openapi(all), |all, told| all.routes(told())).to_openapi()
    }
}
