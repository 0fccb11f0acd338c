// What a decoder is asked to be beside what the model needs: the owner's wishes, the socket.
#pragma once

#include "core/quantity/quantities.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// What its owner runs it with. Nothing set: not told.
struct Controller {
    std::optional<int> keys;            ///< functions that it reaches, F0 among them; 1 … 69
    std::optional<int> longestAddress;  ///< 1 … 10239
    std::optional<bool> readsBack;
    bool operator==(const Controller&) const = default;
};

/// A wish of the owner's that is not met, and why; told at hand-over.
struct RefusedWish {
    std::string what;  ///< "lamps"
    std::string why;
    bool operator==(const RefusedWish&) const = default;
};

/// Nothing set: any will do.
struct Wanted {
    bool sound = false;
    std::string
        socket;  ///< "8-pin"; "none": the model has none, leads are soldered; empty: not said
    std::optional<Millimetres> longest;
    std::optional<double> price;         ///< at the most, in the workshop's money
    std::vector<RefusedWish> refused{};  ///< of other things, each once
    std::string soundRefused;            ///< why the wish for sound is not met; told at hand-over
    bool operator==(const Wanted&) const = default;
};

}  // namespace glimmet::core
