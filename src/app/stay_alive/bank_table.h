// The banks of the catalogue side by side, the best first: what each comes to on this job. A row
// that is pressed is fitted.
#pragma once

#include "app/table/table.h"
#include "core/work/stay_alive/bank_cells.h"

#include <vector>

namespace glimmet::app {

[[nodiscard]] TableContent bankTable(const std::vector<core::stay_alive::BankRow>& rows);

}  // namespace glimmet::app
