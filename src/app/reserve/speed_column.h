// Speeds of the prototype over a dead place: how each gets over, the slowest below. A press sets
// the speed.
#pragma once

#include "core/work/reserve/crossing_state.h"

#include <QWidget>

#include <vector>

namespace glimmet::app {

class SpeedColumn : public QWidget {
    Q_OBJECT
public:
    explicit SpeedColumn(QWidget* parent = nullptr);
    void show(std::vector<core::reserve::AtSpeed> sweep, double kmh);

signals:
    void jotChosen(const QString& line);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    [[nodiscard]] QRectF bar(std::size_t index) const;
    void choose(double kmh);
    std::vector<core::reserve::AtSpeed> m_sweep;
    double m_kmh = 0;
};

/// "stops", "starts anew", "slows", "gets over" …
[[nodiscard]] QString crossedWord(core::Crossed how);

}  // namespace glimmet::app
