#include "app/stay_alive/crossing_plot.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QTimer>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

// Lanes of the wheels lie above the volts: shares of the bus.
constexpr double lanesFrom = 1.16, lanesTo = 1.66, wordsHigh = 0.14;

QColor lampGlow() { return theme().night ? QColor(0xF2, 0xC8, 0x4B) : QColor(0xB9, 0x7A, 0x00); }

}  // namespace

CrossingPlot::CrossingPlot(QWidget* parent) : Plot(parent) {
    setObjectName(u"crossingPlot"_s);
    setFocusPolicy(Qt::StrongFocus);
    surface()->setCursor(Qt::SizeHorCursor);
    m_clock = new QTimer(this);
    m_clock->setInterval(33);
    connect(m_clock, &QTimer::timeout, this, [this] {
        if (!m_chart) return;
        // The whole of it takes at least four seconds to watch.
        const double range = (m_chart->way().to - m_chart->way().from).value();
        const double step = std::min(range / 120, m_chart->speed.value() * 1000 * 0.033);
        const core::Millimetres next = m_travel + core::Millimetres{step};
        const core::Millimetres end = m_chart->end();
        if (next >= end) m_clock->stop();
        setTravel(std::min(next, end));
    });
}

bool CrossingPlot::playing() const { return m_clock->isActive(); }
void CrossingPlot::play(bool on) {
    if (!on || !m_chart) {
        m_clock->stop();
        return;
    }
    if (m_travel >= m_chart->end()) setTravel(m_chart->way().from);
    m_clock->start();
}

void CrossingPlot::show(const std::optional<core::stay_alive::CrossingChart>& chart) {
    const bool same = m_chart && chart && m_chart->at.place.name == chart->at.place.name &&
                      m_chart->way().passages == chart->way().passages;
    m_chart = chart;
    if (!m_chart) {
        m_clock->stop();
        return;
    }
    if (!same) {
        m_clock->stop();
        // Where it stands, else without power, else on its way over.
        m_travel =
            m_chart->way().stands() ? m_chart->way().crossing.trace.back().travel
            : m_chart->way().outages.empty()
                ? (m_chart->way().from + m_chart->way().to) / 2.0
                : (m_chart->way().outages.front().from + m_chart->way().outages.front().to) / 2.0;
    }
    // After a change that makes it stand it is shown where it stands.
    m_travel = std::min(m_travel, m_chart->end());
    m_travel = std::clamp(m_travel, m_chart->way().from, m_chart->way().to);
    draw();
}

void CrossingPlot::setTravel(core::Millimetres travel) {
    if (!m_chart) return;
    m_travel = std::clamp(travel, m_chart->way().from, m_chart->way().to);
    drawCursor();
    emit travelled(m_travel);
}

void CrossingPlot::toNextChange(bool forward) {
    if (!m_chart) return;
    std::vector<core::Millimetres> changes{m_chart->way().from, m_chart->way().to};
    for (const core::stay_alive::WheelOnDead& wheel : m_chart->way().wheels) {
        changes.push_back(wheel.from);
        changes.push_back(wheel.to);
    }
    for (const core::CrossingMoment& moment : m_chart->way().crossing.trace) {
        if (!moment.awake) {
            changes.push_back(moment.travel);  // where the processor goes out
            break;
        }
    }
    std::sort(changes.begin(), changes.end());
    const core::Millimetres hair{1e-6};
    if (forward) {
        const auto next = std::upper_bound(changes.begin(), changes.end(), m_travel + hair);
        if (next != changes.end()) setTravel(*next);
    } else {
        const auto next = std::lower_bound(changes.begin(), changes.end(), m_travel - hair);
        if (next != changes.begin()) setTravel(*(next - 1));
    }
}

QString CrossingPlot::wordsAt(core::Millimetres travel) const {
    const core::CrossingMoment moment = m_chart->momentAt(travel);
    QStringList words{tr("%1 mm").arg(travel.value(), 0, 'f', 1)};
    if (travel > m_chart->end()) {
        return words.front() + u": "_s + tr("it never gets here");
    }
    words += tr("bus %1").arg(qs(core::formatted(moment.bus, 3)));
    words += tr("%1 km/h").arg(m_chart->kmhAt(moment), 0, 'f', 0);
    if (moment.light < 0.995) words += tr("lamps %1").arg(qs(core::percent(moment.light)));
    if (!moment.power) words += tr("no power");
    if (!moment.awake) words += tr("decoder out");
    return words.join(u" · "_s);
}

void CrossingPlot::draw() {
    const core::stay_alive::CrossingChart& chart = *m_chart;
    const double bus = chart.bus.value();
    begin({tr("travel (mm)"), chart.way().to.value(), chart.way().from.value()},
          {tr("decoder's bus (V)"), bus * (lanesTo + 0.04)});
    // Above the bus there are lanes, no volts.
    std::vector<std::pair<double, QString>> ticks;
    for (int tick = 0; tick <= bus * 1.05; tick += 5)
        ticks.emplace_back(tick, QString::number(tick));
    ticksUp(ticks);
    // Where no wheel of a side has power the ground is hatched through all curves.
    QColor ground = theme().over;
    ground.setAlphaF(0.22F);
    for (const core::Outage& outage : chart.way().outages) {
        block({outage.from.value(), bus * lanesTo}, {outage.to.value(), 0},
              QBrush(ground, Qt::BDiagPattern));
    }
    drawAxles();
    drawCurves();
    drawWords();
    drawCursor();
    finish();
}

/// A lane for each axle with a wheel on the dead rail: thin where it has power, blocked where not.
void CrossingPlot::drawAxles() {
    const Theme& look = theme();
    const core::stay_alive::CrossingChart& chart = *m_chart;
    const double bus = chart.bus.value();
    const double from = chart.way().from.value(), to = chart.way().to.value();
    std::vector<std::vector<core::stay_alive::WheelOnDead>> axles;
    for (const core::stay_alive::WheelOnDead& wheel : chart.way().wheels) {
        if (axles.empty() || axles.back().front().axle != wheel.axle) axles.emplace_back();
        axles.back().push_back(wheel);
    }
    const double lanes = static_cast<double>(std::max<std::size_t>(axles.size(), 1));
    const double lane = std::min((lanesTo - wordsHigh - lanesFrom) / lanes, 0.12);
    double top = lanesTo - wordsHigh;
    for (const auto& blocks : axles) {
        const double middle = (top - lane / 2) * bus;
        line({from, middle}, {to, middle}, QPen(look.fine, 2));
        for (const core::stay_alive::WheelOnDead& wheel : blocks) {
            block({wheel.from.value(), (top - lane * 0.18) * bus},
                  {wheel.to.value(), (top - lane * 0.82) * bus}, look.over);
        }
        // Beside its block: blocks stand staggered, so that their numbers do not meet.
        figures({blocks.back().to.value(), middle},
                blocks.front().axle < 0 ? tr("slider") : QString::number(blocks.front().axle),
                Qt::AlignLeft | Qt::AlignVCenter);
        top -= lane;
    }
}

void CrossingPlot::drawCurves() {
    const Theme& look = theme();
    const core::stay_alive::CrossingChart& chart = *m_chart;
    const double bus = chart.bus.value();
    QList<QPointF> volts, speed, light;
    const auto add = [&](core::Millimetres travel, const core::CrossingMoment& moment) {
        const double at = travel.value();
        volts.append({at, moment.bus.value()});
        // Speed and light as shares of what they are with power.
        speed.append({at, (moment.speed / chart.speed).value() * bus});
        light.append({at, moment.light * bus});
    };
    const std::vector<core::CrossingMoment>& trace = chart.way().crossing.trace;
    if (trace.front().travel > chart.way().from) add(chart.way().from, trace.front());
    for (const core::CrossingMoment& moment : trace) add(moment.travel, moment);
    if (!chart.way().stands() && trace.back().travel < chart.way().to)
        add(chart.way().to, trace.back());
    curve(volts, QPen(look.ink, 2));
    curve(speed, QPen(look.brass, 2, Qt::DashLine));
    curve(light, QPen(lampGlow(), 2, Qt::DotLine));
}

void CrossingPlot::drawWords() {
    const Theme& look = theme();
    const core::stay_alive::CrossingChart& chart = *m_chart;
    const double bus = chart.bus.value(), least = chart.minimum.value();
    const double from = chart.way().from.value(), to = chart.way().to.value();
    line({from, least}, {to, least}, QPen(look.over, 1.4, Qt::DashLine));
    words({to, least}, tr("processor out below %1").arg(qs(core::formatted(chart.minimum))),
          Qt::AlignRight | Qt::AlignBottom, look.over);
    words({from, bus * lanesTo},
          tr("axles on dead rail, %1").arg(app::said(core::stay_alive::words(chart.passage()))),
          Qt::AlignLeft | Qt::AlignTop, look.inkSoft);
    words({to, bus}, tr("bus —   speed - -   lamps ···"), Qt::AlignRight | Qt::AlignTop,
          look.inkSoft);
    if (!chart.way().stands()) return;
    const double at = chart.way().crossing.trace.back().travel.value();
    line({at, 0}, {at, bus * 1.08}, QPen(look.over, 3));
    const bool left = at > (from + to) / 2;
    words({at, bus * 0.62}, tr("stands here"),
          (left ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter, look.over);
}

void CrossingPlot::drawCursor() {
    const QString said = wordsAt(m_travel);
    cursor(m_travel.value(), m_chart->bus.value() * 0.05, said, hasFocus() ? 2.4 : 1.4);
    setAccessibleName(tr("Over %1, %2: %3")
                          .arg(app::said(m_chart->at.place.words),
                               app::said(core::stay_alive::words(m_chart->passage())), said));
}

bool CrossingPlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched != surface() || !m_chart) return Plot::eventFilter(watched, event);
    const auto scrub = [&](const QMouseEvent* mouse) {
        m_clock->stop();
        setTravel(core::Millimetres{valueAt(mouse->position()).x()});
    };
    if (event->type() == QEvent::MouseButtonPress) {
        setFocus();
        scrub(static_cast<QMouseEvent*>(event));
        return true;
    }
    if (event->type() == QEvent::MouseMove) {
        const auto* mouse = static_cast<QMouseEvent*>(event);
        if (mouse->buttons() & Qt::LeftButton) scrub(mouse);
        return true;
    }
    return Plot::eventFilter(watched, event);
}

void CrossingPlot::keyPressEvent(QKeyEvent* event) {
    const bool whole = event->modifiers() & Qt::ShiftModifier;
    switch (event->key()) {
        case Qt::Key_Left:
        case Qt::Key_Right: {
            const bool forward = event->key() == Qt::Key_Right;
            m_clock->stop();
            if (whole)
                toNextChange(forward);
            else
                setTravel(m_travel + core::Millimetres{forward ? 1.0 : -1.0});
            return;
        }
        case Qt::Key_Home:
        case Qt::Key_End:
            if (m_chart)
                setTravel(event->key() == Qt::Key_Home ? m_chart->way().from : m_chart->way().to);
            return;
        case Qt::Key_Space:
            play(!playing());
            return;
        default:
            QWidget::keyPressEvent(event);
    }
}

}  // namespace glimmet::app
