// Where the decoder is drawn: the first hollow that holds it with its wires, else the roomiest.
#pragma once

#include "core/record/job.h"

#include <optional>

namespace glimmet::core {

struct Seat {
    Point corner;  ///< front lower corner
    Millimetres length{}, height{};
    std::string hollow;  ///< name of the cavity; empty where the body has none
    bool fits = false;   ///< in length, height and width
};

/// Nothing where no decoder is chosen.
[[nodiscard]] std::optional<Seat> decoderSeat(const Job& job);

}  // namespace glimmet::core
