// A finding: what a check has to say. The interface, the command line and printed sheets all
// speak through this one type.
#pragma once

#include "core/finding/figure.h"
#include "core/finding/state.h"

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

/// How much is at stake, the gravest last: of two findings of one state the graver one speaks.
enum class Gravity {
    CouldBeBetter,
    LooksUneven,
    WorksBadly,
    DoesNotWork,
    PartDestroyed,
    FirePeople,
};

/// Something the user could do about a finding. Taking it means entering its jot line, so that
/// options, typing and scripts all change a job the same way.
struct Option {
    /// A remedy is ranked advice; answers to a question stand beside each other, worded as found.
    enum class Kind { Remedy, Answer };
    Text what;    ///< "Fit 2.2 kΩ"
    Text effect;  ///< "4.72 mA, 6 % less light than wanted"
    State state{};
    std::string jot;       ///< "resistor front lamp 2k2"
    bool inPlace = false;  ///< this is how the job stands already
    Kind kind = Kind::Remedy;
};

/// What a finding is about: a lamp group, a unit. Empty: the job.
struct Subject {
    std::string id;    ///< "L3": stays when it is renamed
    std::string name;  ///< "front lamp": for people
    bool operator==(const Subject&) const = default;
};

struct Finding {
    std::string id;          ///< stable: "motor.rating", "lamp.current:L3"
    std::string_view stage;  ///< the name of its stage: "measure"; lives as long as the program
    Subject subject;
    State state{};
    Gravity gravity{};
    Text sentence;  ///< the answer, for a tired person
    Text action;    ///< what to do next, in a few words; empty when nothing is to be done
    std::vector<Figure> figures;
    std::vector<Option> options;  ///< best first
    Text caution;                 ///< where the step can hurt someone or something
    bool open = false;            ///< work remains, nothing is wrong: its action is what comes next
};

/// Every figure of a finding and, recursively, of what it rests on, each symbol once, in order.
[[nodiscard]] std::vector<const Figure*> allFigures(const Finding& finding);

}  // namespace glimmet::core
