#include "app/fit/fit_panel.h"

#include "app/fit/fit_view.h"
#include "app/table/table.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"
#include "core/work/fit/things.h"

#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* fitPanel(QWidget* parent) { return new FitPanel(parent); }

namespace {

QString millimetres(core::Millimetres length) { return qs(core::fit::tenths(length)); }

QString sizeOf(const core::Box& box) {
    const auto one = [](core::Millimetres value) {
        return qs(core::formatted(value.value(), core::Dimension::Ratio, 3));
    };
    return FitPanel::tr("%1 × %2 × %3 mm").arg(one(box.length), one(box.width), one(box.height));
}

/// What the thing meets first: another, what came with the model, the walls.
QString meets(const std::vector<core::fit::Thing>& things, const core::Clearance& spare) {
    if (spare.against.empty()) return FitPanel::tr("between the walls");
    for (const core::fit::Thing& each : things) {
        if (each.lies->box.what == spare.against)
            return FitPanel::tr("beside %1").arg(said(each.words));
    }
    return FitPanel::tr("beside the %1 that came with it").arg(qs(spare.against));
}

TableCell roomOf(const std::vector<core::fit::Thing>& things, const core::fit::Thing& thing) {
    TableCell cell{.state = thing.state};
    if (const auto& spare = thing.room.spare) {
        cell.words = FitPanel::tr("%1 to spare in %2")
                         .arg(millimetres(spare->by), said(core::fit::alongWords(spare->along)));
        cell.below = thing.measured ? meets(things, *spare)
                                    : FitPanel::tr("%1; as it is drawn").arg(meets(things, *spare));
    } else if (const auto& lacks = thing.room.lacks) {
        cell.words = FitPanel::tr("lacks %1 in %2")
                         .arg(millimetres(lacks->by), said(core::fit::alongWords(lacks->along)));
        cell.below = lacks->alone ? FitPanel::tr("even alone") : FitPanel::tr("beside the rest");
    } else {
        cell.words = FitPanel::tr("no cavity");
    }
    return cell;
}

TableContent contentOf(const core::Job& job, const std::vector<core::fit::Thing>& things) {
    TableContent made;
    made.empty = FitPanel::tr("Nothing to fit is chosen yet.");
    made.columns = {{.title = FitPanel::tr("part"), .least = 180, .share = 1},
                    {.title = FitPanel::tr("where"), .least = 110, .share = 0.5},
                    {.title = FitPanel::tr("with its wires"), .least = 168, .share = 0},
                    {.title = FitPanel::tr("room"), .least = 210, .share = 1, .wraps = true}};
    for (const core::fit::Thing& thing : things) {
        const core::Placement& lies = *thing.lies;
        TableRow row{.mark = thing.state};
        row.cells.push_back(
            {.words = qs(thing.kind),
             .below = qs(lies.box.name),
             .strong = true,
             .figures = false,
             .tip = FitPanel::tr("%1. Press it to say where it goes.").arg(qs(lies.box.name))});
        row.cells.push_back(
            {.words = lies.fits ? said(core::fit::placeOf(job, lies.unit, lies.hollow))
                                : FitPanel::tr("nowhere"),
             .below = lies.box.wanted ? FitPanel::tr("put there") : FitPanel::tr("found for it"),
             .figures = false});
        row.cells.push_back({.words = sizeOf(lies.box)});
        row.cells.push_back(roomOf(things, thing));
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace

FitPanel::FitPanel(QWidget* parent) : StagePanel(parent), m_table(new Table(this)) {
    setObjectName(u"fitPanel"_s);
    m_table->setObjectName(u"fitTable"_s);
    m_table->setAccessibleName(tr("Parts to fit, and their room"));
    m_table->setScrolls();
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->addWidget(m_table);
    connect(m_table, &Table::cellChosen, this,
            [this](int row, int) { emit jotOffered(m_jots[static_cast<std::size_t>(row)]); });
}

void FitPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                    const std::string&) {
    const std::vector<core::fit::Thing> things = core::fit::thingsOf(facts);
    m_jots.clear();
    for (const core::fit::Thing& each : things)
        m_jots.push_back(u"fit %1 in "_s.arg(qs(each.said)));
    m_table->show(contentOf(facts.job, things));
}

}  // namespace glimmet::app
