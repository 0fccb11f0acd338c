// A whole lighting in one sentence: "headlamp, two ditch lamps half as bright, tail red, cab warm
// and hardly seen".
#pragma once

#include "core/record/job.h"
#include "core/result.h"

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core::lamps {

/// One kind of lamp that is wanted.
struct PlannedLight {
    std::string place;    ///< of the model, as `lamp` takes it; empty: it gets a name instead
    std::string name;     ///< "front lamp", "ditch lamps"
    int count = 1;        ///< side by side, 1 … 12
    std::string colour;   ///< as `lamp` takes it: "white", "warm white"
    bool wished = false;  ///< its brightness was said; else it is the usual
    Amperes wish{};       ///< by how bright it is to be: 5 mA as it is, a tenth where hardly seen
    bool ahead = false;   ///< named, and where the front lamp is
};

/// Reads the sentence against the places of the job. Lamps are parted by commas; "and" goes on with
/// what is said of one, or begins the next where a place follows.
/// Errors: NotUnderstood, with the word that has no place: none is ever made into a name unless
/// "lamp" or "lamps" follows it.
[[nodiscard]] Result<std::vector<PlannedLight>> lightPlan(std::string_view words, const Job& job);

/// The jot lines that come to it: a lamp, the others beside it, resistors for the wish.
[[nodiscard]] std::vector<std::string> linesOf(const PlannedLight& light, const Job& job);

}  // namespace glimmet::core::lamps
