#include "core/analysis/placement/placement.h"

#include "core/analysis/job_analysis.h"
#include "core/fit/pack.h"

#include <algorithm>

namespace glimmet::core {
namespace {

constexpr Millimetres gap{0.3};  // between things (handbook 5.1: to a fixed surface)

constexpr Orientation ways[] = {
    Orientation::Flat,    Orientation::OnSide,          Orientation::Crosswise,
    Orientation::Upright, Orientation::CrosswiseOnSide, Orientation::UprightCrosswise};

fit::Triple sizeOf(const Box& box) { return {box.length, box.width, box.height}; }

/// Every hollow of the train, and what came with it in there.
struct Rooms {
    struct Room {
        std::size_t unit;
        const Cavity* cavity;
    };
    std::vector<Room> rooms;
    std::vector<fit::Hollow> hollows;  ///< as rooms
    std::vector<fit::Part> fixtures;

    explicit Rooms(const Job& job) {
        for (std::size_t u = 0; u < job.units.size(); ++u) {
            for (const Cavity& cavity : job.units[u].body.cavities) {
                rooms.push_back({u, &cavity});
                hollows.push_back({cavity.name, {cavity.length, cavity.width, cavity.height}});
                for (const Fixture& fixture : job.units[u].fixtures) {
                    if (fixture.place == cavity.name) add(job.units[u], fixture);
                }
            }
        }
    }
    /// Where it was put, or anywhere where that was not said; one that is not there any more holds
    /// nothing.
    [[nodiscard]] std::vector<std::size_t> mayHold(const Job& job, const Box& box) const {
        if (!box.wanted) return {};
        std::vector<std::size_t> all;
        for (std::size_t h = 0; h < rooms.size(); ++h) {
            if (job.units[rooms[h].unit].id == box.wanted->unit &&
                (box.wanted->place.empty() || rooms[h].cavity->name == box.wanted->place))
                all.push_back(h);
        }
        if (all.empty()) all.push_back(rooms.size());
        return all;
    }
    /// The roomiest of those that a box may lie in.
    [[nodiscard]] std::optional<std::size_t> roomiest(const std::vector<std::size_t>& may) const {
        std::optional<std::size_t> chosen;
        const auto area = [&](std::size_t h) {
            return rooms[h].cavity->length * rooms[h].cavity->height;
        };
        for (std::size_t h = 0; h < rooms.size(); ++h) {
            if (!may.empty() && std::find(may.begin(), may.end(), h) == may.end()) continue;
            if (!chosen || area(h) > area(*chosen)) chosen = h;
        }
        return chosen;
    }

private:
    /// It takes the whole width: how far it leaves some beside it nobody measures.
    void add(const Unit& unit, const Fixture& fixture) {
        const auto taken = lies(unit, fixture);
        if (!taken) return;
        const Cavity& cavity = *rooms.back().cavity;
        fit::Part part{std::string(name(fixture.kind)), {}};
        part.size = {taken->length, cavity.width, taken->height};
        part.fixed = fit::Lies{
            rooms.size() - 1,
            {taken->corner.x - cavity.corner.x, Millimetres{0}, taken->corner.z - cavity.corner.z},
            part.size};
        fixtures.push_back(std::move(part));
    }
};

Orientation orientationOf(const Box& box, const fit::Triple& size) {
    for (const Orientation way : ways) {
        if (sizeOf(posed(box, way)) == size) return way;
    }
    return Orientation::Flat;
}

}  // namespace

Box posed(Box box, Orientation orientation) {
    const auto made = [&](Millimetres length, Millimetres width, Millimetres height) {
        box.length = length;
        box.width = width;
        box.height = height;
        return box;
    };
    const Millimetres l = box.length, w = box.width, h = box.height;
    switch (orientation) {
        case Orientation::Flat:
            break;
        case Orientation::OnSide:
            return made(l, h, w);
        case Orientation::Crosswise:
            return made(w, l, h);
        case Orientation::Upright:
            return made(h, w, l);
        case Orientation::CrosswiseOnSide:
            return made(h, l, w);
        case Orientation::UprightCrosswise:
            return made(w, h, l);
    }
    return box;
}

Text inHollow(const std::string& hollow, Orientation orientation) {
    switch (orientation) {
        case Orientation::Flat:
            break;
        case Orientation::OnSide:
            return text("the %1, on its side", hollow);
        case Orientation::Crosswise:
            return text("the %1, crosswise", hollow);
        case Orientation::Upright:
            return text("the %1, upright", hollow);
        case Orientation::CrosswiseOnSide:
            return text("the %1, crosswise on its side", hollow);
        case Orientation::UprightCrosswise:
            return text("the %1, upright and crosswise", hollow);
    }
    return text("the %1", hollow);
}

std::optional<Cavity> lies(const Unit& unit, const Fixture& fixture) {
    const auto& cavities = unit.body.cavities;
    const auto hollow = std::find_if(cavities.begin(), cavities.end(), [&](const Cavity& cavity) {
        return cavity.name == fixture.place;
    });
    if (hollow == cavities.end()) return {};
    Cavity made = *hollow;
    made.length = std::min(fixture.length, hollow->length);
    made.height = std::min(fixture.height, hollow->height);
    made.width = std::min(fixture.width, hollow->width);
    const Millimetres most = hollow->length - made.length;
    const Millimetres highest = hollow->height - made.height;
    const Millimetres none{0};
    made.corner.x += fixture.at ? std::clamp(fixture.at->x, none, most) : most;
    made.corner.z += fixture.at ? std::clamp(fixture.at->z, none, highest) : none;
    return made;
}

std::vector<Placement> placements(const Job& job, const Box* instead) {
    std::vector<Box> boxes = boxesOf(job);
    if (instead) {
        const auto own = std::find_if(boxes.begin(), boxes.end(),
                                      [&](const Box& box) { return box.what == instead->what; });
        if (own == boxes.end())
            boxes.push_back(*instead);
        else
            *own = *instead;
    }
    const Rooms rooms(job);
    std::vector<fit::Part> parts = rooms.fixtures;
    for (const Box& box : boxes)
        parts.push_back({box.what, sizeOf(box), true, {}, rooms.mayHold(job, box)});
    const fit::Packed packed = fit::pack(rooms.hollows, parts, gap);
    const Body& first = job.units.front().body;
    std::vector<Placement> all;
    for (std::size_t i = 0; i < boxes.size(); ++i) {
        const auto& found = packed.parts[rooms.fixtures.size() + i];
        Placement placement{std::move(boxes[i]), 0, {}, {}, found.has_value(), {}, found};
        auto room = found ? std::optional(found->hollow)
                          : rooms.roomiest(parts[rooms.fixtures.size() + i].hollows);
        if (found) {
            placement.orientation = orientationOf(placement.box, found->size);
            placement.box = posed(std::move(placement.box), placement.orientation);
        }
        placement.corner = {(first.length - placement.box.length) / 2.0, first.height / 2.0};
        if (room) {
            const Cavity& cavity = *rooms.rooms[*room].cavity;
            placement.unit = rooms.rooms[*room].unit;
            placement.hollow = cavity.name;
            placement.corner = cavity.corner;
            if (found) {
                placement.corner.x += found->corner[0];
                placement.corner.z += found->corner[2];
            }
        }
        all.push_back(std::move(placement));
    }
    return all;
}

namespace {

struct PlacementsFact {
    using Value = std::vector<Placement>;
    using Read = Reads<&Job::units, &Job::decoder, &Job::bank, &Job::items>;
    static Value of(const JobAnalysis& facts) { return placements(facts.job); }
};

}  // namespace

const std::vector<Placement>& placements(const JobAnalysis& facts) {
    return facts.fact<PlacementsFact>();
}

const Placement* placementOf(const std::vector<Placement>& placements, std::string_view what) {
    for (const Placement& placement : placements) {
        if (placement.box.what == what) return &placement;
    }
    return nullptr;
}

}  // namespace glimmet::core
