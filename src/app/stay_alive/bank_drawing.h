// How the bank is wired, as a drawing with the marks that its parts carry, and the steps beside it.
#pragma once

#include "app/theme/symbol_board.h"
#include "core/work/stay_alive/bank_wiring.h"

#include <optional>

namespace glimmet::app {

class BankDrawing : public SymbolBoard {
    Q_OBJECT
public:
    explicit BankDrawing(QWidget* parent = nullptr);
    void show(const core::Job& job, const core::WorkshopRules& house);
    void paint(QPainter& painter) override;

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void measure();  ///< how high its steps make it
    void paintDecoder(QPainter& painter);
    void paintCharge(QPainter& painter);
    void paintClamp(QPainter& painter);
    void paintBank(QPainter& painter);
    void paintRails(QPainter& painter);
    void paintSteps(QPainter& painter);
    core::BankKind m_kind{};
    std::optional<core::stay_alive::BankWiring> m_wiring;
};

}  // namespace glimmet::app
