#include "cli/read_led.h"
#include "cli/reckon.h"
#include "core/led/resistor_choice.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>

namespace glimmet::cli {
namespace {

using namespace core;
using nlohmann::json;
using store::above0;
using store::Fault;
using store::from0;
using store::JsonFields;

struct Row {
    LampString string;
    std::optional<Ohms> given;
    double limit = 0;  ///< A, the smallest of its LEDs'
};

struct LampsAsked {
    Volts supply{}, rectifier{}, switchDrop{};
    Ohms outputSeries{}, shared{};
    std::vector<Row> rows;
    ResistorWish wish;
};

constexpr double closeAbove = 0.85;  // of an LED's limit: cli.md

void put(Row& row, const ReadLed& led) {
    row.limit = row.string.lamps.empty() ? led.limit : std::min(row.limit, led.limit);
    row.string.lamps.push_back(led.law);
}

LampsAsked read(const json& in, const std::string& pointer, std::vector<Fault>& faults) {
    JsonFields fields(in, pointer, faults);
    LampsAsked asked;
    if (const json* supply = fields.object("supply")) {
        JsonFields read(*supply, fields.below("supply"), faults);
        const bool dcc = read.word("kind", {"dcc", "dc"}) == 0;
        asked.supply = Volts{read.number("volts_V", from0)};
        asked.rectifier =
            Volts{dcc ? read.number("rectifier_V", from0) : read.number("rectifier_V", from0, 0)};
    }
    asked.switchDrop = Volts{0.1};
    if (in.is_object() && in.contains("output")) {
        if (const json* output = fields.object("output")) {
            JsonFields read(*output, fields.below("output"), faults);
            asked.switchDrop = Volts{read.number("switch_V", from0, 0.1)};
            asked.outputSeries = Ohms{read.number("series_ohm", from0, 0)};
        }
    } else {
        (void)fields.object("output", false);
    }
    if (const json* strings = fields.list("strings", 1)) {
        std::size_t index = 0;
        for (const json& one : *strings) {
            JsonFields string(one, fields.below("strings", index++), faults);
            Row row;
            if (const json* leds = string.list("leds", 1)) {
                std::size_t number = 0;
                for (const json& led : *leds)
                    put(row, readLed(led, string.below("leds", number++), faults));
            }
            if (const auto ohms = string.requiredNumberOrNull("resistor_ohm", from0)) {
                row.given = Ohms{*ohms};
            }
            asked.rows.push_back(std::move(row));
        }
    }
    asked.shared = Ohms{fields.number("shared_resistor_ohm", from0, 0)};
    asked.wish.target = Amperes{fields.number("target_A", above0)};
    constexpr Series series[] = {Series::E6, Series::E12, Series::E24, Series::E96};
    asked.wish.series = series[fields.word("series", {"E6", "E12", "E24", "E96"}, 1)];
    asked.wish.policy = fields.word("policy", {"higher", "nearest"}, 0) == 0
                            ? RoundingPolicy::Higher
                            : RoundingPolicy::Nearest;
    return asked;
}

}  // namespace

json reckonLamp(const json& in, const std::string& pointer, std::vector<Fault>& faults,
                State& verdict) {
    const std::size_t before = faults.size();
    LampsAsked asked = read(in, pointer, faults);
    if (faults.size() > before) return {};

    const Volts drive = asked.supply - asked.rectifier - asked.switchDrop;
    LampCircuit group;
    group.common = asked.outputSeries + asked.shared;
    json resistors = json::array();
    json ideals = json::array();
    std::string why;
    State state = State::Fine;
    for (std::size_t k = 0; k < asked.rows.size(); ++k) {
        Row& row = asked.rows[k];
        ideals.push_back(nullptr);
        if (row.given) {
            row.string.resistor = *row.given;
        } else {
            const Ohms ideal = idealResistor(row.string.lamps, drive, group.common,
                                             asked.rows.size(), asked.wish.target);
            const auto fitted = fittedResistor(ideal, asked.wish);
            if (fitted) ideals.back() = ideal.value();
            row.string.resistor = fitted.value_or(Ohms{0});
            if (!fitted) {
                state = State::Over;
                why += (why.empty() ? "" : "; ") + std::string("string ") + std::to_string(k + 1) +
                       ": the supply is too low for the string at the target current";
            }
        }
        resistors.push_back(row.string.resistor.value());
        group.strings.push_back(row.string);
    }
    if (!(drive > Volts{0})) {
        state = State::Over;
        if (why.empty()) why = "the bus is not above the drop of the output switch";
    }
    auto solver = LampSolver::of(group);
    const auto solution = solver ? solver->at(drive) : tl::unexpected(solver.error());
    const auto glowDrive =
        solver ? solver->driveForFirst(Amperes{0.0001}) : tl::unexpected(solver.error());
    if (!solution || !glowDrive) {
        const Error& error = solution ? glowDrive.error() : solution.error();
        faults.push_back({pointer + "/strings", plain(error.what), "values that LEDs can have"});
        return {};
    }
    json currents = json::array();
    json leds = json::array();
    json powers = json::array();
    for (std::size_t k = 0; k < asked.rows.size(); ++k) {
        currents.push_back(solution->current[k].value());
        json volts = json::array();
        for (const Volts led : solution->lamp[k]) volts.push_back(led.value());
        leds.push_back(std::move(volts));
        powers.push_back(solution->resistorPower[k].value());
        state = worse(state,
                      stateAgainst(solution->current[k].value(), asked.rows[k].limit, closeAbove));
    }
    const Volts glow = *glowDrive + asked.switchDrop + asked.rectifier;
    verdict = worse(verdict, state);
    json out{{"resistors_ohm", resistors},  {"ideal_ohm", ideals},
             {"string_A", currents},        {"led_V", leds},
             {"resistor_W", powers},        {"output_A", solution->total.value()},
             {"glow_from_V", glow.value()}, {"verdict", name(state)}};
    if (!why.empty()) out["why"] = why;
    return out;
}

}  // namespace glimmet::cli
