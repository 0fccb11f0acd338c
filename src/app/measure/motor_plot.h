// Current over volts: what was read, the path line of the stalled motor, the stall point at track
// volts, and the decoder's limits as bands.
#pragma once

#include "app/stage_panel.h"
#include "core/work/measure/motor_chart.h"

#include <vector>

namespace glimmet::app {

class Plot;

class MotorPlot : public StagePanel {
    Q_OBJECT
public:
    explicit MotorPlot(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void draw();
    void drawLimits(const core::measure::MotorChart& chart);
    void drawPath(const core::measure::MotorChart& chart);
    void drawReadings(const core::measure::MotorChart& chart);
    void drawContradictions();
    void drawStall(const core::measure::MotorChart& chart);
    struct Name;
    void placeNames(std::vector<Name> names, const core::measure::MotorChart& chart);
    Plot* m_plot;
    core::Job m_job;
    core::WorkshopRules m_house;
    bool m_hasJob = false;
};

}  // namespace glimmet::app
