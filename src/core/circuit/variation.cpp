#include "core/circuit/variation.h"

#include "core/circuit/settling.h"
#include "core/quantity/thermal_voltage.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr double difference = 1e-4;  // of a value, either way

/// A source at its value for operating points, times a factor.
template <class Source>
double atRest(const Source& source, const Waveform& waveform) {
    return source.dc.value_or(valueAt(waveform, 0));
}

}  // namespace

Spread evenSpread(const Circuit& circuit, double supply, double resistance, ForwardSpread forward) {
    Spread spread;
    spread.supply.assign(circuit.voltageSources.size(), supply);
    for (const Resistor& each : circuit.resistors)
        spread.resistance.push_back(each.wire ? 0 : resistance);
    spread.forward.assign(circuit.diodes.size(), forward);
    return spread;
}

DiodeModel shifted(DiodeModel model, Volts shift) {
    model.saturation *= std::exp(
        -shift.value() / (model.emission * thermalVoltage * model.temperature.value() / 300.15));
    return model;
}

Circuit separated(Circuit circuit) {
    std::vector<DiodeModel> models;
    for (Diode& each : circuit.diodes) {
        models.push_back(circuit.models[each.model]);
        each.model = models.size() - 1;
    }
    circuit.models = std::move(models);
    return circuit;
}

void place(const Circuit& typical, const Spread& spread, const Places& places, Circuit& varied) {
    for (std::size_t k = 0; k < typical.voltageSources.size(); ++k) {
        const VoltageSource& source = typical.voltageSources[k];
        varied.voltageSources[k].dc =
            atRest(source, source.volts) * (1 + spread.supply[k] * places.supply[k]);
    }
    for (std::size_t k = 0; k < typical.resistors.size(); ++k) {
        varied.resistors[k].resistance =
            typical.resistors[k].resistance * (1 + spread.resistance[k] * places.resistance[k]);
    }
    for (std::size_t k = 0; k < typical.diodes.size(); ++k) {
        const double at = places.forward[k];
        const Volts shift = (at < 0 ? spread.forward[k].below : spread.forward[k].above) * at;
        varied.models[k].saturation = shifted(typical.models[k], shift).saturation;
    }
}

Result<CornerCurrents> overCorners(const Circuit& circuit, const Spread& spread) {
    const Circuit typical = separated(circuit);
    Circuit varied = typical;
    auto solver = solverFor(typical);
    if (!solver) return tl::unexpected(solver.error());
    CornerCurrents currents;
    currents.diode.assign(circuit.diodes.size(), {HUGE_VAL, 0, -HUGE_VAL});
    for (const double supply : {-1.0, 0.0, 1.0}) {
        for (const double forward : {-1.0, 0.0, 1.0}) {
            for (const double resistance : {-1.0, 0.0, 1.0}) {
                place(typical, spread,
                      {std::vector<double>(circuit.voltageSources.size(), supply),
                       std::vector<double>(circuit.resistors.size(), resistance),
                       std::vector<double>(circuit.diodes.size(), forward)},
                      varied);
                solver->update(varied);
                if (!solver->settleFromAnywhere()) return tl::unexpected(didNotSettle(*solver));
                const bool middle =
                    !(std::abs(supply) + std::abs(forward) + std::abs(resistance) > 0);
                for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
                    const double amps = solver->diodeCurrent(k);
                    Extremes& extremes = currents.diode[k];
                    extremes.lowest = std::min(extremes.lowest, amps);
                    extremes.highest = std::max(extremes.highest, amps);
                    if (middle) extremes.typical = amps;
                }
            }
        }
    }
    return currents;
}

Result<Sensitivities> sensitivities(const Circuit& circuit, std::size_t diode) {
    assert(diode < circuit.diodes.size());
    const Circuit typical = separated(circuit);
    Circuit varied = typical;
    auto solver = solverFor(typical);
    if (!solver) return tl::unexpected(solver.error());
    bool good = solver->settleFromAnywhere();
    const auto current = [&] {
        solver->update(varied);
        good = good && solver->settleFromAnywhere();
        return solver->diodeCurrent(diode);
    };
    Sensitivities made;
    for (std::size_t k = 0; k < circuit.voltageSources.size(); ++k) {
        auto& dc = varied.voltageSources[k].dc;
        const double typicalVolts =
            atRest(typical.voltageSources[k], typical.voltageSources[k].volts);
        const double step = difference * std::max(std::abs(typicalVolts), 1.0);
        dc = typicalVolts + step;
        const double above = current();
        dc = typicalVolts - step;
        made.supply.push_back((above - current()) / (2 * step));
        dc = typical.voltageSources[k].dc;
    }
    for (std::size_t k = 0; k < circuit.resistors.size(); ++k) {
        const Ohms ohms = typical.resistors[k].resistance;
        varied.resistors[k].resistance = ohms * (1 + difference);
        const double above = current();
        varied.resistors[k].resistance = ohms * (1 - difference);
        made.resistance.push_back((above - current()) / (2 * difference * ohms.value()));
        varied.resistors[k].resistance = ohms;
    }
    for (std::size_t k = 0; k < circuit.diodes.size(); ++k) {
        const DiodeModel model = typical.models[k];
        varied.models[k] = shifted(model, Volts{difference});
        const double above = current();
        varied.models[k] = shifted(model, Volts{-difference});
        made.forward.push_back((above - current()) / (2 * difference));
        varied.models[k] = model;
    }
    if (!good) return tl::unexpected(didNotSettle(*solver));
    return made;
}

}  // namespace glimmet::core::circuit
