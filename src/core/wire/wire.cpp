#include "core/wire/wire.h"

#include "core/circuit/parts.h"

#include <array>

namespace glimmet::core {
namespace {

constexpr double copperPerKelvin = 0.0039;  // of the resistance at 20 °C

}  // namespace

std::span<const WireGauge> wireGauges() {
    static constexpr auto gauge = [](int awg, double ohms, double amps) {
        return WireGauge{awg, OhmsPerMetre{ohms}, Amperes{amps}};
    };
    static constexpr std::array gauges{
        gauge(18, 0.0210, 7),  gauge(20, 0.0333, 5),  gauge(22, 0.0530, 3),  gauge(24, 0.0842, 2),
        gauge(26, 0.134, 1.3), gauge(28, 0.213, 0.8), gauge(30, 0.339, 0.5), gauge(32, 0.538, 0.35),
        gauge(34, 0.856, 0.2), gauge(36, 1.36, 0.12), gauge(38, 2.16, 0.08), gauge(40, 3.44, 0.05)};
    return gauges;
}

std::optional<WireGauge> wireGauge(int awg) {
    for (const WireGauge& gauge : wireGauges()) {
        if (gauge.awg == awg) return gauge;
    }
    return {};
}

Ohms resistance(const WireRun& run) {
    const Metres length = run.length;
    const double warmer = run.temperature.value() - 293.15;
    return run.gauge.perMetre * length * (run.thereAndBack ? 2.0 : 1.0) *
           (1 + copperPerKelvin * warmer);
}

Volts drop(const WireRun& run) { return run.current * resistance(run); }

State loadState(const WireRun& run) {
    return stateAgainst(run.current.value(), run.gauge.limit.value(), wireCloseAbove);
}

void addWireRun(circuit::Circuit& circuit, const std::string& name, circuit::Node a,
                circuit::Node b, const WireRun& run) {
    circuit::addWire(circuit, name, a, b, resistance(run));
}

}  // namespace glimmet::core
