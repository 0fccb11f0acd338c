#include "app/picture/scene.h"
#include "app/theme/theme.h"

#include <QPainter>
#include <QTextLayout>

#include <cmath>

namespace glimmet::app {

void paintMat(QPainter& painter, const MatView& view, const QRectF& area, bool dark) {
    const Theme& look = theme();
    painter.fillRect(area, dark ? QColor(6, 8, 8) : look.mat);
    if (dark) return;
    painter.setRenderHint(QPainter::Antialiasing, false);
    // Every millimetre where that can be seen, else every fifth or only the centimetres.
    const int step = view.scale >= 4 ? 1 : view.scale >= 1.6 ? 5 : 10;
    const auto lines = [&](bool vertical) {
        const qreal from = vertical ? (area.left() - view.origin.x()) / view.scale
                                    : (view.origin.y() - area.bottom()) / view.scale;
        const qreal to = vertical ? (area.right() - view.origin.x()) / view.scale
                                  : (view.origin.y() - area.top()) / view.scale;
        for (int mm = static_cast<int>(std::floor(from / step)) * step; mm <= to; mm += step) {
            const bool centimetre = mm % 10 == 0;
            painter.setPen(QPen(centimetre ? look.matLineStrong : look.matLine, 1));
            const qreal at =
                vertical ? view.origin.x() + mm * view.scale : view.origin.y() - mm * view.scale;
            if (vertical)
                painter.drawLine(QPointF(at, area.top()), QPointF(at, area.bottom()));
            else
                painter.drawLine(QPointF(area.left(), at), QPointF(area.right(), at));
        }
    };
    lines(true);
    lines(false);
    // Centimetres along the lower and the left edge, as on the printed edge of a mat.
    painter.setFont(draftingFont(14));
    painter.setPen(look.matInk);
    const int numbered = view.scale * 10 >= 34 ? 10 : view.scale * 50 >= 34 ? 50 : 100;
    const qreal right = (area.right() - view.origin.x()) / view.scale;
    const qreal left = (area.left() - view.origin.x()) / view.scale;
    for (int mm = static_cast<int>(std::floor(left / numbered)) * numbered; mm <= right;
         mm += numbered) {
        const qreal x = view.origin.x() + mm * view.scale;
        if (x < area.left() + 26 || x > area.right() - 26) continue;
        painter.drawText(QRectF(x - 30, area.bottom() - 18, 60, 16), Qt::AlignCenter,
                         QString::number(mm));
    }
    const qreal top = (view.origin.y() - area.top()) / view.scale;
    // Heights are over the rail; below it, or over the rails of a row beneath, they say nothing.
    const qreal bottom = qMax(0.0, (view.origin.y() - area.bottom()) / view.scale);
    for (int mm = static_cast<int>(std::ceil(bottom / numbered)) * numbered; mm <= top;
         mm += numbered) {
        const qreal y = view.origin.y() - mm * view.scale;
        if (y < area.top() + 16 || y > area.bottom() - 24) continue;
        painter.drawText(QRectF(area.left() + 4, y - 8, 34, 16), Qt::AlignLeft | Qt::AlignVCenter,
                         QString::number(mm));
    }
}

void paintWire(QPainter& painter, const QPainterPath& path, const QColor& insulation, qreal width) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setBrush(Qt::NoBrush);
    const QColor outline =
        insulation.lightnessF() > 0.45F ? QColor(20, 20, 20) : QColor(235, 235, 225);
    painter.setPen(QPen(outline, width + 1.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
    painter.setPen(QPen(insulation, width, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
    painter.restore();
}

void paintLegend(QPainter& painter, const QPointF& where, const QString& words, Qt::Alignment side,
                 const QColor& ink, const QColor& ground) {
    // Laid out once, for its size and for the painter.
    QTextLayout laid(words, draftingFont(15));
    laid.beginLayout();
    QTextLine line = laid.createLine();
    laid.endLayout();
    QRectF box(where, QSizeF(line.naturalTextWidth() + 8, line.height() + 2));
    if (side & Qt::AlignHCenter) box.moveLeft(where.x() - box.width() / 2);
    if (side & Qt::AlignRight) box.moveRight(where.x());
    if (side & Qt::AlignVCenter) box.moveTop(where.y() - box.height() / 2);
    if (side & Qt::AlignBottom) box.moveBottom(where.y());
    QColor back = ground;
    back.setAlphaF(0.82F);
    painter.fillRect(box, back);
    const QPen before = painter.pen();
    painter.setPen(ink);
    laid.draw(&painter, box.topLeft() + QPointF(4, 1));
    painter.setPen(before);
}

}  // namespace glimmet::app
