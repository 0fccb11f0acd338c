#include "store/upgrade.h"

#include "store/schema_check.h"

#include <QFile>

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cassert>

// Resources of a static library are registered from outside any namespace.
static void registerSchemas() { Q_INIT_RESOURCE(store); }

namespace glimmet::store {
namespace {

using nlohmann::json;

json frozen(const char* name) {
    registerSchemas();
    QFile file(QStringLiteral(":/store/schema/") + QLatin1String(name));
    const bool there = file.open(QIODevice::ReadOnly);
    assert(there);
    return there ? json::parse(file.readAll().toStdString()) : json(true);
}
const json& jobSchema1() {
    static const json schema = frozen("job-1.schema.json");
    return schema;
}
const json& jobSchema2() {
    static const json schema = frozen("job-2.schema.json");
    return schema;
}
const json& jobSchema3() {
    static const json schema = frozen("job-3.schema.json");
    return schema;
}
const json& catalogueSchema2() {
    static const json schema = frozen("catalogue-2.schema.json");
    return schema;
}
const json& catalogueSchema1() {
    static const json schema = frozen("catalogue-1.schema.json");
    return schema;
}

/// Takes a field out of an object; null where there is none.
json taken(json& object, const char* key) {
    const auto at = object.find(key);
    if (at == object.end()) return nullptr;
    json value = std::move(*at);
    object.erase(at);
    return value;
}
/// The same under another name, where it is there.
void renamed(json& object, const char* from, const char* to) {
    if (json value = taken(object, from); !value.is_null()) object[to] = std::move(value);
}

/// Optional values could be null as well as left out.
void withoutNulls(json& value) {
    if (value.is_object()) {
        for (auto it = value.begin(); it != value.end();) {
            it = it->is_null() && it.key() != "resistor_ohm" && it.key() != "series_ohm"
                     ? value.erase(it)
                     : std::next(it);
        }
    }
    if (value.is_structured()) {
        for (json& each : value) withoutNulls(each);
    }
}
void outputsWithSeries(json& decoder) {
    if (!decoder.contains("outputs")) return;
    for (json& output : decoder["outputs"]) {
        if (!output.contains("series_ohm")) output["series_ohm"] = nullptr;
    }
}

/// Format 1 had one body with one motor, a supply that was dcc, dc or battery, and named its lamp
/// groups circuits.
void jobFrom1(json& job) {
    withoutNulls(job);
    job["version"] = 2;
    int last = 0;
    const auto id = [&](char letter) { return letter + std::to_string(++last); };

    json body = taken(job, "body");
    const std::string drawn = body["kind"].get<std::string>();
    const bool structure = drawn == "lighthouse" || drawn == "quay-house";
    if (structure) body["structure"] = true;
    if (json motor = taken(body, "motor_mm"); !motor.is_null()) {
        body["motors_mm"] = json::array({std::move(motor)});
    }
    json unit{{"id", id('U')}, {"body", std::move(body)}};
    if (json motor = taken(job, "motor"); !motor.is_null()) {
        unit["frame"] = taken(motor, "frame");
        motor["id"] = id('M');
        unit["motors"] = json::array({std::move(motor)});
    }
    const std::string unitId = unit["id"];

    const std::string fed = taken(job["supply"], "kind").get<std::string>();
    job["feed"] = fed == "dcc"       ? "two-rail-dcc"
                  : fed == "battery" ? "battery-radio"
                  : structure        ? "fixed-dc"
                                     : "plain-dc";
    if (json decoder = taken(job, "decoder"); !decoder.is_null()) {
        outputsWithSeries(decoder);
        job["decoder"] = {{"part", std::move(decoder)}};
    }
    // What the house had anyway is the house's.
    if (job["rule"] == "slip") job.erase("rule");
    if (job.contains("close_margin") && job["close_margin"] == json(0.15)) {
        job.erase("close_margin");
    }

    renamed(job, "circuits", "groups");
    if (job.contains("groups")) {
        for (json& group : job["groups"]) {
            group["id"] = id('L');
            const json shared = taken(group, "shared_ohm");
            const bool isShared = shared.is_number() && shared.get<double>() > 0;
            group["connection"] =
                isShared ? json{{"kind", "shared"}, {"value_ohm", shared}} : json{{"kind", "own"}};
            for (json& row : group["rows"]) {
                for (json& lamp : row["lamps"]) {
                    lamp["fitted"] = {
                        {"unit", unitId},
                        {"place", taken(lamp, "site")},
                        {"pose",
                         {{"at_mm", taken(lamp, "at_mm")}, {"facing", taken(lamp, "facing")}}}};
                }
            }
        }
    }
    job["units"] = json::array({std::move(unit)});
    job["last_id"] = last;
}

/// Format 1 had no banks and no bodies.
void catalogueFrom1(json& catalogue) {
    withoutNulls(catalogue);
    catalogue["version"] = 2;
    if (!catalogue.contains("decoders")) return;
    for (json& decoder : catalogue["decoders"]) outputsWithSeries(decoder);
}

/// Format 2 knew less: what came to be known since is left out of a document without it.
void from2(json& document) { document["version"] = 3; }

/// What format 3 called the end of a factory wire, as a terminal of the unit that it lies in.
json terminalOf(const json& unit, const std::string& end) {
    std::string owner = unit["id"], pin = end;
    if (end.starts_with("motor ") && unit.contains("motors") && !unit["motors"].empty()) {
        owner = unit["motors"][0]["id"];
        pin = end.substr(6);
    } else if (end.ends_with(" rail")) {
        pin = end.substr(0, end.size() - 5);
    } else if (end == "middle conductor") {
        pin = "centre";
    } else if (end == "nothing") {
        pin = "nowhere";
    }
    std::replace(pin.begin(), pin.end(), '.', ' ');
    return {{"of", owner}, {"pin", pin}};
}

/// Format 3 kept a unit's factory wires by words in it, with the other end only sometimes.
void jobFrom3(json& job) {
    job["version"] = 4;
    int last = job["last_id"];
    json wires = json::array();
    for (json& unit : job["units"]) {
        for (json& wire : taken(unit, "wires")) {
            const auto end = [&](const char* key) { return wire.value(key, std::string()); };
            json made{{"id", "W" + std::to_string(++last)},
                      {"colour", wire["colour"]},
                      {"factory", true},
                      {"to", terminalOf(unit, end("to").empty() ? "nothing" : end("to"))}};
            if (!end("from").empty()) made["from"] = terminalOf(unit, end("from"));
            if (wire.contains("labelled")) made["labelled"] = wire["labelled"];
            wires.push_back(std::move(made));
        }
    }
    if (!wires.empty()) job["wires"] = std::move(wires);
    job["last_id"] = last;
}

constexpr OlderFormat jobs[] = {
    {jobSchema1, jobFrom1}, {jobSchema2, from2}, {jobSchema3, jobFrom3}};
constexpr OlderFormat catalogues[] = {{catalogueSchema1, catalogueFrom1},
                                      {catalogueSchema2, from2}};

}  // namespace

std::span<const OlderFormat> olderJobs() { return jobs; }
std::span<const OlderFormat> olderCatalogues() { return catalogues; }

json upgraded(json document, int from, std::span<const OlderFormat> older,
              std::vector<Fault>& faults) {
    assert(from >= 1 && static_cast<std::size_t>(from) <= older.size());
    const auto steps = older.subspan(static_cast<std::size_t>(from) - 1);
    checked(document, steps.front().schema(), faults);
    if (!faults.empty()) return document;
    for (const OlderFormat& format : steps) format.step(document);
    return document;
}

}  // namespace glimmet::store
