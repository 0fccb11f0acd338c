// `glimmet-cli fit JOB`: what goes in, where it lies and with how much room. Contract: docs/cli.md.
#pragma once

#include "cli/one_job.h"

#include <string>

namespace glimmet::cli {

/// JSON, or lines for people.
[[nodiscard]] std::string fitOf(const OneJob& one, Form form);

}  // namespace glimmet::cli
