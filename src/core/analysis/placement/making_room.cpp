#include "core/analysis/placement/making_room.h"

#include <algorithm>

namespace glimmet::core {

bool hollowsMeasured(const Job& job) {
    bool any = false;
    for (const Unit& unit : job.units) {
        for (const Cavity& cavity : unit.body.cavities) {
            if (!cavity.measured) return false;
            any = true;
        }
    }
    return any;
}

State roomState(const Job& job, const Placement* placement) {
    if (!placement || placement->fits) return State::Fine;
    return hollowsMeasured(job) ? State::Over : State::Close;
}

std::vector<Option> roomToMake(const JobAnalysis& facts, const Box& box, const Text& lies) {
    std::vector<Option> options;
    for (std::size_t u = 0; u < facts.job.units.size(); ++u) {
        const Unit& unit = facts.job.units[u];
        for (const Fixture& fixture : unit.fixtures) {
            const std::string in =
                facts.job.units.size() > 1 ? " in " + unitCalled(facts.job, u) : "";
            Job without = facts.job;
            std::erase(without.units[u].fixtures, fixture);
            const auto seated = placements(without, &box);
            const Placement* placement = placementOf(seated, box.what);
            if (!placement || !placement->fits) continue;
            Option option;
            option.what = fixture.kind == FixtureKind::Weight
                              ? text("mill the weight out of the %1", fixture.place)
                              : text("take the speaker out of the %1", fixture.place);
            option.effect = fixture.mayGo ? lies : text("%1, if it may go", lies);
            option.state = State::Fine;
            option.jot = std::string(name(fixture.kind)) + " " + fixture.place + " gone" + in;
            options.push_back(std::move(option));
        }
    }
    return options;
}

}  // namespace glimmet::core
