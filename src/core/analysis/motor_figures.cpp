#include "core/analysis/motor_figures.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"

namespace glimmet::core {
namespace {

Text conditionWords(MotorCondition condition) {
    switch (condition) {
        case MotorCondition::Light:
            return text("running light");
        case MotorCondition::Hauling:
            return text("hauling");
        case MotorCondition::Slipping:
            return text("wheels slipping");
        case MotorCondition::Stalled:
            break;
    }
    return text("stalled");
}

}  // namespace

const MotorReading* decisive(const std::vector<MotorReading>& readings, MotorCondition condition) {
    const MotorReading* best = nullptr;
    for (const MotorReading& reading : readings) {
        if (reading.condition != condition) continue;
        const bool better = !best || (condition == MotorCondition::Stalled
                                          ? reading.volts / reading.amps < best->volts / best->amps
                                          : reading.amps > best->amps);
        if (better) best = &reading;
    }
    return best;
}

Figure readingFigure(Text name, const char* symbol, const MotorReading& reading, const char* jot) {
    Text how = conditionWords(reading.condition);
    if (reading.volts > Volts{0}) how = text("%1 at %2", how, formatted(reading.volts));
    return figures::measured(std::move(name), symbol, reading.amps, reading.taken, how, jot);
}

namespace {

Figure pathFigure(const Motor& motor, const std::vector<MotorReading>& readings) {
    if (const MotorReading* stalled = decisive(readings, MotorCondition::Stalled)) {
        const Text how = text("stalled, lowest ohms counts");
        return figures::computed(text("Motor path"), "R_path", stalled->volts / stalled->amps,
                                 "V_test / I_test",
                                 {figures::measured(text("Volts at the stall test"), "V_test",
                                                    stalled->volts, stalled->taken, how, "stall "),
                                  figures::measured(text("Current at the stall test"), "I_test",
                                                    stalled->amps, stalled->taken, how, "stall ")});
    }
    if (const auto winding = smallestWinding(motor)) {
        return figures::measured(text("Motor winding"), "R_path", winding->value, winding->on,
                                 text("smallest of the rotor positions"), "ohms ");
    }
    return figures::missing(text("Motor path"), "R_path", Dimension::Resistance,
                            text("a stall test or the winding's ohms"), "stall ");
}

/// The path through all motors that the decoder drives.
Figure drivePathFigure(const Job& job) {
    const std::vector<MotorAt> motors = motorsOf(job);
    std::vector<Figure> paths;
    for (std::size_t i = 0; i < motors.size(); ++i) {
        const Motor& motor = *motors[i].motor;
        Figure path = pathFigure(motor, motorEvidence(motor).readings);
        if (motors.size() == 1 || !path.value) return path;
        path.symbol += std::to_string(i + 1);
        paths.push_back(std::move(path));
    }
    return figures::computed(text("All motors side by side"), "R_path", *driveEvidence(job).winding,
                             "", std::move(paths));
}

/// A current of every motor together; what is missing of one is missing of all.
template <class OfOne>
Figure driveFigure(const Job& job, const char* symbol, OfOne ofOne) {
    const std::vector<MotorAt> motors = motorsOf(job);
    if (motors.size() == 1) return ofOne(driveEvidence(job).readings);
    std::vector<Figure> each;
    std::string formula;
    Amperes sum{0};
    for (std::size_t i = 0; i < motors.size(); ++i) {
        Figure one = ofOne(motorEvidence(*motors[i].motor).readings);
        if (!one.value) return one;
        one.name = text("%1, %2", one.name, motorCalled(job, *motors[i].motor));
        one.symbol += std::to_string(i + 1);
        formula += (formula.empty() ? "" : " + ") + one.symbol;
        sum += Amperes{*one.value};
        each.push_back(std::move(one));
    }
    return figures::computed(text("All motors together"), symbol, sum, formula, std::move(each));
}

}  // namespace

Figure stallFigure(const Job& job, const WorkshopRules& house) {
    Figure path = drivePathFigure(job);
    Text name = text("Stall current at track volts");
    if (!path.value) {
        return figures::missing(std::move(name), "I_stall", Dimension::Current,
                                text("needs a stall test (volts and amps) or the winding's ohms"),
                                "stall ");
    }
    const Amperes stall = stallCurrent(motorSupply(job, house), Ohms{*path.value});
    return figures::computed(
        std::move(name), "I_stall", stall, "(V_track − V_rect − V_bridge) / R_path",
        {trackFigure(job), rectifierFigure(job, house), bridgeFigure(job, house), std::move(path)});
}

Figure slipFigure(const Job& job) {
    return driveFigure(job, "I_slip", [](const std::vector<MotorReading>& readings) {
        if (const MotorReading* slip = decisive(readings, MotorCondition::Slipping)) {
            return readingFigure(text("Current with wheels slipping"), "I_slip", *slip, "slip ");
        }
        return figures::missing(text("Current with wheels slipping"), "I_slip", Dimension::Current,
                                text("press the model down until its wheels slip"), "slip ");
    });
}

Figure runningFigure(const Job& job) {
    return driveFigure(job, "I_run", [](const std::vector<MotorReading>& readings) {
        const MotorReading* light = decisive(readings, MotorCondition::Light);
        const MotorReading* hauling = decisive(readings, MotorCondition::Hauling);
        const MotorReading* largest =
            hauling && (!light || hauling->amps > light->amps) ? hauling : light;
        if (largest) return readingFigure(text("Running current"), "I_run", *largest, "light ");
        return figures::missing(text("Running current"), "I_run", Dimension::Current,
                                text("let it run at medium speed"), "light ");
    });
}

Text stallCaution(const Job& job) {
    for (const MotorAt& at : motorsOf(job)) {
        if (at.motor->kind == MotorKind::Can) continue;
        return text(
            "A stall test hurts old open-frame and tiny coreless motors: a second at the most, "
            "or measure the winding's ohms instead.");
    }
    return text(
        "Hold a stall for a second or two, no longer. Hot motor or decoder: power off and let it "
        "cool.");
}

}  // namespace glimmet::core
