#include "app/lamps/volts_table.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/quantity/format.h"

#include <QGridLayout>
#include <QLabel>
#include <QToolButton>

using namespace Qt::StringLiterals;

namespace glimmet::app {

VoltsTable::VoltsTable(QWidget* parent) : QWidget(parent), m_grid(new QGridLayout(this)) {
    setObjectName(u"voltsTable"_s);
    setAccessibleName(tr("The group on other volts"));
    setAutoFillBackground(true);
    m_grid->setContentsMargins(14, 8, 14, 8);
    m_grid->setHorizontalSpacing(12);
    m_grid->setVerticalSpacing(4);
    int column = 0;
    for (const QString& each :
         {tr("supply"), tr("resistor"), tr("takes"), tr("wasted"), tr("differ by")}) {
        auto* head = new QLabel(each);
        head->setFont(wordsFont(13, true));
        m_grid->addWidget(head, 0, column++);
    }
    m_grid->setColumnStretch(column + 1, 1);
}

void VoltsTable::show(const std::vector<core::lamps::OnVolts>& all) {
    for (QWidget* each : m_cells) each->deleteLater();
    m_cells.clear();
    if (all.empty()) return;
    int row = 1;
    for (const core::lamps::OnVolts& each : all) {
        const bool lit = each.total > core::Amperes{0};
        const auto cell = [&](const QString& words, int column) {
            auto* label = new QLabel(words);
            label->setFont(figuresFont(14, each.now));
            m_grid->addWidget(label, row, column);
            m_cells.push_back(label);
        };
        const QString volts = qs(core::formatted(each.volts, 3));
        cell(each.now ? tr("%1, as it is").arg(volts) : volts, 0);
        cell(each.resistor ? qs(core::formatted(*each.resistor)) : tr("too low"), 1);
        if (lit) {
            cell(u"%1, %2"_s.arg(qs(core::formatted(each.total, 3)),
                                 qs(core::formatted(each.taken, 2))),
                 2);
            cell(qs(core::percent(each.wasted)), 3);
            cell(u"%1 × "_s.arg(qs(core::formatted(each.apart, core::Dimension::Ratio, 2))), 4);
        }
        if (lit && !each.now) {
            auto* take = new QToolButton;
            take->setText(tr("use"));
            take->setAccessibleName(tr("Hang the lamps on %1").arg(volts));
            take->setToolTip(tr("All lamps of this model then hang on %1 of DC").arg(volts));
            take->setFocusPolicy(Qt::StrongFocus);
            const QString line =
                u"supply fixed dc "_s + qs(core::formatted(each.volts, 3)).remove(u' ');
            connect(take, &QToolButton::clicked, this, [this, line] { emit jotChosen(line); });
            m_grid->addWidget(take, row, 5);
            m_cells.push_back(take);
        }
        ++row;
    }
    auto* words =
        new QLabel(tr("Each row with its own resistor for its wish. More volts waste more "
                      "in resistors; with few volts left for them LEDs of one batch differ "
                      "more."));
    words->setWordWrap(true);
    words->setMinimumWidth(1);
    m_grid->addWidget(words, row, 0, 1, 7);
    m_cells.push_back(words);
    for (int i = 0; i <= row + 1; ++i) m_grid->setRowStretch(i, i == row + 1 ? 1 : 0);
}

}  // namespace glimmet::app
