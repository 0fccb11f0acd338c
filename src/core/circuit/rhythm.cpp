#include "core/circuit/rhythm.h"

#include "core/circuit/waveform.h"

#include <algorithm>
#include <cmath>
#include <variant>

namespace glimmet::core::circuit {
namespace {

constexpr int pointsOnASlope = 8;
constexpr int pointsOnASine = 64;

/// How long a waveform takes to repeat; infinite: it does not.
double periodOf(const Waveform& waveform) {
    if (const auto* pulse = std::get_if<Pulse>(&waveform); pulse && pulse->period > 0)
        return pulse->period;
    if (const auto* lines = std::get_if<PiecewiseLinear>(&waveform); lines && lines->period > 0)
        return lines->period;
    if (const auto* sine = std::get_if<Sine>(&waveform)) {
        const bool steady = !(std::abs(sine->damping) > 0) && !(sine->delay > 0);
        if (steady && sine->frequency > 0) return 1 / sine->frequency;
    }
    return never;
}

template <class Visit>
void forEachWaveform(const Circuit& circuit, Visit visit) {
    for (const VoltageSource& each : circuit.voltageSources) visit(each.volts);
    for (const CurrentSource& each : circuit.currentSources) visit(each.amps);
    for (const Switch& each : circuit.switches) visit(each.gate);
}

std::vector<Phase> phasesOf(const std::vector<const Waveform*>& members, double period) {
    std::vector<Phase> phases;
    // After the first few turns delays are over.
    double begin = 0;
    bool sine = false;
    for (const Waveform* each : members) {
        sine = sine || std::holds_alternative<Sine>(*each);
        if (const auto* pulse = std::get_if<Pulse>(each))
            begin = std::max(begin, std::ceil(pulse->delay / period) * period);
    }
    begin += period;
    const double end = begin + period;
    for (double from = begin; from < end - 1e-9 * period;) {
        double to = end;
        for (const Waveform* each : members) to = std::min(to, nextCorner(*each, from));
        bool level = !sine;
        for (const Waveform* each : members) {
            level = level && std::abs(valueAt(*each, from + 0.25 * (to - from)) -
                                      valueAt(*each, from + 0.75 * (to - from))) < 1e-12;
        }
        const int points = level ? 1 : sine ? pointsOnASine : pointsOnASlope;
        for (int i = 0; i < points; ++i) {
            phases.push_back(
                {from + (i + 0.5) * (to - from) / points, (to - from) / points / period});
        }
        from = to;
    }
    return phases;
}

}  // namespace

bool Rhythm::has(const Waveform& waveform) const {
    return std::find(members.begin(), members.end(), &waveform) != members.end();
}

std::vector<Rhythm> rhythmsOf(const Circuit& circuit, double repetition) {
    std::vector<Rhythm> rhythms;
    forEachWaveform(circuit, [&](const Waveform& waveform) {
        const double period = periodOf(waveform);
        if (!(period <= repetition)) return;
        const auto same = std::find_if(rhythms.begin(), rhythms.end(), [&](const Rhythm& rhythm) {
            return std::abs(rhythm.period - period) <= 1e-9 * period;
        });
        if (same == rhythms.end())
            rhythms.push_back({period, {&waveform}, {}});
        else
            same->members.push_back(&waveform);
    });
    for (Rhythm& each : rhythms) each.phases = phasesOf(each.members, each.period);
    std::sort(rhythms.begin(), rhythms.end(),
              [](const Rhythm& a, const Rhythm& b) { return a.period < b.period; });
    return rhythms;
}

double slowCorner(const Circuit& circuit, double repetition, double time) {
    double corner = never;
    forEachWaveform(circuit, [&](const Waveform& waveform) {
        if (!(periodOf(waveform) <= repetition))
            corner = std::min(corner, nextCorner(waveform, time));
    });
    return corner;
}

}  // namespace glimmet::core::circuit
