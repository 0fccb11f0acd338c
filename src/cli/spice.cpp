#include "cli/spice.h"

#include "core/circuit/spice.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {
namespace {

using namespace core::circuit;
using nlohmann::json;

core::Result<json> run(const Circuit& circuit, const OpAnalysis&) {
    return operatingPoint(circuit).map([&](const OperatingPoint& point) {
        json volts = json::object();
        json amps = json::object();
        for (Node node = 1; node < circuit.nodes.size(); ++node) {
            volts[circuit.nodes[node]] = point.voltage[node];
        }
        for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
            amps[circuit.voltageSources[k].name] = point.current[k];
        }
        return json{{"op", {{"v", std::move(volts)}, {"i", std::move(amps)}}}};
    });
}

core::Result<json> run(const Circuit& circuit, const DcAnalysis& dc) {
    return swept(circuit, dc.source, dc.range).map([&](const Sweep& sweep) {
        json volts = json::object();
        json amps = json::object();
        for (Node node = 1; node < circuit.nodes.size(); ++node) {
            json& list = volts[circuit.nodes[node]] = json::array();
            for (const OperatingPoint& point : sweep.points) list.push_back(point.voltage[node]);
        }
        for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
            json& list = amps[circuit.voltageSources[k].name] = json::array();
            for (const OperatingPoint& point : sweep.points) list.push_back(point.current[k]);
        }
        return json{
            {"dc", {{"sweep", sweep.value}, {"v", std::move(volts)}, {"i", std::move(amps)}}}};
    });
}

core::Result<json> run(const Circuit& circuit, const TransientSpan& span) {
    return transient(circuit, span).map([&](const Transient& result) {
        json volts = json::object();
        for (Node node = 1; node < circuit.nodes.size(); ++node) {
            volts[circuit.nodes[node]] = result.voltage[node];
        }
        return json{{"tran", {{"time", result.time}, {"v", std::move(volts)}}}};
    });
}

}  // namespace

SpiceRun spiceRun(std::string_view text) {
    SpiceRun result;
    const ReadNetlist read = readNetlist(text);
    for (const NetlistFault& fault : read.faults) {
        result.faults.push_back("line " + std::to_string(fault.line) + ": found " + fault.found +
                                ", allowed: " + fault.allowed);
    }
    if (!result.faults.empty()) return result;
    const auto answer =
        std::visit([&](const auto& analysis) { return run(read.netlist.circuit, analysis); },
                   read.netlist.analysis);
    if (answer)
        result.json = answer->dump();
    else
        result.faults.push_back((answer.error().code == core::ErrorCode::TooMuch
                                     ? "line " + std::to_string(read.netlist.analysisLine)
                                     : answer.error().field) +
                                ": " + core::plain(answer.error().what));
    return result;
}

}  // namespace glimmet::cli
