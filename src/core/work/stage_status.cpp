#include "core/work/stage_status.h"

#include <algorithm>

namespace glimmet::core {
namespace {

/// nullptr: that stage makes no such finding.
const DecidedBy* ruleOf(const JobStage& one, std::string_view id) {
    id = id.substr(0, id.find(':'));
    const auto found = std::find_if(one.decided.begin(), one.decided.end(),
                                    [&](const DecidedBy& each) { return id == each.id; });
    return found == one.decided.end() ? nullptr : &*found;
}

}  // namespace

std::vector<Finding> findings(const JobAnalysis& facts) { return findingsOf(facts, {}); }

std::vector<Finding> findingsOf(const JobAnalysis& facts, std::string_view id) {
    std::vector<Finding> all;
    // A finding is made in the stage that has its rule; one without is looked for in all of them.
    const auto rooms = jobStages();
    const bool known = std::any_of(rooms.begin(), rooms.end(),
                                   [&](const JobStage& one) { return ruleOf(one, id); });
    for (const JobStage& one : rooms) {
        if (known && !ruleOf(one, id)) continue;
        Judging judging(all, one.name, id);
        if (one.applies(facts.job)) one.judge(facts, judging);
    }
    return all;
}

std::vector<Verdict> verdicts(const JobAnalysis& facts) {
    std::vector<Verdict> all;
    Judging judging(all);
    for (const JobStage& one : jobStages()) {
        if (one.applies(facts.job)) one.judge(facts, judging);
    }
    return all;
}

std::vector<Finding> findings(const Job& job, const Catalogue& catalogue,
                              const WorkshopRules& house, std::vector<SameType> sameType) {
    return findings(analysed(job, house, catalogue, std::move(sameType)));
}

Text decidedBy(std::string_view id) {
    for (const JobStage& one : jobStages()) {
        if (const DecidedBy* rule = ruleOf(one, id)) return text(rule->rule);
    }
    return {};
}

bool graver(const Finding& a, const Finding& b) {
    // What may be destroyed goes before a question about looks.
    const auto damage = [](const Finding& f) {
        return f.state == State::Close && f.gravity >= Gravity::PartDestroyed;
    };
    const auto looks = [](const Finding& f) {
        return f.state == State::Ask && f.gravity <= Gravity::LooksUneven;
    };
    if (damage(a) && looks(b)) return true;
    if (damage(b) && looks(a)) return false;
    if (a.state != b.state) return a.state > b.state;
    return a.state != State::Fine && a.gravity > b.gravity;
}

State worstState(const std::vector<Finding>& findings) {
    State worst = State::Fine;
    for (const Finding& finding : findings) worst = worse(worst, finding.state);
    return worst;
}

const Finding* leading(const std::vector<Finding>& findings, std::string_view stage,
                       std::string_view subject) {
    const Finding* lead = nullptr;
    for (const Finding& finding : findings) {
        if (finding.stage != stage) continue;
        if (!subject.empty() && finding.subject.id != subject) continue;
        if (!lead || graver(finding, *lead)) lead = &finding;
    }
    return lead;
}

Text nextAction(const std::vector<Finding>& findings) {
    const Finding* next = nullptr;
    for (const Finding& finding : findings) {
        if (finding.action.empty()) continue;
        if (!next || graver(finding, *next)) next = &finding;
    }
    return next ? next->action : text("nothing to do");
}

namespace {

/// The first of a stage that says that work remains; nullptr: none.
const Finding* openWork(const std::vector<Finding>& findings, std::string_view stage) {
    const auto found = std::find_if(findings.begin(), findings.end(), [&](const Finding& each) {
        return each.open && each.stage == stage;
    });
    return found == findings.end() ? nullptr : &*found;
}

template <class Rooms, class Record>
std::vector<StageStatus> standingOf(const Rooms& rooms, const Record& record,
                                    const std::vector<Finding>& findings) {
    std::vector<StageStatus> all;
    bool hereTaken = false;
    for (const auto& one : rooms) {
        if (!one.applies(record)) continue;
        StageStatus made;
        made.stage = one.name;
        made.title = one.title;
        const Finding* lead = leading(findings, made.stage);
        made.worst = lead ? lead->state : State::Fine;
        if (made.worst == State::Ask || made.worst == State::Over) {
            made.kind = made.worst == State::Over ? StageStatus::Kind::Blocked
                        : hereTaken               ? StageStatus::Kind::Ahead
                                                  : StageStatus::Kind::Here;
            made.why = lead->action.empty() ? lead->sentence : lead->action;
            hereTaken = true;
        } else if (const Finding* next = openWork(findings, made.stage)) {
            made.kind = hereTaken ? StageStatus::Kind::Ahead : StageStatus::Kind::Here;
            made.why = next->action.empty() ? next->sentence : next->action;
            made.open = made.worst == State::Fine;
            hereTaken = true;
        } else if (const Idle idle = one.idle(record); !idle.why.empty()) {
            made.why = idle.why;
            made.idle = true;
            made.kind = idle.done   ? StageStatus::Kind::Done
                        : hereTaken ? StageStatus::Kind::Ahead
                                    : StageStatus::Kind::Here;
            hereTaken = hereTaken || !idle.done;
        } else {
            made.kind = StageStatus::Kind::Done;
            made.why = made.worst == State::Close ? text("fits, but close") : text("all fits");
        }
        all.push_back(std::move(made));
    }
    return all;
}

}  // namespace

std::vector<StageStatus> stageStatus(const Job& job, const std::vector<Finding>& findings) {
    return standingOf(jobStages(), job, findings);
}
std::string_view whereWorkIs(const std::vector<StageStatus>& standing,
                             const std::vector<Finding>& findings) {
    using Kind = StageStatus::Kind;
    for (const StageStatus& each : standing) {
        if (each.kind == Kind::Here || each.kind == Kind::Blocked) return each.stage;
    }
    for (const StageStatus& each : standing) {
        if (!each.idle && leading(findings, each.stage)) return each.stage;
    }
    return standing.front().stage;
}
std::vector<StageStatus> stageStatus(const WorkshopRecord& workshop,
                                     const std::vector<Finding>& findings) {
    return standingOf(workshopStages(), workshop, findings);
}

}  // namespace glimmet::core
