#include "app/stay_alive/bank_table.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>
#include <array>
#include <numeric>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr int headHigh = 48, rowHigh = 40;
constexpr double nameWide = 176, leastColumn = 50;
/// Widths of the columns, as shares of an even one: "150 mA" takes more than "39 s".
constexpr std::array<double, 10> shares{1.1, 0.95, 1.08, 0.93, 1.05, 0.97, 1.08, 0.97, 0.97, 0.9};

QString bankKindWord(core::BankKind kind) {
    switch (kind) {
        case core::BankKind::Electrolytic:
            return BankTable::tr("electrolytic");
        case core::BankKind::Tantalum:
            return BankTable::tr("tantalum");
        case core::BankKind::Supercapacitor:
            return BankTable::tr("supercapacitors");
        case core::BankKind::Module:
            break;
    }
    return BankTable::tr("plug-in reserve");
}

}  // namespace

BankTable::BankTable(QWidget* parent) : QWidget(parent) {
    setObjectName(u"bankTable"_s);
    setAccessibleName(tr("Banks of the catalogue, the best first"));
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
}

void BankTable::show(const core::JobAnalysis& facts) {
    m_rows.clear();
    m_asked = Asked{facts.job, facts.house, &facts.catalogue};
    if (isVisible()) work();
    updateGeometry();
    update();
}

void BankTable::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    work();
}

void BankTable::work() {
    if (!m_asked) return;
    const Asked asked = std::move(*m_asked);
    m_asked.reset();
    m_rows = core::stay_alive::bankRows(core::analysed(asked.job, asked.house, *asked.catalogue));
    m_focused = std::clamp(m_focused, 0, std::max(0, static_cast<int>(m_rows.size()) - 1));
    QStringList all;
    for (const auto& row : m_rows) {
        QStringList cells{qs(row.bank.bank.part.name), stateWord(row.bank.worst)};
        for (const auto& cell : row.cells) {
            cells << tr("%1 %2").arg(said(core::stay_alive::heading(cell.aspect)),
                                     said(cell.words));
        }
        all << cells.join(u", "_s);
    }
    setAccessibleDescription(all.join(u". "_s));
    updateGeometry();
}

QSize BankTable::minimumSizeHint() const {
    return {static_cast<int>(nameWide + static_cast<double>(shares.size()) * leastColumn) + 20,
            headHigh + static_cast<int>(m_rows.size()) * rowHigh + 8};
}

double BankTable::columnFrom(std::size_t column) const {
    const double even = (width() - nameWide - 20) / static_cast<double>(shares.size());
    const auto upTo = shares.begin() + static_cast<std::ptrdiff_t>(std::min(column, shares.size()));
    return nameWide + even * std::accumulate(shares.begin(), upTo, 0.0);
}

int BankTable::rowAt(const QPointF& at) const {
    const int row = (static_cast<int>(at.y()) - headHigh) / rowHigh;
    return at.y() >= headHigh && row < static_cast<int>(m_rows.size()) ? row : -1;
}

void BankTable::take(int row) {
    if (row < 0 || row >= static_cast<int>(m_rows.size())) return;
    m_focused = row;
    update();
    const auto& bank = m_rows[static_cast<std::size_t>(row)].bank;
    if (!bank.inPlace) emit jotChosen(qs(bank.jot));
}

void BankTable::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) take(rowAt(event->position()));
}

void BankTable::keyPressEvent(QKeyEvent* event) {
    const int last = static_cast<int>(m_rows.size()) - 1;
    switch (event->key()) {
        case Qt::Key_Down:
            m_focused = std::min(m_focused + 1, std::max(0, last));
            break;
        case Qt::Key_Up:
            m_focused = std::max(m_focused - 1, 0);
            break;
        case Qt::Key_Return:
        case Qt::Key_Enter:
            take(m_focused);
            return;
        default:
            QWidget::keyPressEvent(event);
            return;
    }
    update();
}

bool BankTable::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const int row = rowAt(help->pos());
        QString tip;
        if (row >= 0) {
            const auto& shown = m_rows[static_cast<std::size_t>(row)];
            const double at = help->pos().x();
            std::size_t column = 0;
            while (column < shown.cells.size() && at >= columnFrom(column + 1)) ++column;
            tip = at < nameWide || column >= shown.cells.size()
                      ? tr("%1. Press it to fit it.").arg(qs(shown.bank.bank.part.name))
                      : said(shown.cells[column].means);
        }
        QToolTip::showText(help->globalPos(), tip, this);
        return true;
    }
    return QWidget::event(event);
}

void BankTable::paintEvent(QPaintEvent*) {
    const Theme& look = theme();
    QPainter painter(this);
    painter.fillRect(rect(), look.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (m_rows.empty()) {
        painter.setFont(wordsFont(15));
        painter.setPen(look.ink);
        painter.drawText(rect().adjusted(24, 20, -24, -20), Qt::AlignCenter | Qt::TextWordWrap,
                         tr("No bank can be worked out on these volts."));
        return;
    }
    const auto column = [&](std::size_t c, double top, double high) {
        return QRectF(columnFrom(c), top, columnFrom(c + 1) - columnFrom(c) - 6, high);
    };
    const auto elided = [&](const QString& words, double room) {
        return QFontMetricsF(painter.font()).elidedText(words, Qt::ElideRight, room);
    };
    painter.setFont(wordsFont(13));
    painter.setPen(look.inkSoft);
    if (const auto second = core::stay_alive::faradsForASecond(m_rows)) {
        painter.drawText(QRectF(12, 4, width() - 24, 18), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("Press one to fit it. Every second that it is to hold takes %1.")
                             .arg(qs(core::formatted(*second, 2))));
    }
    for (std::size_t c = 0; c < m_rows.front().cells.size(); ++c) {
        const QRectF box = column(c, 24, 20);
        painter.drawText(
            box, Qt::AlignLeft | Qt::AlignVCenter,
            elided(said(core::stay_alive::heading(m_rows.front().cells[c].aspect)), box.width()));
    }
    for (std::size_t i = 0; i < m_rows.size(); ++i) {
        const core::stay_alive::BankRow& row = m_rows[i];
        const double top = headHigh + static_cast<double>(i) * rowHigh;
        if (row.bank.inPlace) {
            painter.fillRect(QRectF(6, top + 1, width() - 12, rowHigh - 2), look.paperEdge);
            painter.fillRect(QRectF(6, top + 1, 4, rowHigh - 2), look.brass);
        }
        painter.setPen(QPen(look.paperEdge, 1));
        painter.drawLine(QPointF(10, top), QPointF(width() - 10, top));
        if (hasFocus() && static_cast<int>(i) == m_focused) {
            painter.setPen(QPen(look.brass, 1.6, Qt::DotLine));
            painter.setBrush(Qt::NoBrush);
            painter.drawRect(QRectF(8, top + 2, width() - 16, rowHigh - 4));
        }
        paintMark(painter, QRectF(14, top + 14, 24, 11), row.bank.worst);
        // Its values, and below them what it is; its whole name stands beside the pointer.
        const core::BankPart& part = row.bank.bank.part;
        const QRectF values(44, top + 3, nameWide - 48, 18);
        painter.setFont(wordsFont(14, true));
        painter.setPen(look.ink);
        painter.drawText(values, Qt::AlignLeft | Qt::AlignVCenter,
                         u"%1 · %2"_s.arg(qs(core::formatted(part.capacitance, 3)),
                                          qs(core::formatted(part.rated, 3))));
        painter.setFont(wordsFont(13));
        painter.setPen(look.inkSoft);
        painter.drawText(values.translated(0, 17), Qt::AlignLeft | Qt::AlignVCenter,
                         bankKindWord(part.kind));
        for (std::size_t c = 0; c < row.cells.size(); ++c) {
            const core::stay_alive::BankCell& cell = row.cells[c];
            const QRectF box = column(c, top + 2, rowHigh - 4);
            painter.setFont(figuresFont(13, cell.state != core::State::Fine));
            painter.setPen(cell.state == core::State::Fine ? look.ink : look.of(cell.state));
            const QString words = elided(said(cell.words), box.width());
            painter.drawText(box, Qt::AlignLeft | Qt::AlignVCenter, words);
            // Not by its colour alone: over has a firm line below it, close a broken one.
            if (cell.state == core::State::Fine) continue;
            const double below = box.center().y() + 11;
            painter.setPen(QPen(look.of(cell.state), 2,
                                cell.state == core::State::Over ? Qt::SolidLine : Qt::DashLine));
            painter.drawLine(
                QPointF(box.left(), below),
                QPointF(box.left() + QFontMetricsF(painter.font()).horizontalAdvance(words),
                        below));
        }
    }
}

}  // namespace glimmet::app
