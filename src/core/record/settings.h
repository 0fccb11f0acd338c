// What a decoder is to be told, by its meaning, and what was read back from it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/intake.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// "stops within 40 cm from 60 km/h": the deceleration follows from it.
struct StopWithin {
    Millimetres distance{};  ///< on the model, > 0
    double speed = 0;        ///< km/h of the prototype, > 0
    bool operator==(const StopWithin&) const = default;
};

struct Settings {
    std::optional<int> address{};     ///< 1 … 10239
    std::optional<int> speedSteps{};  ///< 28 or 128
    std::optional<double> start{};    ///< 0 … 1: of full voltage at the lowest step
    std::optional<double> middle{};
    std::optional<double> top{};
    std::optional<Seconds> startTime{};  ///< from rest to top speed
    std::optional<Seconds> stopTime{};
    std::optional<StopWithin> stop{};           ///< goes before stopTime
    std::vector<ConfigurationValue> own{};      ///< values by number, for what has no word here
    std::vector<ConfigurationValue> keyedIn{};  ///< ticked: the decoder was told so
    std::optional<SavedSettings> read{};        ///< the last read-back
    bool consist = false;                       ///< it shares its address on purpose
    bool operator==(const Settings&) const = default;
};

}  // namespace glimmet::core
