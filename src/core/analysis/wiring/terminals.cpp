#include "core/analysis/wiring/terminals.h"

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
