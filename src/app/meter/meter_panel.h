// The pairs of the meter. G: the chosen pair reads as it must. B: it beeps or is open where it must
// not. O: its ohms, into the line.
#pragma once

#include "app/pages/pages_panel.h"

namespace glimmet::app {

class MeterPanel : public PagesPanel {
    Q_OBJECT
public:
    explicit MeterPanel(QWidget* parent = nullptr);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    struct Lines {
        QString good, bad, value;
    };
    Table* m_pairs;
    std::vector<Lines> m_lines;  ///< as the rows
    int m_current = -1;
};

}  // namespace glimmet::app
