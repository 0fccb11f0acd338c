// Power districts: on each booster a bar of what its models take, side by side, against what it
// gives.
#pragma once

#include "app/frame/rows.h"
#include "app/stage_panel.h"

#include <memory>

class QVBoxLayout;

namespace glimmet::app {

class DistrictRow;

class DistrictPanel : public StagePanel {
    Q_OBJECT
public:
    explicit DistrictPanel(QWidget* parent = nullptr);
    ~DistrictPanel() override;
    void show(const core::JobAnalysis&, const std::vector<core::Finding>&,
              const std::string&) override {}
    void showWorkshop(const core::WorkshopFacts& facts, const std::string& subject) override;

private:
    QVBoxLayout* m_column;
    std::unique_ptr<Rows<DistrictRow>> m_rows;
};

}  // namespace glimmet::app
