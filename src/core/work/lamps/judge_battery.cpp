#include "core/work/lamps/judge_battery.h"

#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/power/battery.h"
#include "core/quantity/format.h"
#include "core/work/lamps/row_verdict.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

double hoursOf(const BatteryPack& pack, Amperes load) { return runTime(pack, load).value() / 3600; }

constexpr double fewHours = 2, forAges = 1000;

/// Which of the usual batteries gives volts that no 9 V block gives, with how long each lasts.
std::vector<Option> batteriesOf(Volts volts, Amperes load) {
    std::vector<Option> all;
    const auto add = [&](Text what, const BatteryPack& pack, std::string jot) {
        const double hours = hoursOf(pack, load);
        all.push_back(answer(std::move(what),
                             hours > forAges
                                 ? text("lasts for months")
                                 : text("lasts about %1 h", formatted(hours, Dimension::Ratio, 2)),
                             hours < fewHours ? State::Close : State::Fine, std::move(jot)));
    };
    const double cells = std::round(volts.value() / 1.5);
    constexpr AmpereHours penCell{2.5};
    // A fresh one gives up to 1.65 V: 3.7 V are of another kind.
    if (cells < 1 || cells > 8 || volts > Volts{1.65} * cells) return all;
    const int count = static_cast<int>(cells);
    add(count == 1 ? text("one alkaline pen cell")
                   : text("%1 alkaline pen cells", std::to_string(count)),
        {Chemistry::Alkaline, count, penCell},
        "battery " + std::to_string(count) + " alkaline " + formatted(penCell));
    if (count == 2) add(text("a coin cell"), coinCell(), "battery coin");
    return all;
}

/// Whether a lamp without a resistor asks which battery it is already.
bool asksForBattery(const JobAnalysis& facts) {
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        for (std::size_t r = 0; facts.groups[g] && r < group.rows.size(); ++r) {
            const RowVerdict alone = rowVerdict(facts.groups[g]->rows[r], group);
            if (onItsCell(facts.job, group, r, alone).trouble == RowTrouble::WhichBattery)
                return true;
        }
    }
    return false;
}

}  // namespace

void judgeBattery(const JobAnalysis& facts, Judging& judging) {
    // Where a motor runs on it too, that is judged with the decoder.
    if (facts.job.feed != Feed::BatteryRadio || !motorsOf(facts.job).empty()) return;
    const auto& known = facts.job.supply.pack;
    const BatteryPack pack = known.value_or(nineVoltBlock());
    Amperes all{0};
    for (const auto& state : facts.groups) {
        if (state) all += state->total;
    }
    if (!(all > Amperes{0}) || asksForBattery(facts)) return;
    const auto& read = facts.job.supply.volts;
    if (!known && read && (read->value < Volts{6} || read->value > Volts{10.5})) {
        const std::vector<Option> which = batteriesOf(read->value, all);
        const bool matters =
            which.empty() || std::any_of(which.begin(), which.end(), [](const Option& one) {
                return one.state != State::Fine;
            });
        const State verdict = matters ? State::Ask : State::Fine;
        judging.say("lamp.battery", {}, verdict, Gravity::WorksBadly, [&](Finding& finding) {
            finding.options = which;
            if (!matters) {
                finding.sentence =
                    text("Any usual battery of %1 lights the lamps for at least %2 h: %3 in all.",
                         formatted(read->value, 3), formatted(fewHours, Dimension::Ratio),
                         formatted(all, 3));
                return;
            }
            finding.sentence = text(
                "Which battery gives %1? How long it lights the lamps, %2 in "
                "all, hangs on it.",
                formatted(read->value, 3), formatted(all, 3));
            finding.action = text("say which battery it is");
        });
        return;
    }
    const double hours = hoursOf(pack, all);
    const Volts sag = all * voltsOf(pack).inside;
    const Volts volts = trackVolts(facts.job);
    const State state = sag > volts * 0.3  ? State::Over
                        : hours < fewHours ? State::Close
                                           : State::Fine;
    judging.say("lamp.battery", {}, state, Gravity::WorksBadly, [&](Finding& finding) {
        const std::string lasts = formatted(hours, Dimension::Ratio, 2);
        finding.sentence =
            state == State::Over ? text("The battery cannot feed them: %1 pull it down by %2.",
                                        formatted(all, 3), formatted(sag, 2))
            : state == State::Close
                ? text("With every lamp lit %1 lasts %2 h: %3 in all.",
                       known ? text("the battery") : text("a 9 V block"), lasts, formatted(all, 3))
            : hours > forAges ? text("With every lamp lit %1 lasts for months.",
                                     known ? text("the battery") : text("a 9 V block"))
                              : text("With every lamp lit %1 lasts about %2 h.",
                                     known ? text("the battery") : text("a 9 V block"), lasts);
        if (state != State::Fine)
            finding.action = text("dimmer or fewer lamps, or a larger battery");
        finding.figures = {figures::computed(text("All lamps lit"), "I_lamps", all, "", {}),
                           known ? figures::chosen(text("Battery, printed on it"), "Q",
                                                   pack.capacity, {}, "battery ")
                                 : figures::assumed(text("A 9 V block gives"), "Q", pack.capacity,
                                                    text("usual for a fresh one"), "battery ")};
    });
}

}  // namespace glimmet::core::lamps
