// A table as every stage shows one: rows of cells with words, a mark or a sketch, the line that a
// row takes. What is in it are plain values; nothing of it is worked out here.
#pragma once

#include "core/finding/state.h"

#include <QCoreApplication>
#include <QString>
#include <QWidget>

#include <functional>
#include <optional>
#include <vector>

class QLabel;

namespace glimmet::app::table {

/// Words of what is in a table.
inline QString tr(const char* words) { return QCoreApplication::translate("table", words); }

}  // namespace glimmet::app::table

namespace glimmet::app {

/// What words cannot say, drawn into the cell before its words.
using Sketch = std::function<void(QPainter& painter, const QRectF& cell)>;

struct TableColumn {
    QString title{};
    int least = 50;    ///< pixels
    double share = 1;  ///< of what is left over
    bool wraps = false;
    bool aside = false;  ///< shown only where the columns that take what is left have room to spare
};
struct TableCell {
    QString words{};
    QString below{};                        ///< softer, on a line of its own
    core::State state = core::State::Fine;  ///< else in its colour and underlined
    bool strong = false;
    bool figures = true;
    int indent = 0;  ///< pixels before the words: beside a sketch
    Sketch sketch{};
    QString tip{};
};
struct TableRow {
    std::vector<TableCell> cells{};     ///< as the columns
    std::optional<core::State> mark{};  ///< before the words of the first cell, below its sketch
    bool chosen = false;                ///< it is what the job has
    QString line{};                     ///< that it takes when it is pressed; empty: none
};
struct TableContent {
    std::vector<TableColumn> columns{};
    std::vector<TableRow> rows{};
    QString note{};   ///< above the rows
    QString empty{};  ///< in place of all, where there are no rows
};

class TableGrid;

/// Rows are pressed with the pointer or by Return; arrows go from row to row.
class Table : public QWidget {
    Q_OBJECT
public:
    explicit Table(QWidget* parent = nullptr);
    void show(TableContent content);
    /// The same, worked out when it is looked at: only what is seen costs something.
    void showWhenSeen(std::function<TableContent()> make);
    [[nodiscard]] const TableContent& content() const { return m_content; }
    /// The row that arrows start from; -1: none.
    void setCurrent(int row);
    /// The only row that is shown as chosen; -1: none.
    void setChosen(int row);
    /// The rows scroll under the names of the columns, instead of the whole table in its page.
    void setScrolls();
    /// Where a menu about a cell opens, on the screen.
    [[nodiscard]] QPoint below(int row, int column) const;
    [[nodiscard]] QSize minimumSizeHint() const override;

signals:
    /// Of a row that has one.
    void lineChosen(const QString& line);
    void cellChosen(int row, int column);
    /// By arrows, to another row.
    void moved(int row);
    void escaped();

protected:
    void showEvent(QShowEvent* event) override;

private:
    friend class TableGrid;
    void work();
    void take(int row, int column);
    TableContent m_content;
    std::function<TableContent()> m_make;
    QLabel* m_note;
    TableGrid* m_grid;
};

}  // namespace glimmet::app
