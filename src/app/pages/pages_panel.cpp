#include "app/pages/pages_panel.h"

#include "sheets/sheet.h"

#include <QHBoxLayout>
#include <QStackedWidget>
#include <QTextBrowser>
#include <QToolButton>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {

PagesPanel::PagesPanel(const QString& name, QWidget* parent)
    : StagePanel(parent), m_names(new QHBoxLayout), m_stack(new QStackedWidget(this)) {
    setObjectName(name);
    m_names->setContentsMargins(10, 4, 10, 0);
    m_names->setSpacing(4);
    m_names->addStretch(1);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(2);
    all->addLayout(m_names);
    all->addWidget(m_stack, 1);
}

QToolButton* PagesPanel::addPage(const QString& name, const QString& title, const QString& tip,
                                 QWidget* shown) {
    const int page = m_stack->addWidget(shown);
    auto* button = new QToolButton(this);
    button->setObjectName(name + u"Page"_s);
    button->setText(title);
    button->setToolTip(tip);
    button->setAccessibleName(tip);
    button->setCheckable(true);
    button->setFocusPolicy(Qt::StrongFocus);
    button->setMinimumWidth(30);
    connect(button, &QToolButton::clicked, this, [this, page] { turnTo(page); });
    m_names->insertWidget(page, button);
    return button;
}

Table* PagesPanel::addTable(const QString& name, const QString& title, const QString& tip,
                            Content content) {
    auto* table = new Table(this);
    table->setObjectName(name);
    table->setAccessibleName(tip);
    table->setScrolls();
    connect(table, &Table::lineChosen, this, [this](const QString& line) {
        if (line.endsWith(u' '))
            emit jotOffered(line);
        else
            emit jotChosen(line);
    });
    QToolButton* button = addPage(name, title, tip, table);
    m_pages.push_back({button, table, content});
    turnTo(0);
    return table;
}

void PagesPanel::addSheet(const QString& name, const QString& title, const QString& tip,
                          Written written) {
    auto* sheet = new QTextBrowser(this);
    sheet->setObjectName(name);
    sheet->setAccessibleName(tip);
    sheet->setFrameShape(QFrame::NoFrame);
    sheet->setStyleSheet(u"background: white; color: black;"_s);  // paper, in both themes
    QToolButton* button = addPage(name, title, tip, sheet);
    m_pages.push_back({button, nullptr, nullptr, sheet, written});
    turnTo(0);
}

void PagesPanel::turnTo(int page) {
    m_stack->setCurrentIndex(page);
    for (std::size_t i = 0; i < m_pages.size(); ++i) {
        m_pages[i].button->setChecked(static_cast<int>(i) == page);
        m_pages[i].button->setVisible(m_pages.size() > 1);
    }
}

void PagesPanel::show(const core::JobAnalysis& facts, const std::vector<core::Finding>&,
                      const std::string&) {
    for (const Page& page : m_pages) {
        if (page.table) page.table->show(page.content(facts));
        if (page.sheet) page.sheet->setHtml(sheets::html(page.written(facts)));
    }
}

}  // namespace glimmet::app
