#include "app/pages/pages_panel.h"
#include "app/theme/words.h"
#include "app/wire/wire_view.h"
#include "core/analysis/circuits_across.h"
#include "core/analysis/steps.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/quantity/format.h"
#include "core/quantity/moment.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using core::StepFate;
using core::StepNow;

QString wireTr(const char* words) { return QCoreApplication::translate("wirePanel", words); }

QString fateOf(const StepNow& step) {
    if (!step.record) return step.step.id.empty() ? QString() : wireTr("open");
    const core::StepRecord& record = *step.record;
    switch (record.fate) {
        case StepFate::Done:
            return record.took > core::Seconds{0}
                       ? wireTr("done, %1 min")
                             .arg(qs(core::formatted(record.took.value() / 60,
                                                     core::Dimension::Ratio, 3)))
                       : wireTr("done");
        case StepFate::Skipped:
            return wireTr("skipped");
        case StepFate::Waiting:
            break;
    }
    return wireTr("waits until %1").arg(qs(core::clockOf(record.until)));
}

TableRow rowOf(const StepNow& step, bool next) {
    TableRow row;
    const core::Step& what = step.step;
    QString below = said(core::cautionOf(what.kind));
    if (step.over()) below.clear();
    if (core::cannotBeUndone(what) && !step.over())
        below = wireTr("Cannot be undone. First prove: %1. %2").arg(said(what.proved), below);
    row.cells.push_back(
        {.words = said(what.words), .below = below, .strong = next, .figures = false});
    row.cells.push_back({.words = step.over() ? QString() : said(what.test), .figures = false});
    TableCell fate{.words = fateOf(step), .figures = false};
    if (step.record && !step.record->why.empty()) fate.below = qs(step.record->why);
    if (what.safe && next) fate.below = wireTr("safe to stop behind it");
    row.cells.push_back(std::move(fate));
    if (step.over()) row.mark = core::State::Fine;
    row.chosen = next;
    row.line = u"step %1 %2"_s.arg(qs(what.name), step.record ? u"open"_s : u"done"_s);
    return row;
}

TableContent stepsOf(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = wireTr("Nothing to wire yet: choose a decoder or a lamp first.");
    made.columns = {{.title = wireTr("step"), .least = 260, .share = 1.4, .wraps = true},
                    {.title = wireTr("test at once"), .least = 160, .share = 1, .wraps = true},
                    {.title = wireTr("now"), .least = 130, .share = 0.3, .wraps = true}};
    const std::vector<StepNow> all = core::stepsNow(facts.job, facts.house);
    const StepNow* next = core::nextStep(all);
    for (const StepNow& each : all) made.rows.push_back(rowOf(each, &each == next));
    return made;
}

QString amperes(const std::optional<core::Amperes>& amps) {
    return amps ? qs(core::formatted(*amps, 3)) : wireTr("not known");
}

TableContent wiresOf(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = wireTr("No wire is planned or laid.");
    made.columns = {{.title = wireTr("wire"), .least = 96, .share = 0.3},
                    {.title = wireTr("from"), .least = 130, .share = 1},
                    {.title = wireTr("to"), .least = 130, .share = 1},
                    {.title = wireTr("gauge, length"), .least = 120, .share = 0.4},
                    {.title = wireTr("current"), .least = 90, .share = 0.2},
                    {.title = wireTr("joints"), .least = 110, .share = 0.4}};
    for (const core::ListedWire& wire : core::wireList(facts)) {
        TableRow row;
        if (wire.state != core::State::Fine) row.mark = wire.state;
        row.cells.push_back(
            {.words = qs(wire.colour), .below = qs(wire.net), .strong = true, .figures = false});
        row.cells.push_back({.words = wire.from.owner.empty()
                                          ? wireTr("not followed")
                                          : said(core::described(facts.job, wire.from)),
                             .figures = false});
        row.cells.push_back({.words = said(core::described(facts.job, wire.to)), .figures = false});
        const QString gauge = wire.awg ? wireTr("%1 AWG").arg(*wire.awg) : wireTr("not known");
        row.cells.push_back(
            {.words = gauge,
             .below = wire.length ? qs(core::formatted(*wire.length, 3)) : wireTr("measure it")});
        row.cells.push_back({.words = amperes(wire.amps), .state = wire.state});
        QString joints = wire.planned ? wireTr("planned") : QString();
        for (const auto& joint : {wire.fromJoint, wire.toJoint}) {
            if (joint)
                joints +=
                    (joints.isEmpty() ? u""_s : u" / "_s) + qs(std::string(core::name(*joint)));
        }
        row.cells.push_back({.words = joints,
                             .below = wire.provisional ? wireTr("provisional") : QString(),
                             .figures = false});
        made.rows.push_back(std::move(row));
    }
    return made;
}

TableContent cutsOf(const core::JobAnalysis& facts) {
    TableContent made;
    made.empty = wireTr("Nothing to cut.");
    made.columns = {{.title = wireTr("colour"), .least = 110, .share = 0.4},
                    {.title = wireTr("gauge"), .least = 90, .share = 0.2},
                    {.title = wireTr("length"), .least = 130, .share = 0.4},
                    {.title = wireTr("pieces"), .least = 70, .share = 0.2},
                    {.title = wireTr("wires"), .least = 150, .share = 1}};
    for (const core::Cut& cut : core::cutList(core::wireList(facts))) {
        TableRow row;
        QString wires;
        for (const std::string& each : cut.wires)
            wires += (wires.isEmpty() ? u""_s : u", "_s) + qs(each);
        row.cells = {
            {.words = qs(cut.colour), .strong = true, .figures = false},
            {.words = cut.awg ? wireTr("%1 AWG").arg(*cut.awg) : wireTr("not known")},
            {.words = cut.length ? qs(core::formatted(*cut.length, 3)) : wireTr("measure it")},
            {.words = QString::number(cut.wires.size())},
            {.words = wires}};
        made.rows.push_back(std::move(row));
    }
    return made;
}

TableContent couplingsOf(const core::JobAnalysis& facts) {
    TableContent made;
    const core::Job& job = facts.job;
    made.empty = wireTr("It is one unit: nothing goes over a coupling.");
    made.columns = {{.title = wireTr("between"), .least = 200, .share = 1},
                    {.title = wireTr("circuits needed"), .least = 130, .share = 0.3},
                    {.title = wireTr("contacts"), .least = 100, .share = 0.3}};
    for (std::size_t i = 0; i < job.couplings.size(); ++i) {
        const std::size_t needed = core::circuitsAcross(job, i).needed();
        const int contacts = job.couplings[i].contacts;
        TableRow row;
        row.mark =
            needed > static_cast<std::size_t>(contacts) ? core::State::Over : core::State::Fine;
        row.cells = {
            {.words = wireTr("%1 and %2")
                          .arg(qs(core::unitCalled(job, i)), qs(core::unitCalled(job, i + 1))),
             .strong = true,
             .figures = false},
            {.words = QString::number(needed)},
            {.words = QString::number(contacts)}};
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

StagePanel* wirePanel(QWidget* parent) {
    auto* panel = new PagesPanel(u"wirePanel"_s, parent);
    panel->addTable(u"stepsTable"_s, wireTr("steps"), wireTr("The work, step by step"), stepsOf);
    panel->addTable(u"wiresTable"_s, wireTr("wires"), wireTr("Every wire with both ends"), wiresOf);
    panel->addTable(u"cutsTable"_s, wireTr("to cut"), wireTr("Lengths to cut"), cutsOf);
    panel->addTable(u"couplingsTable"_s, wireTr("couplings"),
                    wireTr("Circuits against contacts between units"), couplingsOf);
    return panel;
}

}  // namespace glimmet::app
