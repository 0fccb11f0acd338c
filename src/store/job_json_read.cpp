#include "core/work/lamp_groups.h"
#include "store/job_json.h"
#include "store/upgrade.h"

#include <nlohmann/json.hpp>

namespace glimmet::store {
namespace {

using namespace core;
using nlohmann::json;

constexpr std::size_t longestNote = 100000;
constexpr Range millimetres = between(-10000, 10000);

Point pointIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    const bool good = value.is_array() && value.size() == 2 && value[0].is_number() &&
                      value[1].is_number() && millimetres.holds(value[0].get<double>()) &&
                      millimetres.holds(value[1].get<double>());
    if (good) return {Millimetres{value[0].get<double>()}, Millimetres{value[1].get<double>()}};
    faults.push_back({place, "no point", "[x, z] in millimetres, -10000 to 10000"});
    return {};
}

Point pointField(JsonFields& fields, const char* key) {
    const json* value = fields.list(key, 2, 2);
    return value ? pointIn(*value, fields.below(key), fields.faults()) : Point{};
}

/// Calls `read` with each member of a list and its place.
template <class Read>
void each(JsonFields& fields, const char* key, std::size_t fewest, Read read) {
    const json* list = fields.list(key, fewest);
    if (!list) return;
    std::size_t index = 0;
    for (const json& one : *list) read(one, fields.below(key, index++));
}

std::vector<Point> outlineIn(const json& value, const std::string& place,
                             std::vector<Fault>& faults) {
    std::vector<Point> outline;
    if (!value.is_array() || value.size() < 3 || value.size() > 2000) {
        faults.push_back({place, "no outline", "a list of 3 to 2000 points"});
        return outline;
    }
    std::size_t index = 0;
    for (const json& point : value) {
        outline.push_back(pointIn(point, place + "/" + std::to_string(index++), faults));
    }
    return outline;
}

Body bodyIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    JsonFields fields(value, place, faults);
    Body body;
    body.kind = enumField(fields, "kind", bodyKindNamed,
                          "dock-shunter, railcar, saloon, rotary-plough, railbus, crane-tender, "
                          "lighthouse, quay-house",
                          BodyKind::DockShunter);
    constexpr Range size{0, 10000, true, false};
    body.length = Millimetres{fields.number("length_mm", size)};
    body.height = Millimetres{fields.number("height_mm", size)};
    body.width = Millimetres{fields.number("width_mm", size)};
    if (const json* outline = fields.list("profile_mm", 3, 2000)) {
        body.profile = outlineIn(*outline, fields.below("profile_mm"), faults);
    }
    each(fields, "openings_mm", 0, [&](const json& one, const std::string& at) {
        body.openings.push_back(outlineIn(one, at, faults));
    });
    each(fields, "cavities", 0, [&](const json& one, const std::string& at) {
        JsonFields cavity(one, at, faults);
        body.cavities.push_back({cavity.text("name"), pointField(cavity, "corner_mm"),
                                 Millimetres{cavity.number("length_mm", size)},
                                 Millimetres{cavity.number("height_mm", size)},
                                 Millimetres{cavity.number("width_mm", size)}});
    });
    each(fields, "axles", 0, [&](const json& one, const std::string& at) {
        JsonFields axle(one, at, faults);
        body.axles.push_back({Millimetres{axle.number("x_mm", millimetres)},
                              Millimetres{axle.number("diameter_mm", size)}, axle.truth("driven"),
                              axle.truth("left"), axle.truth("right")});
    });
    each(fields, "sites", 0, [&](const json& one, const std::string& at) {
        JsonFields site(one, at, faults);
        std::string called = site.text("name");
        const Point where = pointField(site, "at_mm");
        body.sites.push_back(
            {std::move(called), where,
             enumField(site, "facing", facingNamed, "front, rear, inside", Facing::Inside)});
    });
    if (fields.has("motor_mm")) body.motor = pointField(fields, "motor_mm");
    return body;
}

std::optional<Measured<Volts>> measuredIn(JsonFields& fields, const char* key, const Range& range) {
    const json* value = fields.object(key, false);
    if (!value) return {};
    JsonFields measured(*value, fields.below(key), fields.faults());
    return Measured<Volts>{Volts{measured.number("value_V", range)}, measured.text("on", "", 40)};
}

Supply supplyIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    JsonFields fields(value, place, faults);
    Supply supply;
    supply.kind = enumField(fields, "kind", supplyKindNamed, "dcc, dc, battery", SupplyKind::Dcc);
    supply.volts = measuredIn(fields, "volts", {0, 60, true, false});
    supply.rectifier = measuredIn(fields, "rectifier", between(0, 5));
    supply.bridge = measuredIn(fields, "bridge", between(0, 5));
    supply.outputSwitch = measuredIn(fields, "switch", between(0, 5));
    return supply;
}

Motor motorIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    JsonFields fields(value, place, faults);
    Motor motor;
    motor.kind =
        enumField(fields, "kind", motorKindNamed, "can, coreless, open-frame", MotorKind::Can);
    motor.frame = enumField(fields, "frame", frameKindNamed, "insulated, frame-return, split-frame",
                            FrameKind::Insulated);
    each(fields, "readings", 0, [&](const json& one, const std::string& at) {
        JsonFields reading(one, at, faults);
        TakenReading made;
        made.condition = enumField(reading, "condition", motorConditionNamed,
                                   "light, hauling, slipping, stalled", MotorCondition::Light);
        if (const auto volts = reading.numberOrNull("volts_V", {0, 60, true, false})) {
            made.volts = Volts{*volts};
        } else if (made.condition == MotorCondition::Stalled && !reading.has("volts_V")) {
            reading.fault("volts_V", "nothing", "the volts of the stall test");
        }
        made.amps = Amperes{reading.number("amps_A", {0, 50, true, false})};
        made.on = reading.text("on", "", 40);
        motor.readings.push_back(std::move(made));
    });
    each(fields, "windings", 0, [&](const json& one, const std::string& at) {
        JsonFields winding(one, at, faults);
        motor.windings.push_back(
            {Ohms{winding.number("value_ohm", {0, 1e5, true, false})}, winding.text("on", "", 40)});
    });
    return motor;
}

Decoder decoderIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    JsonFields fields(value, place, faults);
    Decoder decoder;
    decoder.id = fields.text("id", 80);
    decoder.name = fields.text("name");
    constexpr Range amps{0, 100, true, false};
    decoder.continuous = Amperes{fields.number("continuous_A", amps)};
    decoder.peak = Amperes{fields.number("peak_A", amps)};
    decoder.functionTotal = Amperes{fields.number("functions_A", amps)};
    decoder.overall = Amperes{fields.number("overall_A", amps)};
    decoder.largestTrack = Volts{fields.number("track_max_V", {0, 100, true, false})};
    constexpr Range size{0, 500, true, false};
    decoder.length = Millimetres{fields.number("length_mm", size)};
    decoder.width = Millimetres{fields.number("width_mm", size)};
    decoder.height = Millimetres{fields.number("height_mm", size)};
    decoder.plug = fields.text("plug", "", 80);
    each(fields, "outputs", 0, [&](const json& one, const std::string& at) {
        JsonFields output(one, at, faults);
        DecoderOutput made;
        made.name = output.text("name", 40);
        made.wire = output.text("wire", "", 40);
        made.kind = enumField(output, "kind", outputKindNamed,
                              "low-side, logic-level, lamp-supply, constant-current, unknown",
                              OutputKind::LowSide);
        made.limit = Amperes{output.number("limit_A", amps)};
        if (const auto ohms = output.numberOrNull("series_ohm", between(0, 1e5))) {
            made.series = Ohms{*ohms};
        }
        made.seriesMeasured = output.text("series_on", "", 40);
        decoder.outputs.push_back(std::move(made));
    });
    return decoder;
}

LampPart partIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    const std::size_t before = faults.size();
    LampPart part;
    {
        JsonFields fields(value, place, faults);
        part.id = fields.text("id", "", 80);
        part.name = fields.text("name");
        part.family =
            enumField(fields, "family", ledFamilyNamed,
                      "red, amber, yellow, green, true-green, blue, white, uv", LedFamily::White);
        const auto volts = fields.numberOrNull("vf_V", {0, 20, true, false});
        const auto amps = fields.numberOrNull("at_A", {0, 5, true, false});
        if (volts.has_value() != amps.has_value() && faults.size() == before) {
            fields.fault(volts ? "at_A" : "vf_V", "nothing", "vf_V and at_A together");
        }
        if (volts && amps) part.forward = ForwardPoint{Volts{*volts}, Amperes{*amps}};
        part.emission = fields.numberOrNull("n", {0, 20, true, false});
        if (const auto ohms = fields.numberOrNull("rs_ohm", between(0, 1e4))) {
            part.series = Ohms{*ohms};
        }
        if (const auto most = fields.numberOrNull("max_A", {0, 5, true, false})) {
            part.limit = Amperes{*most};
        }
        part.tint = fields.text("tint", "", 40);
    }
    if (faults.size() == before) {
        if (const auto possible = law(part); !possible) {
            faults.push_back({place + "/" + possible.error().field, "values of no LED",
                              plain(possible.error().what)});
        }
    }
    return part;
}

LampGroup circuitIn(const json& value, const std::string& place, std::vector<Fault>& faults) {
    JsonFields fields(value, place, faults);
    LampGroup group;
    group.name = fields.text("name");
    group.output = fields.text("output", 40);
    group.shared = Ohms{fields.number("shared_ohm", between(0, 1e7), 0)};
    group.wish.target = Amperes{fields.number("target_A", {0, 1, true, false})};
    group.wish.series = enumField(fields, "series", seriesNamed, "E6, E12, E24, E96", Series::E12);
    group.wish.policy = fields.word("policy", {"higher", "nearest"}) == 0 ? RoundingPolicy::Higher
                                                                          : RoundingPolicy::Nearest;
    each(fields, "rows", 1, [&](const json& one, const std::string& at) {
        JsonFields row(one, at, faults);
        LampRow made;
        if (const auto ohms = row.requiredNumberOrNull("resistor_ohm", between(0, 1e7))) {
            made.resistor = Ohms{*ohms};
        }
        each(row, "lamps", 1, [&](const json& lampValue, const std::string& lampAt) {
            JsonFields lamp(lampValue, lampAt, faults);
            Lamp read;
            read.site = lamp.text("site");
            if (const json* part = lamp.object("part")) {
                read.part = partIn(*part, lamp.below("part"), faults);
            }
            read.measured = lamp.truth("measured", false);
            read.at = pointField(lamp, "at_mm");
            read.facing =
                enumField(lamp, "facing", facingNamed, "front, rear, inside", Facing::Inside);
            made.lamps.push_back(std::move(read));
        });
        group.rows.push_back(std::move(made));
    });
    return group;
}

Job jobIn(const json& value, std::vector<Fault>& faults) {
    JsonFields fields(value, "", faults);
    Job job;
    fields.word("format", {"glimmet-job"});
    fields.number("version", wholeBetween(1, jobFormatVersion));
    job.name = fields.text("name");
    if (fields.has("name") && job.name.empty()) fields.fault("name", "an empty text", "a name");
    job.owner = fields.text("owner", "", 400);
    job.wish = fields.text("wish", "", longestNote);
    if (const json* scale = fields.object("scale")) {
        JsonFields read(*scale, fields.below("scale"), faults);
        job.scale = {read.text("name", 20), read.number("ratio", {0, 1000, true, false})};
    }
    if (const json* body = fields.object("body")) job.body = bodyIn(*body, "/body", faults);
    if (const json* supply = fields.object("supply")) {
        job.supply = supplyIn(*supply, "/supply", faults);
    }
    if (const json* motor = fields.object("motor", false)) {
        job.motor = motorIn(*motor, "/motor", faults);
    }
    if (const json* decoder = fields.object("decoder", false)) {
        job.decoder = decoderIn(*decoder, "/decoder", faults);
    }
    job.rule =
        enumField(fields, "rule", ratingRuleNamed, "strict, slip, running", RatingRule::Slip);
    job.closeMargin = fields.number("close_margin", between(0, 0.9), 0.15);
    std::set<std::string> names;
    each(fields, "circuits", 0, [&](const json& one, const std::string& at) {
        job.groups.push_back(circuitIn(one, at, faults));
        if (!names.insert(job.groups.back().name).second) {
            faults.push_back({at + "/name", "a name that another group has", "a name of its own"});
        }
    });
    each(fields, "notes", 0, [&](const json& one, const std::string& at) {
        JsonFields note(one, at, faults);
        std::string on = note.text("on", "", 40);
        job.notes.push_back({std::move(on), note.text("words", longestNote)});
    });
    each(fields, "times", 0, [&](const json& one, const std::string& at) {
        JsonFields time(one, at, faults);
        std::string on = time.text("on", "", 40);
        std::string what = time.text("what");
        job.times.push_back({std::move(on), std::move(what),
                             Seconds{time.number("time_s", {0, 1e7, true, false})}});
    });
    return job;
}

/// The format that a document says it is of; nothing where it says none that could be.
std::optional<long long> formatOf(const json& document) {
    if (!document.is_object() || !document.contains("version")) return {};
    const json& version = document["version"];
    return version.is_number_integer() ? std::optional(version.get<long long>()) : std::nullopt;
}

/// Parses, refuses a later version before anything else is looked at, brings an older one forward,
/// reads, and reports faults.
template <class Thing, class Read>
Result<Thing> documentIn(std::string_view text, std::vector<Fault>* report, Read read) {
    std::vector<Fault> faults;
    auto document = parsedJson(text, faults);
    Thing thing;
    if (document) {
        const auto format = formatOf(*document);
        if (format > jobFormatVersion) {
            return failure(
                ErrorCode::TooNew, "/version",
                core::text("This document was written by a later Glimmet (format %1; this "
                           "one reads up to %2).",
                           std::to_string(*format), std::to_string(jobFormatVersion)));
        }
        if (format >= 1 && format < jobFormatVersion) {
            document = upgraded(std::move(*document), static_cast<int>(*format));
        }
        thing = read(*document, faults);
    }
    if (report) *report = faults;
    if (!faults.empty()) {
        return failure(ErrorCode::NotUnderstood, faults.front().place,
                       verbatim(sentence(faults.front())));
    }
    return thing;
}

}  // namespace

Result<Job> jobFromJson(std::string_view text, std::vector<Fault>* faults) {
    return documentIn<Job>(text, faults, jobIn);
}

Result<Catalogue> catalogueFromJson(std::string_view text, std::vector<Fault>* faults) {
    return documentIn<Catalogue>(text, faults, [](const json& value, std::vector<Fault>& found) {
        JsonFields fields(value, "", found);
        Catalogue catalogue;
        fields.word("format", {"glimmet-catalogue"});
        fields.number("version", wholeBetween(1, jobFormatVersion));
        each(fields, "decoders", 0, [&](const json& one, const std::string& at) {
            catalogue.decoders.push_back(decoderIn(one, at, found));
        });
        each(fields, "lamps", 0, [&](const json& one, const std::string& at) {
            catalogue.lamps.push_back(partIn(one, at, found));
        });
        return catalogue;
    });
}

}  // namespace glimmet::store
