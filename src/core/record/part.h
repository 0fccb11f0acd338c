// Parts as a catalogue lists them and a job keeps them. A job holds its own copy of a part, so
// that a later catalogue does not rewrite what was fitted.
#pragma once

#include "core/led/blink_chip.h"
#include "core/led/family.h"
#include "core/led/filament_rating.h"
#include "core/led/led_body.h"
#include "core/quantity/quantities.h"
#include "core/record/body.h"
#include "core/record/intake.h"
#include "core/record/stay_alive.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

enum class OutputKind {
    LowSide,          ///< switches the negative side of a lamp
    LogicLevel,       ///< a signal, not meant to light anything
    LampSupply,       ///< fixed 1.5 V for filament lamps
    ConstantCurrent,  ///< sets the LED's current itself
    Unknown,
};
constexpr auto wordsOf(OutputKind) {
    return std::to_array<Word<OutputKind>>({{OutputKind::LowSide, "low-side"},
                                            {OutputKind::LogicLevel, "logic-level"},
                                            {OutputKind::LampSupply, "lamp-supply"},
                                            {OutputKind::ConstantCurrent, "constant-current"},
                                            {OutputKind::Unknown, "unknown"}});
}

struct DecoderOutput {
    std::string name;  ///< "front", "rear", "1" …
    std::string wire;  ///< insulation colour: "white", "yellow", "green" …
    OutputKind kind = OutputKind::LowSide;
    std::optional<Amperes> limit;  ///< largest current, > 0; nothing: nobody knows
    std::optional<Ohms> series;    ///< its own resistor; 0 when bare; nothing: not known
    std::string seriesMeasured;    ///< date when the user found that out; empty: from the catalogue
    bool operator==(const DecoderOutput&) const = default;
};

/// Where a bank can be joined to a decoder.
enum class StayAliveTerminals { Unknown, None, Pads, TwoWire, Managed };
constexpr auto wordsOf(StayAliveTerminals) {
    return std::to_array<Word<StayAliveTerminals>>({{StayAliveTerminals::Unknown, "unknown"},
                                                    {StayAliveTerminals::None, "none"},
                                                    {StayAliveTerminals::Pads, "pads"},
                                                    {StayAliveTerminals::TwoWire, "two-wire"},
                                                    {StayAliveTerminals::Managed, "managed"}});
}

struct Decoder {
    std::string id;                ///< "four-wire-1.0"
    std::string name;              ///< "four-wire motor decoder, 1.0 A/1.8 A"
    Amperes continuous{}, peak{};  ///< motor
    Amperes functionTotal{};       ///< all outputs together
    Amperes overall{};             ///< motor and outputs together
    Volts largestTrack{};
    Millimetres length{}, width{}, height{};  ///< with wires and sleeve
    std::string plug;                         ///< "8-pin", "hard-wired"
    bool sound = false;
    bool radio = false;   ///< commanded by radio, on a battery; else over the track
    Volts leastSupply{};  ///< below it it stops; 0: not told
    StayAliveTerminals stayAlive = StayAliveTerminals::Unknown;
    /// The largest bank that its leaflet allows on it, straight on its plus and minus; nothing: it
    /// says none.
    std::optional<Farads> mostBank{};
    std::optional<double> price;  ///< in the workshop's money
    std::vector<DecoderOutput> outputs;
    bool operator==(const Decoder&) const = default;
};

/// A lamp as the drawer holds it. What is not given is the family's.
struct LampPart {
    std::string id;    ///< "warm-white-0603"
    std::string name;  ///< "warm white 0603"
    LedFamily family = LedFamily::White;
    std::optional<ForwardPoint> forward;  ///< from its data sheet or measured
    std::optional<double> emission;       ///< N
    std::optional<Ohms> series;           ///< Rs
    std::optional<Amperes> limit;
    std::string tint;  ///< "warm", "cool" or empty: whites of one group should match
    std::optional<FilamentRating> filament{};  ///< it is a bulb, and nothing of an LED holds
    std::optional<BlinkChip> blink{};          ///< a chip in it blinks or flickers
    /// Printed on a lamp that needs no resistor up to there: its own is hidden in it, and its
    /// forward point is of all of it.
    std::optional<Volts> rated{};
    std::optional<Millimetres> section{};  ///< a strip, cut only at every so much
    std::optional<LedBody> body{};         ///< nothing: not told
    bool operator==(const LampPart&) const = default;
};

/// What can be fitted, what bodies are drawn, what faults are known.
struct Catalogue {
    // Out of line, as of Job.
    Catalogue();
    Catalogue(const Catalogue&);
    Catalogue(Catalogue&&) noexcept;
    Catalogue& operator=(const Catalogue&);
    Catalogue& operator=(Catalogue&&) noexcept;
    ~Catalogue();

    std::vector<Decoder> decoders;
    std::vector<LampPart> lamps;
    std::vector<BankPart> banks;
    std::vector<BodyDrawing> bodies;
    std::vector<KnownFault> faults;
};

[[nodiscard]] const Decoder* decoderNamed(const Catalogue& catalogue, std::string_view idOrName);
[[nodiscard]] const LampPart* lampNamed(const Catalogue& catalogue, std::string_view idOrName);
[[nodiscard]] const BankPart* bankNamed(const Catalogue& catalogue, std::string_view idOrName);
/// By id or title.
[[nodiscard]] const BodyDrawing* bodyNamed(const Catalogue& catalogue, std::string_view idOrTitle);
[[nodiscard]] const KnownFault* faultNamed(const Catalogue& catalogue, std::string_view idOrTitle);

}  // namespace glimmet::core
