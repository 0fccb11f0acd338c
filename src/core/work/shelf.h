// Jobs of the shelf as lines about the workshop name them, and in what order they stand.
#pragma once

#include "core/jot/command.h"
#include "core/work/jot.h"

#include <optional>
#include <string_view>
#include <vector>

namespace glimmet::core {

[[nodiscard]] std::vector<jot::Named> shelfNames(const jot::Context& context);
/// Its number. Precondition: the name is one of shelfNames().
[[nodiscard]] int jobCalled(const jot::Context& context, std::string_view name);

/// The jobs from the left.
[[nodiscard]] std::vector<int> shelved(const WorkshopRecord& workshop, Shelf shelf);
/// A job before another one, or last. Precondition: they are on the shelf, and not the same.
[[nodiscard]] WorkshopJotResult putOnShelf(const WorkshopRecord& workshop, Shelf shelf, int job,
                                           std::optional<int> before);

}  // namespace glimmet::core
