#include "core/circuit/junction_row.h"

#include "core/circuit/wright_omega.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

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
    state.omega[lane] = state.share[lane] = state.omegaVolts[lane] = 0;
}

void JunctionRow::join(std::size_t diode, const Place& place) {
    Block& block = of(diode);
    // Lanes that no diode fills carry nothing, wherever they stand.
    for (std::size_t lane = at(diode); lane < laneCount; ++lane) {
        block.slot[lane] = place.slot;
        block.a[lane] = place.a;
        block.b[lane] = place.b;
        block.from[lane] = place.from;
        block.to[lane] = place.to;
    }
    block.isOnePlace = std::all_of(block.slot.begin(), block.slot.end(),
                                   [&](std::uint32_t slot) { return slot == block.slot[0]; }) &&
                       std::all_of(block.a.begin(), block.a.end(),
                                   [&](std::uint32_t a) { return a == block.a[0]; });
}

void JunctionRow::set(std::size_t diode, const Junction& law, bool iterated) {
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
    block.given[lane] = iterated ? 0 : -1;
    block.empty[lane] = 0;
    block.bare[lane] = law.series > 0 ? 0 : -1;
    put(block.state, lane, law.atJunction(block.state.junction[lane], 0));
}

void JunctionRow::setStart(std::size_t diode, double amps, bool waits, bool leads) {
    Block& block = of(diode);
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

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void JunctionRow::forget(std::vector<Block>& blocks) {
    for (Block& each : blocks) each.state = each.start;
}

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void JunctionRow::setKnown(std::vector<Block>& blocks, const double* known) {
    static_assert(laneCount == 4);
    for (Block& each : blocks) {
        const auto& a = each.from;
        const auto& b = each.to;
        each.known = Lanes{known[a[0]], known[a[1]], known[a[2]], known[a[3]]} -
                     Lanes{known[b[0]], known[b[1]], known[b[2]], known[b[3]]};
    }
}

GLIMMET_INLINE Lanes JunctionRow::between(const Block& block, const double* x) {
    static_assert(laneCount == 4);
    const auto& a = block.a;
    const auto& b = block.b;
    return Lanes{x[a[0]], x[a[1]], x[a[2]], x[a[3]]} - Lanes{x[b[0]], x[b[1]], x[b[2]], x[b[3]]} +
           block.known;
}

/// Where the linearisation leads, and which junctions are taken at the word of their current.
GLIMMET_INLINE JunctionRow::Aim JunctionRow::aim(const Block& block, Lanes now, bool free,
                                                 bool first) {
    const State& was = block.state;
    Aim aim;
    aim.now = now;
    aim.linear = was.current + was.conductance * (now - was.volts);
    aim.falls = Mask{};
    aim.stays = block.empty;
    if (first) {
        aim.stays |= aim.linear < 0.0 ? block.waits : block.leads;
        aim.now = aim.stays ? was.volts : now;
        aim.linear = aim.stays ? was.current : aim.linear;
    }
    // The leak's part of the current is taken as it was.
    Lanes forward = aim.linear - junctionLeak * was.junction;
    aim.carries = aim.stays;
    if (free) {
        const Mask rules =
            ~aim.stays & (block.series * larger(aim.linear, was.current) < block.ruling);
        aim.falls = rules & (aim.linear < mostFall * was.current) & (was.current > leastCurrent);
        if (first) aim.falls &= ~block.leads;
        forward = aim.falls ? mostFall * was.current : forward;
        aim.carries |= aim.falls | (rules & (aim.linear > 0.0) & (forward > block.saturation));
    }
    aim.forward = forward + block.saturation;
    return aim;
}

/// The current of the others, from their volts: Rs and the leak divide these as a source of s·V
/// behind s·Rs, s = 1/(1 + Rs·leak). And the volts of those that are taken at their current.
GLIMMET_INLINE void JunctionRow::reach(Aim& aim, const Block& block) {
    const State& was = block.state;
    const Lanes z = aim.now * block.omegaSlope + block.omegaShift;
    const Mask byVolts = ~aim.carries & (z > block.omegaStart);
    aim.forward = aim.carries ? aim.forward : Lanes{};
    if (any(byVolts)) {
        const Lanes moved = (aim.now - was.omegaVolts) * block.omegaSlope;
        const Mask beside = (was.omega > 0.0) & (magnitude(moved * was.share) < besideShare);
        const Lanes omega = any(byVolts & ~beside) ? wrightOmega(byVolts ? z : Lanes{})
                                                   : wrightOmegaBeside(was.omega, was.share, moved);
        aim.forward = byVolts ? block.omegaScale * omega : aim.forward;
    }
    const Lanes current = aim.forward - block.saturation;
    aim.junction = block.behind * (aim.now - block.series * current);
    aim.volts = aim.now;
    if (any(aim.carries & ~aim.stays)) {
        const Lanes byCurrent = block.slope * (naturalLog(aim.forward) - block.logSaturation);
        aim.junction = aim.carries ? byCurrent : aim.junction;
        aim.volts = aim.carries ? byCurrent + block.series * (current + junctionLeak * byCurrent)
                                : aim.volts;
    }
}

/// Linearises there.
GLIMMET_INLINE void JunctionRow::land(const Aim& aim, Block& block) {
    State& state = block.state;
    block.now = aim.now;
    block.before = state.junction;
    block.linear = aim.linear;
    state.junction = aim.junction;
    state.volts = aim.volts;
    state.current = aim.forward - block.saturation + junctionLeak * aim.junction;
    state.omega = aim.forward * block.series * block.omegaSlope;
    state.share = 1.0 / (1.0 + state.omega);
    state.omegaVolts = aim.volts;
    state.conductance =
        (aim.forward * block.inverseSlope + junctionLeak) * block.behind * state.share;

    const Lanes wrong = state.current + state.conductance * (aim.now - aim.volts) - aim.linear;
    const Mask settled =
        ~aim.carries & (block.given | (magnitude(aim.junction - block.before) <= still));
    block.wrong = aim.falls | aim.stays ? allOf(beyond) : settled ? Lanes{} : wrong;
    block.wrong = block.empty ? Lanes{} : block.wrong;
    block.apart = ~aim.carries & ((aim.now < block.lowest) | block.bare);
}

GLIMMET_INLINE void JunctionRow::Judged::judge(const Block& block, const Tolerance& tolerance) {
    const Lanes over = magnitude(block.wrong) - tolerance.absolute;
    const Lanes size = magnitude(block.linear);
    notGood |= ~(over <= tolerance.relative * size);
    off |= ~(over <= tolerance.closeness * size);
}
GLIMMET_INLINE Fit JunctionRow::Judged::fit() const {
    if (!any(notGood)) return Fit::Good;
    return any(off) ? Fit::Off : Fit::Close;
}

/// In stages, each for some blocks: what one of them does has no need to wait for another, and the
/// processor sees so much of them at a time that it works at several.
GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
JunctionRow::Landing JunctionRow::linearise(std::vector<Block>& blocks, const double* x, bool free,
                                            bool first, const Tolerance& tolerance) {
    constexpr std::size_t together = 4;
    Judged judged;
    Mask apart{};
    std::array<Aim, together> aims;
    for (std::size_t from = 0; from < blocks.size(); from += together) {
        const std::size_t to = std::min(from + together, blocks.size());
        for (std::size_t k = from; k < to; ++k)
            aims[k - from] = aim(blocks[k], between(blocks[k], x), free, first);
        for (std::size_t k = from; k < to; ++k) reach(aims[k - from], blocks[k]);
        for (std::size_t k = from; k < to; ++k) {
            land(aims[k - from], blocks[k]);
            judged.judge(blocks[k], tolerance);
            apart |= blocks[k].apart;
        }
    }
    return {judged.fit(), any(apart)};
}

void JunctionRow::lineariseApart(std::size_t diode, Stride stride, double extra) {
    Block& block = of(diode);
    const std::size_t lane = at(diode);
    const Junction& law = m_laws[diode];
    const double now = block.now[lane];
    const double before = block.before[lane];
    JunctionBranch branch = law.across(now, before, extra);
    const bool iterated = block.given[lane] == 0;
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

Fit JunctionRow::worstFit(const Tolerance& tolerance) const {
    Judged judged;
    for (const Block& block : m_blocks) judged.judge(block, tolerance);
    return judged.fit();
}

Fit JunctionRow::step(const double* x, Stride stride, double extra, const Tolerance& tolerance) {
    const bool first = std::exchange(m_isFirst, false);
    if (extra > 0) {
        for (std::size_t k = 0; k < size(); ++k) {
            Block& block = of(k);
            const std::size_t lane = at(k);
            const double now = x[block.a[lane]] - x[block.b[lane]] + block.known[lane];
            block.now[lane] = now;
            block.before[lane] = block.state.junction[lane];
            block.linear[lane] = current(k) + conductance(k) * (now - volts(k));
            lineariseApart(k, stride, extra);
        }
        return worstFit(tolerance);
    }
    const auto [fit, apart] = linearise(m_blocks, x, stride == Stride::Free, first, tolerance);
    if (!apart) return fit;
    for (std::size_t k = 0; k < size(); ++k) {
        if (of(k).apart[at(k)] != 0) lineariseApart(k, stride, 0);
    }
    return worstFit(tolerance);
}

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void JunctionRow::stamp(const std::vector<Block>& blocks, double* conductances, double* amps) {
    for (const Block& block : blocks) {
        const State& state = block.state;
        const Lanes atNone = state.current + state.conductance * (block.known - state.volts);
        if (block.isOnePlace) {
            conductances[block.slot[0]] += sum(state.conductance);
            const double all = sum(atNone);
            amps[block.a[0]] -= all;
            amps[block.b[0]] += all;
            continue;
        }
        for (std::size_t lane = 0; lane < laneCount; ++lane) {
            conductances[block.slot[lane]] += state.conductance[lane];
            amps[block.a[lane]] -= atNone[lane];
            amps[block.b[lane]] += atNone[lane];
        }
    }
}

void JunctionRow::currents(std::vector<double>& amps) const {
    amps.resize(size());
    std::size_t diode = 0;
    for (const Block& block : m_blocks) {
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

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void JunctionRow::stepStraight(std::vector<Block>& blocks, const double* x) {
    for (Block& each : blocks) {
        const Lanes now = between(each, x);
        const Lanes step = each.empty ? Lanes{} : now - each.state.volts;
        const Lanes more = each.state.conductance * step;
        each.state.junction += step - each.series * more;
        each.state.current += more;
        each.state.volts = now;
    }
}

}  // namespace glimmet::core::circuit
