// What is said of a job under one id.
#pragma once

#include "core/work/stage_status.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <string>
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

inline std::vector<core::Finding> checkedAll(const core::Job& job) {
    return core::findings(job, smallCatalogue());
}

/// Whether a finding is the one of that id, in which a lamp is called by its name here.
inline bool is(const core::Finding& one, const std::string& id) {
    const auto colon = id.find(':');
    const auto slash = one.id.find('/');
    return colon == std::string::npos
               ? one.id == id
               : one.id.starts_with(id.substr(0, colon + 1)) &&
                     one.subject.name + (slash == std::string::npos ? "" : one.id.substr(slash)) ==
                         id.substr(colon + 1);
}
inline bool has(const std::vector<core::Finding>& all, const std::string& id) {
    return std::any_of(all.begin(), all.end(),
                       [&](const core::Finding& one) { return is(one, id); });
}
/// The finding of that id; that there is none fails the test, whatever is asked of it.
inline const core::Finding& finding(const std::vector<core::Finding>& all, const std::string& id) {
    for (const core::Finding& one : all) {
        if (is(one, id)) return one;
    }
    ADD_FAILURE() << "no finding " << id;
    static const core::Finding none{};
    return none;
}
inline std::string sentenceOf(const core::Job& job, const std::string& id) {
    return core::plain(finding(checkedAll(job), id).sentence);
}
/// What is echoed of a line before Return; "✗ " and why, where it is refused.
inline std::string answer(std::string_view line, const core::Job& job) {
    const auto said = core::applyLine(line, job, smallCatalogue(), "2026-03-02");
    return said ? core::plain(said->meaning) : "✗ " + core::plain(said.error().what);
}
inline const core::Figure& figure(const core::Finding& finding, const std::string& symbol) {
    for (const core::Figure* one : core::allFigures(finding)) {
        if (one->symbol == symbol) return *one;
    }
    static const core::Figure none;
    return none;
}

}  // namespace glimmet::tests
