#include "app/reserve/reserve_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QPainter>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr qreal leftRail = 13, rightRail = 27;  // px below the wheels
constexpr qreal beyond = 40;                    // px of track before and behind a unit

/// Red that stands out from the green of the mat, by day and by night.
QColor deadOnMat() { return theme().night ? theme().over : QColor(0xFF, 0x6A, 0x55); }

}  // namespace

void paintTrack(const LensInput& input, const core::TrackUnder& track) {
    const SceneInput& scene = input.scene;
    const Theme& look = theme();
    QPainter& painter = input.painter;
    int number = 0;
    for (std::size_t i = 0; i < scene.units.size(); ++i) {
        const MatView& view = scene.units[i];
        const core::Body& body = scene.job.units[i].body;
        const qreal ground = view.origin.y();
        const qreal front = view.origin.x() - beyond;
        const qreal back = view.origin.x() + view.size(body.length) + beyond;
        const core::Millimetres start = core::startOf(scene.job, i);
        // Plain ground: sleepers and the mat's numbers would be read as part of it.
        painter.fillRect(QRectF(front - 60, ground + 4, back - front + 120, rightRail + 6),
                         look.mat);
        for (const bool left : {true, false}) {
            const qreal y = ground + (left ? leftRail : rightRail);
            painter.setPen(QPen(look.matInk, 2.4));
            painter.drawLine(QPointF(front, y), QPointF(back, y));
            for (const core::DeadLength& dead : track.dead) {
                if (dead.rail == (left ? core::Rails::Right : core::Rails::Left)) continue;
                // What lay ahead comes towards the model and under it as it travels.
                const qreal from = view.origin.x() + view.size(track.travel - dead.to - start);
                const qreal to = view.origin.x() + view.size(track.travel - dead.from - start);
                const QRectF gap = QRectF(QPointF(from, y - 4), QPointF(to, y + 4))
                                       .intersected(QRectF(front, y - 4, back - front, 8));
                if (gap.isEmpty()) continue;
                painter.fillRect(gap, look.mat);
                painter.setPen(QPen(deadOnMat(), 1.4, Qt::DashLine));
                painter.setBrush(QBrush(deadOnMat(), Qt::BDiagPattern));
                painter.drawRect(gap);
            }
            if (i == 0) {
                paintLegend(painter, {qMax(front - 6, 44.0), y - 8},
                            left ? tr("left") : tr("right"), Qt::AlignRight, look.matInk, look.mat);
            }
        }
        for (const core::Axle& axle : body.axles) {
            ++number;
            const core::Millimetres at = track.travel - (start + axle.x);
            for (const bool left : {true, false}) {
                const bool collects = left ? axle.collectsLeft : axle.collectsRight;
                const bool dead = std::any_of(
                    track.dead.begin(), track.dead.end(), [&](const core::DeadLength& one) {
                        const bool mine =
                            one.rail == core::Rails::Both ||
                            one.rail == (left ? core::Rails::Left : core::Rails::Right);
                        return mine && at >= one.from && at <= one.to;
                    });
                const QPointF on(view.origin.x() + view.size(axle.x),
                                 ground + (left ? leftRail : rightRail));
                // Filled: it has power. A ring: it would collect, and there is none. Small: it does
                // not collect.
                const QColor colour = collects && dead ? deadOnMat() : look.matInk;
                painter.setPen(QPen(colour, 2.2));
                painter.setBrush(collects && !dead ? QBrush(colour) : QBrush(look.mat));
                const qreal size = collects ? 5.5 : 2.5;
                painter.drawEllipse(on, size, size);
                const QString side = left ? tr("left") : tr("right");
                input.targets.push_back(
                    {QRectF(on.x() - 8, on.y() - 7, 16, 14),
                     !collects ? tr("axle %1 %2 does not collect").arg(number).arg(side)
                     : dead    ? tr("axle %1 %2 stands on dead rail").arg(number).arg(side)
                               : tr("axle %1 %2 has power").arg(number).arg(side),
                     u"axle %1 "_s.arg(number),
                     {}});
            }
        }
    }
}

}  // namespace glimmet::app
