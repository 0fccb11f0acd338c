#include "cli/reckon.h"
#include "core/cv/speed_table.h"

#include <nlohmann/json.hpp>

namespace glimmet::cli {

using nlohmann::json;

namespace {

/// A point is [step, value].
std::vector<core::SpeedPoint> readPoints(store::JsonFields& fields,
                                         std::vector<store::Fault>& faults) {
    std::vector<core::SpeedPoint> points;
    const json* found = fields.list("points", 2);
    if (!found) return points;
    for (std::size_t i = 0; i < found->size(); ++i) {
        const json& each = (*found)[i];
        const bool pair = each.is_array() && each.size() == 2 && each[0].is_number_integer() &&
                          each[1].is_number_integer();
        const auto held = [&](std::size_t at, int least, int most) {
            const auto value = each[at].get<long long>();
            return value >= least && value <= most;
        };
        if (!pair || !held(0, 1, core::speedSteps) || !held(1, 0, 255)) {
            faults.push_back({fields.below("points", i), each.dump(),
                              "[step, value]: a step of 1 to 28, a value of 0 to 255, whole"});
            continue;
        }
        points.push_back({each[0].get<int>(), each[1].get<int>()});
    }
    return points;
}

}  // namespace

json reckonSpeedTable(const json& in, const std::string& pointer, std::vector<store::Fault>& faults,
                      core::State&) {
    const std::size_t before = faults.size();
    store::JsonFields fields(in, pointer, faults);
    core::SpeedTable table{};
    if (in.is_object() && in.contains("points")) {
        const auto points = readPoints(fields, faults);
        if (faults.size() > before) return {};
        const auto made = core::speedTable(points);
        if (!made) {
            fields.fault("points", in["points"].dump(), core::plain(made.error().what));
            return {};
        }
        table = *made;
    } else {
        const auto value = [&](const char* key) {
            return static_cast<int>(fields.number(key, store::wholeBetween(0, 255)));
        };
        const int start = value("cv2"), middle = value("cv6"), top = value("cv5");
        if (faults.size() > before) return {};
        table = core::speedTable(start, middle, top);
    }
    json variables = json::object();
    for (int step = 0; step < core::speedSteps; ++step) {
        variables[std::to_string(core::firstSpeedTableVariable + step)] =
            table[static_cast<std::size_t>(step)];
    }
    return {{"table", table}, {"CV", std::move(variables)}};
}

}  // namespace glimmet::cli
