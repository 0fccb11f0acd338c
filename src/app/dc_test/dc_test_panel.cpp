#include "app/dc_test/dc_test_panel.h"

#include "app/dc_test/dc_test_view.h"
#include "app/theme/plot.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/analysis/rating.h"
#include "core/quantity/format.h"

#include <QMouseEvent>
#include <qcustomplot.h>

#include <algorithm>
#include <array>

using namespace Qt::StringLiterals;

namespace glimmet::app {

StagePanel* dcTestPanel(QWidget* parent) { return new DcTestPanel(parent); }

DcTestPanel::DcTestPanel(QWidget* parent) : StagePanel(parent), m_plot(plotIn(this)) {
    setObjectName(u"proofPanel"_s);
}

void DcTestPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                       const std::string&) {
    const core::Job& job = facts.job;
    const Theme& look = theme();
    const auto& readings = job.proof.readings;
    const auto usual = core::usualCurrents(job);
    double right = core::usualVolts(core::Feed::PlainDc, job.scale).value();
    double most = 0;
    for (const core::ProofReading& each : readings) {
        right = std::max(right, each.volts.value());
        if (each.amps) most = std::max(most, each.amps->value() * 1000);
    }
    // What was read fills the plot; what is usual is drawn where it comes into it.
    const double usually = usual ? usual->running.value() * 1000 : 300;
    const double top = most > 0 ? std::min(std::max(most, usually) * 1.3, most * 2) : usually * 1.3;
    right *= 1.1;
    begin(*m_plot, {tr("volts at the rails"), right}, {tr("current (mA)"), top});
    setAccessibleName(tr("Proof on plain DC: %1 readings").arg(readings.size()));
    if (readings.empty()) {
        plotWords(*m_plot, right / 2, top / 2,
                  tr("Clip plain DC to the rails, turn it up slowly, and say when it moves:\n"
                     "starts forward 2.5V   then   crawl, medium, full, both ways."),
                  Qt::AlignCenter, look.ink);
        finish(*m_plot);
        return;
    }
    if (usual) {
        const bool inside = usually < top * 0.98;
        if (inside) {
            auto* line = new QCPItemLine(m_plot);
            line->start->setCoords(0, usually);
            line->end->setCoords(right, usually);
            line->setPen(QPen(look.inkSoft, 1.2, Qt::DashLine));
        }
        const QString words = tr("motors of its kind take %1 at the most")
                                  .arg(qs(core::formatted(usual->running, 2)));
        plotWords(*m_plot, right, inside ? usually : top,
                  inside ? words : tr("%1: above this plot").arg(words),
                  Qt::AlignRight | (inside ? Qt::AlignBottom : Qt::AlignTop), look.inkSoft);
    }
    // The words stand on that side of the line where the other one is not.
    std::array<double, 2> ends{};
    for (const core::ProofReading& each : readings) {
        const std::size_t way = each.direction == core::Direction::Forward ? 0 : 1;
        if (each.amps) ends[way] = std::max(ends[way], each.amps->value());
    }
    for (const core::Direction way : {core::Direction::Forward, core::Direction::Reverse}) {
        const bool forward = way == core::Direction::Forward;
        const QColor colour = forward ? look.brass : look.ask;
        std::vector<std::pair<double, double>> points;
        std::optional<double> starts;
        for (const core::ProofReading& each : readings) {
            if (each.direction != way) continue;
            if (each.pace == core::Pace::Starts) starts = each.volts.value();
            const bool loaded =
                each.pace == core::Pace::Rocking || each.pace == core::Pace::Auxiliary;
            if (!each.amps) continue;
            const double volts = each.volts.value(), amps = each.amps->value() * 1000;
            if (!loaded) {
                points.emplace_back(volts, amps);
                continue;
            }
            auto* mark = m_plot->addGraph();
            mark->setLineStyle(QCPGraph::lsNone);
            mark->setScatterStyle(
                QCPScatterStyle(QCPScatterStyle::ssDiamond, QPen(colour, 2), Qt::NoBrush, 11));
            mark->addData(volts, amps);
            plotWords(*m_plot, volts, amps,
                      each.pace == core::Pace::Rocking ? tr("rocked") : tr("auxiliary drive on"),
                      Qt::AlignRight | Qt::AlignVCenter, colour);
        }
        std::sort(points.begin(), points.end());
        auto* graph = m_plot->addGraph();
        graph->setPen(QPen(colour, 2, forward ? Qt::SolidLine : Qt::DashLine));
        graph->setScatterStyle(QCPScatterStyle(
            forward ? QCPScatterStyle::ssTriangle : QCPScatterStyle::ssTriangleInverted,
            QPen(colour, 2), QBrush(colour), 10));
        for (const auto& [volts, amps] : points) graph->addData(volts, amps);
        if (!points.empty()) {
            plotWords(
                *m_plot, points.back().first, points.back().second,
                forward ? tr("forward") : tr("in reverse"),
                Qt::AlignRight | (forward == (ends[0] >= ends[1]) ? Qt::AlignBottom : Qt::AlignTop),
                colour);
        }
        if (starts) {
            auto* tick = new QCPItemLine(m_plot);
            tick->start->setCoords(*starts, 0);
            tick->end->setCoords(*starts, top * 0.16);
            tick->setPen(QPen(colour, 2.4));
            plotWords(*m_plot, *starts, top * (forward ? 0.13 : 0.0),
                      forward ? tr("starts forward at %1")
                                    .arg(qs(core::formatted(*starts, core::Dimension::Voltage)))
                              : tr("starts in reverse at %1")
                                    .arg(qs(core::formatted(*starts, core::Dimension::Voltage))),
                      Qt::AlignLeft | Qt::AlignBottom, colour);
        }
    }
    finish(*m_plot);
}

bool DcTestPanel::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_plot && event->type() == QEvent::MouseButtonRelease) {
        emit jotOffered(u"crawl forward "_s);
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace glimmet::app
