// What the meter found at two empty pads of a board: "pads C7 12.8V".
#pragma once

#include "core/work/jotted.h"

namespace glimmet::core::stay_alive {

[[nodiscard]] Result<JotResult> pads(const jot::ParsedLine& said);
[[nodiscard]] std::vector<jot::Named> bridgeNames(const jot::Context&);
[[nodiscard]] std::vector<jot::Named> padsGone(const jot::Context&);

inline constexpr jot::Argument padsArguments[] = {
    {.what = "PADS", .kind = jot::Argument::Kind::Words},
    {.what = "CALLED", .kind = jot::Argument::Kind::Words, .after = "called"},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = -40, .most = 40, .zero = true},
    {.what = "AC",
     .after = "ac",
     .dimension = Dimension::Voltage,
     .least = 1e-3,
     .most = 40,
     .zero = true},
    {.what = "OHMS", .dimension = Dimension::Resistance, .least = 0.1, .most = 1e7, .zero = true},
    {.what = "DID", .kind = jot::Argument::Kind::Name, .after = "bridged", .names = bridgeNames},
    {.what = "GONE", .kind = jot::Argument::Kind::Name, .names = padsGone}};
inline constexpr const char* padsExamples[] = {"pads C7 12.8V", "pads C7 100R",
                                               "pads C7 bridged nothing"};
inline constexpr const char* padsNoise[] = {"at", "the", "empty", "volts"};

inline constexpr jot::Command padsCommand{
    "pads",
    {},
    padsArguments,
    padsExamples,
    "two empty pads of a board: DC volts, red lead at the marked pad; ac 14V; ohms to the blue "
    "wire; what joining them did",
    pads,
    false,
    padsNoise};

}  // namespace glimmet::core::stay_alive
