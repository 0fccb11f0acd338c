#include "core/circuit/circuit.h"

#include <cctype>

namespace glimmet::core::circuit {

Node nodeNamed(Circuit& circuit, std::string_view name) {
    std::string lower(name);
    for (char& c : lower) {
        if (static_cast<unsigned char>(c) < 128) c = static_cast<char>(std::tolower(c));
    }
    if (lower == "gnd") return ground;
    for (Node node = 0; node < circuit.nodes.size(); ++node) {
        if (circuit.nodes[node] == lower) return node;
    }
    circuit.nodes.push_back(std::move(lower));
    return circuit.nodes.size() - 1;
}

}  // namespace glimmet::core::circuit
