// Currents over volts as it ran on plain DC, forward and in reverse, and where it starts.
#pragma once

#include "app/stage_panel.h"

class QCustomPlot;

namespace glimmet::app {

class DcTestPanel : public StagePanel {
    Q_OBJECT
public:
    explicit DcTestPanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QCustomPlot* m_plot;
};

}  // namespace glimmet::app
