#include "core/work/lamps/judge_bulbs.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/supply.h"
#include "core/finding/answer.h"
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/led/resistor_package.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {
namespace {

// Limits; docs/physics.md.
constexpr double burnsAbove = 1.3;   // of its rated volts, in the highest case: hours
constexpr double shortAbove = 1.05;  // it lives half as long
constexpr double dimBelow = 0.15;    // of its rated light
constexpr double darkLight = 0.01;   // a dull glow
constexpr Watts warms{0.25};         // what a bulb gives off before plastic near it softens
constexpr double inrushBears = 3.0;  // times its limit, for the moment that a bulb is cold

enum class BulbTrouble { Burns, Dark, ShortLived, Dim, NoResistor, None };

struct BulbVerdict {
    BulbTrouble trouble{};
    State state{};
    Gravity gravity{};
};

const FilamentRating& bulbOf(const LampGroup& group, std::size_t row) {
    return *group.rows[row].lamps.front().part.filament;
}

/// The most volts across the worst of a row's bulbs.
Volts highestVolts(const LampGroup& group, std::size_t row, const RowState& made) {
    return voltageOf(bulbOf(group, row), made.highest);
}

BulbVerdict verdictOf(const LampGroup& group, std::size_t row, const RowState& made) {
    const FilamentRating& bulb = bulbOf(group, row);
    if (!made.connected) return {BulbTrouble::NoResistor, State::Ask, Gravity::DoesNotWork};
    const Volts volts = made.led.front();
    if (highestVolts(group, row, made) > bulb.rated * burnsAbove) {
        return {BulbTrouble::Burns, State::Over, Gravity::PartDestroyed};
    }
    const double light = volts > Volts{0} ? filamentLight(bulb, volts) : 0;
    if (light < darkLight) return {BulbTrouble::Dark, State::Over, Gravity::DoesNotWork};
    if (volts > bulb.rated * shortAbove) {
        return {BulbTrouble::ShortLived, State::Close, Gravity::WorksBadly};
    }
    if (light < dimBelow) return {BulbTrouble::Dim, State::Close, Gravity::WorksBadly};
    return {BulbTrouble::None, State::Fine, Gravity::CouldBeBetter};
}

std::string jotOf(Ohms resistance) { return formatted(resistance.value(), Dimension::Ratio) + "R"; }

/// A resistor that leaves the bulb about its rated volts, what it gives then and gives off.
std::optional<Option> resistorFor(const JobAnalysis& facts, const LampGroup& group, std::size_t row,
                                  const RowState& made) {
    const auto value =
        fittedResistor(made.ideal, {bulbOf(group, row).current, group.wish.series, {}});
    if (!value) return {};
    const auto current = currentWith(facts.job, group, made, row, *value, facts.house);
    if (!current) return {};
    const Volts volts = voltageOf(bulbOf(group, row), *current);
    const Watts heat = *current * *current * *value;
    Option option;
    option.what = verbatim(formatted(*value));
    option.effect = text("leaves it %1, %2 of its light, in a resistor of %3", formatted(volts, 3),
                         percent(filamentLight(bulbOf(group, row), volts)), resistorBody(heat));
    option.state = State::Fine;
    option.jot = "resistor " + rowName(group, row) + " " + jotOf(*value);
    option.inPlace = group.rows[row].resistor == value;
    return option;
}

/// A bulb of about the same light that is made for the voltage there is.
std::optional<Option> bulbFor(const LampGroup& group, std::size_t row, Volts there) {
    const FilamentRating& bulb = bulbOf(group, row);
    for (const double rated : {1.5, 3.0, 4.5, 6.0, 8.0, 10.0, 12.0, 14.0, 16.0, 19.0, 24.0}) {
        FilamentRating made = bulb;
        made.rated = Volts{rated};
        if (there > made.rated || !(made.rated < bulb.rated)) continue;
        const double light = filamentLight(made, there);
        if (light < dimBelow) return {};
        Option option;
        option.what = text("a bulb for %1", formatted(made.rated, 3));
        option.effect = text("%1 of its rated light", percent(light));
        option.state = State::Fine;
        option.jot = "bulb " + group.name + " " + formatted(rated, Dimension::Ratio) + "V " +
                     formatted(bulb.current.value() * 1000, Dimension::Ratio) + "mA";
        return option;
    }
    return {};
}

Text plasticCaution() {
    return text("A bulb gets hot: keep it clear of plastic, or line the shell with foil there.");
}

/// A row of bulbs and what its sentence, figures and options are made of.
struct JudgedBulb {
    const JobAnalysis& facts;
    const LampGroup& group;
    std::size_t row;
    const GroupState& state;
    BulbVerdict verdict;

    [[nodiscard]] const RowState& made() const { return state.rows[row]; }
    [[nodiscard]] const FilamentRating& bulb() const { return bulbOf(group, row); }
    [[nodiscard]] std::string name() const { return rowName(group, row); }
    [[nodiscard]] Volts volts() const { return made().connected ? made().led.front() : Volts{0}; }
    [[nodiscard]] Ohms resistor() const { return group.rows[row].resistor.value_or(Ohms{0}); }
    [[nodiscard]] bool isDim() const {
        return verdict.trouble == BulbTrouble::Dark || verdict.trouble == BulbTrouble::Dim;
    }
};

void sayBulb(const JudgedBulb& one, Finding& finding) {
    const std::string called = atStart(one.name()), rated = formatted(one.bulb().rated, 3);
    const std::string has = formatted(one.volts(), 3);
    const std::string light =
        one.volts() > Volts{0} ? percent(filamentLight(one.bulb(), one.volts())) : percent(0);
    switch (one.verdict.trouble) {
        case BulbTrouble::Burns:
            finding.sentence =
                text("%1 burns out soon: up to %2 on a bulb for %3.", called,
                     formatted(highestVolts(one.group, one.row, one.made()), 3), rated);
            finding.action = text("a resistor for %1", one.name());
            return;
        case BulbTrouble::ShortLived:
            finding.sentence = text("%1 has %2 on a bulb for %3: it lives %4 of its time.", called,
                                    has, rated, percent(filamentLife(one.bulb(), one.volts())));
            finding.action = text("a resistor for %1", one.name());
            return;
        case BulbTrouble::Dark:
            finding.sentence = text("%1 stays dark: %2 on a bulb for %3.", called, has, rated);
            finding.action = text("a bulb for fewer volts for %1", one.name());
            return;
        case BulbTrouble::Dim:
            finding.sentence = text("%1 only glimmers: %2 on a bulb for %3 give %4 of its light.",
                                    called, has, rated, light);
            finding.action = text("a bulb for fewer volts for %1", one.name());
            return;
        case BulbTrouble::NoResistor:
            finding.sentence = text("%1 is not connected: say its resistor, or none.", called);
            finding.action = text("choose the resistor of %1", one.name());
            return;
        case BulbTrouble::None:
            finding.sentence = text("%1 works: %2 of its %3, %4; %5 of its rated light.", called,
                                    has, rated, formatted(one.made().current, 3), light);
            return;
    }
}

void offerForBulb(const JudgedBulb& one, Finding& finding) {
    const std::string none = "resistor " + one.name() + " none";
    const bool connected = one.verdict.trouble != BulbTrouble::NoResistor;
    if (!connected)
        finding.options.push_back(
            {text("none"), text("straight on the output"), State::Fine, none});
    if (auto option = resistorFor(one.facts, one.group, one.row, one.made());
        option && one.verdict.state != State::Fine) {
        finding.options.push_back(std::move(*option));
    }
    const bool limited = one.resistor() > Ohms{0};
    if (one.isDim() && limited) {
        finding.options.insert(
            finding.options.begin(),
            {text("no resistor"), text("all volts for the bulb"), State::Fine, none});
    }
    const bool single = one.group.rows.size() == 1;
    if (one.isDim() && single && one.group.rows[one.row].lamps.size() == 1) {
        if (auto option = bulbFor(one.group, one.row, limited ? one.state.drive : one.volts()))
            finding.options.push_back(std::move(*option));
    }
    if (one.verdict.trouble != BulbTrouble::None && connected && single) {
        finding.options.push_back({text("a warm white LED in its place"),
                                   text("stays cool, takes some mA; its resistor is chosen next"),
                                   State::Fine, "lamp " + one.group.name + " warm white"});
    }
}

std::vector<Figure> bulbFigures(const JudgedBulb& one) {
    const Figure across = figures::computed(text("Across the bulb"), "V_bulb", one.volts(), "",
                                            {feedFigure(one.facts.job, one.group, one.facts.house),
                                             figures::chosen(text("Resistor"), "R", one.resistor(),
                                                             {}, "resistor " + one.name() + " ")});
    const Figure current = figures::computed(text("Current"), "I", one.made().current, "", {});
    return {across,
            figures::chosen(text("Rated"), "V_rated", one.bulb().rated,
                            text("printed on it or read"), "bulb " + one.group.name + " "),
            current,
            figures::computed(text("Heat of the bulb"), "P_bulb", one.volts() * one.made().current,
                              "V_bulb · I", {across, current})};
}

void judgeBulbRow(const JobAnalysis& facts, const LampGroup& group, std::size_t row,
                  const GroupState& state, Judging& judging) {
    const JudgedBulb one{facts, group, row, state, verdictOf(group, row, state.rows[row])};
    judging.say("lamp.bulb:" + rowId(group, row), subjectOf(group), one.verdict.state,
                one.verdict.gravity, [&](Finding& finding) {
                    sayBulb(one, finding);
                    offerForBulb(one, finding);
                    finding.figures = bulbFigures(one);
                    if (one.volts() * one.made().current > warms)
                        finding.caution = plasticCaution();
                });
}

/// Cold, a filament is a tenth of its resistance: an output's protection may take it for a short.
void judgeInrush(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                 Judging& judging) {
    const DecoderOutput* output = outputNamed(facts.job, group.output);
    if (!output || !output->limit || state.total > *output->limit)
        return;  // that is said by itself
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        // What ends that ends this too.
        if (verdictOf(group, row, state.rows[row]).trouble == BulbTrouble::Burns) return;
    }
    double siemens = 0;
    for (const LampRow& row : group.rows) {
        if (!row.resistor) continue;
        Ohms cold = *row.resistor;
        for (const Lamp& lamp : row.lamps) cold += coldResistance(*lamp.part.filament);
        siemens += 1 / cold.value();
    }
    if (!(siemens > 0)) return;
    const Ohms path{1 / siemens + (state.outputSeries + group.shared()).value()};
    const Amperes inrush = state.drive / path;
    const Amperes bears = *output->limit * inrushBears;
    if (inrush <= bears) return;
    judging.say(
        "lamp.inrush:" + group.id, subjectOf(group), State::Close, Gravity::DoesNotWork,
        [&](Finding& finding) {
            finding.sentence = text(
                "Cold, %1 draws %2 for a moment, and output %3 is made for %4: its protection may "
                "take that for a short.",
                group.name, formatted(inrush, 2), group.output, formatted(*output->limit, 3));
            finding.action = text("a resistor for %1", group.name);
            finding.figures = {
                figures::computed(
                    text("Current at the first moment"), "I_cold", inrush, "V / (R_cold + R)",
                    {feedFigure(facts.job, group, facts.house),
                     figures::assumed(text("Cold, of its resistance hot"), "R_cold",
                                      coldResistance(bulbOf(group, 0)), text("a tenth"))}),
                figures::catalogue(text("Output's limit"), "I_limit", *output->limit,
                                   verbatim(facts.job.decoder->part.name))};
            // As many ohms as leave the first moment what the output bears.
            const Ohms wanted = state.drive / bears - path;
            const double rows = static_cast<double>(group.rows.size());
            const auto value =
                preferredValue(group.rows.front().resistor.value_or(Ohms{0}) + wanted * rows,
                               group.wish.series, RoundingPolicy::Higher);
            const auto then = currentWith(facts.job, group, 0, value, facts.house);
            if (!then) return;
            const Volts left = voltageOf(bulbOf(group, 0), *then);
            Option option;
            option.what = group.rows.size() > 1 ? text("%1 for each", formatted(value))
                                                : verbatim(formatted(value));
            option.effect = text("at most %1 then; leaves it %2 of its light", formatted(bears, 2),
                                 percent(filamentLight(bulbOf(group, 0), left)));
            option.state = State::Fine;
            option.jot = "resistor " + group.name + " " + jotOf(value);
            finding.options.push_back(std::move(option));
        });
}

/// What the board carries decides how bright it is: asked where nobody has looked.
void judgeBoard(const JobAnalysis& facts, const LampGroup& group, Judging& judging) {
    judging.say("lamp.output:" + group.id, subjectOf(group), State::Ask, Gravity::WorksBadly,
                [&](Finding& finding) {
                    finding.sentence = text(
                        "Look whether output %1 has a resistor on the board: behind one a "
                        "bulb stays dark.",
                        group.output);
                    finding.action = text("look at output %1 for a resistor", group.output);
                    for (const Ohms board : likelyOnBoard) {
                        const auto then = groupState(facts.job, group, facts.house, board);
                        if (!then) continue;
                        const RowState& row = then->rows.front();
                        const bool bare = !(board > Ohms{0});
                        const double light = row.connected && row.led.front() > Volts{0}
                                                 ? filamentLight(bulbOf(group, 0), row.led.front())
                                                 : 0;
                        finding.options.push_back(answer(
                            bare ? text("It is bare") : text("It carries %1", formatted(board)),
                            text("%1 of its light", percent(light)), verdictOf(group, 0, row).state,
                            "output " + group.output + " " + (bare ? "bare" : jotOf(board))));
                    }
                });
}

}  // namespace

void judgeBulbs(const JobAnalysis& facts, const LampGroup& group, const GroupState& state,
                Judging& judging) {
    if (!state.outputSeriesKnown && outputNamed(facts.job, group.output)) {
        judgeBoard(facts, group, judging);
        return;
    }
    for (std::size_t row = 0; row < group.rows.size(); ++row) {
        judgeBulbRow(facts, group, row, state, judging);
    }
    judgeInrush(facts, group, state, judging);
}

}  // namespace glimmet::core::lamps
