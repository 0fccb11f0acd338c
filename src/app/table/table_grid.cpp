#include "app/table/table_grid.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QPainter>
#include <QScrollBar>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int markBefore = 44;  // a row's mark, then its words
constexpr int edge = 8;         // of a cell, left of its words
constexpr int above = 6;

QFont fontOf(const TableCell& cell) {
    const bool strong = cell.strong || cell.state != core::State::Fine;
    return cell.figures ? figuresFont(13, strong) : wordsFont(14, strong);
}

}  // namespace

// --- model -----------------------------------------------------------------------------------

int TableModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(m_content.rows.size());
}

int TableModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(m_content.columns.size());
}

QVariant TableModel::data(const QModelIndex& index, int role) const {
    const TableCell& shown = cell(index);
    switch (role) {
        case Qt::DisplayRole:
            return shown.words;
        case Qt::ToolTipRole:
            return shown.tip;
        case Qt::AccessibleTextRole: {
            QStringList all{column(index.column()).title, shown.words, shown.below};
            if (index.column() == 0 && row(index.row()).mark)
                all << stateWord(*row(index.row()).mark);
            all.removeAll(QString());
            return all.join(u", "_s);
        }
        default:
            return {};
    }
}

QVariant TableModel::headerData(int section, Qt::Orientation orientation, int role) const {
    const bool title = orientation == Qt::Horizontal && role == Qt::DisplayRole;
    return title ? QVariant(column(section).title) : QVariant();
}

// --- delegate --------------------------------------------------------------------------------

int TableDelegate::before(const QModelIndex& index) const {
    const TableCell& cell = m_model.cell(index);
    const bool marked = index.column() == 0 && m_model.row(index.row()).mark && !cell.sketch;
    return (marked ? markBefore : edge) + cell.indent;
}

QSize TableDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const {
    const TableCell& cell = m_model.cell(index);
    const QRect within(0, 0, m_view->columnWidth(index.column()) - before(index) - 4, 1000);
    const int wrap = m_model.column(index.column()).wraps ? Qt::TextWordWrap : 0;
    const auto high = [&](const QFont& font, const QString& words) {
        return words.isEmpty() ? 0 : QFontMetrics(font).boundingRect(within, wrap, words).height();
    };
    const int words = high(fontOf(cell), cell.words) + high(wordsFont(13), cell.below);
    return {within.width(), std::max(words + 2 * above, 36)};
}

void TableDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option,
                          const QModelIndex& index) const {
    const Theme& look = theme();
    const TableRow& row = m_model.row(index.row());
    const TableCell& cell = m_model.cell(index);
    const QRectF box = option.rect;
    painter->save();
    painter->setRenderHint(QPainter::Antialiasing);
    if (row.chosen) painter->fillRect(box, look.paperRaised);
    if (row.chosen && index.column() == 0)
        painter->fillRect(QRectF(box.left(), box.top(), 4, box.height()), look.brass);
    painter->setPen(QPen(look.paperEdge, 1));
    painter->drawLine(box.topLeft(), box.topRight());
    if (index.column() == 0 && row.mark) {
        const double down = cell.sketch ? box.bottom() - 15 : box.center().y() - 6;
        paintMark(*painter, QRectF(box.left() + 12, down, 24, 11), *row.mark);
    }
    if (cell.sketch) cell.sketch(*painter, box);
    const QRectF words = box.adjusted(before(index), 0, -4, 0);
    const bool wraps = m_model.column(index.column()).wraps;
    const auto draw = [&](const QFont& font, const QColor& colour, const QString& said, double top,
                          double high) {
        painter->setFont(font);
        painter->setPen(colour);
        const QRectF where(words.left(), top, words.width(), high);
        if (wraps) {
            painter->drawText(where, Qt::AlignLeft | Qt::TextWordWrap, said);
        } else {
            painter->drawText(where, Qt::AlignLeft | Qt::AlignVCenter,
                              QFontMetricsF(font).elidedText(said, Qt::ElideRight, words.width()));
        }
    };
    const auto heightOf = [&](const QFont& font, const QString& said) {
        if (said.isEmpty()) return 0.0;
        const QRectF within(0, 0, words.width(), 1000);
        return QFontMetricsF(font)
            .boundingRect(within, wraps ? Qt::TextWordWrap : 0, said)
            .height();
    };
    const QFont font = fontOf(cell), soft = wordsFont(13);
    const double first = heightOf(font, cell.words), second = heightOf(soft, cell.below);
    const double top = box.center().y() - (first + second) / 2;
    const bool fine = cell.state == core::State::Fine;
    draw(font, fine ? look.ink : look.of(cell.state), cell.words, top, first);
    draw(soft, look.inkSoft, cell.below, top + first, second);
    // Not by its colour alone: over has a firm line below it, close a broken one.
    if (!fine && !wraps) {
        painter->setPen(QPen(look.of(cell.state), 2,
                             cell.state == core::State::Over ? Qt::SolidLine : Qt::DashLine));
        const double wide =
            std::min(words.width(), QFontMetricsF(font).horizontalAdvance(cell.words));
        painter->drawLine(QPointF(words.left(), top + first + 1),
                          QPointF(words.left() + wide, top + first + 1));
    }
    if (m_view->hasFocus() && m_view->currentIndex().row() == index.row()) {
        painter->setPen(QPen(look.brass, 1.6, Qt::DotLine));
        painter->drawLine(box.topLeft() + QPointF(0, 2), box.topRight() + QPointF(0, 2));
        painter->drawLine(box.bottomLeft() - QPointF(0, 1), box.bottomRight() - QPointF(0, 1));
    }
    painter->restore();
}

// --- view ------------------------------------------------------------------------------------

TableGrid::TableGrid(Table* table, const TableContent& content)
    : QTableView(table), m_table(table), m_content(content), m_model(content, this) {
    setModel(&m_model);
    setItemDelegate(new TableDelegate(m_model, this));
    setFrameShape(QFrame::NoFrame);
    setShowGrid(false);
    setSelectionMode(QAbstractItemView::NoSelection);
    setEditTriggers(QAbstractItemView::NoEditTriggers);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setTabKeyNavigation(false);
    verticalHeader()->hide();
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setMinimumSectionSize(1);
    horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    horizontalHeader()->setHighlightSections(false);
    horizontalHeader()->setSectionsClickable(false);
    connect(this, &QTableView::clicked, this,
            [this](const QModelIndex& index) { m_table->take(index.row(), index.column()); });
}

void TableGrid::renewed() {
    const int row = currentIndex().row();
    m_model.renewed();
    const int last = m_model.rowCount() - 1;
    if (row >= 0 && last >= 0) setCurrentIndex(m_model.index(std::min(row, last), 0));
    const bool titled = std::any_of(m_content.columns.begin(), m_content.columns.end(),
                                    [](const TableColumn& each) { return !each.title.isEmpty(); });
    horizontalHeader()->setVisible(titled);
    horizontalHeader()->setFont(wordsFont(13));
    const bool pressed = std::any_of(m_content.rows.begin(), m_content.rows.end(),
                                     [](const TableRow& each) { return !each.line.isEmpty(); });
    viewport()->setCursor(pressed ? Qt::PointingHandCursor : Qt::ArrowCursor);
    fit();
}

int TableGrid::leastWidth() const {
    int all = 0;
    for (const TableColumn& each : m_content.columns) all += each.aside ? 0 : each.least;
    return all;
}

bool TableGrid::roomy() const {
    int all = 0;
    for (const TableColumn& each : m_content.columns)
        all += each.least + (each.share > 0 ? 150 : 0);
    return viewport()->width() >= all;
}

void TableGrid::fit() {
    const bool all = roomy();
    double shares = 0;
    int left = viewport()->width();
    for (const TableColumn& each : m_content.columns) {
        if (each.aside && !all) continue;
        shares += each.share;
        left -= each.least;
    }
    left = std::max(0, left);
    for (std::size_t i = 0; i < m_content.columns.size(); ++i) {
        const TableColumn& each = m_content.columns[i];
        const double more = shares > 0 ? left * each.share / shares : 0;
        setColumnHidden(static_cast<int>(i), each.aside && !all);
        setColumnWidth(static_cast<int>(i), each.least + static_cast<int>(more));
    }
    resizeRowsToContents();
}

int TableGrid::heightNeeded() const {
    int all = horizontalHeader()->isVisible() ? horizontalHeader()->sizeHint().height() : 0;
    const bool scrolls = verticalScrollBarPolicy() != Qt::ScrollBarAlwaysOff;
    const int rows = scrolls ? std::min(m_model.rowCount(), 2) : m_model.rowCount();
    for (int row = 0; row < rows; ++row) all += rowHeight(row);
    return all + 2;
}

void TableGrid::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    if (event->size().width() == event->oldSize().width()) return;
    fit();
    m_table->updateGeometry();
}

void TableGrid::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
        case Qt::Key_Return:
        case Qt::Key_Enter:
            if (currentIndex().isValid())
                m_table->take(currentIndex().row(), currentIndex().column());
            return;
        case Qt::Key_Escape:
            if (currentIndex().isValid()) {
                emit m_table->escaped();
                return;
            }
            break;
        default:
            break;
    }
    const int before = currentIndex().row();
    QTableView::keyPressEvent(event);
    if (currentIndex().row() != before) emit m_table->moved(currentIndex().row());
}

void TableGrid::currentChanged(const QModelIndex& current, const QModelIndex& previous) {
    QTableView::currentChanged(current, previous);
    viewport()->update();
}

}  // namespace glimmet::app
