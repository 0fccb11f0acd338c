#include "app/lamps/tester_table.h"

#include "app/table/table.h"
#include "app/theme/likely_lines.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

constexpr std::size_t mostLines = 24;  // beyond them nobody finds one
constexpr int lampWidth = 17;

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

using Held = core::lamps::TesterLine::Cell;

/// Filled by how it should look: full, half, none. What was seen has its mark below.
Sketch lampOf(const Held& held) {
    return [held](QPainter& painter, const QRectF& cell) {
        const Theme& look = theme();
        const double down = held.look == core::TesterLook::Dark && !held.seen ? 0 : 9;
        const QRectF lamp(cell.left() + 6, cell.center().y() - down - 5.5, 11, 11);
        painter.setPen(QPen(look.inkSoft, 1.4));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(lamp);
        if (held.look != core::TesterLook::Dark) {
            painter.setBrush(look.brass);
            painter.setPen(Qt::NoPen);
            const bool full = held.look == core::TesterLook::Lit;
            painter.drawPie(lamp.adjusted(1, 1, -1, -1), 0, (full ? 360 : -180) * 16);
        }
        if (held.seen)
            paintMark(painter, QRectF(cell.left() + 1, cell.center().y() + 4, 21, 10), held.state);
    };
}

QString seenWords(core::TesterLook seen) {
    return seen == core::TesterLook::Reversed ? TesterTable::tr("reversed")
                                              : TesterTable::tr("seen %1").arg(lookWord(seen));
}

QString placeOf(const core::lamps::TesterLine& line, const Held& held) {
    return TesterTable::tr("%1 at %2").arg(qs(line.row), said(core::lamps::called(held.with)));
}

TableCell cellOf(const core::lamps::TesterLine& line, const Held& held) {
    const QString place = placeOf(line, held), should = lookWord(held.look);
    const QString tip =
        held.seen ? TesterTable::tr(
                        "%1: should be %2, seen: %3. The other way round: %4. Press it "
                        "to enter what you see.")
                        .arg(place, should, lookWord(*held.seen), lookWord(held.backwards))
                  : TesterTable::tr(
                        "%1: should be %2. The other way round: %3. Press it to enter "
                        "what you see.")
                        .arg(place, should, lookWord(held.backwards));
    TableCell cell{.words = should, .figures = false, .indent = lampWidth, .tip = tip};
    cell.sketch = lampOf(held);
    if (held.seen)
        cell.below = seenWords(*held.seen);
    else if (held.look != core::TesterLook::Dark)
        cell.below = qs(core::formatted(held.current, 2));
    return cell;
}

TableCell nameOf(const core::lamps::TesterLine& line) {
    if (line.resistor) {
        return {.words = TesterTable::tr("with its resistor"),
                .figures = false,
                .tip = TesterTable::tr("Held to the row with its resistor")};
    }
    if (line.others) {
        return {.words = TesterTable::tr("with all others"),
                .figures = false,
                .tip = TesterTable::tr("Held to the two wires of the group: all of it at once")};
    }
    return {
        .words = qs(line.row), .figures = false, .tip = TesterTable::tr("Held to the lamps alone")};
}

}  // namespace

TesterTable::TesterTable(QWidget* parent)
    : QWidget(parent), m_volts(new QDoubleSpinBox), m_table(new Table) {
    setObjectName(u"testerTable"_s);
    setAutoFillBackground(true);
    m_table->setAccessibleName(tr("Testers"));
    m_volts->setRange(0.5, 30);
    m_volts->setDecimals(1);
    m_volts->setSingleStep(0.5);
    m_volts->setValue(core::lamps::usualSupply.value());
    m_volts->setSuffix(tr(" V"));
    m_volts->setToolTip(tr("A supply that is set to this voltage and limited to 20 mA"));
    m_volts->setAccessibleName(tr("Voltage that the supply is set to"));
    auto* supply = new QHBoxLayout;
    supply->setContentsMargins(12, 6, 12, 0);
    supply->addWidget(new QLabel(tr("Bench supply, limited to 20 mA, set to")));
    supply->addWidget(m_volts);
    supply->addStretch(1);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addLayout(supply);
    all->addWidget(m_table, 1);
    connect(m_volts, &QDoubleSpinBox::valueChanged, this, &TesterTable::renew);
    connect(m_table, &Table::cellChosen, this, &TesterTable::offer);
}

void TesterTable::show(const core::LampGroup* group) {
    if (m_shown && group && m_group == *group) return;
    m_group = group ? std::optional(*group) : std::nullopt;
    m_shown = true;
    renew();
}

void TesterTable::renew() {
    m_table->showWhenSeen([this] { return worked(); });
}

void TesterTable::offer(int row, int column) {
    if (column == 0) return;
    const auto& line = m_lines[static_cast<std::size_t>(row)];
    const auto& held = line.cells[static_cast<std::size_t>(column) - 1];
    std::vector<LikelyLine> lines;
    for (const auto& [look, word] : core::wordsOf(core::TesterLook())) {
        lines.push_back({tr("I see: %1").arg(lookWord(look)),
                         qs(core::lamps::testerJot(line.row, word, held.with))});
    }
    offerLikely(this, m_table->below(row, column), placeOf(line, held), lines,
                [this](const QString& chosen) { emit jotChosen(chosen); });
}

TableContent TesterTable::worked() {
    m_lines = m_group ? core::lamps::testerLines(*m_group, core::Volts{m_volts->value()})
                      : std::vector<core::lamps::TesterLine>();
    const bool many = m_lines.size() > mostLines;
    if (many) m_lines.resize(mostLines);
    TableContent made;
    made.empty = m_group ? tr("Testers light no bulb: read its ohms.") : tr("No lamp is chosen.");
    made.note = many ? tr("What should be seen, of the first %1.").arg(mostLines)
                     : tr("What should be seen with the tester held to it. Hold a cell to it only "
                          "for a moment: nothing limits it but its own ohms.");
    made.columns = {{.least = 110, .share = 1, .wraps = true}};
    for (const QString& each : {tr("9 V tester"), tr("3 V cell"), tr("diode test"), tr("supply")})
        made.columns.push_back({.title = each, .least = 88, .share = 1});
    for (const auto& line : m_lines) {
        TableRow row{.cells = {nameOf(line)}};
        for (const auto& held : line.cells) row.cells.push_back(cellOf(line, held));
        made.rows.push_back(std::move(row));
    }
    return made;
}

}  // namespace glimmet::app
