// The record of one model on the bench: what it is, what was measured, what was chosen.
#pragma once

#include "core/record/body.h"
#include "core/record/house.h"
#include "core/record/lamps.h"
#include "core/record/motor.h"
#include "core/record/part.h"
#include "core/record/supply.h"

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

/// Volts usual on the track of a scale: 12 V up to N, 14.5 V up to H0, 16 V for 0, 18 V above.
[[nodiscard]] Volts usualVolts(const Supply& supply, const Scale& scale);

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
    std::vector<LampGroup> groups;
    std::vector<Note> notes;
    std::vector<TimeSpent> times;
    bool operator==(const Job&) const = default;
};

/// A new job of a kind, with the usual body of that kind and scale and nothing measured.
[[nodiscard]] Job newJob(std::string name, BodyKind kind, const Scale& scale);

/// The usual body of its kind at a length, with the wheels that collect on this one. A body that
/// equals its own usual one was never given a profile of its own.
[[nodiscard]] Body usualBody(const Body& like, Millimetres length);

/// The job in another body of its kind: lamps at a site of it move to where that site is now, the
/// others keep their share of length and height.
[[nodiscard]] Job withBody(Job job, const Body& body);

[[nodiscard]] const LampGroup* groupNamed(const Job& job, std::string_view name);
[[nodiscard]] const DecoderOutput* outputNamed(const Job& job, std::string_view name);

}  // namespace glimmet::core
