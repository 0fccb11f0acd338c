// Every check on a job. Pure: the same job gives the same findings.
#pragma once

#include "core/finding/finding.h"
#include "core/job/job.h"

#include <vector>

namespace glimmet::core {

/// All findings, by stage, and within a stage in the order in which they matter to the work.
[[nodiscard]] std::vector<Finding> findings(const Job& job, const Catalogue& catalogue,
                                            const House& house = {});

/// The parts of it, by stage.
[[nodiscard]] std::vector<Finding> motorFindings(const Job& job, const Catalogue& catalogue,
                                                 const House& house);
[[nodiscard]] std::vector<Finding> lampFindings(const Job& job, const House& house);

/// What a motor's record says about its current: readings that can be reckoned with (a stalled
/// one without volts cannot) and the smallest winding resistance.
struct MotorEvidence {
    std::vector<MotorReading> readings;
    std::optional<Ohms> winding;
};
[[nodiscard]] MotorEvidence motorEvidence(const Motor& motor);

/// How a stage of the work stands, computed from its findings.
struct StageStanding {
    enum class Kind { Done, Here, Ahead, Blocked };
    Stage stage{};
    Kind kind{};
    State worst = State::Fine;
    Text why;  ///< "stall current missing", "all fits"
};
[[nodiscard]] std::vector<StageStanding> standing(const Job& job,
                                                  const std::vector<Finding>& findings);

/// The gravest state, and the first thing to do about the job in a few words.
[[nodiscard]] State worstState(const std::vector<Finding>& findings);
[[nodiscard]] Text nextAction(const std::vector<Finding>& findings);

/// The finding that speaks for a stage or, with a subject, for one lamp circuit: the gravest,
/// the first of equals; nullptr when there is none.
[[nodiscard]] const Finding* leading(const std::vector<Finding>& findings, Stage stage,
                                     std::string_view subject = {});

}  // namespace glimmet::core
