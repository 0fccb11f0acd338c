// The banks of the catalogue side by side, the best first: what each comes to on this job. A row
// that is pressed is fitted.
#pragma once

#include "core/work/stay_alive/bank_cells.h"

#include <QWidget>

#include <optional>
#include <vector>

namespace glimmet::app {

class BankTable : public QWidget {
    Q_OBJECT
public:
    explicit BankTable(QWidget* parent = nullptr);
    /// Worked out when it is looked at.
    void show(const core::JobAnalysis& facts);
    [[nodiscard]] const std::vector<core::stay_alive::BankRow>& rows() const { return m_rows; }
    [[nodiscard]] QSize minimumSizeHint() const override;

signals:
    void jotChosen(const QString& line);

protected:
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    struct Asked {
        core::Job job;
        core::WorkshopRules house;
        const core::Catalogue* catalogue;
    };
    void work();
    void take(int row);
    [[nodiscard]] int rowAt(const QPointF& at) const;
    /// Where a column begins; of the one behind the last where that ends.
    [[nodiscard]] double columnFrom(std::size_t column) const;
    std::optional<Asked> m_asked;
    std::vector<core::stay_alive::BankRow> m_rows;
    int m_focused = 0;
};

}  // namespace glimmet::app
