// `glimmet-cli matrix JOB`: what a meter must read between points. Contract: docs/cli.md.
#pragma once

#include "cli/one_job.h"

#include <string>

namespace glimmet::cli {

/// JSON, or lines for people.
[[nodiscard]] std::string matrixOf(const OneJob& one, Form form);

}  // namespace glimmet::cli
