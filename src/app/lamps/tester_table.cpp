#include "app/lamps/tester_table.h"

#include "app/theme/likely_lines.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QAbstractButton>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QLabel>
#include <QPainter>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr std::size_t mostLines = 24;  // beyond them nobody finds one

QString lookWord(core::TesterLook look) {
    switch (look) {
        case core::TesterLook::Lit:
            return TesterTable::tr("lit");
        case core::TesterLook::Dim:
            return TesterTable::tr("dim");
        case core::TesterLook::Dark:
            return TesterTable::tr("dark");
        case core::TesterLook::Reversed:
            return TesterTable::tr("lit the other way round");
    }
    return {};
}

/// A lamp as it should look, its current, and what was seen where that is on record.
class TesterCell : public QAbstractButton {
public:
    explicit TesterCell(const core::lamps::TesterLine::Cell& cell) : m_cell(cell) {
        setMinimumSize(88, 40);
        setCursor(Qt::PointingHandCursor);
        setFocusPolicy(Qt::StrongFocus);
    }

protected:
    void paintEvent(QPaintEvent*) override {
        const Theme& look = theme();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        paintRowGround(painter, *this);
        // Filled by how it should look: full, half, none.
        const QRectF lamp(8, 8, 11, 11);
        painter.setPen(QPen(look.inkSoft, 1.4));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(lamp);
        if (m_cell.look != core::TesterLook::Dark) {
            painter.setBrush(look.brass);
            painter.setPen(Qt::NoPen);
            const bool full = m_cell.look == core::TesterLook::Lit;
            painter.drawPie(lamp.adjusted(1, 1, -1, -1), 0, (full ? 360 : -180) * 16);
        }
        painter.setPen(look.ink);
        painter.setFont(wordsFont(13));
        painter.drawText(QRectF(25, 3, width() - 26, 19), Qt::AlignVCenter | Qt::AlignLeft,
                         lookWord(m_cell.look));
        const QRectF below(25, 20, width() - 26, 18);
        if (m_cell.seen) {
            paintMark(painter, QRectF(1, 24, 21, 10), m_cell.state);
            painter.setPen(look.of(m_cell.state));
            painter.drawText(below, Qt::AlignVCenter | Qt::AlignLeft,
                             *m_cell.seen == core::TesterLook::Reversed
                                 ? TesterTable::tr("reversed")
                                 : TesterTable::tr("seen %1").arg(lookWord(*m_cell.seen)));
        } else if (m_cell.look != core::TesterLook::Dark) {
            painter.setPen(look.inkSoft);
            painter.drawText(below, Qt::AlignVCenter | Qt::AlignLeft,
                             qs(core::formatted(m_cell.current, 2)));
        }
    }

private:
    core::lamps::TesterLine::Cell m_cell;
};

}  // namespace

TesterTable::TesterTable(QWidget* parent)
    : QWidget(parent),
      m_volts(new QDoubleSpinBox),
      m_words(new QLabel),
      m_grid(new QGridLayout(this)) {
    setObjectName(u"testerTable"_s);
    setAccessibleName(tr("Testers"));
    setAutoFillBackground(true);
    m_grid->setContentsMargins(14, 8, 14, 8);
    m_grid->setHorizontalSpacing(2);
    m_grid->setVerticalSpacing(3);
    m_words->setWordWrap(true);
    m_grid->addWidget(m_words, 0, 0, 1, 6);
    int column = 1;
    for (const QString& each : {tr("9 V tester"), tr("3 V cell"), tr("diode test")}) {
        m_grid->addWidget(new QLabel(each), 1, column++, Qt::AlignLeft | Qt::AlignBottom);
    }
    m_volts->setRange(0.5, 30);
    m_volts->setDecimals(1);
    m_volts->setSingleStep(0.5);
    m_volts->setValue(core::lamps::usualSupply.value());
    m_volts->setSuffix(tr(" V"));
    m_volts->setToolTip(tr("A supply that is set to so many volts and lets 20 mA through"));
    m_volts->setAccessibleName(tr("Volts that the supply is set to"));
    m_grid->addWidget(m_volts, 1, column, Qt::AlignLeft | Qt::AlignBottom);
    m_grid->setColumnStretch(column + 1, 1);
    connect(m_volts, &QDoubleSpinBox::valueChanged, this, [this] {
        m_worked = false;
        work();
    });
}

void TesterTable::show(const core::LampGroup* group) {
    if (m_worked && group && m_group == *group) return;
    m_group = group ? std::optional(*group) : std::nullopt;
    m_worked = false;
    if (isVisible()) work();
}

void TesterTable::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    work();
}

void TesterTable::add(const core::lamps::TesterLine& line,
                      const core::lamps::TesterLine::Cell& cell, int row, int column) {
    auto* button = new TesterCell(cell);
    const QString what = tr("%1 at %2").arg(qs(line.row), said(core::lamps::called(cell.with)));
    button->setAccessibleName(
        cell.seen
            ? tr("%1: should be %2, seen: %3").arg(what, lookWord(cell.look), lookWord(*cell.seen))
            : tr("%1: should be %2").arg(what, lookWord(cell.look)));
    const QString round = tr("The other way round: %1.").arg(lookWord(cell.backwards));
    button->setToolTip(
        tr("%1. %2 Press it to enter what you see.").arg(button->accessibleName(), round));
    connect(button, &QAbstractButton::clicked, this, [this, button, line, cell, what] {
        std::vector<LikelyLine> lines;
        for (const auto& [look, word] : core::wordsOf(core::TesterLook())) {
            lines.push_back({tr("I see: %1").arg(lookWord(look)),
                             qs(core::lamps::testerJot(line.row, word, cell.with))});
        }
        offerLikely(this, button->mapToGlobal(button->rect().bottomLeft()), what, lines,
                    [this](const QString& chosen) { emit jotChosen(chosen); });
    });
    m_grid->addWidget(button, row, column);
    m_cells.push_back(button);
}

void TesterTable::work() {
    if (m_worked) return;
    m_worked = true;
    for (QWidget* each : m_cells) each->deleteLater();
    m_cells.clear();
    auto lines = m_group ? core::lamps::testerLines(*m_group, core::Volts{m_volts->value()})
                         : std::vector<core::lamps::TesterLine>();
    const bool many = lines.size() > mostLines;
    if (many) lines.resize(mostLines);
    m_words->setText(!m_group             ? tr("No lamp is chosen.")
                     : m_group->isBulbs() ? tr("Testers light no bulb: read its ohms.")
                     : many ? tr("What should be seen, of the first %1.").arg(mostLines)
                            : tr("What should be seen with the tester held to it. A cell for a "
                                 "moment only: nothing limits it but its own ohms."));
    int row = 2;
    for (const auto& line : lines) {
        auto* name = new QLabel(line.resistor ? tr("with its resistor")
                                : line.others ? tr("with all others")
                                              : qs(line.row));
        name->setFixedWidth(112);
        name->setWordWrap(true);
        name->setToolTip(line.resistor ? tr("Held to the row with its resistor")
                         : line.others ? tr("Held to the two wires of the group: all of it at once")
                                       : tr("Held to the lamps alone"));
        m_grid->addWidget(name, row, 0);
        m_cells.push_back(name);
        int column = 1;
        for (const auto& cell : line.cells) add(line, cell, row, column++);
        ++row;
    }
    m_grid->setRowStretch(row, 1);
}

}  // namespace glimmet::app
