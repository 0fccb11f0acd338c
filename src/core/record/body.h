// The body of a unit as the picture and the fit need it: a side profile in millimetres, hollows
// inside, axles, and where lamps and motors can sit.
#pragma once

#include "core/record/fitted.h"

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

struct Cavity {
    std::string name;  ///< "cab floor", "boiler"
    Point corner;      ///< front lower corner
    Millimetres length{}, height{}, width{};
    Millimetres across{};   ///< its middle, from the centre line to the left
    bool measured = false;  ///< on this model; else as it is drawn
    bool operator==(const Cavity&) const = default;
};

struct Axle {
    Millimetres x{};         ///< from the front end
    Millimetres diameter{};  ///< of the tread
    bool driven = false;
    bool collectsLeft = true, collectsRight = true;
    bool looked = false;  ///< somebody found out which of its wheels collect; else as drawn
    bool operator==(const Axle&) const = default;
};

/// A place made for a lamp.
struct LampSite {
    std::string name;  ///< "front lamp"
    Point at;
    Facing facing{};
    bool operator==(const LampSite&) const = default;
};

struct Body {
    std::string kind;          ///< id of the drawing it came from: "dock-shunter"
    bool structure = false;    ///< stands on the ground: no wheels, no couplings
    bool ownMeasures = false;  ///< measured on the model: it does not follow the scale any more
    Millimetres length{}, height{}, width{};
    std::vector<Point> profile;                ///< closed outline, at least three points
    std::vector<std::vector<Point>> openings;  ///< windows and doors, closed outlines
    std::vector<std::vector<Point>> lines;     ///< what else is seen from the side
    std::vector<Cavity> cavities;
    std::vector<Axle> axles;
    std::vector<LampSite> sites;
    std::vector<Point> motors;  ///< middles of the motors there is room for
    bool operator==(const Body&) const = default;
};

/// A body as it is drawn, in millimetres of the prototype; the shipped ones are data
/// (resources/bodies), a user's own stand beside them.
struct BodyDrawing {
    std::string id;     ///< "dock-shunter"
    std::string title;  ///< "Dock shunter"
    std::string group;  ///< "Locomotives", "Wagons" …: how a chooser orders them
    Body body;
};

/// The body with every measure times a factor, rounded to 0.01 mm. Range: factor > 0.
[[nodiscard]] Body scaled(const Body& body, double factor);

/// Where its outline begins above the rail head (of structures: above the ground).
[[nodiscard]] Millimetres floorOf(const Body& body);
/// Its outline drawn out to a length, a floor and a roof, with all that is in it; wheels and
/// hollows that were measured keep their size. Range: length > 0, floor < roof.
[[nodiscard]] Body drawnOut(const Body& body, Millimetres length, Millimetres floor,
                            Millimetres roof);

}  // namespace glimmet::core
