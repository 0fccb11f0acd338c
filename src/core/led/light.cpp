#include "core/led/light.h"

#include "core/circuit/parts.h"

#include <algorithm>
#include <cassert>

namespace glimmet::core {

double relativeIntensity(const LightLaw& law, Amperes current) {
    if (!(current > Amperes{0})) return 0;
    if (law.points.empty()) return current.value() / familyTestCurrent;
    const auto after =
        std::find_if(law.points.begin(), law.points.end(),
                     [&](const LightLaw::Point& point) { return point.current > current; });
    if (after == law.points.begin() || after == law.points.end()) {
        const LightLaw::Point& end =
            after == law.points.begin() ? law.points.front() : law.points.back();
        return end.intensity * (current / end.current).value();
    }
    const LightLaw::Point& before = *std::prev(after);
    const double share = ((current - before.current) / (after->current - before.current)).value();
    return before.intensity + share * (after->intensity - before.intensity);
}

Result<Brightness> brightnessOver(const circuit::Circuit& circuit, std::string_view source,
                                  const circuit::SweepRange& range,
                                  const std::vector<LightLaw>& laws) {
    assert(laws.size() == circuit.diodes.size());
    const auto sweep = circuit::swept(circuit, source, range);
    if (!sweep) return tl::unexpected(sweep.error());
    Brightness brightness;
    brightness.value = sweep->value;
    brightness.light.resize(laws.size());
    for (const circuit::OperatingPoint& point : sweep->points) {
        for (std::size_t k = 0; k < laws.size(); ++k)
            brightness.light[k].push_back(relativeIntensity(laws[k], Amperes{point.diode[k]}));
    }
    return brightness;
}

void addLed(circuit::Circuit& circuit, const std::string& name, circuit::Node anode,
            circuit::Node cathode, const LedLaw& law) {
    circuit::addDiode(circuit, name, anode, cathode, diodeModel(law, {}));
}

}  // namespace glimmet::core
