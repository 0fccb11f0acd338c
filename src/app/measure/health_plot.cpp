#include "app/measure/health_plot.h"

#include "app/theme/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QDate>
#include <QHelpEvent>
#include <QToolTip>
#include <qcustomplot.h>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString dateWords(int day) {
    return QDate(1970, 1, 1).addDays(day).toString(HealthPlot::tr("MMM yy", "a day on an axis"));
}

}  // namespace

HealthPlot::HealthPlot(QWidget* parent) : QWidget(parent), m_plot(plotIn(this)) {
    setObjectName(u"healthPlot"_s);
}

bool HealthPlot::show(const core::JobAnalysis& facts) {
    const auto chart = core::measure::healthChart(facts);
    setVisible(chart.has_value());
    const Theme& look = theme();
    if (chart && chart == m_chart && look.night == m_night) return true;
    m_chart = chart;
    m_night = look.night;
    m_marked.clear();
    if (!chart) return false;
    const int first = chart->points.front().day;
    const int days = std::max(1, chart->points.back().day - first);
    double top = chart->worn.value_or(core::Amperes{0}).value();
    for (const auto& point : chart->points) top = std::max(top, point.amps.value());
    for (const auto& each : chart->sameType) top = std::max(top, each.amps.value());
    begin(
        *m_plot,
        {chart->motor.empty() ? tr("light running, session by session")
                              : tr("light running of %1, session by session").arg(qs(chart->motor)),
         1},
        {tr("current (A)"), top * 1.25});
    m_plot->xAxis->setRange(-0.1 * days, 1.5 * days);
    // A tick a session; sessions close together share one.
    auto ticks = QSharedPointer<QCPAxisTickerText>::create();
    double before = -days;
    for (const auto& point : chart->points) {
        const double at = point.day - first;
        if (at - before < 0.45 * days && &point != &chart->points.front()) continue;
        ticks->addTick(at, dateWords(point.day));
        before = at;
    }
    m_plot->xAxis->setTicker(ticks);
    m_plot->xAxis->grid()->setZeroLinePen(Qt::NoPen);  // its days begin anywhere
    const auto level = [&](core::Amperes amps, const QColor& colour, const QString& words) {
        auto* line = new QCPItemLine(m_plot);
        line->start->setCoords(-0.1 * days, amps.value());
        line->end->setCoords(1.5 * days, amps.value());
        line->setPen(QPen(colour, 1.4, Qt::DashLine));
        plotWords(*m_plot, -0.1 * days, amps.value(), words, Qt::AlignLeft | Qt::AlignBottom,
                  colour);
    };
    if (chart->worn) level(*chart->worn, look.close, tr("a third above the first"));
    auto* line = m_plot->addGraph();
    line->setPen(QPen(look.inkSoft, 1.2));
    for (const auto& point : chart->points) {
        const double at = point.day - first;
        if (point.alike) line->addData(at, point.amps.value());
        auto* mark = m_plot->addGraph();
        const bool last = &point == &chart->points.back();
        const bool worn = last && point.alike && chart->worn && point.amps > *chart->worn;
        const QColor colour = worn ? look.close : point.alike ? look.ink : look.paperEdge;
        mark->setLineStyle(QCPGraph::lsNone);
        mark->setScatterStyle(QCPScatterStyle(QCPScatterStyle::ssCircle, QPen(colour, 2),
                                              QBrush(last ? colour : look.paper), 10));
        mark->addData(at, point.amps.value());
        const QString amps = qs(core::formatted(point.amps));
        m_marked.push_back(
            {at, point.amps.value(),
             (point.alike ? tr("%1%2, measured %3")
                          : tr("%1%2, measured %3: at other volts, so not compared"))
                 .arg(amps,
                      point.volts ? tr(" at %1").arg(qs(core::formatted(*point.volts))) : QString(),
                      qs(point.on))});
        if (last || &point == &chart->points.front()) {
            plotWords(*m_plot, at, point.amps.value(), amps, Qt::AlignLeft | Qt::AlignTop, colour);
        }
    }
    // Beside the time, others of its type: what they take now. Those that lie together are named
    // together.
    auto sameType = chart->sameType;
    std::sort(sameType.begin(), sameType.end(),
              [](const auto& a, const auto& b) { return a.amps > b.amps; });
    QString names;
    for (std::size_t i = 0; i < sameType.size(); ++i) {
        const double amps = sameType[i].amps.value();
        auto* mark = m_plot->addGraph();
        mark->setLineStyle(QCPGraph::lsNone);
        mark->setScatterStyle(QCPScatterStyle(QCPScatterStyle::ssTriangleInverted,
                                              QPen(look.brass, 2), QBrush(look.paper), 10));
        mark->addData(1.34 * days, amps);
        m_marked.push_back(
            {1.34 * days, amps,
             tr("%1 takes %2")
                 .arg(qs(sameType[i].name), qs(core::formatted(sameType[i].amps, 3)))});
        names += (names.isEmpty() ? QString() : u", "_s) + qs(sameType[i].name);
        const bool next = i + 1 < sameType.size();
        if (next && amps - sameType[i + 1].amps.value() < 0.08 * top) continue;
        plotWords(*m_plot, 1.3 * days, amps, names, Qt::AlignRight | Qt::AlignVCenter, look.brass);
        names.clear();
    }
    setAccessibleName(tr("Light current over time: first %1, last %2")
                          .arg(qs(core::formatted(chart->points.front().amps)),
                               qs(core::formatted(chart->points.back().amps))));
    finish(*m_plot);
    return true;
}

bool HealthPlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_plot && event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        QString words;
        for (const Marked& marked : m_marked) {
            const QPointF at(m_plot->xAxis->coordToPixel(marked.day),
                             m_plot->yAxis->coordToPixel(marked.amps));
            if (std::hypot(at.x() - help->pos().x(), at.y() - help->pos().y()) < 12) {
                words = marked.words;
            }
        }
        QToolTip::showText(help->globalPos(), words, m_plot);
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace glimmet::app
