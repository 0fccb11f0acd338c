#include "core/work/lamps/lamp_netlist.h"

#include "core/work/lamp_groups.h"

namespace glimmet::core::lamps {
namespace {

/// Builds the netlist node by node, from the bus towards decoder ground.
class Writer {
public:
    circuit::Netlist netlist;

    void source(const char* name, const std::string& plus, const std::string& minus, Volts volts) {
        made().voltageSources.push_back(
            {name, node(plus), node(minus), circuit::Constant{volts.value()}, {}});
    }
    void sink(const char* name, const std::string& from, const std::string& to, Amperes current) {
        made().currentSources.push_back(
            {name, node(from), node(to), circuit::Constant{current.value()}, {}});
    }
    /// The node behind a resistor that begins at `from`; `from` itself where there is none.
    std::string behind(const std::string& from, Ohms resistance, const std::string& to) {
        if (!(resistance > Ohms{0})) return from;
        made().resistors.push_back({"r" + to, node(from), node(to), resistance});
        return to;
    }
    void led(const std::string& anode, const std::string& cathode, const LedLaw& law) {
        const std::string number = std::to_string(made().models.size() + 1);
        made().models.push_back(diodeModel(law, "led" + number));
        made().diodes.push_back(
            {"d" + number, node(anode), node(cathode), made().models.size() - 1});
    }

    void bulb(const std::string& above, const std::string& below, Ohms hot) {
        made().resistors.push_back(
            {"bulb" + std::to_string(++m_bulbs), node(above), node(below), hot});
    }

private:
    std::size_t m_bulbs = 0;
    circuit::Circuit& made() { return netlist.circuit; }
    circuit::Node node(const std::string& name) { return circuit::nodeNamed(made(), name); }
};

}  // namespace

Result<circuit::Netlist> lampNetlist(const Job& job, const LampGroup& lamps, const House& house) {
    const auto state = groupState(job, lamps, house);
    if (!state) return tl::unexpected(state.error());
    Writer writer;
    writer.netlist.circuit.title = job.name + ": " + lamps.name;
    writer.source("vbus", "bus", "0", state->bus);
    // Ground, the switch's drop, the output's resistor, the shared one: then the rows.
    std::string foot = "0";
    if (state->bus > state->drive) {
        writer.source("vswitch", "output", "0", state->bus - state->drive);
        foot = "output";
    }
    foot = writer.behind(foot, state->outputSeries, "board");
    foot = writer.behind(foot, lamps.shared(), "shared");
    if (const ThroughDriver* driver = lamps.driver()) {
        // As it is here: keeping its current, or with no more than its own volts taken.
        if (state->total < driver->current * (1 - 1e-6))
            writer.source("vdriver", "driver", foot, driver->dropout);
        else
            writer.sink("idriver", "driver", foot, driver->current);
        foot = "driver";
    }
    bool any = false;
    for (std::size_t r = 0; r < lamps.rows.size(); ++r) {
        const LampRow& row = lamps.rows[r];
        if (!row.resistor) continue;
        any = true;
        const std::string number = std::to_string(r + 1);
        const std::string below = writer.behind(foot, *row.resistor, "row" + number);
        std::string above = "bus";
        for (std::size_t i = 0; i < row.lamps.size(); ++i) {
            const auto lampLaw = law(row.lamps[i].part);
            if (!lampLaw) return tl::unexpected(lampLaw.error());
            const bool last = i + 1 == row.lamps.size();
            const std::string next = last ? below : "n" + number + "_" + std::to_string(i + 1);
            if (const auto* led = std::get_if<LedLaw>(&*lampLaw)) {
                writer.led(row.turned ? next : above, row.turned ? above : next, *led);
            } else {
                // Settled, a filament is the resistance that it has where it works.
                const RowState& works = state->rows[r];
                const Ohms hot = works.current > Amperes{0}
                                     ? Ohms{(works.led[i] / works.current).value()}
                                     : coldResistance(std::get<FilamentRating>(*lampLaw));
                writer.bulb(above, next, hot);
            }
            above = next;
        }
    }
    if (!any) {
        return failure(ErrorCode::Missing, lamps.name,
                       text("%1 has no resistor yet: nothing is connected that could be computed.",
                            lamps.name));
    }
    return writer.netlist;
}

}  // namespace glimmet::core::lamps
