// What an owner's words tell of, as far as a check depends on it.
#pragma once

#include "core/record/job.h"

namespace glimmet::core {

/// Somebody says that it loses power as it runs: it stalls, stutters, cuts out, hesitates on
/// points.
[[nodiscard]] bool complainsOfStalls(const Job& job);

}  // namespace glimmet::core
