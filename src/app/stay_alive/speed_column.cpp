#include "app/stay_alive/speed_column.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {

QString crossedWord(core::Crossed how) {
    switch (how) {
        case core::Crossed::Untouched:
            return SpeedColumn::tr("bridged");
        case core::Crossed::Carried:
            return SpeedColumn::tr("gets over");
        case core::Crossed::Dims:
            return SpeedColumn::tr("lamps dim");
        case core::Crossed::Slows:
            return SpeedColumn::tr("slows");
        case core::Crossed::Resets:
            return SpeedColumn::tr("starts anew");
        case core::Crossed::Stops:
            break;
    }
    return SpeedColumn::tr("stops");
}

namespace {

constexpr qreal scaleWide = 48, columnWide = 22, wordsWide = 96;
constexpr qreal top = 64, bottom = 18;
constexpr int mostColumns = 4;

/// Which rails it meets dead, one after the other: "L", "R B L".
QString railsOf(const core::stay_alive::Passage& passage) {
    QStringList letters;
    for (const core::DeadLength& dead : passage.dead) {
        letters += dead.rail == core::Rails::Left    ? SpeedColumn::tr("L")
                   : dead.rail == core::Rails::Right ? SpeedColumn::tr("R")
                                                     : SpeedColumn::tr("B");
    }
    return letters.join(QString());
}

}  // namespace

SpeedColumn::SpeedColumn(QWidget* parent) : QWidget(parent) {
    setObjectName(u"speedColumn"_s);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setMouseTracking(true);
}

const std::vector<core::stay_alive::AtSpeed>& SpeedColumn::sweep() const {
    return m_ways[m_column].sweep;
}

QString SpeedColumn::words(std::size_t column) const {
    const std::vector<std::size_t>& mine = m_ways[column].passages;
    const auto hasBoth = [&](const core::stay_alive::Passage& passage) {
        return std::count_if(mine.begin(), mine.end(), [&](std::size_t each) {
                   return m_passages[each].way == passage.way;
               }) > 1;
    };
    QStringList all;
    for (const std::size_t each : mine) {
        const core::stay_alive::Passage& passage = m_passages[each];
        const QString one = said(hasBoth(passage) ? passage.way : core::stay_alive::words(passage));
        if (!one.isEmpty() && !all.contains(one)) all += one;
    }
    return all.join(u"; "_s);
}

void SpeedColumn::show(const core::stay_alive::CrossingChart& chart) {
    m_passages = chart.at.place.passages;
    m_kmh = chart.kmh;
    // The one that is shown is among those that there is room for.
    m_first = chart.shown < mostColumns ? 0 : chart.shown + 1 - mostColumns;
    const auto begin = chart.ways.begin() + static_cast<std::ptrdiff_t>(m_first);
    m_ways.assign(begin, begin + std::min<std::ptrdiff_t>(mostColumns, chart.ways.end() - begin));
    m_column = chart.shown - m_first;
    setFixedWidth(
        static_cast<int>(scaleWide + columnWide * static_cast<qreal>(m_ways.size()) + wordsWide));
    QStringList said;
    for (std::size_t i = 0; i < sweep().size(); ++i) {
        if (i > 0 && sweep()[i].how == sweep()[i - 1].how) continue;
        said += tr("from %1 km/h %2").arg(sweep()[i].kmh).arg(crossedWord(sweep()[i].how));
    }
    const QString way = words(m_column);
    setAccessibleName(
        tr("%1: %2; set to %3 km/h")
            .arg(way.isEmpty() ? tr("Speeds") : tr("Speeds, %1").arg(way), said.join(u", "_s))
            .arg(m_kmh, 0, 'g', 4));
    update();
}

QRectF SpeedColumn::bar(std::size_t index, std::size_t column) const {
    const double each =
        (height() - top - bottom) / static_cast<double>(std::max<std::size_t>(sweep().size(), 1));
    return {scaleWide + columnWide * static_cast<double>(column),
            height() - bottom - each * static_cast<double>(index + 1), columnWide - 4, each};
}

void SpeedColumn::paintHead(QPainter& painter, std::size_t column) const {
    const Theme& look = theme();
    const qreal middle = bar(0, column).center().x();
    bool forwards = false, backwards = false;
    QStringList rails;
    for (const std::size_t each : m_ways[column].passages) {
        const core::stay_alive::Passage& passage = m_passages[each];
        (passage.backwards ? backwards : forwards) = true;
        const QString mine = railsOf(passage);
        if (!rails.contains(mine)) rails += mine;
    }
    // In the picture its front is on the left.
    painter.setPen(Qt::NoPen);
    painter.setBrush(column == m_column ? look.ink : look.inkSoft);
    if (forwards)
        painter.drawPolygon(QPolygonF({{middle - 10, 36}, {middle - 3, 31}, {middle - 3, 41}}));
    if (backwards)
        painter.drawPolygon(QPolygonF({{middle + 10, 36}, {middle + 3, 31}, {middle + 3, 41}}));
    painter.setPen(column == m_column ? look.ink : look.inkSoft);
    painter.setFont(figuresFont(11, column == m_column));
    painter.drawText(QRectF(middle - columnWide / 2, 42, columnWide, 16), Qt::AlignCenter,
                     rails.size() > 2 ? u"…"_s : rails.join(QString()));
}

void SpeedColumn::paintColumn(QPainter& painter, std::size_t column) const {
    const Theme& look = theme();
    const std::vector<core::stay_alive::AtSpeed>& speeds = m_ways[column].sweep;
    std::size_t from = 0;
    for (std::size_t i = 0; i <= speeds.size(); ++i) {
        if (i < speeds.size() && speeds[i].how == speeds[from].how) continue;
        const QRectF one = bar(from, column).united(bar(i - 1, column));
        const core::State state = core::stay_alive::stateOf(speeds[from].how);
        painter.setPen(QPen(look.paper, 1));
        painter.setBrush(look.of(state));
        painter.drawRect(one);
        // What is bad is hatched as well, so that it does not hang on a colour.
        if (state != core::State::Fine) {
            painter.setBrush(QBrush(
                look.paper, state == core::State::Over ? Qt::BDiagPattern : Qt::Dense6Pattern));
            painter.drawRect(one);
        }
        if (column == m_column) {
            painter.setPen(look.ink);
            painter.setFont(wordsFont(13));
            const double middle = std::clamp(one.center().y(), top + 8, height() - 24.0);
            const qreal right = scaleWide + columnWide * static_cast<qreal>(m_ways.size());
            painter.drawText(QRectF(right + 8, middle - 10, wordsWide - 10, 20),
                             Qt::AlignLeft | Qt::AlignVCenter, crossedWord(speeds[from].how));
            if (from > 0 && bar(0, 0).bottom() - one.bottom() > 15) {
                painter.setFont(figuresFont(12));
                painter.drawText(QRectF(0, one.bottom() - 9, 42, 18),
                                 Qt::AlignRight | Qt::AlignVCenter,
                                 QString::number(speeds[from].kmh));
            }
        }
        from = i;
    }
}

void SpeedColumn::paintEvent(QPaintEvent*) {
    const Theme& look = theme();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), look.paper);
    painter.setFont(wordsFont(13));
    painter.setPen(look.ink);
    painter.drawText(QRectF(0, 6, width() - 8, 22), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("at which speed (km/h)"));
    if (m_ways.empty() || sweep().empty()) return;
    for (std::size_t column = 0; column < m_ways.size(); ++column) {
        if (m_ways.size() > 1) paintHead(painter, column);
        paintColumn(painter, column);
    }
    const QRectF first = bar(0, m_column), last = bar(sweep().size() - 1, m_column);
    painter.setFont(figuresFont(12));
    painter.setPen(look.inkSoft);
    painter.drawText(QRectF(0, first.bottom() - 9, 42, 18), Qt::AlignRight | Qt::AlignVCenter,
                     QString::number(sweep().front().kmh));
    painter.drawText(QRectF(0, last.top() - 9, 42, 18), Qt::AlignRight | Qt::AlignVCenter,
                     QString::number(sweep().back().kmh));
    // The speed that is set.
    const double index = (m_kmh - sweep().front().kmh) / (sweep()[1].kmh - sweep()[0].kmh) + 0.5;
    const double y =
        std::clamp(first.bottom() - first.height() * index, last.top(), first.bottom());
    const qreal right = scaleWide + columnWide * static_cast<qreal>(m_ways.size()) - 2;
    painter.setPen(QPen(look.ink, hasFocus() ? 3 : 2));
    painter.drawLine(QPointF(42, y), QPointF(right, y));
    painter.setBrush(look.ink);
    painter.drawPolygon(QPolygonF({{42, y}, {34, y - 5}, {34, y + 5}}));
}

void SpeedColumn::choose(double kmh) { emit jotChosen(u"creep %1km/h"_s.arg(kmh, 0, 'g', 4)); }

void SpeedColumn::turnTo(std::size_t column) { emit wayChosen(m_first + column); }

void SpeedColumn::mousePressEvent(QMouseEvent* event) {
    if (m_ways.empty()) return;
    const double across = (event->position().x() - scaleWide) / columnWide;
    if (across >= 0 && across < static_cast<double>(m_ways.size())) {
        const auto column = static_cast<std::size_t>(across);
        if (column != m_column) {
            turnTo(column);
            return;
        }
    }
    for (std::size_t i = 0; i < sweep().size(); ++i) {
        const QRectF one = bar(i, m_column);
        if (event->position().y() >= one.top() && event->position().y() < one.bottom()) {
            choose(sweep()[i].kmh);
            return;
        }
    }
}

QString SpeedColumn::tipAt(const QPointF& at) const {
    if (m_ways.empty()) return {};
    const double across = (at.x() - scaleWide) / columnWide;
    const bool on = across >= 0 && across < static_cast<double>(m_ways.size());
    const auto column = on ? static_cast<std::size_t>(across) : m_column;
    for (std::size_t i = 0; i < m_ways[column].sweep.size(); ++i) {
        const QRectF one = bar(i, column);
        if (at.y() < one.top() || at.y() >= one.bottom()) continue;
        const core::stay_alive::AtSpeed& speed = m_ways[column].sweep[i];
        QString what = tr("%1 km/h").arg(speed.kmh);
        if (const QString way = words(column); !way.isEmpty()) what += u", "_s + way;
        what += u": "_s + (speed.how == core::Crossed::Stops
                               ? tr("stops %1 on").arg(qs(core::formatted(speed.wentOn, 2)))
                               : crossedWord(speed.how));
        return column == m_column ? what + u'\n' + tr("Press to set that speed.")
                                  : what + u'\n' + tr("Press to see it that way.");
    }
    return tr("How it gets over at each speed of the prototype");
}

void SpeedColumn::mouseMoveEvent(QMouseEvent* event) { setToolTip(tipAt(event->position())); }

void SpeedColumn::keyPressEvent(QKeyEvent* event) {
    if (m_ways.empty() || sweep().empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    switch (event->key()) {
        case Qt::Key_Left:
            if (m_first + m_column > 0) emit wayChosen(m_first + m_column - 1);
            return;
        case Qt::Key_Right:
            emit wayChosen(m_first + m_column + 1);
            return;
        case Qt::Key_Up:
        case Qt::Key_Down: {
            const double next = std::clamp(m_kmh + (event->key() == Qt::Key_Up ? 2 : -2),
                                           sweep().front().kmh, sweep().back().kmh);
            if (std::abs(next - m_kmh) > 1e-9) choose(next);
            return;
        }
        default:
            QWidget::keyPressEvent(event);
    }
}

}  // namespace glimmet::app
