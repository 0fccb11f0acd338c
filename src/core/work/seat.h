// Where the decoder and the bank are drawn: where they were put, else in the first hollow that
// holds them with their wires beside what is there already, else in the roomiest.
#pragma once

#include "core/record/job.h"

#include <optional>

namespace glimmet::core {

struct Seat {
    std::size_t unit = 0;
    Point corner;  ///< front lower corner, in its unit
    Millimetres length{}, height{};
    std::string hollow;  ///< name of the cavity; empty where the body has none
    bool fits = false;   ///< in length, height and width
};
struct Seats {
    std::optional<Seat> decoder, bank;
};

[[nodiscard]] Seats seats(const Job& job);

}  // namespace glimmet::core
