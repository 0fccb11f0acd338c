#include "core/circuit/topology.h"

#include <cmath>
#include <string>

namespace glimmet::core::circuit {
namespace {

/// Collects the first fault of a circuit's values.
class Ranges {
public:
    Result<void> fault;

    void above(const std::string& element, const char* what, double value) {
        if (std::isfinite(value) && value > 0) return;
        refuse(element, what, value, text("a number above 0"));
    }
    void notBelow(const std::string& element, const char* what, double value) {
        if (std::isfinite(value) && value >= 0) return;
        refuse(element, what, value, text("0 or more"));
    }
    void finite(const std::string& element, const char* what, double value) {
        if (!std::isfinite(value)) refuse(element, what, value, text("a number"));
    }
    void waveform(const std::string& element, const Waveform& form) {
        const auto* lines = std::get_if<PiecewiseLinear>(&form);
        if (lines && lines->points.empty()) {
            finite(element, "waveform", std::nan(""));
            return;
        }
        finite(element, "value at the start", valueAt(form, 0));
        if (!lines) return;
        double last = -1;
        for (const auto& [time, value] : lines->points) {
            finite(element, "waveform", value);
            if (!(time > last)) refuse(element, "waveform's time", time, text("times that rise"));
            last = time;
        }
    }
    void law(const std::string& name, const CurrentLimiter& each) {
        above(name, "resistance", each.resistance.value());
        above(name, "limit", each.limit.value());
    }
    void law(const std::string& name, const Load& each) {
        notBelow(name, "power", each.power.value());
        notBelow(name, "current", each.current.value());
        above(name, "fold-back voltage", each.fold.value());
    }
    void law(const std::string& name, const Filament& each) {
        above(name, "rated voltage", each.rated.value());
        above(name, "rated current", each.ratedCurrent.value());
        above(name, "cold share of the resistance", each.coldShare);
        above(name, "cold share below 1", 1 - each.coldShare);
        above(name, "thermal lag", each.lag.value());
    }
    void law(const std::string& name, const Polyfuse& each) {
        above(name, "resistance", each.resistance.value());
        above(name, "hold current", each.hold.value());
        above(name, "trip time", each.tripTime.value());
    }

private:
    void refuse(const std::string& element, const char* what, double value, Text allowed) {
        if (!fault) return;
        fault = failure(ErrorCode::OutOfRange, element,
                        text("%1: its %2 is %3; it must be %4.", element, text(what),
                             std::to_string(value), std::move(allowed)));
    }
};

}  // namespace

Result<void> valuesInRange(const Circuit& circuit) {
    Ranges ranges;
    for (const Resistor& each : circuit.resistors)
        ranges.above(each.name, "resistance", each.resistance.value());
    for (const Capacitor& each : circuit.capacitors) {
        ranges.above(each.name, "capacitance", each.capacitance.value());
        if (each.initially) ranges.finite(each.name, "voltage at first", each.initially->value());
    }
    for (const DiodeModel& each : circuit.models) {
        ranges.above(each.name, "saturation current", each.saturation.value());
        ranges.above(each.name, "emission coefficient", each.emission);
        ranges.notBelow(each.name, "series resistance", each.series.value());
        if (!std::isinf(each.breakdown.value()))
            ranges.above(each.name, "breakdown voltage", each.breakdown.value());
        ranges.above(each.name, "breakdown current", each.breakdownCurrent.value());
        ranges.above(each.name, "temperature", each.temperature.value());
        ranges.notBelow(each.name, "band gap", each.bandGap);
    }
    for (const VoltageSource& each : circuit.voltageSources) {
        ranges.waveform(each.name, each.volts);
        if (each.dc) ranges.finite(each.name, "voltage", *each.dc);
    }
    for (const CurrentSource& each : circuit.currentSources) {
        ranges.waveform(each.name, each.amps);
        if (each.dc) ranges.finite(each.name, "current", *each.dc);
    }
    for (const Switch& each : circuit.switches) {
        ranges.above(each.name, "closed resistance", each.on.value());
        ranges.above(each.name, "open resistance", each.off.value());
        ranges.waveform(each.name, each.gate);
    }
    for (const OnePort& each : circuit.onePorts)
        std::visit([&](const auto& law) { ranges.law(each.name, law); }, each.law);
    for (const Fuse& each : circuit.fuses) {
        ranges.above(each.name, "rated current", each.rated.value());
        ranges.above(each.name, "melting integral", each.melting);
    }
    for (const Blinker& each : circuit.blinkers) {
        ranges.above(each.name, "time lit", each.on.value());
        ranges.above(each.name, "time dark", each.off.value());
        ranges.above(each.name, "reset time", each.resetAfter.value());
    }
    return ranges.fault;
}

}  // namespace glimmet::core::circuit
