// A filament bulb as it is sold: a plain value, as records and catalogues keep it.
#pragma once

#include "core/quantity/quantities.h"

namespace glimmet::core {

struct FilamentRating {
    Volts rated{};      ///< > 0
    Amperes current{};  ///< hot, at `rated`; > 0
    bool operator==(const FilamentRating&) const = default;
};

}  // namespace glimmet::core
