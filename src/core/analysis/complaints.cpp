#include "core/analysis/complaints.h"

#include <algorithm>
#include <array>
#include <cctype>

namespace glimmet::core {
namespace {

/// Whether words stand in a text as words of their own, whatever ending the last has.
bool tells(const std::string& said, std::string_view words) {
    for (auto at = said.find(words); at != std::string::npos; at = said.find(words, at + 1)) {
        if (at == 0 || !std::isalpha(static_cast<unsigned char>(said[at - 1]))) return true;
    }
    return false;
}

bool tellsOfStalls(const std::string& words) {
    static constexpr auto signs = std::to_array<std::string_view>(
        {"stall",   "stutter",     "stops",         "stopping",     "stopped",
         "hesitat", "cuts out",    "cut out",       "cutting out",  "dies",
         "dying",   "loses power", "loses contact", "lost contact", "needs a push",
         "dead on", "jerk",        "stop and go",   "bad contact",  "poor contact"});
    const std::string said = lowered(words);
    return std::any_of(signs.begin(), signs.end(),
                       [&](std::string_view sign) { return tells(said, sign); });
}

}  // namespace

bool complainsOfStalls(const Job& job) {
    const auto& complaints = job.intake.complaints;
    return tellsOfStalls(job.wish) ||
           std::any_of(complaints.begin(), complaints.end(), [](const Complaint& each) {
               return each.answer.empty() && tellsOfStalls(each.words);
           });
}

}  // namespace glimmet::core
