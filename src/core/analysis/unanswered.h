// What nobody has answered, done or seen yet of a job: it stands on its sheets under a heading of
// its own, until it is, or is waived with a reason.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/text.h"

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

struct Unanswered {
    std::string id;      ///< "complaint:C4", "steps", "meter": what is waived by it
    std::string name;    ///< how a line calls it: "C4", "steps"
    Text words;          ///< "The owner says: hums"
    std::string why;     ///< of one that was waived; empty: it is open
    bool asked = false;  ///< the owner asks it; the rest is work
};
/// All of them, the owner's first.
[[nodiscard]] std::vector<Unanswered> unanswered(const JobAnalysis& facts);
/// Those that were not waived.
[[nodiscard]] std::vector<Unanswered> stillOpen(const JobAnalysis& facts);

/// nullptr: it was not waived.
[[nodiscard]] const Waived* waivedAs(const Job& job, std::string_view id);

/// Whether anything was done or is to be done to the model at all.
[[nodiscard]] bool hasWork(const Job& job);

}  // namespace glimmet::core
