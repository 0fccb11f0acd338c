// The panel of the lamps: the outputs of the decoder with what hangs on them, and the
// group of the one pointed at.
#pragma once

#include "app/frame/rows.h"
#include "app/stage_panel.h"

#include <memory>
#include <optional>
#include <vector>

class QScrollArea;
class QStackedWidget;
class QToolButton;
class QVBoxLayout;

namespace glimmet::app {

class FaultTable;
class GapPlot;
class MismatchRows;
class OutputButton;
class Schematic;
class Table;
class TesterTable;

class LampsPanel : public StagePanel {
    Q_OBJECT
public:
    explicit LampsPanel(QWidget* parent = nullptr);
    ~LampsPanel() override;
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;
    [[nodiscard]] Schematic* schematic() { return m_schematic; }
    /// Writes the group that is shown, or the lamps of the job: lamp_export.h.
    void saveAs(const QString& path);

private:
    enum Page { Circuit, Faults, Builds, Testers, Volts, Dirt };
    void turnTo(Page page);
    void askWhere();
    struct Shown {
        core::Job job;
        core::WorkshopRules house;
        std::string group;
    };
    std::optional<Shown> m_shown;
    QScrollArea* m_outputs;
    QStackedWidget* m_pages;
    std::vector<QToolButton*> m_tabs;  ///< as Page
    Schematic* m_schematic;
    FaultTable* m_faults;
    MismatchRows* m_builds;
    TesterTable* m_testers;
    Table* m_volts;
    GapPlot* m_dirt;
    QVBoxLayout* m_column = nullptr;
    std::unique_ptr<Rows<OutputButton>> m_buttons;
};

}  // namespace glimmet::app
