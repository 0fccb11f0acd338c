#include "app/first_power/first_power_view.h"
#include "app/pages/pages_panel.h"
#include "app/theme/words.h"
#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/analysis/power_steps.h"
#include "core/quantity/format.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString powerTr(const char* words) { return QCoreApplication::translate("firstPowerPanel", words); }

TableContent powerContent(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = powerTr("Nothing here gets power yet: choose a decoder or a lamp first.");
    made.columns = {{.title = powerTr("power"), .least = 230, .share = 1.2, .wraps = true},
                    {.title = powerTr("look for"), .least = 200, .share = 1.2, .wraps = true},
                    {.title = powerTr("seen"), .least = 150, .share = 0.7, .wraps = true}};
    const auto& allows = core::meter::matrixOf(facts).allows;
    made.note = powerTr("The meter allows: %1.").arg(said(core::meter::allowed(allows)));
    const auto steps = core::powerSteps(facts.job, facts.house);
    const core::PowerStep* next = core::nextOf(facts.job, steps);
    for (const core::PowerStep& step : steps) {
        const core::PowerSeen* seen = core::seenOf(facts.job, step.id);
        TableRow row;
        const bool proved = step.needs <= allows;
        row.cells.push_back(
            {.words = said(step.words),
             .below = proved || seen ? QString() : powerTr("not proved by meter yet"),
             .strong = &step == next,
             .figures = false});
        row.cells.push_back({.words = said(step.look), .figures = false});
        TableCell what{.words = powerTr("not seen yet"), .figures = false};
        if (seen) {
            const bool good = seen->seen == core::Seen::AsItShould;
            what.words = said(core::seenWords(seen->seen));
            what.state = good ? core::State::Fine : core::State::Over;
            if (!good) what.below = said(core::meaningOf(step, seen->seen));
            if (seen->current)
                what.below = qs(core::formatted(*seen->current, 3)) +
                             (what.below.isEmpty() ? QString() : u" · "_s + what.below);
            row.mark = what.state;
        }
        row.cells.push_back(std::move(what));
        row.chosen = &step == next;
        row.line = u"power %1 "_s.arg(qs(step.name));
        if (!seen) row.line += u"ok"_s;
        made.rows.push_back(std::move(row));
    }
    return made;
}

TableContent swapsContent(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = powerTr("Nothing was exchanged.");
    made.columns = {{.title = powerTr("exchanged"), .least = 220, .share = 1},
                    {.title = powerTr("on"), .least = 110, .share = 0.3}};
    for (const core::Swap& each : facts.job.swapped) {
        QString words;
        switch (each.what) {
            case core::Swapped::MotorLeads:
                words = powerTr("motor leads, orange and grey");
                break;
            case core::Swapped::DirectionBit:
                words = powerTr("direction bit of the decoder");
                break;
            case core::Swapped::Outputs:
                words = powerTr("leads of front and rear");
                break;
            case core::Swapped::Led:
                words = powerTr("leads of an LED");
                break;
        }
        TableRow row;
        row.cells = {{.words = words, .strong = true, .figures = false}, {.words = qs(each.on)}};
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

StagePanel* firstPowerPanel(QWidget* parent) {
    auto* panel = new PagesPanel(u"firstPowerPanel"_s, parent);
    panel->addTable(u"powerTable"_s, powerTr("steps"),
                    powerTr("Steps of the first power, what to look for, what was seen"),
                    powerContent);
    panel->addTable(u"swapsTable"_s, powerTr("exchanged"), powerTr("What was exchanged after it"),
                    swapsContent);
    return panel;
}

}  // namespace glimmet::app
