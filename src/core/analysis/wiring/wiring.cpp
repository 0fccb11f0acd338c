#include "core/analysis/wiring/wiring.h"

#include "core/analysis/circuits_across.h"
#include "core/analysis/wiring/building.h"
#include "core/analysis/wiring/terminals.h"

#include <algorithm>
#include <utility>

namespace glimmet::core::wiring {
namespace {

Building built(const Job& job, ResistorLeg leg, std::size_t home, const Stand& stand) {
    Building building{job, leg, home, stand};
    addUnits(building);
    addMotors(building);
    if (building.plan()) {
        addDecoder(building);
        addStayAlive(building);
        addSupply(building);
        addSpeakers(building);
        addLamps(building);
    }
    addRecordedWires(building);
    std::vector<Net>& nets = building.made.nets;
    // One terminal alone has nothing to be joined with.
    std::erase_if(nets, [](const Net& net) { return net.joins.size() < 2; });
    std::stable_sort(nets.begin(), nets.end(),
                     [](const Net& one, const Net& other) { return one.kind < other.kind; });
    return building;
}

}  // namespace

bool joins(Element::Kind kind) {
    using Kind = Element::Kind;
    return kind == Kind::Switch || kind == Kind::Fuse || kind == Kind::Wheel ||
           kind == Kind::Metal || kind == Kind::Contact;
}

const Terminal* Wiring::terminal(const TerminalId& id) const {
    const auto found = std::find_if(terminals.begin(), terminals.end(),
                                    [&](const Terminal& each) { return each.id == id; });
    return found == terminals.end() ? nullptr : &*found;
}

Wiring required(const Job& job, ResistorLeg leg, std::optional<std::size_t> home) {
    const Stand plan;
    return std::move(built(job, leg, home.value_or(homeUnit(job)), plan).made);
}

Wiring wiringOf(const Job& job, ResistorLeg leg, const Stand& stand) {
    Building building = built(job, leg, homeUnit(job), stand);
    addConductors(building);
    return std::move(building.made);
}

// --- what the makers share -------------------------------------------------------------------

bool Building::isOut(const std::string& owner) const {
    return std::find(stand.out.begin(), stand.out.end(), owner) != stand.out.end();
}

TerminalId Building::add(TerminalId id, const std::string& unit, Role role, Reach reach,
                         std::optional<Point> at) {
    const auto [place, isNew] = terminals.emplace(id, made.terminals.size());
    if (isNew) made.terminals.push_back({id, unit, role, reach, at});
    return id;
}

void Building::join(Net::Kind kind, const std::string& net, const TerminalId& terminal) {
    const auto [place, isNew] = nets.emplace(net, made.nets.size());
    if (isNew) made.nets.push_back({kind, net, {}});
    if (joinedAlready.emplace(place->second, terminal).second)
        made.nets[place->second].joins.push_back(terminal);
}

void Building::between(Element::Kind kind, const TerminalId& a, const TerminalId& b,
                       std::string of) {
    if (!isOut(of)) made.elements.push_back({kind, a, b, std::move(of), {}, {}, {}});
}

bool onRails(const Job& job) { return job.feed != Feed::BatteryRadio && !isStructure(job); }

std::string railNet(const Job& job, const std::string& pin) {
    return hasCentre(job) && pin != "centre" ? "rail outer" : "rail " + pin;
}

}  // namespace glimmet::core::wiring
