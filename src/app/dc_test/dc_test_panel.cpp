#include "app/dc_test/dc_test_panel.h"

#include "app/dc_test/dc_test_view.h"
#include "app/plot/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/rating.h"
#include "core/quantity/format.h"

#include <QHBoxLayout>

#include <algorithm>
#include <array>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* dcTestPanel(QWidget* parent) { return new DcTestPanel(parent); }

DcTestPanel::DcTestPanel(QWidget* parent) : StagePanel(parent), m_plot(new Plot(this)) {
    setObjectName(u"proofPanel"_s);
    auto* all = new QHBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->addWidget(m_plot);
    connect(m_plot, &Plot::jotOffered, this, &DcTestPanel::jotOffered);
}

void DcTestPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                       const std::string&) {
    const core::Job& job = facts.job;
    const auto& readings = job.proof.readings;
    const auto usual = core::usualCurrents(job);
    double right = core::usualVolts(core::Feed::PlainDc, job.scale).value();
    double most = 0;
    std::array<double, 2> ends{};  // forward, in reverse
    for (const core::ProofReading& each : readings) {
        right = std::max(right, each.volts.value());
        if (!each.amps) continue;
        most = std::max(most, each.amps->value() * 1000);
        double& end = ends[each.direction == core::Direction::Forward ? 0 : 1];
        end = std::max(end, each.amps->value());
    }
    // What was read fills the plot; what is usual is drawn where it comes into it.
    const double usually = usual ? usual->running.value() * 1000 : 300;
    const double top = most > 0 ? std::min(std::max(most, usually) * 1.3, most * 2) : usually * 1.3;
    right *= 1.1;
    m_plot->begin({tr("voltage at the rails (V)"), right}, {tr("current (mA)"), top});
    m_plot->jotElsewhere(u"crawl forward "_s);
    setAccessibleName(tr("Proof on plain DC: %1 readings").arg(readings.size()));
    if (readings.empty()) {
        m_plot->words({right / 2, top / 2},
                      tr("Clip plain DC to the rails, turn it up slowly, and say when it moves:\n"
                         "starts forward 2.5V   then   crawl, medium, full, both ways."),
                      Qt::AlignCenter, theme().ink);
    } else {
        if (usual) drawUsual(usual->running, right, top);
        // The words stand on that side of the line where the other one is not.
        const bool forwardAbove = ends[0] >= ends[1];
        drawWay(job, core::Direction::Forward, top, forwardAbove);
        drawWay(job, core::Direction::Reverse, top, !forwardAbove);
    }
    m_plot->finish();
}

void DcTestPanel::drawUsual(core::Amperes running, double right, double top) {
    const QColor ink = theme().inkSoft;
    const double at = running.value() * 1000;
    const bool inside = at < top * 0.98;
    const QString words =
        tr("motors of its kind take %1 at the most").arg(qs(core::formatted(running, 2)));
    if (inside) m_plot->line({0, at}, {right, at}, QPen(ink, 1.2, Qt::DashLine));
    m_plot->words({right, inside ? at : top}, inside ? words : tr("%1: above this plot").arg(words),
                  Qt::AlignRight | (inside ? Qt::AlignBottom : Qt::AlignTop), ink);
}

void DcTestPanel::drawWay(const core::Job& job, core::Direction way, double top, bool wordsAbove) {
    const bool forward = way == core::Direction::Forward;
    const QColor colour = forward ? theme().brass : theme().ask;
    QList<QPointF> points;
    std::optional<core::Volts> starts;
    for (const core::ProofReading& each : job.proof.readings) {
        if (each.direction != way) continue;
        if (each.pace == core::Pace::Starts) starts = each.volts;
        if (!each.amps) continue;
        const QPointF at(each.volts.value(), each.amps->value() * 1000);
        if (each.pace != core::Pace::Rocking && each.pace != core::Pace::Auxiliary) {
            points.append(at);
            continue;
        }
        m_plot->marks({at}, Plot::Shape::Diamond, colour, Qt::NoBrush);
        m_plot->words(at,
                      each.pace == core::Pace::Rocking ? tr("rocked") : tr("auxiliary drive on"),
                      Qt::AlignRight | Qt::AlignVCenter, colour);
    }
    std::sort(points.begin(), points.end(),
              [](const QPointF& a, const QPointF& b) { return a.x() < b.x(); });
    m_plot->curve(points, QPen(colour, 2, forward ? Qt::SolidLine : Qt::DashLine));
    m_plot->marks(points, forward ? Plot::Shape::Up : Plot::Shape::Down, colour, colour, 10);
    if (!points.empty()) {
        m_plot->words(points.back(), forward ? tr("forward") : tr("in reverse"),
                      Qt::AlignRight | (wordsAbove ? Qt::AlignBottom : Qt::AlignTop), colour);
    }
    if (!starts) return;
    const QString volts = qs(core::formatted(*starts));
    m_plot->line({starts->value(), 0}, {starts->value(), top * 0.16}, QPen(colour, 2.4));
    m_plot->words(
        {starts->value(), top * (forward ? 0.13 : 0.0)},
        forward ? tr("starts forward at %1").arg(volts) : tr("starts in reverse at %1").arg(volts),
        Qt::AlignLeft | Qt::AlignBottom, colour);
}

}  // namespace glimmet::app
