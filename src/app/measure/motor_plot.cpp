#include "app/measure/motor_plot.h"

#include "app/measure/condition_words.h"
#include "app/theme/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/motor/contradictions.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/work/measure/motor_chart.h"

#include <QMouseEvent>
#include <QToolTip>
#include <qcustomplot.h>

#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

QString jotWord(core::MotorCondition condition) {
    switch (condition) {
        case core::MotorCondition::Light:
            return u"light "_s;
        case core::MotorCondition::Hauling:
            return u"haul "_s;
        case core::MotorCondition::Slipping:
            return u"slip "_s;
        case core::MotorCondition::Stalled:
            break;
    }
    return u"stall "_s;
}

QCPScatterStyle::ScatterShape shapeOf(core::MotorCondition condition) {
    switch (condition) {
        case core::MotorCondition::Light:
            return QCPScatterStyle::ssCircle;
        case core::MotorCondition::Hauling:
            return QCPScatterStyle::ssDiamond;
        case core::MotorCondition::Slipping:
            return QCPScatterStyle::ssTriangle;
        case core::MotorCondition::Stalled:
            break;
    }
    return QCPScatterStyle::ssSquare;
}

}  // namespace

MotorPlot::MotorPlot(QWidget* parent) : StagePanel(parent), m_plot(plotIn(this)) {
    setObjectName(u"motorPlot"_s);
    setAccessibleName(tr("Motor: current over volts, with the decoder's limits"));
}

void MotorPlot::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                     const std::string&) {
    m_job = facts.job;
    m_house = facts.house;
    m_hasJob = true;
    draw();
}

void MotorPlot::resizeEvent(QResizeEvent*) {
    if (m_hasJob) draw();  // names step aside by pixels, so they are laid out anew
}

void MotorPlot::draw() {
    const core::Job& job = m_job;
    const Theme& look = theme();
    m_marked.clear();
    m_bands.clear();
    const core::measure::MotorChart chart = core::measure::motorChart(job, m_house);
    begin(*m_plot, {tr("volts at the motor (V)"), chart.voltsShown.value()},
          {tr("current (A)"), chart.ampsShown.value()});

    const auto label = [&](double x, double y, const QString& words, Qt::Alignment alignment,
                           const QColor& colour) {
        plotWords(*m_plot, x, y, words, alignment, colour);
    };
    const auto band = [&](double from, double to, const QColor& colour, const QString& words) {
        auto* item = new QCPItemRect(m_plot);
        item->topLeft->setCoords(0, to);
        item->bottomRight->setCoords(chart.voltsShown.value(), from);
        QColor fill = colour;
        fill.setAlphaF(0.13F);
        item->setBrush(fill);
        item->setPen(Qt::NoPen);
        if (!(to > from)) return;
        label(0, to, words, Qt::AlignLeft | Qt::AlignTop, colour);
        m_bands.push_back({from, to,
                           tr("%1 (%2, catalogue). Press to choose another decoder.")
                               .arg(words, qs(job.decoder->part.name))});
    };
    if (chart.continuous && chart.peak) {
        const double top = chart.ampsShown.value();
        const double continuous = chart.continuous->value();
        const double peak = chart.peak->value();
        band(0, continuous, look.fine,
             tr("decoder carries this for as long as you like: up to %1")
                 .arg(qs(core::formatted(*chart.continuous, 3))));
        band(continuous, peak, look.close,
             tr("only for moments: up to %1").arg(qs(core::formatted(*chart.peak, 3))));
        band(peak, top, look.over, tr("beyond the decoder"));
    }
    if (chart.path) {
        // What the readings leave open, as a wedge about the line.
        const double end = chart.motorVolts.value();
        auto* most = m_plot->addGraph();
        auto* least = m_plot->addGraph();
        most->setData({0, end}, {0, end / chart.lowestPath.value()}, true);
        least->setData({0, end}, {0, end / chart.highestPath.value()}, true);
        QColor wedge = look.ink;
        wedge.setAlphaF(0.14F);
        for (QCPGraph* edge : {most, least}) edge->setPen(Qt::NoPen);
        most->setBrush(wedge);
        most->setChannelFillGraph(least);
        auto* line = new QCPItemLine(m_plot);
        line->start->setCoords(0, 0);
        line->end->setCoords(chart.motorVolts.value(), chart.stall->value());
        line->setPen(QPen(look.ink, 1.6, Qt::DashLine));
        label(chart.motorVolts.value() * 0.16, chart.stall->value() * 0.16,
              tr("stalled path, %1").arg(qs(core::formatted(*chart.path, 3))),
              Qt::AlignLeft | Qt::AlignTop, look.ink);
    }
    const auto mark = [&](double volts, double amps, QCPScatterStyle::ScatterShape shape,
                          const QColor& colour, bool filled, const Marked& what) {
        auto* graph = m_plot->addGraph();
        graph->setLineStyle(QCPGraph::lsNone);
        graph->setScatterStyle(QCPScatterStyle(shape, QPen(colour, 2),
                                               filled ? QBrush(colour) : QBrush(look.paper), 11));
        graph->addData(volts, amps);
        m_marked.push_back(what);
    };
    struct Name {
        double volts, amps;
        QString words;
        int times = 1;
    };
    std::vector<Name> names;
    std::vector<std::pair<core::TakenReading, QString>> readings;
    for (const core::MotorAt& at : core::motorsOf(job)) {
        for (const core::TakenReading& reading : at.motor->readings) {
            readings.emplace_back(reading, qs(core::motorCalled(job, *at.motor)));
        }
    }
    for (const auto& [reading, motor] : readings) {
        const double volts = core::measure::shownAt(reading, chart).value();
        const double amps = reading.amps.value();
        const QString words = motor.isEmpty()
                                  ? conditionWord(reading.condition)
                                  : tr("%1, %2").arg(conditionWord(reading.condition), motor);
        if (reading.scatter && !reading.struck) {
            // Twice the scatter: where nineteen of twenty values of the meter lay.
            auto* bar = new QCPItemLine(m_plot);
            bar->start->setCoords(volts, amps - 2 * reading.scatter->value());
            bar->end->setCoords(volts, amps + 2 * reading.scatter->value());
            bar->setHead(QCPLineEnding(QCPLineEnding::esBar, 9));
            bar->setTail(QCPLineEnding(QCPLineEnding::esBar, 9));
            bar->setPen(QPen(look.ink, 1.4));
        }
        const QString spread =
            reading.scatter ? tr(" ± %1").arg(qs(core::formatted(*reading.scatter, 2))) : QString();
        const QString tip =
            (reading.struck    ? tr("%1, struck out: %2%3, measured %4")
             : reading.atLeast ? tr("%1, broken off: more than %2%3, measured %4")
                               : tr("%1: %2%3, measured %4"))
                .arg(words, qs(core::formatted(reading.amps)) + spread,
                     reading.volts ? tr(" at %1").arg(qs(core::formatted(*reading.volts)))
                     : reading.throttle
                         ? tr(", throttle at %1").arg(qs(core::percent(*reading.throttle)))
                         : tr(", volts not noted"),
                     reading.on.empty() ? tr("on an unknown day") : qs(reading.on));
        mark(volts, amps, shapeOf(reading.condition), reading.struck ? look.paperEdge : look.ink,
             false, {volts, amps, tip, jotWord(reading.condition)});
        if (reading.struck) continue;
        // Of several alike the last is named, with how many there are.
        const auto same = std::find_if(names.begin(), names.end(),
                                       [&](const Name& name) { return name.words == words; });
        if (same == names.end())
            names.push_back({volts, amps, words});
        else
            *same = {volts, amps, words, same->times + 1};
    }
    // Readings at the same volts stand close together: their names step aside of one another.
    std::sort(names.begin(), names.end(),
              [](const Name& a, const Name& b) { return a.amps > b.amps; });
    const double lineHeight = chart.ampsShown.value() * 19 / qMax(60, height() - 64);
    double free = chart.ampsShown.value();
    for (const Name& name : names) {
        const double at = qMin(name.amps, free);
        const QString words =
            name.times > 1 ? tr("%1, the last of %2").arg(name.words).arg(name.times) : name.words;
        // Where the plot ends too soon they stand before their mark.
        const double room = m_plot->xAxis->coordToPixel(chart.voltsShown.value()) -
                            m_plot->xAxis->coordToPixel(name.volts);
        const bool fits = QFontMetrics(wordsFont(13)).horizontalAdvance(words) + 12 < room;
        label(name.volts, at, words, (fits ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter,
              look.ink);
        free = at - lineHeight;
    }
    // Two that cannot both be true: tied together, each with what speaks for it.
    for (const core::MotorAt& at : core::motorsOf(job)) {
        for (const auto& [what, a, b] :
             core::measure::contradictions(*at.motor, core::trackVolts(job))) {
            auto* tie = new QCPItemLine(m_plot);
            tie->start->setCoords(a.volts.value(), a.amps.value());
            tie->end->setCoords(b.volts.value(), b.amps.value());
            tie->setPen(QPen(look.ask, 2.4, Qt::DotLine));
            for (const core::MotorReading& reading : {a, b}) {
                const double volts = reading.volts.value(), amps = reading.amps.value();
                QStringList witnesses;
                for (const core::Text& each : core::measure::speaksFor(*at.motor, reading)) {
                    witnesses += said(each);
                }
                const QString words =
                    witnesses.isEmpty()
                        ? tr("%1: nothing else speaks for it")
                              .arg(qs(core::formatted(reading.amps)))
                        : tr("%1: for it, %2")
                              .arg(qs(core::formatted(reading.amps)), witnesses.join(tr(" and ")));
                mark(volts, amps, shapeOf(reading.condition), look.ask, false,
                     {volts, amps, words, jotWord(reading.condition)});
                label(volts, amps, words, Qt::AlignRight | Qt::AlignBottom, look.ask);
            }
        }
    }
    if (chart.stall) {
        const double volts = chart.motorVolts.value();
        const double amps = chart.stall->value();
        const QColor colour = look.of(chart.state);
        const QString words =
            tr("stall at track volts: %1").arg(qs(core::formatted(*chart.stall, 3)));
        mark(volts, amps, QCPScatterStyle::ssSquare, colour, true,
             {volts, amps, tr("%1, computed").arg(words), u"stall "_s});
        label(volts, amps, words, Qt::AlignRight | Qt::AlignBottom, colour);
    }
    if (m_marked.empty()) {
        label(chart.voltsShown.value() / 2, chart.ampsShown.value() / 2,
              tr("Nothing measured yet. Start with the motor running light on plain DC:\n"
                 "type  light 180mA 12V  into the jot line."),
              Qt::AlignCenter, look.ink);
    }
    finish(*m_plot);
}

const MotorPlot::Marked* MotorPlot::near(const QPoint& where) const {
    for (auto it = m_marked.rbegin(); it != m_marked.rend(); ++it) {
        const QPointF at(m_plot->xAxis->coordToPixel(it->volts),
                         m_plot->yAxis->coordToPixel(it->amps));
        if (std::hypot(at.x() - where.x(), at.y() - where.y()) < 12) return &*it;
    }
    return nullptr;
}

const MotorPlot::Band* MotorPlot::bandAt(const QPoint& where) const {
    const double amps = m_plot->yAxis->pixelToCoord(where.y());
    if (!m_plot->axisRect()->rect().contains(where)) return nullptr;
    for (const Band& band : m_bands) {
        if (amps >= band.from && amps < band.to) return &band;
    }
    return nullptr;
}

bool MotorPlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_plot && event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const Marked* marked = near(help->pos());
        const Band* band = bandAt(help->pos());
        QToolTip::showText(help->globalPos(),
                           marked ? marked->words
                           : band ? band->words
                                  : QString(),
                           m_plot);
        return true;
    }
    if (watched == m_plot && event->type() == QEvent::MouseButtonRelease) {
        const QPoint where = static_cast<QMouseEvent*>(event)->pos();
        if (const Marked* marked = near(where))
            emit jotOffered(marked->jot);
        else if (bandAt(where))
            emit jotOffered(u"decoder "_s);
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace glimmet::app
