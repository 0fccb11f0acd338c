// What is to go into a model, each with where it lies and how much room it has: for judges, panel
// and command line.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/placement/clearance.h"
#include "core/finding/state.h"
#include "core/text.h"

#include <string>
#include <vector>

namespace glimmet::core::fit {

struct Thing {
    std::string id;         ///< "D1", "K1", "I7": in files and on the command line
    std::string kind;       ///< "decoder", "stay-alive", "speaker" …
    std::string said;       ///< how a line names it: "decoder", "stay-alive", "I7"
    Text words;             ///< "the decoder", "the speaker"
    const Placement* lies;  ///< of the facts
    Room room;
    bool measured = false;  ///< the hollow that it lies in was
    State state{};          ///< fine, ask, over
};
/// In the order of placements(facts), into which they point.
[[nodiscard]] std::vector<Thing> thingsOf(const JobAnalysis& facts);

/// What an added item is: "speaker".
[[nodiscard]] std::string kindOf(const FittedItem& item);

/// "length", "width", "height"
[[nodiscard]] Text alongWords(Along along);
/// "hood", "hood of tender"
[[nodiscard]] Text placeOf(const Job& job, std::size_t unit, const std::string& hollow);

/// To the tenth that a fitter measures: "1.4 mm".
[[nodiscard]] std::string tenths(Millimetres length);

/// Less than that to spare, and a drawn hollow is asked about.
inline constexpr Millimetres drawnWithin{3};

}  // namespace glimmet::core::fit
