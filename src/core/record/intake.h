// What was seen when a model came to the bench, and what its owner says of it.
#pragma once

#include "core/record/fitted.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

enum class Age { New, Old };
constexpr auto wordsOf(Age) {
    return std::to_array<Word<Age>>({{Age::New, "new"}, {Age::Old, "old"}});
}

/// As what it arrives: what follows differs.
enum class Arrival { Runner, Kit, WithDecoder };
constexpr auto wordsOf(Arrival) {
    return std::to_array<Word<Arrival>>({{Arrival::Runner, "runner"},
                                         {Arrival::Kit, "kit"},
                                         {Arrival::WithDecoder, "with-decoder"}});
}

/// An item of the list of what to look at, and how it was found.
struct LookedAt {
    std::string item;  ///< id in the list: "gears"
    bool good = false;
    std::string on;
    bool operator==(const LookedAt&) const = default;
};

/// Something that is wrong, at its place on the model.
struct Spot {
    std::string id;     ///< "S7"
    std::string words;  ///< "buffer bent"
    std::string item;   ///< what was looked at; empty: seen by chance
    std::string unit;   ///< id: "U1"
    Point at;
    std::string on;
    std::string mended;  ///< the day; empty: still open
    bool operator==(const Spot&) const = default;
};

struct Complaint {
    std::string id;      ///< "C4"
    std::string words;   ///< the owner's
    std::string answer;  ///< what came of it; empty: open until hand-over
    bool operator==(const Complaint&) const = default;
};

struct LoosePart {
    std::string what;
    std::string bag;  ///< its label
    bool operator==(const LoosePart&) const = default;
};

/// A step of taking it apart, played backwards when it is closed.
struct TakenOff {
    std::string what;  ///< "rear screw", "clips left"
    std::string on;
    std::string id;    ///< "T5"; empty in records of before photos were kept
    std::string back;  ///< the day it went back on; empty: still off
    bool operator==(const TakenOff&) const = default;
};

/// A picture taken at the bench. Its bytes lie in the workshop file, under their sum.
struct Photo {
    std::string sum;  ///< SHA-256 of the bytes, 64 hexadecimal digits
    std::string of;   ///< id of a spot or of a step of taking apart; empty: of the model
    std::string on;
    bool operator==(const Photo&) const = default;
};

struct Oiled {
    std::string point;  ///< "gears"
    std::string with;   ///< "oil", "grease"
    std::string on;
    bool operator==(const Oiled&) const = default;
};

enum class FaultState { Found, RuledOut, Mended, Proved };
constexpr auto wordsOf(FaultState) {
    return std::to_array<Word<FaultState>>({{FaultState::Found, "found"},
                                            {FaultState::RuledOut, "not"},
                                            {FaultState::Mended, "mended"},
                                            {FaultState::Proved, "proved"}});
}
/// A fault of the library, held against this model.
struct SuspectedFault {
    std::string fault;  ///< its id
    FaultState state{};
    std::string on;
    bool operator==(const SuspectedFault&) const = default;
};

struct ConfigurationValue {
    int number = 0;
    int value = 0;
    bool operator==(const ConfigurationValue&) const = default;
};
/// What a decoder held when the model arrived, before anything was changed.
struct SavedSettings {
    std::string on;
    std::vector<ConfigurationValue> values;  ///< empty: kept elsewhere, as its note says
    bool operator==(const SavedSettings&) const = default;
};

struct Intake {
    std::optional<Age> age;
    std::optional<Arrival> arrival;
    std::vector<LookedAt> looked;  ///< each item once
    std::vector<Spot> spots;
    std::vector<Complaint> complaints;
    std::vector<LoosePart> loose;
    std::vector<TakenOff> takenOff;  ///< in the order it was done
    std::vector<Oiled> oiled;
    std::vector<SuspectedFault> faults;  ///< each once
    std::optional<SavedSettings> settings;
    std::vector<Photo> photos;  ///< each sum once
    bool operator==(const Intake&) const = default;
};

/// A fault that many models share, as the library tells of it.
struct KnownFault {
    std::string id;                  ///< "cracked-gear"
    std::string title;               ///< "Cracked gear"
    std::vector<std::string> signs;  ///< words an owner would use: "clicks", "runs in jerks"
    std::string look;                ///< what to look at
    std::string cure;                ///< what to do about it
    bool fatal = false;              ///< the job ends with it, until it is mended
    bool onDc = false;               ///< it stops a model on plain DC as well
    bool decoder = false;            ///< only a model with a decoder can have it
};

}  // namespace glimmet::core
