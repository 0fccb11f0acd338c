// A dead place of the layout over the travel of the train: which wheels stand on dead rail, the
// bus, the speed, the lamps; a cursor to be moved along it.
#pragma once

#include "app/plot/plot.h"
#include "core/analysis/stay_alive/crossing_state.h"

#include <optional>

class QTimer;

namespace glimmet::app {

class CrossingPlot : public Plot {
    Q_OBJECT
public:
    explicit CrossingPlot(QWidget* parent = nullptr);
    /// The cursor stays where it is as long as the place is the same.
    void show(const std::optional<core::stay_alive::CrossingChart>& chart);
    [[nodiscard]] core::Millimetres travel() const { return m_travel; }
    void setTravel(core::Millimetres travel);
    /// To where the next wheel comes onto dead rail or leaves it, or power comes or goes.
    void toNextChange(bool forward);
    /// As slowly as it goes, or slower, so that an eye can follow.
    void play(bool on);
    [[nodiscard]] bool playing() const;

signals:
    void travelled(core::Millimetres travel);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void draw();
    void drawAxles();
    void drawCurves();
    void drawWords();
    void drawCursor();
    [[nodiscard]] QString wordsAt(core::Millimetres travel) const;
    QTimer* m_clock;
    std::optional<core::stay_alive::CrossingChart> m_chart;
    core::Millimetres m_travel{};
};

}  // namespace glimmet::app
