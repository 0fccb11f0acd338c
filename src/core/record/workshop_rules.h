// The workshop's own rules and values.
#pragma once

#include "core/led/series.h"
#include "core/motor/condition.h"
#include "core/quantity/quantities.h"
#include "core/record/schools.h"
#include "core/words.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// The lead of a lamp that its resistor goes into. To the current it is all one; hands find it
/// where they look for it.
enum class ResistorLeg { Minus, Plus };
constexpr auto wordsOf(ResistorLeg) {
    return std::to_array<Word<ResistorLeg>>(
        {{ResistorLeg::Minus, "minus"}, {ResistorLeg::Plus, "plus"}});
}

/// Where lamps of one output get their resistors.
enum class LampResistors { Each, Shared };
constexpr auto wordsOf(LampResistors) {
    return std::to_array<Word<LampResistors>>(
        {{LampResistors::Each, "each"}, {LampResistors::Shared, "shared"}});
}

/// The rhythm of the mains, and of what a transformer makes of it.
enum class Mains { Fifty, Sixty };
constexpr auto wordsOf(Mains) {
    return std::to_array<Word<Mains>>({{Mains::Fifty, "50Hz"}, {Mains::Sixty, "60Hz"}});
}
/// From one crest of its sine, either way, to the next.
[[nodiscard]] constexpr Seconds halfOf(Mains mains) {
    return Seconds{mains == Mains::Sixty ? 1.0 / 120 : 0.01};
}

/// What is assumed until it is measured, and how limits are judged. Source: docs/physics.md.
struct WorkshopRules {
    RatingRule rule = RatingRule::Slip;
    double closeMargin = 0.15;      ///< within this share of a limit a state is close; 0 … 0.9
    Volts rectifier{1.2};           ///< two silicon drops
    Volts bridge{0.4};              ///< motor bridge of a decoder
    Volts outputSwitch{0.1};        ///< of a function output at lamp currents
    double supplySpread = 0.05;     ///< a layout's track volts from place to place
    Series drawers = Series::E12;   ///< the resistors that are at hand
    double meterTolerance = 0.01;   ///< a reading may be off by this share; 0 … 0.1
    ResistorLeg leg{};              ///< of new wiring, as it is drawn
    Mains mains{};                  ///< of AC supplies
    LampResistors lampResistors{};  ///< of several lamps on one output, where it is not said
    Isolation isolation{};
    DecoderJoint decoderJoint{};
    WireJoint wireJoint{};
    ResistorPlace resistorPlace{};
    SpeedCurve speedCurve{};
    Seconds runIn = usualRunIn;  ///< each way; 0: none
    FirstPower firstPower{};
    DirectionBy directionBy{};
    Volts lightingBus = usualLightingBus;
    AddressFrom address{};
    std::vector<std::string> decoders;  ///< ids of those that lie in the drawer, sorted
    bool operator==(const WorkshopRules&) const = default;
};

/// Where a job is judged otherwise than the house does.
struct JobOverrides {
    std::optional<RatingRule> rule;
    std::optional<double> closeMargin;
    std::optional<Volts> rectifier, bridge, outputSwitch;
    std::optional<double> supplySpread;
    std::optional<Series> drawers;
    std::optional<double> meterTolerance;
    std::optional<Mains> mains;
    std::optional<Isolation> isolation;
    std::optional<DecoderJoint> decoderJoint;
    std::optional<WireJoint> wireJoint;
    std::optional<ResistorPlace> resistorPlace;
    std::optional<SpeedCurve> speedCurve;
    std::optional<Seconds> runIn;
    std::optional<FirstPower> firstPower;
    std::optional<DirectionBy> directionBy;
    std::optional<Volts> lightingBus;
    std::optional<AddressFrom> address;
    bool operator==(const JobOverrides&) const = default;
};

/// The house with these instead of its own.
[[nodiscard]] WorkshopRules withOwn(WorkshopRules house, const JobOverrides& own);
/// What `other` has otherwise than `house`, but for what lies in its drawer.
[[nodiscard]] JobOverrides differences(const WorkshopRules& house, const WorkshopRules& other);

}  // namespace glimmet::core
