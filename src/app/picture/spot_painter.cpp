#include "app/picture/scene.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {

void paintSpots(QPainter& painter, const SceneInput& scene, std::vector<Target>& targets) {
    for (const core::Spot& spot : scene.job.intake.spots) {
        if (!spot.mended.empty()) continue;
        const QPointF at = scene.units[core::unitAt(scene.job, spot.unit)].at(spot.at);
        // As it is ringed with a wax pencil: twice round, not quite closed.
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(theme().over.lighter(theme().night ? 100 : 150), 2.2, Qt::SolidLine,
                            Qt::RoundCap));
        painter.drawArc(QRectF(at.x() - 12, at.y() - 11, 24, 21), 40 * 16, 340 * 16);
        painter.drawArc(QRectF(at.x() - 13, at.y() - 10, 25, 22), 200 * 16, 200 * 16);
        targets.push_back({QRectF(at.x() - 14, at.y() - 14, 28, 28),
                           tr("Still open since %1: %2").arg(qs(spot.on), qs(spot.words)),
                           u"mended "_s + qs(spot.id), spot.id});
    }
}

}  // namespace glimmet::app
