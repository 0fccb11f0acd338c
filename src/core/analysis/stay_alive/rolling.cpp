#include "core/analysis/stay_alive/rolling.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/stay_alive/bank_state.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace glimmet::core::stay_alive {
namespace {

constexpr double gearSlowing = 0.4;  // m/s², a worm without a flywheel
constexpr double leastSlowing = 0.05, mostSlowing = 3;

/// What turns in a motor without a flywheel at the speed of its running reading: its rotor, usual
/// of its kind. A model's own weight, a few hundred grams at a quarter of a metre a second, adds a
/// hundredth of a joule.
Joules usualSpin(MotorKind kind) {
    switch (kind) {
        case MotorKind::Coreless:
            return Joules{0.08};
        case MotorKind::OpenFrame:
            return Joules{0.8};
        case MotorKind::Can:
            break;
    }
    return Joules{0.3};
}

/// What drags a model with its motor off, as its motors read running light; nothing where one was
/// not.
struct Drag {
    Watts power{};  ///< of brushes, gears and bearings, at the speed of the reading
    Joules spin{};  ///< what turns then
};
/// Its figures are added to what is told, where they are wanted.
std::optional<Drag> dragOf(const Job& job, std::vector<Figure>* told = nullptr) {
    Drag drag;
    for (const MotorAt& at : motorsOf(job)) {
        const MotorEvidence evidence = motorEvidence(*at.motor);
        const auto path = pathResistance(evidence.readings, evidence.winding);
        const MotorReading* light = largestWithVolts(evidence, MotorCondition::Light);
        if (!path || !light) return {};
        const Volts emf = light->volts - std::min(light->amps * *path, light->volts);
        drag.power += Watts{emf * light->amps};
        drag.spin += usualSpin(at.motor->kind);
        if (told) {
            told->push_back(figures::measured(text("Current, running light"), "I_light",
                                              light->amps, light->taken, {}, "light "));
            told->push_back(figures::measured(text("Volts, running light"), "V_light", light->volts,
                                              light->taken, {}, "light "));
            told->push_back(figures::computed(text("Motor path"), "R_path", *path, "", {}));
        }
    }
    if (!(drag.power > Watts{0})) return {};
    if (told) {
        told->push_back(figures::assumed(text("What turns in it then"), "E_spin", drag.spin,
                                         text("a rotor of its kind, no flywheel"), "coast "));
    }
    return drag;
}

}  // namespace

double slowing(const Job& job) {
    if (const auto& coast = job.layout.coast) {
        const double speed = modelSpeed(KilometresPerHour{coast->kmh}, job.scale.ratio).value();
        return speed * speed / (2 * Metres{coast->distance}.value());
    }
    const auto drag = dragOf(job);
    if (!drag) return gearSlowing;
    const double speed = modelSpeed(KilometresPerHour{readingKmh}, job.scale.ratio).value();
    return std::clamp(speed * drag->power.value() / (2 * drag->spin.value()), leastSlowing,
                      mostSlowing);
}

std::string formattedWay(Metres way) {
    return way < Metres{1} ? formatted(way, 2) : formatted(way.value(), Dimension::Ratio, 2) + " m";
}

Figure rollFigure(const Job& job) {
    const double speed = modelSpeed(KilometresPerHour{creep(job).kmh}, job.scale.ratio).value();
    const Millimetres rolls = Metres{speed * speed / (2 * slowing(job))};
    std::vector<Figure> inputs;
    if (!job.layout.coast && dragOf(job, &inputs)) {
        return figures::computed(text("Rolls without power"), "d_roll", rolls,
                                 "v² · E_spin / (v_80 · (V_light − I_light · R_path) · I_light)",
                                 std::move(inputs));
    }
    if (!job.layout.coast) {
        return figures::assumed(text("Rolls without power"), "d_roll", rolls,
                                text("a worm gear without a flywheel"), "coast ");
    }
    const Coast& read = *job.layout.coast;
    return figures::measured(
        text("Rolls without power"), "d_roll", rolls, read.on,
        text("%1 from %2 km/h", formatted(read.distance, 3), formatted(read.kmh, Dimension::Ratio)),
        "coast ");
}

}  // namespace glimmet::core::stay_alive
