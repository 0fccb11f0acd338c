// What the makers of a job's wiring share while they build it.
#pragma once

#include "core/analysis/wiring/wiring.h"

#include <map>
#include <set>
#include <utility>

namespace glimmet::core::wiring {

struct Building {
    const Job& job;
    ResistorLeg leg;
    std::size_t home;
    const Stand& stand;
    Wiring made{};
    // Where each stands in what is made.
    std::map<TerminalId, std::size_t> terminals{};
    std::map<std::string, std::size_t> nets{};
    std::set<std::pair<std::size_t, TerminalId>> joinedAlready{};

    [[nodiscard]] bool plan() const { return stand.which == Stand::Which::Plan; }
    [[nodiscard]] bool isOut(const std::string& owner) const;
    [[nodiscard]] const std::string& unitId(std::size_t unit) const { return job.units[unit].id; }
    /// A terminal, added where it is not there.
    TerminalId add(TerminalId id, const std::string& unit, Role role, Reach reach = Reach::BodyOff,
                   std::optional<Point> at = {});
    /// Puts a terminal into a net, made where it is not there.
    void join(Net::Kind kind, const std::string& net, const TerminalId& terminal);
    /// An element, but for one of something that is out.
    void between(Element::Kind kind, const TerminalId& a, const TerminalId& b, std::string of);
};

/// Poles of the track by the pins of the rail owner: left and right, with a middle conductor both
/// of them and the centre.
[[nodiscard]] bool onRails(const Job& job);
[[nodiscard]] inline bool hasCentre(const Job& job) { return job.feed == Feed::ThreeRailDigital; }
/// The net of a rail, by its pin: both running rails of a track with a middle conductor are one.
[[nodiscard]] std::string railNet(const Job& job, const std::string& pin);
/// The rails that a red and a black lead go to (S-9.1.1).
[[nodiscard]] inline const char* redRail(const Job& job) {
    return hasCentre(job) ? "centre" : "right";
}

void addUnits(Building& building);
void addMotors(Building& building);
void addDecoder(Building& building);
void addStayAlive(Building& building);
void addSupply(Building& building);
/// Their two leads; no net has them yet but the decoder's own.
void addSpeakers(Building& building);
void addLamps(Building& building);
void addRecordedWires(Building& building);
/// Conductors of every net: in each unit from its first terminal to the others, over couplings by
/// their contacts.
void addConductors(Building& building);

/// Whether lamps hang straight on the rails of their unit, through a bridge or not.
[[nodiscard]] bool straightOnRails(const Job& job, const LampGroup& group);

}  // namespace glimmet::core::wiring
