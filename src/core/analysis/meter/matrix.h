// What a meter must read between points of a model before it may get power, worked out from its
// wiring with the decoder out; and what was read of it.
//     for (const meter::Row& row : matrixOf(facts).rows) …
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/wiring/wiring.h"
#include "core/finding/state.h"
#include "core/text.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core::meter {

enum class Expect { Open, Joined, OneWay, Range, Rising };
constexpr auto wordsOf(Expect) {
    return std::to_array<Word<Expect>>({{Expect::Open, "open"},
                                        {Expect::Joined, "joined"},
                                        {Expect::OneWay, "one-way"},
                                        {Expect::Range, "range"},
                                        {Expect::Rising, "rising"}});
}
/// Which of the two the meter's plus is held to.
enum class Plus { First, Second, Either };
constexpr auto wordsOf(Plus) {
    return std::to_array<Word<Plus>>(
        {{Plus::First, "first"}, {Plus::Second, "second"}, {Plus::Either, "either"}});
}
/// What a pair is about: it decides the usual causes of a failure.
enum class About {
    Rails,
    BrushFrame,
    BrushRail,
    Wheel,
    Lead,
    Winding,
    FrameRail,
    CommonRail,
    Lamp,
    LampLead,
    StayAlive,
    Speaker,
    SpeakerLead,
    Battery,
    Plug,
    Supply
};

/// Limits of an ohmmeter's verdicts (docs/physics.md, meter).
inline constexpr Ohms joinedBelow{2}, pickupBelow{5}, openAbove{1e5};
inline constexpr Volts ohmsTest{0.3}, diodeTest{3};

struct Row {
    std::string id;  ///< "brush-frame:M1": stays while the model does
    About about{};
    TerminalId first, second;
    Text words;  ///< "motor plus to frame"
    Expect expect{};
    std::optional<Ohms> low{}, high{};  ///< what may be read; nothing: no bound
    Text why;
    int effort = 1;  ///< 1: both points outside; one more for each that lies below the body
    Text at[2];      ///< where the probes go
    Plus plus = Plus::Either;
    bool junction =
        false;  ///< an LED or diode can lie in the path: ohms alone do not prove it open
    bool shortProof = false;
    // What was read of it.
    std::vector<PairReading> read{};
    bool stale = false;        ///< its wiring is another one since
    State state = State::Ask;  ///< ask: not read, stale, or not proved yet
    Text lacks{};              ///< why it is still asked: "with the probes swapped too"
};

enum class Proof { None, Partial, Full };
constexpr auto wordsOf(Proof) {
    return std::to_array<Word<Proof>>(
        {{Proof::None, "none"}, {Proof::Partial, "partial"}, {Proof::Full, "full"}});
}
/// The most that a proof allows, each with what comes before.
enum class Allows { Nothing, PlainDcLow, LimitedTrack, Track };
constexpr auto wordsOf(Allows) {
    return std::to_array<Word<Allows>>({{Allows::Nothing, "nothing"},
                                        {Allows::PlainDcLow, "plain-dc-low"},
                                        {Allows::LimitedTrack, "limited-track"},
                                        {Allows::Track, "track"}});
}

struct Matrix {
    std::vector<Row> rows;       ///< in the order in which to probe
    bool shortIsEnough = false;  ///< a new model with a socket
    Proof proof{};
    Allows allows{};
};
[[nodiscard]] const Matrix& matrixOf(const JobAnalysis& facts);
/// The same of a job alone, by the usual leg of resistors: for lines.
[[nodiscard]] Matrix matrixOf(const Job& job, ResistorLeg leg);

/// The wiring that the matrix is read against: as planned, decoder out, brushes free.
[[nodiscard]] wiring::Wiring probed(const Job& job, ResistorLeg leg);
/// What two points rest on, for PairReading::rests.
[[nodiscard]] std::string restsOf(const Job& job, const wiring::Wiring& wiring, const TerminalId& a,
                                  const TerminalId& b);
/// nullptr: no row has that id.
[[nodiscard]] const Row* rowNamed(const Matrix& matrix, std::string_view id);
/// The row that a reading between two points belongs to; nullptr: none.
[[nodiscard]] const Row* rowBetween(const Matrix& matrix, const wiring::Wiring& wiring,
                                    const TerminalId& a, const TerminalId& b);
/// The usual causes of a failed pair, the likeliest first.
[[nodiscard]] std::vector<Text> causesOf(const JobAnalysis& facts, const Row& row);

}  // namespace glimmet::core::meter
