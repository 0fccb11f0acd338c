#include "cli/reckon.h"

#include <nlohmann/json.hpp>

#include <array>
#include <cmath>

namespace glimmet::cli {
namespace {

using Calculation = nlohmann::json (*)(const nlohmann::json&, const std::string&,
                                       std::vector<store::Fault>&, core::State&);
struct Kind {
    std::string_view name;
    Calculation calculate;
};
constexpr std::array<Kind, 11> kinds{{{"lamp", reckonLamp},
                                      {"motor", reckonMotor},
                                      {"settings", reckonSettings},
                                      {"momentum", reckonMomentum},
                                      {"wire", reckonWire},
                                      {"stay-alive", reckonStayAlive},
                                      {"crossing", reckonCrossing},
                                      {"district", reckonDistrict},
                                      {"bus", reckonBus},
                                      {"speed-table", reckonSpeedTable},
                                      {"function-map", reckonFunctionMap}}};

/// The name of the first number in an answer that is none; empty where all are. Input within double
/// can still lead beyond it.
std::string beyondNumbers(const nlohmann::json& answer, const std::string& name = {}) {
    if (answer.is_number_float() && !std::isfinite(answer.get<double>())) return name;
    if (!answer.is_structured()) return {};
    for (const auto& [key, value] : answer.items()) {
        if (auto found = beyondNumbers(value, answer.is_object() ? key : name); !found.empty()) {
            return found;
        }
    }
    return {};
}

const Kind* kindNamed(std::string_view name) {
    for (const Kind& kind : kinds) {
        if (kind.name == name) return &kind;
    }
    return nullptr;
}

}  // namespace

std::string reckonKinds() {
    std::string list;
    for (const Kind& kind : kinds) list += (list.empty() ? "" : ", ") + std::string(kind.name);
    return list;
}

bool isReckonKind(std::string_view kind) { return kindNamed(kind) != nullptr; }

Calculated calculated(std::string_view name, std::string_view input) {
    const Calculation calculate = kindNamed(name)->calculate;
    Calculated result;
    const auto document = store::parsedJson(input, result.faults);
    if (!document) return result;
    const auto one = [&](const nlohmann::json& in, const std::string& pointer) {
        auto answer = calculate(in, pointer, result.faults, result.verdict);
        if (const std::string beyond = beyondNumbers(answer); !beyond.empty()) {
            result.faults.push_back({pointer.empty() ? "/" : pointer,
                                     "values that make " + beyond + " larger than any number",
                                     "values nearer to those of a model"});
        }
        return answer;
    };
    nlohmann::json out;
    if (document->is_array()) {
        out = nlohmann::json::array();
        std::size_t index = 0;
        for (const nlohmann::json& in : *document) {
            out.push_back(one(in, "/" + std::to_string(index++)));
            if (result.faults.size() >= store::mostFaults) break;
        }
    } else {
        out = one(*document, "");
    }
    if (result.faults.empty()) result.json = out.dump();
    return result;
}

}  // namespace glimmet::cli
