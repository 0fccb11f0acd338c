// A lamp group on other supply volts, side by side; a press hangs it there.
#pragma once

#include "core/analysis/lamps/other_volts.h"

#include <QWidget>

#include <vector>

class QGridLayout;

namespace glimmet::app {

class VoltsTable : public QWidget {
    Q_OBJECT
public:
    explicit VoltsTable(QWidget* parent = nullptr);
    void show(const std::vector<core::lamps::OnVolts>& all);

signals:
    void jotChosen(const QString& line);

private:
    QGridLayout* m_grid;
    std::vector<QWidget*> m_cells;  ///< of what is shown now
};

}  // namespace glimmet::app
