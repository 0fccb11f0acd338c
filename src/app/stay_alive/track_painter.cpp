#include "app/stay_alive/stay_alive_view.h"
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

/// A rail of the picture, and which dead lengths lie on it. On three rails what is reckoned as left
/// is the middle, and as right both outer rails.
struct PaintedRail {
    qreal y;
    QString name;
    core::Rails rail;
    bool studs = false;
};
std::vector<PaintedRail> railsOf(const core::Job& job, qreal ground) {
    if (job.feed != core::Feed::ThreeRailDigital) {
        return {{ground + leftRail, tr("left"), core::Rails::Left},
                {ground + rightRail, tr("right"), core::Rails::Right}};
    }
    return {{ground + leftRail, tr("left"), core::Rails::Right},
            {ground + rightRail, tr("right"), core::Rails::Right},
            {ground + (leftRail + rightRail) / 2, tr("middle"), core::Rails::Left, true}};
}

bool liesOn(const core::DeadLength& dead, core::Rails rail) {
    return dead.rail == core::Rails::Both || dead.rail == rail;
}

/// Filled: it has power. A ring: it would collect, and there is none. Small: it does not collect.
void paintContact(QPainter& painter, const QRectF& at, bool collects, bool dead) {
    const Theme& look = theme();
    const QColor colour = collects && dead ? deadOnMat() : look.matInk;
    painter.setPen(QPen(colour, 2.2));
    painter.setBrush(collects && !dead ? QBrush(colour) : QBrush(look.mat));
    painter.drawRoundedRect(at, at.height() / 2, at.height() / 2);
}

}  // namespace

void paintTrack(const OverlayInput& input, const core::TrackUnder& track) {
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
        const bool three = scene.job.feed == core::Feed::ThreeRailDigital;
        for (const PaintedRail& rail : railsOf(scene.job, ground)) {
            const qreal y = rail.y;
            painter.setPen(QPen(look.matInk, rail.studs ? 1.6 : 2.4,
                                rail.studs ? Qt::DotLine : Qt::SolidLine));
            painter.drawLine(QPointF(front, y), QPointF(back, y));
            for (const core::DeadLength& dead : track.dead) {
                if (!liesOn(dead, rail.rail)) continue;
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
            if (i == 0 && !rail.studs) {
                paintLegend(painter, {qMax(front - 6, 44.0), y - 8}, rail.name, Qt::AlignRight,
                            look.matInk, look.mat);
            }
        }
        for (const core::Axle& axle : body.axles) {
            ++number;
            const core::Millimetres at = track.travel - (start + axle.x);
            for (const bool left : {true, false}) {
                const bool collects = left ? axle.collectsLeft : axle.collectsRight;
                const core::Rails mine = three || !left ? core::Rails::Right : core::Rails::Left;
                const bool dead = std::any_of(
                    track.dead.begin(), track.dead.end(), [&](const core::DeadLength& one) {
                        return liesOn(one, mine) && at >= one.from && at <= one.to;
                    });
                const QPointF on(view.origin.x() + view.size(axle.x),
                                 ground + (left ? leftRail : rightRail));
                const qreal size = collects ? 5.5 : 2.5;
                paintContact(painter, QRectF(on - QPointF(size, size), on + QPointF(size, size)),
                             collects, dead);
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
        if (!three) continue;
        for (const core::Collector& collector : scene.job.units[i].collectors) {
            if (collector.pole != core::Pole::Centre) continue;
            const core::Millimetres half = collector.length / 2.0;
            const core::Millimetres at = track.travel - (start + collector.x);
            // All of it must lie on what is dead.
            const bool dead =
                std::any_of(track.dead.begin(), track.dead.end(), [&](const core::DeadLength& one) {
                    return liesOn(one, core::Rails::Left) && at - half >= one.from &&
                           at + half <= one.to;
                });
            const qreal y = ground + (leftRail + rightRail) / 2;
            const qreal from = view.origin.x() + view.size(collector.x - half);
            const qreal wide = qMax(view.size(collector.length), 6.0);
            paintContact(painter, QRectF(from, y - 3, wide, 6), true, dead);
            input.targets.push_back(
                {QRectF(from, y - 5, wide, 10),
                 dead ? tr("the slider lies on dead studs") : tr("the slider has power"),
                 u"collector slider "_s,
                 {}});
        }
    }
}

}  // namespace glimmet::app
