#include "cli/reckon.h"
#include "core/track/crossing.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace glimmet::cli {
namespace {

using namespace core;
using nlohmann::json;
using store::above0;
using store::JsonFields;

constexpr Rails rails[] = {Rails::Left, Rails::Right, Rails::Both};

}  // namespace

json reckonCrossing(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                    State&) {
    const std::size_t before = faults.size();
    double scale = 1;
    KilometresPerHour prototype{};
    std::vector<CollectingAxle> axles;
    std::vector<DeadLength> dead;
    {
        JsonFields fields(in, pointer, faults);
        scale = fields.number("scale", above0);
        prototype = KilometresPerHour{fields.number("speed_kmh", above0)};
        if (const json* list = fields.list("axles", 1)) {
            std::size_t index = 0;
            for (const json& one : *list) {
                JsonFields axle(one, fields.below("axles", index++), faults);
                CollectingAxle made;
                made.x = Millimetres{axle.number("x_mm", store::from0)};
                made.left = axle.truth("left");
                made.right = axle.truth("right");
                axles.push_back(made);
            }
        }
        if (!fields.there("dead")) fields.fault("dead", "nothing", "a list, which may be empty");
        if (const json* list = fields.list("dead", 0)) {
            std::size_t index = 0;
            for (const json& one : *list) {
                JsonFields length(one, fields.below("dead", index++), faults);
                DeadLength made;
                made.rail = rails[length.word("rail", {"left", "right", "both"})];
                made.from = Millimetres{length.number("from_mm", {})};
                made.to = Millimetres{length.number("to_mm", {})};
                if (length.has("from_mm") && length.has("to_mm") && !(made.from < made.to)) {
                    length.fault("to_mm", one["to_mm"].dump(), "above from_mm");
                }
                dead.push_back(made);
            }
        }
        const auto collects = [&](bool CollectingAxle::*side) {
            return std::any_of(axles.begin(), axles.end(),
                               [&](const CollectingAxle& axle) { return axle.*side; });
        };
        for (const auto& [side, word] : {std::pair{&CollectingAxle::left, "left"},
                                         std::pair{&CollectingAxle::right, "right"}}) {
            if (faults.size() == before && !collects(side)) {
                fields.fault("axles", std::string("no wheel that collects on the ") + word,
                             "at least one that collects on each side");
            }
        }
    }
    if (faults.size() > before) return {};
    const auto found = outages(axles, dead);
    if (!found) {
        faults.push_back({pointer + "/" + found.error().field, plain(found.error().what),
                          "a vehicle that can run"});
        return {};
    }
    const double speed = modelSpeed(prototype, scale).value() * 1000;  // mm/s
    json list = json::array();
    double longest = 0;
    for (const Outage& outage : *found) {
        const double length = outage.length().value();
        longest = std::max(longest, length);
        list.push_back({{"from_mm", outage.from.value()},
                        {"to_mm", outage.to.value()},
                        {"seconds_s", length / speed},
                        {"rail", name(outage.rail)}});
    }
    return {{"outages", std::move(list)},
            {"longest_s", longest / speed},
            {"longest_mm", longest},
            {"speed_mm_s", speed}};
}

}  // namespace glimmet::cli
