#include "app/measure/handles.h"
#include "app/measure/measure_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/placement/placement.h"
#include "core/quantity/format.h"

#include <QPainter>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// From the decoder to the motor's brushes and to the rails.
void paintMotorWires(const OverlayInput& input) {
    QPainter& painter = input.painter;
    const SceneInput& scene = input.scene;
    const PartBoxes& parts = input.parts;
    const QRectF decoder = parts.of("decoder");
    if (decoder.isNull()) return;
    const qreal width = qBound(1.6, scene.units.front().scale * 0.5, 4.0);
    const QColor ground = theme().mat;
    const QColor ink = theme().matInk;
    // Each legend stands at the far end of its wire, on the side where nothing else is.
    const auto wire = [&](QPointF from, QPointF to, const QString& colour, const QString& role,
                          qreal bend, QPointF legend, Qt::Alignment side) {
        QPainterPath path(from);
        path.cubicTo(from + QPointF(0, bend), to - QPointF(0, bend), to);
        paintWire(painter, path, wireColour(colour), width);
        paintLegend(painter, legend, role, side, ink, ground);
    };
    for (const QRectF& motor : parts.motors) {
        if (motor.isNull()) continue;
        const QPointF plus(motor.right() - motor.width() * 0.12, motor.top() + 2);
        const QPointF minus(motor.right() - motor.width() * 0.04, motor.bottom() - 4);
        wire({decoder.left() + decoder.width() * 0.2, decoder.bottom()}, plus, u"orange"_s,
             tr("M+ orange"), 14, QPointF(motor.right() + 5, motor.top() + 1), Qt::AlignLeft);
        wire({decoder.left() + decoder.width() * 0.36, decoder.bottom()}, minus, u"grey"_s,
             tr("M− grey"), 30, QPointF(motor.right() + 5, motor.bottom()),
             Qt::AlignLeft | Qt::AlignBottom);
    }
    // The rails' wires go to the last axle of the unit that the decoder lies in.
    const auto& placements = core::placements(scene.facts);
    const core::Placement* placement = core::placementOf(placements, "decoder");
    const std::size_t unit = placement ? placement->unit : 0;
    const MatView& view = scene.units[unit];
    const auto& axles = scene.job.units[unit].body.axles;
    if (axles.empty()) return;
    const core::Axle& last = axles.back();
    const QPointF wheel = view.at({last.x, last.diameter / 2.0});
    const qreal r = view.size(last.diameter) / 2;
    const QPointF right(wheel.x() - r * 0.4, wheel.y() - r * 0.5);
    const QPointF left(wheel.x() + r * 0.4, wheel.y() - r * 0.5);
    wire({decoder.left() + decoder.width() * 0.7, decoder.bottom()}, right, u"red"_s,
         tr("right rail, red"), 30, wheel + QPointF(-r - 6, r * 0.3),
         Qt::AlignRight | Qt::AlignVCenter);
    wire({decoder.left() + decoder.width() * 0.86, decoder.bottom()}, left, u"black"_s,
         tr("left rail, black"), 20, wheel + QPointF(r + 6, r * 0.3),
         Qt::AlignLeft | Qt::AlignVCenter);
}

}  // namespace

void paintMotorOverlay(const OverlayInput& input) {
    QPainter& painter = input.painter;
    const SceneInput& scene = input.scene;
    const PartBoxes& parts = input.parts;
    const Theme& look = theme();
    input.keep(paintMotorWires);
    addHandles(input);
    for (std::size_t i = 0; i < scene.job.units.size(); ++i) {
        for (const core::Cavity& cavity : scene.job.units[i].body.cavities) {
            const QRectF box = scene.units[i].box(cavity.corner, cavity.length, cavity.height);
            if (box.width() < 60) continue;
            paintLegend(painter, box.topLeft() + QPointF(3, 3), qs(cavity.name), Qt::AlignLeft,
                        look.matInk, look.hollow);
        }
    }
    paintFactoryWires(input.painter, scene, Wires::All);
    const auto motors = core::motorsOf(scene.job);
    for (std::size_t i = 0; i < motors.size(); ++i) {
        const QRectF& motor = parts.motors[i];
        if (motor.isNull()) continue;
        const auto path = core::motorPath(*motors[i].motor);
        // On the side away from the legends of the rails, which stand at the last axle.
        paintLegend(
            painter, QPointF(motor.left() - 5, motor.bottom()),
            path ? tr("motor, %1").arg(qs(core::formatted(*path, 3))) : tr("motor, not measured"),
            Qt::AlignRight | Qt::AlignBottom, look.matInk, look.mat);
    }
}

}  // namespace glimmet::app
