// `glimmet-cli wires JOB`: every wire with both ends. Contract: docs/cli.md.
#pragma once

#include "cli/one_job.h"

#include <string>

namespace glimmet::cli {

/// JSON, CSV of the wires, or lines for people.
[[nodiscard]] std::string wiresOf(const OneJob& one, Form form);

}  // namespace glimmet::cli
