#include "app/lamps/volts_table.h"

#include "app/theme/words.h"
#include "core/quantity/format.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {

TableContent voltsTable(const std::vector<core::lamps::OnVolts>& all) {
    TableContent made;
    made.note = table::tr(
        "Each row with its own resistor for its wish; press one to hang the lamps there. "
        "More volts waste more in resistors; with few volts left for them LEDs of one "
        "batch differ more.");
    made.columns = {{.title = table::tr("supply"), .least = 110},
                    {.title = table::tr("resistor"), .least = 80},
                    {.title = table::tr("takes"), .least = 130},
                    {.title = table::tr("wasted"), .least = 66},
                    {.title = table::tr("differ by"), .least = 70}};
    for (const core::lamps::OnVolts& each : all) {
        const QString volts = qs(core::formatted(each.volts, 3));
        TableRow row;
        row.chosen = each.now;
        const auto add = [&](const QString& words) {
            row.cells.push_back({.words = words, .strong = each.now});
        };
        add(each.now ? table::tr("%1, as it is").arg(volts) : volts);
        add(each.resistor ? qs(core::formatted(*each.resistor)) : table::tr("too low"));
        const bool lit = each.total > core::Amperes{0};
        add(lit ? u"%1, %2"_s.arg(qs(core::formatted(each.total, 3)),
                                  qs(core::formatted(each.taken, 2)))
                : QString());
        add(lit ? qs(core::percent(each.wasted)) : QString());
        add(lit ? u"%1 ×"_s.arg(qs(core::formatted(each.apart, core::Dimension::Ratio, 2)))
                : QString());
        if (lit && !each.now) {
            row.line = u"supply fixed dc "_s + QString(volts).remove(u' ');
            row.cells.front().tip =
                table::tr("All lamps of this model then hang on %1 of DC").arg(volts);
        }
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace glimmet::app
