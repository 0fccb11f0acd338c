#include "cli/reckon.h"

#include <nlohmann/json.hpp>

#include <array>

namespace glimmet::cli {
namespace {

using Calculation = nlohmann::json (*)(const nlohmann::json&, const std::string&,
                                       std::vector<store::Fault>&, core::State&);
struct Kind {
    std::string_view name;
    Calculation calculate;
};
constexpr std::array<Kind, 5> kinds{{{"lamp", reckonLamp},
                                     {"motor", reckonMotor},
                                     {"settings", reckonSettings},
                                     {"momentum", reckonMomentum},
                                     {"wire", reckonWire}}};

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

Reckoned reckoned(std::string_view name, std::string_view input) {
    const Calculation calculate = kindNamed(name)->calculate;
    Reckoned result;
    const auto document = store::parsedJson(input, result.faults);
    if (!document) return result;
    nlohmann::json out;
    if (document->is_array()) {
        out = nlohmann::json::array();
        std::size_t index = 0;
        for (const nlohmann::json& one : *document) {
            out.push_back(
                calculate(one, "/" + std::to_string(index++), result.faults, result.verdict));
        }
    } else {
        out = calculate(*document, "", result.faults, result.verdict);
    }
    if (result.faults.empty()) result.json = out.dump();
    return result;
}

}  // namespace glimmet::cli
