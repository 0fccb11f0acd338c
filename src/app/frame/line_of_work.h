// The stages of the work in their order, each with how it stands, as computed.
#pragma once

#include "core/work/stage_status.h"

#include <QWidget>

#include <vector>

class QVBoxLayout;

namespace glimmet::app {

class StageButton;

class LineOfWork : public QWidget {
    Q_OBJECT
public:
    explicit LineOfWork(QWidget* parent = nullptr);
    /// Stations are made as they are needed: structures have fewer.
    void show(const std::vector<core::StageStatus>& standings, std::string_view current);

signals:
    void stageChosen(std::string_view stage);

private:
    std::vector<StageButton*> m_buttons;
    QVBoxLayout* m_column;
};

}  // namespace glimmet::app
