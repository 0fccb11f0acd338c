#include "core/record/job.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

namespace glimmet::core {

std::optional<Scale> scaleNamed(std::string_view wanted) {
    static const std::array<Scale, 9> scales{{{"Z", 220},
                                              {"N", 160},
                                              {"TT", 120},
                                              {"H0", 87},
                                              {"OO", 76},
                                              {"S", 64},
                                              {"0", 45},
                                              {"1", 32},
                                              {"G", 22.5}}};
    for (const Scale& scale : scales) {
        if (scale.name == wanted) return scale;
    }
    return {};
}

Volts usualVolts(Feed feed, const Scale& scale) {
    if (feed == Feed::BatteryRadio) return Volts{9};
    if (feed == Feed::Ac) return Volts{16};
    if (!isDigital(feed)) return Volts{12};
    if (scale.ratio >= 150) return Volts{12};
    if (scale.ratio >= 60) return Volts{14.5};
    return scale.ratio >= 40 ? Volts{16} : Volts{18};
}

Job::Job() = default;
Job::Job(const Job&) = default;
Job::Job(Job&&) noexcept = default;
Job& Job::operator=(const Job&) = default;
Job& Job::operator=(Job&&) noexcept = default;
Job::~Job() = default;
bool Job::operator==(const Job&) const = default;

std::string newId(Job& job, char letter) { return letter + std::to_string(++job.lastId); }

Unit newUnit(Job& job, const BodyDrawing& drawing, std::string name) {
    Unit unit;
    unit.id = newId(job, 'U');
    unit.name = std::move(name);
    unit.body = scaled(drawing.body, 1 / job.scale.ratio);
    for (std::size_t i = 0; i < unit.body.motors.size(); ++i) {
        unit.motors.emplace_back();
        unit.motors.back().id = newId(job, 'M');
    }
    return unit;
}

Job newJob(std::string name, const BodyDrawing& drawing, const Scale& scale) {
    Job job;
    job.name = std::move(name);
    job.scale = scale;
    job.feed = drawing.body.structure ? Feed::FixedDc : Feed::TwoRailDcc;
    job.units.push_back(newUnit(job, drawing, {}));
    return job;
}

Job withBody(Job job, std::size_t unit, const Body& body) {
    const std::string id = job.units[unit].id;
    const Body before = std::exchange(job.units[unit].body, body);
    const auto drawnAlong = [&](Point at) -> Point {
        return {at.x * (body.length / before.length).value(),
                at.z * (body.height / before.height).value()};
    };
    const auto moved = [&](const Fitted& lamp) -> Point {
        for (std::size_t i = 0; i < before.sites.size() && i < body.sites.size(); ++i) {
            const LampSite& site = before.sites[i];
            if (site.name == lamp.place && site.at == lamp.pose.at &&
                body.sites[i].name == site.name) {
                return body.sites[i].at;
            }
        }
        return drawnAlong(lamp.pose.at);
    };
    for (Spot& spot : job.intake.spots) {
        if (spot.unit == id) spot.at = drawnAlong(spot.at);
    }
    for (LampGroup& group : job.groups) {
        for (LampRow& row : group.rows) {
            for (Lamp& lamp : row.lamps) {
                if (lamp.fitted.unit == id) lamp.fitted.pose.at = moved(lamp.fitted);
            }
        }
    }
    return job;
}

BodyDrawing ownDrawing(const Job& job, std::size_t unit, std::string id, std::string title) {
    Body body = scaled(job.units[unit].body, job.scale.ratio);
    body.kind = id;
    body.ownMeasures = false;
    // They were measured on this model; on the next one they are as drawn.
    for (Cavity& each : body.cavities) each.measured = false;
    for (Axle& each : body.axles) each.collectsLeft = each.collectsRight = true;
    return {std::move(id), std::move(title), "Your own", std::move(body)};
}

std::vector<LampPart> partsRead(const Job& job) {
    std::vector<LampPart> read;
    for (const LampGroup& group : job.groups) {
        for (const LampRow& row : group.rows) {
            for (const Lamp& lamp : row.lamps) {
                if (lamp.measured && std::find(read.begin(), read.end(), lamp.part) == read.end())
                    read.push_back(lamp.part);
            }
        }
    }
    return read;
}

bool isStructure(const Job& job) { return job.units.front().body.structure; }

Millimetres startOf(const Job& job, std::size_t unit) {
    Millimetres start{0};
    for (std::size_t i = 0; i < unit; ++i) {
        start += job.units[i].body.length;
        if (i < job.couplings.size()) start += job.couplings[i].gap;
    }
    return start;
}

Millimetres lengthOf(const Job& job) {
    return startOf(job, job.units.size() - 1) + job.units.back().body.length;
}

std::size_t unitAt(const Job& job, std::string_view id) {
    const auto found = std::find_if(job.units.begin(), job.units.end(),
                                    [&](const Unit& unit) { return unit.id == id; });
    return found == job.units.end() ? 0 : static_cast<std::size_t>(found - job.units.begin());
}

std::string unitCalled(const Job& job, std::size_t unit) {
    if (job.units.size() == 1) return {};
    const std::string& name = job.units[unit].name;
    return name.empty() ? std::to_string(unit + 1) : name;
}

std::vector<MotorAt> motorsOf(const Job& job) {
    std::vector<MotorAt> all;
    for (std::size_t i = 0; i < job.units.size(); ++i) {
        for (const Motor& motor : job.units[i].motors) all.push_back({i, &motor});
    }
    return all;
}

bool hasMotor(const Job& job) {
    return std::any_of(job.units.begin(), job.units.end(),
                       [](const Unit& unit) { return !unit.motors.empty(); });
}

const LampGroup* groupNamed(const Job& job, std::string_view wanted) {
    for (const LampGroup& group : job.groups) {
        if (group.name == wanted || group.id == wanted) return &group;
    }
    return nullptr;
}

const DecoderOutput* outputNamed(const Job& job, std::string_view wanted) {
    if (!job.decoder) return nullptr;
    for (const DecoderOutput& output : job.decoder->part.outputs) {
        if (output.name == wanted) return &output;
    }
    return nullptr;
}

Job withHouse(Job job, const WorkshopRules& house) {
    job.judgedWith = houseOf(job, house);
    job.judgedWith->decoders.clear();  // what lies in one workshop's drawer is in no other's
    if (*job.judgedWith == WorkshopRules()) job.judgedWith.reset();
    return job;
}

Job adopted(Job job, const WorkshopRules& house) {
    if (!job.judgedWith) return job;
    const WorkshopRules was = *std::exchange(job.judgedWith, std::nullopt);
    job.own = differences(house, withOwn(was, job.own));
    return job;
}

WorkshopRules houseOf(const Job& job, const WorkshopRules& house) {
    WorkshopRules made = job.judgedWith.value_or(house);
    if (job.judgedWith) made.decoders = house.decoders;
    made = withOwn(std::move(made), job.own);
    // Volts are known no better than the meter reads them.
    made.supplySpread = std::max(made.supplySpread, made.meterTolerance);
    return made;
}

}  // namespace glimmet::core
