#include "app/stay_alive/consequence_table.h"

#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/finding/figure.h"

#include <QGridLayout>
#include <QLabel>

using namespace Qt::StringLiterals;

namespace glimmet::app {

ConsequenceTable::ConsequenceTable(QWidget* parent)
    : QWidget(parent), m_grid(new QGridLayout(this)) {
    setObjectName(u"consequences"_s);
    setAccessibleName(tr("What follows of the bank"));
    setAutoFillBackground(true);
    m_grid->setContentsMargins(14, 8, 14, 8);
    m_grid->setHorizontalSpacing(12);
    m_grid->setVerticalSpacing(6);
    m_grid->setColumnStretch(2, 1);
}

void ConsequenceTable::show(const std::vector<core::stay_alive::Consequence>& all) {
    for (QWidget* each : m_cells) each->deleteLater();
    m_cells.clear();
    const auto label = [this](const QString& words, bool strong = false) {
        auto* made = new QLabel(words);
        made->setWordWrap(true);
        made->setTextInteractionFlags(Qt::TextSelectableByMouse);
        if (strong) made->setFont(wordsFont(14, true));
        m_cells.push_back(made);
        return made;
    };
    int row = 0;
    if (all.empty()) {
        m_grid->addWidget(label(tr("No bank that holds: nothing follows of it.")), row++, 0, 1, 4);
    }
    for (const core::stay_alive::Consequence& each : all) {
        auto* mark = new StateMark(each.state);
        m_cells.push_back(mark);
        m_grid->addWidget(mark, row, 0, Qt::AlignTop);
        auto* when = label(said(each.when), true);
        when->setFixedWidth(170);
        m_grid->addWidget(when, row, 1, Qt::AlignTop);
        auto* comes = label(said(each.comes));
        m_grid->addWidget(comes, row, 2, Qt::AlignTop);
        auto* value = label(qs(core::shown(each.figure)), true);
        value->setFont(figuresFont(14, true));
        value->setToolTip(said(each.figure.name));
        value->setAlignment(Qt::AlignRight);
        value->setFixedWidth(84);
        m_grid->addWidget(value, row, 3, Qt::AlignTop);
        ++row;
    }
    for (int i = 0; i < m_grid->rowCount(); ++i) m_grid->setRowStretch(i, i == row ? 1 : 0);
}

}  // namespace glimmet::app
