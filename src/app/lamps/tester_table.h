// What each tester of the bench should show at each row of a lamp group, held to the lamps alone or
// with their resistor; what one really sees is entered with a press.
#pragma once

#include "core/analysis/lamps/tester.h"
#include "core/record/lamps.h"

#include <QWidget>

#include <optional>
#include <vector>

class QDoubleSpinBox;
class QGridLayout;
class QLabel;

namespace glimmet::app {

class TesterTable : public QWidget {
    Q_OBJECT
public:
    explicit TesterTable(QWidget* parent = nullptr);
    /// nullptr: nothing chosen.
    void show(const core::LampGroup* group);

signals:
    void jotChosen(const QString& line);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void work();
    void add(const core::lamps::TesterLine& line, const core::lamps::TesterLine::Cell& cell,
             int row, int column);
    std::optional<core::LampGroup> m_group;
    bool m_worked = false;
    QDoubleSpinBox* m_volts;
    QLabel* m_words;
    QGridLayout* m_grid;
    std::vector<QWidget*> m_cells;  ///< of what is shown now
};

}  // namespace glimmet::app
