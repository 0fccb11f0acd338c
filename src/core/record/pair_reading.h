// What a meter showed between two points of a model.
#pragma once

#include "core/quantity/quantities.h"
#include "core/record/terminal.h"
#include "core/words.h"

#include <optional>
#include <string>

namespace glimmet::core {

/// What the meter did, where it was more or less than a number.
enum class Look {
    Value,
    Beep,      ///< on the continuity range, nothing else read
    Open,      ///< more than it can show
    OneWay,    ///< it conducts, or an LED lights, with one polarity only
    Rising,    ///< the reading climbs: something charges
    Sometimes  ///< it comes and goes when it is rocked or pressed
};
constexpr auto wordsOf(Look) {
    return std::to_array<Word<Look>>({{Look::Value, "value"},
                                      {Look::Beep, "beep"},
                                      {Look::Open, "open"},
                                      {Look::OneWay, "one-way"},
                                      {Look::Rising, "rising"},
                                      {Look::Sometimes, "sometimes"}});
}

struct PairReading {
    TerminalId red, black;  ///< where the probes were
    Look look{};
    std::optional<Ohms> ohms{};  ///< of a value; the leads' own is taken off
    bool bothWays = false;  ///< with the probes swapped, and on the diode test, it was the same
    std::string on;
    std::string rests;  ///< the wiring of these two points when it was read: another one, and the
                        ///< reading is stale
    bool operator==(const PairReading&) const = default;
};

}  // namespace glimmet::core
