// What feeds a model and how it is commanded, as it was found.
#pragma once

#include "core/power/pack.h"
#include "core/quantity/quantities.h"
#include "core/record/measured.h"
#include "core/words.h"

#include <optional>

namespace glimmet::core {

/// Stages, kinds of pickup, checks and settings follow from it.
enum class Feed {
    TwoRailDcc,
    ThreeRailDigital,  ///< outer rails one pole, a slider on the middle the other
    PlainDc,           ///< on the rails; it reverses with the direction
    BatteryRadio,
    FixedDc,  ///< a supply that never reverses: structures
    Ac,       ///< a sine of the mains' rhythm: structures, coaches of old three-rail layouts
};
constexpr auto wordsOf(Feed) {
    return std::to_array<Word<Feed>>({{Feed::TwoRailDcc, "two-rail-dcc"},
                                      {Feed::ThreeRailDigital, "three-rail-digital"},
                                      {Feed::PlainDc, "plain-dc"},
                                      {Feed::BatteryRadio, "battery-radio"},
                                      {Feed::FixedDc, "fixed-dc"},
                                      {Feed::Ac, "ac"}});
}
/// The full track volts lie on it all the time, alternating.
[[nodiscard]] constexpr bool isDigital(Feed feed) {
    return feed == Feed::TwoRailDcc || feed == Feed::ThreeRailDigital;
}
/// Its volts turn round by themselves, many times a second.
[[nodiscard]] constexpr bool alternates(Feed feed) { return isDigital(feed) || feed == Feed::Ac; }

/// A bridge rectifier that was put before the lamps that hang straight on the supply.
enum class LampBridge { Silicon, Schottky };
constexpr auto wordsOf(LampBridge) {
    return std::to_array<Word<LampBridge>>(
        {{LampBridge::Silicon, "silicon"}, {LampBridge::Schottky, "schottky"}});
}

enum class CapacitorKind { Electrolytic, Ceramic, Tantalum };
constexpr auto wordsOf(CapacitorKind) {
    return std::to_array<Word<CapacitorKind>>({{CapacitorKind::Electrolytic, "electrolytic"},
                                               {CapacitorKind::Ceramic, "ceramic"},
                                               {CapacitorKind::Tantalum, "tantalum"}});
}

/// A capacitor behind that bridge: it carries the lamps where the rails give nothing.
struct Smoothing {
    CapacitorKind kind{};
    Farads capacitance{};  ///< as printed, > 0
    Volts rated{};         ///< > 0
    Ohms charge{};         ///< in its charge path, a diode past it; 0: none
    Ohms bleed{};          ///< straight across it, which empties it without track; 0: none
    bool operator==(const Smoothing&) const = default;
};

/// Where a battery is joined to a decoder: past its rectifier, or on the leads of the rails.
enum class PackOn { Terminals, Rails };
constexpr auto wordsOf(PackOn) {
    return std::to_array<Word<PackOn>>(
        {{PackOn::Terminals, "terminals"}, {PackOn::Rails, "rails"}});
}

/// What is not measured is assumed from feed and scale or from the house.
struct Supply {
    std::optional<Measured<Volts>> volts;
    std::optional<Measured<Volts>> rectifier;
    std::optional<Measured<Volts>> bridge;
    std::optional<Measured<Volts>> outputSwitch;
    std::optional<BatteryPack> pack;  ///< of what carries its supply along
    std::optional<PackOn> packOn{};   ///< nothing: nobody said
    /// Of an analogue transformer of three-rail, which it may be put on, as a meter reads it; 0: it
    /// never is; nothing: nobody said.
    std::optional<Volts> pulse{};
    std::optional<Amperes> limit{};  ///< the most that it gives, > 0; nothing: not told
    bool polarityUnknown = false;    ///< of fixed DC: nobody knows which lead is plus
    std::optional<LampBridge> lampBridge;
    std::optional<Smoothing> smoothing;
    bool operator==(const Supply&) const = default;
};

}  // namespace glimmet::core
