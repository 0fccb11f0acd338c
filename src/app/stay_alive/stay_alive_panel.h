// The panel of the stay-alive: the dead places of the layout as the model crosses them, or the bus
// after the model was lifted off the rails.
#pragma once

#include "app/stage_panel.h"
#include "core/analysis/stay_alive/crossing_state.h"

#include <optional>
#include <string>

class QAbstractButton;
class QStackedWidget;
class QToolButton;

namespace glimmet::app {

class BankDrawing;
class CrossingPlot;
class HoldPlot;
class SpeedColumn;
class Table;

class StayAlivePanel : public StagePanel {
    Q_OBJECT
public:
    explicit StayAlivePanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

private:
    /// What can be shown, in the order of its buttons.
    enum Page { Track, Lifted, Banks, Wiring, Follows };
    void turn(Page page);
    void showCrossing();
    void standOn(core::Millimetres travel);
    std::optional<core::stay_alive::CrossingChart> m_crossing;
    std::optional<Page> m_wanted;  ///< the page that was pressed; nothing: what there is to show
    bool m_turned = false;         ///< to another way over the place than the worst
    std::string m_job;
    QStackedWidget* m_pages;
    QToolButton *m_track, *m_lifted, *m_choice, *m_wiring, *m_follows, *m_back, *m_play, *m_on;
    CrossingPlot* m_plot;
    SpeedColumn* m_speeds;
    HoldPlot* m_hold;
    Table* m_banks;
    BankDrawing* m_drawing;
    Table* m_consequences;
};

}  // namespace glimmet::app
