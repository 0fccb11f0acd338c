// What else comes of a bank, a line each: when, a sentence, the figure that decides it.
#pragma once

#include "core/analysis/stay_alive/consequences.h"

#include <QWidget>

#include <vector>

class QGridLayout;

namespace glimmet::app {

class ConsequenceTable : public QWidget {
    Q_OBJECT
public:
    explicit ConsequenceTable(QWidget* parent = nullptr);
    void show(const std::vector<core::stay_alive::Consequence>& all);

private:
    QGridLayout* m_grid;
    std::vector<QWidget*> m_cells;  ///< of what is shown now
};

}  // namespace glimmet::app
