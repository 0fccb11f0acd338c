#include "app/picture/scene.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/wire_convention.h"
#include "core/analysis/wiring/terminals.h"

#include <QPainter>

namespace glimmet::app {
namespace {

constexpr qreal lineHeight = 20;

QString wordsOf(const core::Job& job, std::size_t unit, const core::Wire& wire) {
    const QString end = qs(core::called(wire.to));
    const QString words = wire.labelled ? tr("%1, tagged").arg(end) : end;
    const QString called = qs(core::unitCalled(job, unit));
    return called.isEmpty() ? words : tr("%1: %2").arg(called, words);
}

}  // namespace

void paintFactoryWires(QPainter& painter, const SceneInput& scene, Wires which) {
    const Theme& look = theme();
    QPointF at(painter.viewport().topLeft() + QPoint(44, 18));
    bool headed = false;
    for (std::size_t i = 0; i < scene.job.units.size(); ++i) {
        for (const core::Wire& wire : scene.job.wires) {
            if (!wire.factory || core::unitOf(scene.job, wire.to) != i) continue;
            const bool other = core::otherThanItsColour(scene.job, wire);
            if (which == Wires::Misleading && (!other || wire.labelled)) continue;
            if (!headed) {
                paintLegend(painter, at,
                            which == Wires::All ? tr("factory wires") : tr("wires that mislead"),
                            Qt::AlignLeft | Qt::AlignVCenter, look.matInk, look.mat);
                at += QPointF(0, lineHeight);
                headed = true;
            }
            QPainterPath stub(at);
            stub.lineTo(at + QPointF(26, 0));
            paintWire(painter, stub, wireColour(qs(wire.colour)), 4);
            paintLegend(painter, at + QPointF(32, 0), wordsOf(scene.job, i, wire),
                        Qt::AlignLeft | Qt::AlignVCenter, look.matInk, look.mat);
            at += QPointF(0, lineHeight);
        }
    }
}

}  // namespace glimmet::app
