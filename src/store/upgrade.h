// How a document of an older format becomes one of the present, step by step, as JSON: before
// anything of it is read, so that the reader knows one format only. Each older format has its own
// schema, frozen as it was, by which a document is checked before it is changed.
#pragma once

#include "store/json_fields.h"

#include <nlohmann/json_fwd.hpp>

#include <span>
#include <vector>

namespace glimmet::store {

struct OlderFormat {
    /// The JSON Schema of the format.
    const nlohmann::json& (*schema)();
    /// Changes a document that keeps to it into one of the next format, its "version" included.
    void (*step)(nlohmann::json& document);
};

/// The older formats of the job and of the catalogue, from format 1.
[[nodiscard]] std::span<const OlderFormat> olderJobs();
[[nodiscard]] std::span<const OlderFormat> olderCatalogues();

/// A document that says it is of format `from`, brought to the format after the last of `older`;
/// as it was, with faults, where it does not keep to its own. Precondition: 1 <= from <= older.
[[nodiscard]] nlohmann::json upgraded(nlohmann::json document, int from,
                                      std::span<const OlderFormat> older,
                                      std::vector<Fault>& faults);

}  // namespace glimmet::store
