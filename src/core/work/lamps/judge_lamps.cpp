// Checks of the lamp circuits.
#include "core/analysis/lamp_groups.h"
#include "core/analysis/lamps/row_names.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/led/resistor_package.h"
#include "core/power/battery.h"
#include "core/quantity/format.h"
#include "core/work/lamps/judge_bulbs.h"
#include "core/work/lamps/judge_driver.h"
#include "core/work/lamps/judge_feed.h"
#include "core/work/lamps/judge_installed.h"
#include "core/work/lamps/judge_package.h"
#include "core/work/lamps/judge_part.h"
#include "core/work/lamps/judge_path.h"
#include "core/work/lamps/judge_supply.h"
#include "core/work/lamps/judge_tested.h"
#include "core/work/lamps/lamps.h"
#include "core/work/lamps/less_current.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace glimmet::core::lamps {
namespace {

/// A resistance as a jot line takes it: no space, no sign that a keyboard lacks.
std::string jotOhms(Ohms resistance) {
    std::string words = formattedExactly(resistance);
    words.erase(words.find(' '), 1);
    words.erase(words.find("Ω"));
    return words.back() >= '0' && words.back() <= '9' ? words + "R" : words;
}

/// Rows that are all alike are given their resistors in one line: what is right for one is right
/// for each.
bool allAlike(const LampGroup& group) {
    return std::all_of(group.rows.begin(), group.rows.end(),
                       [&](const LampRow& row) { return alike(row, group.rows.front()); });
}

Text effectWords(const LampGroup& group, Amperes mean) {
    return text("%1, %2", formatted(mean, 3), lightWords(group, mean));
}

/// Resistors for one row, or for `every` one of rows that are alike: what the policy picks first,
/// then the others by nearness to the wish, and the two rules of thumb of the trade with what they
/// really give. `board`: the output carries one of its own.
std::vector<Option> resistorOptions(const Job& job, const LampGroup& group, std::size_t row,
                                    const RowState& state, const WorkshopRules& house, bool every,
                                    bool board) {
    std::vector<Option> options;
    // A wish beyond what the lamp bears is met as far as it bears it.
    ResistorWish wish = group.wish;
    wish.target = group.atFull() / state.duty;  // at the peak
    Ohms ideal = state.ideal;
    if (wish.target > state.limit * 0.8 && ideal > Ohms{0}) {
        const double share = wish.target / (state.limit * 0.8);
        wish.target = state.limit * 0.8;
        ideal *= share;  // the volts across it stay nearly the same
    }
    const bool wired = group.rows[row].lamps.front().part.rated.has_value();  // its own is in it
    // Its own resistor beside the board's: the board's alone may do.
    const bool besideBoard = state.connected && *group.rows[row].resistor > Ohms{0} && board;
    if (!(ideal > Ohms{0}) && !wired && !besideBoard) return options;
    struct Candidate {
        Ohms value{};
        Amperes current{};
        double away{};
        bool thumb = false;
    };
    std::vector<Candidate> candidates;
    const auto add = [&](Ohms value, bool thumb) {
        if (value > Ohms{0} && value < Ohms{1}) return;  // no line takes it, no drawer has it
        const bool known = std::any_of(candidates.begin(), candidates.end(),
                                       [&](const Candidate& c) { return c.value == value; });
        if (known) return;
        const auto current = every ? currentWith(job, group, row, value, house, true)
                                   : currentWith(job, group, state, row, value, house);
        if (!current) return;
        candidates.push_back(
            {value, *current,
             std::abs(std::log(std::max(relativeLight(*current, wish.target), 1e-12))), thumb});
    };
    if (ideal > Ohms{0}) {
        for (const Ohms value : preferredAround(ideal, group.wish.series, 2)) add(value, false);
    }
    if (group.rows[row].resistor) add(*group.rows[row].resistor, false);
    // What the trade knows by heart is for bare LEDs.
    if (ideal > Ohms{0} && !wired) {
        add(Ohms{1000}, true);
        add(Ohms{2200}, true);
    }
    if (wired || besideBoard) add(Ohms{0}, false);
    // None at all is no remedy where it would burn.
    std::erase_if(candidates, [&](const Candidate& each) {
        return !(each.value > Ohms{0}) && each.current > state.limit &&
               !(group.rows[row].resistor && *group.rows[row].resistor == each.value);
    });
    const auto policy = fittedResistor(ideal, wish);
    std::stable_sort(
        candidates.begin(), candidates.end(), [&](const Candidate& a, const Candidate& b) {
            const auto burns = [&](const Candidate& c) { return c.current > state.limit; };
            if (burns(a) != burns(b)) return burns(b);
            const bool aFirst = policy && a.value == *policy;
            const bool bFirst = policy && b.value == *policy;
            return aFirst != bFirst ? aFirst : a.away < b.away;
        });
    for (const Candidate& candidate : candidates) {
        Option option;
        const bool none = !(candidate.value > Ohms{0});
        option.what = none              ? text("no resistor")
                      : every           ? text("%1 for each", formatted(candidate.value))
                      : candidate.thumb ? text("%1, the rule of thumb", formatted(candidate.value))
                                        : verbatim(formatted(candidate.value));
        option.effect = effectWords(group, candidate.current * state.duty);
        option.state = stateAgainst(candidate.current.value(), state.limit.value(), lampCloseAbove);
        option.jot = "resistor " + (every ? group.name : rowName(group, row)) + " " +
                     (none ? "none" : jotOhms(candidate.value));
        option.inPlace = group.rows[row].resistor && *group.rows[row].resistor == candidate.value;
        options.push_back(std::move(option));
    }
    return options;
}

Basis lampBasis(const Lamp& lamp) {
    if (lamp.measured) return {Basis::Kind::Measured, {}, text("on this lamp")};
    if (lamp.part.forward) return {Basis::Kind::Catalogue, {}, verbatim(lamp.part.name)};
    return {Basis::Kind::Assumed, {}, text("typical %1 LED", std::string(name(lamp.part.family)))};
}

/// What the resistance that all rows share is made of.
std::vector<Figure> commonInputs(const Job& job, const LampGroup& group, const GroupState& state) {
    std::vector<Figure> inputs;
    if (state.inside > Ohms{0}) {
        inputs.push_back(figures::assumed(text("In the battery"), "R_cell", state.inside,
                                          text("usual for its cells")));
    }
    if (group.shared() > Ohms{0}) {
        inputs.push_back(figures::chosen(text("Shared resistor"), "R_shared", group.shared(),
                                         text("for %1", group.name), "shared " + group.name + " "));
    }
    const DecoderOutput* output = outputNamed(job, group.output);
    if (output && state.outputSeries > Ohms{0}) {
        inputs.push_back(
            !output->series
                ? figures::assumed(text("On the board"), "R_out", state.outputSeries,
                                   text("nobody has looked"), "output " + group.output + " ")
            : output->seriesMeasured.empty()
                ? figures::catalogue(text("On the board"), "R_out", state.outputSeries,
                                     verbatim(job.decoder->part.name))
                : figures::measured(text("On the board"), "R_out", state.outputSeries,
                                    output->seriesMeasured, {}, "output " + group.output + " "));
    }
    return inputs;
}

/// What the spread of a row's current rests on.
std::vector<Figure> spreadInputs(const Job& job, const LampGroup& group, std::size_t row,
                                 const WorkshopRules& house) {
    std::vector<Figure> inputs{spreadFigure(job, house),
                               figures::assumed(text("Resistors within"), "tolerance",
                                                resistorTolerance(group), text("usual today"))};
    const Lamp& lamp = group.rows[row].lamps.front();
    if (!lamp.measured) {
        const FamilyValues values = familyValues(lamp.part.family);
        inputs.push_back(figures::assumed(
            text("Forward volts within ±"), "V_batch",
            lamp.part.forward ? Volts{0.1} : (values.highest - values.lowest) / 2.0,
            lamp.part.forward ? text("one batch") : text("any LED of its colour")));
    }
    return inputs;
}

/// The current it is to have: somebody's, its maker's, or what is usual.
Figure targetFigure(const LampGroup& group, const char* symbol) {
    const std::string jot = "target " + group.name + " ";
    const LampPart& part = group.rows.front().lamps.front().part;
    const bool made = part.rated && part.forward && part.forward->current == group.wish.target;
    if (made) {
        return figures::catalogue(text("Target current"), symbol, group.wish.target,
                                  verbatim(part.name));
    }
    if (group.hasTarget()) {
        return figures::chosen(text("Target current"), symbol, group.wish.target,
                               text("a brightness decision"), jot);
    }
    return figures::assumed(text("Target current"), symbol, group.wish.target,
                            text("usual: nobody set one"), jot);
}

/// The current of a row with all that it rests on.
std::vector<Figure> rowFigures(const Job& job, const LampGroup& group, std::size_t row,
                               const GroupState& state, const WorkshopRules& house) {
    const RowState& made = state.rows[row];
    const LampRow& lamps = group.rows[row];
    std::vector<Figure> inputs{feedFigure(job, group, house)};
    std::string drops = inputs.front().symbol;
    if (group.output != supplyOutput) {
        inputs.push_back(switchFigure(job, house));
        drops += " − V_switch";
    }
    if (oneWayOnly(job, group)) {
        inputs.push_back(figures::assumed(text("Diode before it"), "V_diode", oneWayDrop,
                                          text("usual for silicon")));
        drops += " − V_diode";
    }
    for (std::size_t i = 0; i < lamps.lamps.size(); ++i) {
        if (lamps.lamps[i].parallel) continue;
        const std::string symbol =
            lamps.lamps.size() == 1 ? "V_led" : "V_led" + std::to_string(i + 1);
        drops += " − " + symbol;
        // Its volts at this current come out of the solver; what they rest on is its point.
        const LampPart& part = lamps.lamps[i].part;
        const ForwardPoint point = part.forward.value_or(
            ForwardPoint{familyValues(part.family).typical, Amperes{familyTestCurrent}});
        inputs.push_back(figures::computed(
            text("Across %1", part.name), symbol, made.led[i], "",
            {figures::made(text("%1 at %2", part.name, formatted(point.current)), symbol + "_0",
                           point.voltage, lampBasis(lamps.lamps[i]))}));
    }
    std::string path = "R";
    inputs.push_back(figures::chosen(text("Resistor"), "R", *lamps.resistor,
                                     text("for %1", rowName(group, row)),
                                     "resistor " + rowName(group, row) + " "));
    const Ohms common = group.shared() + state.outputSeries + state.inside;
    const auto together =
        std::count_if(group.rows.begin(), group.rows.end(),
                      [&](const LampRow& other) { return other.backwards == lamps.backwards; });
    // Without one of their own, rows that are alike share what the common resistance passes; how
    // unlike ones do is left to the solver.
    const bool own = *lamps.resistor > Ohms{0};
    const bool shares =
        !own && allAlike(group) && together == static_cast<std::ptrdiff_t>(group.rows.size());
    if (common > Ohms{0} && (together == 1 || shares)) {
        path = together == 1 ? "(R + R_common)" : "(" + std::to_string(together) + " · R_common)";
        inputs.push_back(figures::computed(text("Shared and output resistance"), "R_common", common,
                                           "", commonInputs(job, group, state)));
    } else if (common > Ohms{0}) {
        drops += " − V_common";
        inputs.push_back(figures::computed(text("Across shared and output resistance"), "V_common",
                                           state.total * common, "",
                                           commonInputs(job, group, state)));
    }
    const bool wave = state.wave != Wave::Steady;
    const std::string formula = "(" + drops + ") / " + path;
    Figure current =
        own || (common > Ohms{0} && (together == 1 || shares))
            ? figures::computed(text("Current through %1", rowName(group, row)), "I", made.current,
                                wave ? "mean(" + formula + ")" : formula, std::move(inputs))
            : figures::computed(text("Current through %1", rowName(group, row)), "I", made.current,
                                "", std::move(inputs));
    std::vector<Figure> all{std::move(current)};
    all.push_back(figures::computed(text("Spread, dimmest"), "I_min", made.lowest, "",
                                    spreadInputs(job, group, row, house)));
    all.push_back(figures::computed(text("Spread, brightest"), "I_max", made.highest, "",
                                    spreadInputs(job, group, row, house)));
    const LampPart& limiting = lamps.lamps.front().part;
    all.push_back(limiting.limit ? figures::catalogue(text("Lamp's limit"), "I_limit", made.limit,
                                                      verbatim(limiting.name))
                                 : figures::assumed(text("Lamp's limit"), "I_limit", made.limit,
                                                    text("usual for LEDs")));
    all.push_back(figures::computed(
        text("Heat in the resistor"), "P", made.resistorPower,
        wave ? "mean(I · I · R)" : "I · I · R",
        {all.front(), all.front().inputs[all.front().inputs.size() - (common > Ohms{0} ? 2 : 1)]}));
    return all;
}

constexpr Watts mostHeat{2};  // that a part in a model may give off

/// What is the matter with a row, the gravest first.
enum class RowTrouble {
    Burns,
    MayBurn,       ///< in the worst case
    WhichBattery,  ///< it burns unless its battery is a coin cell
    CoinCell,      ///< only the cell's own resistance keeps it from burning
    TooHot,
    SupplyTooLow,
    Dark,
    NoResistor,
    NearLimit,
    TooDim,
    MayBeDark,  ///< in the lowest corner
    Turned,     ///< the other way round where the volts never turn
    TooBright,
    None,
};

struct RowVerdict {
    RowTrouble trouble{};
    State state{};
    Gravity gravity{};
};
RowVerdict rowVerdict(const RowState& made, const LampGroup& group) {
    const Amperes wished = group.atFull();
    const Amperes glimmers = group.hasTarget() ? glimmersBelow(wished) : glowCurrent;
    if (made.connected && made.current > made.limit) {
        return {RowTrouble::Burns, State::Over, Gravity::PartDestroyed};
    }
    if (made.connected && made.highest > made.limit) {
        return {RowTrouble::MayBurn, State::Over, Gravity::PartDestroyed};
    }
    if (made.connected && made.resistorPower > mostHeat) {
        return {RowTrouble::TooHot, State::Over, Gravity::FirePeople};
    }
    // The wish cannot be had; what shines all the same is too dim, not dark.
    if (!(made.ideal > Ohms{0}) && !(made.connected && made.current >= glimmers)) {
        return {RowTrouble::SupplyTooLow, State::Over, Gravity::DoesNotWork};
    }
    if (!made.connected) return {RowTrouble::NoResistor, State::Ask, Gravity::DoesNotWork};
    if (made.current < darkBelow(wished)) {
        return {RowTrouble::Dark, State::Over, Gravity::DoesNotWork};
    }
    if (made.highest > made.limit * lampCloseAbove) {
        return {RowTrouble::NearLimit, State::Close, Gravity::PartDestroyed};
    }
    const double light = relativeLight(made.current * made.duty, wished);
    if (group.hasTarget() && light < 0.5) {
        return {RowTrouble::TooDim, State::Close, Gravity::WorksBadly};
    }
    if (made.lowest < glimmers) {
        return {RowTrouble::MayBeDark, State::Close, Gravity::WorksBadly};
    }
    if (group.hasTarget() && light > 4.0) {
        return {RowTrouble::TooBright, State::Close, Gravity::CouldBeBetter};
    }
    return {RowTrouble::None, State::Fine, Gravity::CouldBeBetter};
}

/// A coin cell's own resistance lets a lamp without a resistor live, as on a tester.
RowVerdict onItsCell(const Job& job, const LampGroup& group, std::size_t row, RowVerdict verdict) {
    const bool burns =
        verdict.trouble == RowTrouble::Burns || verdict.trouble == RowTrouble::MayBurn;
    const bool bare = group.shared() == Ohms{0} && !group.driver() &&
                      group.rows[row].resistor.value_or(Ohms{0}) == Ohms{0};
    if (!burns || !bare || job.feed != Feed::BatteryRadio || group.output != supplyOutput ||
        !motorsOf(job).empty()) {
        return verdict;
    }
    const auto& pack = job.supply.pack;
    if (pack && pack->chemistry == Chemistry::Coin && pack->cells == 1)
        return {RowTrouble::CoinCell, State::Close, Gravity::PartDestroyed};
    const auto& read = job.supply.volts;
    if (!pack && read && canBeCoinCell(read->value))
        return {RowTrouble::WhichBattery, State::Ask, Gravity::PartDestroyed};
    return verdict;
}
/// What lights a row whose usual target cannot be had: no resistor, or a small one.
struct SmallResistor {
    Ohms value;
    Amperes current;
    State state;
};
std::optional<SmallResistor> smallResistor(const JobAnalysis& facts, const LampGroup& group,
                                           std::size_t row) {
    for (const Ohms value : {Ohms{0}, Ohms{2.2}, Ohms{4.7}, Ohms{10}, Ohms{22}, Ohms{47}, Ohms{100},
                             Ohms{150}, Ohms{220}, Ohms{330}}) {
        LampGroup tried = group;
        tried.rows[row].resistor = value;
        const auto state = groupState(facts.job, tried, facts.house);
        if (!state || state->rows[row].current < glowCurrent) return {};
        const RowState& made = state->rows[row];
        if (const State verdict = rowVerdict(made, tried).state; verdict < State::Ask)
            return SmallResistor{value, made.current, verdict};
    }
    return {};
}
Option withoutResistor(const std::string& called, Text effect) {
    Option none;
    none.what = text("no resistor");
    none.effect = std::move(effect);
    none.state = State::Fine;
    none.jot = "resistor " + called + " none";
    return none;
}
/// What each battery that gives these volts makes of a lamp without a resistor.
std::vector<Option> whichBattery(Amperes bare) {
    return {answer(text("A coin cell"), text("its own resistance limits the current"), State::Close,
                   "battery coin"),
            answer(text("2 pen cells"), text("%1, it burns", formatted(bare, 3)), State::Over,
                   "battery 2 AA")};
}

/// Whether a row would have its wish if nothing were shared but what the board carries.
bool sharedTakesTooMuch(const LampGroup& group, const GroupState& state, std::size_t row) {
    const double rows = static_cast<double>(group.rows.size());
    return group.shared() > Ohms{0} && !state.pair &&
           state.rows[row].ideal + group.shared() * rows > Ohms{0};
}

bool sameLamps(const LampRow& a, const LampRow& b) {
    return std::equal(a.lamps.begin(), a.lamps.end(), b.lamps.begin(), b.lamps.end(),
                      [](const Lamp& one, const Lamp& other) {
                          return one.part == other.part && one.parallel == other.parallel;
                      });
}
/// Rows that wait for a resistor as this one does, itself among them: they are asked about once.
std::size_t waitingAlike(const LampGroup& group, const GroupState& state, std::size_t row) {
    std::size_t count = 0;
    for (std::size_t other = 0; other < group.rows.size(); ++other) {
        if (state.rows[other].connected) continue;
        if (sameLamps(group.rows[other], group.rows[row])) ++count;
    }
    return count;
}

/// Whether a row is the one before it once more, and does what that does: told once where there is
/// nothing wrong with them.
bool asTheOneBefore(const LampGroup& group, const GroupState& state, std::size_t row) {
    if (row == 0 || row >= group.rows.size()) return false;
    const LampRow& one = group.rows[row - 1];
    const LampRow& other = group.rows[row];
    const RowState& before = state.rows[row - 1];
    const RowState& made = state.rows[row];
    const auto near = [](Amperes a, Amperes b) {
        return std::abs((a - b).value()) <= 1e-6 * std::abs(a.value());
    };
    return before.connected && made.connected && near(before.current, made.current) &&
           near(before.highest, made.highest) && near(before.lowest, made.lowest) &&
           one.resistor == other.resistor && one.package == other.package &&
           one.backwards == other.backwards && one.path == other.path &&
           one.tested == other.tested && one.installed == other.installed && sameLamps(one, other);
}

/// Whether a lamp too dim behind a resistor on the board and one of its own would have at least
/// half of its target with the board's alone.
bool boardAloneWillDo(const LampGroup& group, const GroupState& state, std::size_t row) {
    const RowState& made = state.rows[row];
    const Ohms own = group.rows[row].resistor.value_or(Ohms{0});
    if (!(own > Ohms{0}) || !(state.outputSeries > Ohms{0}) || group.rows.size() > 1) return false;
    // About the voltage across both is what the board's alone would then have.
    return made.current * ((own + state.outputSeries) / state.outputSeries) > group.atFull() * 0.5;
}

Text rowSentence(const LampGroup& group, std::size_t row, const GroupState& state,
                 RowTrouble trouble, const std::vector<Option>& options) {
    const RowState& made = state.rows[row];
    const std::string called = atStart(rowName(group, row));
    const std::string amps = formatted(made.current, 3);
    const std::string limit = formatted(made.limit, 3);
    const Text light = lightWords(group, made.current * made.duty);
    switch (trouble) {
        case RowTrouble::SupplyTooLow:
            if (sharedTakesTooMuch(group, state, row)) {
                return text(
                    "%1 cannot have %2: at that current the resistance that all rows share takes "
                    "more than %3 leave. Give each row a resistor of its own.",
                    called, formatted(group.atFull()), formatted(state.bus));
            }
            return text(
                "%1 stays dim or dark: %2 is too little for its LEDs at %3. Put fewer "
                "in a row or wish for less.",
                called, formatted(state.bus), formatted(group.atFull()));
        case RowTrouble::NoResistor:
            if (group.hasTarget() && group.atFull() > made.limit) {
                return text("The wish of %1 is above what %2 bears: %3. It has no resistor yet.",
                            formatted(group.atFull(), 3), rowName(group, row), limit);
            }
            if (const std::size_t alike = waitingAlike(group, state, row); alike > 1) {
                const Text all = text("%1: %2 rows have no resistor yet", atStart(group.name),
                                      std::to_string(alike));
                return options.empty() ? text("%1.", all)
                                       : text("%1: %2 gives %3.", all, options.front().what,
                                              options.front().effect);
            }
            return options.empty() ? text("%1 has no resistor yet.", called)
                                   : text("%1 has no resistor yet: %2 gives %3.", called,
                                          options.front().what, options.front().effect);
        case RowTrouble::Burns:
            if (group.rows[row].resistor->value() > 0 || group.shared() > Ohms{0})
                return text("%1 burns: it takes %2, its limit is %3.", called, amps, limit);
            return state.outputSeries > Ohms{0}
                       ? text("%1 burns: with only the board's %2 it takes %3, its limit is %4.",
                              called, formatted(state.outputSeries), amps, limit)
                       : text("%1 burns: with no resistor it takes %2, its limit is %3.", called,
                              amps, limit);
        case RowTrouble::MayBurn:
            return text(
                "%1 can burn: it takes %2, and up to %3 in the worst case; its limit is %4.",
                called, amps, formatted(made.highest, 3), limit);
        case RowTrouble::WhichBattery:
            return text(
                "Which battery is it? %1 has no resistor, and only a coin cell limits its current. "
                "Any other battery of %2 burns it: it takes %3, its limit is %4.",
                called, formatted(state.bus), amps, limit);
        case RowTrouble::CoinCell:
            return text(
                "%1 works on a coin cell, whose own resistance limits it to %2. On any other "
                "supply "
                "it burns: its limit is %3.",
                called, amps, limit);
        case RowTrouble::TooHot:
            return text(
                "%1 lights, but its resistor would have to give off %2: in a model that "
                "melts what is near.",
                called, formatted(made.resistorPower, 2));
        case RowTrouble::Dark:
            return group.hasTarget() ? text("%1 stays dark: it takes %2; its target is %3.", called,
                                            amps, formatted(group.atFull(), 3))
                                     : text("%1 stays dark: it takes only %2.", called, amps);
        case RowTrouble::TooDim:
            if (!(made.ideal > Ohms{0})) {
                // Nor would it be more with nothing on the board.
                const bool tooManyInARow =
                    !(made.ideal + state.outputSeries * static_cast<double>(group.rows.size()) >
                      Ohms{0});
                const Text why =
                    sharedTakesTooMuch(group, state, row)
                        ? text(
                              "The resistance that all rows share takes the rest. Give each row a "
                              "resistor of its own.")
                    : boardAloneWillDo(group, state, row)
                        ? text("Its own %1 comes on top of the board's %2: leave its own out.",
                               formatted(*group.rows[row].resistor), formatted(state.outputSeries))
                    : state.outputSeries > Ohms{0} && !tooManyInARow
                        ? text(
                              "The board's own %1 take the rest: wish for less, or put fewer lamps "
                              "on this output.",
                              formatted(state.outputSeries))
                        : text(
                              "%1 is too little for its LEDs at that current: wish for less, or "
                              "put "
                              "fewer in a row.",
                              formatted(state.bus));
                return text("%1 works, but %2: %3 where %4 was wished. %5", called, light, amps,
                            formatted(group.atFull(), 3), why);
            }
            if (group.dimmed < 1) {
                return text(
                    "%1 works, but dimmed to %2 it is %3: it shines as at %4 where %5 was "
                    "wished.",
                    called, percent(group.dimmed), light, formatted(made.current * group.dimmed, 3),
                    formatted(group.wish.target, 3));
            }
            return text("%1 works, but %2: %3 where %4 was wished.", called, light, amps,
                        formatted(group.atFull(), 3));
        case RowTrouble::Turned:
            return text(
                "%1 stays dark: it stands the other way round, and here the volts never "
                "turn round.",
                called);
        case RowTrouble::MayBeDark:
            return text("%1 works at %2, but hardly glimmers where the supply is lowest: %3.",
                        called, amps, formatted(made.lowest, 2));
        case RowTrouble::TooBright:
            return text("%1 works, but %2: %3 where %4 was wished.", called, light, amps,
                        formatted(group.atFull(), 3));
        case RowTrouble::NearLimit:
            return text("%1 works, but close to its limit: %2, up to %3 in the worst case, of %4.",
                        called, amps, formatted(made.highest, 3), limit);
        case RowTrouble::None:
            break;
    }
    if (made.duty < 1) {
        return text("%1 lights half of the time: %2 of its %3 at the peak, %4 on average, %5.",
                    called, amps, limit, formatted(made.current * made.duty, 3), light);
    }
    if (made.resistorPower > Watts{0.05}) {
        return text("%1 works: %2 of its %3, %4; its resistor takes %5, so %6 will do.", called,
                    amps, limit, light, formatted(made.resistorPower, 2),
                    resistorBody(made.resistorPower));
    }
    return text("%1 works: %2 of its %3, %4.", called, amps, limit, light);
}

Text rowAction(const std::string& called, RowTrouble trouble) {
    switch (trouble) {
        case RowTrouble::SupplyTooLow:
            return text("shorten the row of %1", called);
        case RowTrouble::NoResistor:
            return text("choose the resistor of %1", called);
        case RowTrouble::Burns:
        case RowTrouble::MayBurn:
        case RowTrouble::TooBright:
            return text("larger resistor for %1", called);
        case RowTrouble::WhichBattery:
            return text("say which battery feeds %1", called);
        case RowTrouble::CoinCell:
            return text("fit a resistor to %1 before it moves to another supply", called);
        case RowTrouble::TooHot:
            return text("less current or fewer volts for %1", called);
        case RowTrouble::Dark:
        case RowTrouble::TooDim:
            return text("smaller resistor for %1", called);
        case RowTrouble::Turned:
            return text("turn %1 round", called);
        case RowTrouble::NearLimit:
        case RowTrouble::MayBeDark:
        case RowTrouble::None:
            break;
    }
    return {};
}

Option ownOption(const LampGroup& group) {
    Option option;
    option.what = text("a resistor of its own for each");
    option.effect = text("chosen for the wish of %1, nothing shared", formatted(group.atFull()));
    option.state = State::Fine;
    option.jot = "own " + group.name;
    return option;
}

/// Each LED in a row by itself, where its rows have several and the voltage is enough for one.
std::optional<Option> splitOption(const JobAnalysis& facts, const LampGroup& group) {
    LampGroup changed = group;
    changed.connection = OwnResistors{};
    changed.rows.clear();
    for (const LampRow& row : group.rows) {
        for (const Lamp& lamp : row.lamps) {
            changed.rows.push_back({{lamp}, Ohms{0}});
            changed.rows.back().lamps.front().parallel = false;
        }
    }
    if (changed.rows.size() == group.rows.size() || changed.rows.size() > 12) return {};
    const auto then = groupState(facts.job, changed, facts.house);
    if (!then || !std::all_of(then->rows.begin(), then->rows.end(),
                              [](const RowState& row) { return row.ideal > Ohms{0}; })) {
        return {};
    }
    Option option;
    option.what = text("each LED in a row by itself");
    option.effect = text("%1 in all instead of %2",
                         formatted(group.atFull() * static_cast<double>(changed.rows.size()), 2),
                         formatted(group.atFull() * static_cast<double>(group.rows.size()), 2));
    option.state = State::Fine;
    option.jot = "split " + group.name;
    return option;
}

/// The shared resistor of an antiparallel pair, chosen for a row's wish, and what both get by it.
std::vector<Option> pairOptions(const Job& job, const LampGroup& group, const RowState& state,
                                const WorkshopRules& house) {
    std::vector<Option> options;
    const auto value = fittedResistor(state.ideal, group.wish);
    if (!value) return options;
    LampGroup changed = group;
    changed.connection = SharedResistor{*value};
    const auto made = groupState(job, changed, house);
    if (!made) return options;
    Option option;
    option.what = text("%1 for both", formatted(*value));
    option.state = State::Fine;
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        const RowState& row = made->rows[r];
        const Text one = text("%1 %2", rowName(group, r), formatted(row.current, 3));
        option.effect = r == 0 ? one : text("%1, %2", option.effect, one);
        option.state = worse(option.state,
                             stateAgainst(row.current.value(), row.limit.value(), lampCloseAbove));
    }
    option.jot = "shared " + group.name + " " + jotOhms(*value);
    option.inPlace = group.shared() == *value;
    options.push_back(std::move(option));
    return options;
}

constexpr double seenUneven = 0.1;  // of builds

/// Rows with nothing but one shared resistor, of which one takes what the others are short of: the
/// resistor's place is the cause, and its value no remedy.
bool causedByShared(const LampGroup& group, const GroupState& state) {
    double low = 1e9;
    double high = 0;
    if (state.pair) return false;  // only one way round carries at a time
    for (std::size_t r = 0; r < group.rows.size(); ++r) {
        if (!state.rows[r].connected || group.rows[r].resistor->value() > 0) return false;
        low = std::min(low, state.rows[r].current.value());
        high = std::max(high, state.rows[r].current.value());
    }
    return group.rows.size() > 1 && high > low * 2;
}

/// What holds of a whole group is worked out once for all of its rows.
class Together {
public:
    Together(const LampGroup& group, const GroupState& state)
        : sharedIsTheCause(causedByShared(group, state)),
          unevenBehindShared(group.shared() > Ohms{0} && group.rows.size() > 1 && !state.pair &&
                             unevenBuilds(group, state) > seenUneven),
          m_alike(group.rows.size() > 1 && allAlike(group)),
          m_board(state.outputSeries > Ohms{0}) {}
    const bool sharedIsTheCause;
    const bool unevenBehindShared;  ///< told of the group
    [[nodiscard]] bool alike() const { return m_alike; }
    /// What is offered for one of the rows that are all alike is offered for each.
    std::vector<Option> options(const Job& job, const LampGroup& group, std::size_t row,
                                const RowState& state, const WorkshopRules& house) {
        if (!m_alike) return resistorOptions(job, group, row, state, house, false, m_board);
        if (!m_known) m_known = resistorOptions(job, group, row, state, house, true, m_board);
        return *m_known;
    }

private:
    bool m_alike;
    bool m_board;
    std::optional<std::vector<Option>> m_known;
};

/// `anyway`: said instead where the row comes to the same whatever is not known.
void judgeRow(const JobAnalysis& facts, const LampGroup& group, std::size_t row,
              const GroupState& state, const std::optional<Text>& anyway, Together& together,
              Judging& judging) {
    const Job& job = facts.job;
    const RowState& made = state.rows[row];
    const std::string called = rowName(group, row);
    const bool never = group.rows[row].backwards && made.connected && !lightsTurned(job, group);
    RowVerdict verdict = never ? RowVerdict{RowTrouble::Turned, State::Over, Gravity::DoesNotWork}
                               : onItsCell(job, group, row, rowVerdict(made, group));
    // A target that nobody set, or that is missed by little, is no reason to say that a lamp stays
    // dark.
    std::optional<SmallResistor> small;
    if (verdict.trouble == RowTrouble::SupplyTooLow && !made.connected) {
        small = smallResistor(facts, group, row);
        if (small && group.hasTarget() && small->current < group.atFull() * 0.5) small.reset();
        if (small) verdict = {RowTrouble::NoResistor, State::Ask, Gravity::DoesNotWork};
    }
    const bool shared = together.sharedIsTheCause;
    const bool fine = verdict.state == State::Fine && !anyway;
    const bool likeTheNext = fine || together.alike();
    if (likeTheNext && asTheOneBefore(group, state, row)) return;
    // Then the group says it; of a row only what can be destroyed is told.
    if (shared && verdict.gravity < Gravity::PartDestroyed) return;
    if (together.unevenBehindShared && verdict.trouble == RowTrouble::MayBeDark) return;
    judging.say(
        "lamp.current:" + rowId(group, row), subjectOf(group), verdict.state, verdict.gravity,
        [&](Finding& finding) {
            if (never) {
                Option turn;
                turn.what = text("turn it round");
                turn.effect = text("it lights");
                turn.state = State::Fine;
                turn.jot = "turned " + called + " none";
                finding.options.push_back(std::move(turn));
            } else if (state.pair) {
                finding.options = pairOptions(job, group, made, facts.house);
            } else if (!shared) {
                finding.options = together.options(job, group, row, made, facts.house);
            }
            const bool onCell = verdict.trouble == RowTrouble::WhichBattery ||
                                verdict.trouble == RowTrouble::CoinCell;
            if (onCell) {  // what it has now is no way out
                std::erase_if(finding.options,
                              [](const Option& one) { return one.jot.ends_with(" none"); });
            }
            if (verdict.trouble == RowTrouble::WhichBattery) {
                const auto answers = whichBattery(made.current);
                finding.options.insert(finding.options.begin(), answers.begin(), answers.end());
            }
            // A board that carries resistors wants no second one.
            const bool carried = job.board.resistors == true && job.board.fate &&
                                 *job.board.fate != BoardFate::None &&
                                 *job.board.fate != BoardFate::Replaced;
            if (carried && verdict.trouble == RowTrouble::NoResistor &&
                group.output != supplyOutput) {
                finding.options.insert(finding.options.begin(),
                                       withoutResistor(called, text("the board carries it")));
            }
            if (small) {
                const std::size_t alike = waitingAlike(group, state, row);
                const bool all = alike > 1 && alike == group.rows.size();
                const std::string& named = all ? group.name : called;
                Option option = withoutResistor(named, effectWords(group, small->current));
                option.state = small->state;
                if (small->value > Ohms{0}) {
                    option.what = all ? text("%1 for each", formatted(small->value))
                                      : text("%1", formatted(small->value));
                    option.jot = "resistor " + named + " " + jotOhms(small->value);
                }
                finding.options = {std::move(option)};
                if (auto split = splitOption(facts, group))
                    finding.options.push_back(std::move(*split));
            }
            finding.sentence =
                anyway ? *anyway
                : small && !(small->value > Ohms{0})
                    ? text("%1 has no resistor yet. Without one it takes %2, %3.", atStart(called),
                           formatted(small->current, 3), lightWords(group, small->current))
                    : rowSentence(group, row, state, verdict.trouble, finding.options);
            std::size_t last = row;
            while (likeTheNext && asTheOneBefore(group, state, last + 1)) ++last;
            if (last > row && verdict.trouble != RowTrouble::NoResistor) {
                const std::string more = std::to_string(last - row);
                finding.sentence =
                    !fine && last == row + 1
                        ? text("%1 The next row is the same.", finding.sentence)
                    : !fine ? text("%1 The next %2 rows are the same.", finding.sentence, more)
                    : last == row + 1 ? text("%1 So does the next row.", finding.sentence)
                                      : text("%1 So do the next %2 rows.", finding.sentence, more);
            }
            finding.action = shared ? text("own resistors for %1", group.name)
                                    : rowAction(last > row ? group.name : called, verdict.trouble);
            // A row of its own resistor ends what rows do to each other behind a shared one.
            const bool burns =
                verdict.trouble == RowTrouble::Burns || verdict.trouble == RowTrouble::MayBurn;
            const bool behindShared = group.shared() > Ohms{0} && group.rows.size() > 1 &&
                                      !state.pair &&
                                      !(group.rows[row].resistor.value_or(Ohms{0}) > Ohms{0});
            const bool own =
                (burns && behindShared) ||
                ((verdict.trouble == RowTrouble::SupplyTooLow ||
                  (verdict.trouble == RowTrouble::TooDim && !(made.ideal > Ohms{0}))) &&
                 sharedTakesTooMuch(group, state, row));
            if (own) finding.action = text("own resistors for %1", group.name);
            if (shared || own)
                finding.options = {ownOption(group)};
            else if (burns && group.rows.size() > 1 &&
                     !state.pair)  // one row alone would be left uneven
                finding.options.insert(finding.options.begin(), ownOption(group));
            // What its decoder takes away it can give back, with no iron.
            LampGroup brightened = group;
            brightened.dimmed = 1;
            if (group.dimmed < 1 && verdict.trouble == RowTrouble::TooDim &&
                rowVerdict(made, brightened).trouble == RowTrouble::None) {
                const double full = std::min(1.0, (group.wish.target / made.current).value());
                const double share = std::ceil(full * 100) / 100;
                brightened.dimmed = share;
                Option brighter;
                brighter.what = text("brightness %1", percent(share));
                brighter.effect = effectWords(brightened, made.current);
                brighter.state = State::Fine;
                brighter.jot = "dim " + group.name + " " +
                               (share < 1 ? formatted(share * 100, Dimension::Ratio) + "%"
                                          : std::string("full"));
                finding.action = text("more brightness for %1", called);
                finding.options.insert(finding.options.begin(), std::move(brighter));
            }
            if (!own && verdict.trouble == RowTrouble::TooDim && !(made.ideal > Ohms{0}) &&
                !boardAloneWillDo(group, state, row)) {
                finding.action = text("a smaller wish for %1", group.name);
                Option less;
                less.what = text("wish for %1", formatted(made.current, 2));
                less.effect = text("what it gives as it is");
                less.state = State::Fine;
                less.jot = "target " + group.name + " " + formatted(made.current, 2);
                finding.options.insert(finding.options.begin(), std::move(less));
            }
            // A row too long for the voltage is as many shorter ones.
            const bool tooLong = !(made.ideal > Ohms{0});
            const bool starves = verdict.trouble == RowTrouble::SupplyTooLow ||
                                 verdict.trouble == RowTrouble::MayBeDark ||
                                 (verdict.trouble == RowTrouble::TooDim && tooLong);
            if (starves && !own && !shared) {
                if (auto option = splitOption(facts, group))
                    finding.options.push_back(std::move(*option));
            }
            // Of a target beyond its limit there is one within.
            if (verdict.trouble == RowTrouble::NoResistor && group.hasTarget() &&
                group.atFull() > made.limit) {
                const Amperes most{std::floor(made.limit.value() * 0.8 * 1000) / 1000};
                if (most > Amperes{0}) {
                    Option within;
                    within.what = text("a target of %1", formatted(most));
                    within.effect = text("%1 of its limit of %2", percent(most / made.limit),
                                         formatted(made.limit, 3));
                    within.state = State::Ask;
                    within.jot = "target " + group.name + " " + formatted(most);
                    finding.options.insert(finding.options.begin(), std::move(within));
                }
            }
            if (group.rows[row].lamps.front().part.family == LedFamily::UltraViolet) {
                finding.caution = text(
                    "Ultra-violet light hurts eyes without being seen: do not look into it, and "
                    "keep it from view.");
            }
            const Figure wish =
                group.dimmed < 1
                    ? figures::computed(
                          text("Current for the wished light, dimmed"), "I_wish", group.atFull(),
                          "I_target / share",
                          {targetFigure(group, "I_target"),
                           figures::chosen(text("Dimmed to"), "share", group.dimmed,
                                           text("by the decoder"), "dim " + group.name + " ")})
                    : targetFigure(group, "I_wish");
            const Figure bus = feedFigure(job, group, facts.house);
            if (verdict.trouble == RowTrouble::SupplyTooLow) {
                finding.figures = {bus, wish};
            } else if (verdict.trouble == RowTrouble::NoResistor) {
                finding.figures = {wish, bus};
            } else {
                finding.figures = rowFigures(job, group, row, state, facts.house);
                finding.figures.push_back(figures::computed(isDigital(job.feed)
                                                                ? text("Glows from track volts")
                                                                : text("Glows from supply volts"),
                                                            "V_glow", state.glowFrom, "", {}));
                finding.figures.push_back(wish);
            }
        });
}

/// What a board may carry, and what would follow from it for every row.
struct BoardCase {
    Ohms board{};
    GroupState state;
    std::vector<RowVerdict> rows;
};
std::vector<BoardCase> boardCases(const JobAnalysis& facts, const LampGroup& group) {
    std::vector<BoardCase> all;
    for (const Ohms board : likelyOnBoard) {
        auto state = groupState(facts.job, group, facts.house, board);
        if (!state) return {};
        BoardCase made{board, std::move(*state), {}};
        for (const RowState& row : made.state.rows) {
            made.rows.push_back(rowVerdict(row, group));
        }
        all.push_back(std::move(made));
    }
    return all;
}
/// Whether a row comes to the same whatever the board carries.
bool sameOnEveryBoard(const std::vector<BoardCase>& cases, std::size_t row) {
    return std::all_of(cases.begin(), cases.end(), [&](const BoardCase& one) {
        return one.rows[row].trouble == cases.front().rows[row].trouble &&
               one.rows[row].trouble != RowTrouble::NoResistor;  // which one hangs on it
    });
}
/// "works whatever the board carries: 2.8 mA to 4.7 mA".
Text anywayWords(const LampGroup& group, const std::vector<BoardCase>& cases, std::size_t row) {
    const RowState& bare = cases.front().state.rows[row];
    const RowState& most = cases.back().state.rows[row];
    const std::string called = atStart(rowName(group, row));
    const std::string low = formatted(most.current, 3);
    const std::string high = formatted(bare.current, 3);
    switch (cases.front().rows[row].state) {
        case State::Over:
            return text(
                "%1 fails whatever output %2 has on its board: it takes %3 to %4, its limit "
                "is %5.",
                called, group.output, low, high, formatted(bare.limit, 3));
        case State::Close:
            return group.hasTarget()
                       ? text(
                             "%1 works, but not well, whatever output %2 has on its board: %3 to "
                             "%4 where %5 was wished.",
                             called, group.output, low, high, formatted(group.atFull(), 3))
                       : text(
                             "%1 works, but not well, whatever output %2 has on its board: %3 to "
                             "%4.",
                             called, group.output, low, high);
        case State::Ask:
        case State::Fine:
            break;
    }
    return text("%1 works whatever output %2 has on its board: %3 to %4 of its %5.", called,
                group.output, low, high, formatted(bare.limit, 3));
}

/// The output's own resistance is part of the circuit: while it is not known, what each answer
/// would mean stands side by side, and nothing is told as a fact.
void judgeOutput(const LampGroup& group, const std::vector<BoardCase>& cases, std::size_t row,
                 Judging& judging) {
    // A question is as grave as the gravest thing that an answer could bring.
    Gravity gravity{};
    for (const BoardCase& one : cases) gravity = std::max(gravity, one.rows[row].gravity);
    judging.say(
        "lamp.output:" + group.id, subjectOf(group), State::Ask, gravity, [&](Finding& finding) {
            const auto follows = [&](const BoardCase& one) -> Text {
                const RowState& made = one.state.rows[row];
                switch (one.rows[row].trouble) {
                    case RowTrouble::Burns:
                        return text("%1, it burns", formatted(made.current, 3));
                    case RowTrouble::MayBurn:
                        return text("up to %1, it can burn", formatted(made.highest, 3));
                    case RowTrouble::NoResistor:
                        return text("%1 is wanted beside it",
                                    formatted(std::max(made.ideal, Ohms{0}), 2));
                    default:
                        break;
                }
                return effectWords(group, made.current);
            };
            finding.sentence = text(
                "Look whether output %1 has a resistor on the board. For %2: none, then %3; 470 Ω, "
                "then %4; 1.5 kΩ, then %5.",
                group.output, rowName(group, row), follows(cases[0]), follows(cases[1]),
                follows(cases[2]));
            finding.action = text("look at output %1 for a resistor", group.output);
            finding.figures = {figures::missing(
                text("Resistance of output %1", group.output), "R_out", Dimension::Resistance,
                text("read the board or measure it, power off"), "output " + group.output + " ")};
            for (const BoardCase& one : cases) {
                const bool bare = !(one.board > Ohms{0});
                finding.options.push_back(
                    answer(bare ? text("It is bare") : text("It carries %1", formatted(one.board)),
                           follows(one), one.rows[row].state,
                           "output " + group.output + " " + (bare ? "bare" : jotOhms(one.board))));
            }
        });
}

/// LEDs bear little the wrong way round; bare track and plain DC turn them round.
void judgeReverse(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                  Judging& judging) {
    constexpr Volts bears{5};
    if (!lightsTurned(facts.job, group)) return;
    Volts top = crestVolts(facts.job) * (1 + facts.house.supplySpread);
    if (antiparallel(group)) {
        // What lights the other way round leaves no more than it takes itself.
        top = Volts{0};
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            top = std::max(top, state.rows[r].current * group.rows[r].resistor.value_or(Ohms{0}) +
                                    lampVolts(group.rows[r], state.rows[r]));
        }
    }
    if (top <= bears) return;
    judging.say(
        "lamp.reverse:" + group.id, subjectOf(group), State::Over, Gravity::PartDestroyed,
        [&](Finding& finding) {
            finding.sentence =
                isDigital(facts.job.feed)
                    ? text(
                          "%1 gets up to %2 backwards at every turn of the digital track; "
                          "an LED bears %3. It wants a bridge rectifier before it.",
                          atStart(group.name), formatted(top, 3), formatted(bears))
                : facts.job.feed == Feed::Ac
                    ? text(
                          "%1 gets up to %2 backwards in every other half of the AC; an "
                          "LED bears %3. Some live so for years, none is made for it.",
                          atStart(group.name), formatted(top, 3), formatted(bears))
                    : text(
                          "%1 gets up to %2 backwards when the direction is reversed; an "
                          "LED bears %3. It wants a bridge rectifier before it.",
                          atStart(group.name), formatted(top, 3), formatted(bears));
            finding.action = text("a bridge rectifier before %1", group.name);
            finding.figures = {
                figures::computed(text("Backwards, at the most"), "V_rev", top,
                                  crestFigure(facts.job).symbol + " · (1 + spread)",
                                  {crestFigure(facts.job), spreadFigure(facts.job, facts.house)}),
                figures::assumed(text("An LED bears backwards"), "V_rev_max", bears,
                                 text("usual for LEDs"))};
            // Lamps of both ways round want each other, not a bridge that keeps half dark.
            if (bothWays(group)) {
                finding.sentence = text(
                    "%1 gets up to %2 backwards, an LED bears %3: what lights the "
                    "other way round has a resistor of its own and keeps nothing "
                    "from it.",
                    atStart(group.name), formatted(top, 3), formatted(bears));
                finding.action = text("one resistor for both ways of %1", group.name);
                if (group.rows.size() != 2) return;
                Option one;
                one.what = text("straight across each other, behind one resistor");
                one.effect = text("each keeps the volts backwards from the other");
                one.state = State::Fine;
                one.jot = "antiparallel " + group.name;
                finding.options = {std::move(one)};
                return;
            }
            finding.options = {
                bridgeOption(facts.job.feed == Feed::Ac
                                 ? text("they light in both halves of the AC, with %1 less",
                                        formatted(facts.house.rectifier))
                                 : text("they light in both directions, with %1 less",
                                        formatted(facts.house.rectifier)))};
            // On digital track it would flicker at half its light.
            if (isDigital(facts.job.feed)) return;
            Option diode;
            diode.what = text("a diode before %1", group.name);
            diode.effect =
                facts.job.feed == Feed::Ac
                    ? text(
                          "the diode bears the other half; it lights as before, with %1 "
                          "less",
                          formatted(oneWayDrop))
                    : text("it lights in one direction only, with %1 less", formatted(oneWayDrop));
            diode.state = State::Fine;
            diode.jot = "oneway " + group.name;
            finding.options.push_back(std::move(diode));
        });
}

/// What is seen of lamps that light in turn.
void judgePair(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
               Judging& judging) {
    if (!antiparallel(group) || !lightsTurned(facts.job, group)) return;
    const auto kindOf = [&](bool backwards) -> const LampPart& {
        return std::find_if(group.rows.begin(), group.rows.end(),
                            [&](const LampRow& row) { return row.backwards == backwards; })
            ->lamps.front()
            .part;
    };
    const LampPart& ahead = kindOf(false);
    const LampPart& back = kindOf(true);
    const bool onAc = facts.job.feed == Feed::Ac;
    const bool mixed = alternates(facts.job.feed) && ahead.family != back.family;
    judging.say(
        "lamp.pair:" + group.id, subjectOf(group), mixed ? State::Close : State::Fine,
        mixed ? Gravity::WorksBadly : Gravity::CouldBeBetter, [&](Finding& finding) {
            finding.figures = {
                figures::chosen(text("Shared resistor"), "R_shared", group.shared(),
                                text("for %1", group.name), "shared " + group.name + " "),
                figures::computed(
                    onAc ? text("Through both ways") : text("Through the way that takes more"), "I",
                    state.total, "", {})};
            if (mixed && onAc) {
                finding.sentence = text(
                    "%1 shows %2 and %3 mixed: the AC turns its volts round all the time. Two "
                    "colours one after the other take DC that a switch turns round.",
                    atStart(group.name), ahead.name, back.name);
                finding.action = text("DC and a reversing switch for %1", group.name);
            } else if (mixed) {
                finding.sentence = text(
                    "%1 shows %2 and %3 mixed, whichever way it runs: digital track turns its "
                    "volts round thousands of times a second. Two colours that follow the "
                    "direction take two outputs of a decoder.",
                    atStart(group.name), ahead.name, back.name);
                finding.action = text("outputs of a decoder for %1", group.name);
            } else if (onAc) {
                finding.sentence = text(
                    "The lamps of %1 light in turn, one in each half of the AC: the eye sees both.",
                    group.name);
            } else if (isDigital(facts.job.feed)) {
                finding.sentence = text(
                    "The lamps of %1 light in turn at every turn of the "
                    "digital track: the eye sees both, each at half its light.",
                    group.name);
            } else {
                finding.sentence = text("%1 shows %2 one way and %3 the other.",
                                        atStart(group.name), ahead.name, back.name);
            }
        });
}

/// Outputs that do not switch to ground are no place for what is worked out for those. True where
/// the rows are not to be judged as if they were.
bool judgeOutputKind(const JobAnalysis& facts, const LampGroup& group, const GroupState&,
                     Judging& judging) {
    const Job& job = facts.job;
    const DecoderOutput* output = outputNamed(job, group.output);
    if (!output || output->kind == OutputKind::LowSide) return false;
    const auto say = [&](State verdict, Gravity gravity, Text sentence, Text action) {
        judging.say("lamp.output-kind:" + group.id, subjectOf(group), verdict, gravity,
                    [&](Finding& finding) {
                        finding.sentence = std::move(sentence);
                        finding.action = std::move(action);
                        if (verdict == State::Over)
                            finding.options = movesToFree(job, group, Amperes{0},
                                                          text("that one switches to ground"));
                    });
    };
    switch (output->kind) {
        case OutputKind::LogicLevel:
            say(State::Over, Gravity::DoesNotWork,
                text("Output %1 is a signal: it lights no lamp and can be hurt by one. %2 needs "
                     "another output, or a transistor behind it.",
                     group.output, atStart(group.name)),
                text("move %1 to another output", group.name));
            return true;
        case OutputKind::LampSupply:
            say(State::Over, Gravity::DoesNotWork,
                text("Output %1 gives 1.5 V for filament lamps: no LED lights on it. %2 needs "
                     "another output.",
                     group.output, atStart(group.name)),
                text("move %1 to another output", group.name));
            return true;
        case OutputKind::ConstantCurrent:
            if (output->limit) return false;  // solved and judged as a driver
            say(State::Ask, Gravity::PartDestroyed,
                text("Output %1 sets the current of %2 itself: look what it is set to.",
                     group.output, group.name),
                text("the current that output %1 is set to", group.output));
            return true;
        case OutputKind::Unknown:
        case OutputKind::LowSide:
            break;
    }
    say(State::Ask, Gravity::DoesNotWork,
        text("Output %1 is of an unknown kind: what is worked out for %2 holds for an output that "
             "switches to ground. Measure before you trust it.",
             group.output, group.name),
        text("find out what output %1 does", group.output));
    return false;
}

void judgeGroup(const LampGroup& group, const GroupState& state, Judging& judging) {
    // Uneven rows: the lamp with the lower voltage takes what the others are short of.
    std::optional<std::pair<std::size_t, std::size_t>> extremes;
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        // Rows of the other way round do not light beside these.
        if (!state.rows[r].connected || group.rows[r].backwards != group.rows.front().backwards)
            continue;
        if (!extremes) extremes = {r, r};
        if (state.rows[r].current < state.rows[extremes->first].current) extremes->first = r;
        if (state.rows[r].current > state.rows[extremes->second].current) extremes->second = r;
    }
    if (extremes && group.rows.size() > 1) {
        const std::size_t dim = extremes->first;
        const std::size_t bright = extremes->second;
        const Amperes low = state.rows[dim].current;
        const Amperes high = state.rows[bright].current;
        const bool dark = low < darkBelow(group.atFull());
        const bool mixed = group.rows[dim].lamps.front().part.family !=
                           group.rows[bright].lamps.front().part.family;
        const bool bare = !(group.rows[dim].resistor->value() > 0);  // nothing but the shared one
        const bool ownOnly = !bare && !(group.shared() > Ohms{0});
        const double builds = unevenBuilds(group, state);
        const std::vector<Figure> both{
            figures::computed(text("Brightest row"), "I_high", high, "", {}),
            figures::computed(text("Dimmest row"), "I_low", low, "", {})};
        const auto say = [&](State verdict, Gravity gravity, Text sentence) {
            judging.say("lamp.uneven:" + group.id, subjectOf(group), verdict, gravity,
                        [&](Finding& finding) {
                            finding.sentence = std::move(sentence);
                            finding.action = ownOnly
                                                 ? text("choose the resistors of %1", group.name)
                                                 : text("own resistors for %1", group.name);
                            finding.figures = both;
                            if (!ownOnly || high > low * 1.25) {
                                finding.options = {ownOption(group)};
                            }
                        });
        };
        if (dark && high > low * 2.0) {
            say(State::Over, Gravity::DoesNotWork,
                mixed && bare
                    ? text("Two colours on one resistor: %1 takes %2 and leaves %3 dark with %4. "
                           "Each needs a resistor of its own.",
                           rowName(group, bright), formatted(high, 3), rowName(group, dim),
                           formatted(low, 2))
                    : text("%1 stays dark with %2 while %3 takes %4. %5",
                           atStart(rowName(group, dim)), formatted(low, 2), rowName(group, bright),
                           formatted(high, 3),
                           ownOnly ? text("Its own resistor is too large.")
                                   : text("Each needs a resistor of its own.")));
        } else if (high > low * 1.25 && (bare || !mixed)) {
            say(State::Close, Gravity::LooksUneven,
                text("Uneven: %1 takes %2, %3 takes %4. %5", rowName(group, bright),
                     formatted(high, 3), rowName(group, dim), formatted(low, 3),
                     ownOnly ? text("Choose the resistor of each for the same current.")
                             : text("A resistor of its own for each lamp evens them out.")));
        } else if (builds > seenUneven) {
            say(State::Close, Gravity::LooksUneven,
                text("In %1 of builds lamps of %2 would look uneven: LEDs of one batch differ. "
                     "%3",
                     percent(std::round(builds * 20) / 20), group.name,
                     bare ? text("A resistor of its own for each lamp evens them out.")
                          : text("Pick lamps that match, or give them more resistance.")));
        }
    }
    if (state.sharedPower > mostHeat) {
        judging.say(
            "lamp.shared-heat:" + group.id, subjectOf(group), State::Over, Gravity::FirePeople,
            [&](Finding& finding) {
                finding.sentence = text(
                    "The shared resistor of %1 would have to give off %2: in a model that "
                    "melts what is near.",
                    group.name, formatted(state.sharedPower, 2));
                finding.action = text("own resistors for %1", group.name);
                finding.figures = {figures::computed(text("Heat in the shared resistor"),
                                                     "P_shared", state.sharedPower, "", {})};
                finding.options = {ownOption(group)};
            });
    }
    // Warm and cool white in one group.
    std::string tint;
    bool mixed = false;
    for (const LampRow& row : group.rows) {
        for (const Lamp& lamp : row.lamps) {
            if (lamp.part.family != LedFamily::White || lamp.part.tint.empty()) continue;
            mixed = mixed || (!tint.empty() && tint != lamp.part.tint);
            tint = lamp.part.tint;
        }
    }
    if (mixed) {
        judging.say("lamp.whites:" + group.id, subjectOf(group), State::Close, Gravity::LooksUneven,
                    [&](Finding& finding) {
                        finding.sentence = text(
                            "%1 mixes warm and cool white lamps: side by side the eye sees it.",
                            atStart(group.name));
                        finding.action = text("lamps of one white for %1", group.name);
                    });
    }
}

/// An output of which nobody knows what it bears: asked for where it carries nearly what usual ones
/// do.
void judgeUnmarked(const LampGroup& group, const GroupState& state, Judging& judging) {
    if (stateAgainst(state.total.value(), usualOutputLimit.value(), lampCloseAbove) == State::Fine)
        return;
    judging.say(
        "lamp.output-current:" + group.id, subjectOf(group), State::Ask, Gravity::PartDestroyed,
        [&](Finding& finding) {
            finding.sentence =
                text("Look up what output %1 bears: it would carry %2, and most bear %3.",
                     group.output, formatted(state.total, 3), formatted(usualOutputLimit));
            finding.action = text("what output %1 bears", group.output);
            finding.figures = {
                figures::computed(text("All rows together"), "I_out", state.total, "", {}),
                figures::missing(text("Output's limit"), "I_limit", Dimension::Current,
                                 text("in the decoder's leaflet"), "output " + group.output + " ")};
        });
}

/// What an output carries of what it bears, and whether there is one at all.
void judgeOutputLoad(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                     Judging& judging) {
    const Job& job = facts.job;
    if (const DecoderOutput* output = outputNamed(job, group.output)) {
        if (!output->limit) return judgeUnmarked(group, state, judging);
        const Amperes limit = *output->limit;
        // What burns says so by itself, and is gone before its output suffers.
        const Amperes takes = lastingTotal(state);
        const State load = stateAgainst(takes.value(), limit.value(), lampCloseAbove);
        if (load != State::Fine) {
            judging.say(
                "lamp.output-current:" + group.id, subjectOf(group), load, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    finding.sentence = text("Output %1 carries %2 of its %3.", group.output,
                                            formatted(takes, 3), formatted(limit, 3));
                    finding.action = text("fewer or dimmer lamps on output %1", group.output);
                    finding.figures = {
                        figures::computed(text("All rows together"), "I_out", takes, "", {}),
                        figures::catalogue(text("Output's limit"), "I_limit", limit,
                                           verbatim(job.decoder->part.name))};
                    if (auto less = lessCurrent(job, group, limit * lampCloseAbove, facts.house))
                        finding.options.push_back(std::move(*less));
                    std::ranges::move(movesToFree(job, group, state.total),
                                      std::back_inserter(finding.options));
                });
        }
    } else if (group.output != supplyOutput) {
        judging.say("lamp.no-output:" + group.id, subjectOf(group),
                    job.decoder ? State::Over : State::Ask, Gravity::DoesNotWork,
                    [&](Finding& finding) {
                        finding.sentence =
                            job.decoder ? text("The decoder has no output called %1.", group.output)
                                        : text("%1 waits for a decoder: it hangs on its output %2.",
                                               atStart(group.name), group.output);
                        finding.action = job.decoder ? text("move %1 to another output", group.name)
                                                     : text("choose a decoder");
                        finding.options = movesToFree(job, group, state.total);
                    });
    }
}

/// Rows whose failing is worth trying: each of a few; of many the two that carry most, because what
/// a row carried is what it leaves to the others.
std::vector<std::size_t> thoseThatLeaveMost(const GroupState& state) {
    constexpr std::size_t few = 12;
    std::vector<std::size_t> all;
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        if (state.rows[r].connected) all.push_back(r);
    }
    if (all.size() <= few) return all;
    std::partial_sort(all.begin(), all.begin() + 2, all.end(), [&](std::size_t a, std::size_t b) {
        return state.rows[a].current > state.rows[b].current;
    });
    all.resize(2);
    return all;
}

/// Where rows share a resistance, one that fails open leaves its current to the others.
void judgeOneFailed(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                    Judging& judging) {
    const Ohms common = group.shared() + state.outputSeries + state.inside;
    if (group.rows.size() < 2 || !(common > Ohms{0})) return;
    Amperes most{0};
    Amperes limit{1};
    double rise = 1;
    std::size_t gone = 0;
    for (const RowState& row : state.rows) {
        // A lamp that is over its limit anyway says so itself.
        if (row.connected && row.current > row.limit) return;
    }
    LampGroup without = group;
    for (const std::size_t r : thoseThatLeaveMost(state)) {
        without.rows[r].resistor.reset();
        const auto then = groupCurrents(facts.job, without, facts.house);
        without.rows[r].resistor = group.rows[r].resistor;
        if (!then) return;
        for (std::size_t k = 0; k < group.rows.size(); ++k) {
            const RowState& now = state.rows[k];
            if (k == r || !now.connected || !(now.current > Amperes{0})) continue;
            if (then->rows[k] / now.limit > most / limit) {
                most = then->rows[k];
                limit = now.limit;
                gone = r;
            }
            rise = std::max(rise, (then->rows[k] / now.current).value());
        }
    }
    const bool burns = most > limit;
    if (!burns && rise <= 2) return;
    judging.say("lamp.one-failed:" + group.id, subjectOf(group), burns ? State::Over : State::Close,
                burns ? Gravity::PartDestroyed : Gravity::LooksUneven, [&](Finding& finding) {
                    finding.sentence =
                        burns
                            ? text(
                                  "When %1 fails the others get up to %2 and burn after it: "
                                  "their limit is %3.",
                                  rowName(group, gone), formatted(most, 3), formatted(limit, 3))
                            : text("When one of %1 fails the others are more than twice as bright.",
                                   group.name);
                    finding.action = text("own resistors for %1", group.name);
                    finding.figures = {
                        figures::computed(text("Then, at the most"), "I_then", most, "", {})};
                    finding.options = {ownOption(group)};
                });
}

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

/// A battery is judged by how long it lights the lamps.
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

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) { return {job.groups.empty() ? text("no lamps yet") : Text{}}; }

void judge(const JobAnalysis& facts, Judging& judging) {
    const Job& job = facts.job;
    judgeSmoothing(facts, judging);
    Amperes least{0}, most{0};  // of all outputs, by what their boards may carry
    // What it takes does not hang on what the board carries.
    const auto loaded = [&](const LampGroup& group, const GroupState& state) {
        judgeOutputLoad(facts, group, state, judging);
        if (group.output == supplyOutput) return;
        least += lastingTotal(state);
        most += lastingTotal(state);
    };
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        std::optional<LampGroup> kept;
        const LampGroup& group = asDriven(job, job.groups[g], kept);
        const Result<GroupState>& state = facts.groups[g];
        if (!state) {
            judging.say("lamp.data:" + group.id, subjectOf(group), State::Ask, Gravity::DoesNotWork,
                        [&](Finding& finding) {
                            finding.sentence = text("%1 cannot be worked out: %2",
                                                    atStart(group.name), state.error().what);
                            finding.action = text("measure the lamp of %1", group.name);
                        });
            continue;
        }
        judgeContact(facts, group, *state, judging);
        judgeDimmed(group, *state, judging);
        judgeBores(facts, group, judging);
        judgeAcross(group, *state, judging);
        judgeLots(group, judging);
        if (group.isBulbs()) {
            // A bulb lights either way round, and an output of 1.5 V is made for it.
            const DecoderOutput* output = outputNamed(job, group.output);
            const bool made = output && output->kind == OutputKind::LampSupply;
            if (!made && judgeOutputKind(facts, group, *state, judging)) continue;
            judgeBulbs(facts, group, *state, judging);
            judgeLight(group, *state, judging);
            loaded(group, *state);
            continue;
        }
        judgeReverse(facts, group, *state, judging);
        judgePair(facts, group, *state, judging);
        judgeBlinkers(facts, group, judging);
        const bool otherKind = judgeOutputKind(facts, group, *state, judging);
        if (group.driver()) {
            if (otherKind) continue;
            judgeDriver(facts, group, *state, judging);
            judgeLight(group, *state, judging);
            loaded(group, *state);
            continue;
        }
        std::vector<BoardCase> cases;
        if (!state->outputSeriesKnown && outputNamed(job, group.output) && !otherKind) {
            cases = boardCases(facts, group);
        }
        if (group.output != supplyOutput) {
            least += cases.empty() ? lastingTotal(*state) : lastingTotal(cases.back().state);
            most += cases.empty() ? lastingTotal(*state) : lastingTotal(cases.front().state);
        }
        bool asked = false;
        std::vector<std::size_t> waiting;  // rows unlike each other that wait for a resistor
        Together together(group, *state);
        for (std::size_t row = 0; row < group.rows.size() && !otherKind; ++row) {
            if (cases.empty() || sameOnEveryBoard(cases, row)) {
                if (!state->rows[row].connected && cases.empty()) {
                    if (std::any_of(waiting.begin(), waiting.end(), [&](std::size_t before) {
                            return sameLamps(group.rows[before], group.rows[row]);
                        })) {
                        continue;
                    }
                    waiting.push_back(row);
                }
                judgeRow(
                    facts, group, row, *state,
                    cases.empty() ? std::nullopt : std::optional(anywayWords(group, cases, row)),
                    together, judging);
            } else if (!asked) {
                judgeOutput(group, cases, row, judging);
                asked = true;
            }
        }
        if (!otherKind && cases.empty()) {
            judgeGroup(group, *state, judging);
            judgeOutputLoad(facts, group, *state, judging);
            judgeOneFailed(facts, group, *state, judging);
            judgePackages(group, *state, judging);
            judgeLight(group, *state, judging);
        }
    }
    // Of findings alike what was worked out leads, with its figures; what was seen stands below.
    judgeTested(facts, judging);
    judgeInstalled(facts, judging);
    judgeBattery(facts, judging);
    judgeSupply(facts, judging);
    if (job.decoder && most > Amperes{0}) {
        const auto against = [&](Amperes total) {
            return stateAgainst(total.value(), job.decoder->part.functionTotal.value(),
                                1.0 - facts.house.closeMargin);
        };
        // Where it hangs on what boards carry, that is asked, and nothing is told as a fact.
        const State load = against(most);
        if (load != against(least)) return;
        const Amperes functions = most;
        judging.say("lamp.total", {}, load, Gravity::PartDestroyed, [&](Finding& finding) {
            finding.sentence =
                text("With every lamp lit the outputs carry %1 of the decoder's %2.",
                     formatted(functions, 3), formatted(job.decoder->part.functionTotal, 3));
            if (load == State::Over) finding.action = text("fewer lamps or less current");
            finding.figures = {
                figures::computed(text("All outputs on"), "I_lamps", functions, "", {}),
                figures::catalogue(text("Decoder's function total"), "I_func",
                                   job.decoder->part.functionTotal,
                                   verbatim(job.decoder->part.name))};
            if (load == State::Fine) return;
            // Those that take most give way first.
            const auto takes = [&](std::size_t g) {
                return facts.groups[g] && job.groups[g].output != supplyOutput
                           ? lastingTotal(*facts.groups[g])
                           : Amperes{0};
            };
            std::vector<std::size_t> order(job.groups.size());
            std::iota(order.begin(), order.end(), std::size_t{0});
            std::stable_sort(order.begin(), order.end(),
                             [&](std::size_t a, std::size_t b) { return takes(a) > takes(b); });
            const Amperes allowed =
                job.decoder->part.functionTotal * (1.0 - facts.house.closeMargin);
            for (const std::size_t g : order) {
                const Amperes left = allowed - (functions - takes(g));
                if (!(left > Amperes{0}) || !(takes(g) > Amperes{0})) continue;
                auto less = lessCurrent(job, job.groups[g], left, facts.house);
                if (!less) continue;
                less->what = text("%1: %2", atStart(job.groups[g].name), less->what);
                finding.options.push_back(std::move(*less));
                if (finding.options.size() == 2) break;
            }
        });
    }
}

}  // namespace glimmet::core::lamps
