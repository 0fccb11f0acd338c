// What the rows of a lamp group go by.
#pragma once

#include "core/finding/finding.h"
#include "core/record/lamps.h"

#include <algorithm>
#include <optional>
#include <string>

namespace glimmet::core::lamps {

/// "front lamp", or "front lamp/2" where there are several.
[[nodiscard]] inline std::string rowName(const LampGroup& group, std::size_t row) {
    if (group.rows.size() == 1) return group.name;
    return group.name + "/" + std::to_string(row + 1);
}

/// What a row is told as where `same` holds of two rows that say the same: the whole group's name
/// on its first row where all of them do, nothing on the others then, else its own name.
template <class Same>
[[nodiscard]] std::optional<std::string> toldAs(const LampGroup& group, std::size_t row,
                                                Same same) {
    const bool all = std::all_of(group.rows.begin(), group.rows.end(), [&](const LampRow& each) {
        return each.lamps == group.rows.front().lamps &&
               each.resistor == group.rows.front().resistor && same(each, group.rows.front());
    });
    if (!all) return rowName(group, row);
    return row == 0 ? std::optional(group.name) : std::nullopt;
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
