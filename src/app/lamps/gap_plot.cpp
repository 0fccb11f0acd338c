#include "app/lamps/gap_plot.h"

#include "app/theme/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QEvent>
#include <qcustomplot.h>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

GapPlot::GapPlot(QWidget* parent) : QWidget(parent), m_plot(plotIn(this)) {
    setObjectName(u"gapPlot"_s);
}

void GapPlot::show(const core::GapChart& chart) {
    const Theme& look = theme();
    const double shown = chart.shown.value() * 1000;
    const double top = chart.feed.bus.value() * 1.2;
    begin(*m_plot, {tr("since the rails gave nothing (ms)"), shown},
          {tr("behind the bridge (V)"), top});
    const auto line = [&](QPointF from, QPointF to, const QColor& ink, Qt::PenStyle style) {
        auto* item = new QCPItemLine(m_plot);
        item->start->setCoords(from);
        item->end->setCoords(to);
        item->setPen(QPen(ink, 1.6, style));
    };
    // The light as a band under the volts: from full to dark.
    auto* light = m_plot->addGraph();
    QColor glow = lampColour(core::LedFamily::White, "warm");
    light->setPen(QPen(look.brass, 1.6));
    glow.setAlphaF(0.35F);
    light->setBrush(glow);
    auto* volts = m_plot->addGraph();
    volts->setPen(QPen(look.ink, 2));
    for (const core::GapMoment& moment : chart.trace) {
        light->addData(moment.time.value() * 1000, moment.light * chart.feed.bus.value());
        volts->addData(moment.time.value() * 1000, moment.bus.value());
    }
    const double dirt = core::dirtGap.value() * 1000;
    line({dirt, 0}, {dirt, top}, look.brass, Qt::SolidLine);
    plotWords(*m_plot, dirt, top, tr("a speck of dirt: %1").arg(qs(core::formatted(core::dirtGap))),
              (dirt > shown * 0.6 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignTop, look.brass);
    if (chart.chipResets) {
        const double at = chart.chipResets->value();
        line({0, at}, {shown, at}, look.over, Qt::DashLine);
        plotWords(
            *m_plot, shown, at,
            tr("a blinker begins anew below %1").arg(qs(core::formatted(*chart.chipResets, 2))),
            Qt::AlignRight | Qt::AlignBottom, look.over);
    }
    const auto mark = [&](core::Seconds time, double at, const QString& what, const QColor& ink) {
        auto* graph = m_plot->addGraph();
        graph->setLineStyle(QCPGraph::lsNone);
        graph->setScatterStyle(
            QCPScatterStyle(QCPScatterStyle::ssSquare, QPen(ink, 2), QBrush(ink), 10));
        graph->addData(time.value() * 1000, at);
        const bool right = time.value() * 1000 > shown * 0.6;
        plotWords(*m_plot, time.value() * 1000, at, what,
                  (right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignBottom, ink);
    };
    QString said = tr("the lamps keep their light");
    if (chart.dims) {
        const bool carried = *chart.dims >= core::dirtGap;
        said =
            *chart.dims > core::Seconds{0}
                ? tr("half of the light is left after %1").arg(qs(core::formatted(*chart.dims, 2)))
                : tr("no capacitor: dark at once");
        mark(*chart.dims, *chart.dims > core::Seconds{0} ? chart.feed.half.value() : 0, said,
             carried ? look.fine : look.close);
    }
    setAccessibleName(tr("Over dirt: %1").arg(said));
    finish(*m_plot);
}

bool GapPlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_plot && event->type() == QEvent::MouseButtonRelease) {
        emit jotOffered(u"smoothing "_s);
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace glimmet::app
