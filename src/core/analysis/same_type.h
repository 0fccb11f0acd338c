// Another model of the same type on the shelf: what it takes, which decoder it has.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <string>

namespace glimmet::core {

struct SameType {
    int job = 0;  ///< its number on the shelf
    std::string name;
    std::optional<TakenReading> light;  ///< the last light-running one whose volts are known
    std::string decoder;                ///< id; empty: none is fitted
};

[[nodiscard]] SameType sameTypeOf(int id, const Job& job);

}  // namespace glimmet::core
