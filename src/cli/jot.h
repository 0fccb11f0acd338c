// `glimmet-cli jot`: jot lines taken in order, as the window takes them.
#pragma once

#include "store/workshop.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::cli {

struct JotRequest {
    std::string path;
    std::optional<std::string> job{};  ///< which of a workshop, where there are several
    std::optional<store::JobId> id{};
    std::vector<std::string> lines;
    std::string userCatalogue{};
    std::string now{};  ///< local time, or the date alone; what is entered is dated with it
    bool json = false;
    bool dryRun = false;
    bool workshop = false;  ///< the lines are about the workshop's own record
};
struct JotRun {
    std::string out;                  ///< what goes to standard output, also where there are faults
    std::vector<std::string> faults;  ///< one line each; nothing was recorded where there are any
};

/// Takes the lines one after the other, each on what the one before left. On a workshop each
/// becomes one revision, all in one transaction; a job file is never written: the job after the
/// lines is printed. If any line is refused, nothing at all is recorded.
[[nodiscard]] JotRun jot(const JotRequest& request);

}  // namespace glimmet::cli
