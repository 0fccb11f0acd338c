// `glimmet-cli check`: every check on every job of a workshop, or on a job in a JSON file.
#pragma once

#include "core/finding/finding.h"
#include "store/json_fields.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::cli {

struct CheckedJob {
    std::string name;
    std::vector<core::Finding> findings;
};
struct Checked {
    std::vector<CheckedJob> jobs;
    std::vector<std::string> faults;  ///< one line each
    [[nodiscard]] core::State worst() const;
};

/// `job`: only the jobs of that name. `userCatalogue`: the user's own parts file.
[[nodiscard]] Checked checked(const std::string& path, const std::optional<std::string>& job,
                              const std::string& userCatalogue);

[[nodiscard]] std::string asJson(const Checked& checked);
[[nodiscard]] std::string asText(const Checked& checked);

}  // namespace glimmet::cli
