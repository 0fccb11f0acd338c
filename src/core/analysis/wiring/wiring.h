// The wiring of a model: its terminals, what has to be joined, the conductors that join it, and
// what lies between. Built from the record of a job, as it will be or as it was found; probe
// points, wires across couplings and meters read it.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::wiring {

/// What has to be open before a probe reaches a terminal.
enum class Reach { Outside, BodyOff };

enum class Role {
    Rail,
    Wheel,   ///< or what slides on a stud or rail
    Pickup,  ///< where a unit's pickups of one rail come together
    Frame,
    Brush,
    Decoder,
    Lamp,
    Resistor,
    Driver,
    Switch,
    StayAlive,
    Supply,  ///< of what carries or gets its power otherwise than from the track
    Plug,
    Strip,
    Speaker,
    WireEnd  ///< that a wire of the record names and nothing else
};
struct Terminal {
    TerminalId id;
    std::string unit{};  ///< id; empty: the track, or outside the model
    Role role{};
    Reach reach = Reach::BodyOff;
    std::optional<Point> at{};  ///< in its unit; nothing: not told
    bool operator==(const Terminal&) const = default;
};

/// What must be one point, before a wire or a plug is chosen for it.
struct Net {
    /// In the order in which they get contacts of a coupling.
    enum class Kind { Motor, StayAlive, Common, Output, Lamps, Supply, Rail } kind{};
    std::string name;  ///< "motor plus", "output front"; unique in a wiring
    std::vector<TerminalId> joins;
    bool operator==(const Net&) const = default;
};

/// Of `wire` empty: as it is planned, before a wire is cut for it.
struct Conductor {
    TerminalId from, to;
    std::string wire{};  ///< id of the record's wire
    bool operator==(const Conductor&) const = default;
};

/// Where wires end that are soldered there: a splice is one joint, of however many.
struct Joint {
    TerminalId at;
    std::vector<std::string> wires;  ///< ids
    std::optional<Joints> state{};   ///< the least of its wires' ends; nothing: not made yet
    bool provisional = false;        ///< one of its wires comes out again
    bool operator==(const Joint&) const = default;
};

struct Element {
    enum class Kind {
        Winding,
        Resistor,
        Diode,
        Led,
        Bulb,
        Capacitor,
        Switch,
        Fuse,
        Wheel,    ///< on its rail
        Metal,    ///< touching metal: a brush on the frame, a wiper on a wheel
        Contact,  ///< of a plug
        Source
    } kind{};
    TerminalId a, b;   ///< of what has a polarity a is plus, or the anode
    std::string of{};  ///< what it belongs to: "M2", "L3/1/2"
    std::optional<Ohms> resistance{};
    std::optional<LampPart> lamp{};  ///< of LEDs and bulbs
    std::optional<Volts> volts{};    ///< of sources
    bool operator==(const Element&) const = default;
};
/// Whether what it joins is one point: all but those that have a law of their own.
[[nodiscard]] bool joins(Element::Kind kind);

/// What expands into elements where it gets power: its pins alone do not tell what flows.
struct Part {
    enum class Model { Decoder, Driver, StayAlive } model{};
    std::string id;
    std::vector<TerminalId> pins;
    bool operator==(const Part&) const = default;
};

/// As what the wiring is looked at.
struct Stand {
    enum class Which {
        Plan,  ///< with what was chosen
        Found  ///< as it came, as far as the record tells: its factory wires
    } which = Which::Plan;
    /// Owners of what is unplugged, unsoldered, lifted or switched off: "D1", "M2", "P1",
    /// "U1/axle2", "L3/switch".
    std::vector<std::string> out{};
};

struct Wiring {
    std::vector<Terminal> terminals;  ///< each id once
    std::vector<Net> nets;
    std::vector<Conductor> conductors;
    std::vector<Joint> joints;
    std::vector<Element> elements;
    std::vector<Part> parts;
    bool operator==(const Wiring&) const = default;

    [[nodiscard]] const Terminal* terminal(const TerminalId& id) const;
};

/// What must be joined by the plan, and the terminals of that: without conductors. `home`: the unit
/// that the decoder lies in; else homeUnit(). `leg`: the lead of a lamp that its resistor goes
/// into.
[[nodiscard]] Wiring required(const Job& job, ResistorLeg leg = ResistorLeg::Minus,
                              std::optional<std::size_t> home = {});

/// Everything, with conductors over couplings as far as their contacts reach.
[[nodiscard]] Wiring wiringOf(const Job& job, ResistorLeg leg, const Stand& stand);

}  // namespace glimmet::core::wiring
