#include "core/analysis/stay_alive/places.h"

#include "core/analysis/circuits_across.h"
#include "core/quantity/format.h"
#include "core/track/dirt.h"
#include "core/track/trackwork.h"

#include <algorithm>

namespace glimmet::core::stay_alive {
namespace {

bool onThirdRail(const Job& job) { return job.feed == Feed::ThreeRailDigital; }

/// What of a dead rail the job's collectors can lose: nothing where that rail is none of its poles.
std::optional<Rails> pole(const Job& job, Rails rail) {
    if (!onThirdRail(job)) return rail == Rails::Middle ? std::nullopt : std::optional(rail);
    if (rail == Rails::Middle) return Rails::Left;
    // One outer rail alone is made up for by the other.
    return rail == Rails::Both ? std::optional(Rails::Right) : std::nullopt;
}

/// Every way, with its front and with its rear end first.
void addPassages(Place& place, const std::vector<Way>& ways) {
    for (const bool backwards : {false, true}) {
        for (const Way& way : ways) {
            place.passages.push_back(
                {ways.size() > 1 ? text(way.name) : Text(), backwards, way.dead});
        }
    }
}

std::vector<Way> oneWay(std::optional<Rails> rail, Millimetres length) {
    if (!rail) return {Way{"", {}}};
    return {Way{"", {DeadLength{*rail, Millimetres{0}, length}}}};
}

Place placeOf(const Job& job, const DeadSpot& spot) {
    Place place;
    place.measured = spot.length.has_value();
    if (spot.number > 0) {
        const std::string number = formatted(spot.number, Dimension::Ratio);
        const std::string kind =
            spot.work == Trackwork::Points ? "" : " " + std::string(name(spot.work));
        place.name = "points 1:" + number + kind;
        place.length = spot.length.value_or(usualFrog(spot.number, job.scale.ratio));
        place.words = text("the dead %1 of points 1:%2", formatted(place.length, 3), number + kind);
        if (spot.work == Trackwork::Crossing || spot.work == Trackwork::DoubleSlip) {
            place.words = text("a %1 1:%2 with %3 of each frog dead", std::string(name(spot.work)),
                               number, formatted(place.length, 3));
        }
        // On a third rail a frog is of one pole with both rails beside it: what a ruler finds dead
        // there is the middle.
        addPassages(place, !onThirdRail(job)
                               ? waysThrough(spot.work, spot.number, job.scale.ratio, place.length)
                           : spot.length ? oneWay(Rails::Left, place.length)
                                         : oneWay({}, {}));
        return place;
    }
    const std::string rail(name(spot.rail));
    place.length = *spot.length;
    place.name = "gap " + rail + " " + formatted(place.length, 3);
    place.words = spot.rail == Rails::Both
                      ? text("a gap of %1 in both rails", formatted(place.length, 3))
                      : text("a gap of %1 in the %2 rail", formatted(place.length, 3), rail);
    addPassages(place, oneWay(pole(job, spot.rail), place.length));
    return place;
}

}  // namespace

Creep creep(const Job& job) { return {job.layout.kmh.value_or(usualKmh), !job.layout.kmh}; }

MetresPerSecond creepSpeed(const Job& job) {
    return modelSpeed(KilometresPerHour{creep(job).kmh}, job.scale.ratio);
}

Text words(const Passage& passage) {
    const Text direction = passage.backwards ? text("backwards") : text("forwards");
    return passage.way.empty() ? direction : text("%1, %2", direction, passage.way);
}

std::vector<Place> places(const Job& job) {
    std::vector<Place> all;
    for (const DeadSpot& spot : job.layout.spots) all.push_back(placeOf(job, spot));
    std::stable_sort(all.begin(), all.end(),
                     [](const Place& a, const Place& b) { return a.length > b.length; });
    if (all.empty()) {
        Place usual = placeOf(job, {usualNumber, {}, {}, {}});
        usual.name = "points";
        usual.words = onThirdRail(job)
                          ? text("points, whose frogs are of one pole with the outer rails,")
                          : text("an insulated frog of %1", formatted(usual.length, 3));
        all.push_back(std::move(usual));
    }
    return all;
}

int axlesBefore(const Job& job) {
    int count = 0;
    for (std::size_t i = 0; i < ledTogether(job).first; ++i) {
        count += static_cast<int>(job.units[i].body.axles.size());
    }
    return count;
}

std::vector<CollectingAxle> collectingAxles(const Job& job, int added) {
    std::vector<CollectingAxle> axles;
    const auto [first, last] = ledTogether(job);
    int number = axlesBefore(job);
    for (std::size_t i = first; i <= last; ++i) {
        const Unit& unit = job.units[i];
        for (const Axle& axle : unit.body.axles) {
            const bool both = ++number == added;
            const bool left = axle.collectsLeft || both, right = axle.collectsRight || both;
            const Millimetres x = startOf(job, i) + axle.x;
            if (onThirdRail(job))
                axles.push_back({x, false, left || right});
            else
                axles.push_back({x, left, right});
        }
        if (!onThirdRail(job)) continue;
        for (const Collector& collector : unit.collectors) {
            if (collector.pole != Pole::Centre) continue;
            axles.push_back({startOf(job, i) + collector.x, true, false, collector.length});
        }
    }
    return axles;
}

std::vector<CollectingAxle> rearFirst(std::vector<CollectingAxle> axles) {
    Millimetres last{0};
    for (const CollectingAxle& axle : axles) last = std::max(last, axle.x);
    for (CollectingAxle& axle : axles) axle.x = last - axle.x;
    return axles;
}

Result<std::vector<Outage>> outagesOn(const std::vector<CollectingAxle>& axles,
                                      const Passage& passage) {
    return outages(passage.backwards ? rearFirst(axles) : axles, passage.dead);
}

std::optional<LongestDead> longestDead(const Job& job) {
    const std::vector<CollectingAxle> axles = collectingAxles(job);
    const MetresPerSecond speed = creepSpeed(job);
    std::optional<LongestDead> longest;
    for (const Place& place : places(job)) {
        Millimetres most{0};
        for (const Passage& passage : place.passages) {
            if (passage.backwards) break;  // the same lengths in the other order
            const auto found = outagesOn(axles, passage);
            if (!found) return {};
            for (const Outage& outage : *found) most = std::max(most, outage.length());
        }
        const Seconds time{Metres{most} / speed};
        if (!longest || time > longest->time) longest = LongestDead{time, place};
    }
    return longest;
}

std::optional<Millimetres> lengthOnOneWheel(const std::vector<CollectingAxle>& axles,
                                            const Place& place) {
    Millimetres longest{0};
    for (const Passage& passage : place.passages) {
        if (passage.backwards) break;  // the same lengths in the other order
        const auto without = outagesOn(axles, passage);
        if (!without || !without->empty()) return {};
        for (const Rails side : {Rails::Left, Rails::Right})
            longest = std::max(longest, core::onOneWheel(axles, passage.dead, side));
    }
    return longest;
}

std::optional<OnOneWheel> onOneWheel(const Job& job, const Place& place,
                                     std::optional<Seconds> carried) {
    if (!job.layout.dirt || !(job.layout.dirt->stuttersPerMetre > 0)) return {};
    const std::vector<CollectingAxle> axles = collectingAxles(job);
    int left = 0, right = 0;
    for (const CollectingAxle& axle : axles) {
        left += axle.left ? 1 : 0;
        right += axle.right ? 1 : 0;
    }
    if (left == 0 || right == 0) return {};
    const auto length = lengthOnOneWheel(axles, place);
    if (!length || !(*length > Millimetres{0})) return {};
    OnOneWheel made{*length, 0};
    const double off = wheelOff(job.layout.dirt->stuttersPerMetre, left, right);
    const double all = stuttersOnOneWheel(off, made.length);
    made.stutters = carried ? stuttersLeft(all, creepSpeed(job), *carried) : 0;
    return made;
}

}  // namespace glimmet::core::stay_alive
