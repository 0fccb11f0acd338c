// The cells of a table: Qt's table view, with a model of plain values and a delegate that paints
// them.
#pragma once

#include "app/table/table.h"

#include <QAbstractTableModel>
#include <QStyledItemDelegate>
#include <QTableView>

namespace glimmet::app {

class TableModel : public QAbstractTableModel {
    Q_OBJECT
public:
    explicit TableModel(const TableContent& content, QObject* parent)
        : QAbstractTableModel(parent), m_content(content) {}
    void renewed() {
        beginResetModel();
        endResetModel();
    }
    [[nodiscard]] const TableRow& row(int index) const {
        return m_content.rows[static_cast<std::size_t>(index)];
    }
    [[nodiscard]] const TableCell& cell(const QModelIndex& index) const {
        return row(index.row()).cells[static_cast<std::size_t>(index.column())];
    }
    [[nodiscard]] const TableColumn& column(int index) const {
        return m_content.columns[static_cast<std::size_t>(index)];
    }
    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation,
                                      int role) const override;

private:
    const TableContent& m_content;
};

class TableDelegate : public QStyledItemDelegate {
    Q_OBJECT
public:
    TableDelegate(const TableModel& model, QTableView* view)
        : QStyledItemDelegate(view), m_model(model), m_view(view) {}
    void paint(QPainter* painter, const QStyleOptionViewItem& option,
               const QModelIndex& index) const override;
    [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem& option,
                                 const QModelIndex& index) const override;

private:
    [[nodiscard]] int before(const QModelIndex& index) const;
    const TableModel& m_model;
    QTableView* m_view;
};

class TableGrid : public QTableView {
    Q_OBJECT
public:
    TableGrid(Table* table, const TableContent& content);
    void renewed();
    void fit();
    /// Of all rows; of a few, where they scroll.
    [[nodiscard]] int heightNeeded() const;
    [[nodiscard]] int leastWidth() const;

protected:
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void currentChanged(const QModelIndex& current, const QModelIndex& previous) override;

private:
    /// All columns have room, those that are aside too.
    [[nodiscard]] bool roomy() const;
    Table* m_table;
    const TableContent& m_content;
    TableModel m_model;
};

}  // namespace glimmet::app
