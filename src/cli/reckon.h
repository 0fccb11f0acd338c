// `glimmet-cli reckon KIND`: one calculation, JSON in, JSON out. Contract: docs/cli.md.
#pragma once

#include "core/finding/state.h"
#include "store/json_fields.h"

#include <nlohmann/json_fwd.hpp>

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::cli {

/// The result of one calculation, or the faults of its input.
struct Calculated {
    std::string json;  ///< empty where there are faults
    std::vector<store::Fault> faults;
    core::State verdict = core::State::Fine;  ///< the worst that was said
};

/// The kinds there are, comma-separated, for messages.
[[nodiscard]] std::string reckonKinds();
[[nodiscard]] bool isReckonKind(std::string_view kind);

/// One object in, one out; a list in, a list out. Nothing is computed when any of it is faulty.
/// Precondition: isReckonKind(kind).
[[nodiscard]] Calculated calculated(std::string_view kind, std::string_view input);

// One calculation each: reads `in` (whose place in the document is `pointer`), appends faults,
// and returns the answer, which counts only if no fault came up.
nlohmann::json reckonLamp(const nlohmann::json& in, const std::string& pointer,
                          std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonMotor(const nlohmann::json& in, const std::string& pointer,
                           std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonSettings(const nlohmann::json& in, const std::string& pointer,
                              std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonMomentum(const nlohmann::json& in, const std::string& pointer,
                              std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonWire(const nlohmann::json& in, const std::string& pointer,
                          std::vector<store::Fault>& faults, core::State& verdict);

nlohmann::json reckonBus(const nlohmann::json& in, const std::string& pointer,
                         std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonDistrict(const nlohmann::json& in, const std::string& pointer,
                              std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonSpeedTable(const nlohmann::json& in, const std::string& pointer,
                                std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonFunctionMap(const nlohmann::json& in, const std::string& pointer,
                                 std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonStayAlive(const nlohmann::json& in, const std::string& pointer,
                               std::vector<store::Fault>& faults, core::State& verdict);
nlohmann::json reckonCrossing(const nlohmann::json& in, const std::string& pointer,
                              std::vector<store::Fault>& faults, core::State& verdict);

}  // namespace glimmet::cli
