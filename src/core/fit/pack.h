// Boxes into hollows: whether parts go in together, and where each lies then. Axis-aligned; knows
// no model. Lengths run back, widths to the left, heights up; a corner is the front, right, lower
// one.
//   const Packed packed = pack({{"hood", {60mm, 14mm, 9mm}}}, {{"D", {20mm, 12mm, 4mm}, true}},
//   0.3mm);
#pragma once

#include "core/quantity/quantities.h"

#include <array>
#include <cstddef>
#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::fit {

/// Back, left, up; of sizes > 0.
using Triple = std::array<Millimetres, 3>;

struct Hollow {
    std::string name;
    Triple size;
};
/// Where a part lies: in which hollow, its corner counted from the hollow's, and how large it is as
/// it is turned there.
struct Lies {
    std::size_t hollow = 0;
    Triple corner{};
    Triple size{};
    bool operator==(const Lies&) const = default;
};
struct Part {
    std::string id;
    Triple size;
    bool turns = false;                  ///< in all six ways; else as it is given
    std::optional<Lies> fixed{};         ///< it lies there and nowhere else
    std::vector<std::size_t> hollows{};  ///< that it may lie in; empty: any
};

struct Packed {
    std::vector<std::optional<Lies>>
        parts;          ///< in the order in which they were given; nothing: out
    bool fits = false;  ///< all lie somewhere
    /// It does not fit, and that is certain: a part is larger than every hollow it may lie in, or
    /// all together take more room than there is. A search that only gave up leaves it false.
    bool proved = false;
};

/// Any two parts of a hollow stay `gap` apart along at least one axis; none is kept to the walls.
/// Lengths are compared to within 1e-6 mm. Parts are laid against walls and each other, the largest
/// first, those that come first in front and low; every such arrangement is tried until one holds,
/// up to some hundred thousand. Where not all go in, as many of the largest as were found to lie
/// together do. Range: gap >= 0.
[[nodiscard]] Packed pack(const std::vector<Hollow>& hollows, const std::vector<Part>& parts,
                          Millimetres gap);

/// The six ways of turning a size, as it is given first; those that come to the same once.
[[nodiscard]] std::vector<Triple> turned(const Triple& size);

/// How far a part may be moved along an axis, down it and up it, once those that can move make way.
struct Play {
    Millimetres down{}, up{};
    std::optional<std::size_t> downTo{}, upTo{};  ///< the next one there; nothing: the wall
};
/// What lies in one hollow. `fixed`: it cannot make way.
struct Laid {
    Lies lies;
    bool fixed = false;
};
/// Of one of them, by its index. Range: axis < 3.
[[nodiscard]] Play playOf(std::size_t part, std::size_t axis, const Triple& hollow,
                          const std::vector<Laid>& all);

}  // namespace glimmet::core::fit
