#include "app/reserve/speed_column.h"

#include "app/theme/theme.h"

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

SpeedColumn::SpeedColumn(QWidget* parent) : QWidget(parent) {
    setObjectName(u"speedColumn"_s);
    setFixedWidth(168);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setToolTip(tr("How it gets over at each speed of the prototype. Press one to set it."));
}

void SpeedColumn::show(std::vector<core::reserve::AtSpeed> sweep, double kmh) {
    m_sweep = std::move(sweep);
    m_kmh = kmh;
    QStringList words;
    for (std::size_t i = 0; i < m_sweep.size(); ++i) {
        if (i > 0 && m_sweep[i].how == m_sweep[i - 1].how) continue;
        words += tr("from %1 km/h %2").arg(m_sweep[i].kmh).arg(crossedWord(m_sweep[i].how));
    }
    setAccessibleName(
        tr("Speeds: %1; set to %2 km/h").arg(words.join(u", "_s)).arg(m_kmh, 0, 'g', 4));
    update();
}

QRectF SpeedColumn::bar(std::size_t index) const {
    const double each =
        (height() - 52.0) / static_cast<double>(std::max<std::size_t>(m_sweep.size(), 1));
    return {48, height() - 18 - each * static_cast<double>(index + 1), 26, each};
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
    if (m_sweep.empty()) return;
    std::size_t from = 0;
    for (std::size_t i = 0; i <= m_sweep.size(); ++i) {
        if (i < m_sweep.size() && m_sweep[i].how == m_sweep[from].how) continue;
        const QRectF one = bar(from).united(bar(i - 1));
        const core::State state = core::reserve::stateOf(m_sweep[from].how);
        QColor fill = look.of(state);
        painter.setPen(QPen(look.paper, 1));
        painter.setBrush(fill);
        painter.drawRect(one);
        // What is bad is hatched as well, so that it does not hang on a colour.
        if (state != core::State::Fine) {
            painter.setBrush(QBrush(
                look.paper, state == core::State::Over ? Qt::BDiagPattern : Qt::Dense6Pattern));
            painter.drawRect(one);
        }
        painter.setPen(look.ink);
        painter.setFont(wordsFont(13));
        const double middle = std::clamp(one.center().y(), 44.0, height() - 24.0);
        painter.drawText(QRectF(82, middle - 10, width() - 84, 20),
                         Qt::AlignLeft | Qt::AlignVCenter, crossedWord(m_sweep[from].how));
        if (from > 0 && bar(0).bottom() - one.bottom() > 15) {
            painter.setFont(figuresFont(12));
            painter.drawText(QRectF(0, one.bottom() - 9, 42, 18), Qt::AlignRight | Qt::AlignVCenter,
                             QString::number(m_sweep[from].kmh));
        }
        from = i;
    }
    painter.setFont(figuresFont(12));
    painter.setPen(look.inkSoft);
    painter.drawText(QRectF(0, bar(0).bottom() - 9, 42, 18), Qt::AlignRight | Qt::AlignVCenter,
                     QString::number(m_sweep.front().kmh));
    painter.drawText(QRectF(0, bar(m_sweep.size() - 1).top() - 9, 42, 18),
                     Qt::AlignRight | Qt::AlignVCenter, QString::number(m_sweep.back().kmh));
    // The speed that is set.
    const double index = (m_kmh - m_sweep.front().kmh) / (m_sweep[1].kmh - m_sweep[0].kmh) + 0.5;
    const QRectF first = bar(0);
    const double y = std::clamp(first.bottom() - first.height() * index,
                                bar(m_sweep.size() - 1).top(), first.bottom());
    painter.setPen(QPen(look.ink, hasFocus() ? 3 : 2));
    painter.drawLine(QPointF(42, y), QPointF(77, y));
    painter.setBrush(look.ink);
    painter.drawPolygon(QPolygonF({{42, y}, {34, y - 5}, {34, y + 5}}));
}

void SpeedColumn::choose(double kmh) { emit jotChosen(u"creep %1km/h"_s.arg(kmh, 0, 'g', 4)); }

void SpeedColumn::mousePressEvent(QMouseEvent* event) {
    for (std::size_t i = 0; i < m_sweep.size(); ++i) {
        const QRectF one = bar(i);
        if (event->position().y() >= one.top() && event->position().y() < one.bottom()) {
            choose(m_sweep[i].kmh);
            return;
        }
    }
}

void SpeedColumn::keyPressEvent(QKeyEvent* event) {
    const bool up = event->key() == Qt::Key_Up;
    if ((!up && event->key() != Qt::Key_Down) || m_sweep.empty()) {
        QWidget::keyPressEvent(event);
        return;
    }
    const double next = std::clamp(m_kmh + (up ? 2 : -2), m_sweep.front().kmh, m_sweep.back().kmh);
    if (std::abs(next - m_kmh) > 1e-9) choose(next);
}

}  // namespace glimmet::app
