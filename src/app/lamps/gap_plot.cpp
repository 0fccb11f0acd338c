#include "app/lamps/gap_plot.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

using namespace Qt::StringLiterals;

namespace glimmet::app {

GapPlot::GapPlot(QWidget* parent) : Plot(parent) { setObjectName(u"gapPlot"_s); }

void GapPlot::show(const core::GapChart& chart) {
    const Theme& look = theme();
    const double shown = chart.shown.value() * 1000;
    const double top = chart.feed.bus.value() * 1.2;
    begin({tr("since the rails gave nothing (ms)"), shown}, {tr("behind the bridge (V)"), top});
    jotElsewhere(u"smoothing "_s);
    // The light as a band under the volts: from full to dark.
    QColor glow = lampColour(core::LedFamily::White, "warm");
    glow.setAlphaF(0.35F);
    QList<QPointF> light, volts;
    for (const core::GapMoment& moment : chart.trace) {
        const double time = moment.time.value() * 1000;
        light.append({time, moment.light * chart.feed.bus.value()});
        volts.append({time, moment.bus.value()});
    }
    curve(light, QPen(look.brass, 1.6), {.under = glow});
    curve(volts, QPen(look.ink, 2));
    const double dirt = core::dirtGap.value() * 1000;
    line({dirt, 0}, {dirt, top}, QPen(look.brass, 1.6));
    words({dirt, top}, tr("a speck of dirt: %1").arg(qs(core::formatted(core::dirtGap))),
          (dirt > shown * 0.6 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignTop, look.brass);
    if (chart.chipResets) {
        const double at = chart.chipResets->value();
        line({0, at}, {shown, at}, QPen(look.over, 1.6, Qt::DashLine));
        words({shown, at},
              tr("a blinker begins anew below %1").arg(qs(core::formatted(*chart.chipResets, 2))),
              Qt::AlignRight | Qt::AlignBottom, look.over);
    }
    QString said = tr("the lamps keep their light");
    if (chart.dims) {
        const bool carried = *chart.dims >= core::dirtGap;
        const bool some = *chart.dims > core::Seconds{0};
        said =
            some ? tr("half of the light is left after %1").arg(qs(core::formatted(*chart.dims, 2)))
                 : tr("no capacitor: dark at once");
        const QPointF at(chart.dims->value() * 1000, some ? chart.feed.half.value() : 0);
        const QColor ink = carried ? look.fine : look.close;
        marks({at}, Shape::Square, ink, ink, 10);
        words(at, said, (at.x() > shown * 0.6 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignBottom,
              ink);
    }
    setAccessibleName(tr("Over dirt: %1").arg(said));
    finish();
}

}  // namespace glimmet::app
