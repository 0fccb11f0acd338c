#include "cli/reckon.h"
#include "core/motor/motor.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {
namespace {

using namespace core;
using nlohmann::json;

template <class Quantity>
json orNull(const std::optional<Quantity>& quantity) {
    return quantity ? json(quantity->value()) : json(nullptr);
}

const char* needs(MotorDemand::What what) {
    switch (what) {
        case MotorDemand::What::Stall:
            return "a stalled reading, or winding_ohm";
        case MotorDemand::What::Slip:
            return "a slipping reading";
        case MotorDemand::What::Running:
            break;
    }
    return "a light or hauling reading";
}

}  // namespace

json reckonMotor(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                 State& verdict) {
    using store::above0;
    using store::from0;
    const std::size_t before = faults.size();
    MotorSupply supply;
    std::vector<MotorReading> readings;
    std::optional<Ohms> winding;
    MotorRating rating;
    RatingRule rule{};
    double margin = 0;
    {
        store::JsonFields fields(in, pointer, faults);
        supply = {Volts{fields.number("track_V", from0)},
                  Volts{fields.number("rectifier_V", from0)},
                  Volts{fields.number("bridge_V", from0)}};
        const json* list = fields.list("readings", 0);
        if (!list && in.is_object() && !in.contains("readings")) {
            fields.fault("readings", "nothing", "a list, which may be empty");
        }
        std::size_t index = 0;
        for (const json& one : list ? *list : json::array()) {
            store::JsonFields reading(one, fields.below("readings", index++), faults);
            constexpr MotorCondition order[] = {MotorCondition::Light, MotorCondition::Hauling,
                                                MotorCondition::Slipping, MotorCondition::Stalled};
            const auto which =
                reading.word("condition", {"light", "hauling", "slipping", "stalled"});
            readings.push_back({order[which],
                                Volts{reading.number("volts_V", above0)},
                                Amperes{reading.number("amps_A", above0)},
                                {}});
        }
        if (const auto ohms = fields.numberOrNull("winding_ohm", above0)) winding = Ohms{*ohms};
        if (const json* decoder = fields.object("decoder")) {
            store::JsonFields read(*decoder, fields.below("decoder"), faults);
            rating = {Amperes{read.number("continuous_A", above0)},
                      Amperes{read.number("peak_A", above0)}};
        }
        constexpr RatingRule rules[] = {RatingRule::Strict, RatingRule::Slip, RatingRule::Running};
        rule = rules[fields.word("rule", {"strict", "slip", "running"})];
        margin = fields.number("close_margin", store::between(0, 1));
    }
    if (faults.size() > before) return {};

    const MotorVerdict result = motorVerdict(readings, winding, supply, rating, rule, margin);
    verdict = worse(verdict, result.state);
    json demands = json::array();
    for (const MotorDemand& demand : result.demands) {
        json one{{"what", name(demand.what)},
                 {"demand_A", orNull(demand.demand)},
                 {"limit", demand.againstPeak ? "peak" : "continuous"},
                 {"limit_A", demand.limit.value()},
                 {"state", name(demand.state)}};
        if (demand.state == State::Ask) one["needs"] = needs(demand.what);
        demands.push_back(std::move(one));
    }
    return {{"path_ohm", orNull(result.path)}, {"stall_A", orNull(result.stall)},
            {"slip_A", orNull(result.slip)},   {"running_A", orNull(result.running)},
            {"demands", std::move(demands)},   {"verdict", name(result.state)}};
}

}  // namespace glimmet::cli
