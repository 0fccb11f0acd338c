#include "app/decoder/decoder_view.h"
#include "app/theme/theme.h"

#include <QPainter>

namespace glimmet::app {

void paintDecoder(const PartInput& input) {
    QPainter& painter = input.painter;
    const QRectF& box = input.box;
    painter.setPen(QPen(QColor(0x10, 0x22, 0x30), 1.2));
    painter.setBrush(QColor(0x1E, 0x5A, 0x86, 150));  // sleeve of heat-shrink round it
    painter.drawRoundedRect(box, 2, 2);
    const QRectF board(box.left() + box.width() * 0.06, box.center().y() - box.height() * 0.1,
                       box.width() * 0.88, qMax(2.0, box.height() * 0.2));
    painter.setBrush(QColor(0x2E, 0x7D, 0x5B));
    painter.drawRect(board);
    painter.setBrush(QColor(0x20, 0x22, 0x22));
    painter.drawRect(QRectF(board.left() + board.width() * 0.3, board.top() - box.height() * 0.24,
                            board.width() * 0.34, box.height() * 0.24));
    painter.setBrush(theme().brass);
    for (int pad = 0; pad < 6; ++pad) {
        painter.drawRect(QRectF(board.left() + board.width() * (0.04 + pad * 0.16), board.bottom(),
                                board.width() * 0.05, qMax(1.5, box.height() * 0.08)));
    }
}

}  // namespace glimmet::app
