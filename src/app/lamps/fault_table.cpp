#include "app/lamps/fault_table.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/lamp_groups.h"
#include "core/quantity/format.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int faultHead = 30;
constexpr int faultLine = 46;  // at least: a long name takes more lines
constexpr int wordsAt = 46;
constexpr int leastWords = 230;
constexpr int cellWidth = 84;
constexpr std::size_t mostColumns = 5;  // beyond that the words alone say it
constexpr double limitAt = 0.66;        // of a cellWidth's width stands the limit

}  // namespace

FaultTable::FaultTable(QWidget* parent) : QWidget(parent) {
    setObjectName(u"faultTable"_s);
    setAccessibleName(tr("If one fails"));
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setToolTip(tr("Press a line to see it in the dark; again, or Escape, and all is as it was"));
}

void FaultTable::show(const core::JobAnalysis& facts, const core::LampGroup* group) {
    choose(-1);
    m_cases.clear();
    m_columns.clear();
    m_rowOf.clear();
    m_asked.reset();
    if (group) m_asked = Asked{facts.job, group->id, facts.house};
    if (isVisible()) work();
    updateGeometry();
    update();
}

void FaultTable::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    work();
}

void FaultTable::work() {
    if (!m_asked) return;
    const Asked asked = std::move(*m_asked);
    m_asked.reset();
    const auto group = std::find_if(asked.job.groups.begin(), asked.job.groups.end(),
                                    [&](const auto& each) { return each.id == asked.group; });
    if (group == asked.job.groups.end()) return;
    const auto state = core::groupState(asked.job, *group, asked.house);
    if (!state) return;
    m_cases = core::lamps::whatIf(asked.job, *group, asked.house);
    m_group = *group;
    for (std::size_t r = 0; r < state->rows.size(); ++r) {
        if (!state->rows[r].connected) continue;
        m_columns.push_back({group->rows.size() == 1 ? qs(group->name) : tr("row %1").arg(r + 1),
                             state->rows[r].current, state->rows[r].limit});
        m_rowOf.push_back(r);
    }
    if (m_columns.size() > mostColumns) m_columns.clear();
    QStringList all;
    for (const auto& one : m_cases) {
        all << tr("%1: %2, %3").arg(said(one.name), said(one.follows), stateWord(one.state));
    }
    setAccessibleDescription(all.join(u". "_s));
    updateGeometry();
}

void FaultTable::choose(int line) {
    if (line == m_chosen) return;
    m_chosen = line;
    update();
    if (line < 0) {
        emit litAs({}, {});
        return;
    }
    const core::lamps::FaultCase& one = m_cases[static_cast<std::size_t>(line)];
    emit litAs([group = m_group, one](auto& all) { core::lamps::showFailed(group, one, all); },
               said(one.name));
}

int FaultTable::wordsWidth() const {
    return std::max(width(), leastWidth()) - static_cast<int>(m_columns.size()) * cellWidth -
           wordsAt - 14;
}

FaultTable::Words FaultTable::wordsOf(const core::lamps::FaultCase& one) const {
    const QRect within(0, 0, wordsWidth(), 1000);
    const auto height = [&](const QFont& font, const core::Text& words) {
        return QFontMetrics(font)
            .boundingRect(within, Qt::AlignLeft | Qt::TextWordWrap, said(words))
            .height();
    };
    return {height(wordsFont(14), one.name), height(wordsFont(13), one.follows)};
}

std::vector<int> FaultTable::tops() const {
    std::vector<int> all{faultHead};
    for (const core::lamps::FaultCase& one : m_cases)
        all.push_back(all.back() + std::max(faultLine, wordsOf(one).all() + 10));
    return all;
}

void FaultTable::mousePressEvent(QMouseEvent* event) {
    const std::vector<int> all = tops();
    const double y = event->position().y();
    const auto below = std::upper_bound(all.begin(), all.end(), y);
    const bool there = below != all.begin() && below != all.end();
    const int line = there ? static_cast<int>(below - all.begin()) - 1 : -1;
    choose(line != m_chosen ? line : -1);
}

void FaultTable::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    if (event->size().width() != event->oldSize().width()) updateGeometry();
}

void FaultTable::keyPressEvent(QKeyEvent* event) {
    const int last = static_cast<int>(m_cases.size()) - 1;
    switch (event->key()) {
        case Qt::Key_Down:
            choose(std::min(m_chosen + 1, last));
            return;
        case Qt::Key_Up:
            choose(std::max(m_chosen - 1, std::min(0, last)));
            return;
        case Qt::Key_Escape:
            if (m_chosen >= 0) {
                choose(-1);
                return;
            }
            break;
        default:
            break;
    }
    QWidget::keyPressEvent(event);
}

void FaultTable::hideEvent(QHideEvent* event) {
    choose(-1);
    QWidget::hideEvent(event);
}

QSize FaultTable::minimumSizeHint() const { return {leastWidth(), tops().back() + 10}; }

int FaultTable::leastWidth() const {
    return leastWords + static_cast<int>(m_columns.size()) * cellWidth;
}

void FaultTable::paintCurrent(QPainter& painter, const QRectF& box, const Column& column,
                              core::Amperes then) const {
    const Theme& look = theme();
    const double full = box.width() * limitAt;
    const auto x = [&](core::Amperes current) {
        return box.left() + std::min(box.width(), full * (current / column.limit).value());
    };
    const double middle = box.center().y() + 7;
    painter.setPen(QPen(look.paperEdge, 1.4));
    painter.drawLine(QPointF(box.left(), middle), QPointF(box.right(), middle));
    painter.setPen(QPen(look.inkSoft, 1.4));
    painter.drawLine(QPointF(box.left() + full, middle - 6),
                     QPointF(box.left() + full, middle + 6));
    const core::State state =
        core::stateAgainst(then.value(), column.limit.value(), core::lampCloseAbove);
    const bool dark = then < core::glowCurrent;
    if (dark) {
        painter.setPen(QPen(look.inkSoft, 1.6));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(QPointF(box.left() + 5, middle), 4, 4);
    } else {
        painter.setPen(QPen(look.of(state), 5, Qt::SolidLine, Qt::FlatCap));
        painter.drawLine(QPointF(box.left(), middle), QPointF(x(then), middle));
        if (then > column.limit) {  // its end is an arrow: beyond what it bears
            painter.setPen(QPen(look.of(state), 2));
            const double end = x(then);
            painter.drawLine(QPointF(end, middle - 6), QPointF(end - 7, middle));
            painter.drawLine(QPointF(end, middle + 6), QPointF(end - 7, middle));
        }
    }
    painter.setPen(QPen(look.ink, 1.6));  // where it is now
    painter.drawLine(QPointF(x(column.now), middle - 5), QPointF(x(column.now), middle + 5));
    painter.setFont(figuresFont(13));
    painter.setPen(dark ? look.inkSoft : look.ink);
    painter.drawText(box.adjusted(0, 0, 0, -box.height() / 2 + 2), Qt::AlignLeft | Qt::AlignBottom,
                     dark ? tr("dark") : qs(core::formatted(then, 2)));
}

void FaultTable::paintEvent(QPaintEvent*) {
    const Theme& look = theme();
    QPainter painter(this);
    painter.fillRect(rect(), look.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (m_cases.empty()) {
        painter.setFont(wordsFont(15));
        painter.setPen(look.ink);
        painter.drawText(rect().adjusted(24, 20, -24, -20), Qt::AlignCenter | Qt::TextWordWrap,
                         tr("Once a lamp is connected it stands here what happens if it fails."));
        return;
    }
    const double barsAt = width() - static_cast<double>(m_columns.size()) * cellWidth - 6;
    const auto column = [&](std::size_t c) { return barsAt + static_cast<double>(c) * cellWidth; };
    painter.setFont(wordsFont(13));
    painter.setPen(look.inkSoft);
    for (std::size_t c = 0; c < m_columns.size(); ++c) {
        const QRectF box(column(c), 2, cellWidth - 12, faultHead - 4);
        painter.drawText(box, Qt::AlignLeft | Qt::AlignVCenter,
                         QFontMetricsF(painter.font())
                             .elidedText(m_columns[c].name, Qt::ElideMiddle, box.width()));
    }
    const std::vector<int> all = tops();
    for (std::size_t i = 0; i < m_cases.size(); ++i) {
        const core::lamps::FaultCase& one = m_cases[i];
        const double top = all[i], high = all[i + 1] - all[i];
        if (static_cast<int>(i) == m_chosen) {
            painter.fillRect(QRectF(8, top + 1, width() - 16, high - 2), look.paperEdge);
            painter.fillRect(QRectF(8, top + 1, 4, high - 2), look.brass);
        }
        painter.setPen(QPen(look.paperEdge, 1));
        painter.drawLine(QPointF(10, top), QPointF(width() - 10, top));
        paintMark(painter, QRectF(14, top + 9, 24, 11), one.state);
        const Words words = wordsOf(one);
        QRectF where(wordsAt, top + (high - words.all()) / 2, wordsWidth(), words.name);
        painter.setFont(wordsFont(14));
        painter.setPen(look.ink);
        painter.drawText(where, Qt::AlignLeft | Qt::TextWordWrap, said(one.name));
        where.translate(0, words.name);
        where.setHeight(words.follows);
        painter.setFont(wordsFont(13));
        painter.setPen(one.state == core::State::Fine ? look.inkSoft : look.of(one.state));
        painter.drawText(where, Qt::AlignLeft | Qt::TextWordWrap, said(one.follows));
        for (std::size_t c = 0; c < m_columns.size(); ++c) {
            if (const auto& then = one.current[m_rowOf[c]]) {
                paintCurrent(painter, QRectF(column(c), top + 3, cellWidth - 14, faultLine - 6),
                             m_columns[c], *then);
            }
        }
    }
}

}  // namespace glimmet::app
