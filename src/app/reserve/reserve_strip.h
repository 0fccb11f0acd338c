// The strip of the stay-alive: the dead places of the layout as the model crosses them, or the bus
// after the model was lifted off the rails.
#pragma once

#include "app/stage_strip.h"
#include "core/work/reserve/crossing_state.h"

#include <optional>
#include <string>

class QAbstractButton;
class QStackedWidget;
class QToolButton;

namespace glimmet::app {

class CrossingPlot;
class HoldPlot;
class SpeedColumn;

class ReserveStrip : public StageStrip {
    Q_OBJECT
public:
    explicit ReserveStrip(QWidget* parent = nullptr);
    void show(const core::Reckoned& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

private:
    void turn(bool toTheTrack);
    void standOn(core::Millimetres travel);
    std::optional<core::reserve::CrossingChart> m_crossing;
    std::optional<bool> m_wanted;  ///< the page that was pressed; nothing: what there is to show
    std::string m_job;
    QStackedWidget* m_pages;
    QToolButton *m_track, *m_lifted, *m_back, *m_play, *m_on;
    CrossingPlot* m_plot;
    SpeedColumn* m_speeds;
    HoldPlot* m_hold;
};

}  // namespace glimmet::app
