#include "app/stay_alive/stay_alive_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/stay_alive/bank_state.h"
#include "core/quantity/format.h"
#include "core/work/stay_alive/bank_wiring.h"

#include <QPainter>
#include <QPainterPath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// From the bank's end to the decoder, with its role in letters above the bank.
void paintLead(const OverlayInput& input, const QPointF& from, const QPointF& to,
               const QString& colour, const QPointF& legend, const QString& role) {
    const qreal width = qBound(1.4, input.scene.units.front().scale * 0.4, 3.6);
    QPainterPath path(from);
    const qreal rise = qMin(from.y(), to.y()) - 16;
    path.cubicTo(QPointF(from.x(), rise), QPointF(to.x(), rise), to);
    paintWire(input.painter, path, wireColour(colour), width);
    paintLegend(input.painter, legend, role, Qt::AlignHCenter | Qt::AlignBottom, theme().matInk,
                theme().mat);
}

}  // namespace

void paintStayAliveOverlay(const OverlayInput& input) {
    const SceneInput& scene = input.scene;
    if (scene.track) paintTrack(input, *scene.track);
    paintFactoryWires(input.painter, scene, Wires::Misleading);
    const QRectF bank = input.parts.of("bank");
    const QRectF decoder = input.parts.of("decoder");
    if (bank.isNull()) return;
    // Polarity is what burns a bank: the signs stand on it, the roles beside its wires.
    const QPointF plus(bank.right() - bank.width() * 0.12, bank.top() + bank.height() * 0.2);
    const QPointF minus(bank.left() + bank.width() * 0.12, bank.top() + bank.height() * 0.2);
    if (!decoder.isNull()) {
        const qreal above = qMin(bank.top(), decoder.top()) - 22;
        const auto wiring = *core::stay_alive::bankWiring(scene.job, scene.facts.house);
        // Found the wrong way round it is shown so.
        const bool backwards = scene.job.bank->backwards;
        const QString plusTo = said(wiring.plusTo), minusTo = said(wiring.minusTo);
        paintLead(input, backwards ? minus : plus,
                  {decoder.left() + decoder.width() * 0.8, decoder.top() + 2}, u"blue"_s,
                  {bank.right() + 26, above},
                  backwards ? tr("− to %1: wrong").arg(plusTo) : tr("+ to %1").arg(plusTo));
        paintLead(input, backwards ? plus : minus,
                  {decoder.left() + decoder.width() * 0.55, decoder.top() + 2}, u"black"_s,
                  {bank.right() + 26, above - 22},
                  backwards ? tr("+ to %1: wrong").arg(minusTo) : tr("− to %1").arg(minusTo));
    }
    const core::FittedBank& fitted = *scene.job.bank;
    const core::stay_alive::Path path = core::stay_alive::pathOf(fitted);
    paintLegend(input.painter, {bank.center().x(), bank.bottom() + 6},
                path.charge > core::Ohms{0}
                    ? tr("%1 through %2")
                          .arg(qs(core::formatted(core::stay_alive::capacitanceOf(fitted), 3)),
                               qs(core::formatted(path.charge, 3)))
                    : tr("%1, charge not limited")
                          .arg(qs(core::formatted(core::stay_alive::capacitanceOf(fitted), 3))),
                Qt::AlignHCenter, theme().matInk, theme().mat);
}

}  // namespace glimmet::app
