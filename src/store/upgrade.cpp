#include "store/upgrade.h"

#include <nlohmann/json.hpp>

#include <cassert>

namespace glimmet::store {

std::span<const Upgrade> jobUpgrades() { return {}; }

nlohmann::json upgraded(nlohmann::json document, int from, std::span<const Upgrade> steps) {
    assert(from >= 1 && static_cast<std::size_t>(from) <= steps.size() + 1);
    for (const Upgrade step : steps.subspan(static_cast<std::size_t>(from) - 1)) step(document);
    return document;
}

}  // namespace glimmet::store
