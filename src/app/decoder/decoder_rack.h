// Decoders of the catalogue side by side, ranked: each as large as it is, what it has for what the
// job asks, the cell that decides outlined. One press fits one.
#pragma once

#include "app/stage_panel.h"
#include "core/analysis/decoder/ranking.h"

#include <array>

namespace glimmet::app {

class DecoderRuleButton;
class Table;

class DecoderRack : public StagePanel {
    Q_OBJECT
public:
    explicit DecoderRack(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

private:
    Table* m_table;
    QWidget* m_foot = nullptr;
    std::array<DecoderRuleButton*, 3> m_rules{};
};

}  // namespace glimmet::app
