#include "app/measure/motor_plot.h"

#include "app/measure/condition_words.h"
#include "app/plot/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/motor/contradictions.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <QHBoxLayout>

#include <algorithm>
#include <map>

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

Plot::Shape shapeOf(core::MotorCondition condition) {
    switch (condition) {
        case core::MotorCondition::Light:
            return Plot::Shape::Circle;
        case core::MotorCondition::Hauling:
            return Plot::Shape::Diamond;
        case core::MotorCondition::Slipping:
            return Plot::Shape::Up;
        case core::MotorCondition::Stalled:
            break;
    }
    return Plot::Shape::Square;
}

/// What a reading is, how far it may be off and when it was taken.
QString tipOf(const core::TakenReading& reading, const QString& words) {
    const QString spread =
        reading.scatter ? MotorPlot::tr(" ± %1").arg(qs(core::formatted(*reading.scatter, 2)))
                        : QString();
    const QString where =
        reading.volts ? MotorPlot::tr(" at %1").arg(qs(core::formatted(*reading.volts)))
        : reading.throttle
            ? MotorPlot::tr(", throttle at %1").arg(qs(core::percent(*reading.throttle)))
            : MotorPlot::tr(", voltage not noted");
    return (reading.struck    ? MotorPlot::tr("%1, struck out: %2%3, measured %4")
            : reading.atLeast ? MotorPlot::tr("%1, broken off: more than %2%3, measured %4")
                              : MotorPlot::tr("%1: %2%3, measured %4"))
        .arg(words, qs(core::formatted(reading.amps)) + spread, where,
             reading.on.empty() ? MotorPlot::tr("on an unknown day") : qs(reading.on));
}

}  // namespace

/// The last of several readings alike, and how many there are.
struct MotorPlot::Name {
    QPointF at;
    QString words;
    int times = 1;
};

MotorPlot::MotorPlot(QWidget* parent) : StagePanel(parent), m_plot(new Plot(this)) {
    setObjectName(u"motorPlot"_s);
    setAccessibleName(tr("Motor: current over voltage, with the decoder's limits"));
    auto* all = new QHBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->addWidget(m_plot);
    connect(m_plot, &Plot::jotOffered, this, &MotorPlot::jotOffered);
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
    const core::measure::MotorChart chart = core::measure::motorChart(m_job, m_house);
    m_plot->begin({tr("voltage at the motor (V)"), chart.voltsShown.value()},
                  {tr("current (A)"), chart.ampsShown.value()});
    drawLimits(chart);
    drawPath(chart);
    drawReadings(chart);
    drawContradictions();
    drawStall(chart);
    const auto motors = core::motorsOf(m_job);
    const bool nothing = std::all_of(motors.begin(), motors.end(), [](const core::MotorAt& at) {
        return at.motor->readings.empty();
    });
    if (nothing && !chart.stall) {
        m_plot->words({chart.voltsShown.value() / 2, chart.ampsShown.value() / 2},
                      tr("Nothing measured yet. Start with the motor running light on plain DC:\n"
                         "type  light 180mA 12V  into the jot line."),
                      Qt::AlignCenter, theme().ink);
    }
    m_plot->finish();
}

void MotorPlot::drawLimits(const core::measure::MotorChart& chart) {
    if (!chart.continuous || !chart.peak) return;
    const Theme& look = theme();
    const auto band = [&](core::Amperes from, core::Amperes to, const QColor& colour,
                          const QString& words) {
        QColor fill = colour;
        fill.setAlphaF(0.13F);
        m_plot->block({0, to.value()}, {chart.voltsShown.value(), from.value()}, fill);
        if (to <= from) return;
        m_plot->words({0, to.value()}, words, Qt::AlignLeft | Qt::AlignTop, colour);
        m_plot->tipBetween(from.value(), to.value(),
                           tr("%1 (%2, catalogue). Press to choose another decoder.")
                               .arg(words, qs(m_job.decoder->part.name)),
                           u"decoder "_s);
    };
    band(core::Amperes{0}, *chart.continuous, look.fine,
         tr("decoder carries this for as long as you like: up to %1")
             .arg(qs(core::formatted(*chart.continuous, 3))));
    band(*chart.continuous, *chart.peak, look.close,
         tr("only for moments: up to %1").arg(qs(core::formatted(*chart.peak, 3))));
    band(*chart.peak, chart.ampsShown, look.over, tr("beyond the decoder"));
}

/// The path of the stalled motor, and what the readings leave open about it as a wedge.
void MotorPlot::drawPath(const core::measure::MotorChart& chart) {
    if (!chart.path) return;
    const QColor ink = theme().ink;
    const double end = chart.motorVolts.value(), stall = chart.stall->value();
    QColor wedge = ink;
    wedge.setAlphaF(0.14F);
    m_plot->between({{0, 0}, {end, end / chart.highestPath.value()}},
                    {{0, 0}, {end, end / chart.lowestPath.value()}}, wedge);
    m_plot->line({0, 0}, {end, stall}, QPen(ink, 1.6, Qt::DashLine));
    m_plot->words({end * 0.16, stall * 0.16},
                  tr("stalled path, %1").arg(qs(core::formatted(*chart.path, 3))),
                  Qt::AlignLeft | Qt::AlignTop, ink);
}

void MotorPlot::drawReadings(const core::measure::MotorChart& chart) {
    const Theme& look = theme();
    std::vector<Name> names;
    std::map<std::pair<core::MotorCondition, bool>, QList<QPointF>> points;  // struck apart
    for (const core::MotorAt& motor : core::motorsOf(m_job)) {
        const QString called = qs(core::motorCalled(m_job, *motor.motor));
        for (const core::TakenReading& reading : motor.motor->readings) {
            const double volts = core::measure::shownAt(reading, chart).value();
            const double amps = reading.amps.value();
            const QString words = called.isEmpty()
                                      ? conditionWord(reading.condition)
                                      : tr("%1, %2").arg(conditionWord(reading.condition), called);
            if (reading.scatter && !reading.struck) {
                // Twice the scatter: where nineteen of twenty values of the meter lay.
                const double off = 2 * reading.scatter->value();
                m_plot->spread({volts, amps - off}, {volts, amps + off}, QPen(look.ink, 1.4));
            }
            points[{reading.condition, reading.struck}].append({volts, amps});
            m_plot->tip({volts, amps}, tipOf(reading, words), jotWord(reading.condition));
            if (reading.struck) continue;
            const auto same = std::find_if(names.begin(), names.end(),
                                           [&](const Name& name) { return name.words == words; });
            if (same == names.end())
                names.push_back({{volts, amps}, words});
            else
                *same = {{volts, amps}, words, same->times + 1};
        }
    }
    for (const auto& [kind, all] : points)
        m_plot->marks(all, shapeOf(kind.first), kind.second ? look.paperEdge : look.ink,
                      look.paper);
    placeNames(std::move(names), chart);
}

/// Readings at the same voltage stand close together: their names step aside of one another.
void MotorPlot::placeNames(std::vector<Name> names, const core::measure::MotorChart& chart) {
    std::sort(names.begin(), names.end(),
              [](const Name& a, const Name& b) { return a.at.y() > b.at.y(); });
    const double lineHeight = chart.ampsShown.value() * 19 / qMax(60, height() - 64);
    double free = chart.ampsShown.value();
    for (const Name& name : names) {
        const double high = qMin(name.at.y(), free);
        const QString words =
            name.times > 1 ? tr("%1, the last of %2").arg(name.words).arg(name.times) : name.words;
        // Where the plot ends too soon they stand before their mark.
        const double room =
            m_plot->pixelOf({chart.voltsShown.value(), 0}).x() - m_plot->pixelOf(name.at).x();
        const bool fits = QFontMetrics(wordsFont(13)).horizontalAdvance(words) + 12 < room;
        m_plot->words({name.at.x(), high}, words,
                      (fits ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter, theme().ink);
        free = high - lineHeight;
    }
}

/// Two readings that cannot both be true: tied together, each with what speaks for it.
void MotorPlot::drawContradictions() {
    const QColor ink = theme().ask;
    for (const core::MotorAt& at : core::motorsOf(m_job)) {
        for (const auto& [what, a, b] :
             core::measure::contradictions(*at.motor, core::trackVolts(m_job))) {
            m_plot->line({a.volts.value(), a.amps.value()}, {b.volts.value(), b.amps.value()},
                         QPen(ink, 2.4, Qt::DotLine));
            for (const core::MotorReading& reading : {a, b}) {
                const QPointF point(reading.volts.value(), reading.amps.value());
                QStringList witnesses;
                for (const core::Text& each : core::measure::speaksFor(*at.motor, reading))
                    witnesses += said(each);
                const QString amps = qs(core::formatted(reading.amps));
                const QString words =
                    witnesses.isEmpty()
                        ? tr("%1: nothing else speaks for it").arg(amps)
                        : tr("%1: for it, %2").arg(amps, witnesses.join(tr(" and ")));
                m_plot->marks({point}, shapeOf(reading.condition), ink, theme().paper);
                m_plot->tip(point, words, jotWord(reading.condition));
                m_plot->words(point, words, Qt::AlignRight | Qt::AlignBottom, ink);
            }
        }
    }
}

void MotorPlot::drawStall(const core::measure::MotorChart& chart) {
    if (!chart.stall) return;
    const QPointF at(chart.motorVolts.value(), chart.stall->value());
    const QColor colour = theme().of(chart.state);
    const QString words =
        tr("stall at track voltage: %1").arg(qs(core::formatted(*chart.stall, 3)));
    m_plot->marks({at}, Plot::Shape::Square, colour, colour);
    m_plot->tip(at, tr("%1, computed").arg(words), u"stall "_s);
    m_plot->words(at, words, Qt::AlignRight | Qt::AlignBottom, colour);
}

}  // namespace glimmet::app
