// A line that changes the rows which it names, and says so behind their name.
#pragma once

#include "core/work/jotted.h"
#include "core/work/lamps/addressing.h"

#include <utility>

namespace glimmet::core::lamps {

/// `change` is made to each row of the address; `what` in words after its name.
template <class Change>
Result<JotResult> rowsChanged(const jot::ParsedLine& said, const RowAddress& address, Text what,
                              Change change) {
    const LampGroup& before = said.context.job.groups[address.group];
    JotResult result = jotted(said, text("%1: %2", rowOf(before, address), std::move(what)));
    result.subject = before.id;
    std::vector<LampRow>& rows = result.after.groups[address.group].rows;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        if (address.wholeCircuit || i == address.row) change(rows[i]);
    }
    return result;
}

}  // namespace glimmet::core::lamps
