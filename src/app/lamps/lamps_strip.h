// The working strip of the lamps: the outputs of the decoder with what hangs on them, and the
// circuit of the one pointed at.
#pragma once

#include "core/finding/finding.h"
#include "core/job/job.h"

#include <QWidget>

#include <vector>

class QScrollArea;
class QVBoxLayout;

namespace glimmet::app {

class Schematic;

class LampsStrip : public QWidget {
    Q_OBJECT
public:
    explicit LampsStrip(QWidget* parent = nullptr);
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
};

}  // namespace glimmet::app
