#include "core/stay_alive/hold.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <functional>

namespace glimmet::core {
namespace {

using Integrand = std::function<double(double)>;

struct Estimate {
    double value = 0, error = 0;
};

/// Gauss–Kronrod, 7 and 15 points. Source: QUADPACK (Piessens and others, 1983), qk15.
Estimate quadrature(const Integrand& f, double low, double high) {
    constexpr std::array<double, 8> node{
        0.991455371120812639206854697526329, 0.949107912342758524526189684047851,
        0.864864423359769072789712788640926, 0.741531185599394439863864773280788,
        0.586087235467691130294144691693013, 0.405845151377397166906606412076961,
        0.207784955007898467600689403773245, 0.0};
    constexpr std::array<double, 8> kronrod{
        0.022935322010529224963732008058970, 0.063092092629978553290700663189204,
        0.104790010322250183839876322541518, 0.140653259715525918745189590510238,
        0.169004726639267902826583426598550, 0.190350578064785409913256402421014,
        0.204432940075298892414161999234649, 0.209482141084727828012999174891714};
    constexpr std::array<double, 4> gauss{
        0.129484966168869693270611432679082, 0.279705391489276667901467771423780,
        0.381830050505118944950369775488975, 0.417959183673469387755102040816327};
    const double middle = (low + high) / 2, half = (high - low) / 2;
    double fine = 0, coarse = 0;
    for (std::size_t i = 0; i < node.size(); ++i) {
        const double at = half * node[i];
        const double sum = i + 1 == node.size() ? f(middle) : f(middle - at) + f(middle + at);
        fine += kronrod[i] * sum;
        if (i % 2 == 1) coarse += gauss[i / 2] * sum;
    }
    return {fine * half, std::abs(fine - coarse) * half};
}

double integral(const Integrand& f, double low, double high, int depth = 0) {
    constexpr double precision = 1e-12;
    constexpr int deepest = 60;  // halvings, where the current all but vanishes at one end
    const Estimate whole = quadrature(f, low, high);
    // Turned round, so that what is no number ends it too.
    if (!(whole.error > precision * std::abs(whole.value)) || depth == deepest) return whole.value;
    const double middle = (low + high) / 2;
    return integral(f, low, middle, depth + 1) + integral(f, middle, high, depth + 1);
}

}  // namespace

Amperes BusLoads::drawn(Volts bus) const {
    Amperes sum = current;
    if (power > Watts{0}) sum += power / bus;
    for (const Ohms resistance : resistive) sum += bus / resistance;
    for (const LampLoad& lamp : lamps) {
        if (bus > lamp.forward) sum += (bus - lamp.forward) / lamp.resistance * lamp.count;
    }
    return sum;
}

bool BusLoads::none() const {
    return !(power > Watts{0}) && !(current > Amperes{0}) && resistive.empty() &&
           std::none_of(lamps.begin(), lamps.end(),
                        [](const LampLoad& lamp) { return lamp.count > 0; });
}

Result<Hold> holdOf(const Bank& bank, Volts charged, Volts minimum, const BusLoads& loads,
                    std::size_t steps) {
    if (loads.none()) {
        return failure(ErrorCode::Missing, "loads",
                       text("Nothing draws from the bus, so it holds for ever. Name at least one "
                            "load, like 660 mW."));
    }
    Hold hold;
    const Volts start = charged - bank.diode;
    if (start <= minimum) {
        hold.time = Seconds{0};
        hold.trace = {{Seconds{0}, start}};
        return hold;
    }
    // Falling volts stop only where nothing but lamps (or resistors, at 0 V) is left.
    const bool always = loads.power > Watts{0} || loads.current > Amperes{0};
    if (!always) {
        Volts lowest = loads.resistive.empty() ? start : Volts{0};
        for (const LampLoad& lamp : loads.lamps) {
            if (lamp.count > 0) lowest = std::min(lowest, lamp.forward);
        }
        if (lowest >= minimum) {
            hold.stops = lowest;
            return hold;
        }
    }
    // dt = C dV / I(V); with a power load the volts come to the top, so that 0 V is no pole.
    const Integrand dwell = [&](double volts) {
        if (!(loads.power > Watts{0})) return 1 / loads.drawn(Volts{volts}).value();
        BusLoads others = loads;
        others.power = Watts{0};
        return volts / (loads.power.value() + volts * others.drawn(Volts{volts}).value());
    };
    std::vector<double> corners;
    for (const LampLoad& lamp : loads.lamps) corners.push_back(lamp.forward.value());
    std::sort(corners.begin(), corners.end());
    double time = 0;
    hold.trace.push_back({Seconds{0}, start});
    for (std::size_t step = 1; step <= steps; ++step) {
        const auto at = [&](std::size_t i) {
            const double share = static_cast<double>(i) / static_cast<double>(steps);
            return start.value() + (minimum.value() - start.value()) * share;
        };
        double high = at(step - 1);
        const double low = step == steps ? minimum.value() : at(step);
        for (auto corner = corners.rbegin(); corner != corners.rend(); ++corner) {
            if (*corner <= low || *corner >= high) continue;
            time += integral(dwell, *corner, high);
            high = *corner;
        }
        time += integral(dwell, low, high);
        hold.trace.push_back({bank.capacitance.value() * Seconds{time}, Volts{low}});
    }
    hold.time = hold.trace.back().time;
    return hold;
}

Amperes chargePeak(const Bank& bank, Volts bus) { return bus / bank.charge; }
Seconds chargeTimeConstant(const Bank& bank) {
    return Seconds{bank.charge.value() * bank.capacitance.value()};
}
Seconds rechargeTime(const Bank& bank, Volts full, Volts left) {
    assert(full > Volts{0} && left >= Volts{0});
    const double missing = (full - left) / full;
    return chargeTimeConstant(bank) * std::max(missing > 0 ? 5 + std::log(missing) : 0.0, 0.0);
}
Joules chargeEnergy(const Bank& bank, Volts bus) {
    return Joules{bank.capacitance.value() * bus.value() * bus.value() / 2};
}

}  // namespace glimmet::core
