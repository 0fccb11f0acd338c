#include "app/stay_alive/hold_plot.h"

#include "app/theme/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QMouseEvent>
#include <QToolTip>
#include <qcustomplot.h>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

HoldPlot::HoldPlot(QWidget* parent) : QWidget(parent), m_plot(plotIn(this)) {
    setObjectName(u"holdPlot"_s);
}

void HoldPlot::show(const std::optional<core::stay_alive::HoldChart>& chart) {
    m_chart = chart;
    draw();
}

void HoldPlot::draw() {
    const Theme& look = theme();
    // Short times are read more easily in milliseconds.
    const double shown = m_chart ? m_chart->shown.value() : 1;
    const bool milli = shown < 2;
    const double perSecond = milli ? 1000 : 1;
    const double top = m_chart ? m_chart->bus.value() * 1.18 : 15;
    begin(*m_plot,
          {milli ? tr("time without track (ms)") : tr("time without track (s)"), shown * perSecond},
          {tr("decoder's bus (V)"), top});
    setAccessibleName(tr("Stay-alive: no bank fitted"));
    if (!m_chart) {
        plotWords(*m_plot, shown * perSecond / 2, top / 2,
                  tr("No bank fitted. Take one of the options, or type\n"
                     "bank electrolytic-2200u-25 charge 100R diode 0.35V  into the jot line."),
                  Qt::AlignCenter, look.ink);
        finish(*m_plot);
        return;
    }
    const core::stay_alive::HoldChart& chart = *m_chart;
    const double held = chart.trace.back().time.value() * perSecond;
    const double end = chart.trace.back().bus.value();
    const QColor colour = chart.holds ? look.fine : look.over;

    auto* volts = m_plot->addGraph();
    volts->setPen(QPen(look.ink, 2));
    QColor fill = colour;
    fill.setAlphaF(0.13F);
    volts->setBrush(fill);
    for (const core::BusMoment& moment : chart.trace) {
        volts->addData(moment.time.value() * perSecond, moment.bus.value());
    }
    const auto line = [&](QPointF from, QPointF to, const QColor& ink, Qt::PenStyle style) {
        auto* item = new QCPItemLine(m_plot);
        item->start->setCoords(from);
        item->end->setCoords(to);
        item->setPen(QPen(ink, 1.6, style));
    };
    line({0, chart.minimum.value()}, {shown * perSecond, chart.minimum.value()}, look.over,
         Qt::DashLine);
    plotWords(*m_plot, shown * perSecond, chart.minimum.value(),
              tr("the processor starts anew below %1").arg(qs(core::formatted(chart.minimum))),
              Qt::AlignRight | Qt::AlignTop, look.over);
    const double needed = chart.needed.value() * perSecond;
    const QString neededWords = tr("needed: %1").arg(qs(core::formatted(chart.needed, 2)));
    if (needed <= shown * perSecond) {
        line({needed, 0}, {needed, top}, look.brass, Qt::SolidLine);
        plotWords(*m_plot, needed, top, neededWords,
                  (needed > shown * perSecond / 2 ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignTop,
                  look.brass);
    } else {
        plotWords(*m_plot, shown * perSecond, top, tr("%1, far to the right").arg(neededWords),
                  Qt::AlignRight | Qt::AlignTop, look.brass);
    }
    auto* mark = m_plot->addGraph();
    mark->setLineStyle(QCPGraph::lsNone);
    mark->setScatterStyle(
        QCPScatterStyle(QCPScatterStyle::ssSquare, QPen(colour, 2), QBrush(colour), 11));
    mark->addData(held, end);
    const QString heldWords = tr("holds %1").arg(qs(core::formatted(chart.trace.back().time, 2)));
    plotWords(*m_plot, held, end, heldWords, Qt::AlignLeft | Qt::AlignBottom, colour);
    setAccessibleName(tr("Stay-alive: bus volts over time, %1, %2").arg(heldWords, neededWords));
    finish(*m_plot);
}

bool HoldPlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_plot && event->type() == QEvent::ToolTip && m_chart) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const double perSecond = m_chart->shown.value() < 2 ? 1000 : 1;
        const double time = m_plot->xAxis->pixelToCoord(help->pos().x()) / perSecond;
        const auto after = std::find_if(
            m_chart->trace.begin(), m_chart->trace.end(),
            [&](const core::BusMoment& moment) { return moment.time.value() >= time; });
        QToolTip::showText(
            help->globalPos(),
            time >= 0 && after != m_chart->trace.end()
                ? tr("%1 after %2, computed")
                      .arg(qs(core::formatted(after->bus, 3)), qs(core::formatted(after->time, 2)))
                : QString(),
            m_plot);
        return true;
    }
    if (watched == m_plot && event->type() == QEvent::MouseButtonRelease) {
        emit jotOffered(m_chart ? u"charge "_s : u"bank "_s);
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace glimmet::app
