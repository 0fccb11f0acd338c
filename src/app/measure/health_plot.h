// A motor's light current from session to session: whether the drive tightens.
#pragma once

#include "app/plot/plot.h"
#include "core/work/measure/health_chart.h"

#include <optional>

namespace glimmet::app {

class HealthPlot : public Plot {
    Q_OBJECT
public:
    explicit HealthPlot(QWidget* parent = nullptr);
    /// False where light running was not read on two days: there is nothing to show.
    bool show(const core::JobAnalysis& facts);

private:
    void draw(const core::measure::HealthChart& chart);
    void drawSameType(const core::measure::HealthChart& chart, int days, double top);
    std::optional<core::measure::HealthChart> m_chart;  ///< as it is drawn
    bool m_night = false;
};

}  // namespace glimmet::app
