#include "app/stay_alive/hold_plot.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// Short times are read more easily in milliseconds.
bool inMilliseconds(core::Seconds shown) { return shown < core::Seconds{2}; }

}  // namespace

HoldPlot::HoldPlot(QWidget* parent) : Plot(parent) { setObjectName(u"holdPlot"_s); }

void HoldPlot::show(const std::optional<core::stay_alive::HoldChart>& chart) {
    const core::Seconds shown = chart ? chart->shown : core::Seconds{1};
    const bool milli = inMilliseconds(shown);
    const double across = shown.value() * (milli ? 1000 : 1);
    const double top = chart ? chart->bus.value() * 1.18 : 15;
    begin({milli ? tr("time without track (ms)") : tr("time without track (s)"), across},
          {tr("decoder's bus (V)"), top});
    jotElsewhere(chart ? u"charge "_s : u"bank "_s);
    if (chart) {
        draw(*chart);
    } else {
        setAccessibleName(tr("Stay-alive: no bank fitted"));
        words({across / 2, top / 2},
              tr("No bank fitted. Take one of the options, or type\n"
                 "bank electrolytic-2200u-25 charge 100R diode 0.35V  into the jot line."),
              Qt::AlignCenter, theme().ink);
    }
    finish();
}

void HoldPlot::draw(const core::stay_alive::HoldChart& chart) {
    const Theme& look = theme();
    const double perSecond = inMilliseconds(chart.shown) ? 1000 : 1;
    const double across = chart.shown.value() * perSecond;
    const double top = chart.bus.value() * 1.18;
    const QColor colour = chart.holds ? look.fine : look.over;
    QColor fill = colour;
    fill.setAlphaF(0.13F);
    QList<QPointF> bus;
    for (const core::BusMoment& moment : chart.trace)
        bus.append({moment.time.value() * perSecond, moment.bus.value()});
    curve(bus, QPen(look.ink, 2), {.under = fill});
    line({0, chart.minimum.value()}, {across, chart.minimum.value()},
         QPen(look.over, 1.6, Qt::DashLine));
    words({across, chart.minimum.value()},
          tr("the processor starts anew below %1").arg(qs(core::formatted(chart.minimum))),
          Qt::AlignRight | Qt::AlignTop, look.over);
    const double needed = chart.needed.value() * perSecond;
    const QString neededWords = tr("needed: %1").arg(qs(core::formatted(chart.needed, 2)));
    if (needed <= across) {
        line({needed, 0}, {needed, top}, QPen(look.brass, 1.6));
        words({needed, top}, neededWords,
              (needed > across / 2 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignTop, look.brass);
    } else {
        words({across, top}, tr("%1, far to the right").arg(neededWords),
              Qt::AlignRight | Qt::AlignTop, look.brass);
    }
    const QString held = tr("holds %1").arg(qs(core::formatted(chart.trace.back().time, 2)));
    marks({bus.back()}, Shape::Square, colour, colour);
    words(bus.back(), held, Qt::AlignLeft | Qt::AlignBottom, colour);
    setAccessibleName(tr("Stay-alive: bus volts over time, %1, %2").arg(held, neededWords));
    tipElsewhere([trace = chart.trace, perSecond](QPointF at) {
        const double time = at.x() / perSecond;
        const auto after = std::find_if(
            trace.begin(), trace.end(),
            [&](const core::BusMoment& moment) { return moment.time.value() >= time; });
        if (time < 0 || after == trace.end()) return QString();
        return tr("%1 after %2, computed")
            .arg(qs(core::formatted(after->bus, 3)), qs(core::formatted(after->time, 2)));
    });
}

}  // namespace glimmet::app
