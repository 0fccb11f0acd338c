#include "app/frame/jot_list.h"

#include "app/theme/theme.h"
#include "core/work/jot.h"

#include <QApplication>
#include <QCoreApplication>
#include <QKeyEvent>
#include <QLineEdit>
#include <QTextBrowser>
#include <QVBoxLayout>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

JotList::JotList(QWidget* parent)
    : QFrame(parent), m_filter(new QLineEdit(this)), m_text(new QTextBrowser(this)) {
    setObjectName(u"jotList"_s);
    m_filter->setObjectName(u"jotFilter"_s);
    m_filter->setAccessibleName(tr("Narrow the list of what can be typed"));
    m_filter->setPlaceholderText(tr("Narrow it: lamp, volts, resistor …"));
    m_filter->installEventFilter(this);
    m_text->setObjectName(u"jotForms"_s);
    m_text->setAccessibleName(tr("What can be typed"));
    m_text->setOpenLinks(false);
    m_text->installEventFilter(this);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(m_filter);
    column->addWidget(m_text);
    connect(m_filter, &QLineEdit::textChanged, this, &JotList::write);
    connect(m_text, &QTextBrowser::anchorClicked, this, [this](const QUrl& link) {
        hide();
        emit exampleChosen(link.toString());
    });
}

void JotList::refresh(std::vector<core::JotForm> forms, std::string_view stage) {
    m_forms = std::move(forms);
    std::stable_partition(m_forms.begin(), m_forms.end(), [&](const core::JotForm& form) {
        return !stage.empty() && form.stage == stage;
    });
    m_filter->clear();
    write();
    m_filter->setFocus(Qt::PopupFocusReason);
}

void JotList::write() {
    const QString wanted = m_filter->text().trimmed();
    QString rows;
    for (const core::JotForm& form : m_forms) {
        const QString meaning = QCoreApplication::translate("core", form.meaning);
        const QString pattern = QString::fromStdString(form.pattern);
        QStringList examples;
        for (const char* example : form.examples) examples.append(QString::fromUtf8(example));
        const QString all = meaning + u' ' + pattern + u' ' + examples.join(u' ');
        if (!all.contains(wanted, Qt::CaseInsensitive)) continue;
        const QString example = examples.first().toHtmlEscaped();
        rows +=
            u"<tr><td><a style='color:%1' href='%2'>%2</a></td>"
            "<td>%3</td><td style='color:%4'>%5</td></tr>"_s.arg(
                theme().brass.name(), example, meaning.toHtmlEscaped(), theme().inkSoft.name(),
                pattern.toHtmlEscaped());
    }
    m_text->setHtml(u"<p>%1</p><table cellpadding='4'>%2</table>"_s.arg(
        rows.isEmpty() ? tr("Nothing goes by that. A remark is a line too: note …")
                       : tr("One line at a time, in any order; units as you like: 4k7, 470 mA, "
                            ".47A, 2,2k. Press an example to start from it."),
        rows));
}

// While it is open it watches for presses elsewhere.
void JotList::showEvent(QShowEvent* event) {
    qApp->installEventFilter(this);
    QFrame::showEvent(event);
}
void JotList::hideEvent(QHideEvent* event) {
    qApp->removeEventFilter(this);
    QFrame::hideEvent(event);
}

bool JotList::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::MouseButtonPress) {
        const auto* pressed = qobject_cast<QWidget*>(watched);
        // Its own button closes it by itself.
        const bool elsewhere = pressed && pressed != this && !isAncestorOf(pressed) &&
                               pressed->objectName() != u"jotListButton";
        if (elsewhere) hide();
        return false;
    }
    if ((watched == m_filter || watched == m_text) && event->type() == QEvent::KeyPress &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        hide();
        emit closed();
        return true;
    }
    return QFrame::eventFilter(watched, event);
}

}  // namespace glimmet::app
