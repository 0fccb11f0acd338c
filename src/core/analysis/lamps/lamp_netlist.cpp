#include "core/analysis/lamps/lamp_netlist.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/supply.h"

#include <utility>

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
    /// A sine of the mains' rhythm, and two turns of it to look at.
    void sine(const std::string& plus, const std::string& minus, Volts crest, Mains mains) {
        const double half = halfOf(mains).value();
        made().voltageSources.push_back(
            {"vac", node(plus), node(minus), circuit::Sine{0, crest.value(), 0.5 / half}, {}});
        netlist.analysis = circuit::TransientSpan{half / 200, half * 4};
    }
    /// A bridge that takes next to nothing: its drop stands as a source of its own.
    void bridge(const std::string& one, const std::string& other, const std::string& plus) {
        const std::size_t model = made().models.size();
        made().models.push_back({"bridge", Amperes{1e-9}, 0.05});
        for (const auto& [from, to] :
             {std::pair{one, plus}, std::pair{other, plus}, std::pair{std::string("0"), one},
              std::pair{std::string("0"), other}}) {
            made().diodes.push_back({"dbridge" + std::to_string(made().diodes.size() + 1),
                                     node(from), node(to), model});
        }
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

Result<circuit::Netlist> lampNetlist(const Job& job, const LampGroup& lamps,
                                     const WorkshopRules& house) {
    const auto state = groupState(job, lamps, house);
    if (!state) return tl::unexpected(state.error());
    Writer writer;
    writer.netlist.circuit.title = job.name + ": " + lamps.name;
    Volts stands = state->bus;  // of which the drops are taken
    switch (state->wave) {
        case Wave::Steady:
            writer.source("vbus", "bus", "0", state->bus);
            break;
        case Wave::BothHalves:
            writer.sine("ac1", "ac2", crestVolts(job), house.mains);
            writer.bridge("ac1", "ac2", "bus");
            stands = crestVolts(job);
            break;
        case Wave::OneHalf:
            writer.sine("bus", "0", crestVolts(job), house.mains);
            stands = crestVolts(job);
            break;
    }
    // Ground, the switch's drop, the output's resistor, the shared one: then the rows.
    std::string foot = "0";
    if (stands > state->drive) {
        writer.source("vswitch", "output", "0", stands - state->drive);
        foot = "output";
    }
    foot = writer.behind(foot, state->inside, "cell");
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
        std::string above = "bus", from = above;
        for (std::size_t i = 0; i < row.lamps.size(); ++i) {
            const auto lampLaw = law(row.lamps[i].part);
            if (!lampLaw) return tl::unexpected(lampLaw.error());
            // One that stands across another lies between the same two nodes.
            const bool beside = row.lamps[i].parallel;
            std::size_t end = i + 1;
            while (end < row.lamps.size() && row.lamps[end].parallel) ++end;
            const std::string next = beside ? above
                                     : end == row.lamps.size()
                                         ? below
                                         : "n" + number + "_" + std::to_string(i + 1);
            if (beside) above = from;
            from = above;
            if (const auto* led = std::get_if<LedLaw>(&*lampLaw)) {
                writer.led(row.backwards ? next : above, row.backwards ? above : next, *led);
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
