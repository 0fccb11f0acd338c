#include "core/circuit/junction_step.h"

#include "core/circuit/wright_omega.h"

#include <algorithm>
#include <array>
#include <limits>

namespace glimmet::core::circuit {
namespace {

constexpr double mostFall = 3e-3;      // of a junction's current, that is left after a free step
constexpr double leastCurrent = 1e-6;  // A, from which on a junction may fall at once
constexpr double still = 1e-9;         // V, by which a settled junction may have moved
constexpr double beyond = std::numeric_limits<double>::infinity();

GLIMMET_INLINE Lanes between(const JunctionBlock& block, const double* x) {
    static_assert(laneCount == 4);
    const auto& a = block.a;
    const auto& b = block.b;
    return Lanes{x[a[0]], x[a[1]], x[a[2]], x[a[3]]} - Lanes{x[b[0]], x[b[1]], x[b[2]], x[b[3]]} +
           block.known;
}

struct Aim {
    Lanes now, linear, forward, junction, volts;
    Mask stays, falls, carries;
};

/// Where the linearisation leads, and which junctions are taken at the word of their current.
GLIMMET_INLINE Aim aim(const JunctionBlock& block, Lanes now, Stride stride, bool first) {
    const JunctionState& was = block.state;
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
    if (stride == Stride::Free) {
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
GLIMMET_INLINE void reach(Aim& aim, const JunctionBlock& block) {
    const JunctionState& was = block.state;
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
GLIMMET_INLINE void land(const Aim& aim, JunctionBlock& block) {
    JunctionState& state = block.state;
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

class Judged {
public:
    explicit Judged(const Tolerance& tolerance) : m_tolerance(tolerance) {}
    GLIMMET_INLINE void judge(const JunctionBlock& block) {
        const Lanes over = magnitude(block.wrong) - m_tolerance.absolute;
        const Lanes size = magnitude(block.linear);
        m_notGood |= ~(over <= m_tolerance.relative * size);
        m_off |= ~(over <= m_tolerance.closeness * size);
    }
    [[nodiscard]] GLIMMET_INLINE Fit fit() const {
        if (!any(m_notGood)) return Fit::Good;
        return any(m_off) ? Fit::Off : Fit::Close;
    }

private:
    Tolerance m_tolerance;
    Mask m_notGood{}, m_off{};
};

}  // namespace

/// In stages, each for some blocks: what one of them does has no need to wait for another, and the
/// processor sees so much of them at a time that it works at several.
GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
Landing linearise(std::vector<JunctionBlock>& blocks, const double* x, Stride stride, bool first,
                  const Tolerance& tolerance) {
    constexpr std::size_t together = 4;
    Judged judged(tolerance);
    Mask apart{};
    std::array<Aim, together> aims;
    for (std::size_t from = 0; from < blocks.size(); from += together) {
        const std::size_t to = std::min(from + together, blocks.size());
        for (std::size_t k = from; k < to; ++k)
            aims[k - from] = aim(blocks[k], between(blocks[k], x), stride, first);
        for (std::size_t k = from; k < to; ++k) reach(aims[k - from], blocks[k]);
        for (std::size_t k = from; k < to; ++k) {
            land(aims[k - from], blocks[k]);
            judged.judge(blocks[k]);
            apart |= blocks[k].apart;
        }
    }
    return {judged.fit(), any(apart)};
}

void lineariseApart(JunctionBlock& block, std::size_t lane, const Junction& law, Stride stride,
                    double extra) {
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

Fit worstFit(const std::vector<JunctionBlock>& blocks, const Tolerance& tolerance) {
    Judged judged(tolerance);
    for (const JunctionBlock& each : blocks) judged.judge(each);
    return judged.fit();
}

GLIMMET_FOR_WIDE_AND_OTHER_PROCESSORS
void stepStraight(std::vector<JunctionBlock>& blocks, const double* x) {
    for (JunctionBlock& each : blocks) {
        const Lanes now = between(each, x);
        const Lanes step = each.empty ? Lanes{} : now - each.state.volts;
        const Lanes more = each.state.conductance * step;
        each.state.junction += step - each.series * more;
        each.state.current += more;
        each.state.volts = now;
    }
}

}  // namespace glimmet::core::circuit
