// The record of one model on the bench: what it is, what was measured, what was chosen.
#pragma once

#include "core/job/body.h"
#include "core/job/part.h"
#include "core/lamp/resistor_choice.h"
#include "core/motor/motor.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

struct Scale {
    std::string name = "H0";
    double ratio = 87;
    bool operator==(const Scale&) const = default;
};
/// "Z" "N" "TT" "H0" "0" "1" "G" with their usual ratios.
[[nodiscard]] std::optional<Scale> scaleNamed(std::string_view name);

/// A value read at the bench and the day it was read (ISO 8601, may be empty).
template <class Quantity>
struct Measured {
    Quantity value{};
    std::string on;
    bool operator==(const Measured&) const = default;
};

enum class SupplyKind { Dcc, Dc, Battery };
[[nodiscard]] std::string_view name(SupplyKind kind);  ///< "dcc" "dc" "battery"
[[nodiscard]] std::optional<SupplyKind> supplyKindNamed(std::string_view name);

/// What feeds the model. What is not measured is assumed from the scale or the house defaults.
struct Supply {
    SupplyKind kind = SupplyKind::Dcc;
    std::optional<Measured<Volts>> volts;
    std::optional<Measured<Volts>> rectifier;
    std::optional<Measured<Volts>> bridge;
    std::optional<Measured<Volts>> outputSwitch;
    bool operator==(const Supply&) const = default;
};

/// Volts usual on the track of a scale: 12 V up to N, 14.5 V up to H0, 16 V for 0, 18 V above.
[[nodiscard]] Volts usualVolts(const Supply& supply, const Scale& scale);

/// How the frame is wired; it decides what must be isolated from what.
enum class FrameKind { Insulated, FrameReturn, SplitFrame };
[[nodiscard]] std::string_view name(FrameKind kind);
[[nodiscard]] std::optional<FrameKind> frameKindNamed(std::string_view name);
enum class MotorKind { Can, Coreless, OpenFrame };
[[nodiscard]] std::string_view name(MotorKind kind);
[[nodiscard]] std::optional<MotorKind> motorKindNamed(std::string_view name);

/// A reading as it was taken. Volts may be unknown except for a stalled motor, where the path's
/// resistance comes from them.
struct TakenReading {
    MotorCondition condition{};
    std::optional<Volts> volts;
    Amperes amps{};
    std::string on;
    bool operator==(const TakenReading&) const = default;
};

struct Motor {
    MotorKind kind = MotorKind::Can;
    FrameKind frame = FrameKind::Insulated;
    std::vector<TakenReading> readings;    ///< in the order they were taken
    std::vector<Measured<Ohms>> windings;  ///< at several rotor positions; the smallest counts
    bool operator==(const Motor&) const = default;
};

struct Lamp {
    std::string site;  ///< name of the site it sits in, or a name of its own
    LampPart part;
    bool measured = false;  ///< its forward point was read at the bench, not in a catalogue
    Point at;
    Facing facing{};
    bool operator==(const Lamp&) const = default;
};

/// LEDs in series with one resistor.
struct LampRow {
    std::vector<Lamp> lamps;       ///< at least one
    std::optional<Ohms> resistor;  ///< nothing: not chosen yet; 0: deliberately none
    bool operator==(const LampRow&) const = default;
};

/// All lamps on one decoder output, or on the supply ("supply") where there is no decoder.
struct Circuit {
    std::string name;    ///< "front lamp"; unique in the job
    std::string output;  ///< name of the decoder output, or "supply"
    Ohms shared{};       ///< one resistor for the whole group; 0: none
    std::vector<LampRow> rows;
    ResistorWish wish{Amperes{0.005}, Series::E12, RoundingPolicy::Higher};
    bool operator==(const Circuit& other) const;
};

struct Note {
    std::string on;
    std::string words;
    bool operator==(const Note&) const = default;
};

struct TimeSpent {
    std::string on;
    std::string what;
    Seconds time{};
    bool operator==(const TimeSpent&) const = default;
};

struct Job {
    std::string name;
    std::string owner;  ///< empty: the workshop's own
    std::string wish;   ///< what the owner asked for or complained of
    Scale scale;
    Body body;
    Supply supply;
    std::optional<Motor> motor;
    std::optional<Decoder> decoder;
    RatingRule rule = RatingRule::Slip;
    double closeMargin = 0.15;
    std::vector<Circuit> circuits;
    std::vector<Note> notes;
    std::vector<TimeSpent> times;
    bool operator==(const Job&) const = default;
};

/// House defaults: what is assumed until it is measured. Source: docs/physics.md.
struct House {
    Volts rectifier{1.2};        ///< two silicon drops
    Volts bridge{0.4};           ///< motor bridge of a decoder
    Volts outputSwitch{0.1};     ///< of a function output at lamp currents
    double supplySpread = 0.05;  ///< a layout's track volts from place to place
};

/// A new job of a kind, with the usual body of that kind and scale and nothing measured.
[[nodiscard]] Job newJob(std::string name, BodyKind kind, const Scale& scale);

/// The job in another body of its kind: lamps at a site of it move to where that site is now, the
/// others keep their share of length and height.
[[nodiscard]] Job withBody(Job job, const Body& body);

[[nodiscard]] const Circuit* circuitNamed(const Job& job, std::string_view name);
[[nodiscard]] const DecoderOutput* outputNamed(const Job& job, std::string_view name);

inline constexpr const char* supplyOutput = "supply";

}  // namespace glimmet::core
