#include "core/analysis/wiring/section_wiring.h"

#include "core/analysis/wiring/wired_circuit.h"

#include <algorithm>

namespace glimmet::core::wiring {
namespace {

TerminalId behind(const std::string& owner, TerminalId id) {
    id.owner = owner + "/" + id.owner;
    return id;
}

/// A model's wiring under an owner; its source is the section's.
void addModel(const std::string& owner, Wiring model, Wiring& made) {
    std::erase_if(model.elements,
                  [](const Element& each) { return each.kind == Element::Kind::Source; });
    for (Terminal& each : model.terminals) {
        each.id = behind(owner, std::move(each.id));
        made.terminals.push_back(std::move(each));
    }
    for (Net& net : model.nets) {
        net.name = owner + " " + net.name;
        for (TerminalId& id : net.joins) id = behind(owner, std::move(id));
        made.nets.push_back(std::move(net));
    }
    for (Conductor& each : model.conductors) {
        made.conductors.push_back({behind(owner, each.from), behind(owner, each.to), each.wire});
    }
    for (Element& each : model.elements) {
        each.a = behind(owner, std::move(each.a));
        each.b = behind(owner, std::move(each.b));
        each.of = owner + "/" + each.of;
        made.elements.push_back(std::move(each));
    }
    for (Part& part : model.parts) {
        part.id = owner + "/" + part.id;
        for (TerminalId& pin : part.pins) pin = behind(owner, std::move(pin));
        made.parts.push_back(std::move(part));
    }
}

/// What is out in a model: "J4/switch …" without its owner.
Stand standOf(const std::string& owner, const Stand& stand) {
    Stand made{stand.which, {}};
    for (const std::string& each : stand.out) {
        if (each.starts_with(owner + "/")) made.out.push_back(each.substr(owner.size() + 1));
    }
    return made;
}

void addPosts(const Section& section, const Stand& stand, Wiring& made) {
    const auto isOut = [&](const std::string& id) {
        return std::find(stand.out.begin(), stand.out.end(), id) != stand.out.end();
    };
    const auto add = [&](const std::string& owner, const std::string& pin, Role role) {
        made.terminals.push_back({{owner, pin}, {}, role, Reach::Outside, {}});
    };
    const auto element = [&](Element::Kind kind, const TerminalId& a, const TerminalId& b,
                             const std::string& of, std::optional<Volts> volts = {}) {
        made.elements.push_back({kind, a, b, of, {}, {}, volts});
    };
    for (const SectionSupply& each : section.supplies) {
        add(each.id, "plus", Role::Supply);
        add(each.id, "minus", Role::Supply);
        if (isOut(each.id)) continue;
        element(Element::Kind::Source, {each.id, "plus"}, {each.id, "minus"}, each.id, each.volts);
    }
    for (const TerminalStrip& each : section.strips) {
        for (int way = 1; way <= each.ways; ++way) add(each.id, std::to_string(way), Role::Strip);
        for (const auto& [one, other] : each.bridges) {
            element(Element::Kind::Metal, {each.id, std::to_string(one)},
                    {each.id, std::to_string(other)}, each.id);
        }
    }
    for (const SectionPlug& each : section.plugs) {
        for (int contact = 1; contact <= each.contacts; ++contact) {
            const std::string pin = std::to_string(contact);
            add(each.id + "/a", pin, Role::Plug);
            add(each.id + "/b", pin, Role::Plug);
            if (isOut(each.id)) continue;
            element(Element::Kind::Contact, {each.id + "/a", pin}, {each.id + "/b", pin}, each.id);
        }
    }
}

}  // namespace

Wiring wiringOf(const Section& section, const std::map<int, const Job*>& jobs, ResistorLeg leg,
                const Stand& stand) {
    Wiring made;
    addPosts(section, stand, made);
    for (const StandsHere& model : section.models) {
        const auto job = jobs.find(model.job);
        if (job == jobs.end()) continue;
        addModel(model.id, wiringOf(*job->second, leg, standOf(model.id, stand)), made);
    }
    const auto named = [&](const TerminalId& id) {
        if (!made.terminal(id)) made.terminals.push_back({id, {}, Role::WireEnd, {}, {}});
    };
    for (const Wire& wire : section.wires) {
        named(wire.to);
        if (!wire.from) continue;
        named(*wire.from);
        if (wire.to.pin != nowhere) made.conductors.push_back({*wire.from, wire.to, wire.id});
    }
    return made;
}

std::vector<std::pair<std::string, std::string>> suppliesJoined(const Section& section,
                                                                const Wiring& wiring) {
    std::vector<std::pair<std::string, std::string>> all;
    for (std::size_t i = 0; i < section.supplies.size(); ++i) {
        for (std::size_t k = i + 1; k < section.supplies.size(); ++k) {
            const std::string &one = section.supplies[i].id, &other = section.supplies[k].id;
            const auto touch = [&](const char* a, const char* b) {
                return joined(wiring, {one, a}, {other, b});
            };
            if (touch("plus", "plus") || touch("minus", "minus") || touch("plus", "minus") ||
                touch("minus", "plus")) {
                all.emplace_back(one, other);
            }
        }
    }
    return all;
}

std::vector<std::string> darkModels(const Section& section, const Wiring& wiring) {
    std::vector<std::string> dark;
    for (const StandsHere& model : section.models) {
        const TerminalId plus{model.id + "/supply", "plus"}, minus{model.id + "/supply", "minus"};
        const bool fed = std::any_of(
            section.supplies.begin(), section.supplies.end(), [&](const SectionSupply& supply) {
                const TerminalId high{supply.id, "plus"}, low{supply.id, "minus"};
                return (joined(wiring, plus, high) && joined(wiring, minus, low)) ||
                       (joined(wiring, plus, low) && joined(wiring, minus, high));
            });
        if (!fed) dark.push_back(model.id);
    }
    return dark;
}

}  // namespace glimmet::core::wiring
