#include "app/first_power/first_power_view.h"
#include "app/theme/theme.h"
#include "core/analysis/power_steps.h"

#include <QPainter>

namespace glimmet::app {

void paintFirstPowerOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    const auto steps = core::powerSteps(scene.job, scene.facts.house);
    const core::PowerStep* next = core::nextOf(scene.job, steps);
    if (!next || !next->id.starts_with("lamp:")) return;
    for (const core::LitLamp& lit : scene.lamps) {
        if ("lamp:" + lit.group != next->id) continue;
        input.painter.setBrush(Qt::NoBrush);
        input.painter.setPen(QPen(theme().brass, 2));
        input.painter.drawEllipse(scene.led(lit), 12, 12);
    }
}

}  // namespace glimmet::app
