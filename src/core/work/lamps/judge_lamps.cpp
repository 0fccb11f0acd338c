// Checks of the lamp circuits.
#include "core/led/preferred_value.h"
#include "core/led/resistor_choice.h"
#include "core/quantity/format.h"
#include "core/work/lamp_groups.h"
#include "core/work/lamps/lamps.h"
#include "core/work/supply.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core::lamps {
namespace {

constexpr double lampCloseAbove = 0.85;  // of an LED's limit

std::string rowName(const LampGroup& group, std::size_t row) {
    if (group.rows.size() == 1) return group.name;
    return group.name + "/" + std::to_string(row + 1);
}

/// The same by ids, which stay when a lamp is renamed: "L3/2".
std::string rowId(const LampGroup& group, std::size_t row) {
    return group.rows.size() == 1 ? group.id : group.id + "/" + std::to_string(row + 1);
}

Subject subjectOf(const LampGroup& group) { return {group.id, group.name}; }

/// A name at the start of a sentence. Names of lamps are the user's; only ASCII is raised.
std::string atStart(std::string called) {
    if (!called.empty() && called.front() >= 'a' && called.front() <= 'z') {
        called.front() = static_cast<char>(called.front() - 'a' + 'A');
    }
    return called;
}

/// A resistance as a jot line takes it: no space, no sign that a keyboard lacks.
std::string jotOhms(Ohms resistance) {
    std::string words = formattedExactly(resistance);
    words.erase(words.find(' '), 1);
    words.erase(words.find("Ω"));
    return words.back() >= '0' && words.back() <= '9' ? words + "R" : words;
}

Text effectWords(Amperes current, Amperes wished) {
    return text("%1, %2", formatted(current, 3), lightWords(relativeLight(current, wished)));
}

/// Resistors for one row: what the policy picks first, then the others by nearness to the wish,
/// and the two rules of thumb of the trade with what they really give.
std::vector<Option> resistorOptions(const Job& job, const LampGroup& group, std::size_t row,
                                    const RowState& state, const House& house) {
    std::vector<Option> options;
    if (!(state.ideal > Ohms{0})) return options;
    struct Candidate {
        Ohms value{};
        Amperes current{};
        double away{};
        bool thumb = false;
    };
    std::vector<Candidate> candidates;
    const auto add = [&](Ohms value, bool thumb) {
        const bool known = std::any_of(candidates.begin(), candidates.end(),
                                       [&](const Candidate& c) { return c.value == value; });
        const auto current = currentWith(job, group, row, value, house);
        if (known || !current) return;
        candidates.push_back(
            {value, *current,
             std::abs(std::log(std::max(relativeLight(*current, group.wish.target), 1e-12))),
             thumb});
    };
    for (const Ohms value : preferredAround(state.ideal, group.wish.series, 2)) add(value, false);
    if (group.rows[row].resistor) add(*group.rows[row].resistor, false);
    add(Ohms{1000}, true);
    add(Ohms{2200}, true);
    const auto policy = fittedResistor(state.ideal, group.wish);
    std::stable_sort(candidates.begin(), candidates.end(),
                     [&](const Candidate& a, const Candidate& b) {
                         const bool aFirst = policy && a.value == *policy;
                         const bool bFirst = policy && b.value == *policy;
                         return aFirst != bFirst ? aFirst : a.away < b.away;
                     });
    for (const Candidate& candidate : candidates) {
        Option option;
        option.what = candidate.thumb ? text("%1, the rule of thumb", formatted(candidate.value))
                                      : verbatim(formatted(candidate.value));
        option.effect = effectWords(candidate.current, group.wish.target);
        option.state = stateAgainst(candidate.current.value(), state.limit.value(), lampCloseAbove);
        option.jot = "resistor " + rowName(group, row) + " " + jotOhms(candidate.value);
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

/// The current of a row with all that it rests on.
std::vector<Figure> rowFigures(const Job& job, const LampGroup& group, std::size_t row,
                               const GroupState& state, const House& house) {
    const RowState& made = state.rows[row];
    const LampRow& lamps = group.rows[row];
    std::vector<Figure> inputs{busFigure(job, house)};
    std::string drops = "V_bus";
    if (group.output != supplyOutput) {
        inputs.push_back(switchFigure(job, house));
        drops += " − V_switch";
    }
    for (std::size_t i = 0; i < lamps.lamps.size(); ++i) {
        const std::string symbol =
            lamps.lamps.size() == 1 ? "V_led" : "V_led" + std::to_string(i + 1);
        drops += " − " + symbol;
        inputs.push_back(figures::made(text("Across %1", lamps.lamps[i].part.name), symbol,
                                       made.led[i], lampBasis(lamps.lamps[i])));
    }
    std::string path = "R";
    inputs.push_back(figures::chosen(text("Resistor"), "R", *lamps.resistor,
                                     text("for %1", rowName(group, row)),
                                     "resistor " + rowName(group, row) + " "));
    const Ohms common = group.shared() + state.outputSeries;
    if (common > Ohms{0} && group.rows.size() == 1) {
        path = "(R + R_common)";
        inputs.push_back(
            figures::computed(text("Shared and output resistance"), "R_common", common, "", {}));
    } else if (common > Ohms{0}) {
        drops += " − V_common";
        inputs.push_back(figures::computed(text("Across shared and output resistance"), "V_common",
                                           state.total * common, "", {}));
    }
    Figure current =
        group.rows[row].resistor->value() > 0 || common > Ohms{0}
            ? figures::computed(text("Current through %1", rowName(group, row)), "I", made.current,
                                "(" + drops + ") / " + path, std::move(inputs))
            : figures::computed(text("Current through %1", rowName(group, row)), "I", made.current,
                                "", std::move(inputs));
    std::vector<Figure> all{std::move(current)};
    all.push_back(figures::computed(text("Spread, dimmest"), "I_min", made.lowest, "", {}));
    all.push_back(figures::computed(text("Spread, brightest"), "I_max", made.highest, "", {}));
    all.push_back(figures::made(
        text("Lamp's limit"), "I_limit", made.limit,
        lampBasis(lamps.lamps.front()).kind == Basis::Kind::Assumed
            ? Basis{Basis::Kind::Assumed, {}, text("usual for LEDs")}
            : Basis{Basis::Kind::Catalogue, {}, verbatim(lamps.lamps.front().part.name)}));
    all.push_back(figures::computed(
        text("Heat in the resistor"), "P", made.resistorPower, "I · I · R",
        {all.front(), all.front().inputs[all.front().inputs.size() - (common > Ohms{0} ? 2 : 1)]}));
    return all;
}

/// What is the matter with a row, the gravest first.
enum class RowTrouble { SupplyTooLow, NoResistor, Burns, TooDim, NearLimit, None };

struct RowVerdict {
    RowTrouble trouble{};
    State state{};
    Gravity gravity{};
};
RowVerdict rowVerdict(const RowState& made, Amperes wished) {
    if (!(made.ideal > Ohms{0}) && !(made.connected && made.current > wished * 0.5)) {
        return {RowTrouble::SupplyTooLow, State::Over, Gravity::DoesNotWork};
    }
    if (!made.connected) return {RowTrouble::NoResistor, State::Ask, Gravity::DoesNotWork};
    State state = stateAgainst(made.current.value(), made.limit.value(), lampCloseAbove);
    if (state == State::Over) return {RowTrouble::Burns, state, Gravity::PartDestroyed};
    if (made.highest > made.limit) state = State::Close;
    if (relativeLight(made.current, wished) < 0.5) {
        return {RowTrouble::TooDim, worse(state, State::Close), Gravity::WorksBadly};
    }
    if (state == State::Close) return {RowTrouble::NearLimit, state, Gravity::PartDestroyed};
    return {RowTrouble::None, state, Gravity::CouldBeBetter};
}

Text rowSentence(const LampGroup& group, std::size_t row, const GroupState& state,
                 RowTrouble trouble, const std::vector<Option>& options) {
    const RowState& made = state.rows[row];
    const std::string called = atStart(rowName(group, row));
    const std::string amps = formatted(made.current, 3);
    const std::string limit = formatted(made.limit, 3);
    const Text light = lightWords(relativeLight(made.current, group.wish.target));
    switch (trouble) {
        case RowTrouble::SupplyTooLow:
            return text(
                "%1 stays dim or dark: %2 is too little for its LEDs at %3. Put fewer "
                "in a row or wish for less.",
                called, formatted(state.bus), formatted(group.wish.target));
        case RowTrouble::NoResistor:
            return options.empty() ? text("%1 has no resistor yet.", called)
                                   : text("%1 has no resistor yet: %2 gives %3.", called,
                                          options.front().what, options.front().effect);
        case RowTrouble::Burns:
            return group.rows[row].resistor->value() > 0
                       ? text("%1 burns: it takes %2, its limit is %3.", called, amps, limit)
                       : text("%1 burns: with no resistor it takes %2, its limit is %3.", called,
                              amps, limit);
        case RowTrouble::TooDim:
            return text("%1 works, but %2: %3 where %4 was wished.", called, light, amps,
                        formatted(group.wish.target, 3));
        case RowTrouble::NearLimit:
            return text("%1 works, but close to its limit: %2, up to %3 in the worst case, of %4.",
                        called, amps, formatted(made.highest, 3), limit);
        case RowTrouble::None:
            break;
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
            return text("larger resistor for %1", called);
        case RowTrouble::TooDim:
            return text("smaller resistor for %1", called);
        case RowTrouble::NearLimit:
        case RowTrouble::None:
            break;
    }
    return {};
}

void judgeRow(const Reckoned& facts, const LampGroup& group, std::size_t row,
              const GroupState& state, Judging& judging) {
    const Job& job = facts.job;
    const RowState& made = state.rows[row];
    const std::string called = rowName(group, row);
    const RowVerdict verdict = rowVerdict(made, group.wish.target);
    judging.say(
        "lamp.current:" + rowId(group, row), subjectOf(group), verdict.state, verdict.gravity,
        [&](Finding& finding) {
            finding.options = resistorOptions(job, group, row, made, facts.house);
            finding.sentence = rowSentence(group, row, state, verdict.trouble, finding.options);
            finding.action = rowAction(called, verdict.trouble);
            const Figure wish =
                figures::chosen(text("Wished current"), "I_wish", group.wish.target,
                                text("a brightness decision"), "target " + group.name + " ");
            const Figure bus = busFigure(job, facts.house);
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

/// The output's own resistance is part of the circuit: it is asked for, never assumed in silence.
void judgeOutput(const LampGroup& group, Judging& judging) {
    judging.say(
        "lamp.output:" + group.id, subjectOf(group), State::Ask, Gravity::PartDestroyed,
        [&](Finding& finding) {
            finding.sentence = text(
                "Find out whether output %1 already has a resistor on the board: a "
                "second one makes %2 too dim, none at all burns it.",
                group.output, group.name);
            finding.action = text("look at output %1 for a resistor", group.output);
            finding.figures = {figures::missing(
                text("Resistance of output %1", group.output), "R_out", Dimension::Resistance,
                text("read the board or measure it, power off"), "output " + group.output + " ")};
            for (const auto& [what, jot] : {std::pair{text("It is bare"), "bare"},
                                            std::pair{text("It carries 470 Ω"), "470R"},
                                            std::pair{text("It carries 1 kΩ"), "1k"}}) {
                Option option;
                option.what = what;
                option.effect = text("as found on the board");
                option.state = State::Ask;
                option.jot = "output " + group.output + " " + jot;
                finding.options.push_back(std::move(option));
            }
        });
}

Text outputKindWords(OutputKind kind) {
    switch (kind) {
        case OutputKind::LogicLevel:
            return text("is a signal, not made to light a lamp");
        case OutputKind::LampSupply:
            return text("is a fixed supply for filament lamps");
        case OutputKind::ConstantCurrent:
            return text("sets the lamp's current itself");
        case OutputKind::LowSide:
            return text("switches to ground");
        case OutputKind::Unknown:
            break;
    }
    return text("is of an unknown kind");
}

void judgeGroup(const Job& job, const LampGroup& group, const GroupState& state, Judging& judging) {
    // Uneven rows: the lamp with the lower voltage takes what the others are short of.
    std::optional<std::pair<std::size_t, std::size_t>> extremes;
    for (std::size_t r = 0; r < state.rows.size(); ++r) {
        if (!state.rows[r].connected) continue;
        if (!extremes) extremes = {r, r};
        if (state.rows[r].current < state.rows[extremes->first].current) extremes->first = r;
        if (state.rows[r].current > state.rows[extremes->second].current) extremes->second = r;
    }
    if (extremes && extremes->first != extremes->second) {
        const Amperes low = state.rows[extremes->first].current;
        const Amperes high = state.rows[extremes->second].current;
        if (high > low * 1.25) {
            judging.say("lamp.uneven:" + group.id, subjectOf(group), State::Close,
                        Gravity::LooksUneven, [&](Finding& finding) {
                            finding.sentence =
                                high > low * 20.0
                                    ? text(
                                          "Only the lamp with the lower voltage lights: %1 takes "
                                          "%2, %3 takes %4.",
                                          rowName(group, extremes->second), formatted(high, 3),
                                          rowName(group, extremes->first), formatted(low, 3))
                                    : text(
                                          "Uneven: %1 takes %2, %3 takes %4. A resistor of its own "
                                          "for each lamp "
                                          "evens them out.",
                                          rowName(group, extremes->second), formatted(high, 3),
                                          rowName(group, extremes->first), formatted(low, 3));
                            finding.action = text("own resistors for %1", group.name);
                            finding.figures = {
                                figures::computed(text("Brightest row"), "I_high", high, "", {}),
                                figures::computed(text("Dimmest row"), "I_low", low, "", {})};
                        });
        }
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
    if (const DecoderOutput* output = outputNamed(job, group.output)) {
        if (output->kind != OutputKind::LowSide) {
            judging.say("lamp.output-kind:" + group.id, subjectOf(group), State::Ask,
                        Gravity::DoesNotWork, [&](Finding& finding) {
                            finding.sentence = text(
                                "Output %1 %2: what is worked out for %3 holds for an output that "
                                "switches to ground. Measure before you trust it.",
                                group.output, outputKindWords(output->kind), group.name);
                            finding.action = text("find out what output %1 does", group.output);
                        });
        }
        const State load = stateAgainst(state.total.value(), output->limit.value(), lampCloseAbove);
        if (load != State::Fine) {
            judging.say(
                "lamp.output-current:" + group.id, subjectOf(group), load, Gravity::PartDestroyed,
                [&](Finding& finding) {
                    finding.sentence = text("Output %1 carries %2 of its %3.", group.output,
                                            formatted(state.total, 3), formatted(output->limit, 3));
                    finding.action = text("fewer or dimmer lamps on output %1", group.output);
                    finding.figures = {
                        figures::computed(text("All rows together"), "I_out", state.total, "", {}),
                        figures::catalogue(text("Output's limit"), "I_limit", output->limit,
                                           verbatim(job.decoder->part.name))};
                });
        }
    } else if (group.output != supplyOutput) {
        judging.say("lamp.no-output:" + group.id, subjectOf(group), State::Ask,
                    Gravity::DoesNotWork, [&](Finding& finding) {
                        finding.sentence =
                            job.decoder ? text("The decoder has no output called %1.", group.output)
                                        : text("%1 waits for a decoder: it hangs on its output %2.",
                                               atStart(group.name), group.output);
                        finding.action = job.decoder ? text("move %1 to another output", group.name)
                                                     : text("choose a decoder");
                    });
    }
}

}  // namespace

bool applies(const Job&) { return true; }

Idle idle(const Job& job) { return {job.groups.empty() ? text("no lamps yet") : Text{}}; }

void judge(const Reckoned& facts, Judging& judging) {
    const Job& job = facts.job;
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        const LampGroup& group = job.groups[g];
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
        if (!state->outputSeriesKnown && outputNamed(job, group.output)) {
            judgeOutput(group, judging);
        }
        for (std::size_t row = 0; row < group.rows.size(); ++row) {
            judgeRow(facts, group, row, *state, judging);
        }
        judgeGroup(job, group, *state, judging);
    }
    const Amperes functions = facts.outputsOn();
    if (job.decoder && functions > Amperes{0}) {
        const State load = stateAgainst(functions.value(), job.decoder->part.functionTotal.value(),
                                        1.0 - facts.house.closeMargin);
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
        });
    }
}

}  // namespace glimmet::core::lamps
