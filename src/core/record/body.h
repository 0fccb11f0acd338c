// The body of a model as the picture and later the fit need it: a side profile in millimetres,
// hollows inside, axles, and where lamps can sit.
//
// x runs back from the front end, z up from the rail head (from the ground for structures).
#pragma once

#include "core/quantity/quantities.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

enum class BodyKind {
    DockShunter,
    Railcar,
    Saloon,
    RotaryPlough,
    Railbus,
    CraneTender,
    Lighthouse,
    QuayHouse,
};
inline constexpr BodyKind bodyKinds[] = {
    BodyKind::DockShunter, BodyKind::Railcar,     BodyKind::Saloon,     BodyKind::RotaryPlough,
    BodyKind::Railbus,     BodyKind::CraneTender, BodyKind::Lighthouse, BodyKind::QuayHouse};
/// Stable names for files: "dock-shunter" …
[[nodiscard]] std::string_view name(BodyKind kind);
[[nodiscard]] std::optional<BodyKind> bodyKindNamed(std::string_view name);
[[nodiscard]] bool isStructure(BodyKind kind);

struct Point {
    Millimetres x{}, z{};
    bool operator==(const Point&) const = default;
};

struct Cavity {
    std::string name;  ///< "cab floor", "boiler"
    Point corner;      ///< front lower corner
    Millimetres length{}, height{}, width{};
    bool operator==(const Cavity&) const = default;
};

struct Axle {
    Millimetres x{};         ///< from the front end
    Millimetres diameter{};  ///< of the tread
    bool driven = false;
    bool collectsLeft = true, collectsRight = true;
    bool operator==(const Axle&) const = default;
};

enum class Facing { Front, Rear, Inside };
[[nodiscard]] std::string_view name(Facing facing);  ///< "front" "rear" "inside"
[[nodiscard]] std::optional<Facing> facingNamed(std::string_view name);

/// A place made for a lamp.
struct LampSite {
    std::string name;  ///< "front lamp"
    Point at;
    Facing facing{};
    bool operator==(const LampSite&) const = default;
};

struct Body {
    BodyKind kind{};
    Millimetres length{}, height{}, width{};
    std::vector<Point> profile;                ///< closed outline, at least three points
    std::vector<std::vector<Point>> openings;  ///< windows and doors, closed outlines
    std::vector<Cavity> cavities;
    std::vector<Axle> axles;
    std::vector<LampSite> sites;
    std::optional<Point> motor;  ///< middle of the motor, if there is one
    bool operator==(const Body&) const = default;
};

/// A believable body of a kind, to start from, at the given length over buffers (structures:
/// over the base). Range: length > 0.
[[nodiscard]] Body bodyTemplate(BodyKind kind, Millimetres length);
/// A usual length of the kind at a scale ratio (87 for H0).
[[nodiscard]] Millimetres usualLength(BodyKind kind, double ratio);

}  // namespace glimmet::core
