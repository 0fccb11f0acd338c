#include "core/work/lamps/lamp_figures.h"

#include "core/analysis/lamps/row_names.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/work/lamps/resistor_options.h"

#include <algorithm>

namespace glimmet::core::lamps {
namespace {

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

}  // namespace

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

}  // namespace glimmet::core::lamps
