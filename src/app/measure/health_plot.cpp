#include "app/measure/health_plot.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QDate>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString dateWords(int day) {
    return QDate(1970, 1, 1).addDays(day).toString(HealthPlot::tr("MMM yy", "a day on an axis"));
}

}  // namespace

HealthPlot::HealthPlot(QWidget* parent) : Plot(parent) { setObjectName(u"healthPlot"_s); }

bool HealthPlot::show(const core::JobAnalysis& facts) {
    const auto chart = core::measure::healthChart(facts);
    setVisible(chart.has_value());
    const bool night = theme().night;
    if (chart && chart == m_chart && night == m_night) return true;
    m_chart = chart;
    m_night = night;
    if (!chart) return false;
    draw(*chart);
    return true;
}

void HealthPlot::draw(const core::measure::HealthChart& chart) {
    const Theme& look = theme();
    const int first = chart.points.front().day;
    const int days = std::max(1, chart.points.back().day - first);
    double top = chart.worn.value_or(core::Amperes{0}).value();
    for (const auto& point : chart.points) top = std::max(top, point.amps.value());
    for (const auto& each : chart.sameType) top = std::max(top, each.amps.value());
    const double left = -0.1 * days, right = 1.5 * days;
    begin({chart.motor.empty() ? tr("light running, session by session")
                               : tr("light running of %1, session by session").arg(qs(chart.motor)),
           right, left},
          {tr("current (A)"), top * 1.25});
    // A tick a session; sessions close together share one.
    std::vector<std::pair<double, QString>> ticks;
    for (const auto& point : chart.points) {
        const double at = point.day - first;
        if (ticks.empty() || at - ticks.back().first >= 0.45 * days)
            ticks.emplace_back(at, dateWords(point.day));
    }
    ticksAcross(ticks);
    if (chart.worn) {
        const double amps = chart.worn->value();
        line({left, amps}, {right, amps}, QPen(look.close, 1.4, Qt::DashLine));
        words({left, amps}, tr("a third above the first"), Qt::AlignLeft | Qt::AlignBottom,
              look.close);
    }
    QList<QPointF> alike;
    for (const auto& point : chart.points) {
        if (point.alike) alike.append({double(point.day - first), point.amps.value()});
    }
    curve(alike, QPen(look.inkSoft, 1.2));
    for (const auto& point : chart.points) {
        const QPointF at(point.day - first, point.amps.value());
        const bool last = &point == &chart.points.back();
        const bool worn = last && point.alike && chart.worn && point.amps > *chart.worn;
        const QColor colour = worn ? look.close : point.alike ? look.ink : look.paperEdge;
        marks({at}, Shape::Circle, colour, last ? colour : look.paper, 10);
        const QString amps = qs(core::formatted(point.amps));
        tip(at,
            (point.alike ? tr("%1%2, measured %3")
                         : tr("%1%2, measured %3: at another voltage, so not compared"))
                .arg(amps,
                     point.volts ? tr(" at %1").arg(qs(core::formatted(*point.volts))) : QString(),
                     qs(point.on)));
        if (last || &point == &chart.points.front())
            words(at, amps, Qt::AlignLeft | Qt::AlignTop, colour);
    }
    drawSameType(chart, days, top);
    setAccessibleName(tr("Light current over time: first %1, last %2")
                          .arg(qs(core::formatted(chart.points.front().amps)),
                               qs(core::formatted(chart.points.back().amps))));
    finish();
}

/// Beside the time, others of its type: what they take now. Those that lie together are named
/// together.
void HealthPlot::drawSameType(const core::measure::HealthChart& chart, int days, double top) {
    const Theme& look = theme();
    auto sameType = chart.sameType;
    std::sort(sameType.begin(), sameType.end(),
              [](const auto& a, const auto& b) { return a.amps > b.amps; });
    QList<QPointF> all;
    QStringList names;
    for (std::size_t i = 0; i < sameType.size(); ++i) {
        const double amps = sameType[i].amps.value();
        all.append({1.34 * days, amps});
        tip(all.back(),
            tr("%1 takes %2").arg(qs(sameType[i].name), qs(core::formatted(sameType[i].amps, 3))));
        names << qs(sameType[i].name);
        const bool next = i + 1 < sameType.size();
        if (next && amps - sameType[i + 1].amps.value() < 0.08 * top) continue;
        words({1.3 * days, amps}, names.join(u", "_s), Qt::AlignRight | Qt::AlignVCenter,
              look.brass);
        names.clear();
    }
    marks(all, Shape::Down, look.brass, look.paper, 10);
}

}  // namespace glimmet::app
