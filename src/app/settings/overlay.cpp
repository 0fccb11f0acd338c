#include "app/settings/settings_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/function_map.h"

#include <QPainter>

#include <set>

using namespace Qt::StringLiterals;

namespace glimmet::app {

void paintSettingsOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    const Theme& look = theme();
    std::set<std::string> named;
    for (const core::LitLamp& lit : scene.lamps) {
        if (lit.output == core::supplyOutput || !named.insert(lit.group).second) continue;
        QString words;
        for (const int key : core::keysOf(scene.job, lit.output))
            words += (words.isEmpty() ? u""_s : u", "_s) + u"F%1"_s.arg(key);
        const auto direction = core::directionOf(scene.job, lit.output);
        if (direction)
            words += *direction == core::Direction::Forward ? tr(" forward") : tr(" in reverse");
        const bool dark = words.isEmpty();
        paintLegend(input.painter, scene.led(lit) + QPointF(0, 14), dark ? tr("no key") : words,
                    Qt::AlignHCenter, dark ? look.close : look.matInk, look.mat);
    }
}

}  // namespace glimmet::app
