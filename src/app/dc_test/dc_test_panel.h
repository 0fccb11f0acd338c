// Currents over volts as it ran on plain DC, forward and in reverse, and where it starts.
#pragma once

#include "app/stage_panel.h"

namespace glimmet::app {

class Plot;

class DcTestPanel : public StagePanel {
    Q_OBJECT
public:
    explicit DcTestPanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

private:
    void drawUsual(core::Amperes running, double right, double top);
    void drawWay(const core::Job& job, core::Direction way, double top, bool wordsAbove);
    Plot* m_plot;
};

}  // namespace glimmet::app
