#include "core/circuit/analysis.h"
#include "core/circuit/crossing.h"
#include "core/circuit/integration.h"
#include "core/circuit/settling.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::circuit {
namespace {

constexpr double leastShare = 1e-12;  // of the whole: no step is shorter
constexpr double mostGrowth = 8;      // of a step over the one before
constexpr double sliverShare = 1e-5;  // of a step, to settle the rates after a jump

/// The loop of steps around an Integration.
class Run {
public:
    Run(const Circuit& circuit, const TransientSpan& span, Solver& solver)
        : m_circuit(circuit),
          m_span(span),
          m_solver(solver),
          m_integration(circuit, solver, span.accuracy),
          m_least(leastShare * span.stop) {
        m_solver.setTolerance(std::clamp(span.accuracy * 1e-2, 1e-10, 1e-4), span.accuracy * 1e-5);
    }

    Result<Transient> result() {
        if (!m_integration.begin()) return tl::unexpected(didNotSettle(m_solver));
        m_before.resize(guardCount());
        m_result.voltage.resize(m_circuit.nodes.size());
        m_jumped = std::any_of(m_circuit.capacitors.begin(), m_circuit.capacitors.end(),
                               [](const Capacitor& each) { return each.initially.has_value(); });
        print(0);
        const auto last = static_cast<long>(std::floor(m_span.stop / m_span.step + 1e-9));
        const double longest = m_span.ownSteps ? m_span.stop / 50 : m_span.stop;
        m_step = std::min(m_span.step, longest) / 10;
        noteWatches();
        for (long printed = 1; printed <= last && !m_ended;) {
            // In own steps only the end is due.
            const double due = m_span.ownSteps ? static_cast<double>(last) * m_span.step
                                               : static_cast<double>(printed) * m_span.step;
            const auto arrived = advance(std::min(due, m_integration.time() + longest), due);
            if (!arrived) return tl::unexpected(arrived.error());
            const bool there = m_integration.time() >= due - m_least;
            if (m_span.ownSteps || there) print(there ? due : m_integration.time());
            if (there) printed = m_span.ownSteps ? last + 1 : printed + 1;
        }
        if (m_ended && m_result.time.back() < m_integration.time()) print(m_integration.time());
        m_result.iterations = m_solver.iterations();
        return std::move(m_result);
    }

private:
    void print(double time) {
        m_result.time.push_back(time);
        for (Node node = 0; node < m_circuit.nodes.size(); ++node)
            m_result.voltage[node].push_back(m_solver.voltage(node));
    }

    // ---- guards: the integration's own, then the watches
    [[nodiscard]] std::size_t guardCount() const {
        return m_integration.guardCount() + m_span.watches.size();
    }
    [[nodiscard]] double watched(std::size_t watch) const {
        const Watch& each = m_span.watches[watch];
        return m_solver.across(each.plus, each.minus) - each.level;
    }
    void noteWatches() {
        m_watched.resize(m_span.watches.size());
        for (std::size_t k = 0; k < m_watched.size(); ++k) m_watched[k] = watched(k);
    }
    [[nodiscard]] double before(std::size_t guard) const {
        const std::size_t own = m_integration.guardCount();
        return guard < own ? m_integration.guardNow(guard) : m_watched[guard - own];
    }
    [[nodiscard]] double after(std::size_t guard, double step) const {
        const std::size_t own = m_integration.guardCount();
        return guard < own ? m_integration.guardAfter(guard, step) : watched(guard - own);
    }
    static bool crosses(double from, double to) { return (from < 0) != (to < 0); }

    void noteGuards() {
        for (std::size_t guard = 0; guard < guardCount(); ++guard) m_before[guard] = before(guard);
    }
    /// Shortens the step that was just tried so that it ends where the first guard crosses; false
    /// where a shortened step did not settle.
    [[nodiscard]] bool shortenToCrossing(double& step) {
        for (std::size_t guard = 0; guard < guardCount(); ++guard) {
            const double from = m_before[guard];
            const double to = after(guard, step);
            if (!crosses(from, to)) continue;
            if (step <= m_least) continue;
            // A crossing at the very beginning is taken at the shortest step that there is: in a
            // shorter one the capacitors' currents would be rounding errors.
            bool good = true;
            const auto valueAfter = [&](double tried) {
                good = good && m_integration.tryStep(tried).has_value();
                return after(guard, tried);
            };
            const double atLeast = valueAfter(m_least);
            if (crosses(from, atLeast)) {
                step = m_least;
            } else {
                step = crossing({m_least, atLeast, step, to}, std::max(1e-9 * step, m_least),
                                valueAfter);
            }
            if (!good || !m_integration.tryStep(step)) return false;
        }
        return true;
    }
    void follow() {
        const std::size_t own = m_integration.guardCount();
        for (std::size_t guard = 0; guard < guardCount(); ++guard) {
            const double now = before(guard);  // the step is accepted: its end is now
            if (!crosses(m_before[guard], now)) continue;
            if (guard < own) {
                m_jumped = m_integration.cross(guard, now >= 0, m_result.events) || m_jumped;
                continue;
            }
            const Watch& watch = m_span.watches[guard - own];
            const bool wanted =
                watch.way == Watch::Way::Either || (watch.way == Watch::Way::Rising) == (now >= 0);
            if (!wanted) continue;
            m_result.events.push_back(
                {m_integration.time(), Transient::Event::What::Crossed, watch.name});
            m_ended = m_ended || watch.ends;
        }
    }

    static Error tooLong() {
        return {ErrorCode::TooMuch, "tran",
                text("The transient takes more steps than can be waited for: ask for a shorter "
                     "time.")};
    }
    /// One accepted step, not beyond `limit`. `due` is a printed time: a corner that falls on it
    /// but for rounding is taken there.
    [[nodiscard]] Result<void> advance(double limit, double due) {
        double corner = m_integration.nextCorner();
        if (std::abs(due - corner) < m_least) corner = due;
        const double until = std::min(limit, corner);
        double left = until - m_integration.time();
        if (left <= m_least) left = m_least;
        if (m_jumped) {
            m_jumped = false;
            const double sliver = std::max(std::min(left, m_step) * sliverShare, m_least);
            noteGuards();
            if (++m_tries > m_span.mostSteps) return tl::unexpected(tooLong());
            if (!m_integration.eulerStep(sliver)) return tl::unexpected(didNotSettle(m_solver));
            noteWatches();
            follow();
            return {};
        }
        noteGuards();
        while (true) {
            if (++m_tries > m_span.mostSteps) return tl::unexpected(tooLong());
            // Between two corners close to each other something switches: never in one stride.
            const bool stride = m_step >= left * 0.999 && !(m_afterCorner && left < m_step / 2);
            double taken = stride ? left : std::min(m_step, left / 2);
            const auto error = m_integration.tryStep(taken);
            if (!error || *error > 1) {
                ++m_result.rejected;
                m_step =
                    taken * (error ? std::clamp(0.9 * std::cbrt(1 / *error), 0.1, 0.9) : 0.125);
                if (m_step < m_least) return tl::unexpected(didNotSettle(m_solver));
                continue;
            }
            const double whole = taken;
            if (!shortenToCrossing(taken)) return tl::unexpected(didNotSettle(m_solver));
            m_integration.accept(taken);
            ++m_result.steps;
            const bool arrived = taken >= left;
            m_afterCorner = false;
            const double growth =
                *error > 0 ? std::min(mostGrowth, 0.9 * std::cbrt(1 / *error)) : mostGrowth;
            // A step that was cut short to arrive somewhere says little about the next one.
            if (!arrived || growth < 1)
                m_step = whole * growth;
            else
                m_step = std::max(m_step, whole * growth);
            noteWatches();
            follow();
            if (arrived && until >= corner - m_least) {
                m_afterCorner = true;
                m_jumped = m_jumped || m_integration.stirredByCorners();
                m_jumped = m_integration.turnBlinkers(m_result.events) || m_jumped;
            }
            return {};
        }
    }

    const Circuit& m_circuit;
    const TransientSpan& m_span;
    Solver& m_solver;
    Integration m_integration;
    Transient m_result;
    double m_least;
    double m_step = 0;
    long m_tries = 0;
    bool m_jumped = false, m_ended = false, m_afterCorner = true;
    std::vector<double> m_before, m_watched;
};

}  // namespace

Result<Transient> transient(const Circuit& circuit, const TransientSpan& span) {
    auto solver = solverFor(circuit);
    if (!solver) return tl::unexpected(solver.error());
    if (!(span.step > 0) || !(span.stop >= span.step) || !(span.stop / span.step <= mostPoints)) {
        return failure(ErrorCode::OutOfRange, "tran",
                       text("A transient takes a step above 0 and a stop of at least one and at "
                            "most a million steps."));
    }
    if (!(span.accuracy >= 1e-10 && span.accuracy <= 0.1)) {
        return failure(ErrorCode::OutOfRange, "accuracy",
                       text("The accuracy of a transient lies between 1e-10 and 0.1."));
    }
    return Run(circuit, span, *solver).result();
}

}  // namespace glimmet::core::circuit
