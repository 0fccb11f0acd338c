// The lamps of a model: groups of rows of LEDs on outputs.
#pragma once

#include "core/led/light_path.h"
#include "core/led/resistor_package.h"
#include "core/led/series.h"
#include "core/led/wall.h"
#include "core/record/fitted.h"
#include "core/record/joints.h"
#include "core/record/measured.h"
#include "core/record/part.h"

#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace glimmet::core {

struct Lamp {
    Fitted fitted;
    LampPart part;
    bool measured = false;  ///< its forward point was read at the bench, not in a catalogue
    /// It stands across the one before it in its row: the row's current divides between them.
    bool parallel = false;
    std::string lot{};  ///< its number: the bag or order that it came from; empty: not told
    bool operator==(const Lamp&) const = default;
};

/// What was seen at a lamp tester.
enum class TesterLook { Lit, Dim, Dark, Reversed };
constexpr auto wordsOf(TesterLook) {
    return std::to_array<Word<TesterLook>>({{TesterLook::Lit, "lit"},
                                            {TesterLook::Dim, "dim"},
                                            {TesterLook::Dark, "dark"},
                                            {TesterLook::Reversed, "reversed"}});
}
/// What is held to two points of a lamp on the bench.
enum class TesterKind {
    Block,      ///< a 9 V block behind 1 kΩ
    Cell,       ///< a coin cell, 3 V
    DiodeTest,  ///< of a meter
    Supply,     ///< one that can be set, its current limited
};
constexpr auto wordsOf(TesterKind) {
    return std::to_array<Word<TesterKind>>({{TesterKind::Block, "block"},
                                            {TesterKind::Cell, "cell"},
                                            {TesterKind::DiodeTest, "diode-test"},
                                            {TesterKind::Supply, "supply"}});
}
struct Tester {
    TesterKind kind = TesterKind::Block;
    std::optional<Volts> volts{};  ///< that a supply is set to
    bool resistor = false;         ///< held to the row with its resistor, not to its lamps
    /// Held to the two wires of the group: all of its rows at once. Never with `resistor`.
    bool others = false;
    bool operator==(const Tester&) const = default;
};
struct Tested {
    TesterLook look{};
    std::string on;
    Tester with{};
    bool operator==(const Tested&) const = default;
};

/// By what light it is seen, as it is fitted.
enum class SeenIn { LitRoom, DarkRoom, Never };
constexpr auto wordsOf(SeenIn) {
    return std::to_array<Word<SeenIn>>(
        {{SeenIn::LitRoom, "lit-room"}, {SeenIn::DarkRoom, "dark-room"}, {SeenIn::Never, "never"}});
}
struct Lead {
    std::string colour;  ///< of its insulation
    std::string to;      ///< what it joins; empty: nobody noted it
    bool operator==(const Lead&) const = default;
};
/// How a row came to be in the model.
struct Installed {
    std::optional<Joints> joints;
    std::string on;  ///< when the last of that was done
    std::optional<Lead> plus, minus;
    std::optional<Measured<Amperes>> current;  ///< read in the row, lit
    std::optional<SeenIn> seen;
    bool operator==(const Installed&) const = default;
};

/// The hole that a lamp goes into.
struct Bore {
    Millimetres across{};                ///< by the drill, > 0
    std::optional<Millimetres> depth{};  ///< nothing: it goes through
    bool holds = false;                  ///< the lamp was tried in it, and it holds
    bool operator==(const Bore&) const = default;
};

/// A switch that hands are laid on.
struct LampSwitch {
    Amperes limit{};  ///< printed on it, > 0
    int poles = 1;    ///< 1: it opens one wire; 2: both
    bool operator==(const LampSwitch&) const = default;
};

/// LEDs in series with one resistor.
struct LampRow {
    std::vector<Lamp> lamps;                   ///< at least one
    std::optional<Ohms> resistor;              ///< nothing: not chosen yet; 0: deliberately none
    std::optional<Tested> tested{};            ///< the lamps by themselves, at the lamp tester
    std::optional<ResistorPackage> package{};  ///< that the resistor has; nothing: what will do
    LightPath path{};                          ///< between its lamps and the eye
    /// Its lamps stand the other way round: they light where the supply is reversed.
    bool backwards = false;
    Installed installed{};
    std::optional<Bore> bore{};
    std::optional<Wall> wall{};  ///< round it; nothing: not told
    bool operator==(const LampRow&) const = default;

    [[nodiscard]] bool isBulbs() const {
        return !lamps.empty() && lamps.front().part.filament.has_value();
    }
};

/// Each row by itself between the common wire and the output.
struct OwnResistors {
    bool operator==(const OwnResistors&) const = default;
};
/// All rows behind one resistor; a row's own may be there besides.
struct SharedResistor {
    Ohms value{};  ///< > 0
    bool operator==(const SharedResistor&) const = default;
};
/// Behind a driver that keeps their current together where it is set, as long as it has the volts.
struct ThroughDriver {
    Amperes current{};  ///< > 0
    Volts dropout{};    ///< what it needs itself, >= 0
    bool operator==(const ThroughDriver&) const = default;
};
/// How the rows of a group are connected; the other wirings come here beside these.
using Connection = std::variant<OwnResistors, SharedResistor, ThroughDriver>;

/// All lamps on one decoder output, or on the supply ("supply") where there is no decoder.
struct LampGroup {
    std::string id;      ///< "L3"
    std::string name;    ///< "front lamp"; unique in the job
    std::string output;  ///< name of the decoder output, or "supply"
    Connection connection;
    std::vector<LampRow> rows;
    std::optional<LampSwitch> contact{};  ///< that the group hangs behind
    double dimmed = 1;    ///< to this share of its light by the decoder's setting, 0 … 1; > 0
    Seconds soft{0};      ///< in which it comes on and goes, by the decoder's setting; >= 0
    bool oneWay = false;  ///< a diode before it: where the supply reverses it lights one way round
    ResistorWish wish{Amperes{0.005}, Series::E12, RoundingPolicy::Higher};
    bool usualTarget = false;  ///< nobody set `wish.target`: it is what is usual
    bool operator==(const LampGroup&) const = default;

    /// The current that gives the wished light, dimmed as it is.
    [[nodiscard]] Amperes atFull() const { return wish.target / dimmed; }

    /// Whether the light is held against its target: somebody set it, or a maker made the lamp for
    /// it. A default is no target, and a dim lamp no fault.
    [[nodiscard]] bool hasTarget() const { return !usualTarget; }

    /// Bulbs, in every row; else LEDs in every row.
    [[nodiscard]] bool isBulbs() const { return !rows.empty() && rows.front().isBulbs(); }

    /// The resistor that all rows share; 0: none.
    [[nodiscard]] Ohms shared() const {
        const auto* one = std::get_if<SharedResistor>(&connection);
        return one ? one->value : Ohms{0};
    }
    [[nodiscard]] const ThroughDriver* driver() const {
        return std::get_if<ThroughDriver>(&connection);
    }
};

inline constexpr const char* supplyOutput = "supply";

}  // namespace glimmet::core
