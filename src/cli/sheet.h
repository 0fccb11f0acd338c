// `glimmet-cli sheet JOB --for KIND --as html|pdf|text`: a job written out. Contract: docs/cli.md.
#pragma once

#include "cli/one_job.h"

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::cli {

struct SheetRun {
    std::string out;                  ///< empty where there are faults
    std::vector<std::string> faults;  ///< one line each
};
/// `kind`: one of sheetKinds(); `form`: html, pdf, text.
[[nodiscard]] SheetRun sheetRun(const std::string& path, const Wanted& wanted,
                                std::string_view kind, std::string_view form,
                                const std::string& userCatalogue);

/// "owner, next, wiring".
[[nodiscard]] std::string sheetNames();

}  // namespace glimmet::cli
