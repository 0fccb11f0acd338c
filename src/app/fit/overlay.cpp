#include "app/fit/fit_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"
#include "core/work/fit/things.h"

#include <QPainter>

namespace glimmet::app {

void paintFitOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    const Theme& look = theme();
    const auto things = core::fit::thingsOf(scene.facts);
    double lower = 6;  // legends of neighbours stand below each other
    for (const core::fit::Thing& thing : things) {
        const QRectF box = input.parts.of(thing.lies->box.what);
        if (box.isNull()) continue;
        const bool fine = thing.state == core::State::Fine;
        input.painter.setBrush(Qt::NoBrush);
        input.painter.setPen(QPen(fine ? look.matInk : look.of(thing.state), 1.6,
                                  thing.lies->fits ? Qt::SolidLine : Qt::DashLine));
        input.painter.drawRect(box);
        QString words = qs(thing.kind);
        if (const auto& spare = thing.room.spare)
            words = tr("%1: %2 to spare").arg(words, qs(core::fit::tenths(spare->by)));
        else if (const auto& lacks = thing.room.lacks)
            words = tr("%1: lacks %2").arg(words, qs(core::fit::tenths(lacks->by)));
        paintLegend(input.painter, {box.center().x(), box.bottom() + lower}, words,
                    Qt::AlignHCenter, fine ? look.matInk : look.of(thing.state), look.mat);
        lower = lower > 20 ? 6 : lower + 20;
    }
}

}  // namespace glimmet::app
