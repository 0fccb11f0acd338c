#include "core/work/trials.h"

#include "core/work/jot.h"
#include "core/work/stage_status.h"

#include <algorithm>
#include <optional>

namespace glimmet::core {
namespace {

constexpr std::size_t most = 8;   // candidates; they were picked in closed form
constexpr std::size_t kept = 32;  // jobs with a line taken: large ones are not all held at once

/// The gravest of each id; of findings or of verdicts.
template <class Said>
std::map<std::string, State> states(const std::vector<Said>& said) {
    std::map<std::string, State> all;
    for (const Said& each : said) {
        State& state = all[each.id];
        state = worse(state, each.state);
    }
    return all;
}

State stateOf(const std::map<std::string, State>& states, const std::string& id) {
    const auto found = states.find(id);
    return found == states.end() ? State::Fine : found->second;
}

/// "lamp.current:L2/1" and "lamp.current:L2/2".
bool rowsOfOne(const std::string& a, const std::string& b) {
    const auto slash = a.find('/');
    return slash != std::string::npos && a.substr(0, slash) == b.substr(0, b.find('/'));
}

}  // namespace

struct Trials::Tried {
    Job job;
    std::optional<JobAnalysis> facts;  ///< nothing: the line was refused
    std::map<std::string, State> states;
};

Trials::Trials(const JobAnalysis& facts) : m_facts(facts), m_before(states(verdicts(facts))) {}
Trials::Trials(const JobAnalysis& facts, const std::vector<Finding>& before)
    : m_facts(facts), m_before(states(before)) {}
Trials::~Trials() = default;

const Trials::Tried& Trials::tried(const std::string& jot) {
    if (const auto known = m_tried.find(jot); known != m_tried.end()) return *known->second;
    if (m_tried.size() >= kept) m_tried.clear();
    auto made = std::make_unique<Tried>();
    const WorkshopRecord workshop{m_facts.house};
    if (auto jotted = applyLine(jot, m_facts.job, m_facts.catalogue, {}, workshop)) {
        made->job = std::move(jotted->after);
        made->facts.emplace(reanalysed(m_facts, made->job));
        made->states = states(verdicts(*made->facts));
    }
    return *m_tried.emplace(jot, std::move(made)).first->second;
}

void tryOptions(Finding& finding, const JobAnalysis& facts) { Trials(facts).tryOptions(finding); }

void Trials::tryOptions(Finding& finding) {
    if (finding.state == State::Fine || finding.options.empty()) return;
    // A question has no better answer.
    if (finding.options.front().kind == Option::Kind::Answer) return;
    // What nobody tries nobody may promise.
    if (finding.options.size() > most) finding.options.resize(most);
    constexpr int refused = static_cast<int>(State::Over) + 1;
    struct Outcome {
        Option option;
        int rank;
        Text follows;  ///< what gets worse by it
    };
    std::vector<Outcome> outcomes;
    for (Option& each : finding.options) {
        outcomes.push_back({std::move(each), refused, {}});
        Option& option = outcomes.back().option;
        const Tried& then = tried(option.jot);
        if (!then.facts) continue;
        const State own = stateOf(then.states, finding.id);
        // The gravest of what gets worse by it.
        std::string trouble;
        State follows = State::Fine;
        for (const auto& [id, state] : then.states) {
            // Of rows that were asked about as one the others come to what this one comes to.
            const bool asOne = rowsOfOne(id, finding.id) && state <= own;
            if (id == finding.id || asOne || state <= stateOf(m_before, id)) continue;
            if (state > follows) trouble = id;
            follows = worse(follows, state);
        }
        option.state = worse(own, follows);
        outcomes.back().rank = static_cast<int>(option.state);
        // What stays as grave as that is not moved, it stays.
        if (trouble.empty() || (own >= State::Ask && own >= follows)) continue;
        outcomes.back().follows = findingsOf(*then.facts, trouble).front().sentence;
    }
    std::stable_sort(outcomes.begin(), outcomes.end(),
                     [](const Outcome& a, const Outcome& b) { return a.rank < b.rank; });
    finding.options.clear();
    std::string told;
    for (Outcome& outcome : outcomes) {
        Option& option = outcome.option;
        const std::string follows = plain(outcome.follows);
        // Where the effect tells of that trouble already, or the option above did, it is not told
        // twice.
        if (!follows.empty()) {
            const bool inside = follows.find(plain(option.effect)) != std::string::npos;
            const bool again = follows == told;
            option.effect = inside && again ? text("as the one above")
                            : inside        ? text("but then: %1", outcome.follows)
                            : again         ? text("%1; but then the same as above", option.effect)
                                    : text("%1; but then: %2", option.effect, outcome.follows);
        }
        told = follows;
        finding.options.push_back(std::move(option));
    }
}

}  // namespace glimmet::core
