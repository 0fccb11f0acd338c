// Checks of the lamp circuits.
#include "core/job/checks.h"
#include "core/job/lamp_state.h"
#include "core/job/supply.h"
#include "core/quantity/format.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

constexpr double lampCloseAbove = 0.85;  // of an LED's limit

std::string rowName(const Circuit& circuit, std::size_t row) {
    if (circuit.rows.size() == 1) return circuit.name;
    return circuit.name + "/" + std::to_string(row + 1);
}

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
std::vector<Option> resistorOptions(const Job& job, const Circuit& circuit, std::size_t row,
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
        const auto current = currentWith(job, circuit, row, value, house);
        if (known || !current) return;
        candidates.push_back(
            {value, *current,
             std::abs(std::log(std::max(relativeLight(*current, circuit.wish.target), 1e-12))),
             thumb});
    };
    for (const Ohms value : preferredAround(state.ideal, circuit.wish.series, 2)) add(value, false);
    if (circuit.rows[row].resistor) add(*circuit.rows[row].resistor, false);
    add(Ohms{1000}, true);
    add(Ohms{2200}, true);
    const auto policy = fittedResistor(state.ideal, circuit.wish);
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
        option.effect = effectWords(candidate.current, circuit.wish.target);
        option.state = stateAgainst(candidate.current.value(), state.limit.value(), lampCloseAbove);
        option.jot = "resistor " + rowName(circuit, row) + " " + jotOhms(candidate.value);
        option.inPlace =
            circuit.rows[row].resistor && *circuit.rows[row].resistor == candidate.value;
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
std::vector<Figure> rowFigures(const Job& job, const Circuit& circuit, std::size_t row,
                               const CircuitState& state, const House& house) {
    const RowState& made = state.rows[row];
    const LampRow& lamps = circuit.rows[row];
    std::vector<Figure> inputs{busFigure(job, house)};
    std::string drops = "V_bus";
    if (circuit.output != supplyOutput) {
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
                                     text("for %1", rowName(circuit, row)),
                                     "resistor " + rowName(circuit, row) + " "));
    const Ohms common = circuit.shared + state.outputSeries;
    if (common > Ohms{0} && circuit.rows.size() == 1) {
        path = "(R + R_common)";
        inputs.push_back(
            figures::computed(text("Shared and output resistance"), "R_common", common, "", {}));
    } else if (common > Ohms{0}) {
        drops += " − V_common";
        inputs.push_back(figures::computed(text("Across shared and output resistance"), "V_common",
                                           state.total * common, "", {}));
    }
    Figure current =
        circuit.rows[row].resistor->value() > 0 || common > Ohms{0}
            ? figures::computed(text("Current through %1", rowName(circuit, row)), "I",
                                made.current, "(" + drops + ") / " + path, std::move(inputs))
            : figures::computed(text("Current through %1", rowName(circuit, row)), "I",
                                made.current, "", std::move(inputs));
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

Finding rowFinding(const Job& job, const Circuit& circuit, std::size_t row,
                   const CircuitState& state, const House& house) {
    const RowState& made = state.rows[row];
    const std::string called = rowName(circuit, row);
    Finding finding;
    finding.id = "lamp.current:" + called;
    finding.stage = Stage::Lamps;
    finding.subject = circuit.name;
    finding.options = resistorOptions(job, circuit, row, made, house);
    const Figure wish =
        figures::chosen(text("Wished current"), "I_wish", circuit.wish.target,
                        text("a brightness decision"), "target " + circuit.name + " ");
    if (!(made.ideal > Ohms{0}) && !(made.connected && made.current > circuit.wish.target * 0.5)) {
        finding.state = State::Over;
        finding.sentence = text(
            "%1 stays dim or dark: %2 is too little for its LEDs at %3. Put fewer "
            "in a row or wish for less.",
            atStart(called), formatted(state.bus), formatted(circuit.wish.target));
        finding.action = text("shorten the row of %1", called);
        finding.figures = {busFigure(job, house), wish};
        return finding;
    }
    if (!made.connected) {
        finding.state = State::Ask;
        finding.sentence = finding.options.empty()
                               ? text("%1 has no resistor yet.", atStart(called))
                               : text("%1 has no resistor yet: %2 gives %3.", atStart(called),
                                      finding.options.front().what, finding.options.front().effect);
        finding.action = text("choose the resistor of %1", called);
        finding.figures = {wish, busFigure(job, house)};
        return finding;
    }
    finding.state = stateAgainst(made.current.value(), made.limit.value(), lampCloseAbove);
    if (finding.state != State::Over && made.highest > made.limit) finding.state = State::Close;
    const std::string amps = formatted(made.current, 3);
    const std::string limit = formatted(made.limit, 3);
    const double light = relativeLight(made.current, circuit.wish.target);
    if (finding.state == State::Over) {
        finding.sentence =
            circuit.rows[row].resistor->value() > 0
                ? text("%1 burns: it takes %2, its limit is %3.", atStart(called), amps, limit)
                : text("%1 burns: with no resistor it takes %2, its limit is %3.", atStart(called),
                       amps, limit);
        finding.action = text("larger resistor for %1", called);
    } else if (light < 0.5) {
        finding.state = worse(finding.state, State::Close);
        finding.sentence = text("%1 works, but %2: %3 where %4 was wished.", atStart(called),
                                lightWords(light), amps, formatted(circuit.wish.target, 3));
        finding.action = text("smaller resistor for %1", called);
    } else {
        finding.sentence =
            finding.state == State::Close
                ? text("%1 works, but close to its limit: %2, up to %3 in the worst case, of %4.",
                       atStart(called), amps, formatted(made.highest, 3), limit)
                : text("%1 works: %2 of its %3, %4.", atStart(called), amps, limit,
                       lightWords(light));
    }
    finding.figures = rowFigures(job, circuit, row, state, house);
    finding.figures.push_back(figures::computed(job.supply.kind == SupplyKind::Dcc
                                                    ? text("Glows from track volts")
                                                    : text("Glows from supply volts"),
                                                "V_glow", state.glowFrom, "", {}));
    finding.figures.push_back(wish);
    return finding;
}

/// The output's own resistance is part of the circuit: it is asked for, never assumed in silence.
Finding outputFinding(const Circuit& circuit) {
    Finding finding;
    finding.id = "lamp.output:" + circuit.name;
    finding.stage = Stage::Lamps;
    finding.subject = circuit.name;
    finding.state = State::Ask;
    finding.sentence = text(
        "Find out whether output %1 already has a resistor on the board: a "
        "second one makes %2 too dim, none at all burns it.",
        circuit.output, circuit.name);
    finding.action = text("look at output %1 for a resistor", circuit.output);
    finding.figures = {figures::missing(
        text("Resistance of output %1", circuit.output), "R_out", Dimension::Resistance,
        text("read the board or measure it, power off"), "output " + circuit.output + " ")};
    for (const auto& [what, jot] :
         {std::pair{text("It is bare"), "bare"}, std::pair{text("It carries 470 Ω"), "470R"},
          std::pair{text("It carries 1 kΩ"), "1k"}}) {
        Option option;
        option.what = what;
        option.effect = text("as found on the board");
        option.state = State::Ask;
        option.jot = "output " + circuit.output + " " + jot;
        finding.options.push_back(std::move(option));
    }
    return finding;
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

void addGroupFindings(const Job& job, const Circuit& circuit, const CircuitState& state,
                      std::vector<Finding>& all) {
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
            Finding finding;
            finding.id = "lamp.uneven:" + circuit.name;
            finding.stage = Stage::Lamps;
            finding.subject = circuit.name;
            finding.state = State::Close;
            finding.sentence =
                high > low * 20.0
                    ? text("Only the lamp with the lower voltage lights: %1 takes %2, %3 takes %4.",
                           rowName(circuit, extremes->second), formatted(high, 3),
                           rowName(circuit, extremes->first), formatted(low, 3))
                    : text(
                          "Uneven: %1 takes %2, %3 takes %4. A resistor of its own for each lamp "
                          "evens them out.",
                          rowName(circuit, extremes->second), formatted(high, 3),
                          rowName(circuit, extremes->first), formatted(low, 3));
            finding.action = text("own resistors for %1", circuit.name);
            finding.figures = {figures::computed(text("Brightest row"), "I_high", high, "", {}),
                               figures::computed(text("Dimmest row"), "I_low", low, "", {})};
            all.push_back(std::move(finding));
        }
    }
    // Warm and cool white in one circuit.
    std::string tint;
    bool mixed = false;
    for (const LampRow& row : circuit.rows) {
        for (const Lamp& lamp : row.lamps) {
            if (lamp.part.family != LedFamily::White || lamp.part.tint.empty()) continue;
            mixed = mixed || (!tint.empty() && tint != lamp.part.tint);
            tint = lamp.part.tint;
        }
    }
    if (mixed) {
        Finding finding;
        finding.id = "lamp.whites:" + circuit.name;
        finding.stage = Stage::Lamps;
        finding.subject = circuit.name;
        finding.state = State::Close;
        finding.sentence = text("%1 mixes warm and cool white lamps: side by side the eye sees it.",
                                atStart(circuit.name));
        finding.action = text("lamps of one white for %1", circuit.name);
        all.push_back(std::move(finding));
    }
    if (const DecoderOutput* output = outputNamed(job, circuit.output)) {
        if (output->kind != OutputKind::LowSide) {
            Finding finding;
            finding.id = "lamp.output-kind:" + circuit.name;
            finding.stage = Stage::Lamps;
            finding.subject = circuit.name;
            finding.state = State::Ask;
            finding.sentence = text(
                "Output %1 %2: what is worked out for %3 holds for an output that "
                "switches to ground. Measure before you trust it.",
                circuit.output, outputKindWords(output->kind), circuit.name);
            finding.action = text("find out what output %1 does", circuit.output);
            all.push_back(std::move(finding));
        }
        const State load = stateAgainst(state.total.value(), output->limit.value(), lampCloseAbove);
        if (load != State::Fine) {
            Finding finding;
            finding.id = "lamp.output-current:" + circuit.name;
            finding.stage = Stage::Lamps;
            finding.subject = circuit.name;
            finding.state = load;
            finding.sentence = text("Output %1 carries %2 of its %3.", circuit.output,
                                    formatted(state.total, 3), formatted(output->limit, 3));
            finding.action = text("fewer or dimmer lamps on output %1", circuit.output);
            finding.figures = {
                figures::computed(text("All rows together"), "I_out", state.total, "", {}),
                figures::catalogue(text("Output's limit"), "I_limit", output->limit,
                                   verbatim(job.decoder->name))};
            all.push_back(std::move(finding));
        }
    } else if (circuit.output != supplyOutput) {
        Finding finding;
        finding.id = "lamp.no-output:" + circuit.name;
        finding.stage = Stage::Lamps;
        finding.subject = circuit.name;
        finding.state = State::Ask;
        finding.sentence = job.decoder
                               ? text("The decoder has no output called %1.", circuit.output)
                               : text("%1 waits for a decoder: it hangs on its output %2.",
                                      atStart(circuit.name), circuit.output);
        finding.action = job.decoder ? text("move %1 to another output", circuit.name)
                                     : text("choose a decoder");
        all.push_back(std::move(finding));
    }
}

}  // namespace

std::vector<Finding> lampFindings(const Job& job, const House& house) {
    std::vector<Finding> all;
    Amperes functions{0};
    for (const Circuit& circuit : job.circuits) {
        const auto state = circuitState(job, circuit, house);
        if (!state) {
            Finding finding;
            finding.id = "lamp.data:" + circuit.name;
            finding.stage = Stage::Lamps;
            finding.subject = circuit.name;
            finding.state = State::Ask;
            finding.sentence =
                text("%1 cannot be worked out: %2", atStart(circuit.name), state.error().what);
            finding.action = text("measure the lamp of %1", circuit.name);
            all.push_back(std::move(finding));
            continue;
        }
        if (circuit.output != supplyOutput) functions += state->total;
        if (!state->outputSeriesKnown && outputNamed(job, circuit.output)) {
            all.push_back(outputFinding(circuit));
        }
        for (std::size_t row = 0; row < circuit.rows.size(); ++row) {
            all.push_back(rowFinding(job, circuit, row, *state, house));
        }
        addGroupFindings(job, circuit, *state, all);
    }
    if (job.decoder && functions > Amperes{0}) {
        const State load = stateAgainst(functions.value(), job.decoder->functionTotal.value(),
                                        1.0 - job.closeMargin);
        Finding finding;
        finding.id = "lamp.total";
        finding.stage = Stage::Lamps;
        finding.state = load;
        finding.sentence = text("With every lamp lit the outputs carry %1 of the decoder's %2.",
                                formatted(functions, 3), formatted(job.decoder->functionTotal, 3));
        if (load == State::Over) finding.action = text("fewer lamps or less current");
        finding.figures = {
            figures::computed(text("All outputs on"), "I_lamps", functions, "", {}),
            figures::catalogue(text("Decoder's function total"), "I_func",
                               job.decoder->functionTotal, verbatim(job.decoder->name))};
        all.push_back(std::move(finding));
    }
    return all;
}

}  // namespace glimmet::core
