// What goes in, where it lies, how large it is and how much room it has.
#pragma once

#include "app/stage_panel.h"

namespace glimmet::app {

class Table;

class FitPanel : public StagePanel {
    Q_OBJECT
public:
    explicit FitPanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

private:
    Table* m_table;
    std::vector<QString> m_jots;  ///< as the rows: the start of the line that moves each
};

}  // namespace glimmet::app
