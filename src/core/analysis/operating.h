// A model as it is driven: which way, with which keys, at what volts; and which of its lamps are
// lit then.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/led/eye.h"

#include <functional>
#include <optional>
#include <set>
#include <string_view>
#include <vector>

namespace glimmet::core {

struct Operating {
    bool everything = true;  ///< every output on, whatever key and direction say
    bool forward = true;
    std::set<int> keys{0};             ///< that are on; 0 is the light key
    std::optional<Volts> volts;        ///< of the track or supply; nothing: as the job has them
    RoomLight room = RoomLight::Dark;  ///< that it is looked at in
};

/// The key that switches an output as decoders come from their makers: the light key 0 for front
/// and rear, key n for output n. Nothing: no key does (the supply, an output without a number).
[[nodiscard]] std::optional<int> keyOf(std::string_view output);
/// Keys that switch a lamp of the job, rising.
[[nodiscard]] std::vector<int> keysOf(const Job& job);
/// Whether lamps without a key follow the direction: on plain DC behind a diode, or of both ways
/// round.
[[nodiscard]] bool railsTellDirection(const Job& job);
/// Front and rear follow the direction as well.
[[nodiscard]] bool isOn(const Operating& operating, std::string_view output);

/// Below it the decoder is out and its outputs are dark: what its data say, else the usual.
struct Awake {
    Volts from{};
    bool assumed = false;
};
[[nodiscard]] Awake decoderAwake(const Job& job);
inline constexpr Volts usuallyAwakeFrom{
    6};  ///< docs/physics.md: logic behind a regulator of 3.3 V or 5 V

/// What is made of lamps before an eye sees them: as if one had failed.
using Relit = std::function<void(std::vector<LitLamp>& all)>;

/// Every lamp as it is lit then. `facts` and its job must outlive the result.
[[nodiscard]] std::vector<LitLamp> litWhen(const JobAnalysis& facts, const Operating& operating,
                                           const Relit& relit = {});

/// The volts from which each group's first lamp glows when it is driven so, below which it is dark;
/// as Job::groups. Nothing: it is off, or could not be solved.
[[nodiscard]] std::vector<std::optional<Volts>> comesOnAt(const JobAnalysis& facts,
                                                          const Operating& operating);

}  // namespace glimmet::core
