#include "core/circuit/junction_row.h"

#include "core/circuit/wright_omega.h"

#include <algorithm>
#include <cmath>
#include <limits>

// Compiled for processors with wide registers and for all others; which, is found when the program
// starts. Sanitizers and other compilers take the one for all.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && \
    !defined(__SANITIZE_ADDRESS__)
#define GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS \
    __attribute__((target_clones("arch=x86-64-v3", "default")))
#else
#define GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
#endif

namespace glimmet::core::circuit {
namespace {

constexpr double mostFall = 3e-3;      // of a junction's current, that is left after a free step
constexpr double leastCurrent = 1e-6;  // A, from which on a junction may fall at once
constexpr double still = 1e-9;         // V, by which a settled junction may have moved
constexpr double noCurrent = 1e-22;    // A
constexpr double leastSeries = 1e-14;  // Ω, of what has none
constexpr double ruling = 4;           // N·Vt across Rs up to which the junction rules
constexpr double beyond = std::numeric_limits<double>::infinity();

}  // namespace

void JunctionRow::resize(std::size_t diodes) {
    m_laws.resize(diodes);
    m_blocks.resize((diodes + laneCount - 1) / laneCount);
}

void JunctionRow::reserve(std::size_t diodes) {
    m_laws.reserve(diodes);
    m_blocks.reserve((diodes + laneCount - 1) / laneCount);
}

void JunctionRow::put(State& state, std::size_t lane, const JunctionBranch& branch) {
    state.junction[lane] = branch.junction;
    state.volts[lane] = branch.volts;
    state.current[lane] = branch.current;
    state.conductance[lane] = branch.conductance;
    state.omega[lane] = 0;
}

void JunctionRow::join(std::size_t diode, std::size_t a, std::size_t b) {
    of(diode).a[at(diode)] = static_cast<std::uint32_t>(a);
    of(diode).b[at(diode)] = static_cast<std::uint32_t>(b);
}

void JunctionRow::set(std::size_t diode, const Junction& law, double start, bool iterated,
                      bool waits) {
    m_laws[diode] = law;
    Block& block = of(diode);
    const std::size_t lane = at(diode);
    const double series = std::max(law.series, leastSeries);
    const double behind = 1 / (1 + series * junctionLeak);
    const double omegaSlope = behind / law.slope;
    const double share = series * omegaSlope;  // of N·Vt, for an ampere
    block.saturation[lane] = law.saturation;
    block.logSaturation[lane] = law.logSaturation;
    block.slope[lane] = law.slope;
    block.inverseSlope[lane] = 1 / law.slope;
    block.series[lane] = series;
    block.behind[lane] = behind;
    block.omegaSlope[lane] = omegaSlope;
    block.omegaShift[lane] = law.saturation * share + law.logSaturation + std::log(share);
    block.omegaScale[lane] = 1 / share;
    block.omegaStart[lane] = std::max(std::log(noCurrent * share), -700.0);
    block.lowest[lane] = law.lowest;
    block.ruling[lane] = iterated ? ruling * law.slope : 0;
    block.bare[lane] = law.series > 0 ? 0 : -1;
    block.waits[lane] = waits ? -1 : 0;
    put(block.start, lane, law.atJunction(law.voltsFor(start), 0));
    put(block.state, lane, law.atJunction(block.state.junction[lane], 0));
}

void JunctionRow::forget() {
    for (Block& each : m_blocks) each.state = each.start;
    m_isFirst = true;
}

GLIMMET_INLINE Lanes JunctionRow::between(const Block& block, const double* x) {
    static_assert(laneCount == 4);
    const auto& a = block.a;
    const auto& b = block.b;
    return Lanes{x[a[0]], x[a[1]], x[a[2]], x[a[3]]} - Lanes{x[b[0]], x[b[1]], x[b[2]], x[b[3]]} +
           block.known;
}

/// One step to `now` for the diodes of a block, but for those that are to be looked at apart.
GLIMMET_INLINE void JunctionRow::linearise(Block& block, Lanes now, bool free, bool first) {
    const State was = block.state;
    Lanes linear = was.current + was.conductance * (now - was.volts);
    Mask waits{};
    if (first) {
        waits = block.waits & (linear < 0.0);
        now = waits ? was.volts : now;
        linear = waits ? was.current : linear;
    }
    // Which junctions are taken at the word of their current, and what that is above −Is: the
    // leak's part of it is taken as it was.
    Mask carries{}, falls{};
    Lanes forward{};
    if (free) {
        const Mask rules = block.series * larger(linear, was.current) < block.ruling;
        falls = rules & (linear < mostFall * was.current) & (was.current > leastCurrent);
        forward = falls ? mostFall * was.current : linear - junctionLeak * was.junction;
        carries = falls | (rules & (linear > 0.0) & (forward > block.saturation));
        forward += block.saturation;
    }
    // The others from their volts: Rs and the leak divide these as a source of s·V behind s·Rs,
    // s = 1/(1 + Rs·leak).
    Lanes omega{};
    if (!all(carries)) {
        const Lanes moved = (now - was.omegaVolts) * block.omegaSlope;
        const Mask beside = (was.omega > 0.0) & (magnitude(moved * was.share) < besideShare);
        if (all(carries | beside)) {
            omega = wrightOmegaBeside(was.omega, was.share, moved);
        } else {
            const Lanes z = now * block.omegaSlope + block.omegaShift;
            omega = wrightOmega(larger(z, block.omegaStart));
            omega = z > block.omegaStart ? omega : Lanes{};
        }
        forward = carries ? forward : block.omegaScale * omega;
    }
    const Lanes current = forward - block.saturation;
    Lanes junction = block.behind * (now - block.series * current);
    Lanes volts = now;
    if (any(carries)) {
        const Lanes byCurrent = block.slope * (naturalLog(forward) - block.logSaturation);
        junction = carries ? byCurrent : junction;
        volts = carries ? byCurrent + block.series * (current + junctionLeak * byCurrent) : volts;
        omega = carries ? forward * block.series * block.omegaSlope : omega;
    }
    State& state = block.state;
    state.junction = junction;
    state.volts = volts;
    state.current = current + junctionLeak * junction;
    state.omega = omega;
    state.share = 1.0 / (1.0 + omega);
    state.omegaVolts = volts;
    state.conductance = (forward * block.inverseSlope + junctionLeak) * block.behind * state.share;

    block.now = now;
    block.before = was.junction;
    block.linear = linear;
    const Lanes wrong = state.current + state.conductance * (now - volts) - linear;
    const Mask settled = (magnitude(junction - was.junction) <= still) | ~(block.ruling > 0.0);
    block.wrong = falls | waits ? allOf(beyond) : ~carries & settled ? Lanes{} : wrong;
    block.apart = ~carries & ((now < block.lowest) | block.bare);
}

/// Whether one of them is to be looked at apart.
GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
bool JunctionRow::linearise(std::vector<Block>& blocks, const double* x, bool free, bool first) {
    Mask apart{};
    for (Block& block : blocks) {
        linearise(block, between(block, x), free, first);
        apart |= block.apart;
    }
    return any(apart);
}

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
Fit JunctionRow::worstFit(const std::vector<Block>& blocks, const Tolerance& tolerance) {
    Mask notGood{}, off{};
    for (const Block& block : blocks) {
        const Lanes over = magnitude(block.wrong) - tolerance.absolute;
        const Lanes size = magnitude(block.linear);
        notGood |= ~(over <= tolerance.relative * size);
        off |= ~(over <= tolerance.closeness * size);
    }
    if (!any(notGood)) return Fit::Good;
    return any(off) ? Fit::Off : Fit::Close;
}

void JunctionRow::lineariseApart(std::size_t diode, Stride stride, double extra) {
    Block& block = of(diode);
    const std::size_t lane = at(diode);
    const Junction& law = m_laws[diode];
    const double now = block.now[lane];
    const double before = block.before[lane];
    JunctionBranch branch = law.across(now, before, extra);
    const bool iterated = block.ruling[lane] > 0;
    double wrong = branch.current - block.linear[lane];
    if (!iterated || std::abs(branch.junction - before) <= still) wrong = 0;
    if (iterated && stride == Stride::Free && !(law.series > 0)) {
        const double taken = law.limited(branch.junction, before);
        if (std::abs(taken - branch.junction) > 0) {
            branch = law.atJunction(taken, extra);
            wrong = beyond;
        }
    }
    put(block.state, lane, branch);
    block.wrong[lane] = wrong;
}

Fit JunctionRow::step(const double* x, Stride stride, double extra, const Tolerance& tolerance) {
    if (extra > 0) {
        for (std::size_t k = 0; k < size(); ++k) {
            Block& block = of(k);
            const std::size_t lane = at(k);
            const double now = x[block.a[lane]] - x[block.b[lane]] + block.known[lane];
            block.now[lane] = now;
            block.before[lane] = block.state.junction[lane];
            block.linear[lane] = currentAtNone(k) + conductance(k) * now;
            lineariseApart(k, stride, extra);
        }
    } else if (linearise(m_blocks, x, stride == Stride::Free, m_isFirst)) {
        for (std::size_t k = 0; k < size(); ++k) {
            if (of(k).apart[at(k)] != 0) lineariseApart(k, stride, 0);
        }
    }
    m_isFirst = false;
    return worstFit(m_blocks, tolerance);
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

void JunctionRow::stepStraight(const double* x) {
    for (Block& each : m_blocks) {
        const Lanes now = between(each, x);
        const Lanes step = now - each.state.volts;
        const Lanes more = each.state.conductance * step;
        each.state.junction += step - each.series * more;
        each.state.current += more;
        each.state.volts = now;
    }
}

}  // namespace glimmet::core::circuit
