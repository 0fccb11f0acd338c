#include "core/work/measure/log_lines.h"

#include "core/work/jot.h"

namespace glimmet::core::measure {

std::vector<std::string> logLines(std::span<const LogPart> parts, std::string_view motor) {
    std::vector<std::string> lines;
    for (const LogPart& part : parts) {
        if (!part.condition) continue;
        const char* command = *part.condition == MotorCondition::Light      ? "light "
                              : *part.condition == MotorCondition::Hauling  ? "haul "
                              : *part.condition == MotorCondition::Slipping ? "slip "
                                                                            : "stall ";
        std::string line = command + asJot(Dimension::Current, part.amps.value());
        if (part.volts > Volts{0}) line += " " + asJot(Dimension::Voltage, part.volts.value());
        // Of a stall it would be how it heats up.
        if (part.steady && part.condition != MotorCondition::Stalled &&
            part.scatter > Amperes{1e-6})
            line += " scatter " + asJot(Dimension::Current, part.scatter.value(), 2);
        if (!motor.empty()) line += " of " + std::string(motor);
        lines.push_back(std::move(line));
    }
    return lines;
}

}  // namespace glimmet::core::measure
