// What `rule` and `margin` take, of a job and of the house alike.
#pragma once

#include "core/jot/verb.h"

namespace glimmet::core::jot {

inline std::vector<Named> ruleNames(const Context&) {
    return {{"strict", {}, "continuous rating above the stall current"},
            {"slip", {"slipping"}, "continuous above slipping, peak above stall"},
            {"running", {}, "continuous above 1.25 × what it runs with"}};
}
inline constexpr Takes ruleTakes[] = {{.what = "NAME",
                                       .kind = Takes::Kind::Name,
                                       .needed = true,
                                       .missing = "Which rule: strict, slip or running?",
                                       .names = ruleNames}};
inline constexpr Takes marginTakes[] = {{.what = "SHARE",
                                         .needed = true,
                                         .missing = "How near is close?",
                                         .dimension = Dimension::Ratio,
                                         .least = 0.001,
                                         .most = 0.9,
                                         .zero = true}};
inline constexpr const char* ruleExamples[] = {"rule strict"};
inline constexpr const char* marginExamples[] = {"margin 10%"};

}  // namespace glimmet::core::jot
