// Whether the wheels that collect bridge what the track leaves dead, and where another collector
// would help most: that comes before any capacitor.
#include "core/work/measure/judge_pickups.h"

#include "core/analysis/complaints.h"
#include "core/analysis/wiring/pickups.h"
#include "core/finding/answer.h"
#include "core/quantity/format.h"
#include "core/work/measure/measure.h"

#include <algorithm>

namespace glimmet::core::measure {
namespace {

Text railWords(bool left) { return left ? text("left") : text("right"); }

/// Collectors that could be added on a side, those that bridge most first.
std::vector<Option> additions(const std::vector<PickupAxle>& axles, bool left) {
    struct Addition {
        const PickupAxle* axle;
        Millimetres bridges;
    };
    std::vector<Addition> all;
    for (const PickupAxle& axle : axles) {
        if (left ? axle.left : axle.right) continue;
        std::vector<PickupAxle> with = axles;
        PickupAxle& changed = with[static_cast<std::size_t>(&axle - axles.data())];
        (left ? changed.left : changed.right) = true;
        all.push_back({&axle, *bridged(with, left)});
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const Addition& a, const Addition& b) { return a.bridges > b.bridges; });
    std::vector<Option> options;
    for (const Addition& each : all) {
        if (options.size() >= 3) break;
        Option option;
        option.what =
            text("A collector at axle %1, %2", std::to_string(each.axle->number), railWords(left));
        option.effect = text("bridges %1 of dead rail there", formatted(each.bridges, 3));
        option.state = each.bridges > Millimetres{0} ? State::Fine : State::Close;
        const bool both = left ? each.axle->right : each.axle->left;
        option.jot = "axle " + std::to_string(each.axle->number) +
                     (both   ? " both"
                      : left ? " left"
                             : " right");
        options.push_back(std::move(option));
    }
    return options;
}

/// Of a middle conductor the wheels say nothing: a slider or rollers reach it, and both running
/// rails together are the other pole.
void judgeMiddle(const Job& job, Judging& judging) {
    const std::vector<PickupAxle> axles = pickupAxles(job);
    const bool outer = std::any_of(axles.begin(), axles.end(),
                                   [](const PickupAxle& axle) { return axle.left || axle.right; });
    if (!outer && !axles.empty()) {
        judging.say("pickup.outer", {}, State::Over, Gravity::DoesNotWork, [&](Finding& finding) {
            finding.sentence =
                text("No wheel collects from the running rails: the way back is missing.");
            finding.action = text("find a wheel that collects");
        });
    }
    const auto bridges = bridgedInTheMiddle(job);
    // What a roller covers by itself is less than any dead spot.
    constexpr Millimetres roller{5};
    const State state = !bridges ? State::Ask : *bridges > roller ? State::Fine : State::Close;
    judging.say("pickup.middle", {}, state, Gravity::DoesNotWork, [&](Finding& finding) {
        const Unit& unit = job.units.front();
        const auto offer = [&](const char* kind, Millimetres x, Text effect, Option::Kind answer) {
            Option option;
            option.what = text("A %1 at %2", kind, formatted(x, 3));
            option.effect = std::move(effect);
            option.state = State::Fine;
            option.jot = std::string("collector ") + kind + " " + formatted(x, 4);
            option.kind = answer;
            finding.options.push_back(std::move(option));
        };
        if (!bridges) {
            finding.sentence = text(
                "What collects from the middle is not known: say where its slider or its rollers "
                "stand, from the front.");
            finding.action = text("say where the slider stands");
            offer("slider", unit.body.length / 2.0, text("as most of them have it"),
                  Option::Kind::Answer);
            return;
        }
        finding.figures = {figures::computed(text("Bridged in the middle"), "d_middle", *bridges,
                                             "x_last − x_first", {})};
        if (state == State::Fine) {
            finding.sentence =
                text("In the middle %1 of dead conductor is bridged.", formatted(*bridges, 3));
            return;
        }
        finding.sentence = text(
            "The middle hangs on one roller: any dead spot stops it. Add a second one before a "
            "capacitor is spoken of.");
        finding.action = text("add a roller or a slider");
        // As far from the one that is there as an axle lets it be.
        Millimetres there{0};
        for (const Collector& each : unit.collectors) {
            if (each.pole == Pole::Centre) there = each.x;
        }
        Millimetres far = there;
        for (const Axle& axle : unit.body.axles) {
            if (units::math::abs(axle.x - there) > units::math::abs(far - there)) far = axle.x;
        }
        if (units::math::abs(far - there) > roller) {
            offer("roller", far, text("bridges %1", formatted(units::math::abs(far - there), 3)),
                  Option::Kind::Remedy);
        }
    });
}

}  // namespace

void judgePickups(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    if (job.feed == Feed::ThreeRailDigital && !isStructure(job)) {
        judgeMiddle(job, judging);
        return;
    }
    if (isStructure(job) || (job.feed != Feed::TwoRailDcc && job.feed != Feed::PlainDc)) return;
    const std::vector<PickupAxle> axles = pickupAxles(job);
    if (axles.empty()) return;
    const auto left = bridged(axles, true);
    const auto right = bridged(axles, false);
    const auto stateOf = [](const std::optional<Millimetres>& bridges) {
        return !bridges ? State::Over : *bridges > Millimetres{0} ? State::Fine : State::Close;
    };
    const bool looked =
        std::any_of(axles.begin(), axles.end(), [](const PickupAxle& axle) { return axle.looked; });
    const State drawn = worse(stateOf(left), stateOf(right));
    // Where it is said to stall, wheels as drawn answer nothing.
    const bool asked = !looked && complainsOfStalls(job);
    const State state = asked ? State::Ask : drawn;
    judging.say("pickup.sides", {}, state, Gravity::DoesNotWork, [&](Finding& finding) {
        const bool poorLeft = stateOf(left) >= stateOf(right);
        const auto count = [&](bool side) {
            return std::to_string(std::count_if(
                axles.begin(), axles.end(),
                [&](const PickupAxle& axle) { return side ? axle.left : axle.right; }));
        };
        const Text gap = left && right ? verbatim(formatted(std::min(*left, *right), 3)) : Text();
        if (asked) {
            finding.sentence = text(
                "Which wheels pick up? It is said to stall, and nobody has looked. Meter from each "
                "wheel to its lead, or try axle by axle.");
            finding.action = text("meter each wheel to its lead");
            finding.options = {answer(text("Every wheel picks up"),
                                      text("then dirt or a loose wire is next"), State::Fine,
                                      "pickup all collects")};
        } else if (state == State::Over) {
            finding.sentence = text("No wheel collects from the %1 rail.", railWords(poorLeft));
            finding.action = text("add a collector on the %1", railWords(poorLeft));
        } else if (state == State::Close) {
            finding.sentence = text(
                "The %1 side hangs on one axle: any dead rail stops it. Add a collector before a "
                "capacitor is spoken of.",
                railWords(poorLeft));
            finding.action = text("add a collector on the %1", railWords(poorLeft));
        } else if (!looked) {
            finding.sentence = text(
                "As drawn, %1 axles pick up on the left, %2 on the right: they would bridge %3 of "
                "dead rail. Nobody has looked at this model.",
                count(true), count(false), gap);
        } else {
            finding.sentence = text(
                "%1 axles pick up on the left, %2 on the right: they bridge up to %3 of dead rail.",
                count(true), count(false), gap);
        }
        for (const bool side : {true, false}) {
            const auto& bridges = side ? left : right;
            if (!bridges) continue;
            Text name = side ? text("Bridged on the left") : text("Bridged on the right");
            const char* symbol = side ? "d_left" : "d_right";
            finding.figures.push_back(
                looked
                    ? figures::computed(std::move(name), symbol, *bridges, "x_last − x_first", {})
                    : figures::assumed(std::move(name), symbol, *bridges, text("pickups as drawn"),
                                       "pickup "));
        }
        if (state != State::Fine && !asked) finding.options = additions(axles, poorLeft);
    });
}

}  // namespace glimmet::core::measure
