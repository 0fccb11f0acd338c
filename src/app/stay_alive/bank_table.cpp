#include "app/stay_alive/bank_table.h"

#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <array>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// Widths of the columns, as shares of an even one: "150 mA" takes more than "39 s".
constexpr std::array<double, 10> shares{1.1, 0.95, 1.08, 0.93, 1.05, 0.97, 1.08, 0.97, 0.97, 0.9};

QString bankKindWord(core::BankKind kind) {
    switch (kind) {
        case core::BankKind::Electrolytic:
            return table::tr("electrolytic");
        case core::BankKind::Tantalum:
            return table::tr("tantalum");
        case core::BankKind::Supercapacitor:
            return table::tr("supercapacitors");
        case core::BankKind::Module:
            break;
    }
    return table::tr("plug-in reserve");
}

}  // namespace

TableContent bankTable(const std::vector<core::stay_alive::BankRow>& rows) {
    TableContent made;
    made.empty = table::tr("No bank can be worked out on these volts.");
    if (rows.empty()) return made;
    if (const auto second = core::stay_alive::faradsForASecond(rows)) {
        made.note = table::tr("Press one to fit it. Every second that it is to hold takes %1.")
                        .arg(qs(core::formatted(*second, 2)));
    }
    made.columns.push_back({.least = 170, .share = 0});
    for (std::size_t c = 0; c < rows.front().cells.size(); ++c) {
        made.columns.push_back(
            {.title = said(core::stay_alive::heading(rows.front().cells[c].aspect)),
             .least = 46,
             .share = shares[c]});
    }
    for (const core::stay_alive::BankRow& each : rows) {
        const core::BankPart& part = each.bank.bank.part;
        TableRow row;
        row.mark = each.bank.worst;
        row.chosen = each.bank.inPlace;
        if (!each.bank.inPlace) row.line = qs(each.bank.jot);
        // Its values, and below them what it is; its whole name stands beside the pointer.
        row.cells.push_back({.words = u"%1 · %2"_s.arg(qs(core::formatted(part.capacitance, 3)),
                                                       qs(core::formatted(part.rated, 3))),
                             .below = bankKindWord(part.kind),
                             .strong = true,
                             .figures = false,
                             .tip = table::tr("%1. Press it to fit it.").arg(qs(part.name))});
        for (const core::stay_alive::BankCell& cell : each.cells) {
            row.cells.push_back(
                {.words = said(cell.words), .state = cell.state, .tip = said(cell.means)});
        }
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace glimmet::app
