// `glimmet-cli new NAME --body KIND`: a new job, as the window makes one. Contract: docs/cli.md.
#pragma once

#include <string>
#include <vector>

namespace glimmet::cli {

struct NewRun {
    std::string out;
    std::vector<std::string> faults;
};
/// Scale and feed as they are kept in a job: "H0", "two-rail-dcc"; empty: what is usual.
[[nodiscard]] NewRun newJob(const std::string& name, const std::string& body,
                            const std::string& scale, const std::string& feed,
                            const std::string& userCatalogue);
[[nodiscard]] NewRun bodyList(bool json, const std::string& userCatalogue);

}  // namespace glimmet::cli
