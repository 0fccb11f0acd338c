// A finding: what a check has to say. The interface, the command line and printed sheets all
// speak through this one type.
#pragma once

#include "core/finding/figure.h"
#include "core/finding/state.h"

#include <string>
#include <vector>

namespace glimmet::core {

/// Stages of the work, in working order. Only those that Glimmet can do something for exist.
enum class Stage { Measure, Lamps };
inline constexpr Stage stages[] = {Stage::Measure, Stage::Lamps};
/// "measure" "lamps"
[[nodiscard]] constexpr std::string_view name(Stage stage) {
    return stage == Stage::Measure ? "measure" : "lamps";
}

/// Something the user could do about a finding. Taking it means entering its jot line, so that
/// options, typing and scripts all change a job the same way.
struct Option {
    Text what;    ///< "Fit 2.2 kΩ"
    Text effect;  ///< "4.72 mA, 6 % less light than wanted"
    State state{};
    std::string jot;       ///< "resistor front lamp 2k2"
    bool inPlace = false;  ///< this is how the job stands already
};

struct Finding {
    std::string id;  ///< stable: "motor.rating", "lamp.current:front lamp"
    Stage stage{};
    std::string subject;  ///< the lamp circuit it is about, or empty
    State state{};
    Text sentence;  ///< the answer, for a tired person
    Text action;    ///< what to do next, in a few words; empty when nothing is to be done
    std::vector<Figure> figures;
    std::vector<Option> options;  ///< best first
    Text caution;                 ///< where the step can hurt someone or something
};

/// Every figure of a finding and, recursively, of what it rests on, each symbol once, in order.
[[nodiscard]] std::vector<const Figure*> allFigures(const Finding& finding);

}  // namespace glimmet::core
