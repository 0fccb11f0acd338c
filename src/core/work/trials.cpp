#include "core/work/trials.h"

#include "core/work/jot.h"
#include "core/work/standing.h"

#include <algorithm>
#include <map>

namespace glimmet::core {
namespace {

constexpr std::size_t most = 8;  // candidates; they were picked in closed form

std::map<std::string, State> states(const Reckoned& facts) {
    std::map<std::string, State> all;
    for (const Verdict& verdict : verdicts(facts)) {
        State& state = all[verdict.id];
        state = worse(state, verdict.state);
    }
    return all;
}

State stateOf(const std::map<std::string, State>& states, const std::string& id) {
    const auto found = states.find(id);
    return found == states.end() ? State::Fine : found->second;
}

}  // namespace

void tryOptions(Finding& finding, const Reckoned& facts) {
    if (finding.state == State::Fine || finding.options.empty()) return;
    const auto before = states(facts);
    const WorkshopRecord workshop{facts.house};
    std::vector<int> rank(finding.options.size(), 2);
    for (std::size_t i = 0; i < finding.options.size(); ++i) {
        Option& option = finding.options[i];
        if (option.kind == Option::Kind::Answer) return;  // a question has no better answer
        if (i >= most) continue;
        const auto jotted = understood(option.jot, facts.job, facts.catalogue, {}, workshop);
        if (!jotted) continue;
        const Reckoned then = reckonedAfter(facts, jotted->after);
        const auto after = states(then);
        option.state = stateOf(after, finding.id);
        const auto trouble = std::find_if(after.begin(), after.end(), [&](const auto& each) {
            return each.first != finding.id && each.second > stateOf(before, each.first);
        });
        // What stays as grave as that is not moved, it stays.
        const bool stays =
            trouble != after.end() && option.state >= State::Ask && option.state >= trouble->second;
        if (trouble == after.end() || stays) {
            rank[i] = option.state == State::Fine ? 0 : option.state == State::Close ? 1 : 2;
            continue;
        }
        const Text sentence = findingsOf(then, trouble->first).front().sentence;
        // Where the effect tells of that trouble already, it is not told twice.
        option.effect = plain(sentence).find(plain(option.effect)) != std::string::npos
                            ? text("but then: %1", sentence)
                            : text("%1; but then: %2", option.effect, sentence);
    }
    std::vector<std::size_t> order(finding.options.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
    std::stable_sort(order.begin(), order.end(),
                     [&](std::size_t a, std::size_t b) { return rank[a] < rank[b]; });
    std::vector<Option> sorted;
    for (const std::size_t i : order) sorted.push_back(std::move(finding.options[i]));
    finding.options = std::move(sorted);
}

}  // namespace glimmet::core
