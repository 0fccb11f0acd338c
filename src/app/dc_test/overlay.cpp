#include "app/dc_test/dc_test_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QPainter>
#include <QPainterPath>

using namespace Qt::StringLiterals;

namespace glimmet::app {

void paintDcTestOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    QPainter& painter = input.painter;
    const auto& axles = scene.job.units.front().body.axles;
    if (axles.empty()) return;
    // Two leads with clips on the rails, before the first wheel and behind the last.
    const MatView& first = scene.units.front();
    const MatView& last = scene.units.back();
    const auto& lastAxles = scene.job.units.back().body.axles;
    const core::Millimetres end =
        lastAxles.empty() ? scene.job.units.back().body.length : lastAxles.back().x;
    const QPointF front = first.at({axles.front().x - axles.front().diameter, {}});
    const QPointF rear = last.at({end + axles.front().diameter, {}});
    const auto lead = [&](const QPointF& at, const QString& colour, qreal away,
                          const QString& words, Qt::Alignment side) {
        QPainterPath path(at);
        path.cubicTo(at + QPointF(away, -10), at + QPointF(away, 30), at + QPointF(away * 1.6, 34));
        paintWire(painter, path, wireColour(colour), 3);
        painter.setPen(QPen(theme().brass, 3));
        painter.drawLine(at - QPointF(5, 0), at + QPointF(5, 0));
        paintLegend(painter, at + QPointF(away * 0.2, 12), words, side, theme().matInk,
                    theme().mat);
    };
    lead(front, u"red"_s, -34, tr("right rail, plus: forward"), Qt::AlignLeft);
    lead(rear, u"black"_s, 34, tr("left rail, minus"), Qt::AlignRight);
}

}  // namespace glimmet::app
