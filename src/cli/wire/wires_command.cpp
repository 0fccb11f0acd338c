#include "cli/wire/wires_command.h"

#include "cli/json_text.h"
#include "core/analysis/circuits_across.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/finding/csv.h"
#include "core/quantity/format.h"

#include <cstdio>

namespace glimmet::cli {
namespace {

using core::ListedWire;

template <class Quantity>
void put(JsonText& out, std::string_view key, const std::optional<Quantity>& value) {
    out.key(key);
    if (value)
        out.value(value->value());
    else
        out.null();
}

void put(JsonText& out, const ListedWire& wire) {
    out.open('{').with("id", wire.id).with("net", wire.net);
    out.key("from");
    if (wire.from.owner.empty())
        out.null();
    else
        out.value(core::spelled(wire.from));
    out.with("to", core::spelled(wire.to)).with("colour", wire.colour).key("awg");
    if (wire.awg)
        out.value(std::int64_t{*wire.awg});
    else
        out.null();
    put(out, "length_mm", wire.length);
    put(out, "amps_A", wire.amps);
    put(out, "drop_V", wire.drop);
    out.key("crosses").open('[');
    for (const std::string& each : wire.crosses) out.value(each);
    out.close(']').key("run");
    if (wire.run.empty())
        out.null();
    else
        out.value(wire.run);
    out.key("joints").open('[');
    for (const auto& joint : {wire.fromJoint, wire.toJoint}) {
        if (joint) out.value(core::name(*joint));
    }
    out.close(']').with("planned", wire.planned).with("provisional", wire.provisional);
    out.with("state", core::name(wire.state)).close('}');
}

std::string number(const std::optional<double>& value) {
    if (!value) return {};
    char text[32];
    std::snprintf(text, sizeof text, "%.6g", *value);
    return text;
}

std::string table(const std::vector<ListedWire>& wires) {
    std::string out = "id,net,from,to,colour,awg,length_mm,amps_A,drop_V,run,joints,state\r\n";
    const auto si = [](const auto& value) {
        return number(value ? std::optional(value->value()) : std::nullopt);
    };
    for (const ListedWire& wire : wires) {
        std::string joints;
        for (const auto& joint : {wire.fromJoint, wire.toJoint}) {
            if (joint) joints += (joints.empty() ? "" : " ") + std::string(core::name(*joint));
        }
        for (const std::string& field :
             {wire.id, wire.net, wire.from.owner.empty() ? "" : core::spelled(wire.from),
              core::spelled(wire.to), wire.colour, wire.awg ? std::to_string(*wire.awg) : "",
              si(wire.length), si(wire.amps), si(wire.drop), wire.run, joints})
            out += core::csvField(field) + ",";
        out += std::string(core::name(wire.state)) + "\r\n";
    }
    return out;
}

std::string lines(const core::Job& job, const std::vector<ListedWire>& wires) {
    std::string out;
    for (const ListedWire& wire : wires) {
        const std::string gauge = wire.awg ? ", " + std::to_string(*wire.awg) + " AWG" : "";
        out += (wire.planned ? "planned  " : "laid     ") + wire.id + " " + wire.colour + gauge +
               ": " +
               (wire.from.owner.empty() ? "not followed"
                                        : core::plain(core::described(job, wire.from))) +
               " to " + core::plain(core::described(job, wire.to)) + "\n";
    }
    return out.empty() ? "no wire is planned or laid\n" : out;
}

void put(JsonText& out, const core::Job& job, std::size_t coupling) {
    const std::size_t needed = core::circuitsAcross(job, coupling).needed();
    const int contacts = job.couplings[coupling].contacts;
    const bool enough = needed <= static_cast<std::size_t>(contacts);
    out.open('{').key("between").open('[');
    out.value(job.units[coupling].id).value(job.units[coupling + 1].id).close(']');
    out.with("needed", static_cast<std::int64_t>(needed));
    out.with("contacts", std::int64_t{contacts}).with("state", enough ? "fine" : "over");
    out.key("ways_out").open('[').close(']').close('}');
}

}  // namespace

std::string wiresOf(const OneJob& one, Form form) {
    const core::JobAnalysis facts = core::analysed(one.job, one.house, one.catalogue, one.sameType);
    const std::vector<ListedWire> wires = core::wireList(facts);
    if (form == Form::Csv) return table(wires);
    if (form == Form::Text) return lines(one.job, wires);
    JsonText out;
    out.open('{').key("wires").open('[');
    for (const ListedWire& wire : wires) put(out, wire);
    out.close(']').key("couplings").open('[');
    for (std::size_t i = 0; i < one.job.couplings.size(); ++i) put(out, one.job, i);
    out.close(']').key("sleeves").open('[').close(']').key("cut_list").open('[');
    for (const core::Cut& cut : core::cutList(wires)) {
        out.open('{').with("colour", cut.colour).key("awg");
        if (cut.awg)
            out.value(std::int64_t{*cut.awg});
        else
            out.null();
        put(out, "length_mm", cut.length);
        out.key("wires").open('[');
        for (const std::string& each : cut.wires) out.value(each);
        out.close(']').close('}');
    }
    return out.close(']').close('}').taken() + "\n";
}

}  // namespace glimmet::cli
