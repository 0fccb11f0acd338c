#include "core/circuit/meetings.h"

namespace glimmet::core::circuit {

std::vector<Meeting> meetings(const Circuit& circuit) {
    constexpr std::size_t many = 1'000'000'000;
    std::vector<Meeting> at(circuit.nodes.size());
    at[ground].count = many;
    const auto touch = [&](const auto& elements) {
        for (const auto& each : elements) {
            ++at[each.a].count;
            ++at[each.b].count;
        }
    };
    touch(circuit.resistors);
    touch(circuit.capacitors);
    touch(circuit.switches);
    touch(circuit.onePorts);
    for (const VoltageSource& each : circuit.voltageSources)
        at[each.plus].count = at[each.minus].count = many;
    for (const CurrentSource& each : circuit.currentSources)
        at[each.plus].count = at[each.minus].count = many;
    const auto add = [](std::array<std::size_t, 2>& first, std::size_t& count, std::size_t which) {
        if (count < first.size()) first[count] = which;
        ++count;
    };
    for (std::size_t k = 0; k < circuit.resistors.size(); ++k) {
        for (const Node end : {circuit.resistors[k].a, circuit.resistors[k].b})
            add(at[end].resistor, at[end].resistors, k);
    }
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
        for (const Node end : {circuit.diodes[k].anode, circuit.diodes[k].cathode}) {
            ++at[end].count;
            add(at[end].diode, at[end].diodes, k);
        }
    }
    return at;
}

}  // namespace glimmet::core::circuit
