// Circuits of every element, drawn from bytes: of a random number generator in the tests, of a
// fuzzer in tests/fuzz.
#pragma once

#include "core/circuit/parts.h"
#include "core/led/led.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <random>
#include <span>
#include <string>
#include <vector>

namespace glimmet::tests {

/// Bytes as choices. After the last every byte is 0.
class Choices {
public:
    explicit Choices(std::span<const std::uint8_t> bytes) : m_bytes(bytes) {}
    [[nodiscard]] bool ended() const { return m_at >= m_bytes.size(); }
    std::uint8_t byte() { return ended() ? std::uint8_t{0} : m_bytes[m_at++]; }
    std::size_t below(std::size_t count) { return byte() % count; }
    double share() { return (256 * byte() + byte()) / 65535.0; }
    double between(double low, double high) { return low + (high - low) * share(); }
    /// By equal ratios. Range: 0 < low < high.
    double ratio(double low, double high) { return low * std::pow(high / low, share()); }

private:
    std::span<const std::uint8_t> m_bytes;
    std::size_t m_at = 0;
};

inline std::vector<std::uint8_t> randomBytes(std::mt19937& random, std::size_t count) {
    std::vector<std::uint8_t> bytes(count);
    for (std::uint8_t& each : bytes) each = static_cast<std::uint8_t>(random());
    return bytes;
}

struct Kinds {
    bool tame = false;  ///< every source has a resistor in series, and nothing hangs on nothing
};

namespace drawn {

using namespace core;
using namespace core::circuit;

inline Waveform waveform(Choices& choices, double low, double high) {
    const double first = choices.between(low, high);
    const double second = choices.between(low, high);
    switch (choices.below(5)) {
        case 0: {
            const double rise = choices.ratio(1e-6, 1e-4);
            const double width = choices.ratio(1e-5, 1e-3);
            return Pulse{first,
                         second,
                         choices.between(0, 1e-3),
                         rise,
                         rise,
                         width,
                         choices.below(2) ? 4 * (rise + width) : 0};
        }
        case 1:
            return Sine{first / 2, second / 2, choices.ratio(10, 1e4), 0, 0};
        case 2:
            return PiecewiseLinear{{{0, first}, {choices.ratio(1e-5, 1e-3), second}}};
        default:
            return Constant{first};
    }
}
inline DiodeModel diode(Choices& choices) {
    DiodeModel model = siliconDiode();
    const std::size_t kind = choices.below(wordsOf(LedFamily()).size() + 3);
    if (kind == 0) model = schottkyDiode();
    if (kind == 1) model = zenerDiode(Volts{choices.between(2, 24)});
    if (kind > 2) model = diodeModel(typicalLaw(wordsOf(LedFamily())[kind - 3].value), "");
    if (choices.below(4) == 0) model.series = Ohms{0};
    if (choices.below(4) == 0) model.temperature = Kelvins{choices.between(250, 400)};
    return model;
}
inline OnePortLaw law(Choices& choices) {
    switch (choices.below(4)) {
        case 0:
            return CurrentLimiter{Ohms{choices.ratio(0.1, 1e3)}, Amperes{choices.ratio(1e-4, 2)},
                                  choices.below(2) == 0};
        case 1:
            return Load{Watts{choices.ratio(1e-4, 5)}, Amperes{choices.between(0, 0.1)},
                        Volts{choices.between(0.5, 5)}};
        case 2:
            return Filament{Volts{choices.between(1, 16)}, Amperes{choices.ratio(5e-3, 0.5)}, 0.1,
                            Seconds{choices.ratio(1e-3, 0.1)}};
        default:
            return Polyfuse{Ohms{choices.ratio(0.05, 10)}, Amperes{choices.ratio(0.05, 2)},
                            Seconds{choices.ratio(1e-3, 1)}};
    }
}

}  // namespace drawn

inline core::circuit::Circuit randomCircuit(Choices& choices, const Kinds& kinds = {}) {
    using namespace core;
    using namespace core::circuit;
    Circuit circuit;
    circuit.title = "random";
    const std::size_t nodes = 2 + choices.below(10);
    for (std::size_t k = 1; k <= nodes; ++k) nodeNamed(circuit, "n" + std::to_string(k));
    const auto node = [&] { return choices.below(nodes + 1); };
    const auto name = [&](const char* letter) {
        return letter + std::to_string(circuit.resistors.size() + circuit.diodes.size() +
                                       circuit.capacitors.size() + circuit.voltageSources.size() +
                                       circuit.currentSources.size() + circuit.onePorts.size() +
                                       circuit.switches.size());
    };
    const auto source = [&](Node plus, Node minus) {
        if (kinds.tame) {
            const Node inside = nodeNamed(circuit, name("inside"));
            addResistor(circuit, name("r"), inside, plus, Ohms{choices.ratio(0.1, 100)});
            plus = inside;
        }
        addSupply(circuit, name("v"), plus, minus, drawn::waveform(choices, -20, 20));
    };
    if (kinds.tame) {
        for (Node k = 1; k <= nodes; ++k)
            addResistor(circuit, name("r"), k, choices.below(k), Ohms{choices.ratio(1, 1e6)});
    }
    source(1, 0);
    while (!choices.ended() && circuit.nodes.size() < 60) {
        const Node a = node();
        const Node b = node();
        if (a == b) continue;
        switch (choices.below(kinds.tame ? 7 : 10)) {
            case 0:
            case 1:
                addResistor(circuit, name("r"), a, b, Ohms{choices.ratio(1e-3, 1e7)});
                break;
            case 2: {
                RealCapacitor part{Farads{choices.ratio(1e-10, 1e-1)}, {}, {}, false, {}};
                if (choices.below(2)) part.seriesResistance = Ohms{choices.ratio(1e-3, 10)};
                if (choices.below(4) == 0) part.initially = Volts{choices.between(-20, 20)};
                addCapacitor(circuit, name("c"), a, b, part);
                break;
            }
            case 3:
            case 4:
                addDiode(circuit, name("d"), a, b, drawn::diode(choices));
                break;
            case 5:
                source(a, b);
                break;
            case 6:
                addOnePort(circuit, name("p"), a, b, drawn::law(choices));
                break;
            case 7:
                circuit.currentSources.push_back(
                    {name("i"), a, b, drawn::waveform(choices, -0.1, 0.1), {}});
                break;
            case 8:
                addSwitch(circuit, name("s"), a, b, drawn::waveform(choices, 0, 1));
                break;
            default:
                if (choices.below(2)) {
                    addFuse(circuit, name("f"), a, b,
                            {Ohms{choices.ratio(1e-2, 1)}, Amperes{choices.ratio(0.05, 2)},
                             choices.ratio(1e-4, 1)});
                } else {
                    addBlinkingLed(
                        circuit, name("k"), a, b, drawn::diode(choices),
                        {Seconds{choices.ratio(1e-4, 1e-2)}, Seconds{choices.ratio(1e-4, 1e-2)}});
                }
                break;
        }
    }
    return circuit;
}

}  // namespace glimmet::tests
