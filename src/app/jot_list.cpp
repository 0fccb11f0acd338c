#include "app/jot_list.h"

#include "app/theme.h"
#include "core/job/jot.h"

#include <QCoreApplication>
#include <QTextBrowser>
#include <QVBoxLayout>

using namespace Qt::StringLiterals;

namespace glimmet::app {

JotList::JotList(QWidget* parent) : QFrame(parent), m_text(new QTextBrowser(this)) {
    setObjectName(u"jotList"_s);
    m_text->setObjectName(u"jotForms"_s);
    m_text->setAccessibleName(tr("What can be typed"));
    m_text->setOpenLinks(false);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(m_text);
    connect(m_text, &QTextBrowser::anchorClicked, this, [this](const QUrl& link) {
        hide();
        emit exampleChosen(link.toString());
    });
}

void JotList::refresh() {
    QString html = u"<p>%1</p><table cellpadding='4'>"_s.arg(
        tr("One line at a time; units as you like: 4k7, 470 mA, .47A, 2,2k. Press an example to "
           "start from it."));
    for (const core::JotForm& form : core::jotForms()) {
        html +=
            u"<tr><td><a style='color:%1; font-family:\"B612 Mono\"' href='%2'>%2</a></td>"
            "<td>%3</td><td style='color:%4'>%5</td></tr>"_s.arg(
                theme().brass.name(), QString::fromUtf8(form.examples.front()).toHtmlEscaped(),
                QCoreApplication::translate("core", form.meaning).toHtmlEscaped(),
                theme().inkSoft.name(), QString::fromStdString(form.pattern).toHtmlEscaped());
    }
    m_text->setHtml(html + u"</table>"_s);
}

}  // namespace glimmet::app
