// Speeds of the prototype over a dead place: how each gets over, the slowest below; a column for
// the ways over it that differ. A press on a column shows that way, one on the shown column sets
// the speed.
#pragma once

#include "core/analysis/stay_alive/crossing_state.h"

#include <QWidget>

#include <vector>

class QPainter;

namespace glimmet::app {

class SpeedColumn : public QWidget {
    Q_OBJECT
public:
    explicit SpeedColumn(QWidget* parent = nullptr);
    void show(const core::stay_alive::CrossingChart& chart);

signals:
    void jotChosen(const QString& line);
    /// One of the chart's ways.
    void wayChosen(std::size_t way);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    [[nodiscard]] const std::vector<core::stay_alive::AtSpeed>& sweep() const;
    [[nodiscard]] QRectF bar(std::size_t index, std::size_t column) const;
    void paintColumn(QPainter& painter, std::size_t column) const;
    void paintHead(QPainter& painter, std::size_t column) const;
    [[nodiscard]] QString words(std::size_t column) const;
    [[nodiscard]] QString tipAt(const QPointF& at) const;
    void choose(double kmh);
    void turnTo(std::size_t column);
    std::vector<core::stay_alive::CrossingWay> m_ways;
    std::size_t m_first = 0;  ///< of the ways, where there is not room for all
    std::vector<core::stay_alive::Passage> m_passages;
    std::size_t m_column = 0;  ///< that is shown
    double m_kmh = 0;
};

/// "stops", "starts anew", "slows", "gets over" …
[[nodiscard]] QString crossedWord(core::Crossed how);

}  // namespace glimmet::app
