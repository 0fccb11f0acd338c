// Decoders held against everything that a job asks of one, all at once.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/rating.h"

#include <vector>

namespace glimmet::core::decoder {

/// What is asked, in the order in which it is told.
enum class Aspect {
    Motor,
    Track,
    Command,
    Outputs,
    Together,
    Stage,
    Socket,
    Sound,
    StayAlive,
    Price
};
inline constexpr std::size_t aspects = 10;
/// "Motor", to be translated.
[[nodiscard]] const char* title(Aspect aspect);

struct Cell {
    Aspect aspect{};
    State state = State::Fine;
    Text shows;  ///< the figure that it is about: "1.4 A of 1.8 A"
    Text says;   ///< why it is not fine, as part of a sentence; empty where it is
};

struct RankedDecoder {
    const Decoder* decoder = nullptr;
    Rating rating;
    std::vector<Cell> cells;  ///< one an aspect
    State worst = State::Fine;
    std::size_t deciding = 0;  ///< the cell that is worst, the first of equals
    bool atHand = false;       ///< one lies in the drawer
    std::string sameType;      ///< a model of the same type that has this one; empty: none
    Text wins, loses;          ///< beside the others; may be empty
};

/// One decoder held against the job, as if it were fitted.
[[nodiscard]] RankedDecoder held(const JobAnalysis& facts, const MotorEvidence& drive,
                                 const Decoder& decoder);

/// All of the catalogue: those that carry everything first; of equals what lacks less, then what
/// lies in the drawer, then what a model of the same type has, then the cheaper, then the smaller.
/// A decoder that is better in everything never stands below.
[[nodiscard]] std::vector<RankedDecoder> rankedDecoders(const JobAnalysis& facts,
                                                        const MotorEvidence& drive);

}  // namespace glimmet::core::decoder
