#include "cli/reckon.h"
#include "core/wire/wire.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using nlohmann::json;

json reckonWire(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                core::State& verdict) {
    const std::size_t before = faults.size();
    core::WireRun run;
    core::Volts volts{};
    {
        store::JsonFields fields(in, pointer, faults);
        const double awg = fields.number("awg", store::wholeBetween(0, 60));
        const auto gauge = core::wireGauge(static_cast<int>(awg));
        if (gauge) {
            run.gauge = *gauge;
        } else if (faults.size() == before) {
            std::string allowed;
            for (const core::WireGauge& known : core::wireGauges()) {
                allowed += (allowed.empty() ? "" : ", ") + std::to_string(known.awg);
            }
            fields.fault("awg", in["awg"].dump(), allowed);
        }
        run.length = core::Millimetres{fields.number("length_mm", store::from0)};
        run.current = core::Amperes{fields.number("amps_A", store::from0)};
        volts = core::Volts{fields.number("volts_V", store::above0)};
        run.thereAndBack = fields.truth("there_and_back");
    }
    if (faults.size() > before) return {};
    core::State state = core::loadState(run);
    // More than the whole supply cannot drop along a wire: that current does not flow.
    if (core::drop(run) > volts) state = core::State::Over;
    verdict = core::worse(verdict, state);
    return {{"ohm", core::resistance(run).value()},
            {"drop_V", core::drop(run).value()},
            {"drop_fraction", core::drop(run).value() / volts.value()},
            {"limit_A", run.gauge.limit.value()},
            {"state", core::name(state)}};
}

}  // namespace glimmet::cli
