// Checks a document by a JSON Schema: as much of draft 2020-12 as the frozen schemas of older
// formats use (type, const, enum, required, properties, additionalProperties false,
// dependentRequired, items, bounds of numbers, texts and lists, if/then, $ref into $defs).
#pragma once

#include "store/json_fields.h"

#include <nlohmann/json_fwd.hpp>

#include <vector>

namespace glimmet::store {

/// Adds a fault for whatever does not keep to the schema.
void checked(const nlohmann::json& document, const nlohmann::json& schema,
             std::vector<Fault>& faults);

}  // namespace glimmet::store
