#include "app/table/table.h"

#include "app/table/table_grid.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QLabel>
#include <QScrollBar>
#include <QVBoxLayout>

#include <utility>

using namespace Qt::StringLiterals;

namespace glimmet::app {

Table::Table(QWidget* parent)
    : QWidget(parent), m_note(new QLabel(this)), m_grid(new TableGrid(this, m_content)) {
    setAutoFillBackground(true);
    m_note->setWordWrap(true);
    m_note->setContentsMargins(12, 6, 12, 4);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addWidget(m_note);
    all->addWidget(m_grid, 1);
    setFocusProxy(m_grid);
}

void Table::show(TableContent content) {
    m_make = {};
    m_content = std::move(content);
    const bool none = m_content.rows.empty();
    m_note->setText(none ? m_content.empty : m_content.note);
    m_note->setFont(none ? wordsFont(15) : wordsFont(13));
    m_note->setVisible(!m_note->text().isEmpty());
    m_grid->setVisible(!none);
    m_grid->setAccessibleName(accessibleName());
    m_grid->renewed();
    QStringList all;
    for (const TableRow& row : m_content.rows) {
        QStringList cells;
        if (row.mark) cells << stateWord(*row.mark);
        for (const TableCell& cell : row.cells) {
            cells << cell.words;
            cells << cell.below;
        }
        cells.removeAll(QString());
        all << cells.join(u", "_s);
    }
    setAccessibleDescription(all.join(u". "_s));
    updateGeometry();
}

void Table::showWhenSeen(std::function<TableContent()> make) {
    m_make = std::move(make);
    if (isVisible()) work();
}

void Table::work() {
    if (m_make) show(std::exchange(m_make, {})());
}

void Table::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    work();
}

void Table::setCurrent(int row) {
    m_grid->setCurrentIndex(row < 0 ? QModelIndex() : m_grid->model()->index(row, 0));
}

void Table::setChosen(int chosen) {
    for (std::size_t i = 0; i < m_content.rows.size(); ++i)
        m_content.rows[i].chosen = static_cast<int>(i) == chosen;
    m_grid->viewport()->update();
}

void Table::setScrolls() { m_grid->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); }

QPoint Table::below(int row, int column) const {
    const QRect cell = m_grid->visualRect(m_grid->model()->index(row, column));
    return m_grid->viewport()->mapToGlobal(cell.bottomLeft());
}

QSize Table::minimumSizeHint() const {
    const int note = m_note->isHidden() ? 0 : m_note->heightForWidth(std::max(width(), 200));
    const int rows = m_content.rows.empty() ? 0 : m_grid->heightNeeded();
    return {std::max(m_grid->leastWidth(), 120), note + rows};
}

void Table::take(int row, int column) {
    // Whoever is told may show something else.
    const QString line = m_content.rows[static_cast<std::size_t>(row)].line;
    emit cellChosen(row, column);
    if (!line.isEmpty()) emit lineChosen(line);
}

}  // namespace glimmet::app
