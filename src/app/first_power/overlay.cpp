#include "app/first_power/first_power_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/meter/matrix.h"
#include "core/analysis/power_steps.h"

#include <QPainter>

namespace glimmet::app {

void paintFirstPowerOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    const auto steps = core::powerSteps(scene.job, scene.facts.house);
    const core::PowerStep* next = core::nextOf(scene.job, steps);
    if (!next) return;
    const Theme& look = theme();
    const bool proved = next->needs <= core::meter::matrixOf(scene.facts).allows;
    const core::Body& body = scene.job.units.front().body;
    const QPointF below = scene.units.front().at({body.length * 0.5, core::Millimetres{0}});
    paintLegend(input.painter, below + QPointF(0, 12),
                proved ? tr("next: %1").arg(said(next->words))
                       : tr("next: %1; not proved by meter yet").arg(said(next->words)),
                Qt::AlignHCenter, proved ? look.matInk : look.ask, look.mat);
    if (!next->id.starts_with("lamp:")) return;
    for (const core::LitLamp& lit : scene.lamps) {
        if ("lamp:" + lit.group != next->id) continue;
        input.painter.setBrush(Qt::NoBrush);
        input.painter.setPen(QPen(look.brass, 2));
        input.painter.drawEllipse(scene.led(lit), 12, 12);
    }
}

}  // namespace glimmet::app
