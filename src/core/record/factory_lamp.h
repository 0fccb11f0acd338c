// A lamp that came with the model and is kept as it is.
#pragma once

#include "core/record/fitted.h"

#include <optional>
#include <string>

namespace glimmet::core {

/// Its circuit is not known, so no resistor is worked out for it and none is offered.
struct FactoryLamp {
    std::string id;    ///< "F7"
    std::string name;  ///< "rear marker"; unique in the job
    Fitted fitted;
    std::optional<bool> works{};  ///< nothing: not tried
    std::string on{};             ///< the day of that
    std::string output{};  ///< the decoder's output that switches it; empty: nobody followed it
    bool operator==(const FactoryLamp&) const = default;
};

}  // namespace glimmet::core
