#include "app/intake/intake_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/intake/look_list.h"

#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {

void paintLookOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    QPainter& painter = input.painter;
    for (const core::Spot& spot : scene.job.intake.spots) {
        if (!spot.mended.empty()) continue;
        const QPointF at = scene.units[core::unitAt(scene.job, spot.unit)].at(spot.at);
        const bool chosen = scene.subject == spot.id;
        paintLegend(painter, at + QPointF(0, -15), qs(spot.words),
                    Qt::AlignHCenter | Qt::AlignBottom, theme().matInk,
                    chosen ? theme().over : theme().mat);
    }
    const auto next = core::intake::nextToLook(scene.job);
    if (!next) return;
    // A lens held over what is looked at next.
    const core::intake::Place place = core::intake::placeOf(scene.job, next->id, {});
    const QPointF at = scene.units[place.unit].at(place.at);
    painter.setRenderHint(QPainter::Antialiasing);
    QColor glass = theme().brass;
    glass.setAlphaF(0.16F);
    painter.setBrush(glass);
    painter.setPen(QPen(theme().brass, 3));
    painter.drawEllipse(at, 20, 20);
    painter.setPen(QPen(theme().brass, 6, Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(at + QPointF(15, 15), at + QPointF(30, 30));
    const QString title = QCoreApplication::translate("core", next->title);
    paintLegend(painter, at + QPointF(26, 0), tr("next: %1").arg(title),
                Qt::AlignLeft | Qt::AlignVCenter, theme().matInk, theme().mat);
    const QString id = QString::fromUtf8(next->id);
    input.targets.push_back(
        {QRectF(at.x() - 20, at.y() - 20, 40, 40),
         tr("%1: %2").arg(title, QCoreApplication::translate("core", next->look)),
         u"bad %1 "_s.arg(id),
         {},
         {{tr("it is good"), u"good "_s + id}}});
}

}  // namespace glimmet::app
