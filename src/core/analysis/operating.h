// A model as it is driven: which way, with which keys, at what volts; and which of its lamps are
// lit then.
#pragma once

#include "core/analysis/function_map.h"
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

/// Whether lamps without a key follow the direction: on plain DC behind a diode, or of both ways
/// round.
[[nodiscard]] bool railsTellDirection(const Job& job);
/// By the keys that are on and the direction, as the function map has it.
[[nodiscard]] bool isOn(const Job& job, const Operating& operating, std::string_view output);

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
