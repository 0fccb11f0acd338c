// Power districts: on each booster a bar of what its models take, side by side, against what it
// gives.
#pragma once

#include "app/frame/rows.h"
#include "app/stage_strip.h"

#include <memory>

class QVBoxLayout;

namespace glimmet::app {

class DistrictRow;

class DistrictStrip : public StageStrip {
    Q_OBJECT
public:
    explicit DistrictStrip(QWidget* parent = nullptr);
    ~DistrictStrip() override;
    void show(const core::JobAnalysis&, const std::vector<core::Finding>&,
              const std::string&) override {}
    void showWorkshop(const core::WorkshopFacts& facts, const std::string& subject) override;

private:
    QVBoxLayout* m_column;
    std::unique_ptr<Rows<DistrictRow>> m_rows;
};

}  // namespace glimmet::app
