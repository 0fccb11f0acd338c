// Jots of the motor and what feeds it.
#include "core/job/jot/verbs.h"

namespace glimmet::core::jot {
namespace {

Result<Jotted> reading(const Line& line, MotorCondition condition, const char* example) {
    if (!line.job.motor) {
        return refuse(ErrorCode::Unknown, text("%1 has no motor to read.", line.job.name));
    }
    std::vector<std::string> words = line.words;
    const auto amps = taken(words, Dimension::Current);
    const auto volts = taken(words, Dimension::Voltage);
    if (!words.empty()) {
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” is not a current or a voltage. Write it like %2.", words.front(), example));
    }
    if (amps.size() != 1 || volts.size() > 1) {
        return refuse(ErrorCode::Missing,
                      text("It takes one current and one voltage. Write it like %1.", example));
    }
    if (condition == MotorCondition::Stalled && volts.empty()) {
        return refuse(ErrorCode::Missing,
                      text("A stall test needs the volts at that moment too, because they sag. "
                           "Write it like %1.",
                           example));
    }
    TakenReading made;
    made.condition = condition;
    made.on = line.today;
    const auto current = positive<Amperes>(amps.front(), mostAmps);
    if (!current) return tl::unexpected(current.error());
    made.amps = *current;
    if (!volts.empty()) {
        const auto voltage = positive<Volts>(volts.front(), mostVolts);
        if (!voltage) return tl::unexpected(voltage.error());
        made.volts = *voltage;
    }
    const std::string what =
        formatted(made.amps) + (made.volts ? " at " + formatted(*made.volts) : "");
    Text meaning;
    switch (condition) {
        case MotorCondition::Stalled:
            meaning = text("Stall test: %1", what);
            break;
        case MotorCondition::Slipping:
            meaning = text("Wheels slipping: %1", what);
            break;
        case MotorCondition::Hauling:
            meaning = text("Hauling: %1", what);
            break;
        case MotorCondition::Light:
            meaning = text("Running light: %1", what);
            break;
    }
    Jotted result = jotted(line, Stage::Measure, std::move(meaning));
    result.after.motor->readings.push_back(std::move(made));
    return result;
}

Result<Jotted> supplyVolts(const Line& line, std::optional<Measured<Volts>> Supply::*field,
                           Text name, bool mayBeZero) {
    if (lowered(line.rest) == "unknown") {
        Jotted result = jotted(line, Stage::Measure, text("%1: not measured", name));
        result.after.supply.*field = std::nullopt;
        return result;
    }
    const auto value =
        mayBeZero ? notNegative<Volts>(line.rest, Volts{5}) : positive<Volts>(line.rest, mostVolts);
    if (!value) return tl::unexpected(value.error());
    Jotted result = jotted(line, Stage::Measure, text("%1: %2", name, formatted(*value)));
    result.after.supply.*field = Measured<Volts>{*value, line.today};
    return result;
}

}  // namespace

Result<Jotted> stall(const Line& line) {
    return reading(line, MotorCondition::Stalled, "stall 1.15A 12V");
}
Result<Jotted> slip(const Line& line) {
    return reading(line, MotorCondition::Slipping, "slip 420mA");
}
Result<Jotted> haul(const Line& line) {
    return reading(line, MotorCondition::Hauling, "haul 350mA 12V");
}
Result<Jotted> light(const Line& line) {
    return reading(line, MotorCondition::Light, "light 180mA 12V");
}

Result<Jotted> ohms(const Line& line) {
    if (!line.job.motor) {
        return refuse(ErrorCode::Unknown, text("%1 has no motor to read.", line.job.name));
    }
    const auto value = positive<Ohms>(line.rest, Ohms{100000});
    if (!value) return tl::unexpected(value.error());
    Jotted result = jotted(line, Stage::Measure, text("Winding: %1", formatted(*value)));
    result.after.motor->windings.push_back({*value, line.today});
    return result;
}

Result<Jotted> track(const Line& line) {
    return supplyVolts(line, &Supply::volts, text("Track or supply volts"), false);
}
Result<Jotted> rectifier(const Line& line) {
    return supplyVolts(line, &Supply::rectifier, text("Rectifier drop"), true);
}
Result<Jotted> bridge(const Line& line) {
    return supplyVolts(line, &Supply::bridge, text("Motor bridge drop"), true);
}
Result<Jotted> switchDrop(const Line& line) {
    return supplyVolts(line, &Supply::outputSwitch, text("Output switch drop"), true);
}

Result<Jotted> supply(const Line& line) {
    const auto kind = oneOf<SupplyKind>(lowered(line.rest), supplyKindNamed, "dcc, dc, battery");
    if (!kind) return tl::unexpected(kind.error());
    Jotted result = jotted(line, Stage::Measure, text("Supply: %1", std::string(name(*kind))));
    result.after.supply.kind = *kind;
    return result;
}

Result<Jotted> rule(const Line& line) {
    const auto chosen =
        oneOf<RatingRule>(lowered(line.rest), ratingRuleNamed, "strict, slip, running");
    if (!chosen) return tl::unexpected(chosen.error());
    Jotted result =
        jotted(line, Stage::Measure, text("Rating rule: %1", std::string(name(*chosen))));
    result.after.rule = *chosen;
    return result;
}

Result<Jotted> margin(const Line& line) {
    std::string words = line.rest;
    const bool hundredths = words.ends_with("%");
    if (hundredths) words.pop_back();
    const auto value = parsedSi(words, Dimension::Ratio);
    if (!value) return tl::unexpected(value.error());
    const double share = hundredths ? *value / 100 : *value;
    if (!(share >= 0 && share <= 0.9)) {
        return refuse(ErrorCode::OutOfRange,
                      text("“%1” is out of range: 0 to 90 % is allowed. Write it like margin 10%.",
                           line.rest));
    }
    Jotted result =
        jotted(line, Stage::Measure, text("Close within %1 of a limit", percent(share)));
    result.after.closeMargin = share;
    return result;
}

Result<Jotted> motor(const Line& line) {
    Jotted result = jotted(line, Stage::Measure, text("Motor: %1", lowered(line.rest)));
    if (lowered(line.rest) == "none") {
        result.after.motor.reset();
        return result;
    }
    Motor made = line.job.motor.value_or(Motor{});
    if (line.words.empty()) {
        return refuse(ErrorCode::Missing,
                      text("Say which: motor can, motor open-frame frame-return."));
    }
    for (const std::string& word : line.words) {
        if (const auto kind = motorKindNamed(lowered(word)))
            made.kind = *kind;
        else if (const auto frame = frameKindNamed(lowered(word)))
            made.frame = *frame;
        else {
            return refuse(ErrorCode::Unknown,
                          text("“%1” is none of: can, coreless, open-frame, insulated, "
                               "frame-return, split-frame, none.",
                               word));
        }
    }
    result.after.motor = made;
    return result;
}

}  // namespace glimmet::core::jot
