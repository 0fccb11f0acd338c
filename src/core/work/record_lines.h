// The record of a job in lines of words: whose it is, what was asked for, noted and spent.
#pragma once

#include "core/record/job.h"
#include "core/text.h"

#include <vector>

namespace glimmet::core {

/// Owner, wish, time in all, then notes, newest first. A note longer than `longest` bytes is cut
/// there, at a whole character, with "…". Empty where there is nothing to tell.
[[nodiscard]] std::vector<Text> recordLines(const Job& job, std::size_t longest = 400);

}  // namespace glimmet::core
