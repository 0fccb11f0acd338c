// How a document of an older format becomes one of the present, step by step, as JSON: before
// anything of it is read, so that the reader knows one format only.
#pragma once

#include <nlohmann/json_fwd.hpp>

#include <span>

namespace glimmet::store {

/// Changes a document that keeps to one format into the same of the next, its "version" included.
using Upgrade = void (*)(nlohmann::json& document);

/// The steps of the job's format: the first leads from format 1 to 2. None yet.
[[nodiscard]] std::span<const Upgrade> jobUpgrades();

/// A document of format `from`, brought to the format that the steps lead to.
/// Precondition: 1 <= from <= steps.size() + 1, and the document keeps to that format.
[[nodiscard]] nlohmann::json upgraded(nlohmann::json document, int from,
                                      std::span<const Upgrade> steps = jobUpgrades());

}  // namespace glimmet::store
