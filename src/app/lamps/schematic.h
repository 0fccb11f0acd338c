// One lamp group as a schematic with its live values: common at the top, each row of lamps down
// to its resistor, then what they share, the output that switches them, and decoder ground.
#pragma once

#include "app/theme/symbol_board.h"
#include "core/analysis/job_analysis.h"

#include <optional>
#include <vector>

namespace glimmet::app {

class Schematic : public SymbolBoard {
    Q_OBJECT
public:
    explicit Schematic(QWidget* parent = nullptr);
    /// `group` nullptr: nothing chosen, `empty` is said instead.
    void show(const core::JobAnalysis& facts, const core::LampGroup* group, const QString& empty);
    [[nodiscard]] QSize minimumSizeHint() const override;

    void paint(QPainter& painter) override;

private:
    /// Left of the rows what feeds them: rails, bridge, capacitor.
    void paintBridge(QPainter& painter, qreal top, qreal bottom);
    void paintSmoothing(QPainter& painter, qreal x, qreal top, qreal bottom);
    void paintCommon(QPainter& painter, qreal top, qreal lastX);
    /// The line back along the foot, and how far it is drawn.
    struct Foot {
        QPainter& painter;
        qreal x, foot;
        void lead(qreal by);
    };
    void paintFoot(Foot on);
    void seriesPart(Foot& on, const QString& value, const QString& words, const QString& tip,
                    const QString& jot, const QColor& ink, const QString& up = {},
                    const QString& down = {});
    void paintOneWay(Foot& on);
    void paintContact(Foot& on);
    void paintSupplyEnd(Foot& on);
    void paintOutput(Foot& on);
    /// The line that steps a resistor; empty where there is nothing to step from.
    [[nodiscard]] QString stepped(const QString& start, core::Ohms from, bool up) const;
    [[nodiscard]] qreal rowsFrom() const;  ///< where what feeds them ends
    [[nodiscard]] qreal columnAt(std::size_t row) const;
    /// Where a row's parts stand: its line, its resistor, the middle of each lamp.
    struct RowLayout {
        qreal x = 0;
        QRectF resistor;
        std::vector<QPointF> lamps;
    };
    [[nodiscard]] RowLayout rowLayout(std::size_t row, qreal top, qreal bottom) const;
    void addSymbols(std::size_t row, const RowLayout& layout);
    void paintRow(QPainter& painter, std::size_t row, const RowLayout& layout, qreal top,
                  qreal bottom);
    core::LampGroup m_group;
    core::GroupState m_state;
    bool m_has = false;
    QString m_empty;
    QString m_outputWire;  ///< insulation colour
    bool m_onSupply = false;
    bool m_oneWay = false;  ///< a diode before it
    bool m_onAc = false;
    bool m_resistorFirst = false;                ///< in the plus lead, as the house has it
    bool m_onRails = false;                      ///< a bridge before them, or they are turned round
    std::optional<core::LampBridge> m_bridge;    ///< that was fitted there
    std::optional<core::Smoothing> m_smoothing;  ///< behind it
};

}  // namespace glimmet::app
