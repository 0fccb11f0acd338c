#include "cli/read_led.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using namespace core;
using nlohmann::json;
using store::above0;
using store::Fault;
using store::from0;
using store::JsonFields;

ReadLed readLed(const json& value, const std::string& pointer, std::vector<Fault>& faults) {
    const std::size_t before = faults.size();
    JsonFields fields(value, pointer, faults);
    const FamilyValues values = familyValues(fields.enumeration<LedFamily>("family"));
    const auto volts = fields.numberOrNull("vf_V", above0);
    const auto amps = fields.numberOrNull("at_A", above0);
    const bool voltsThere = value.is_object() && value.contains("vf_V");
    const bool ampsThere = value.is_object() && value.contains("at_A");
    if (voltsThere != ampsThere) {
        fields.fault(voltsThere ? "at_A" : "vf_V", "nothing", "vf_V and at_A together");
    }
    for (const char* key : {"vf_V", "at_A", "n", "rs_ohm", "max_A"}) {
        if (value.is_object() && value.contains(key) && value[key].is_null()) {
            fields.fault(key, "null", "a number, or leave the field out");
        }
    }
    const double emission = fields.number("n", above0, values.emission);
    const double series = fields.number("rs_ohm", from0, values.series.value());
    const double limit = fields.number("max_A", above0, values.limit.value());
    ForwardPoint point{values.typical, Amperes{familyTestCurrent}};
    if (volts && amps) point = {Volts{*volts}, Amperes{*amps}};
    LedLaw law = typicalLaw(LedFamily::White);  // keeps the string whole while faults are gathered
    if (faults.size() == before) {
        const auto made = ledLawThrough(point, emission, Ohms{series});
        if (made) {
            law = *made;
        } else {
            const std::string& field = made.error().field;
            const std::string key = value.contains(field)      ? field
                                    : value.contains("vf_V")   ? "vf_V"
                                    : value.contains("rs_ohm") ? "rs_ohm"
                                                               : "n";
            fields.fault(key.c_str(), value[key].dump(), plain(made.error().what));
        }
    }
    return {law, limit};
}

}  // namespace glimmet::cli
