#include "core/analysis/settings_plan.h"

#include "core/analysis/function_map.h"
#include "core/cv/configuration.h"
#include "core/cv/function_map.h"
#include "core/cv/momentum.h"
#include "core/cv/speed_table.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

constexpr int highest = 255;

int ofHighest(double share) { return static_cast<int>(std::lround(share * highest)); }
std::string percent(double share) { return formatted(share * 100, Dimension::Ratio, 3) + " %"; }

/// In the steps of CV3 and CV4, as near as they come.
int momentumSteps(Seconds time) {
    const double steps = std::round(time.value() / secondsPerMomentumStep);
    return static_cast<int>(std::clamp(steps, 0.0, static_cast<double>(highest)));
}

bool usesTable(const Job& job, const WorkshopRules& house) {
    const Settings& own = job.settings;
    return house.speedCurve == SpeedCurve::Table && own.start && own.middle && own.top;
}

void addressAndMode(const Job& job, const WorkshopRules& house, SettingsPlan& plan) {
    BasicSettings basic;
    basic.address = job.settings.address.value_or(factoryAddress);
    basic.reversed = reversedBySwaps(job);
    basic.speedSteps = job.settings.speedSteps.value_or(128);
    basic.plainDc = false;
    basic.speedTable = usesTable(job, house);
    const auto made = configurationVariables(basic);
    if (!made) return;
    PlannedValue address{"address", verbatim(std::to_string(basic.address)),
                         {},        text("it answers to %1", std::to_string(basic.address)),
                         {},        !job.settings.address};
    PlannedValue mode{"direction", basic.reversed ? text("reversed") : text("as wired"),
                      {},          text("forward is forward, and lamps follow its speed steps"),
                      {},          !job.settings.speedSteps};
    mode.words = text("%1, %2 speed steps", mode.words, std::to_string(basic.speedSteps));
    for (const auto& [number, value] : *made)
        (number == 29 ? mode : address).CV.emplace(number, value);
    plan.values.push_back(std::move(address));
    plan.values.push_back(std::move(mode));
}

void speeds(const Job& job, const WorkshopRules& house, SettingsPlan& plan) {
    const Settings& own = job.settings;
    if (usesTable(job, house)) {
        const SpeedTable table =
            speedTable(ofHighest(*own.start), ofHighest(*own.middle), ofHighest(*own.top));
        PlannedValue value{"speed table",
                           text("from %1 over %2 to %3", percent(*own.start), percent(*own.middle),
                                percent(*own.top)),
                           {},
                           text("it runs evenly faster from step to step")};
        for (std::size_t i = 0; i < table.size(); ++i)
            value.CV.emplace(firstSpeedTableVariable + static_cast<int>(i), table[i]);
        plan.values.push_back(std::move(value));
        return;
    }
    const auto add = [&](const char* meaning, int number, const std::optional<double>& share,
                         Text check) {
        if (!share) return;
        plan.values.push_back({meaning,
                               text("%1 of full voltage", percent(*share)),
                               {{number, ofHighest(*share)}},
                               std::move(check)});
    };
    add("start speed", 2, own.start, text("it just moves at the first step"));
    add("top speed", 5, own.top, text("it runs no faster than you want at the last step"));
    add("middle speed", 6, own.middle, text("half throttle is half of its speed"));
}

void momentum(const Job& job, SettingsPlan& plan) {
    const Settings& own = job.settings;
    if (own.startTime) {
        plan.values.push_back(
            {"momentum start",
             text("%1 from rest to top speed", formatted(*own.startTime, 3)),
             {{3, momentumSteps(*own.startTime)}},
             text("it takes about %1 to get to top speed", formatted(*own.startTime, 3))});
    }
    if (own.stop) {
        const Seconds time = stopTimeOf(*own.stop, job.scale);
        const std::string from = formatted(own.stop->speed, Dimension::Ratio, 3);
        plan.values.push_back({"momentum stop",
                               text("stops within %1 from %2 km/h: %3",
                                    formatted(own.stop->distance, 3), from, formatted(time, 3)),
                               {{4, momentumSteps(time)}},
                               text("it stops within %1", formatted(own.stop->distance, 3))});
    } else if (own.stopTime) {
        plan.values.push_back({"momentum stop",
                               text("%1 from top speed to rest", formatted(*own.stopTime, 3)),
                               {{4, momentumSteps(*own.stopTime)}},
                               text("it takes about %1 to stop", formatted(*own.stopTime, 3))});
    }
}

/// "F0f" of key 0 forward, "F3": as the variables have them.
std::string variableKey(const FunctionKey& key) {
    if (key.key == 0) return key.direction == Direction::Reverse ? "F0r" : "F0f";
    return "F" + std::to_string(key.key);
}

void keys(const Job& job, SettingsPlan& plan) {
    if (job.functions.empty()) return;  // as it comes from its maker
    struct Switched {
        std::vector<int> numbers;
        std::string names;
        Text fault;
    };
    std::map<std::string, Switched> outputs;
    for (const FunctionKey& key : job.functions) {
        for (const bool second : {false, true}) {
            // The light key in both directions has two variables.
            if (second && (key.key != 0 || key.direction)) continue;
            Switched& all = outputs[second ? "F0r" : variableKey(key)];
            for (const std::string& output : key.outputs) {
                all.names += (all.names.empty() ? "" : ", ") + output;
                if (const auto number = outputNumber(output))
                    all.numbers.push_back(*number);
                else
                    all.fault = text("output %1 has no number in the standard's map", output);
            }
        }
    }
    const auto names = functionKeys();
    for (std::size_t i = 0; i < names.size(); ++i) {
        const auto found = outputs.find(std::string(names[i]));
        if (found == outputs.end()) continue;
        const Switched& all = found->second;
        const auto bits = functionBits(i, all.numbers);
        PlannedValue value{"key " + found->first,
                           all.names.empty() ? text("nothing") : verbatim(all.names),
                           {},
                           text("%1 switches %2", found->first,
                                all.names.empty() ? text("nothing") : verbatim(all.names))};
        if (!all.fault.empty())
            value.fault = all.fault;
        else if (bits)
            value.CV.emplace(firstFunctionMapVariable + static_cast<int>(i), *bits);
        else
            value.fault =
                text("it reaches outputs %1 to %2 of the map only",
                     std::to_string(firstOutputOf(i)), std::to_string(firstOutputOf(i) + 7));
        plan.values.push_back(std::move(value));
        outputs.erase(found);
    }
    for (const auto& [name, all] : outputs) {
        plan.values.push_back({"key " + name,
                               verbatim(all.names),
                               {},
                               {},
                               text("keys above F12 are not in the standard's map; set them by the "
                                    "decoder's own manual")});
    }
}

void keyIn(const Job& job, SettingsPlan& plan) {
    const auto among = [](const std::vector<ConfigurationValue>& all, ConfigurationValue wanted) {
        return std::find(all.begin(), all.end(), wanted) != all.end();
    };
    for (const PlannedValue& value : plan.values) {
        std::size_t left = value.CV.size();
        for (const auto& [number, content] : value.CV) {
            --left;
            const bool done = among(job.settings.keyedIn, {number, content});
            const bool held =
                done || (job.settings.read && among(job.settings.read->values, {number, content}));
            plan.keyIn.push_back(
                {number, content,
                 text("CV %1 = %2", std::to_string(number), std::to_string(content)),
                 left == 0 ? value.check : Text{}, done, held});
        }
    }
}

}  // namespace

Seconds stopTimeOf(const StopWithin& stop, const Scale& scale) {
    const MetresPerSecond speed = modelSpeed({KilometresPerHour{stop.speed}, scale.ratio});
    return Seconds{2 * Metres{stop.distance}.value() / speed.value()};
}

std::optional<int> addressFromName(const Job& job) {
    std::string digits;
    for (const char each : job.name) {
        if (each >= '0' && each <= '9')
            digits += each;
        else if (!digits.empty())
            break;
    }
    if (digits.empty() || digits.size() > 5) return {};
    const int number = std::stoi(digits);
    if (number < 1 || number > highestLongAddress) return {};
    return number;
}

bool reversedBySwaps(const Job& job) {
    return std::count_if(job.swapped.begin(), job.swapped.end(),
                         [](const Swap& swap) { return swap.what == Swapped::DirectionBit; }) %
               2 ==
           1;
}

SettingsPlan settingsPlan(const Job& job, const WorkshopRules& house) {
    SettingsPlan plan;
    if (!job.decoder) return plan;
    addressAndMode(job, house, plan);
    speeds(job, house, plan);
    momentum(job, plan);
    keys(job, plan);
    for (const ConfigurationValue& each : job.settings.own) {
        plan.values.push_back({"CV " + std::to_string(each.number),
                               verbatim(std::to_string(each.value)),
                               {{each.number, each.value}},
                               {}});
    }
    for (const PlannedValue& value : plan.values) {
        for (const auto& [number, content] : value.CV) plan.CV[number] = content;
    }
    // What was set by number goes before what follows from a meaning.
    for (PlannedValue& value : plan.values) {
        for (auto& [number, content] : value.CV) content = plan.CV[number];
    }
    keyIn(job, plan);
    if (job.settings.read) {
        for (const ConfigurationValue& each : job.settings.read->values) {
            const auto planned = plan.CV.find(each.number);
            if (planned != plan.CV.end() && planned->second != each.value)
                plan.differences.push_back({each.number, planned->second, each.value});
        }
    }
    return plan;
}

}  // namespace glimmet::core
