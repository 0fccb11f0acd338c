// The rules and defaults of the house, each with its value; pressed, it is spoken of.
#pragma once

#include "app/stage_panel.h"
#include "core/house/rules/rules.h"

class QVBoxLayout;

namespace glimmet::app {

class RuleButton;

class RulesPanel : public StagePanel {
    Q_OBJECT
public:
    explicit RulesPanel(QWidget* parent = nullptr);
    ~RulesPanel() override;
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;
    /// The house itself; what a job has otherwise is the job's.
    void showWorkshop(const core::WorkshopFacts& facts, const std::string& subject) override;

private:
    QVBoxLayout* m_column;
    std::vector<RuleButton*> m_buttons;
};

}  // namespace glimmet::app
