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

/// A group behind a driver with what its sentence, figures and options are made of.
struct JudgedDriver {
    const JobAnalysis& facts;
    const LampGroup& group;
    const GroupState& state;
    bool byOutput;  ///< the output keeps its current by itself
    Driven made;

    [[nodiscard]] const ThroughDriver& driver() const { return *group.driver(); }
    [[nodiscard]] const RowState& bright() const { return state.rows[made.brightest]; }
    [[nodiscard]] const RowState& dim() const { return state.rows[made.dimmest]; }
    [[nodiscard]] std::string called() const { return atStart(group.name); }
    [[nodiscard]] std::string set() const { return formatted(driver().current); }
    [[nodiscard]] bool is(DriverTrouble trouble) const { return made.trouble == trouble; }
};

void sayNotConnected(const JudgedDriver& one, Finding& finding) {
    const std::string row = rowName(one.group, one.made.dimmest);
    finding.sentence = text("%1 is not connected: say its resistor, or none.", atStart(row));
    finding.action = text("connect %1", row);
    Option none;
    none.what = text("no resistor");
    none.effect = text("the driver keeps its current");
    LampGroup with = one.group;
    with.rows[one.made.dimmest].resistor = Ohms{0};
    const auto then = groupState(one.facts.job, with, one.facts.house);
    none.state = then ? drivenBy(one.facts, with, *then, one.byOutput).verdict : State::Ask;
    none.jot = "resistor " + row + " none";
    finding.options.push_back(std::move(none));
}

void sayBurns(const JudgedDriver& one, Finding& finding) {
    const Text who = one.byOutput ? text("Output %1", one.group.output) : text("The driver");
    const std::string limit = formatted(one.bright().limit, 3);
    finding.sentence =
        one.group.rows.size() == 1
            ? text("%1 keeps %2, and %3 is rated for %4: it burns.", who, one.set(), one.group.name,
                   limit)
            : text(
                  "%1 keeps %2, and up to %3 of it go through %4, which is rated for %5: it burns.",
                  who, one.set(),
                  formatted(std::max(one.bright().current, one.bright().highest), 3),
                  rowName(one.group, one.made.brightest), limit);
    finding.action = text("a smaller current for %1", one.group.name);
}

/// Between the crests of the AC: a capacitor carries it from one to the next.
void sayStarvedBetweenCrests(const JudgedDriver& one, Finding& finding) {
    finding.sentence = text(
        "%1 gets %2 of the %3 that its driver is set to, on average: between the crests of the AC "
        "it has too little. Put a capacitor behind the bridge.",
        one.called(), formatted(one.state.total, 3), one.set());
    finding.action = text("a capacitor behind the bridge");
    finding.caution = capacitorCaution();
    const auto& feed = railFeed(one.facts);
    if (!feed) return;
    const Volts wanted = std::max(needed(one.group, one.made), feed->half);
    // With all of its current it draws the more on the capacitor.
    const Seconds gap = halfOf(one.facts.house.mains) * (one.driver().current / one.state.total);
    if (auto option =
            capacitorOption(*feed, gap, wanted, text("carries the driver from crest to crest"))) {
        finding.options.push_back(std::move(*option));
    }
}

void sayStarved(const JudgedDriver& one, Finding& finding) {
    const std::string total = formatted(one.state.total, 3), drive = formatted(one.state.drive, 3);
    if (one.state.wave == Wave::OneHalf) {
        finding.sentence = text(
            "%1 gets %2 of the %3 that its driver is set to, on the average: it lights in one half "
            "of the AC only.",
            one.called(), total, one.set());
        finding.action = text("a bridge rectifier before the lamps");
        return;
    }
    if (one.state.wave != Wave::Steady &&
        one.made.across + one.driver().dropout < one.state.drive) {
        return sayStarvedBetweenCrests(one, finding);
    }
    const bool several = seriesLamps(one.group.rows[one.made.brightest]) > 1;
    const std::string need = formatted(needed(one.group, one.made), 3);
    finding.sentence =
        several ? text(
                      "%1 gets %2 of the %3 that its driver is set to: lamps and driver need %4 of "
                      "%5. Put fewer in a row.",
                      one.called(), total, one.set(), need, drive)
                : text(
                      "%1 gets %2 of the %3 that its driver is set to: the lamp and the driver's "
                      "own %4 need %5 of %6.",
                      one.called(), total, one.set(), formatted(one.driver().dropout), need, drive);
    finding.action = several ? text("fewer lamps in a row of %1", one.group.name)
                             : text("a resistor instead of the driver of %1", one.group.name);
}

void sayRows(const JudgedDriver& one, Finding& finding) {
    const std::string bright = rowName(one.group, one.made.brightest);
    const std::string dim = rowName(one.group, one.made.dimmest);
    const std::string more = formatted(one.bright().current, 3);
    finding.sentence =
        one.is(DriverTrouble::OneDark)
            ? text(
                  "%1 stays dark with %2 while %3 takes %4: side by side, the lower voltage takes "
                  "the current. Put them in one row, or give each its resistor.",
                  atStart(dim), formatted(one.dim().current, 2), bright, more)
            : text(
                  "Rows side by side share the %1 unevenly: %2 takes %3, %4 takes %5. Put them in "
                  "one row, or give each its resistor.",
                  one.set(), bright, more, dim, formatted(one.dim().current, 3));
    finding.action = text("one row for %1", one.group.name);
}

void sayWorks(const JudgedDriver& one, Finding& finding) {
    const std::string across = formatted(one.made.across, 3), drive = formatted(one.state.drive, 3);
    finding.sentence =
        one.byOutput
            ? text(
                  "%1 works: output %2 keeps %3 by itself, the lamps take %4 of %5. No resistor is "
                  "needed.",
                  one.called(), one.group.output, one.set(), across, drive)
            : text(
                  "%1 works: the driver keeps %2, the lamps take %3 of %4, the driver gives off "
                  "%5.",
                  one.called(), one.set(), across, drive, formatted(one.made.heat, 2));
}

void sayTrouble(const JudgedDriver& one, Finding& finding) {
    switch (one.made.trouble) {
        case DriverTrouble::NotConnected:
            return sayNotConnected(one, finding);
        case DriverTrouble::Burns:
        case DriverTrouble::MayBurn:
            return sayBurns(one, finding);
        case DriverTrouble::Starved:
            return sayStarved(one, finding);
        case DriverTrouble::OneDark:
        case DriverTrouble::Uneven:
            return sayRows(one, finding);
        case DriverTrouble::Dims: {
            const Volts lowest =
                one.state.drive - crestVolts(one.facts.job) * one.facts.house.supplySpread;
            finding.sentence = text(
                "%1 has its %2, but dims where the supply is lowest: lamps and driver want %3 of "
                "%4 there.",
                one.called(), one.set(), formatted(one.made.across + one.driver().dropout, 3),
                formatted(lowest, 3));
            finding.action = text("fewer lamps in a row of %1", one.group.name);
            return;
        }
        case DriverTrouble::Hot:
            finding.sentence = text(
                "The driver of %1 gives off %2: too much for one that fits a model. More lamps in "
                "a row leave it less.",
                one.group.name, formatted(one.made.heat, 2));
            finding.action = text("more lamps in a row of %1", one.group.name);
            return;
        case DriverTrouble::None:
            return sayWorks(one, finding);
    }
}

std::vector<Figure> driverFigures(const JudgedDriver& one) {
    const std::string line = "driver " + one.group.name + " ";
    const Figure lamps =
        figures::computed(text("Across the lamps"), "V_lamps", one.made.across, "", {});
    const Figure set =
        one.byOutput ? figures::catalogue(text("Set to"), "I_set", one.driver().current,
                                          verbatim(one.facts.job.decoder->part.name))
                     : figures::chosen(text("Set to"), "I_set", one.driver().current, {}, line);
    const Figure needs =
        one.byOutput ? figures::assumed(text("The output needs"), "V_drop", one.driver().dropout,
                                        text("usual for such an output"), {})
                     : figures::chosen(text("The driver needs"), "V_drop", one.driver().dropout, {},
                                       line + one.set() + " dropout ");
    return {figures::computed(text("Through all rows"), "I", one.state.total, "", {set}), lamps,
            needs, feedFigure(one.facts.job, one.group, one.facts.house),
            figures::computed(text("Heat of the driver"), "P", one.made.heat, "", {lamps})};
}

void offerInstead(const JudgedDriver& one, Finding& finding) {
    const bool connected = !one.is(DriverTrouble::NotConnected);
    if (one.byOutput) {
        // Where one that keeps its current does not do.
        if (one.made.verdict != State::Fine && connected) {
            for (Option& each : movesToFree(one.facts.job, one.group, Amperes{0},
                                            text("that one switches to ground"))) {
                finding.options.push_back(std::move(each));
            }
        }
        oneRow(one.facts, one.group, one.made, finding);
        return;
    }
    if (one.is(DriverTrouble::Burns) || one.is(DriverTrouble::MayBurn)) {
        if (const auto amps = gentler(one.group, one.state, one.made)) {
            Option option;
            option.what = text("a driver of %1", formatted(*amps));
            option.effect = text("within what each lamp bears");
            option.state = State::Fine;
            std::string line = formatted(*amps);
            line.erase(line.find(' '), 1);
            option.jot = "driver " + one.group.name + " " + line;
            finding.options.push_back(std::move(option));
        }
    }
    oneRow(one.facts, one.group, one.made, finding);
    if (one.is(DriverTrouble::None) || !connected) return;
    if (auto option = resistorsInstead(one.facts, one.group))
        finding.options.push_back(std::move(*option));
}

}  // namespace

void judgeDriver(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                 Judging& judging) {
    const DecoderOutput* output = outputNamed(facts.job, group.output);
    const bool byOutput = output && output->kind == OutputKind::ConstantCurrent && output->limit &&
                          group.driver()->current == *output->limit;
    const JudgedDriver one{facts, group, state, byOutput, drivenBy(facts, group, state, byOutput)};
    judging.say("lamp.driver:" + group.id, subjectOf(group), one.made.verdict, one.made.gravity,
                [&](Finding& finding) {
                    sayTrouble(one, finding);
                    finding.figures = driverFigures(one);
                    offerInstead(one, finding);
                });
}

}  // namespace glimmet::core::lamps
