// Lamps with their resistors, drivers and switches as terminals in nets.
#include "core/analysis/wiring/building.h"
#include "core/analysis/wiring/terminals.h"

#include <algorithm>
#include <array>
#include <tuple>

namespace glimmet::core::wiring {
namespace {

using Kind = Element::Kind;

/// A net that something can hang on: what is to be joined with it joins there.
struct Hook {
    Net::Kind kind{};
    std::string net;
};

class LampWiring {
public:
    LampWiring(Building& building, const LampGroup& group)
        : m_building(building),
          m_group(group),
          m_above(building.leg == ResistorLeg::Plus),
          m_unit(firstUnit(group)) {}

    void add() {
        auto [top, foot] = feed(m_unit);
        join(top, m_building.add(plusOf(m_group), m_unit, Role::Lamp));
        join(foot, m_building.add(minusOf(m_group), m_unit, Role::Lamp));
        // Rows that share nothing hang on the rails of their own unit.
        const bool together = m_group.output != supplyOutput || m_group.contact ||
                              m_group.driver() || m_group.shared() > Ohms{0} ||
                              !straightOnRails(m_building.job, m_group);
        if (m_group.contact) top = behindSwitch(top);
        if (m_group.driver()) {
            std::tie(top, foot) = behindDriver(top, foot);
        } else if (m_group.shared() > Ohms{0}) {
            Hook& end = m_above ? top : foot;
            end = behind(end, m_group.id + "/R", m_unit, m_group.shared(), m_group.id);
        }
        for (std::size_t row = 0; row < m_group.rows.size(); ++row) {
            const std::string unit = m_group.rows[row].lamps.front().fitted.unit;
            const auto [high, low] = together ? std::pair(top, foot) : feed(unit);
            addRow(row, unit, high, low);
        }
    }

private:
    static std::string firstUnit(const LampGroup& group) {
        return group.rows.empty() ? std::string() : group.rows.front().lamps.front().fitted.unit;
    }
    [[nodiscard]] Hook inside(const std::string& name) const {
        return {Net::Kind::Lamps, m_group.id + " " + name};
    }
    void join(const Hook& hook, const TerminalId& terminal) const {
        if (!hook.net.empty()) m_building.join(hook.kind, hook.net, terminal);
    }

    /// Where the group gets its plus and its minus, in a unit.
    [[nodiscard]] std::pair<Hook, Hook> feed(const std::string& unit) const {
        const Job& job = m_building.job;
        if (m_group.output != supplyOutput) {
            return {{Net::Kind::Common, "common"}, {Net::Kind::Output, "output " + m_group.output}};
        }
        if (!straightOnRails(job, m_group)) {
            return {{Net::Kind::Supply, "supply plus"}, {Net::Kind::Supply, "supply minus"}};
        }
        const Hook plus{Net::Kind::Rail, railNet(job, redRail(job))};
        const Hook minus{Net::Kind::Rail, railNet(job, "left")};
        if (!job.supply.lampBridge) return {plus, minus};
        // A bridge in each unit that has such lamps.
        const std::string owner = unit + "/bridge";
        const bool there = m_building.terminals.count({owner, "red"}) > 0;
        const auto pin = [&](const char* name) {
            return m_building.add({owner, name}, unit, Role::Supply);
        };
        const TerminalId red = pin("red"), black = pin("black"), high = pin("plus"),
                         low = pin("minus");
        if (!there) {
            join(plus, red);
            join(minus, black);
            for (const TerminalId& rail : {red, black}) {
                m_building.between(Kind::Diode, rail, high, owner);
                m_building.between(Kind::Diode, low, rail, owner);
            }
        }
        const Hook behindPlus{Net::Kind::Lamps, unit + " lamps plus"};
        const Hook behindMinus{Net::Kind::Lamps, unit + " lamps minus"};
        join(behindPlus, high);
        join(behindMinus, low);
        return {behindPlus, behindMinus};
    }

    /// The net at the far end of a resistor; nothing of it is joined where it is not chosen.
    Hook behind(const Hook& hook, const std::string& owner, const std::string& unit,
                std::optional<Ohms> value, const std::string& name) {
        if (value == Ohms{0}) return hook;
        Hook far{Net::Kind::Lamps, name + " behind resistor"};
        if (!value) return {};
        const TerminalId near = m_building.add({owner, "a"}, unit, Role::Resistor);
        const TerminalId other = m_building.add({owner, "b"}, unit, Role::Resistor);
        join(hook, near);
        join(far, other);
        m_building.between(Kind::Resistor, near, other, owner);
        if (!m_building.isOut(owner)) m_building.made.elements.back().resistance = value;
        return far;
    }
    Hook behindSwitch(const Hook& top) {
        const std::string owner = m_group.id + "/switch";
        const TerminalId near = m_building.add({owner, "a"}, m_unit, Role::Switch, Reach::Outside);
        const TerminalId far = m_building.add({owner, "b"}, m_unit, Role::Switch, Reach::Outside);
        m_building.between(Kind::Switch, near, far, owner);
        join(top, near);
        join(inside("behind switch"), far);
        return inside("behind switch");
    }
    std::pair<Hook, Hook> behindDriver(const Hook& top, const Hook& foot) {
        const std::string owner = m_group.id + "/driver";
        Part part{Part::Model::Driver, owner, {}};
        const Hook high = inside("driver plus"), low = inside("driver minus");
        const std::array<std::pair<const char*, const Hook*>, 4> pins{
            {{"in plus", &top}, {"in minus", &foot}, {"out plus", &high}, {"out minus", &low}}};
        for (const auto& [pin, hook] : pins) {
            part.pins.push_back(m_building.add({owner, pin}, m_unit, Role::Driver));
            join(*hook, part.pins.back());
        }
        if (!m_building.isOut(owner)) m_building.made.parts.push_back(std::move(part));
        return {high, low};
    }

    void addRow(std::size_t r, const std::string& unit, const Hook& top, const Hook& foot) {
        const LampRow& row = m_group.rows[r];
        const std::string owner = m_group.id + "/" + std::to_string(r + 1);
        const std::optional<Ohms> none{Ohms{0}};
        const Hook from = behind(top, owner + "/R", unit, m_above ? row.resistor : none, owner);
        const Hook to = behind(foot, owner + "/R", unit, m_above ? none : row.resistor, owner);
        Hook high = from, low = from;
        for (std::size_t i = 0; i < row.lamps.size(); ++i) {
            // Others stand across the first of each place of its chain.
            if (!row.lamps[i].parallel) {
                std::size_t next = i + 1;
                while (next < row.lamps.size() && row.lamps[next].parallel) ++next;
                high = low;
                low = next == row.lamps.size()
                          ? to
                          : Hook{Net::Kind::Lamps, owner + " below " + std::to_string(next)};
            }
            addLamp(row.lamps[i], row.backwards, lampOwner(m_group, r, i), high, low);
        }
    }
    void addLamp(const Lamp& lamp, bool backwards, const std::string& owner, const Hook& high,
                 const Hook& low) {
        const auto leg = [&](const char* pin) {
            return m_building.add({owner, pin}, lamp.fitted.unit, Role::Lamp, Reach::BodyOff,
                                  lamp.fitted.pose.at);
        };
        const TerminalId anode = leg("anode"), cathode = leg("cathode");
        join(backwards ? low : high, anode);
        join(backwards ? high : low, cathode);
        m_building.between(lamp.part.filament ? Kind::Bulb : Kind::Led, anode, cathode, owner);
        if (!m_building.isOut(owner)) m_building.made.elements.back().lamp = lamp.part;
    }

    Building& m_building;
    const LampGroup& m_group;
    bool m_above;
    std::string m_unit;
};

}  // namespace

bool straightOnRails(const Job& job, const LampGroup& group) {
    return group.output == supplyOutput && onRails(job);
}

void addLamps(Building& building) {
    for (const LampGroup& group : building.job.groups) {
        if (!group.rows.empty()) LampWiring(building, group).add();
    }
}

}  // namespace glimmet::core::wiring
