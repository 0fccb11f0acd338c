// What each tester should show at each row of a lamp group, and what was seen there.
#pragma once

#include "core/analysis/lamps/tester.h"
#include "core/record/lamps.h"

#include <QWidget>

#include <optional>
#include <vector>

class QDoubleSpinBox;

namespace glimmet::app {

class Table;
struct TableContent;

class TesterTable : public QWidget {
    Q_OBJECT
public:
    explicit TesterTable(QWidget* parent = nullptr);
    /// nullptr: nothing chosen.
    void show(const core::LampGroup* group);

signals:
    void jotChosen(const QString& line);

private:
    void renew();
    [[nodiscard]] TableContent worked();
    void offer(int row, int column);
    std::optional<core::LampGroup> m_group;
    std::vector<core::lamps::TesterLine> m_lines;  ///< as the rows
    bool m_shown = false;                          ///< of m_group
    QDoubleSpinBox* m_volts;
    Table* m_table;
};

}  // namespace glimmet::app
