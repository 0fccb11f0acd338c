#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "app/wire/wire_view.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wire_list.h"

#include <QPainter>

namespace glimmet::app {

void paintWireOverlay(const OverlayInput& input) {
    input.keep([](const OverlayInput& kept) {
        const SceneInput& scene = kept.scene;
        const qreal width = qBound(1.4, scene.units.front().scale * 0.4, 3.2);
        qreal bend = 12;  // so that wires that start together do not cover each other
        for (const core::ListedWire& wire : core::wireList(scene.facts)) {
            const auto from = terminalAt(scene, kept.parts, wire.from);
            const auto to = terminalAt(scene, kept.parts, wire.to);
            if (!from || !to || *from == *to) continue;
            QPainterPath path(*from);
            path.cubicTo(*from + QPointF(0, bend), *to + QPointF(0, bend * 0.6), *to);
            bend = bend > 40 ? 12 : bend + 6;
            paintWire(kept.painter, path, wireColour(qs(wire.colour)), width);
        }
    });
}

}  // namespace glimmet::app
