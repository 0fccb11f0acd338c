// What a booster carries, at work and at power-up.
#include "core/house/district/district.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::district {
namespace {

constexpr double derate = 0.8;  // docs/physics.md

/// How many more like the largest there is room for.
std::string roomFor(const Shown& shown) {
    Amperes largest{0};
    for (const DistrictVehicle& each : shown.district.vehicles) {
        if (each.name.empty()) continue;
        largest = std::max(largest, forLong(each));
    }
    if (!(largest > Amperes{0})) return {};
    return std::to_string(
        std::max(0, static_cast<int>(std::floor((shown.load.room / largest).value() + 1e-9))));
}

void sayLoad(const Shown& shown, Judging& judging) {
    const Amperes most = usable(shown.district);
    const State running =
        stateAgainst(shown.load.running.value(), most.value(), districtCloseAbove);
    const State worst =
        stateAgainst(shown.load.worst.value(), shown.district.trip.value(), districtCloseAbove);
    // A slip is over in a moment: it trips, or it does not.
    const State state = worse(running, worst == State::Over ? State::Close : State::Fine);
    judging.say(
        "district.load:" + shown.name, {shown.name, shown.name}, state, Gravity::WorksBadly,
        [&](Finding& finding) {
            const std::string now = formatted(shown.load.running, 3), to = formatted(most, 3);
            const std::string more = roomFor(shown);
            finding.sentence =
                running == State::Over
                    ? text(
                          "%1 carries too much: %2 for long, and of a booster of %3 no more than "
                          "%4 should be taken.",
                          shown.name, now, formatted(shown.district.rating), to)
                : state == State::Fine
                    ? more.empty() ? text("%1 carries %2 of %3 for long.", shown.name, now, to)
                                   : text(
                                         "%1 carries %2 of %3 for long. Room for %4 more like the "
                                         "largest.",
                                         shown.name, now, to, more)
                : running == State::Fine
                    ? text(
                          "%1 carries %2 for long; with the strongest slipping %3, and it trips "
                          "at %4.",
                          shown.name, now, formatted(shown.load.worst, 3),
                          formatted(shown.district.trip))
                    : text("%1 carries %2 of %3 for long: close.", shown.name, now, to);
            if (state != State::Fine) finding.action = text("fewer models on %1", shown.name);
            std::vector<Figure> parts;
            std::string formula;
            for (const DistrictVehicle& each : shown.district.vehicles) {
                const bool read = std::find(shown.unread.begin(), shown.unread.end(), each.name) ==
                                  shown.unread.end();
                const std::string symbol = "I_" + std::to_string(parts.size() + 1);
                const Amperes takes = forLong(each);
                const Text name =
                    each.name.empty() ? text("Lamps on the track") : verbatim(each.name);
                parts.push_back(read ? figures::computed(name, symbol, takes, "", {})
                                     : figures::assumed(name, symbol, takes,
                                                        text("usual for its kind of motor")));
                formula += (formula.empty() ? "" : " + ") + symbol;
            }
            finding.figures = {figures::computed(text("For long"), "I_all", shown.load.running,
                                                 formula, std::move(parts)),
                               figures::computed(text("With the strongest slipping"), "I_worst",
                                                 shown.load.worst, "", {}),
                               figures::chosen(text("Booster"), "I_booster", shown.district.rating,
                                               text("four fifths of it are used"), "district ")};
            if (state == State::Fine) return;
            for (const DistrictVehicle& each : shown.district.vehicles) {
                if (each.name.empty()) continue;
                Option option;
                option.what = text("Take %1 off", each.name);
                option.effect = text("%1 less", formatted(forLong(each), 3));
                option.state = State::Fine;
                option.jot = "runs " + each.name + " nowhere";
                finding.options.push_back(std::move(option));
            }
        });
}

void saySurge(const Shown& shown, Judging& judging) {
    const State state =
        stateAgainst(shown.load.surge.value(), shown.district.trip.value(), districtCloseAbove);
    if (!(shown.load.surge > Amperes{0})) return;
    judging.say(
        "district.surge:" + shown.name, {shown.name, shown.name}, state, Gravity::DoesNotWork,
        [&](Finding& finding) {
            const std::string surge = formatted(shown.load.surge, 3);
            const std::string trip = formatted(shown.district.trip);
            finding.sentence =
                state == State::Over
                    ? text(
                          "%1 does not come up: at power-up its stay-alives and lamps take %2, and "
                          "it trips at %3.",
                          shown.name, surge, trip)
                    : text("%1 at power-up: %2 of the %3 where it trips.", shown.name, surge, trip);
            finding.figures = {
                figures::computed(text("At power-up"), "I_surge", shown.load.surge, "", {}),
                figures::chosen(text("Trips at"), "I_trip", shown.district.trip, {}, "district ")};
            if (state == State::Fine) return;
            const DistrictVehicle* worst = nullptr;
            for (const DistrictVehicle& each : shown.district.vehicles) {
                if (!worst || each.charging > worst->charging) worst = &each;
            }
            if (worst && worst->charging > Amperes{0}) {
                finding.action = text("a larger charge resistor in %1", worst->name);
            }
        });
}

}  // namespace

bool applies(const WorkshopRecord&) { return true; }
Idle idle(const WorkshopRecord& workshop) {
    return {workshop.districts.empty() ? text("none yet") : Text{}, true};
}

std::vector<Shown> districtsOf(const WorkshopFacts& facts) {
    std::vector<Shown> all;
    for (const PowerDistrict& each : facts.workshop.districts) {
        Shown shown;
        shown.name = each.name;
        shown.district.rating = each.rating;
        shown.district.trip = each.trip;
        shown.district.derate = derate;
        for (const DistrictModel& model : each.models) {
            const auto found =
                std::find_if(facts.loads.begin(), facts.loads.end(),
                             [&](const JobSummary& summary) { return summary.job == model.job; });
            if (found == facts.loads.end()) continue;  // taken off the shelf
            shown.district.vehicles.push_back(found->load);
            if (!found->read) shown.unread.push_back(found->load.name);
        }
        if (each.lamps > Amperes{0}) {
            shown.district.vehicles.push_back({"", {}, {}, each.lamps, {}, {}});
        }
        shown.load = loadOf(shown.district);
        all.push_back(std::move(shown));
    }
    return all;
}

void judge(const WorkshopFacts& facts, Judging& judging) {
    for (const Shown& shown : districtsOf(facts)) {
        sayLoad(shown, judging);
        saySurge(shown, judging);
    }
}

}  // namespace glimmet::core::district
