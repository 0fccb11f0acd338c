// `glimmet-cli settings JOB`: what the decoder is told, the list to key in, what a read-back says.
// Contract: docs/cli.md.
#pragma once

#include "cli/one_job.h"

#include <string>
#include <vector>

namespace glimmet::cli {

struct SettingsRequest {
    std::string path;
    Wanted wanted{};
    Form form{};
    std::string read{};     ///< a CSV file, "-" for standard input; empty: none
    std::string decoder{};  ///< "D1"; empty: the one that drives it
    std::string userCatalogue{}, now{};
};
struct SettingsRun {
    std::string out;
    std::vector<std::string> faults;
};
/// A read-back is compared; of a workshop it is recorded too.
[[nodiscard]] SettingsRun settingsRun(const SettingsRequest& request);

}  // namespace glimmet::cli
