// Wheels, pickups, frames and motors as terminals and what lies between them.
#include "core/analysis/wiring/building.h"
#include "core/analysis/wiring/terminals.h"

#include <algorithm>

namespace glimmet::core::wiring {
namespace {

using Kind = Element::Kind;

/// What touches a rail collects from it for its unit.
void addPickup(Building& building, std::size_t unit, const std::string& owner,
               const std::string& pole, Point at, bool collects) {
    const std::string& id = building.unitId(unit);
    const TerminalId wheel = building.add({owner, pole}, id, Role::Wheel, Reach::Outside, at);
    building.between(Kind::Wheel, {railOwner, pole}, wheel, owner);
    if (!collects) return;
    const TerminalId pickup = building.add({id, pole}, id, Role::Pickup);
    building.between(Kind::Metal, wheel, pickup, owner);
    building.join(Net::Kind::Rail, railNet(building.job, pole), pickup);
}

void addPickups(Building& building, std::size_t i) {
    const Unit& unit = building.job.units[i];
    for (std::size_t a = 0; a < unit.body.axles.size(); ++a) {
        const Axle& axle = unit.body.axles[a];
        const std::string owner = unit.id + "/axle" + std::to_string(a + 1);
        const Point at{axle.x, {}};
        addPickup(building, i, owner, "left", at, axle.collectsLeft);
        addPickup(building, i, owner, "right", at, axle.collectsRight);
    }
    for (std::size_t c = 0; c < unit.collectors.size(); ++c) {
        const Collector& each = unit.collectors[c];
        if (each.pole == Pole::Centre && !hasCentre(building.job)) continue;
        addPickup(building, i, unit.id + "/pickup" + std::to_string(c + 1),
                  std::string(name(each.pole)), {each.x, {}}, true);
    }
}

/// The rail that the frame is one with: as a factory wire between them tells, else the right one.
std::string railOfFrame(const Job& job, const Unit& unit) {
    for (const Wire& wire : job.wires) {
        const TerminalId frame{unit.id, "frame"};
        if (!wire.from) continue;
        for (const char* pole : {"left", "right"}) {
            const TerminalId rail{unit.id, pole};
            if ((*wire.from == frame && wire.to == rail) ||
                (*wire.from == rail && wire.to == frame)) {
                return pole;
            }
        }
    }
    return "right";
}

/// A frame, or a half of one, is one with a rail only where wheels of that side collect.
void addFrame(Building& building, std::size_t unit) {
    const Unit& each = building.job.units[unit];
    if (each.body.structure) return;
    const auto add = [&](const std::string& pin, const std::string& pole) {
        const TerminalId frame = building.add({each.id, pin}, each.id, Role::Frame, Reach::Outside);
        const TerminalId pickup{each.id, pole};
        if (building.terminals.count(pickup) > 0)
            building.between(Kind::Metal, frame, pickup, each.id);
    };
    if (each.frame == FrameKind::SplitFrame) {
        for (const char* pole : {"left", "right"}) add(std::string("frame ") + pole, pole);
    } else {
        const bool returns = each.frame == FrameKind::FrameReturn;
        add("frame", returns ? railOfFrame(building.job, each) : std::string());
    }
}

/// Where a brush that is not free touches.
TerminalId frameAtBrush(const Unit& unit) {
    return {unit.id, unit.frame == FrameKind::SplitFrame ? "frame left" : "frame"};
}

std::optional<Ohms> smallest(const std::vector<Measured<Ohms>>& windings) {
    const auto least = std::min_element(
        windings.begin(), windings.end(),
        [](const auto& one, const auto& other) { return one.value < other.value; });
    return least == windings.end() ? std::nullopt : std::optional(least->value);
}

bool factoryWired(const Job& job, const Motor& motor) {
    return std::any_of(job.wires.begin(), job.wires.end(), [&](const Wire& wire) {
        return wire.factory &&
               (wire.to.owner == motor.id || (wire.from && wire.from->owner == motor.id));
    });
}

}  // namespace

void addUnits(Building& building) {
    const Job& job = building.job;
    if (onRails(job)) {
        for (const char* pole : {"left", "right"})
            building.add({railOwner, pole}, {}, Role::Rail, Reach::Outside);
        if (hasCentre(job)) building.add({railOwner, "centre"}, {}, Role::Rail, Reach::Outside);
    }
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        if (onRails(job)) addPickups(building, i);
        addFrame(building, i);
    }
}

void addMotors(Building& building) {
    const Job& job = building.job;
    for (const Unit& unit : job.units) {
        for (const Motor& motor : unit.motors) {
            const TerminalId plus = building.add({motor.id, "plus"}, unit.id, Role::Brush);
            const TerminalId minus = building.add({motor.id, "minus"}, unit.id, Role::Brush);
            building.between(Kind::Winding, plus, minus, motor.id);
            if (!building.isOut(motor.id)) {
                building.made.elements.back().resistance = smallest(motor.windings);
            }
            if (motor.isolated == false && !unit.body.structure) {
                building.between(Kind::Metal, minus, frameAtBrush(unit), motor.id);
            }
            // Without a decoder it is on the rails, if it is to run on plain DC or came so.
            const bool straight = building.plan() ? !job.decoder && job.feed == Feed::PlainDc
                                                  : onRails(job) && !factoryWired(job, motor);
            if (building.plan() && job.decoder) {
                building.join(Net::Kind::Motor, "motor plus", plus);
                building.join(Net::Kind::Motor, "motor minus", minus);
            } else if (straight) {
                building.join(Net::Kind::Rail, railNet(job, redRail(job)), plus);
                building.join(Net::Kind::Rail, railNet(job, "left"), minus);
            }
        }
    }
}

namespace {

/// An end of a wire comes to what is joined at its terminal.
void addEnd(std::vector<Joint>& joints, const Wire& wire, const TerminalId& at,
            std::optional<Joints> state) {
    auto joint = std::find_if(joints.begin(), joints.end(),
                              [&](const Joint& each) { return each.at == at; });
    if (joint == joints.end()) {
        joints.push_back({at, {}, state, false});
        joint = std::prev(joints.end());
    }
    joint->wires.push_back(wire.id);
    // Nothing, not made yet, is less than any state.
    joint->state = std::min(joint->state, state);
    joint->provisional = joint->provisional || wire.provisional;
}

}  // namespace

void addRecordedWires(Building& building) {
    const Job& job = building.job;
    std::vector<Joint>& joints = building.made.joints;
    const auto end = [&](const TerminalId& id) {
        const auto unit = unitOf(job, id);
        return building.add(id, unit ? job.units[*unit].id : std::string(), Role::WireEnd);
    };
    for (const Wire& wire : job.wires) {
        // What the factory laid is taken out where a decoder goes in.
        if (wire.factory == building.plan()) continue;
        const TerminalId to = end(wire.to);
        const bool free = wire.to.pin == nowhere;
        if (!free) addEnd(joints, wire, to, wire.toJoint);
        if (!wire.from) continue;
        const TerminalId from = end(*wire.from);
        addEnd(joints, wire, from, wire.fromJoint);
        if (!free) building.made.conductors.push_back({from, to, wire.id});
    }
}

}  // namespace glimmet::core::wiring
