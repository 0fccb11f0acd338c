// A unit of a train: what stands on wheels of its own, or one building.
#pragma once

#include "core/record/body.h"
#include "core/record/motor.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// How the frame is wired; it decides what must be isolated from what.
enum class FrameKind { Insulated, FrameReturn, SplitFrame };
constexpr auto wordsOf(FrameKind) {
    return std::to_array<Word<FrameKind>>({{FrameKind::Insulated, "insulated"},
                                           {FrameKind::FrameReturn, "frame-return"},
                                           {FrameKind::SplitFrame, "split-frame"}});
}

/// What collects beside the wheels.
enum class CollectorKind { Roller, Slider, Wiper };
constexpr auto wordsOf(CollectorKind) {
    return std::to_array<Word<CollectorKind>>({{CollectorKind::Roller, "roller"},
                                               {CollectorKind::Slider, "slider"},
                                               {CollectorKind::Wiper, "wiper"}});
}
enum class Pole { Left, Right, Centre };
constexpr auto wordsOf(Pole) {
    return std::to_array<Word<Pole>>(
        {{Pole::Left, "left"}, {Pole::Right, "right"}, {Pole::Centre, "centre"}});
}
struct Collector {
    CollectorKind kind{};
    Pole pole = Pole::Centre;
    Millimetres x{};       ///< its middle, from the front end
    Millimetres length{};  ///< of what touches
    bool operator==(const Collector&) const = default;
};

/// What lies in a hollow from the factory and takes room there.
enum class FixtureKind { Weight, Speaker };
constexpr auto wordsOf(FixtureKind) {
    return std::to_array<Word<FixtureKind>>(
        {{FixtureKind::Weight, "weight"}, {FixtureKind::Speaker, "speaker"}});
}
struct Fixture {
    FixtureKind kind{};
    std::string place;  ///< name of the cavity
    std::optional<Point>
        at;  ///< its lower front corner from that of the hollow; nothing: at its rear end
    Millimetres length{}, width{}, height{};
    bool mayGo = false;  ///< may be milled away or taken out
    bool operator==(const Fixture&) const = default;
};

struct Unit {
    std::string id;                  ///< "U1"
    std::string name;                ///< "motor car"; may be empty where there is one only
    std::optional<FrameKind> frame;  ///< nothing: nobody looked
    Body body;
    std::vector<Motor> motors;  ///< as Body::motors; those beyond its places have none drawn
    std::vector<Collector> collectors;
    std::vector<Fixture> fixtures;
    bool operator==(const Unit&) const = default;
};

/// What leads from one unit to the next.
struct Coupling {
    Millimetres gap{};  ///< between the bodies
    int contacts = 0;   ///< wires that go across; 0: none
    bool operator==(const Coupling&) const = default;
};

}  // namespace glimmet::core
