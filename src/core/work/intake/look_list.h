// What to look at on a model that arrives, in the order in which hands go over it.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <string_view>
#include <vector>

namespace glimmet::core::intake {

struct LookItem {
    const char* id;     ///< "gears"
    const char* title;  ///< "Gears and shafts", to be translated
    const char* look;   ///< what to look for, to be translated
    bool fatal;         ///< what is bad here ends the job until it is mended
};

/// Of this kind of model, its age and feed; of unknown age both lists.
[[nodiscard]] std::vector<LookItem> lookList(const Job& job);
/// nullptr: no list has such an item.
[[nodiscard]] const LookItem* lookItem(std::string_view id);

/// How an item was found; nothing: not looked at.
[[nodiscard]] const LookedAt* lookedAt(const Job& job, std::string_view item);
/// The next on the list that nobody looked at; nothing: all were.
[[nodiscard]] std::optional<LookItem> nextToLook(const Job& job);

/// Where on the model an item is, for a spot; words such as "front" and "rear" move it.
struct Place {
    std::size_t unit = 0;
    Point at;
};
[[nodiscard]] Place placeOf(const Job& job, std::string_view item, std::string_view words,
                            std::size_t unit = 0);

}  // namespace glimmet::core::intake
