// Probes of a meter, and the points of the wiring that they go to.
#include "app/picture/scene.h"
#include "core/analysis/lamp_groups.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/wiring/terminals.h"

#include <QPainter>

#include <algorithm>

namespace glimmet::app {
namespace {

std::optional<QPointF> atMotor(const SceneInput& scene, const PartBoxes& parts,
                               const core::TerminalId& id) {
    const auto motors = core::motorsOf(scene.job);
    for (std::size_t i = 0; i < motors.size() && i < parts.motors.size(); ++i) {
        const QRectF& box = parts.motors[i];
        if (motors[i].motor->id != id.owner || box.isNull()) continue;
        return id.pin == "plus" ? QPointF(box.right() - box.width() * 0.12, box.top() + 2)
                                : QPointF(box.right() - box.width() * 0.04, box.bottom() - 4);
    }
    return {};
}

/// Pins stand along the lower edge, in the order of the standard's colours.
QPointF atDecoder(const QRectF& box, const std::string& pin) {
    static constexpr std::string_view order[] = {"orange", "grey",  "red",  "black",
                                                 "blue",   "front", "rear", "1"};
    const auto found = std::find(std::begin(order), std::end(order), pin);
    const auto place = found == std::end(order) ? 8 : std::distance(std::begin(order), found);
    return {box.left() + box.width() * (0.06 + 0.11 * static_cast<qreal>(place)), box.bottom()};
}

std::optional<QPointF> atUnit(const SceneInput& scene, const core::TerminalId& id) {
    const std::string owner = id.owner.substr(0, id.owner.find('/'));
    const auto unit = core::unitOf(scene.job, id);
    if (!unit || scene.job.units[*unit].id != owner) return {};
    const core::Body& body = scene.job.units[*unit].body;
    const MatView& view = scene.units[*unit];
    const auto wheel = [&](const core::Axle& axle) {
        const qreal r = view.size(axle.diameter) / 2;
        return view.at({axle.x, axle.diameter / 2.0}) +
               QPointF(id.pin == "left" ? r * 0.4 : -r * 0.4, r * 0.5);
    };
    if (id.owner != owner) {
        for (std::size_t a = 0; a < body.axles.size(); ++a) {
            if (id.owner == owner + "/axle" + std::to_string(a + 1)) return wheel(body.axles[a]);
        }
        return {};
    }
    if (id.pin.starts_with("frame")) {
        const core::Millimetres z =
            body.axles.empty() ? body.height * 0.1 : body.axles.front().diameter * 1.1;
        return view.at({body.length * 0.5, z});
    }
    for (const core::Axle& axle : body.axles) {
        if (id.pin == "left" ? axle.collectsLeft : axle.collectsRight) return wheel(axle);
    }
    return {};
}

}  // namespace

void paintProbe(QPainter& painter, const QPointF& tip, ProbeColour colour) {
    const bool red = colour == ProbeColour::Red;
    const QPointF way(red ? 0.6 : -0.6, -0.8);
    painter.setPen(QPen(QColor(0xD8, 0xDC, 0xD6), 2.2, Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(tip, tip + way * 14);
    painter.setPen(QPen(QColor(0x10, 0x12, 0x10), 9, Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(tip + way * 16, tip + way * 44);
    painter.setPen(QPen(red ? QColor(0xC8, 0x3A, 0x2E) : QColor(0x1C, 0x1E, 0x1C), 6.5,
                        Qt::SolidLine, Qt::RoundCap));
    painter.drawLine(tip + way * 16, tip + way * 44);
}

std::optional<QPointF> terminalAt(const SceneInput& scene, const PartBoxes& parts,
                                  const core::TerminalId& id) {
    if (id.owner == core::decoderOwner) {
        const QRectF box = parts.of("decoder");
        return box.isNull() ? std::nullopt : std::optional(atDecoder(box, id.pin));
    }
    if (id.owner == core::stayAliveOwner) {
        const QRectF box = parts.of("bank");
        if (box.isNull()) return {};
        return id.pin == "plus" ? box.topLeft() + QPointF(4, 0) : box.topRight() - QPointF(4, 0);
    }
    if (const auto motor = atMotor(scene, parts, id)) return motor;
    if (const core::LampGroup* group = core::groupOf(scene.job, id.owner)) {
        for (const core::LitLamp& lit : scene.lamps) {
            if (lit.group != group->id) continue;
            const auto [plus, minus] = legsOf(scene, lit);
            return id.pin == "plus" || id.pin == "anode" ? plus : minus;
        }
        return {};
    }
    return atUnit(scene, id);
}

}  // namespace glimmet::app
