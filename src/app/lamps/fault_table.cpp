#include "app/lamps/fault_table.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/lamp_groups.h"
#include "core/quantity/format.h"

#include <QPainter>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr std::size_t mostColumns = 5;  // beyond that the words alone say it
constexpr double limitAt = 0.66;        // of a bar's width stands the limit

/// What a row of lamps carries now and may carry.
struct CarriedByRow {
    std::size_t row;
    core::Amperes now{}, limit{};
};

/// A bar for the current then, a stroke where it is now, one at the limit.
void paintCurrent(QPainter& painter, const QRectF& cell, const CarriedByRow& row,
                  core::Amperes then) {
    const Theme& look = theme();
    const QRectF box = cell.adjusted(8, 0, -10, 0);
    const double full = box.width() * limitAt;
    const auto x = [&](core::Amperes current) {
        return box.left() + std::min(box.width(), full * (current / row.limit).value());
    };
    const double low = box.center().y() + 11;
    painter.setPen(QPen(look.paperEdge, 1.4));
    painter.drawLine(QPointF(box.left(), low), QPointF(box.right(), low));
    painter.setPen(QPen(look.inkSoft, 1.4));
    painter.drawLine(QPointF(box.left() + full, low - 6), QPointF(box.left() + full, low + 6));
    const core::State state =
        core::stateAgainst(then.value(), row.limit.value(), core::lampCloseAbove);
    if (then < core::glowCurrent) {
        painter.setPen(QPen(look.inkSoft, 1.6));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(QPointF(box.left() + 5, low), 4, 4);
    } else {
        painter.setPen(QPen(look.of(state), 5, Qt::SolidLine, Qt::FlatCap));
        painter.drawLine(QPointF(box.left(), low), QPointF(x(then), low));
        if (then > row.limit) {  // its end is an arrow: beyond its limit
            painter.setPen(QPen(look.of(state), 2));
            const double end = x(then);
            painter.drawLine(QPointF(end, low - 6), QPointF(end - 7, low));
            painter.drawLine(QPointF(end, low + 6), QPointF(end - 7, low));
        }
    }
    painter.setPen(QPen(look.ink, 1.6));  // where it is now
    painter.drawLine(QPointF(x(row.now), low - 5), QPointF(x(row.now), low + 5));
}

TableCell cellOf(const CarriedByRow& row, const std::optional<core::Amperes>& then) {
    if (!then) return {};
    TableCell cell;
    cell.words = *then < core::glowCurrent ? table::tr("dark") : qs(core::formatted(*then, 2));
    cell.below = u" "_s;  // the bar's place
    cell.sketch = [row, amps = *then](QPainter& painter, const QRectF& box) {
        paintCurrent(painter, box, row, amps);
    };
    return cell;
}

}  // namespace

FaultTable::FaultTable(QWidget* parent) : Table(parent) {
    setObjectName(u"faultTable"_s);
    setAccessibleName(tr("If one fails"));
    setToolTip(tr("Press a line to see it in the dark; again, or Escape, and all is as it was"));
    // Arrows go from one to the next; the one that is seen is let go by another press.
    connect(this, &Table::moved, this, &FaultTable::choose);
    connect(this, &Table::cellChosen, this,
            [this](int row, int) { choose(row != m_chosen ? row : -1); });
    connect(this, &Table::escaped, this, [this] { choose(-1); });
}

void FaultTable::showGroup(const core::JobAnalysis& facts, const core::LampGroup* group) {
    choose(-1);
    m_cases.clear();
    showWhenSeen([this, job = facts.job, id = group ? group->id : std::string(),
                  house = facts.house] { return worked(job, id, house); });
}

TableContent FaultTable::worked(const core::Job& job, const std::string& id,
                                const core::WorkshopRules& house) {
    TableContent made;
    made.empty = tr("Once a lamp is connected it stands here what happens if it fails.");
    const auto group = std::find_if(job.groups.begin(), job.groups.end(),
                                    [&](const auto& each) { return each.id == id; });
    if (group == job.groups.end()) return made;
    const auto state = core::groupState(job, *group, house);
    if (!state) return made;
    m_cases = core::lamps::whatIf(job, *group, house);
    m_group = *group;
    std::vector<CarriedByRow> rows;
    for (std::size_t r = 0; r < state->rows.size(); ++r) {
        if (state->rows[r].connected)
            rows.push_back({r, state->rows[r].current, state->rows[r].limit});
    }
    if (rows.size() > mostColumns) rows.clear();
    made.columns = {{.least = 250, .share = 1, .wraps = true}};
    for (const CarriedByRow& row : rows) {
        made.columns.push_back(
            {.title = group->rows.size() == 1 ? qs(group->name) : tr("row %1").arg(row.row + 1),
             .least = 84,
             .share = 0});
    }
    for (const core::lamps::FaultCase& one : m_cases) {
        TableRow line;
        line.mark = one.state;
        line.cells.push_back(
            {.words = said(one.name), .below = said(one.follows), .figures = false});
        for (const CarriedByRow& row : rows)
            line.cells.push_back(cellOf(row, one.current[row.row]));
        made.rows.push_back(std::move(line));
    }
    return made;
}

void FaultTable::choose(int line) {
    if (line == m_chosen) return;
    m_chosen = line;
    setChosen(line);
    if (line < 0) {
        setCurrent(-1);
        emit seen({});
        return;
    }
    const core::lamps::FaultCase& one = m_cases[static_cast<std::size_t>(line)];
    emit seen(
        {.relit = [group = m_group, one](auto& all) { core::lamps::showFailed(group, one, all); },
         .words = said(one.name)});
}

void FaultTable::hideEvent(QHideEvent* event) {
    choose(-1);
    Table::hideEvent(event);
}

}  // namespace glimmet::app
