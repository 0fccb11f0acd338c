// Whatever is fitted into a model beside the decoder that drives it and that decoder's stay-alive.
#pragma once

#include "core/record/fitted.h"
#include "core/record/part.h"
#include "core/record/stay_alive.h"

#include <optional>
#include <string>
#include <variant>

namespace glimmet::core {

struct SpeakerPart {
    std::string name;
    OuterMeasures size;
    Ohms impedance{};        ///< > 0
    bool enclosure = false;  ///< a box of its own is on it
    bool operator==(const SpeakerPart&) const = default;
};
struct WeightPart {
    std::string name;
    OuterMeasures size;
    bool operator==(const WeightPart&) const = default;
};
struct BoardPart {
    std::string name;
    OuterMeasures size;
    bool operator==(const BoardPart&) const = default;
};
struct ConnectorPart {
    std::string name;
    OuterMeasures size;
    int contacts = 2;    ///< > 0
    bool keyed = false;  ///< it goes together one way round only
    bool operator==(const ConnectorPart&) const = default;
};
struct SwitchPart {
    std::string name;
    OuterMeasures size;
    Amperes limit{};  ///< printed on it, > 0
    int poles = 1;    ///< 1: it opens one wire; 2: both
    bool operator==(const SwitchPart&) const = default;
};
struct HolderPart {
    std::string name;
    OuterMeasures size;
    bool operator==(const HolderPart&) const = default;
};

/// A decoder here drives no motor: it is a second one, for functions only.
using ItemPart = std::variant<Decoder, BankPart, SpeakerPart, WeightPart, BoardPart, ConnectorPart,
                              SwitchPart, HolderPart>;
struct FittedItem {
    std::string id;  ///< "I7"
    ItemPart part;
    std::optional<OuterMeasures> outer{};  ///< measured, as it goes in; nothing: the part's own
    std::optional<Fitted> placement{};     ///< nothing: not placed yet
    bool operator==(const FittedItem&) const = default;
};

}  // namespace glimmet::core
