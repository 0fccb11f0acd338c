// A lamp group on other supply volts, side by side; a row that is pressed hangs it there.
#pragma once

#include "app/table/table.h"
#include "core/analysis/lamps/other_volts.h"

#include <vector>

namespace glimmet::app {

[[nodiscard]] TableContent voltsTable(const std::vector<core::lamps::OnVolts>& all);

}  // namespace glimmet::app
