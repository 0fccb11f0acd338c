// The working strip of the lamps: the outputs of the decoder with what hangs on them, and the
// group of the one pointed at.
#pragma once

#include "app/frame/rows.h"
#include "app/stage_strip.h"

#include <memory>
#include <vector>

class QScrollArea;
class QVBoxLayout;

namespace glimmet::app {

class OutputButton;
class Schematic;

class LampsStrip : public StageStrip {
    Q_OBJECT
public:
    explicit LampsStrip(QWidget* parent = nullptr);
    ~LampsStrip() override;
    void show(const core::Reckoned& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;
    [[nodiscard]] Schematic* schematic() { return m_schematic; }

private:
    QScrollArea* m_outputs;
    QScrollArea* m_canvas;
    Schematic* m_schematic;
    QVBoxLayout* m_column = nullptr;
    std::unique_ptr<Rows<OutputButton>> m_buttons;
};

}  // namespace glimmet::app
