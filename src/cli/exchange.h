// `glimmet-cli export` and `import`: jobs in and out of a workshop as JSON.
#pragma once

#include "cli/one_job.h"

#include <string>
#include <vector>

namespace glimmet::cli {

struct Exchanged {
    std::string out;                  ///< what goes to standard output
    std::vector<std::string> faults;  ///< one line each
};

/// The job as JSON; `moment`, ISO 8601, asks for the job as it was then (a date alone: at the end
/// of that day); empty: as it is.
[[nodiscard]] Exchanged exported(const std::string& workshop, const Wanted& wanted,
                                 const std::string& moment = {});
/// The job and its photos as a bundle (store/bundle.h).
[[nodiscard]] Exchanged exportedBundle(const std::string& workshop, const Wanted& wanted,
                                       const std::string& moment = {});
/// A lamp group of that job as a SPICE netlist.
[[nodiscard]] Exchanged exportedLamp(const std::string& workshop, const Wanted& wanted,
                                     const std::string& lamp);
/// The lamps of that job as CSV (core/analysis/lamps/lamp_list.h).
[[nodiscard]] Exchanged exportedLampList(const std::string& workshop, const Wanted& wanted);
/// Adds the job of a JSON file or a bundle to a workshop, which is made if it is not there.
[[nodiscard]] Exchanged imported(const std::string& workshop, const std::string& file);

}  // namespace glimmet::cli
