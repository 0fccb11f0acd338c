// A motor's light current from session to session: whether the drive tightens.
#pragma once

#include "core/work/measure/health_chart.h"

#include <QWidget>

#include <optional>

class QCustomPlot;

namespace glimmet::app {

class HealthPlot : public QWidget {
    Q_OBJECT
public:
    explicit HealthPlot(QWidget* parent = nullptr);
    /// False where light running was not read on two days: there is nothing to show.
    bool show(const core::JobAnalysis& facts);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    struct Marked {
        double day = 0, amps = 0;
        QString words;
    };
    QCustomPlot* m_plot;
    std::vector<Marked> m_marked;
    std::optional<core::measure::HealthChart> m_chart;  ///< as it is drawn
    bool m_night = false;
};

}  // namespace glimmet::app
