#include "app/pages/pages_panel.h"
#include "app/run_in/run_in_view.h"
#include "app/theme/words.h"
#include "core/analysis/run_in_state.h"
#include "core/quantity/format.h"
#include "core/quantity/moment.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString runInTr(const char* words) { return QCoreApplication::translate("runInPanel", words); }

QString way(core::Direction direction) {
    return direction == core::Direction::Forward ? runInTr("forward") : runInTr("in reverse");
}
QString minutes(core::Seconds time) {
    return runInTr("%1 min").arg(qs(core::formatted(time.value() / 60, core::Dimension::Ratio, 3)));
}

TableContent waysContent(const core::JobAnalysis& facts) {
    TableContent made;
    const core::RunIn& own = facts.job.runIn;
    made.columns = {{.title = runInTr("way"), .least = 130, .share = 0.4},
                    {.title = runInTr("ran"), .least = 130, .share = 0.4},
                    {.title = runInTr("current at the start"), .least = 150, .share = 0.4},
                    {.title = runInTr("last"), .least = 150, .share = 0.4}};
    if (own.since > core::Seconds{0})
        made.note =
            runInTr("In service since it was oiled: %1.").arg(qs(core::formatted(own.since, 3)));
    const auto amps = [](const std::optional<core::Amperes>& current) {
        return current ? qs(core::formatted(*current, 3)) : runInTr("not read");
    };
    for (const core::Direction direction : {core::Direction::Forward, core::Direction::Reverse}) {
        const auto state = core::runInState(facts.job, facts.house, direction);
        const bool runs = own.running && own.running->direction == direction;
        TableRow row;
        const bool done = state.done() && state.wanted > core::Seconds{0};
        if (done || state.state != core::State::Fine) row.mark = state.state;
        row.cells = {
            {.words = way(direction),
             .below = runs ? runInTr("runs since %1").arg(qs(core::clockOf(own.running->since)))
                           : QString(),
             .strong = true,
             .figures = false},
            {.words = runInTr("%1 of %2").arg(minutes(state.ran), minutes(state.wanted))},
            {.words = amps(state.first)},
            {.words = amps(state.last), .state = state.state}};
        row.chosen = runs;
        row.line = u"run-in %1 "_s.arg(qs(std::string(core::name(direction))));
        made.rows.push_back(std::move(row));
    }
    return made;
}

TableContent readingsContent(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = runInTr(
        "Nothing was read yet. Read its current at the start, in the middle and "
        "at the end: run-in forward 15min 220mA.");
    made.columns = {{.title = runInTr("way"), .least = 130, .share = 0.4},
                    {.title = runInTr("after"), .least = 110, .share = 0.3},
                    {.title = runInTr("current"), .least = 120, .share = 0.3},
                    {.title = runInTr("on"), .least = 110, .share = 0.3}};
    for (const core::RunInReading& each : facts.job.runIn.readings) {
        TableRow row;
        row.cells = {
            {.words = way(each.direction), .strong = true, .figures = false},
            {.words = minutes(each.ran)},
            {.words = each.current ? qs(core::formatted(*each.current, 3)) : runInTr("not read")},
            {.words = qs(each.on)}};
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

StagePanel* runInPanel(QWidget* parent) {
    auto* panel = new PagesPanel(u"runInPanel"_s, parent);
    panel->addTable(u"waysTable"_s, runInTr("both ways"), runInTr("How far it is run in each way"),
                    waysContent);
    panel->addTable(u"runInTable"_s, runInTr("readings"), runInTr("Every reading of it"),
                    readingsContent);
    return panel;
}

}  // namespace glimmet::app
