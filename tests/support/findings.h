// What is said of a job under one id.
#pragma once

#include "core/work/standing.h"
#include "support/sample_jobs.h"

#include <algorithm>
#include <string_view>
#include <vector>

namespace glimmet::tests {

/// nullptr where nothing is said under that id.
inline const core::Finding* found(const std::vector<core::Finding>& all, std::string_view id) {
    const auto at = std::find_if(all.begin(), all.end(),
                                 [&](const core::Finding& one) { return one.id == id; });
    return at == all.end() ? nullptr : &*at;
}
/// Fine where nothing is said.
inline core::State stateOf(const core::Job& job, std::string_view id) {
    const auto all = core::findings(factsOf(job));
    const core::Finding* one = found(all, id);
    return one ? one->state : core::State::Fine;
}

}  // namespace glimmet::tests
