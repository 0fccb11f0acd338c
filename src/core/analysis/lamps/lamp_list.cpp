#include "core/analysis/lamps/lamp_list.h"

#include "core/analysis/lamps/row_names.h"
#include "core/finding/csv.h"

#include <cstdio>
#include <optional>

namespace glimmet::core::lamps {
namespace {

std::string number(std::optional<double> value) {
    if (!value) return {};
    char text[32];
    std::snprintf(text, sizeof text, "%.6g", *value);
    return text;
}

std::string words(const Lead& lead) {
    return lead.to.empty() ? lead.colour : lead.colour + " to " + lead.to;
}

/// The bags that its lamps came from.
std::string lots(const LampRow& row) {
    std::string all;
    for (const Lamp& lamp : row.lamps) {
        if (!lamp.lot.empty()) all += (all.empty() ? "" : " + ") + lamp.lot;
    }
    return all;
}

}  // namespace

std::string lampList(const JobAnalysis& facts) {
    std::string out =
        "lamp,row,output,parts,connection,resistor_ohm,body,wish_A,current_A,lowest_A,highest_A,"
        "limit_A,resistor_W,glows_from_V,read_A,seen,joints,fitted,plus_lead,minus_lead,lot,"
        "dimmed_to,bore_mm,bore_depth_mm,wall,wall_mm,wall_lined,switch_A,switch_poles\r\n";
    for (std::size_t g = 0; g < facts.job.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        const auto& state = facts.groups[g];
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            const LampRow& row = group.rows[r];
            std::string parts;
            for (const Lamp& lamp : row.lamps) {
                parts += (parts.empty() ? "" : " + ") + lamp.part.name;
            }
            const std::string connection =
                group.driver()             ? "driver " + number(group.driver()->current.value())
                : group.shared() > Ohms{0} ? "shared " + number(group.shared().value())
                                           : "own";
            std::optional<RowState> made;
            if (state && state->rows[r].connected) made = state->rows[r];
            const auto of = [&](auto value) {
                return number(made ? std::optional(value(*made)) : std::nullopt);
            };
            for (const std::string& each :
                 {csvField(group.name), std::to_string(r + 1), csvField(group.output),
                  csvField(parts), connection,
                  number(row.resistor ? std::optional(row.resistor->value()) : std::nullopt),
                  row.package ? std::string(name(*row.package)) : std::string(),
                  number(group.wish.target.value()),
                  of([](const RowState& s) { return s.current.value(); }),
                  of([](const RowState& s) { return s.lowest.value(); }),
                  of([](const RowState& s) { return s.highest.value(); }),
                  of([](const RowState& s) { return s.limit.value(); }),
                  of([](const RowState& s) { return s.resistorPower.value(); })}) {
                out += each + ",";
            }
            const Installed& in = row.installed;
            out += made ? number(state->glowFrom.value()) : std::string();
            for (const std::string& each :
                 {number(in.current ? std::optional(in.current->value.value()) : std::nullopt),
                  in.seen ? std::string(name(*in.seen)) : std::string(),
                  in.joints ? std::string(name(*in.joints)) : std::string(), csvField(in.on),
                  csvField(in.plus ? words(*in.plus) : std::string()),
                  csvField(in.minus ? words(*in.minus) : std::string()), csvField(lots(row)),
                  group.dimmed < 1 ? number(group.dimmed) : std::string(),
                  number(row.bore ? std::optional(row.bore->across.value()) : std::nullopt),
                  number(row.bore && row.bore->depth ? std::optional(row.bore->depth->value())
                                                     : std::nullopt),
                  row.wall ? std::string(name(row.wall->material)) : std::string(),
                  number(row.wall ? std::optional(row.wall->thickness.value()) : std::nullopt),
                  row.wall ? std::string(row.wall->lined ? "yes" : "no") : std::string(),
                  number(group.contact ? std::optional(group.contact->limit.value())
                                       : std::nullopt),
                  group.contact ? std::to_string(group.contact->poles) : std::string()}) {
                out += "," + each;
            }
            out += "\r\n";
        }
    }
    return out;
}

}  // namespace glimmet::core::lamps
