// Every wire of a model, as laid or as planned: its net, ends, colour, gauge, length, current.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/analysis/wiring/wiring.h"
#include "core/finding/state.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

struct ListedWire {
    std::string id;        ///< of the record: "W3"; of a planned one its place: "P1"
    bool planned = false;  ///< nobody laid it yet
    std::string net;       ///< "motor plus"; empty: of none that the plan has
    TerminalId from, to;
    std::string colour;
    std::optional<int> awg{};             ///< as laid, or the thinnest that can take its current
    std::optional<Millimetres> length{};  ///< as laid; nothing: not measured
    std::optional<Amperes> amps{};        ///< for hours; nothing: not known yet
    std::optional<Volts> drop{};
    std::vector<std::string> crosses{};  ///< units whose coupling it goes over: "U1/U2"
    std::string run{};
    std::optional<Joints> fromJoint{}, toJoint{};
    bool provisional = false;
    State state{};  ///< of its current against its gauge
};
/// Laid wires first. Bridged pairs of the plan that a laid wire joins are not planned once more.
[[nodiscard]] std::vector<ListedWire> wireList(const JobAnalysis& facts);

/// A length of wire to cut.
struct Cut {
    std::string colour;
    std::optional<int> awg{};
    std::optional<Millimetres> length{};  ///< nothing: measure it in the model
    std::vector<std::string> wires;       ///< ids
};
/// Of what is planned, like ones together.
[[nodiscard]] std::vector<Cut> cutList(const std::vector<ListedWire>& wires);

/// The decoder goes into a socket that the model has: no lead of it is soldered.
[[nodiscard]] bool socketed(const Job& job);

}  // namespace glimmet::core
