#include "app/stay_alive/stay_alive_view.h"
#include "app/theme/theme.h"

#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {

void paintBank(const PartInput& input) {
    QPainter& painter = input.painter;
    const QRectF& box = input.box;
    painter.setPen(QPen(QColor(0x16, 0x18, 0x18), 1.2));
    const auto can = [&](const QRectF& one, const QColor& sleeve, const QColor& stripe) {
        painter.setBrush(sleeve);
        painter.drawRoundedRect(one, qMin(one.width(), one.height()) * 0.2,
                                qMin(one.width(), one.height()) * 0.2);
        painter.fillRect(QRectF(one.left() + one.width() * 0.08, one.top() + 1,
                                qMax(2.0, one.width() * 0.12), one.height() - 2),
                         stripe);
    };
    const auto row = [&](int count, const QColor& sleeve, const QColor& stripe) {
        const qreal width = box.width() / count;
        for (int i = 0; i < count; ++i) {
            can({box.left() + width * i, box.top(), width, box.height()}, sleeve, stripe);
        }
    };
    const core::BankPart& part = input.scene.job.bank->part;
    switch (part.kind) {
        case core::BankKind::Electrolytic:
            row(1, QColor(0x2B, 0x3A, 0x55), QColor(0xC9, 0xCF, 0xD6));
            break;
        case core::BankKind::Tantalum:
            row(5, QColor(0xD9, 0xA4, 0x3A), QColor(0x6B, 0x4A, 0x16));
            break;
        case core::BankKind::Supercapacitor:
            row(qBound(1, part.inSeries, 12), QColor(0x20, 0x2A, 0x24), QColor(0x9F, 0xC4, 0xA8));
            break;
        case core::BankKind::Module:
            painter.setBrush(QColor(0x3A, 0x3C, 0x40, 220));
            painter.drawRoundedRect(box, 3, 3);
            break;
    }
    painter.setFont(draftingFont(qBound(11.0, box.height() * 0.6, 20.0)));
    painter.setPen(QColor(0xF2, 0xEF, 0xE2));
    painter.drawText(box.adjusted(2, 0, -2, 0), Qt::AlignVCenter | Qt::AlignLeft, u" −"_s);
    painter.drawText(box.adjusted(2, 0, -2, 0), Qt::AlignVCenter | Qt::AlignRight, u"+ "_s);
}

}  // namespace glimmet::app
