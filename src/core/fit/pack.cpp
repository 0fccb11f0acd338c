#include "core/fit/pack.h"

#include <algorithm>
#include <utility>

namespace glimmet::core::fit {
namespace {

constexpr double hair = 1e-6;               // mm: what counts as touching
constexpr std::size_t mostTries = 300'000;  // positions looked at before the search gives up

double volume(const Triple& size) { return size[0].value() * size[1].value() * size[2].value(); }

bool apart(const Lies& a, const Lies& b, double gap) {
    if (a.hollow != b.hollow) return true;
    for (std::size_t axis = 0; axis < 3; ++axis) {
        const double aFrom = a.corner[axis].value(), aTo = aFrom + a.size[axis].value();
        const double bFrom = b.corner[axis].value(), bTo = bFrom + b.size[axis].value();
        if (aTo + gap <= bFrom + hair || bTo + gap <= aFrom + hair) return true;
    }
    return false;
}

bool holds(const Triple& hollow, const Triple& size) {
    for (std::size_t axis = 0; axis < 3; ++axis) {
        if (size[axis].value() > hollow[axis].value() + hair) return false;
    }
    return true;
}

bool mayLie(const Part& part, std::size_t hollow) {
    return part.hollows.empty() ||
           std::find(part.hollows.begin(), part.hollows.end(), hollow) != part.hollows.end();
}

std::vector<Triple> waysOf(const Part& part) {
    return part.turns ? turned(part.size) : std::vector<Triple>{part.size};
}

/// Looks for a place for each part that is wanted, among those that lie.
class Search {
public:
    Search(const std::vector<Hollow>& hollows, const std::vector<Part>& parts, double gap,
           std::vector<std::optional<Lies>> lie)
        : m_hollows(hollows), m_parts(parts), m_gap(gap), m_lie(std::move(lie)) {}
    /// In that order. Nothing: none was found.
    std::optional<std::vector<std::optional<Lies>>> with(const std::vector<std::size_t>& wanted) {
        const auto before = m_lie;
        m_order = wanted;
        m_tries = 0;
        const bool all = place(0);
        const auto found = std::exchange(m_lie, before);
        return all ? std::optional(found) : std::nullopt;
    }

private:
    bool place(std::size_t at) {
        if (at == m_order.size()) return true;
        const Part& part = m_parts[m_order[at]];
        // As it is given in any hollow, before it is turned.
        for (const Triple& size : waysOf(part)) {
            for (std::size_t h = 0; h < m_hollows.size(); ++h) {
                if (mayLie(part, h) && holds(m_hollows[h].size, size) && placeIn(at, h, size))
                    return true;
            }
        }
        return false;
    }
    /// Against a wall or against another part, along each axis.
    std::vector<double> edges(std::size_t hollow, std::size_t axis, double size) const {
        const double room = m_hollows[hollow].size[axis].value();
        std::vector<double> all{0, std::max(room - size, 0.0)};
        for (const auto& lies : m_lie) {
            if (!lies || lies->hollow != hollow) continue;
            all.push_back(lies->corner[axis].value() + lies->size[axis].value() + m_gap);
            const double before = lies->corner[axis].value() - m_gap - size;
            if (before > 0) all.push_back(before);
        }
        std::sort(all.begin(), all.end());
        all.erase(
            std::unique(all.begin(), all.end(), [](double a, double b) { return b - a < hair; }),
            all.end());
        std::erase_if(all, [&](double from) { return from + size > room + hair; });
        return all;
    }
    bool placeIn(std::size_t at, std::size_t hollow, const Triple& size) {
        const std::size_t part = m_order[at];
        const auto xs = edges(hollow, 0, size[0].value()), ys = edges(hollow, 1, size[1].value()),
                   zs = edges(hollow, 2, size[2].value());
        for (const double z : zs) {  // low first
            for (const double y : ys) {
                for (const double x : xs) {
                    if (++m_tries >= mostTries) return false;
                    const Lies lies{hollow, {Millimetres{x}, Millimetres{y}, Millimetres{z}}, size};
                    if (!free(lies)) continue;
                    m_lie[part] = lies;
                    if (place(at + 1)) return true;
                    m_lie[part].reset();
                }
            }
        }
        return false;
    }
    bool free(const Lies& wanted) const {
        return std::all_of(m_lie.begin(), m_lie.end(), [&](const std::optional<Lies>& other) {
            return !other || apart(wanted, *other, m_gap);
        });
    }
    const std::vector<Hollow>& m_hollows;
    const std::vector<Part>& m_parts;
    double m_gap;
    std::vector<std::optional<Lies>> m_lie;
    std::vector<std::size_t> m_order;
    std::size_t m_tries = 0;
};

/// Whether no arrangement at all can be.
bool certainlyNot(const std::vector<Hollow>& hollows, const std::vector<Part>& parts) {
    double room = 0, wanted = 0;
    for (const Hollow& hollow : hollows) room += volume(hollow.size);
    for (const Part& part : parts) {
        wanted += volume(part.size);
        if (part.fixed) continue;
        bool somewhere = false;
        for (std::size_t h = 0; h < hollows.size(); ++h) {
            for (const Triple& size : waysOf(part))
                somewhere |= mayLie(part, h) && holds(hollows[h].size, size);
        }
        if (!somewhere) return true;
    }
    return wanted > room + hair;
}

}  // namespace

std::vector<Triple> turned(const Triple& size) {
    std::vector<Triple> all;
    std::array<std::size_t, 3> order{0, 1, 2};
    do {
        const Triple way{size[order[0]], size[order[1]], size[order[2]]};
        if (std::find(all.begin(), all.end(), way) == all.end()) all.push_back(way);
    } while (std::next_permutation(order.begin(), order.end()));
    return all;
}

Packed pack(const std::vector<Hollow>& hollows, const std::vector<Part>& parts, Millimetres gap) {
    Packed packed{std::vector<std::optional<Lies>>(parts.size()), false, false};
    std::vector<std::size_t> order;
    for (std::size_t i = 0; i < parts.size(); ++i) {
        packed.parts[i] = parts[i].fixed;
        if (!parts[i].fixed) order.push_back(i);
    }
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return volume(parts[a].size) > volume(parts[b].size);
    });
    Search search(hollows, parts, gap.value(), packed.parts);
    packed.proved = certainlyNot(hollows, parts);
    if (!packed.proved) {
        if (auto all = search.with(order)) {
            packed.parts = std::move(*all);
            packed.fits = true;
            return packed;
        }
    }
    // As many as go in together, the largest first.
    std::vector<std::size_t> together;
    for (const std::size_t part : order) {
        together.push_back(part);
        if (auto lie = search.with(together))
            packed.parts = std::move(*lie);
        else
            together.pop_back();
    }
    return packed;
}

namespace {

/// One axis of what lies in a hollow.
struct Axis {
    const std::vector<Laid>& all;
    std::size_t axis;
    double room;

    double from(std::size_t i) const { return all[i].lies.corner[axis].value(); }
    double to(std::size_t i) const { return from(i) + all[i].lies.size[axis].value(); }
    /// Whether they would meet if one of them were moved along the axis.
    bool inTheWay(std::size_t a, std::size_t b) const {
        for (std::size_t other = 0; other < 3; ++other) {
            if (other == axis) continue;
            const Lies &one = all[a].lies, &two = all[b].lies;
            if (one.corner[other] + one.size[other] <= two.corner[other] ||
                two.corner[other] + two.size[other] <= one.corner[other])
                return false;
        }
        return a != b;
    }
    /// Where it lies once it and all below it are pushed down.
    double lowest(std::size_t i) const {
        if (all[i].fixed) return from(i);
        double least = 0;
        for (std::size_t k = 0; k < all.size(); ++k) {
            if (inTheWay(i, k) && to(k) <= from(i) + hair)
                least = std::max(least, lowest(k) + all[k].lies.size[axis].value());
        }
        return least;
    }
    /// Where it ends once it and all above it are pushed up.
    double highest(std::size_t i) const {
        if (all[i].fixed) return to(i);
        double most = room;
        for (std::size_t k = 0; k < all.size(); ++k) {
            if (inTheWay(i, k) && from(k) >= to(i) - hair)
                most = std::min(most, highest(k) - all[k].lies.size[axis].value());
        }
        return most;
    }
};

}  // namespace

Play playOf(std::size_t part, std::size_t axis, const Triple& hollow,
            const std::vector<Laid>& all) {
    const Axis along{all, axis, hollow[axis].value()};
    Play play{Millimetres{along.from(part) - along.lowest(part)},
              Millimetres{along.highest(part) - along.to(part)}};
    for (std::size_t i = 0; i < all.size(); ++i) {
        if (!along.inTheWay(part, i)) continue;
        if (along.to(i) <= along.from(part) + hair &&
            (!play.downTo || along.to(i) > along.to(*play.downTo)))
            play.downTo = i;
        if (along.from(i) >= along.to(part) - hair &&
            (!play.upTo || along.from(i) < along.from(*play.upTo)))
            play.upTo = i;
    }
    return play;
}

}  // namespace glimmet::core::fit
