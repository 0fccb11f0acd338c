// The stay-alive of a model: a bank of capacitors on the decoder.
#pragma once

#include "core/record/fitted.h"
#include "core/record/measured.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

enum class BankKind { Electrolytic, Tantalum, Supercapacitor, Module };
constexpr auto wordsOf(BankKind) {
    return std::to_array<Word<BankKind>>({{BankKind::Electrolytic, "electrolytic"},
                                          {BankKind::Tantalum, "tantalum"},
                                          {BankKind::Supercapacitor, "supercapacitor"},
                                          {BankKind::Module, "module"}});
}

/// A bank as the catalogue lists it, ready to be soldered.
struct BankPart {
    std::string id;    ///< "electrolytic-1500u-25"
    std::string name;  ///< "1500 µF 25 V electrolytic"
    BankKind kind{};
    Farads capacitance{};  ///< of the whole bank, > 0
    Volts rated{};         ///< of the whole bank, > 0
    Ohms charge{};         ///< its own resistor in the charge path; 0: none
    Volts diode{};         ///< drop of its own discharge path; 0: none
    Millimetres length{}, width{}, height{};
    int inSeries = 1;               ///< cells, one behind another
    bool balanced = false;          ///< a resistor across each of them
    std::optional<double> price{};  ///< in the workshop's money
    bool operator==(const BankPart&) const = default;
};

/// A Zener diode across the bank, behind its charge resistor where it belongs.
struct BankClamp {
    Volts volts{};            ///< as printed, > 0
    double tolerance = 0.05;  ///< a share, 0 … 0.2
    /// It was put before the charge resistor, across the decoder's bus: nothing limits it there.
    bool before = false;
    bool operator==(const BankClamp&) const = default;
};

/// Why a bank may do nothing.
enum class DeadCause { Joint, Turned, Link, Resistor, Diode, Setting };
constexpr auto wordsOf(DeadCause) {
    return std::to_array<Word<DeadCause>>({{DeadCause::Joint, "joint"},
                                           {DeadCause::Turned, "turned"},
                                           {DeadCause::Link, "link"},
                                           {DeadCause::Resistor, "resistor"},
                                           {DeadCause::Diode, "diode"},
                                           {DeadCause::Setting, "setting"}});
}
struct RuledOut {
    DeadCause cause{};
    std::string on;  ///< date, may be empty
    bool operator==(const RuledOut&) const = default;
};
/// Lifted off the rail with a bank that gave nothing: what was found out since.
struct DeadBank {
    std::string on;                 ///< date, may be empty
    std::optional<Volts> across{};  ///< the bank, on the track; nothing: not read yet
    std::vector<RuledOut> ruledOut{};
    bool operator==(const DeadBank&) const = default;
};

/// What came of joining two pads with a wire.
enum class BridgeDid {
    Nothing,
    Holds,    ///< it rides over what it did not
    Stops,    ///< it stops or starts anew; the wire is still there
    StopsOff  ///< the same, and the wire is off again
};
constexpr auto wordsOf(BridgeDid) {
    return std::to_array<Word<BridgeDid>>({{BridgeDid::Nothing, "nothing"},
                                           {BridgeDid::Holds, "holds"},
                                           {BridgeDid::Stops, "stops"},
                                           {BridgeDid::StopsOff, "off"}});
}
/// Two pads of a board with nothing on them, as the meter found them.
struct EmptyPads {
    std::string name;                    ///< "C7", as printed beside them; unique in the job
    std::optional<Volts> direct{};       ///< on the track, the red lead at the marked pad; signed
    std::optional<Volts> alternating{};  ///< on the track, by the meter's AC range; >= 0
    std::optional<Ohms> toCommon{};      ///< without power, from the pad that is plus to the common
    std::optional<BridgeDid> bridged{};
    std::string on;  ///< date of the last of that; may be empty
    bool operator==(const EmptyPads&) const = default;
};

/// The capacitance of a bank as it was found, by a meter or from how long it took or gave.
struct FoundCapacitance {
    Farads value{};       ///< > 0
    std::string on;       ///< date, may be empty
    double within = 0.1;  ///< share that it may be off either way, 0 … 0.9; else a usual meter's
    bool operator==(const FoundCapacitance&) const = default;
};

/// The volts across a bank that works, on the track and once it is full.
struct BankVolts {
    Volts value{};  ///< as the meter read them, >= 0
    /// What should have been there then, > 0; nothing: the track had not been read.
    std::optional<Volts> belongs{};
    std::string on;  ///< date, may be empty
    bool operator==(const BankVolts&) const = default;
};

struct FittedBank {
    BankPart part;
    std::optional<Ohms> charge;  ///< resistor that was chosen; nothing: the part's own
    std::optional<Volts> diode;  ///< drop of the diode that was chosen; nothing: the part's own
    std::optional<BankClamp> clamp{};          ///< that keeps its volts down
    std::optional<Fitted> placement;           ///< nothing: where the picture finds room
    std::optional<OuterMeasures> outer{};      ///< as it goes in; nothing: the part's own
    std::optional<FoundCapacitance> measured;  ///< nothing: what is printed counts
    std::optional<BankVolts> across{};         ///< nothing: nobody read them
    bool backwards = false;          ///< known to be joined with its plus where minus belongs
    std::optional<DeadBank> dead{};  ///< it gave nothing when it was tried
    std::optional<Measured<Celsius>> warmth{};  ///< where it lies, after a while of running
    bool operator==(const FittedBank&) const = default;
};

}  // namespace glimmet::core
