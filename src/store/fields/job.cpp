#include "store/fields/io.h"
#include "store/fields/school_fields.h"
#include "store/job_json.h"

#include <algorithm>
#include <charconv>

namespace glimmet::store {
namespace {

constexpr Limits longNote = characters(100000);

template <class Io, class Self>
void scaleFields(Io& io, Self& scale) {
    io("name", scale.name, Required, characters(20));
    io("ratio", scale.ratio, Required, upTo(1000));
}

template <class Io, class Self>
void noteFields(Io& io, Self& note) {
    io("on", note.on, Maybe, date);
    io("words", note.words, Required, longNote);
}

template <class Io, class Self>
void timeFields(Io& io, Self& time) {
    io("on", time.on, Maybe, date);
    io("what", time.what);
    io("time", time.time, Required, upTo(1e7));
}

/// Every id of a job, as it is met.
std::vector<std::string> idsOf(const core::Job& job) {
    std::vector<std::string> all;
    for (const core::Unit& unit : job.units) {
        all.push_back(unit.id);
        for (const core::Motor& motor : unit.motors) all.push_back(motor.id);
    }
    for (const core::LampGroup& group : job.groups) all.push_back(group.id);
    for (const core::Spot& spot : job.intake.spots) all.push_back(spot.id);
    for (const core::Complaint& complaint : job.intake.complaints) all.push_back(complaint.id);
    for (const core::FittedItem& item : job.items) all.push_back(item.id);
    for (const core::FactoryLamp& lamp : job.factoryLamps) all.push_back(lamp.id);
    for (const core::Wire& wire : job.wires) all.push_back(wire.id);
    for (const core::OwnStep& step : job.ownSteps) all.push_back(step.id);
    return all;
}

/// A letter and a number that was given out; a later id never meets an earlier one then.
bool given(const std::string& id, int lastId) {
    int number = 0;
    const char* end = id.data() + id.size();
    const auto [at, error] = std::from_chars(id.data() + 1, end, number);
    return id[0] >= 'A' && id[0] <= 'Z' && at == end && error == std::errc() && number > 0 &&
           number <= lastId;
}

bool hasUnit(const core::Job& job, const std::optional<core::Fitted>& fitted) {
    return !fitted || std::any_of(job.units.begin(), job.units.end(),
                                  [&](const core::Unit& unit) { return unit.id == fitted->unit; });
}

bool spotsOnUnits(const core::Job& job) {
    return std::all_of(
        job.intake.spots.begin(), job.intake.spots.end(), [&](const core::Spot& spot) {
            return std::any_of(job.units.begin(), job.units.end(),
                               [&](const core::Unit& unit) { return unit.id == spot.unit; });
        });
}

bool lampsInUnits(const core::Job& job) {
    for (const core::LampGroup& group : job.groups) {
        for (const core::LampRow& row : group.rows) {
            for (const core::Lamp& lamp : row.lamps) {
                if (!hasUnit(job, lamp.fitted)) return false;
            }
        }
    }
    return true;
}

/// Where the job is judged otherwise than its house; they stand among the job's own fields.
template <class Io, class Self>
void ownRuleFields(Io& io, Self& own) {
    io("rule", own.rule, Maybe);
    io("close_margin", own.closeMargin, Maybe, within(0, 0.9));
    io("rectifier_assumed", own.rectifier, Maybe, from0To(5));
    io("bridge_assumed", own.bridge, Maybe, from0To(5));
    io("switch_assumed", own.outputSwitch, Maybe, from0To(5));
    io("supply_spread", own.supplySpread, Maybe, within(0, 0.5));
    io("drawers", own.drawers, Maybe);
    io("meter_tolerance", own.meterTolerance, Maybe, within(0, 0.1));
    io("mains", own.mains, Maybe);
    schoolFields(io, own);
}

/// What was done from the wiring to the hand-over; it stands among the job's own fields.
template <class Io, class Self>
void lineFields(Io& io, Self& job) {
    io("steps", job.steps, Maybe, members(0, 1000));
    io("own_steps", job.ownSteps, Maybe, members(0, 500));
    io("pairs", job.pairs, Maybe, members(0, 5000));
    io("powered", job.powered, Maybe, members(0, 2000));
    io("swapped", job.swapped, Maybe, members(0, 500));
    io("settings", job.settings, Maybe);
    io("run_in", job.runIn, Maybe);
    io("hand_over", job.handOver, Maybe);
    io.unique("steps", job.steps, "step", [](const auto& step) { return step.step; });
    io.unique("powered", job.powered, "step", [](const auto& seen) { return seen.step; });
}

template <class Io, class Self>
void jobFields(Io& io, Self& job) {
    io.constant("format", "glimmet-job");
    io.constant("version", jobFormatVersion);
    io("name", job.name, Required, characters(400, 1));
    io("owner", job.owner, Maybe);
    io("wish", job.wish, Maybe, longNote);
    io("scale", job.scale);
    io("feed", job.feed);
    io("supply", job.supply, Maybe);
    io("last_id", job.lastId, Required, from0To(1e9));
    io("units", job.units, Required, members(1, 100));
    io("couplings", job.couplings, Maybe, members(0, 99));
    io("intake", job.intake, Maybe);
    io("proof", job.proof, Maybe);
    io("board", job.board, Maybe);
    io("wanted", job.wanted, Maybe);
    io("controller", job.controller, Maybe);
    io("decoder", job.decoder, Maybe);
    io("bank", job.bank, Maybe);
    io("items", job.items, Maybe, members(0, 200));
    io("factory_lamps", job.factoryLamps, Maybe, members(0, 200));
    io("wires", job.wires, Maybe, members(0, 2000));
    io("functions", job.functions, Maybe, members(0, 200));
    io("empty_pads", job.pads, Maybe, members(0, 20));
    io("layout", job.layout, Maybe);
    io("groups", job.groups, Maybe, members(0, 1000));
    lineFields(io, job);
    ownRuleFields(io, job.own);
    io("judged_with", job.judgedWith, Maybe);
    io("notes", job.notes, Maybe);
    io("times", job.times, Maybe);

    io.unique("empty_pads", job.pads, "name", [](const auto& pads) { return pads.name; });
    io.unique("groups", job.groups, "name", [](const auto& group) { return group.name; });
    io.holds(
        "couplings", [&] { return job.couplings.size() + 1 == job.units.size(); },
        "a list that does not fit the units", "one coupling between each unit and the next");
    io.holds(
        "last_id",
        [&] {
            std::vector<std::string> ids = idsOf(job);
            const bool each = std::all_of(ids.begin(), ids.end(), [&](const std::string& id) {
                return given(id, job.lastId);
            });
            std::sort(ids.begin(), ids.end());
            return each && std::adjacent_find(ids.begin(), ids.end()) == ids.end();
        },
        "ids that were not given out so", "each id once: a letter and a number up to last_id");
    io.holds(
        "groups", [&] { return lampsInUnits(job); }, "a lamp in no unit",
        "the id of a unit in fitted/unit");
    io.holds(
        "intake", [&] { return spotsOnUnits(job); }, "a spot on no unit",
        "the id of a unit in unit");
    io.holds(
        "items",
        [&] {
            return std::all_of(job.items.begin(), job.items.end(),
                               [&](const auto& item) { return hasUnit(job, item.placement); });
        },
        "a seat in no unit", "the id of a unit in seat/unit");
    io.unique("factory_lamps", job.factoryLamps, "name",
              [](const auto& lamp) { return lamp.name; });
    io.holds(
        "factory_lamps",
        [&] {
            return std::all_of(job.factoryLamps.begin(), job.factoryLamps.end(),
                               [&](const auto& lamp) { return hasUnit(job, lamp.fitted); });
        },
        "a lamp in no unit", "the id of a unit in fitted/unit");
    io.holds(
        "decoder", [&] { return !job.decoder || hasUnit(job, job.decoder->placement); },
        "a seat in no unit", "the id of a unit in seat/unit");
    io.holds(
        "bank", [&] { return !job.bank || hasUnit(job, job.bank->placement); }, "a seat in no unit",
        "the id of a unit in seat/unit");
}

}  // namespace

GLIMMET_FIELDS(core::Scale, scaleFields)
GLIMMET_FIELDS(core::Note, noteFields)
GLIMMET_FIELDS(core::TimeSpent, timeFields)
GLIMMET_FIELDS(core::Job, jobFields)

}  // namespace glimmet::store
