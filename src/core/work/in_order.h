// Logs are kept in the order of their days, whenever a line of one was entered.
#pragma once

#include <algorithm>
#include <utility>
#include <vector>

namespace glimmet::core {

/// Puts an entry behind all that are as old or older. Entries have their ISO 8601 day in `on`.
template <class Entry>
void enterByDay(std::vector<Entry>& log, Entry entry) {
    auto at = log.end();
    while (at != log.begin() && entry.on < std::prev(at)->on) --at;
    log.insert(at, std::move(entry));
}

}  // namespace glimmet::core
