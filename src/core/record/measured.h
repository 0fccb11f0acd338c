// A value and when it was read.
#pragma once

#include <string>

namespace glimmet::core {

/// A value read at the bench and the day it was read (ISO 8601, may be empty).
template <class Quantity>
struct Measured {
    Quantity value{};
    std::string on;
    bool operator==(const Measured&) const = default;
};

}  // namespace glimmet::core
