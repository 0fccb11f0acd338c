#include "app/theme/state_mark.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QAbstractButton>
#include <QFontMetrics>
#include <QPainter>

namespace glimmet::app {

void paintMark(QPainter& painter, const QRectF& where, core::State state) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const QColor colour = theme().of(state);
    const qreal line = qMax(1.3, where.height() / 9);
    const QRectF vial = where.adjusted(line, line, -line - where.width() * 0.14, -line);
    const qreal round = vial.height() / 2;
    painter.setPen(QPen(colour, line));
    QColor glass = colour;
    glass.setAlphaF(0.14F);
    painter.setBrush(glass);
    painter.drawRoundedRect(vial, round, round);
    const qreal middle = vial.center().x();
    const qreal gap = vial.height() * 0.5;
    painter.setPen(QPen(colour, line * 0.7));
    for (const qreal x : {middle - gap, middle + gap}) {
        painter.drawLine(QPointF(x, vial.top()), QPointF(x, vial.bottom()));
    }
    const qreal size = vial.height() * 0.62;
    const auto bubble = [&](qreal x) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        painter.drawEllipse(QPointF(x, vial.center().y()), size / 2, size / 2);
    };
    switch (state) {
        case core::State::Fine:
            bubble(middle);
            break;
        case core::State::Close:
            bubble(vial.right() - size * 0.75);
            break;
        case core::State::Over:
            bubble(vial.right() + size * 0.35);
            break;
        case core::State::Ask:
            painter.setPen(QPen(colour, line, Qt::DotLine));
            painter.drawLine(QPointF(vial.left() + round, vial.center().y()),
                             QPointF(vial.right() - round, vial.center().y()));
            break;
    }
    painter.restore();
}

void paintOpenMark(QPainter& painter, const QRectF& where) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const qreal line = qMax(1.3, where.height() / 9);
    const QRectF vial = where.adjusted(line, line, -line - where.width() * 0.14, -line);
    painter.setPen(QPen(theme().inkSoft, line, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    painter.drawRoundedRect(vial, vial.height() / 2, vial.height() / 2);
    painter.restore();
}

void paintRowGround(QPainter& painter, const QAbstractButton& row) {
    const Theme& look = theme();
    if (row.isChecked()) painter.fillRect(row.rect(), look.paperRaised);
    if (!row.underMouse() && !row.hasFocus()) return;
    painter.setPen(QPen(look.brass, row.hasFocus() ? 2 : 1));
    painter.drawRect(row.rect().adjusted(1, 1, -1, -1));
}

StateMark::StateMark(core::State state, QWidget* parent) : QWidget(parent), m_state(state) {
    setState(state);
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

void StateMark::setState(core::State state, bool open) {
    if (state == m_state && open == m_open && !accessibleName().isEmpty()) return;
    m_state = state;
    m_open = open;
    setAccessibleName(stateWord(state, open));
    updateGeometry();
    update();
}

QSize StateMark::sizeHint() const {
    const QFontMetrics metrics(wordsFont(13, true));
    return {36 + 6 + metrics.horizontalAdvance(stateWord(m_state, m_open)) + 2,
            qMax(20, metrics.height())};
}

void StateMark::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const QRectF mark(0, height() / 2.0 - 8, 36, 16);
    m_open ? paintOpenMark(painter, mark) : paintMark(painter, mark, m_state);
    painter.setFont(wordsFont(13, true));
    painter.setPen(m_open ? theme().inkSoft : theme().of(m_state));
    painter.drawText(QRect(42, 0, width() - 42, height()), Qt::AlignVCenter | Qt::AlignLeft,
                     stateWord(m_state, m_open));
}

}  // namespace glimmet::app
