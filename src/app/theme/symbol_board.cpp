#include "app/theme/symbol_board.h"

#include "app/theme/theme.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPaintEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>

namespace glimmet::app {

SymbolBoard::SymbolBoard(QWidget* parent) : QWidget(parent) {
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
}

void SymbolBoard::paintEvent(QPaintEvent* event) {
    QPainter painter(this);
    painter.setClipRect(event->rect());
    paint(painter);
    if (!hasFocus() || m_inHand >= m_symbols.size()) return;
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme().brass, 2));
    painter.drawRoundedRect(m_symbols[m_inHand].where, 4, 4);
}

void SymbolBoard::mousePressEvent(QMouseEvent* event) {
    for (auto it = m_symbols.rbegin(); it != m_symbols.rend(); ++it) {
        if (!it->where.contains(event->position())) continue;
        m_inHand = static_cast<std::size_t>(m_symbols.rend() - it) - 1;
        update();
        // What is stepped by arrows stays in hand; all else goes on in the jot line.
        if (it->up.isEmpty())
            emit jotOffered(it->jot);
        else
            setFocus();
        return;
    }
}

void SymbolBoard::keyPressEvent(QKeyEvent* event) {
    if (m_symbols.empty()) return QWidget::keyPressEvent(event);
    m_inHand = std::min(m_inHand, m_symbols.size() - 1);
    const Symbol& symbol = m_symbols[m_inHand];
    switch (event->key()) {
        case Qt::Key_Up:
            if (!symbol.up.isEmpty()) emit jotChosen(QString(symbol.up));
            return;
        case Qt::Key_Down:
            if (!symbol.down.isEmpty()) emit jotChosen(QString(symbol.down));
            return;
        case Qt::Key_Left:
        case Qt::Key_Right:
            m_inHand = (m_inHand + (event->key() == Qt::Key_Left ? m_symbols.size() - 1 : 1)) %
                       m_symbols.size();
            setAccessibleDescription(m_symbols[m_inHand].tip);
            update();
            return;
        case Qt::Key_Return:
        case Qt::Key_Enter:
        case Qt::Key_Space:
            emit jotOffered(QString(symbol.jot));
            return;
        default:
            QWidget::keyPressEvent(event);
    }
}

bool SymbolBoard::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        for (auto it = m_symbols.rbegin(); it != m_symbols.rend(); ++it) {
            if (!it->where.contains(help->pos())) continue;
            QToolTip::showText(help->globalPos(), it->tip, this);
            return true;
        }
        QToolTip::hideText();
        return true;
    }
    return QWidget::event(event);
}

}  // namespace glimmet::app
