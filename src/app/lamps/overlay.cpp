#include "app/lamps/lamps_view.h"
#include "app/lamps/probes.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/lamp_sites.h"
#include "core/quantity/format.h"
#include "core/work/units.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QColor outputColour(const core::Job& job, const std::string& output) {
    const core::DecoderOutput* found = core::outputNamed(job, output);
    return wireColour(found ? qs(found->wire) : QString());
}

/// From the decoder's common and its output to the lamps in question, or to all. What sits in
/// another unit is reached over the couplings.
void paintLampWires(const OverlayInput& input) {
    QPainter& painter = input.painter;
    const SceneInput& scene = input.scene;
    const core::Job& job = scene.job;
    const auto& placements = core::placements(scene.facts);
    const core::Placement* placement = core::placementOf(placements, "decoder");
    if (!placement) return;
    const QRectF decoder = input.parts.of("decoder");
    const qreal width = qBound(1.2, scene.units.front().scale * 0.3, 3.0);
    const auto bend = [&](std::size_t unit, const QPointF& from, const QPointF& to, qreal shift,
                          const QColor& colour) {
        const qreal roof =
            scene.units[unit].at({{}, job.units[unit].body.height * 0.8}).y() + shift;
        QPainterPath path(from);
        path.cubicTo(QPointF(from.x(), roof), QPointF(to.x(), roof), to);
        paintWire(painter, path, colour, width);
    };
    /// Where wires leave a unit towards the rear or the front.
    const auto end = [&](std::size_t unit, bool rear, qreal shift) {
        const core::Body& body = job.units[unit].body;
        return scene.units[unit].at(
                   {rear ? body.length : core::Millimetres{0}, body.height * 0.25}) +
               QPointF(0, shift);
    };
    bool across = false;
    for (const core::LitLamp& lit : scene.lamps) {
        if (!scene.subject.empty() && lit.group != scene.subject) continue;
        const QPointF at = scene.led(lit);
        const std::size_t there = core::unitAt(job, lit.lamp->fitted.unit);
        const bool behind = there > placement->unit;
        const auto run = [&](const QColor& colour, qreal shift) {
            const QPointF from(decoder.center().x() + shift * 3, decoder.top());
            const QPointF to = at + QPointF(0, shift);
            if (there == placement->unit) {
                bend(there, from, to, shift, colour);
                return;
            }
            across = true;
            bend(placement->unit, from, end(placement->unit, behind, shift), shift, colour);
            bend(there, end(there, !behind, shift), to, shift, colour);
        };
        run(wireColour(u"blue"_s), -2);
        run(outputColour(job, lit.output), 3);
    }
    if (!across) return;
    for (std::size_t i = 0; i < job.couplings.size(); ++i) {
        paintLegend(painter, end(i, true, 0) + QPointF(-8, 14),
                    tr("%1 contacts").arg(job.couplings[i].contacts),
                    Qt::AlignRight | Qt::AlignVCenter, theme().matInk, theme().mat);
    }
}

/// Sites made for a lamp that has none yet.
void paintFreeSites(const OverlayInput& input) {
    QPainter& painter = input.painter;
    const SceneInput& scene = input.scene;
    std::vector<Target>& targets = input.targets;
    const core::Job& job = scene.job;
    for (const core::NamedSite& named : core::namedSites(job)) {
        const core::Unit& unit = job.units[named.unit];
        const bool taken =
            core::groupNamed(job, named.called) ||
            std::any_of(scene.lamps.begin(), scene.lamps.end(), [&](const auto& lit) {
                return lit.lamp->fitted.place == named.site->name &&
                       lit.lamp->fitted.unit == unit.id;
            });
        if (taken) continue;
        const MatView& view = scene.units[named.unit];
        const QPointF at = view.at(named.site->at);
        const QString called = qs(named.called);
        painter.setPen(QPen(theme().matInk, 1.6, Qt::DashLine));
        painter.setBrush(QColor(0, 0, 0, 70));
        painter.drawEllipse(at, 11, 11);
        painter.setPen(QPen(theme().matInk, 2));
        painter.drawLine(at - QPointF(5, 0), at + QPointF(5, 0));
        painter.drawLine(at - QPointF(0, 5), at + QPointF(0, 5));
        const bool front = at.x() < view.at({unit.body.length / 2.0, {}}).x();
        paintLegend(painter, at + QPointF(front ? 16 : -16, 0), tr("room for a %1").arg(called),
                    (front ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter, theme().matInk,
                    theme().mat);
        targets.push_back({QRectF(at.x() - 13, at.y() - 13, 26, 26),
                           tr("Room for a %1. Press to add it.").arg(called),
                           tr("lamp %1 white").arg(called),
                           {}});
    }
}

}  // namespace

void paintLampsOverlay(const OverlayInput& input) {
    QPainter& painter = input.painter;
    const SceneInput& scene = input.scene;
    input.keep(paintLampWires);
    paintFactoryWires(painter, scene, Wires::Misleading);
    for (const core::LitLamp& lit : scene.lamps) {
        if (lit.group != scene.subject) continue;
        const QPointF at = scene.led(lit);
        const core::Fitted& fitted = lit.lamp->fitted;
        const bool front =
            at.x() < scene.view(fitted).at({scene.body(fitted).length / 2.0, {}}).x();
        paintLegend(painter, at + QPointF(front ? 18 : -18, 14),
                    lit.connected
                        ? tr("%1, %2").arg(qs(lit.name), qs(core::formatted(lit.current, 3)))
                        : tr("%1, no resistor").arg(qs(lit.name)),
                    front ? Qt::AlignLeft : Qt::AlignRight, theme().matInk, theme().mat);
    }
    paintFreeSites(input);
    paintProbes(input);
}

}  // namespace glimmet::app
