#include "core/work/lamps/judge_driver.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/work/lamps/judge_feed.h"
#include "core/work/lamps/less_current.h"

#include <algorithm>
#include <optional>

namespace glimmet::core::lamps {
namespace {

constexpr Watts mostDriverHeat{0.5};  // that a driver of a model's size gives off (docs/physics.md)

enum class DriverTrouble {
    NotConnected,
    Burns,
    MayBurn,
    Starved,
    OneDark,  ///< beside one that works
    Dims,
    Uneven,
    Hot,
    None
};

struct Driven {
    std::size_t brightest = 0, dimmest = 0;
    Volts across{};  ///< lamps, and resistors where there are some
    Watts heat{};    ///< in the driver
    DriverTrouble trouble{};
    State verdict{};
    Gravity gravity{};
};

Driven drivenBy(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                bool byOutput) {
    const ThroughDriver& driver = *group.driver();
    Driven made;
    bool burns = false, mayBurn = false;
    std::optional<std::size_t> open;
    bool any = false;
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        const RowState& row = state.rows[r];
        if (!row.connected) {
            if (!open) open = r;
            continue;
        }
        if (!any) made.brightest = made.dimmest = r;
        any = true;
        const Volts sum =
            row.current * group.rows[r].resistor.value_or(Ohms{0}) + lampVolts(group.rows[r], row);
        made.across = std::max(made.across, sum);
        if (row.current > state.rows[made.brightest].current) made.brightest = r;
        if (row.current < state.rows[made.dimmest].current) made.dimmest = r;
        burns = burns || row.current > row.limit;
        mayBurn = mayBurn || row.highest > row.limit;
    }
    made.heat = (state.drive - made.across) * state.total;
    const Amperes dimmest = state.rows[made.dimmest].current;
    const bool starved = state.total < driver.current * 0.8;
    const Volts lowest = state.drive - crestVolts(facts.job) * facts.house.supplySpread;
    const auto is = [&](DriverTrouble trouble, State verdict, Gravity gravity) {
        made.trouble = trouble;
        made.verdict = verdict;
        made.gravity = gravity;
    };
    if (open) {
        made.dimmest = *open;
        is(DriverTrouble::NotConnected, State::Ask, Gravity::DoesNotWork);
    } else if (burns) {
        is(DriverTrouble::Burns, State::Over, Gravity::PartDestroyed);
    } else if (mayBurn) {
        is(DriverTrouble::MayBurn, State::Over, Gravity::PartDestroyed);
    } else if (starved) {
        const bool dark = dimmest < glimmersBelow(group.wish.target);
        is(DriverTrouble::Starved, dark ? State::Over : State::Close,
           dark ? Gravity::DoesNotWork : Gravity::WorksBadly);
    } else if (dimmest < darkBelow(group.wish.target) ||
               dimmest < state.rows[made.brightest].current / 20.0) {
        is(DriverTrouble::OneDark, State::Over, Gravity::DoesNotWork);
    } else if (made.heat > mostDriverHeat && !byOutput) {
        is(DriverTrouble::Hot, State::Over, Gravity::FirePeople);
    } else if (made.across + driver.dropout > lowest) {
        is(DriverTrouble::Dims, State::Close, Gravity::WorksBadly);
    } else if (state.rows[made.brightest].current > dimmest * 1.25) {
        is(DriverTrouble::Uneven, State::Close, Gravity::LooksUneven);
    } else {
        is(DriverTrouble::None, State::Fine, Gravity::CouldBeBetter);
    }
    return made;
}

/// A setting that no row is hurt by, in steps that drivers have.
std::optional<Amperes> gentler(const LampGroup& group, const GroupState& state,
                               const Driven& made) {
    const RowState& worst = state.rows[made.brightest];
    const double share =
        0.8 * worst.limit.value() / std::max({worst.current.value(), worst.highest.value(), 1e-9});
    for (const double amps : {0.1, 0.05, 0.03, 0.02, 0.015, 0.01, 0.005, 0.002, 0.001}) {
        if (amps <= group.driver()->current.value() * share * (1 + 1e-6)) return Amperes{amps};
    }
    return {};
}

std::size_t seriesLamps(const LampRow& row) {
    return static_cast<std::size_t>(std::count_if(row.lamps.begin(), row.lamps.end(),
                                                  [](const Lamp& l) { return !l.parallel; }));
}

/// What the driver and the brightest row need to carry the current that it is set to.
Volts needed(const LampGroup& group, const Driven& made) {
    const ThroughDriver& driver = *group.driver();
    Volts sum = driver.dropout;
    for (const Lamp& lamp : group.rows[made.brightest].lamps) {
        const auto its = law(lamp.part);
        if (its && !lamp.parallel)
            sum += voltageOf(*its, driver.current / static_cast<double>(group.rows.size()));
    }
    return sum;
}

/// Each row with a resistor of its own, where the voltage is enough for that.
std::optional<Option> resistorsInstead(const JobAnalysis& facts, const LampGroup& group) {
    LampGroup changed = group;
    changed.connection = OwnResistors{};
    const auto then = groupState(facts.job, changed, facts.house);
    if (!then || !std::all_of(then->rows.begin(), then->rows.end(),
                              [](const RowState& row) { return row.ideal > Ohms{0}; })) {
        return {};
    }
    Option option;
    option.what = group.rows.size() == 1 ? text("a resistor instead of the driver")
                                         : text("resistors instead of the driver");
    option.effect = text("for %1 through each row", formatted(group.wish.target));
    option.state = State::Fine;
    option.jot = "own " + group.name;
    return option;
}

/// All lamps in one row, where the lowest running voltage lights it with the driver's own share.
void oneRow(const JobAnalysis& facts, const LampGroup& group, const Driven& made,
            Finding& finding) {
    const bool sideBySide =
        made.trouble == DriverTrouble::Uneven || made.trouble == DriverTrouble::OneDark;
    if (!sideBySide || group.isBulbs()) return;
    const ThroughDriver& driver = *group.driver();
    Volts row{0};
    for (const LampRow& each : group.rows) {
        for (const Lamp& lamp : each.lamps) {
            const auto its = law(lamp.part);
            if (!its) return;
            if (driver.current > currentLimit(lamp.part)) return;
            if (!lamp.parallel) row += voltageOf(*its, driver.current);
        }
    }
    const Volts lowest = busVolts(facts.job, facts.house) -
                         crestVolts(facts.job) * facts.house.supplySpread - driver.dropout;
    if (row > lowest) return;
    Option option;
    option.what = text("all in one row");
    option.effect =
        text("each carries %1; the row takes %2", formatted(driver.current, 3), formatted(row, 3));
    option.state = State::Fine;
    option.jot = "series " + group.name;
    finding.options.push_back(std::move(option));
}

}  // namespace

void judgeDriver(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                 Judging& judging) {
    const DecoderOutput* output = outputNamed(facts.job, group.output);
    const bool byOutput = output && output->kind == OutputKind::ConstantCurrent && output->limit &&
                          group.driver()->current == *output->limit;
    const Driven made = drivenBy(facts, group, state, byOutput);
    const Text who = byOutput ? text("Output %1", group.output) : text("The driver");
    judging.say(
        "lamp.driver:" + group.id, subjectOf(group), made.verdict, made.gravity,
        [&](Finding& finding) {
            const ThroughDriver& driver = *group.driver();
            const RowState& bright = state.rows[made.brightest];
            const std::string called = atStart(group.name);
            const std::string set = formatted(driver.current);
            const Volts lowest = state.drive - crestVolts(facts.job) * facts.house.supplySpread;
            switch (made.trouble) {
                case DriverTrouble::NotConnected: {
                    const std::string row = rowName(group, made.dimmest);
                    finding.sentence =
                        text("%1 is not connected: say its resistor, or none.", atStart(row));
                    finding.action = text("connect %1", row);
                    Option none;
                    none.what = text("no resistor");
                    none.effect = text("the driver keeps its current");
                    LampGroup with = group;
                    with.rows[made.dimmest].resistor = Ohms{0};
                    const auto then = groupState(facts.job, with, facts.house);
                    none.state = then ? drivenBy(facts, with, *then, byOutput).verdict : State::Ask;
                    none.jot = "resistor " + row + " none";
                    finding.options.push_back(std::move(none));
                    break;
                }
                case DriverTrouble::Burns:
                case DriverTrouble::MayBurn:
                    finding.sentence =
                        group.rows.size() == 1
                            ? text("%1 keeps %2, and %3 is rated for %4: it burns.", who, set,
                                   group.name, formatted(bright.limit, 3))
                            : text(
                                  "%1 keeps %2, and up to %3 of it go through %4, which is rated "
                                  "for %5: it burns.",
                                  who, set, formatted(std::max(bright.current, bright.highest), 3),
                                  rowName(group, made.brightest), formatted(bright.limit, 3));
                    finding.action = text("a smaller current for %1", group.name);
                    break;
                case DriverTrouble::Starved: {
                    if (state.wave == Wave::OneHalf) {
                        finding.sentence = text(
                            "%1 gets %2 of the %3 that its driver is set to, on the average: it "
                            "lights "
                            "in one half of the AC only.",
                            called, formatted(state.total, 3), set);
                        finding.action = text("a bridge rectifier before the lamps");
                        break;
                    }
                    if (state.wave != Wave::Steady && made.across + driver.dropout < state.drive) {
                        finding.sentence = text(
                            "%1 gets %2 of the %3 that its driver is set to, on average: between "
                            "the crests of the AC it has too little. Put a capacitor behind the "
                            "bridge.",
                            called, formatted(state.total, 3), set);
                        finding.action = text("a capacitor behind the bridge");
                        finding.caution = capacitorCaution();
                        if (const auto feed = railFeed(facts)) {
                            const Volts wanted = std::max(needed(group, made), feed->half);
                            // With all of its current it draws the more on the capacitor.
                            const Seconds gap =
                                halfOf(facts.house.mains) * (driver.current / state.total);
                            if (auto option = capacitorOption(
                                    *feed, gap, wanted,
                                    text("carries the driver from crest to crest"))) {
                                finding.options.push_back(std::move(*option));
                            }
                        }
                        break;
                    }
                    const std::size_t inARow = seriesLamps(group.rows[made.brightest]);
                    finding.sentence =
                        inARow > 1
                            ? text(
                                  "%1 gets %2 of the %3 that its driver is set to: lamps and "
                                  "driver need %4 of %5. Put fewer in a row.",
                                  called, formatted(state.total, 3), set,
                                  formatted(needed(group, made), 3), formatted(state.drive, 3))
                            : text(
                                  "%1 gets %2 of the %3 that its driver is set to: the lamp and "
                                  "the driver's own %4 need %5 of %6.",
                                  called, formatted(state.total, 3), set, formatted(driver.dropout),
                                  formatted(needed(group, made), 3), formatted(state.drive, 3));
                    finding.action =
                        inARow > 1 ? text("fewer lamps in a row of %1", group.name)
                                   : text("a resistor instead of the driver of %1", group.name);
                    break;
                }
                case DriverTrouble::OneDark:
                    finding.sentence = text(
                        "%1 stays dark with %2 while %3 takes %4: side by side, the lower voltage "
                        "takes the current. Put them in one row, or give each its resistor.",
                        atStart(rowName(group, made.dimmest)),
                        formatted(state.rows[made.dimmest].current, 2),
                        rowName(group, made.brightest), formatted(bright.current, 3));
                    finding.action = text("one row for %1", group.name);
                    break;
                case DriverTrouble::Dims:
                    finding.sentence = text(
                        "%1 has its %2, but dims where the supply is lowest: lamps and driver want "
                        "%3 of %4 there.",
                        called, set, formatted(made.across + driver.dropout, 3),
                        formatted(lowest, 3));
                    finding.action = text("fewer lamps in a row of %1", group.name);
                    break;
                case DriverTrouble::Uneven:
                    finding.sentence = text(
                        "Rows side by side share the %1 unevenly: %2 takes %3, %4 takes %5. Put "
                        "them in one row, or give each its resistor.",
                        set, rowName(group, made.brightest), formatted(bright.current, 3),
                        rowName(group, made.dimmest),
                        formatted(state.rows[made.dimmest].current, 3));
                    finding.action = text("one row for %1", group.name);
                    break;
                case DriverTrouble::Hot:
                    finding.sentence = text(
                        "The driver of %1 gives off %2: too much for one that fits a model. More "
                        "lamps in a row leave it less.",
                        group.name, formatted(made.heat, 2));
                    finding.action = text("more lamps in a row of %1", group.name);
                    break;
                case DriverTrouble::None:
                    finding.sentence =
                        byOutput ? text(
                                       "%1 works: output %2 keeps %3 by itself, the lamps take %4 "
                                       "of %5. No resistor is needed.",
                                       called, group.output, set, formatted(made.across, 3),
                                       formatted(state.drive, 3))
                                 : text(
                                       "%1 works: the driver keeps %2, the lamps take %3 of %4, "
                                       "the driver gives off %5.",
                                       called, set, formatted(made.across, 3),
                                       formatted(state.drive, 3), formatted(made.heat, 2));
                    break;
            }
            const Figure lamps =
                figures::computed(text("Across the lamps"), "V_lamps", made.across, "", {});
            finding.figures = {
                figures::computed(
                    text("Through all rows"), "I", state.total, "",
                    {byOutput ? figures::catalogue(text("Set to"), "I_set", driver.current,
                                                   verbatim(facts.job.decoder->part.name))
                              : figures::chosen(text("Set to"), "I_set", driver.current, {},
                                                "driver " + group.name + " ")}),
                lamps,
                byOutput ? figures::assumed(text("The output needs"), "V_drop", driver.dropout,
                                            text("usual for such an output"), {})
                         : figures::chosen(text("The driver needs"), "V_drop", driver.dropout, {},
                                           "driver " + group.name + " " +
                                               formatted(driver.current) + " dropout "),
                feedFigure(facts.job, group, facts.house),
                figures::computed(text("Heat of the driver"), "P", made.heat, "", {lamps})};
            if (byOutput) {
                // Where one that keeps its current does not do.
                if (made.verdict != State::Fine && made.trouble != DriverTrouble::NotConnected) {
                    for (Option& each : movesToFree(facts.job, group, Amperes{0},
                                                    text("that one switches to ground"))) {
                        finding.options.push_back(std::move(each));
                    }
                }
                oneRow(facts, group, made, finding);
                return;
            }
            if (made.trouble == DriverTrouble::Burns || made.trouble == DriverTrouble::MayBurn) {
                if (const auto amps = gentler(group, state, made)) {
                    Option option;
                    option.what = text("a driver of %1", formatted(*amps));
                    option.effect = text("within what each lamp bears");
                    option.state = State::Fine;
                    std::string line = formatted(*amps);
                    line.erase(line.find(' '), 1);
                    option.jot = "driver " + group.name + " " + line;
                    finding.options.push_back(std::move(option));
                }
            }
            oneRow(facts, group, made, finding);
            if (made.trouble != DriverTrouble::None &&
                made.trouble != DriverTrouble::NotConnected) {
                if (auto option = resistorsInstead(facts, group))
                    finding.options.push_back(std::move(*option));
            }
        });
}

}  // namespace glimmet::core::lamps
