#include "core/analysis/wiring/terminals.h"

#include "core/analysis/motor_evidence.h"

#include <algorithm>
#include <utility>

namespace glimmet::core {
namespace {

/// Pins of a unit that are called otherwise; all others go by their own name.
constexpr std::pair<std::string_view, std::string_view> pins[] = {{"left", "left rail"},
                                                                  {"right", "right rail"},
                                                                  {"centre", "middle conductor"},
                                                                  {nowhere, "nothing"}};

bool isMotor(const Unit& unit, const std::string& owner) {
    return std::any_of(unit.motors.begin(), unit.motors.end(),
                       [&](const Motor& motor) { return motor.id == owner; });
}

}  // namespace

std::optional<std::size_t> unitOf(const Job& job, const TerminalId& terminal) {
    const std::string owner = terminal.owner.substr(0, terminal.owner.find('/'));
    const auto at = [&](const std::optional<Fitted>& fitted) {
        return fitted ? std::optional(unitAt(job, fitted->unit)) : std::nullopt;
    };
    if (owner == decoderOwner && job.decoder) return at(job.decoder->placement);
    if (owner == stayAliveOwner && job.bank) return at(job.bank->placement);
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        if (job.units[i].id == owner || isMotor(job.units[i], owner)) return i;
    }
    for (const FittedItem& item : job.items) {
        if (item.id == owner) return at(item.placement);
    }
    for (const FactoryLamp& lamp : job.factoryLamps) {
        if (lamp.id == owner) return unitAt(job, lamp.fitted.unit);
    }
    return {};
}

std::string lampOwner(const LampGroup& group, std::size_t row, std::size_t lamp) {
    return group.id + "/" + std::to_string(row + 1) + "/" + std::to_string(lamp + 1);
}
TerminalId plusOf(const LampGroup& group) { return {group.id, "plus"}; }
TerminalId minusOf(const LampGroup& group) { return {group.id, "minus"}; }

std::string called(const TerminalId& terminal) {
    for (const auto& [pin, words] : pins) {
        if (pin == terminal.pin) return std::string(words);
    }
    const bool brush =
        terminal.owner.starts_with('M') && (terminal.pin == "plus" || terminal.pin == "minus");
    return brush ? "motor " + terminal.pin : terminal.pin;
}

const LampGroup* groupOf(const Job& job, const std::string& owner) {
    const auto lamp = std::find_if(job.groups.begin(), job.groups.end(), [&](const auto& group) {
        return owner == group.id || owner.starts_with(group.id + "/");
    });
    return lamp == job.groups.end() ? nullptr : &*lamp;
}

namespace {

/// "cab lamp, plus", "headlamps 2, resistor": rows and lamps are counted where there are several.
std::string describedIn(const LampGroup& group, const TerminalId& terminal) {
    std::string within =
        terminal.owner.substr(std::min(group.id.size() + 1, terminal.owner.size()));
    const bool resistor = within == "R" || within.ends_with("/R");
    if (resistor) within.erase(within.size() < 2 ? 0 : within.size() - 2);
    if (group.rows.size() == 1 && within.starts_with("1")) within.erase(0, 2);
    const bool only = group.rows.size() == 1 && group.rows.front().lamps.size() == 1;
    if (only && within == "1") within.clear();
    const std::string name = within.empty() ? group.name : group.name + " " + within;
    return name + ", " + (resistor ? "resistor" : terminal.pin);
}

}  // namespace

Text described(const Job& job, const TerminalId& terminal) {
    const std::string& owner = terminal.owner;
    if (owner == railOwner) return verbatim(terminal.pin + " rail");
    if (terminal.pin == nowhere) return text("nothing");
    if (const LampGroup* group = groupOf(job, owner))
        return verbatim(describedIn(*group, terminal));
    if (owner == decoderOwner && job.decoder) return text("decoder, %1", terminal.pin);
    if (owner == stayAliveOwner && job.bank) return text("stay-alive, %1", terminal.pin);
    for (const MotorAt& at : motorsOf(job)) {
        if (at.motor->id != owner) continue;
        const std::string name = motorCalled(job, *at.motor);
        return name.empty() ? verbatim(called(terminal)) : text("%1 of %2", called(terminal), name);
    }
    const auto unit = unitOf(job, terminal);
    const std::string of = unit ? unitCalled(job, *unit) : std::string();
    const std::string part =
        owner.find('/') == std::string::npos ? "" : owner.substr(owner.find('/') + 1) + ", ";
    const std::string words = part + called(terminal);
    return of.empty() ? verbatim(words) : text("%1 of %2", words, of);
}

TerminalId terminalCalled(const Unit& unit, std::string_view words) {
    for (const auto& [pin, name] : pins) {
        if (name == words) return {unit.id, std::string(pin)};
    }
    constexpr std::string_view motor = "motor ";
    if (words.starts_with(motor) && !unit.motors.empty()) {
        return {unit.motors.front().id, std::string(words.substr(motor.size()))};
    }
    return {unit.id, std::string(words)};
}

}  // namespace glimmet::core
