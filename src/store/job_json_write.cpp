#include "store/job_json.h"

#include <nlohmann/json.hpp>

namespace glimmet::store {
namespace {

using namespace core;
using nlohmann::ordered_json;

double mm(Millimetres length) { return length.value(); }

ordered_json pointOut(const Point& point) {
    return ordered_json::array({mm(point.x), mm(point.z)});
}

ordered_json pointsOut(const std::vector<Point>& points) {
    ordered_json list = ordered_json::array();
    for (const Point& point : points) list.push_back(pointOut(point));
    return list;
}

template <class Things, class One>
ordered_json listOut(const Things& things, One one) {
    ordered_json list = ordered_json::array();
    for (const auto& thing : things) list.push_back(one(thing));
    return list;
}

ordered_json bodyOut(const Body& body) {
    ordered_json out;
    out["kind"] = name(body.kind);
    out["length_mm"] = mm(body.length);
    out["height_mm"] = mm(body.height);
    out["width_mm"] = mm(body.width);
    out["profile_mm"] = pointsOut(body.profile);
    out["openings_mm"] = listOut(body.openings, pointsOut);
    out["cavities"] = listOut(body.cavities, [](const Cavity& cavity) {
        return ordered_json{{"name", cavity.name},
                            {"corner_mm", pointOut(cavity.corner)},
                            {"length_mm", mm(cavity.length)},
                            {"height_mm", mm(cavity.height)},
                            {"width_mm", mm(cavity.width)}};
    });
    out["axles"] = listOut(body.axles, [](const Axle& axle) {
        return ordered_json{{"x_mm", mm(axle.x)},
                            {"diameter_mm", mm(axle.diameter)},
                            {"driven", axle.driven},
                            {"left", axle.collectsLeft},
                            {"right", axle.collectsRight}};
    });
    out["sites"] = listOut(body.sites, [](const LampSite& site) {
        return ordered_json{
            {"name", site.name}, {"at_mm", pointOut(site.at)}, {"facing", name(site.facing)}};
    });
    if (body.motor) out["motor_mm"] = pointOut(*body.motor);
    return out;
}

void measuredOut(ordered_json& out, const char* key, const std::optional<Measured<Volts>>& volts) {
    if (volts) out[key] = ordered_json{{"value_V", volts->value.value()}, {"on", volts->on}};
}

ordered_json motorOut(const Motor& motor) {
    ordered_json out;
    out["kind"] = name(motor.kind);
    out["frame"] = name(motor.frame);
    out["readings"] = listOut(motor.readings, [](const TakenReading& reading) {
        ordered_json one{{"condition", name(reading.condition)}};
        if (reading.volts) one["volts_V"] = reading.volts->value();
        one["amps_A"] = reading.amps.value();
        one["on"] = reading.on;
        return one;
    });
    out["windings"] = listOut(motor.windings, [](const Measured<Ohms>& winding) {
        return ordered_json{{"value_ohm", winding.value.value()}, {"on", winding.on}};
    });
    return out;
}

ordered_json decoderOut(const Decoder& decoder) {
    ordered_json out{{"id", decoder.id},
                     {"name", decoder.name},
                     {"continuous_A", decoder.continuous.value()},
                     {"peak_A", decoder.peak.value()},
                     {"functions_A", decoder.functionTotal.value()},
                     {"overall_A", decoder.overall.value()},
                     {"track_max_V", decoder.largestTrack.value()},
                     {"length_mm", mm(decoder.length)},
                     {"width_mm", mm(decoder.width)},
                     {"height_mm", mm(decoder.height)},
                     {"plug", decoder.plug}};
    out["outputs"] = listOut(decoder.outputs, [](const DecoderOutput& output) {
        ordered_json one{{"name", output.name},
                         {"wire", output.wire},
                         {"kind", name(output.kind)},
                         {"limit_A", output.limit.value()},
                         {"series_ohm", nullptr}};
        if (output.series) one["series_ohm"] = output.series->value();
        if (!output.seriesMeasured.empty()) one["series_on"] = output.seriesMeasured;
        return one;
    });
    return out;
}

ordered_json partOut(const LampPart& part) {
    ordered_json out{{"id", part.id}, {"name", part.name}, {"family", name(part.family)}};
    if (part.forward) {
        out["vf_V"] = part.forward->voltage.value();
        out["at_A"] = part.forward->current.value();
    }
    if (part.emission) out["n"] = *part.emission;
    if (part.series) out["rs_ohm"] = part.series->value();
    if (part.limit) out["max_A"] = part.limit->value();
    if (!part.tint.empty()) out["tint"] = part.tint;
    return out;
}

ordered_json circuitOut(const LampGroup& group) {
    ordered_json out{
        {"name", group.name},
        {"output", group.output},
        {"shared_ohm", group.shared.value()},
        {"target_A", group.wish.target.value()},
        {"series", name(group.wish.series)},
        {"policy", group.wish.policy == RoundingPolicy::Higher ? "higher" : "nearest"}};
    out["rows"] = listOut(group.rows, [](const LampRow& row) {
        ordered_json one{{"resistor_ohm", nullptr}};
        if (row.resistor) one["resistor_ohm"] = row.resistor->value();
        one["lamps"] = listOut(row.lamps, [](const Lamp& lamp) {
            return ordered_json{{"site", lamp.site},
                                {"part", partOut(lamp.part)},
                                {"measured", lamp.measured},
                                {"at_mm", pointOut(lamp.at)},
                                {"facing", name(lamp.facing)}};
        });
        return one;
    });
    return out;
}

}  // namespace

std::string jobToJson(const Job& job, int indent) {
    ordered_json out;
    out["format"] = "glimmet-job";
    out["version"] = jobFormatVersion;
    out["name"] = job.name;
    out["owner"] = job.owner;
    out["wish"] = job.wish;
    out["scale"] = ordered_json{{"name", job.scale.name}, {"ratio", job.scale.ratio}};
    out["body"] = bodyOut(job.body);
    ordered_json supply{{"kind", name(job.supply.kind)}};
    measuredOut(supply, "volts", job.supply.volts);
    measuredOut(supply, "rectifier", job.supply.rectifier);
    measuredOut(supply, "bridge", job.supply.bridge);
    measuredOut(supply, "switch", job.supply.outputSwitch);
    out["supply"] = std::move(supply);
    if (job.motor) out["motor"] = motorOut(*job.motor);
    if (job.decoder) out["decoder"] = decoderOut(*job.decoder);
    out["rule"] = name(job.rule);
    out["close_margin"] = job.closeMargin;
    out["circuits"] = listOut(job.groups, circuitOut);
    out["notes"] = listOut(job.notes, [](const Note& note) {
        return ordered_json{{"on", note.on}, {"words", note.words}};
    });
    out["times"] = listOut(job.times, [](const TimeSpent& time) {
        return ordered_json{{"on", time.on}, {"what", time.what}, {"time_s", time.time.value()}};
    });
    return out.dump(indent, ' ', false, ordered_json::error_handler_t::replace);
}

}  // namespace glimmet::store
