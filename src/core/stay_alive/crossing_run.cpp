#include "core/stay_alive/crossing_run.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <limits>

namespace glimmet::core {
namespace {

constexpr double before = 0.005, after = 0.010;  // m, of travel without an outage
constexpr double dimBelow = 0.75, slowBelow = 0.9;

/// All in SI; the model as it rolls.
class Rolling {
public:
    explicit Rolling(const CrossingRun& run)
        : m_run(run),
          m_set(run.speed.value()),
          m_bank(run.bank ? run.full.value() : 0),
          m_bus(run.bus.value()) {
        for (const Outage& outage : run.outages)
            m_dark.push_back({Metres{outage.from}.value(), Metres{outage.to}.value()});
        m_fullLight = lampCurrent(m_bus);
        // Where the volts do not reach for the speed that is set, it runs as fast as they do.
        m_cruise = allowed(m_bus);
        m_speed = m_cruise;
    }

    Crossing all() {
        Crossing made;
        made.lowestBus = m_run.bus;
        made.slowest = MetresPerSecond{m_cruise};
        made.bankLeft = Volts{m_bank};
        if (m_run.outages.empty()) {
            note(made, false, false);
            return made;
        }
        if (!(m_cruise > 0)) {
            made.how = Crossed::Stops;  // it never gets there
            note(made, false, false);
            return made;
        }
        const double last = m_dark.back().to;
        m_travel = m_dark.front().from - before;
        bool dead = isDead();
        note(made, false, dead);
        bool reset = false;
        bool stands = false;
        // Every step moves on or loses charge; the bound is for what no model does.
        for (int step = 0; step < 100'000; ++step) {
            if (!dead && m_bus < m_run.bus.value()) {
                m_bus = m_run.bus.value();
                note(made, true, dead);  // power is back at once
            }
            if (!dead && m_travel >= last + after * 0.999 && m_speed >= m_cruise * 0.98) break;
            advance(dead, last);
            if (dead) made.bankLeft = Volts{m_bank};
            dead = isDead();
            reset = reset || !m_awake;
            stands = !(m_speed > 0) && dead && !couldDrive();
            note(made, true, dead);
            if (stands) break;
        }
        made.how = stands                                        ? Crossed::Stops
                   : reset                                       ? Crossed::Resets
                   : made.slowest.value() < m_cruise * slowBelow ? Crossed::Slows
                   : m_fullLight > 0 && made.dimmest < dimBelow  ? Crossed::Dims
                                                                 : Crossed::Carried;
        return made;
    }

private:
    [[nodiscard]] bool isDead() const {
        // On its very end the rails already give power.
        return std::any_of(m_dark.begin(), m_dark.end(), [&](const Dark& each) {
            return m_travel >= each.from - 1e-12 && m_travel < each.to - 1e-12;
        });
    }
    /// Travel to where the next outage begins or the present one ends.
    [[nodiscard]] double toBoundary(double last) const {
        double nearest = m_travel < last + after * 0.999 ? last + after : m_travel + after;
        for (const Dark& each : m_dark) {
            for (const double at : {each.from, each.to}) {
                if (at > m_travel + 1e-12) nearest = std::min(nearest, at);
            }
        }
        return std::max(nearest - m_travel, 1e-9);
    }
    [[nodiscard]] double lampCurrent(double bus) const {
        double sum = 0;
        for (const LampLoad& lamp : m_run.others.lamps) {
            const double above = bus - lamp.forward.value();
            if (above > 0) sum += above / lamp.resistance.value() * lamp.count;
        }
        return sum;
    }
    /// The speed that a bus allows.
    [[nodiscard]] double allowed(double bus) const {
        if (!m_awake) return 0;
        const double left = bus - m_run.motor.winding.value();
        const double emf = m_run.motor.emf.value();
        if (!(emf > 0)) return left >= 0 ? m_set : 0;
        return m_set * std::clamp(left / emf, 0.0, 1.0);
    }
    [[nodiscard]] bool couldDrive() const { return allowed(m_bus) > 1e-3 * m_set; }
    [[nodiscard]] double drawn(double bus, double speed) const {
        if (!m_awake) return 0;
        const double volts = std::max(bus, 0.1);
        double sum = m_run.others.drawn(Volts{volts}).value();
        // What turns the motor comes through the regulator; beyond the bus it takes it as it is.
        if (allowed(bus) > 0) {
            const double across = std::min(
                m_run.motor.winding.value() + m_run.motor.emf.value() * speed / m_set, volts);
            sum += across * m_run.motor.current.value() / volts;
        }
        return sum;
    }
    /// The bank gives as long as it stands a diode above the bus.
    [[nodiscard]] bool gives(double bus) const {
        return m_run.bank && bus <= m_bank - m_run.bank->diode.value() + 1e-9;
    }
    [[nodiscard]] double capacitance(double bus) const {
        return m_run.bulk.value() + (gives(bus) ? m_run.bank->capacitance.value() : 0);
    }

    void advance(bool dead, double last) {
        if (!dead) {
            m_awake = m_awake || m_powered >= m_run.restart.value() - 1e-12;
        } else {
            m_powered = 0;
        }
        const double target = allowed(m_bus);
        const double distance = toBoundary(last);
        // Long enough to be quick, short enough for every rate that is at work.
        double step = m_speed > 0 ? distance / m_speed : 0.05;
        const bool changing = std::abs(target - m_speed) > 1e-9 * m_set;
        if (changing) step = std::min(step, m_set / m_run.slowing / 50);
        if (dead) {
            const double current = drawn(m_bus, m_speed);
            if (current > 0) {
                step = std::min(step, capacitance(m_bus) * m_bus / current / 50);
                // To where the bank begins to give, and no further.
                if (m_run.bank && !gives(m_bus)) {
                    const double left = m_bus - (m_bank - m_run.bank->diode.value());
                    step = std::min(step, m_run.bulk.value() * left / current);
                }
            }
        }
        if (!dead && !m_awake) step = std::min(step, std::max(m_run.restart.value() / 20, 1e-5));
        step = std::clamp(step, 1e-9, 0.5);

        const double slowed = std::max(target, m_speed - m_run.slowing * step);
        const double speed =
            target < m_speed ? slowed : std::min(target, m_speed + m_run.slowing * step);
        const double moved = std::min((m_speed + speed) / 2 * step, distance);
        if (dead) {
            const double c = capacitance(m_bus);
            const double slope = drawn(m_bus, m_speed) / c;
            const double guess = m_bus - slope * step;
            double bus = m_bus - (slope + drawn(guess, speed) / c) / 2 * step;
            bus = std::max(bus, 0.0);
            if (gives(m_bus)) {
                m_bank = bus + m_run.bank->diode.value();
            } else if (m_run.bank && bus < m_bank - m_run.bank->diode.value()) {
                bus = m_bank - m_run.bank->diode.value();  // from here on the bank gives
            }
            m_bus = bus;
            if (m_bus < m_run.minimum.value()) m_awake = false;
        } else {
            if (m_run.bank) {
                const double tau = m_run.bank->charge.value() * m_run.bank->capacitance.value();
                const double full = std::min(m_bus, m_run.full.value());
                m_bank = tau > 0 ? full - (full - m_bank) * std::exp(-step / tau) : full;
            }
            m_powered += step;
        }
        m_speed = speed;
        m_travel += moved;
        m_time += step;
    }

    void note(Crossing& made, bool counts, bool dead) {
        const double light = m_fullLight > 0 ? (m_awake ? lampCurrent(m_bus) / m_fullLight : 0) : 1;
        const CrossingMoment moment{Metres{m_travel},
                                    Seconds{m_time},
                                    Volts{m_bus},
                                    MetresPerSecond{m_speed},
                                    light,
                                    m_awake,
                                    !dead};
        if (m_run.traced || made.trace.empty())
            made.trace.push_back(moment);
        else
            made.trace.back() = moment;
        if (dead && !m_darkFrom) {
            m_darkFrom = m_time;
            m_firstDark = std::min(m_firstDark, m_travel);
        }
        made.wentOn = Metres{std::max(m_travel - m_firstDark, 0.0)};
        if (m_darkFrom) made.dark = std::max(made.dark, Seconds{m_time - *m_darkFrom});
        if (!dead) m_darkFrom.reset();
        if (!counts) return;
        if (m_awake) made.lowestBus = std::min(made.lowestBus, Volts{m_bus});
        made.slowest = std::min(made.slowest, MetresPerSecond{m_speed});
        made.dimmest = std::min(made.dimmest, light);
    }

    /// Travel without power.
    struct Dark {
        double from, to;
    };
    const CrossingRun& m_run;
    std::vector<Dark> m_dark;
    double m_set;
    double m_bank, m_bus;
    double m_speed = 0, m_cruise = 0;
    double m_fullLight = 0;
    double m_travel = 0, m_time = 0;
    std::optional<double> m_darkFrom;                              ///< s, where it is without power
    double m_firstDark = std::numeric_limits<double>::infinity();  ///< travel
    double m_powered = 0;  ///< s, since the rails gave power again
    bool m_awake = true;
};

}  // namespace

Crossing crossed(const CrossingRun& run) {
    assert(run.speed.value() > 0 && run.bus.value() > 0 && run.bulk.value() > 0);
    assert(run.slowing > 0 && run.restart.value() >= 0);
    assert(!run.bank || run.full.value() > 0);
    return Rolling(run).all();
}

}  // namespace glimmet::core
