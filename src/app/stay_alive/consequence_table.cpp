#include "app/stay_alive/consequence_table.h"

#include "app/theme/words.h"
#include "core/finding/figure.h"

namespace glimmet::app {

TableContent consequenceTable(const std::vector<core::stay_alive::Consequence>& all) {
    TableContent made;
    made.empty = table::tr("No bank that holds: nothing follows of it.");
    made.columns = {{.least = 210, .share = 0, .wraps = true},
                    {.least = 200, .share = 1, .wraps = true},
                    {.least = 96, .share = 0}};
    for (const core::stay_alive::Consequence& each : all) {
        TableRow row;
        row.mark = each.state;
        row.cells = {
            {.words = said(each.when), .strong = true, .figures = false},
            {.words = said(each.comes), .figures = false},
            {.words = qs(core::shown(each.figure)), .strong = true, .tip = said(each.figure.name)}};
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace glimmet::app
