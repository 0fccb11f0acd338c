#include "core/job/checks.h"

#include <algorithm>

namespace glimmet::core {

std::vector<Finding> findings(const Job& job, const Catalogue& catalogue, const House& house) {
    std::vector<Finding> all = motorFindings(job, catalogue, house);
    for (Finding& finding : lampFindings(job, house)) all.push_back(std::move(finding));
    return all;
}

State worstState(const std::vector<Finding>& findings) {
    State worst = State::Fine;
    for (const Finding& finding : findings) worst = worse(worst, finding.state);
    return worst;
}

const Finding* leading(const std::vector<Finding>& findings, Stage stage,
                       std::string_view subject) {
    const Finding* lead = nullptr;
    for (const Finding& finding : findings) {
        if (finding.stage != stage) continue;
        if (!subject.empty() && finding.subject != subject) continue;
        if (!lead || lead->state < finding.state) lead = &finding;
    }
    return lead;
}

Text nextAction(const std::vector<Finding>& findings) {
    const Finding* next = nullptr;
    for (const Finding& finding : findings) {
        if (finding.action.empty()) continue;
        if (!next || next->state < finding.state) next = &finding;
    }
    return next ? next->action : text("nothing to do");
}

std::vector<StageStanding> standing(const Job& job, const std::vector<Finding>& findings) {
    std::vector<StageStanding> all;
    bool hereTaken = false;
    for (const Stage stage : stages) {
        StageStanding made;
        made.stage = stage;
        const Finding* lead = leading(findings, stage);
        made.worst = lead ? lead->state : State::Fine;
        const bool open = made.worst == State::Ask || made.worst == State::Over;
        if (open && lead) {
            made.kind = made.worst == State::Over ? StageStanding::Kind::Blocked
                        : hereTaken               ? StageStanding::Kind::Ahead
                                                  : StageStanding::Kind::Here;
            made.why = lead->action.empty() ? lead->sentence : lead->action;
            hereTaken = true;
        } else {
            made.kind = StageStanding::Kind::Done;
            made.why = made.worst == State::Close ? text("fits, but close") : text("all fits");
            if (stage == Stage::Measure && !job.motor) made.why = text("no motor to measure");
            if (stage == Stage::Lamps && job.circuits.empty()) {
                made.kind = hereTaken ? StageStanding::Kind::Ahead : StageStanding::Kind::Here;
                made.why = text("no lamps yet");
                hereTaken = true;
            }
        }
        all.push_back(std::move(made));
    }
    return all;
}

}  // namespace glimmet::core
