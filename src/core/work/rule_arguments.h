// What the lines of rules take, of a job and of the house alike.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core::jot {

inline std::vector<Named> ruleNames(const Context&) {
    return {{"strict", {}, "continuous rating above the stall current"},
            {"slip", {"slipping"}, "continuous above slipping, peak above stall"},
            {"running", {}, "continuous above 1.25 × what it runs with"}};
}
inline std::vector<Named> seriesNames(const Context&) {
    return {{"E6", {}, "20 %"}, {"E12", {}, "10 %"}, {"E24", {}, "5 %"}, {"E96", {}, "1 %"}};
}
inline std::vector<Named> mainsNames(const Context&) {
    return {{"50Hz", {"50 Hz", "50"}, "most of the world"},
            {"60Hz", {"60 Hz", "60"}, "the Americas"}};
}
inline constexpr Argument mainsArgument{.what = "NAME",
                                        .kind = Argument::Kind::Name,
                                        .needed = true,
                                        .missing = "Which: 50Hz or 60Hz?",
                                        .names = mainsNames};
inline constexpr Argument ruleArgument{.what = "NAME",
                                       .kind = Argument::Kind::Name,
                                       .needed = true,
                                       .missing = "Which rule: strict, slip or running?",
                                       .names = ruleNames};
inline constexpr Argument drawersArgument{.what = "NAME",
                                          .kind = Argument::Kind::Name,
                                          .needed = true,
                                          .missing = "Which series: E6, E12, E24 or E96?",
                                          .names = seriesNames};
constexpr Argument shareArgument(const char* missing, double least, double most) {
    return {.what = "SHARE",
            .needed = true,
            .missing = missing,
            .dimension = Dimension::Ratio,
            .least = least,
            .most = most,
            .zero = true};
}
inline constexpr Argument marginArgument = shareArgument("How near is close?", 0.001, 0.9);
inline constexpr Argument spreadArgument =
    shareArgument("By how much do track volts differ?", 0.001, 0.3);
inline constexpr Argument toleranceArgument =
    shareArgument("By how much may a reading be off?", 0.0005, 0.1);
inline constexpr Argument dropArgument{.what = "VOLTS",
                                       .needed = true,
                                       .missing = "How many volts?",
                                       .dimension = Dimension::Voltage,
                                       .least = 0.05,
                                       .most = 4,
                                       .zero = true};

}  // namespace glimmet::core::jot
