// Measuring: the motor against its decoder, its health over time; or a meter's log being cut.
#pragma once

#include "app/stage_panel.h"

class QLabel;
class QPushButton;
class QStackedLayout;

namespace glimmet::app {

class HealthPlot;
class LogView;
class MotorPlot;

class MeasurePanel : public StagePanel {
    Q_OBJECT
public:
    explicit MeasurePanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;
    bool takeFile(const QString& path) override;

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    QStackedLayout* m_pages;
    MotorPlot* m_motor;
    HealthPlot* m_health;
    LogView* m_log;
    QLabel* m_still;
    QPushButton* m_open;
    std::string m_job;        ///< name of the one that is shown
    bool m_entering = false;  ///< its readings are being entered
};

}  // namespace glimmet::app
