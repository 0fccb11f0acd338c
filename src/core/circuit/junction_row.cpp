#include "core/circuit/junction_row.h"

#include <utility>

namespace glimmet::core::circuit {

void JunctionRow::resize(std::size_t diodes) {
    m_laws.resize(diodes);
    m_blocks.resize((diodes + laneCount - 1) / laneCount);
}

void JunctionRow::reserve(std::size_t diodes) {
    m_laws.reserve(diodes);
    m_blocks.reserve((diodes + laneCount - 1) / laneCount);
}

void JunctionRow::set(std::size_t diode, const Junction& law, bool iterated) {
    m_laws[diode] = law;
    setLaw(of(diode), at(diode), law, iterated);
}

void JunctionRow::setStart(std::size_t diode, double amps, bool waits, bool leads) {
    JunctionBlock& block = of(diode);
    const std::size_t lane = at(diode);
    const Junction& law = m_laws[diode];
    block.waits[lane] = waits ? ~block.given[lane] : 0;
    block.leads[lane] = leads ? ~block.given[lane] : 0;
    const JunctionBranch start = law.atJunction(law.voltsFor(amps), 0);
    put(block.start, lane, start);
    const double forward = start.current + law.saturation - junctionLeak * start.junction;
    block.start.omega[lane] = forward / block.omegaScale[lane];
    block.start.share[lane] = 1 / (1 + block.start.omega[lane]);
    block.start.omegaVolts[lane] = start.volts;
}

void JunctionRow::forget() {
    for (JunctionBlock& each : m_blocks) each.state = each.start;
    m_isFirst = true;
}

Fit JunctionRow::step(const double* x, Stride stride, double extra, const Tolerance& tolerance) {
    const bool first = std::exchange(m_isFirst, false);
    if (extra > 0) {
        for (std::size_t k = 0; k < size(); ++k) {
            JunctionBlock& block = of(k);
            const std::size_t lane = at(k);
            const double now = x[block.a[lane]] - x[block.b[lane]] + block.known[lane];
            block.now[lane] = now;
            block.before[lane] = block.state.junction[lane];
            block.linear[lane] = current(k) + conductance(k) * (now - volts(k));
            lineariseApart(block, lane, m_laws[k], stride, extra);
        }
        return worstFit(m_blocks, tolerance);
    }
    const auto [fit, apart] = linearise(m_blocks, x, stride, first, tolerance);
    if (!apart) return fit;
    for (std::size_t k = 0; k < size(); ++k) {
        if (of(k).apart[at(k)] != 0) lineariseApart(of(k), at(k), m_laws[k], stride, 0);
    }
    return worstFit(m_blocks, tolerance);
}

void JunctionRow::currents(std::vector<double>& amps) const {
    amps.resize(size());
    std::size_t diode = 0;
    for (const JunctionBlock& block : m_blocks) {
        for (std::size_t lane = 0; lane < laneCount && diode < amps.size(); ++lane)
            amps[diode++] = block.state.current[lane];
    }
}

std::size_t JunctionRow::worst(const Tolerance& tolerance) const {
    std::size_t which = size();
    Fit worst = Fit::Good;
    for (std::size_t k = 0; k < size(); ++k) {
        const Fit found = tolerance.of(of(k).wrong[at(k)], linear(k));
        if (found <= worst) continue;
        worst = found;
        which = k;
    }
    return which;
}

}  // namespace glimmet::core::circuit
