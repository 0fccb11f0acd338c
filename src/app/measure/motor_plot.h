// Current over volts: what was read, the path line of the stalled motor, the stall point at track
// volts, and the decoder's limits as bands.
#pragma once

#include "app/stage_panel.h"

#include <memory>
#include <vector>

class QCustomPlot;

namespace glimmet::app {

class MotorPlot : public StagePanel {
    Q_OBJECT
public:
    explicit MotorPlot(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    /// A point of the plot with what it is and where it is entered.
    struct Marked {
        double volts = 0, amps = 0;
        QString words, jot;
    };
    struct Band {
        double from = 0, to = 0;  ///< A
        QString words;
    };
    [[nodiscard]] const Band* bandAt(const QPoint& where) const;
    [[nodiscard]] const Marked* near(const QPoint& where) const;
    void draw();
    QCustomPlot* m_plot;
    core::Job m_job;
    core::WorkshopRules m_house;
    bool m_hasJob = false;
    std::vector<Marked> m_marked;
    std::vector<Band> m_bands;
};

}  // namespace glimmet::app
