// The working strip of the lamps: the outputs of the decoder with what hangs on them, and the
// circuit of the one pointed at.
#pragma once

#include "app/rows.h"
#include "core/finding/finding.h"
#include "core/job/job.h"

#include <QWidget>

#include <memory>
#include <vector>

class QScrollArea;
class QVBoxLayout;

namespace glimmet::app {

class OutputButton;
class Schematic;

class LampsStrip : public QWidget {
    Q_OBJECT
public:
    explicit LampsStrip(QWidget* parent = nullptr);
    ~LampsStrip() override;
    void show(const core::Job& job, const std::vector<core::Finding>& findings,
              const std::string& subject);
    [[nodiscard]] Schematic* schematic() { return m_schematic; }

signals:
    void subjectChosen(const std::string& subject);
    void jotOffered(const QString& start);

private:
    QScrollArea* m_outputs;
    QScrollArea* m_canvas;
    Schematic* m_schematic;
    QVBoxLayout* m_column = nullptr;
    std::unique_ptr<Rows<OutputButton>> m_buttons;
};

}  // namespace glimmet::app
