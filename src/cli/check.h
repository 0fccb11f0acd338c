// `glimmet-cli check` and `stages`: every check on every job of a workshop, or on a job in a JSON
// file, told finding by finding or stage by stage.
#pragma once

#include "core/finding/finding.h"
#include "store/workshop.h"

#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::cli {

struct CheckRequest {
    std::string path;
    std::optional<std::string> job{};  ///< only the jobs of that name
    std::optional<store::JobId> id{};  ///< only the job of that number
    std::string userCatalogue{};       ///< the user's own parts file
    bool json = false;
    bool workshop = false;  ///< the workshop's own stations instead of its jobs
    bool stages = false;    ///< how each stage stands, instead of the findings
};
struct Checked {
    std::size_t jobs = 0;                   ///< that were judged
    core::State worst = core::State::Fine;  ///< of all that was judged
    std::vector<std::string> faults;        ///< one line each
};

/// Judges job after job, on all cores, and prints each as soon as those before it are printed: no
/// more than a few jobs are in memory. A job that cannot be read is named among the faults, and the
/// others are judged all the same. Where nothing at all can be judged, nothing is printed.
[[nodiscard]] Checked check(const CheckRequest& request,
                            const std::function<void(std::string_view)>& print);

}  // namespace glimmet::cli
