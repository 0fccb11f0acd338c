// What goes home with a model: when, and what was left unanswered on purpose.
#pragma once

#include <string>
#include <vector>

namespace glimmet::core {

/// A point that nobody answers before it goes home, and why.
struct Waived {
    std::string what;  ///< "complaint:C4", "meter", "lamp:L3"
    std::string why;
    std::string on;
    bool operator==(const Waived&) const = default;
};
struct HandOver {
    std::string on;                 ///< the day; empty: still here
    std::string body;               ///< how the body comes off, in the user's words
    std::vector<std::string> care;  ///< what the owner should know besides
    std::vector<Waived> waived;
    bool operator==(const HandOver&) const = default;
};

}  // namespace glimmet::core
