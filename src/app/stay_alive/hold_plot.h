// Bus volts over time from the moment the track goes dead, with the volts that the processor needs
// and the time that has to be got across.
#pragma once

#include "core/analysis/stay_alive/bank_state.h"

#include <QWidget>

#include <optional>

class QCustomPlot;

namespace glimmet::app {

class HoldPlot : public QWidget {
    Q_OBJECT
public:
    explicit HoldPlot(QWidget* parent = nullptr);
    void show(const std::optional<core::stay_alive::HoldChart>& chart);

signals:
    void jotOffered(const QString& start);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void draw();
    QCustomPlot* m_plot;
    std::optional<core::stay_alive::HoldChart> m_chart;
};

}  // namespace glimmet::app
