// A panel of one or several pages, tables or sheets, with their names in a row above them.
//     auto* panel = new PagesPanel(u"wirePanel"_s, parent);
//     panel->addTable(u"stepsTable"_s, tr("steps"), tr("The work, step by step"), stepsContent);
#pragma once

#include "app/stage_panel.h"
#include "app/table/table.h"
#include "core/finding/sheet.h"

class QHBoxLayout;
class QStackedWidget;
class QTextBrowser;
class QToolButton;

namespace glimmet::app {

class PagesPanel : public StagePanel {
    Q_OBJECT
public:
    using Content = TableContent (*)(const core::JobAnalysis& facts);
    using Written = core::Sheet (*)(const core::JobAnalysis& facts);

    explicit PagesPanel(const QString& name, QWidget* parent = nullptr);
    /// A row's line that ends with a blank is offered to be gone on with, any other is taken.
    Table* addTable(const QString& name, const QString& title, const QString& tip, Content content);
    void addSheet(const QString& name, const QString& title, const QString& tip, Written written);
    void show(const core::JobAnalysis& facts, const std::vector<core::Finding>& findings,
              const std::string& subject) override;
    void turnTo(int page);

private:
    struct Page {
        QToolButton* button = nullptr;
        Table* table = nullptr;
        Content content = nullptr;
        QTextBrowser* sheet = nullptr;
        Written written = nullptr;
    };
    QToolButton* addPage(const QString& name, const QString& title, const QString& tip,
                         QWidget* shown);
    QHBoxLayout* m_names;
    QStackedWidget* m_stack;
    std::vector<Page> m_pages;
};

}  // namespace glimmet::app
