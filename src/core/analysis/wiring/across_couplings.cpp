// Nets as conductors: over couplings by their contacts, the rails last.
#include "core/analysis/wiring/building.h"

#include <algorithm>
#include <map>

namespace glimmet::core::wiring {
namespace {

std::string plugOf(std::size_t coupling, bool behind) {
    return "P" + std::to_string(coupling + 1) + (behind ? "/b" : "/a");
}

class Couplings {
public:
    explicit Couplings(Building& building)
        : m_building(building), m_taken(building.job.couplings.size(), 0) {}

    /// The next free contact of a coupling; nothing where there is none left.
    std::optional<int> contact(std::size_t coupling) {
        const int contacts = m_building.job.couplings[coupling].contacts;
        return m_taken[coupling] < contacts ? std::optional(++m_taken[coupling]) : std::nullopt;
    }
    [[nodiscard]] int left(std::size_t coupling) const {
        return m_building.job.couplings[coupling].contacts - m_taken[coupling];
    }
    /// Both halves of a contact, with the contact between them.
    std::pair<TerminalId, TerminalId> addContact(std::size_t coupling, int number) {
        const std::string pin = std::to_string(number);
        const TerminalId a =
            m_building.add({plugOf(coupling, false), pin}, m_building.unitId(coupling), Role::Plug,
                           Reach::Outside);
        const TerminalId b =
            m_building.add({plugOf(coupling, true), pin}, m_building.unitId(coupling + 1),
                           Role::Plug, Reach::Outside);
        m_building.between(Element::Kind::Contact, a, b, "P" + std::to_string(coupling + 1));
        return {a, b};
    }

private:
    Building& m_building;
    std::vector<int> m_taken;
};

/// Terminals of a net by the number of their unit; those of none with the first.
std::map<std::size_t, std::vector<TerminalId>> byUnit(const Building& building, const Net& net) {
    std::map<std::size_t, std::vector<TerminalId>> all;
    for (const TerminalId& id : net.joins) {
        const std::string& unit = building.made.terminals[building.terminals.at(id)].unit;
        all[unit.empty() ? building.home : unitAt(building.job, unit)].push_back(id);
    }
    return all;
}

void connect(Building& building, const Net& net, Couplings& couplings,
             const std::vector<bool>& open) {
    auto units = byUnit(building, net);
    const std::size_t last = units.rbegin()->first;
    for (std::size_t coupling = units.begin()->first; coupling < last; ++coupling) {
        if (net.kind == Net::Kind::Rail && open[coupling]) continue;
        if (const auto number = couplings.contact(coupling)) {
            const auto [a, b] = couplings.addContact(coupling, *number);
            units[coupling].push_back(a);
            units[coupling + 1].insert(units[coupling + 1].begin(), b);
        }
    }
    for (const auto& [unit, terminals] : units) {
        for (std::size_t i = 1; i < terminals.size(); ++i)
            building.made.conductors.push_back({terminals.front(), terminals[i], {}});
    }
}

}  // namespace

void addConductors(Building& building) {
    Couplings couplings(building);
    const std::vector<Net> nets = building.made.nets;
    const auto rails = std::find_if(nets.begin(), nets.end(),
                                    [](const Net& net) { return net.kind == Net::Kind::Rail; });
    std::vector<bool> open(building.job.couplings.size(), false);
    for (auto net = nets.begin(); net != rails; ++net) connect(building, *net, couplings, open);
    // Both poles of the rails are led, or none.
    for (std::size_t coupling = 0; coupling < open.size(); ++coupling) {
        const auto crossing = std::count_if(rails, nets.end(), [&](const Net& net) {
            const auto units = byUnit(building, net);
            return units.begin()->first <= coupling && units.rbegin()->first > coupling;
        });
        open[coupling] = couplings.left(coupling) < crossing;
    }
    for (auto net = rails; net != nets.end(); ++net) connect(building, *net, couplings, open);
}

}  // namespace glimmet::core::wiring
