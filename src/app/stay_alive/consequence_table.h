// What follows of a stay-alive, a line each.
#pragma once

#include "app/table/table.h"
#include "core/analysis/stay_alive/consequences.h"

#include <vector>

namespace glimmet::app {

[[nodiscard]] TableContent consequenceTable(const std::vector<core::stay_alive::Consequence>& all);

}  // namespace glimmet::app
