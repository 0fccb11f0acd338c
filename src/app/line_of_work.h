// The stages of the work in their order, each with how it stands, as computed.
#pragma once

#include "core/job/checks.h"

#include <QWidget>

#include <vector>

class QVBoxLayout;

namespace glimmet::app {

class StageButton;

class LineOfWork : public QWidget {
    Q_OBJECT
public:
    explicit LineOfWork(QWidget* parent = nullptr);
    void show(const std::vector<core::StageStanding>& standings, core::Stage current);

signals:
    void stageChosen(glimmet::core::Stage stage);

private:
    std::vector<StageButton*> m_buttons;
};

}  // namespace glimmet::app
