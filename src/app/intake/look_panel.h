// The list of what to look at, each item good or bad with one press or key, and beside it what the
// owner says, what came off, what was oiled.
#pragma once

#include "app/frame/rows.h"
#include "app/stage_panel.h"

#include <memory>

class QLabel;
class QVBoxLayout;

namespace glimmet::app {

class Album;
class LookRow;

class LookPanel : public StagePanel {
    Q_OBJECT
public:
    explicit LookPanel(QWidget* parent = nullptr);
    ~LookPanel() override;
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;
    /// A picture is a photo of what is in question.
    bool takeFile(const QString& path) override;

private:
    QWidget* m_page;
    QVBoxLayout* m_column;
    QLabel* m_beside;
    Album* m_album;
    std::string m_photographed;  ///< what the next photo is of
    std::unique_ptr<Rows<LookRow>> m_rows;
};

}  // namespace glimmet::app
