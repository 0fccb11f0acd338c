// Decoders of the catalogue side by side, ranked: each as large as it is, what it has for what the
// job asks, the cell that decides outlined. One press fits one.
#pragma once

#include "app/frame/rows.h"
#include "app/stage_panel.h"
#include "core/analysis/decoder/ranking.h"

#include <array>
#include <memory>

class QVBoxLayout;

namespace glimmet::app {

class DecoderRow;
class RackHead;
class DecoderRuleButton;

class DecoderRack : public StagePanel {
    Q_OBJECT
public:
    explicit DecoderRack(QWidget* parent = nullptr);
    ~DecoderRack() override;
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

private:
    RackHead* m_head;
    QVBoxLayout* m_column;
    QWidget* m_page;
    std::unique_ptr<Rows<DecoderRow>> m_rows;
    QWidget* m_foot = nullptr;
    std::array<DecoderRuleButton*, 3> m_rules{};
};

}  // namespace glimmet::app
