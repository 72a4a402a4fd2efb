//! Every refusal of every address is a problem that names its fields; every answer is as the description says, whatever is sent.

use crate::common::{Server, prove};
use reqwest::{Method, StatusCode};
use serde_json::{Map, Value, json};
use std::sync::Arc;

/// Numbers of one's own kind of chance.
struct Chance(u64);

impl Chance {
    fn below(&mut self, n: usize) -> usize {
        self.0 = self.0.wrapping_mul(6_364_136_223_846_793_005).wrapping_add(1_442_695_040_888_963_407);
        usize::try_from(self.0 >> 33).unwrap() % n.max(1)
    }

    fn of<'a, T>(&mut self, list: &'a [T]) -> &'a T {
        let at = self.below(list.len());
        &list[at]
    }
}

fn described() -> Value {
    serde_json::from_str(include_str!("../../../../web/openapi.json")).unwrap()
}

fn resolved<'a>(api: &'a Value, schema: &'a Value) -> &'a Value {
    match schema["$ref"].as_str() {
        Some(at) => resolved(api, api.pointer(&at[1..]).unwrap()),
        None => schema,
    }
}

/// Why a value is not as its schema says; none when it is.
fn against(api: &Value, schema: &Value, value: &Value, at: &str) -> Option<String> {
    let schema = resolved(api, schema);
    for part in schema["allOf"].as_array().into_iter().flatten() {
        if let Some(why) = against(api, part, value, at) {
            return Some(why);
        }
    }
    for any in ["oneOf", "anyOf"] {
        if let Some(of) = schema[any].as_array()
            && !of.iter().any(|s| against(api, s, value, at).is_none())
        {
            return Some(format!(
                "{at}: {value} is none of {any} {}",
                of.iter().map(|s| s["$ref"].as_str().unwrap_or("…").to_owned()).collect::<Vec<_>>().join(", ")
            ));
        }
    }
    if let Some(list) = schema["enum"].as_array()
        && !list.contains(value)
    {
        return Some(format!("{at}: {value} is none of {list:?}"));
    }
    let kinds: Vec<&str> = schema["type"].as_str().into_iter().chain(schema["type"].as_array().into_iter().flatten().filter_map(Value::as_str)).collect();
    let is = |kind: &str| match kind {
        "object" => value.is_object(),
        "array" => value.is_array(),
        "string" => value.is_string(),
        "integer" => value.is_i64() || value.is_u64(),
        "number" => value.is_number(),
        "boolean" => value.is_boolean(),
        "null" => value.is_null(),
        _ => false,
    };
    if !kinds.is_empty() && !kinds.iter().any(|k| is(k)) {
        return Some(format!("{at}: {value} is no {kinds:?}"));
    }
    if let Value::Object(map) = value {
        for wanted in schema["required"].as_array().into_iter().flatten().filter_map(Value::as_str) {
            if !map.contains_key(wanted) {
                return Some(format!("{at}: lacks {wanted}"));
            }
        }
        for (name, part) in map {
            let own = schema["properties"].get(name).or_else(|| Some(&schema["additionalProperties"]).filter(|s| s.is_object()));
            if let Some(why) = own.and_then(|s| against(api, s, part, &format!("{at}/{name}"))) {
                return Some(why);
            }
        }
    }
    let items = schema["items"].is_object().then_some(&schema["items"]);
    let list = value.as_array().into_iter().flatten().zip(0..);
    items.and_then(|s| list.into_iter().find_map(|(v, i)| against(api, s, v, &format!("{at}/{i}"))))
}

const TEXTS: [&str; 14] = [
    "M20x2.5",
    "1-1/4-5 Acme",
    "mild_steel",
    "long-bed",
    "bench",
    "1/1",
    "127/50",
    "",
    "2026-05-04T09:00:00Z",
    "\u{0}\u{1b}",
    "µ“”",
    "../../etc",
    "=1+1",
    "3/8",
];
const NUMBERS: [f64; 12] = [0.0, 1.0, 2.5, -1.0, 0.31, 20.0, 60.0, 1e9, 1e-9, 127.0, 29.5, 1e308];

/// A value as a schema says.
fn made(api: &Value, schema: &Value, chance: &mut Chance, deep: usize) -> Value {
    let schema = resolved(api, schema);
    if let Some(list) = schema["enum"].as_array() {
        return chance.of(list).clone();
    }
    for any in ["oneOf", "anyOf"] {
        if let Some(of) = schema[any].as_array() {
            let chosen = chance.of(of);
            return made(api, chosen, chance, deep);
        }
    }
    let mut out = Map::new();
    for part in schema["allOf"].as_array().into_iter().flatten() {
        if let Value::Object(map) = made(api, part, chance, deep) {
            out.extend(map);
        }
    }
    let kinds: Vec<&str> = schema["type"].as_str().into_iter().chain(schema["type"].as_array().into_iter().flatten().filter_map(Value::as_str)).collect();
    match kinds.first().copied().unwrap_or("object") {
        "string" => (*chance.of(&TEXTS)).into(),
        "integer" => (*chance.of(&[0_i64, 1, 2, 3, 8, 40, -1, 5_000_000_000])).into(),
        "number" => json!(chance.of(&NUMBERS)),
        "boolean" => (chance.below(2) == 0).into(),
        "array" => Value::Array((0..chance.below(if deep == 0 { 1 } else { 4 })).map(|_| made(api, &schema["items"], chance, deep - 1)).collect()),
        "null" => Value::Null,
        _ => {
            let wanted: Vec<&str> = schema["required"].as_array().into_iter().flatten().filter_map(Value::as_str).collect();
            for (name, part) in schema["properties"].as_object().into_iter().flatten() {
                if wanted.contains(&name.as_str()) || deep > 0 && chance.below(6) == 0 {
                    out.insert(name.clone(), made(api, part, chance, deep.saturating_sub(1)));
                }
            }
            Value::Object(out)
        }
    }
}

/// Spoils one place of a value.
fn spoilt(value: &mut Value, chance: &mut Chance) {
    match value {
        Value::Object(map) if !map.is_empty() && chance.below(4) > 0 => {
            let at = chance.below(map.len());
            if let Some(part) = map.values_mut().nth(at) {
                spoilt(part, chance);
            }
        }
        Value::Array(list) if !list.is_empty() && chance.below(4) > 0 => {
            let at = chance.below(list.len());
            spoilt(&mut list[at], chance);
        }
        Value::Object(map) if chance.below(2) == 0 => {
            map.insert("x".repeat(1 + chance.below(200)), json!(1));
        }
        _ => *value = chance.of(&[Value::Null, json!(-1e300), json!("x".repeat(300)), json!([]), json!({}), json!(true), json!([[[1]]])]).clone(),
    }
}

/// Whether an answer is a problem in the form of all others, and nothing sent comes back at length.
fn is_problem(api: &Value, status: StatusCode, kind: &str, body: &str) -> Result<(), String> {
    let problem: Value = serde_json::from_str(body).map_err(|e| format!("{e}: {body}"))?;
    let whole = against(api, &json!({"$ref": "#/components/schemas/Problem"}), &problem, "");
    let long = |s: &str| s.split(|c: char| c.is_whitespace() || "\u{201c}\u{201d}`\"".contains(c)).any(|word| word.chars().count() > 84);
    let said = |v: &Value| v.as_str().is_some_and(|s| long(s) || s.contains("variant identifier") || s.contains("expected struct"));
    let jargon = said(&problem["detail"]) || problem["faults"].as_array().into_iter().flatten().any(|f| said(&f["detail"]));
    let told = status != StatusCode::UNPROCESSABLE_ENTITY || !problem["faults"].as_array().is_none_or(Vec::is_empty);
    match (kind == "application/problem+json", whole, jargon, told, problem["status"] == json!(status.as_u16())) {
        (true, None, false, true, true) => Ok(()),
        other => Err(format!("{other:?}: {body}")),
    }
}

/// One request made by chance, sent, and its answer held against the description.
async fn one(server: &Server, api: &Value, operations: &[(String, String, Value)], ids: &[String], chance: &mut Chance) -> Result<u16, String> {
    let (path, method, operation) = chance.of(operations);
    let mut at = path.clone();
    let mut query = Vec::new();
    let mut headers = Vec::new();
    for p in operation["parameters"].as_array().into_iter().flatten() {
        let name = p["name"].as_str().unwrap();
        match p["in"].as_str().unwrap() {
            "path" => at = at.replace(&format!("{{{name}}}"), &chance.of(ids).replace('/', "%2F")),
            "query" if p["required"] == true || chance.below(2) == 0 => {
                let value = made(api, &p["schema"], chance, 1);
                query.push((name.to_owned(), value.as_str().map_or_else(|| value.to_string(), str::to_owned)));
            }
            "header" if chance.below(8) > 0 => headers.push((name.to_owned(), chance.below(4).to_string())),
            _ => {}
        }
    }
    let spoil = chance.below(2) == 0;
    let mut request = server.client.request(Method::from_bytes(method.to_uppercase().as_bytes()).unwrap(), format!("{}{at}", server.address)).query(&query);
    for (name, value) in &headers {
        request = request.header(name, value);
    }
    let content = operation["requestBody"]["content"].as_object().and_then(|c| c.iter().next());
    let mut sent = String::new();
    if let Some((kind, content)) = content {
        let mut body = made(api, &content["schema"], chance, 3);
        if spoil {
            spoilt(&mut body, chance);
        }
        sent = if kind == "application/json" { body.to_string() } else { body.as_str().unwrap_or_default().to_owned() };
        if spoil && chance.below(20) == 0 {
            sent.truncate(sent.char_indices().nth(chance.below(40)).map_or(sent.len(), |(i, _)| i));
        }
        request = request.header("content-type", kind).body(sent.clone());
    }
    let answer = request.send().await.map_err(|e| e.to_string())?;
    let status = answer.status();
    let kind = answer.headers().get("content-type").map_or("", |k| k.to_str().unwrap_or("")).to_owned();
    let body = answer.bytes().await.map_err(|e| e.to_string())?;
    let named = format!("{method} {at} {query:?} {}", sent.chars().take(600).collect::<String>());
    let text = String::from_utf8_lossy(&body).into_owned();
    let wrong = |why: String| Err(format!("{named}\n  {status}: {why}"));
    let responses = &operation["responses"];
    let code = status.as_u16();
    let range = format!("{}XX", code / 100);
    let said = responses.get(code.to_string()).or_else(|| responses.get(&range));
    let Some(said) = said.filter(|_| code < 500) else { return wrong(format!("not among the answers described: {text}")) };
    if code >= 400 {
        return is_problem(api, status, &kind, &text).map(|()| code).or_else(wrong);
    }
    if let Some(schema) = said["content"].get("application/json").map(|c| &c["schema"]) {
        let value: Value = serde_json::from_str(&text).map_err(|e| format!("{named}: {e}"))?;
        if let Some(why) = against(api, schema, &value, "") {
            return wrong(why);
        }
    }
    Ok(code)
}

#[tokio::test(flavor = "multi_thread", worker_threads = 4)]
async fn twenty_thousand_requests_made_by_chance_are_answered_as_described() {
    let folder = tempfile::tempdir().unwrap();
    let server = Arc::new(Server::start(folder.path(), &["--demo"]));
    let api = Arc::new(described());
    let mut operations = Vec::new();
    for (path, methods) in api["paths"].as_object().unwrap() {
        for (method, operation) in methods.as_object().unwrap() {
            // Those that never end.
            let streams = !operation["responses"]["200"]["content"]["text/event-stream"].is_null();
            if !streams && !matches!(method.as_str(), "parameters" | "summary") {
                operations.push((path.clone(), method.clone(), operation.clone()));
            }
        }
    }
    let (_, jobs) = server.get("/api/v1/jobs").await;
    let mut ids: Vec<String> = jobs.as_array().unwrap().iter().map(|j| j["id"].as_str().unwrap().to_owned()).collect();
    ids.extend(["long-bed", "bench", "gap-bed", "no such", "..", "a/b", "µ", "x"].map(str::to_owned));
    let (operations, ids) = (Arc::new(operations), Arc::new(ids));
    let each = prove(20_000) / 4;
    let senders: Vec<_> = (0..4_u64)
        .map(|sender| {
            let (server, api, operations, ids) = (Arc::clone(&server), Arc::clone(&api), Arc::clone(&operations), Arc::clone(&ids));
            tokio::spawn(async move {
                let mut chance = Chance(sender * 77 + 5);
                let (mut wrong, mut answers) = (Vec::new(), std::collections::BTreeMap::<u16, u32>::new());
                for _ in 0..each {
                    match one(&server, &api, &operations, &ids, &mut chance).await {
                        Ok(code) => *answers.entry(code).or_default() += 1,
                        Err(why) => wrong.push(why),
                    }
                }
                (wrong, answers)
            })
        })
        .collect();
    let (mut wrong, mut answers) = (Vec::new(), std::collections::BTreeMap::<u16, u32>::new());
    for sender in senders {
        let (w, a) = sender.await.unwrap();
        wrong.extend(w);
        a.into_iter().for_each(|(code, n)| *answers.entry(code).or_default() += n);
    }
    println!("{} requests: {answers:?}, {} not as described", prove(20_000), wrong.len());
    assert!(wrong.is_empty(), "{} of {}:\n{}", wrong.len(), prove(20_000), wrong.iter().take(12).cloned().collect::<Vec<_>>().join("\n\n"));
    assert!(answers[&200] > prove(20_000) / 10);
}

#[tokio::test]
async fn refusals_of_the_frame_itself_are_problems_too_and_what_was_sent_comes_back_short() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let api = described();
    let ask = async |method: Method, path: &str, body: String, headers: &[(&str, &str)]| {
        let mut request = server.client.request(method, format!("{}{path}", server.address)).body(body);
        for (name, value) in headers {
            request = request.header(*name, *value);
        }
        let answer = request.send().await.unwrap();
        let status = answer.status();
        let kind = answer.headers().get("content-type").map_or("", |k| k.to_str().unwrap()).to_owned();
        let body = answer.text().await.unwrap();
        is_problem(&api, status, &kind, &body).unwrap_or_else(|why| panic!("{path}: {why}"));
        (status.as_u16(), serde_json::from_str::<Value>(&body).unwrap())
    };
    let none = String::new;
    let long = "M".repeat(100_000);
    assert_eq!(ask(Method::DELETE, "/api/v1/plan", none(), &[]).await.0, 405);
    assert_eq!(ask(Method::GET, "/api/v1/nowhere", none(), &[]).await.0, 404);
    assert_eq!(ask(Method::POST, "/api/v1/plan", "x".repeat(300_000), &[]).await.0, 413);
    assert_eq!(ask(Method::POST, "/api/v1/plan", none(), &[]).await.0, 400);
    assert_eq!(ask(Method::GET, "/api/v1/jobs", none(), &[("Host", "elsewhere")]).await.0, 403);
    assert_eq!(ask(Method::GET, "/api/v1/jobs", none(), &[("Origin", "http://elsewhere")]).await.0, 403);
    let (status, answer) = ask(Method::GET, "/api/v1/lathes/long-bed/purchases?unit=ell", none(), &[]).await;
    assert_eq!((status, &answer["faults"][0]["pointer"]), (400, &json!("/unit")), "{answer}");
    assert_eq!(ask(Method::PATCH, "/api/v1/jobs/mill-bearing-stud", "{}".into(), &[]).await.0, 428);
    assert_eq!(ask(Method::PATCH, "/api/v1/jobs/mill-bearing-stud", "{}".into(), &[("If-Match", "soon")]).await.0, 428);
    // A name twice, and a list for an object, are refused by name.
    let (status, answer) = ask(Method::POST, "/api/v1/plan", r#"{"thread":{"callout":"M20","callout":"M12"}}"#.into(), &[]).await;
    assert_eq!(status, 400);
    assert!(answer["detail"].as_str().unwrap().contains("“callout” stands twice"), "{answer}");
    let (status, answer) = ask(Method::POST, "/api/v1/plan", r#"{"thread":["M20"],"bit":[60],"cut":{"style":5,"dial":[1]}}"#.into(), &[]).await;
    assert_eq!(status, 422);
    let faults: Vec<String> =
        answer["faults"].as_array().unwrap().iter().map(|f| format!("{} {}", f["pointer"].as_str().unwrap(), f["detail"].as_str().unwrap())).collect();
    for wanted in ["/thread a list stands where an object is wanted", "/bit a list stands", "/cut/style got integer `5`"] {
        assert!(faults.iter().any(|f| f.contains(wanted)), "{wanted}: {faults:?}");
    }
    // What was sent is said back to eighty letters.
    for body in [
        json!({"thread": {"callout": long}}),
        json!({"lathe_id": long, "thread": {"callout": "M20"}}),
        json!({long.clone(): 1}),
        json!({"thread": {"hand": long}}),
    ] {
        let (_, answer) = ask(Method::POST, "/api/v1/plan", body.to_string(), &[]).await;
        assert!(answer.to_string().len() < 3000, "{}", answer.to_string().len());
    }
    let (_, read) = server.post("/api/v1/callout", json!({"text": long})).await;
    assert!(read.to_string().len() < 1000, "{}", read.to_string().len());
    // All faults of an act at once.
    let path = "/api/v1/jobs/mill-bearing-stud/acts/%0a";
    let (status, answer) = ask(Method::PUT, path, r#"{"act":{"kind":"note","text":""},"happened":"noon","source":""}"#.into(), &[]).await;
    let pointers: Vec<&str> = answer["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (422, vec!["/id", "/act/text", "/happened", "/source"]), "{answer}");
}
