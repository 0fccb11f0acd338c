// The working strip of a stage: a plot, a schematic, a table.
#pragma once

#include "core/finding/finding.h"
#include "core/work/reckoned.h"

#include <QWidget>

#include <string>
#include <vector>

namespace glimmet::app {

class StageStrip : public QWidget {
    Q_OBJECT
public:
    using QWidget::QWidget;
    /// What the strip shows of the facts it keeps a copy of. `subject`: what is in question.
    virtual void show(const core::Reckoned& facts, const std::vector<core::Finding>& findings,
                      const std::string& subject) = 0;

    /// Of the workshop's own stations: the house as it is.
    virtual void showHouse(const core::House&, const std::string& /*subject*/) {}

signals:
    void subjectChosen(const std::string& subject);
    void jotOffered(const QString& start);
    void jotChosen(const QString& line);  ///< a whole line, to be taken
};

}  // namespace glimmet::app
