// How a jot names a lamp circuit or one row of it: "front lamp", "front", "white", "front lamp/2".
#pragma once

#include "core/job/jot/words.h"

namespace glimmet::core::jot {

struct RowAddress {
    std::size_t circuit = 0;
    std::size_t row = 0;
    bool wholeCircuit = true;
};

/// By exact name first, else by the beginning of a name, an output or a wire, if only one fits.
[[nodiscard]] Result<RowAddress> addressed(const Job& job, const std::string& typed);

/// NAME … VALUE: the last word is the value, what stands before it names the circuit.
struct NamedValue {
    RowAddress address;
    std::string value;
};
[[nodiscard]] Result<NamedValue> namedValue(const Line& line, const char* example);

}  // namespace glimmet::core::jot
