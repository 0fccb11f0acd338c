// A decoder's bus with a bank behind it on dead track, as circuits: what a crossing is held
// against.
#pragma once

#include "core/stay_alive/crossing_run.h"
#include "support/trade_circuits.h"

#include <cmath>
#include <string>
#include <vector>

namespace glimmet::tests {

inline constexpr double bankBus = 13.3;  ///< V

/// Two frogs, the second met before a bank has charged again.
inline std::vector<core::Outage> twoFrogs() {
    using core::Millimetres;
    return {{Millimetres{20}, Millimetres{48}, core::Rails::Left},
            {Millimetres{62}, Millimetres{90}, core::Rails::Left}};
}

struct BankCase {
    const char* name;
    double farads, ohms, lamps;  ///< F, Ω of the charge resistor, Ω of the lamps
};
inline constexpr BankCase bankCases[] = {
    {"a small electrolytic", 1e-3, 100, 4000},
    {"a large electrolytic", 4.7e-3, 100, 1000},
    {"tantalums in parallel", 1.1e-3, 47, 3000},
    {"cells in series", 94e-3, 33, 150},
};

/// The Schottky past the charge resistor.
inline core::circuit::DiodeModel bankDiode() {
    core::circuit::DiodeModel model;
    model.saturation = core::Amperes{2.5e-8};
    model.emission = 1.05;
    return model;
}

inline core::CrossingRun bankRun(const BankCase& one) {
    core::CrossingRun run;
    run.outages = twoFrogs();
    run.speed = core::modelSpeed(core::KilometresPerHour{20}, 87);
    run.bus = run.full = core::Volts{bankBus};
    run.bulk = core::Farads{47e-6};
    // What drops at the current of its loads, at 12 V.
    const core::circuit::DiodeModel model = bankDiode();
    const double drop =
        model.emission * 0.025865 * std::log((0.005 + 12 / one.lamps) / model.saturation.value());
    run.bank = core::Bank{core::Farads{one.farads}, core::Volts{drop}, core::Ohms{one.ohms}};
    run.minimum = core::Volts{3};
    run.restart = core::Seconds{0.3};
    run.slowing = 0.4;
    run.others.current = core::Amperes{0.005};
    run.others.lamps = {{core::Volts{0}, core::Ohms{one.lamps}, 1}};
    return run;
}

/// The same as a circuit: the contact is the rail's volts, on or off within a microsecond, behind
/// the decoder's bridge as one diode that drops next to nothing.
inline core::circuit::Netlist bankCircuit(const BankCase& one) {
    using namespace core::circuit;
    const core::CrossingRun run = bankRun(one);
    // The trace of the run begins 5 mm before the first outage.
    const auto second = [&](core::Millimetres at) {
        return core::Seconds{core::Metres{at - core::Millimetres{15}} / run.speed}.value();
    };
    PiecewiseLinear contact{{{0, bankBus}}, 0};
    for (const core::Outage& outage : run.outages) {
        contact.points.emplace_back(second(outage.from), bankBus);
        contact.points.emplace_back(second(outage.from) + 1e-6, 0);
        contact.points.emplace_back(second(outage.to), 0);
        contact.points.emplace_back(second(outage.to) + 1e-6, bankBus);
    }
    DiodeModel near;  // 28 mV at 50 mA, and a leak of a microampere
    near.saturation = core::Amperes{1e-6};
    near.emission = 0.1;
    near.series = core::Ohms{1e-3};
    Build build("on dead track: " + std::string(one.name));
    build.v("rail", "0", contact)
        .with("rail", "bus", near)
        .c("bus", "0", run.bulk.value())
        .i("bus", "0", Constant{run.others.current.value()})
        .r("bus", "0", one.lamps)
        .r("bus", "bank", one.ohms)
        .with("bank", "bus", bankDiode())
        .c("bank", "0", one.farads);
    const double step = 5e-4;
    return build.tran(step, step * std::ceil(second(core::Millimetres{100}) / step));
}

}  // namespace glimmet::tests
