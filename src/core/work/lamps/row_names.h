// What the rows of a lamp group go by.
#pragma once

#include "core/finding/finding.h"
#include "core/record/lamps.h"

#include <string>

namespace glimmet::core::lamps {

/// "front lamp", or "front lamp/2" where there are several.
[[nodiscard]] inline std::string rowName(const LampGroup& group, std::size_t row) {
    if (group.rows.size() == 1) return group.name;
    return group.name + "/" + std::to_string(row + 1);
}

/// The same by ids, which stay when a lamp is renamed: "L3/2".
[[nodiscard]] inline std::string rowId(const LampGroup& group, std::size_t row) {
    return group.rows.size() == 1 ? group.id : group.id + "/" + std::to_string(row + 1);
}

[[nodiscard]] inline Subject subjectOf(const LampGroup& group) { return {group.id, group.name}; }

/// A name at the start of a sentence. Names of lamps are the user's; only ASCII is raised.
[[nodiscard]] inline std::string atStart(std::string called) {
    if (!called.empty() && called.front() >= 'a' && called.front() <= 'z') {
        called.front() = static_cast<char>(called.front() - 'a' + 'A');
    }
    return called;
}

}  // namespace glimmet::core::lamps
