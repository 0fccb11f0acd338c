// What is asked of a bench meter and how its answers read: SCPI-99 and IEEE 488.2 as text lines.
#pragma once

#include "core/quantity/dimension.h"
#include "core/result.h"

#include <cstdint>
#include <string>
#include <string_view>

namespace glimmet::core::scpi {

inline constexpr const char* identity = "*IDN?";
/// "MEAS:VOLT:DC?" for volts, amperes, ohms; nullptr for what no bench meter measures.
[[nodiscard]] const char* query(Dimension dimension);

/// The number of an answer in SI, in any of the forms of IEEE 488.2 (NR1 "12", NR2 "12.02", NR3
/// "+1.202E+01"). Errors, each with a sentence: Unreadable for what is no number or not the only
/// one; OutOfRange for 9.9E+37 (SCPI-99, 7.2.1.4: beyond the range, an open circuit) and 9.91E+37
/// (not a number).
[[nodiscard]] Result<double> reading(std::string_view answer);

/// What "HOST:PORT" says. The port may be left out: 5025, which SCPI over TCP is registered at.
/// Errors: NotUnderstood.
struct Address {
    std::string host;
    std::uint16_t port = 5025;
    bool operator==(const Address&) const = default;
};
[[nodiscard]] Result<Address> address(std::string_view words);

}  // namespace glimmet::core::scpi
