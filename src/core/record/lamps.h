// The lamps of a model: groups of rows of LEDs on outputs.
#pragma once

#include "core/led/light_path.h"
#include "core/led/resistor_package.h"
#include "core/led/series.h"
#include "core/record/fitted.h"
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
struct Tested {
    TesterLook look{};
    std::string on;
    bool operator==(const Tested&) const = default;
};

/// LEDs in series with one resistor.
struct LampRow {
    std::vector<Lamp> lamps;                   ///< at least one
    std::optional<Ohms> resistor;              ///< nothing: not chosen yet; 0: deliberately none
    std::optional<Tested> tested{};            ///< the lamps by themselves, at the lamp tester
    std::optional<ResistorPackage> package{};  ///< that the resistor has; nothing: what will do
    LightPath path{};                          ///< between its lamps and the eye
    /// Its lamps stand the other way round: they light where the supply is reversed.
    bool turned = false;
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
    bool oneWay = false;  ///< a diode before it: where the supply reverses it lights one way round
    ResistorWish wish{Amperes{0.005}, Series::E12, RoundingPolicy::Higher};
    bool operator==(const LampGroup&) const = default;

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
