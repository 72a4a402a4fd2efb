//! JSON read strictly: no name twice in an object, and no list where an object is wanted.
//!
//! The reader of the usual packages takes the last of two equal names, and a list in the order of an object's fields; either may be a slip
//! of whoever wrote it, and then means something else than was meant.

use serde::de::value::BorrowedStrDeserializer;
use serde::de::{DeserializeSeed, Deserializer, Error as _, MapAccess, SeqAccess, Visitor};
use serde::{Deserialize, forward_to_deserialize_any};
use serde_json::{Error, Map, Value};
use std::fmt;

/// Reads text into a value.
///
/// # Errors
/// What is not JSON, and where; or the name that stands twice.
pub fn read_value(text: &[u8]) -> Result<Value, Error> {
    let mut reader = serde_json::Deserializer::from_slice(text);
    let value = Once::deserialize(&mut reader)?;
    reader.end()?;
    Ok(value.0)
}

/// A value no object of which has a name twice.
struct Once(Value);

impl<'de> Deserialize<'de> for Once {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        deserializer.deserialize_any(OnceVisitor).map(Self)
    }
}

struct OnceVisitor;

impl<'de> Visitor<'de> for OnceVisitor {
    type Value = Value;

    fn expecting(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str("JSON")
    }

    fn visit_bool<E>(self, v: bool) -> Result<Value, E> {
        Ok(v.into())
    }

    fn visit_i64<E>(self, v: i64) -> Result<Value, E> {
        Ok(v.into())
    }

    fn visit_u64<E>(self, v: u64) -> Result<Value, E> {
        Ok(v.into())
    }

    fn visit_f64<E>(self, v: f64) -> Result<Value, E> {
        Ok(v.into())
    }

    fn visit_str<E>(self, v: &str) -> Result<Value, E> {
        Ok(v.into())
    }

    fn visit_unit<E>(self) -> Result<Value, E> {
        Ok(Value::Null)
    }

    fn visit_seq<A: SeqAccess<'de>>(self, mut list: A) -> Result<Value, A::Error> {
        let mut all = Vec::new();
        while let Some(Once(value)) = list.next_element()? {
            all.push(value);
        }
        Ok(Value::Array(all))
    }

    fn visit_map<A: MapAccess<'de>>(self, mut object: A) -> Result<Value, A::Error> {
        let mut all = Map::new();
        while let Some(name) = object.next_key::<String>()? {
            let Once(value) = object.next_value()?;
            if all.contains_key(&name) {
                return Err(A::Error::custom(format!("\u{201c}{name}\u{201d} stands twice in one object")));
            }
            all.insert(name, value);
        }
        Ok(Value::Object(all))
    }
}

/// A value to be read from, that is an object only where it is one.
pub(super) struct Strict<'v>(pub &'v Value);

impl<'de> Deserializer<'de> for Strict<'de> {
    type Error = Error;

    fn deserialize_any<V: Visitor<'de>>(self, visitor: V) -> Result<V::Value, Error> {
        match self.0 {
            Value::Array(list) => visitor.visit_seq(List(list.iter())),
            Value::Object(map) => visitor.visit_map(Object { rest: map.iter(), value: None }),
            other => other.deserialize_any(visitor),
        }
    }

    fn deserialize_struct<V: Visitor<'de>>(self, name: &'static str, fields: &'static [&'static str], visitor: V) -> Result<V::Value, Error> {
        match self.0 {
            Value::Array(_) => Err(Error::custom("a list stands where an object is wanted")),
            Value::Object(_) => self.deserialize_any(visitor),
            other => other.deserialize_struct(name, fields, visitor),
        }
    }

    fn deserialize_option<V: Visitor<'de>>(self, visitor: V) -> Result<V::Value, Error> {
        if self.0.is_null() { visitor.visit_none() } else { visitor.visit_some(self) }
    }

    fn deserialize_newtype_struct<V: Visitor<'de>>(self, _: &'static str, visitor: V) -> Result<V::Value, Error> {
        visitor.visit_newtype_struct(self)
    }

    fn deserialize_enum<V: Visitor<'de>>(self, name: &'static str, variants: &'static [&'static str], visitor: V) -> Result<V::Value, Error> {
        self.0.deserialize_enum(name, variants, visitor)
    }

    forward_to_deserialize_any! {
        bool i8 i16 i32 i64 i128 u8 u16 u32 u64 u128 f32 f64 char str string bytes byte_buf unit unit_struct seq tuple tuple_struct map
        identifier ignored_any
    }
}

struct List<'v>(std::slice::Iter<'v, Value>);

impl<'de> SeqAccess<'de> for List<'de> {
    type Error = Error;

    fn next_element_seed<S: DeserializeSeed<'de>>(&mut self, seed: S) -> Result<Option<S::Value>, Error> {
        self.0.next().map(|value| seed.deserialize(Strict(value))).transpose()
    }

    fn size_hint(&self) -> Option<usize> {
        Some(self.0.len())
    }
}

struct Object<'v> {
    rest: serde_json::map::Iter<'v>,
    value: Option<&'v Value>,
}

impl<'de> MapAccess<'de> for Object<'de> {
    type Error = Error;

    fn next_key_seed<S: DeserializeSeed<'de>>(&mut self, seed: S) -> Result<Option<S::Value>, Error> {
        let Some((name, value)) = self.rest.next() else { return Ok(None) };
        self.value = Some(value);
        seed.deserialize(BorrowedStrDeserializer::new(name)).map(Some)
    }

    fn next_value_seed<S: DeserializeSeed<'de>>(&mut self, seed: S) -> Result<S::Value, Error> {
        let value = self.value.take().ok_or_else(|| Error::custom("a value without a name"))?;
        seed.deserialize(Strict(value))
    }
}
