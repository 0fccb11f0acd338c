#include "app/decoder/decoder_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/placement/placement.h"
#include "core/quantity/format.h"

#include <QFontMetricsF>
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

/// Its name and its measures, on two lines where it is too short for one; nothing runs over what
/// lies beside it.
void paintHollow(QPainter& painter, const QRectF& box, const core::Cavity& cavity) {
    const QString size = measures(cavity.length, cavity.width, cavity.height);
    const QString whole = tr("%1, %2").arg(qs(cavity.name), size);
    const QFontMetricsF metrics(draftingFont(15));
    const auto fits = [&](const QString& words) {
        return metrics.horizontalAdvance(words) + 14 <= box.width();
    };
    const auto line = [&](double down, const QString& words) {
        paintLegend(painter, box.topLeft() + QPointF(3, down), words, Qt::AlignLeft, theme().matInk,
                    theme().hollow);
    };
    const double high = metrics.height() + 2;
    if (fits(whole)) return line(3, whole);
    line(3, metrics.elidedText(qs(cavity.name), Qt::ElideRight, box.width() - 14));
    if (fits(size) && box.height() >= 2 * high + 6) line(3 + high, size);
}

}  // namespace

void paintDecoderOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    const Theme& look = theme();
    paintFactoryWires(input.painter, scene, Wires::Misleading);
    for (std::size_t i = 0; i < scene.job.units.size(); ++i) {
        for (const core::Cavity& cavity : scene.job.units[i].body.cavities) {
            const QRectF box = scene.units[i].box(cavity.corner, cavity.length, cavity.height);
            if (box.width() < 60) continue;
            paintHollow(input.painter, box, cavity);
        }
    }
    const auto& placements = core::placements(scene.facts);
    const core::Placement* placement = core::placementOf(placements, "decoder");
    const QRectF decoder = input.parts.of("decoder");
    if (!placement || decoder.isNull()) return;
    paintLegend(input.painter, {decoder.center().x(), decoder.bottom() + 6},
                placement->fits ? tr("decoder, %1")
                                      .arg(measures(placement->box.length, placement->box.width,
                                                    placement->box.height))
                                : tr("decoder, %1: too large")
                                      .arg(measures(placement->box.length, placement->box.width,
                                                    placement->box.height)),
                Qt::AlignHCenter, placement->fits ? look.matInk : look.over, look.mat);
}

}  // namespace glimmet::app
