// The reckoning: the answer in one sentence, then the figures, then because, then options to take.
// It shows what core says and computes nothing.
#pragma once

#include "core/finding/finding.h"

#include <QScrollArea>

#include <vector>

class QVBoxLayout;

namespace glimmet::app {

class ReckoningPanel : public QScrollArea {
    Q_OBJECT
public:
    explicit ReckoningPanel(QWidget* parent = nullptr);
    /// `spoken` may be nullptr: then `empty` is said. `others` are the other findings of the
    /// stage, to go to.
    void show(const core::Finding* spoken, const std::vector<const core::Finding*>& others,
              const QString& empty, bool readOnly);

signals:
    void optionTaken(const QString& jot);
    void figureChosen(const QString& jotStart);  ///< a figure that can be measured or entered
    void findingChosen(const QString& id);

private:
    void addHeading(QVBoxLayout* column, const QString& words);
    void addFigure(QVBoxLayout* column, const core::Figure& figure);
    void addBecause(QVBoxLayout* column, const core::Finding& finding);
    void addOption(QVBoxLayout* column, const core::Option& option, bool first, bool readOnly);
    void addOther(QVBoxLayout* column, const core::Finding& finding);
};

}  // namespace glimmet::app
