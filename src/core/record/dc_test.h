// How a model ran on plain direct current before anything was done to it.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

enum class Direction { Forward, Reverse };
constexpr auto wordsOf(Direction) {
    return std::to_array<Word<Direction>>(
        {{Direction::Forward, "forward"}, {Direction::Reverse, "reverse"}});
}

/// How it went.
enum class Pace {
    Starts,
    Crawl,
    Medium,
    Full,
    Rocking,   ///< to and fro by the throttle, a wheel's turn each way
    Auxiliary  ///< with what its motor drives besides: a fan, a plough's wheel, a crane
};
constexpr auto wordsOf(Pace) {
    return std::to_array<Word<Pace>>({{Pace::Starts, "starts"},
                                      {Pace::Crawl, "crawl"},
                                      {Pace::Medium, "medium"},
                                      {Pace::Full, "full"},
                                      {Pace::Rocking, "rocking"},
                                      {Pace::Auxiliary, "auxiliary"}});
}

struct ProofReading {
    Direction direction{};
    Pace pace{};
    Volts volts{};
    std::optional<Amperes> amps;
    std::string on;
    bool operator==(const ProofReading&) const = default;
};

struct Proof {
    std::optional<bool> runs;  ///< nothing: not tried yet
    std::string on;            ///< the day of it
    std::string failed;        ///< how it failed, in words
    std::string goOn;          ///< why the work goes on although it failed
    std::vector<ProofReading> readings;
    bool lamps = false;  ///< lamps lit on it: there is wiring that takes the track's volts
    std::vector<std::string> remarks;  ///< "grinding", "hot smell"
    bool operator==(const Proof&) const = default;
};

}  // namespace glimmet::core
