#include "core/work/units.h"

#include <algorithm>
#include <cassert>

namespace glimmet::core {
namespace {

/// What people call a unit that has no such name of its own: "tender", "coach"; where it drives,
/// "engine".
std::vector<std::string> usualNames(const Unit& unit) {
    std::vector<std::string> all;
    const std::string& kind = unit.body.kind;
    if (kind.empty()) return all;
    all.push_back(kind);
    std::string spaced = kind;
    std::replace(spaced.begin(), spaced.end(), '-', ' ');
    if (spaced != kind) {
        all.push_back(spaced);
        all.push_back(kind.substr(kind.rfind('-') + 1));
    }
    const std::vector<std::string> byMotor =
        unit.motors.empty() ? std::vector<std::string>{"trailer"}
                            : std::vector<std::string>{"engine", "loco", "locomotive", "motor car"};
    for (const std::string& each : byMotor) {
        if (std::find(all.begin(), all.end(), each) == all.end()) all.push_back(each);
    }
    return all;
}

/// Of `wanted`, those words that no other of the names goes by.
void addUnique(std::vector<jot::Named>& all, std::size_t at,
               const std::vector<std::vector<std::string>>& wanted) {
    for (const std::string& word : wanted[at]) {
        const bool taken = std::any_of(all.begin(), all.end(), [&](const jot::Named& each) {
            return each.name == word ||
                   std::find(each.also.begin(), each.also.end(), word) != each.also.end();
        });
        std::size_t wants = 0;
        for (const auto& words : wanted)
            wants += std::find(words.begin(), words.end(), word) != words.end() ? 1U : 0U;
        if (!taken && wants == 1) all[at].also.push_back(word);
    }
}

}  // namespace

std::vector<jot::Named> unitNames(const jot::Context& context) {
    const Job& job = context.job;
    std::vector<jot::Named> all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const Unit& unit = job.units[i];
        const std::string number = std::to_string(i + 1);
        jot::Named named{unit.name.empty() ? number : unit.name, {unit.id}, unit.body.kind};
        if (!unit.name.empty()) named.also.push_back(number);
        named.also.push_back("unit " + number);
        all.push_back(std::move(named));
    }
    std::vector<std::vector<std::string>> usual;
    for (const Unit& unit : job.units) usual.push_back(usualNames(unit));
    for (std::size_t i = 0; i < all.size(); ++i) addUnique(all, i, usual);
    return all;
}

Result<std::size_t> unitOf(const jot::ParsedLine& said) {
    const Job& job = said.context.job;
    if (const auto& wanted = said.name("UNIT")) {
        for (std::size_t i = 0; i < job.units.size(); ++i) {
            if (*wanted == (job.units[i].name.empty() ? std::to_string(i + 1) : job.units[i].name))
                return i;
        }
    }
    if (job.units.size() == 1) return std::size_t{0};
    std::string all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        all += (all.empty() ? "" : ", ") + unitCalled(job, i);
    }
    return jot::refuse(ErrorCode::Missing,
                       text("In which unit? There are: %1. Write it behind: in %2.", all,
                            unitCalled(job, job.units.size() - 1)));
}

std::vector<jot::Named> placementNames(const jot::Context& context) {
    const Job& job = context.job;
    std::vector<jot::Named> all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const std::string of = unitCalled(job, i);
        for (const Cavity& cavity : job.units[i].body.cavities)
            all.push_back({of.empty() ? cavity.name : of + " " + cavity.name, {}, "a cavity"});
    }
    if (job.units.size() < 2) return all;
    // A cavity that only one unit has goes by its own name too.
    std::vector<std::vector<std::string>> bare;
    for (const Unit& unit : job.units) {
        for (const Cavity& cavity : unit.body.cavities) bare.push_back({cavity.name});
    }
    for (std::size_t i = 0; i < bare.size(); ++i) addUnique(all, i, bare);
    for (jot::Named& unit : unitNames(context)) all.push_back(std::move(unit));
    return all;
}

Fitted placementNamed(const Job& job, const std::string& called) {
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        const std::string of = unitCalled(job, i);
        if (of == called) return {job.units[i].id, {}, {}};
        for (const Cavity& cavity : job.units[i].body.cavities) {
            if ((of.empty() ? cavity.name : of + " " + cavity.name) == called)
                return {job.units[i].id, cavity.name, {cavity.corner, cavity.across, {}}};
        }
    }
    assert(false && "not one of placementNames");
    return {};
}

}  // namespace glimmet::core
