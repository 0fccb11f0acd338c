// One job for a command that answers about one: of a workshop, or in a JSON file.
#pragma once

#include "core/analysis/same_type.h"
#include "core/record/job.h"
#include "core/record/part.h"
#include "store/workshop.h"

#include <tl/expected.hpp>

#include <optional>
#include <string>
#include <vector>

namespace glimmet::cli {

/// How an answer is written.
enum class Form { Text, Json, Csv };
[[nodiscard]] inline Form formOf(bool json, bool csv) {
    return json ? Form::Json : csv ? Form::Csv : Form::Text;
}

/// Which job of a workshop: by name, by number, or, where neither is said, the only one.
struct Wanted {
    std::string name{};
    std::optional<store::JobId> id{};
};

/// That one on the shelf; else the line to complain with.
[[nodiscard]] tl::expected<store::JobEntry, std::string> entryOf(const store::Workshop& workshop,
                                                                 const std::string& path,
                                                                 const Wanted& wanted);

/// What a job is judged with: core::analysed takes it as it is.
struct OneJob {
    core::Job job;
    core::WorkshopRules house{};
    core::Catalogue catalogue{};
    std::vector<core::SameType> sameType{};
    bool inWorkshop = false;
};
/// Else lines to complain with. `userCatalogue`: the user's own parts file.
[[nodiscard]] tl::expected<OneJob, std::vector<std::string>> oneJob(
    const std::string& path, const Wanted& wanted, const std::string& userCatalogue);

}  // namespace glimmet::cli
