#include "app/choose/choose_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"
#include "core/work/seat.h"

#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString measures(core::Millimetres length, core::Millimetres width, core::Millimetres height) {
    const auto one = [](core::Millimetres value) {
        return qs(core::formatted(value.value(), core::Dimension::Ratio, 3));
    };
    return tr("%1 × %2 × %3 mm").arg(one(length), one(width), one(height));
}

}  // namespace

void paintRoomLens(const LensInput& input) {
    const SceneInput& scene = input.scene;
    const Theme& look = theme();
    paintFactoryWires(input.painter, scene, Wires::Misleading);
    for (std::size_t i = 0; i < scene.job.units.size(); ++i) {
        for (const core::Cavity& cavity : scene.job.units[i].body.cavities) {
            const QRectF box = scene.units[i].box(cavity.corner, cavity.length, cavity.height);
            if (box.width() < 60) continue;
            paintLegend(input.painter, box.topLeft() + QPointF(3, 3),
                        tr("%1, %2").arg(qs(cavity.name),
                                         measures(cavity.length, cavity.width, cavity.height)),
                        Qt::AlignLeft, look.matInk, look.hollow);
        }
    }
    const auto seats = core::seats(scene.job);
    const core::Seat* seat = core::seatOf(seats, "decoder");
    const QRectF decoder = input.parts.of("decoder");
    if (!seat || decoder.isNull()) return;
    paintLegend(
        input.painter, {decoder.center().x(), decoder.bottom() + 6},
        seat->fits
            ? tr("decoder, %1").arg(measures(seat->box.length, seat->box.width, seat->box.height))
            : tr("decoder, %1: too large")
                  .arg(measures(seat->box.length, seat->box.width, seat->box.height)),
        Qt::AlignHCenter, seat->fits ? look.matInk : look.over, look.mat);
}

}  // namespace glimmet::app
