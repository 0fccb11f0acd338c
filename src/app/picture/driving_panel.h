// Drives the model in the dark picture: direction, function keys, and the track volts on a scale
// that shows where each lamp comes on.
#pragma once

#include "core/analysis/operating.h"

#include <QWidget>

#include <vector>

class QHBoxLayout;

namespace glimmet::app {

class KeyCap;
class VoltsScale;

class DrivingPanel : public QWidget {
    Q_OBJECT
public:
    explicit DrivingPanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const core::Operating& operating);

signals:
    void driven(const core::Operating& operating);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    core::Operating m_operating;
    KeyCap* m_all;
    KeyCap* m_reverse;
    KeyCap* m_room;
    QHBoxLayout* m_row;
    std::vector<KeyCap*> m_keys;
    std::vector<int> m_numbers;  ///< of the keys that are shown
    VoltsScale* m_scale;
};

}  // namespace glimmet::app
