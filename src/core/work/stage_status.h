// How the stages of a job stand, computed from what is found in them.
#pragma once

#include "core/work/job_stages.h"
#include "core/work/workshop_stages.h"

#include <string_view>
#include <vector>

namespace glimmet::core {

/// All findings, stage by stage, and within a stage in the order in which they matter to the work.
/// Pure: the same job gives the same findings.
[[nodiscard]] std::vector<Finding> findings(const JobAnalysis& facts);
/// Those of one id (empty: all): nothing else is worded.
[[nodiscard]] std::vector<Finding> findingsOf(const JobAnalysis& facts, std::string_view id);
/// The same verdicts without words.
[[nodiscard]] std::vector<Verdict> verdicts(const JobAnalysis& facts);
/// Reckons the job first.
[[nodiscard]] std::vector<Finding> findings(const Job& job, const Catalogue& catalogue,
                                            const WorkshopRules& house = {},
                                            std::vector<SameType> sameType = {});

/// What decides the state of a finding, in words; empty where its stage says nothing of it. `id`:
/// with its subject or without.
[[nodiscard]] Text decidedBy(std::string_view id);

/// How a stage of the work stands, computed from its findings.
struct StageStatus {
    enum class Kind { Done, Here, Ahead, Blocked, Waiting };
    std::string_view stage;  ///< its name
    const char* title = "";  ///< to be translated
    Kind kind{};
    State worst = State::Fine;
    Text why;           ///< "stall current missing", "all fits"
    bool idle = false;  ///< nothing to judge there
    bool open = false;  ///< nothing is wrong, work remains
};
/// Of those that apply to the job, in working order.
[[nodiscard]] std::vector<StageStatus> stageStatus(const Job& job,
                                                   const std::vector<Finding>& findings);
[[nodiscard]] std::vector<StageStatus> stageStatus(const WorkshopRecord& workshop,
                                                   const std::vector<Finding>& findings);
/// Where a job is taken up: the first stage with something to do or to answer, else the first that
/// has something to tell. Precondition: at least one stage stands.
[[nodiscard]] std::string_view whereWorkIs(const std::vector<StageStatus>& standing,
                                           const std::vector<Finding>& findings);
constexpr auto wordsOf(StageStatus::Kind) {
    return std::to_array<Word<StageStatus::Kind>>({{StageStatus::Kind::Done, "done"},
                                                   {StageStatus::Kind::Here, "here"},
                                                   {StageStatus::Kind::Ahead, "ahead"},
                                                   {StageStatus::Kind::Blocked, "blocked"},
                                                   {StageStatus::Kind::Waiting, "waiting"}});
}

/// The gravest state, and the first thing to do about the job in a few words.
[[nodiscard]] State worstState(const std::vector<Finding>& findings);
[[nodiscard]] Text nextAction(const std::vector<Finding>& findings);

/// Whether one finding speaks before another: by state, then by what is at stake; a possible damage
/// that is close goes before a question about looks. What is fine keeps the order of the checks.
[[nodiscard]] bool graver(const Finding& a, const Finding& b);

/// The finding that speaks for a stage or, with the id of a subject, for one thing of it: the
/// gravest, the first of equals; nullptr when there is none.
[[nodiscard]] const Finding* leading(const std::vector<Finding>& findings, std::string_view stage,
                                     std::string_view subject = {});

}  // namespace glimmet::core
