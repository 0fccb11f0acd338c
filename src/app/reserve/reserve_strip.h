// Bus volts over time from the moment the track goes dead, with the volts that the processor needs
// and the time that has to be got across.
#pragma once

#include "app/stage_strip.h"
#include "core/work/reserve/bank_state.h"

#include <optional>

class QCustomPlot;

namespace glimmet::app {

class ReserveStrip : public StageStrip {
    Q_OBJECT
public:
    explicit ReserveStrip(QWidget* parent = nullptr);
    void show(const core::Reckoned& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void draw();
    QCustomPlot* m_plot;
    std::optional<core::reserve::HoldChart> m_chart;
};

}  // namespace glimmet::app
