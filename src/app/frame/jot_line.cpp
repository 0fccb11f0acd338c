#include "app/frame/jot_line.h"

#include "app/theme/theme.h"
#include "app/theme/words.h"

#include <QCoreApplication>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {

JotLine::JotLine(Understand understand, Take take, Complete complete, QWidget* parent)
    : QWidget(parent),
      m_understand(std::move(understand)),
      m_take(std::move(take)),
      m_complete(std::move(complete)),
      m_line(new QLineEdit(this)),
      m_meaning(new QLabel(this)),
      m_waysOn(new QLabel(this)),
      m_row(nullptr) {
    setObjectName(u"jotLine"_s);
    auto* title = new QLabel(tr("&Jot"), this);
    title->setBuddy(m_line);
    title->setFont(wordsFont(15, true));
    m_line->setObjectName(u"jot"_s);
    m_line->setAccessibleName(tr("Jot: what you just measured, in bench shorthand"));
    m_line->setPlaceholderText(tr("Just measured, like stall 1.15A 12V"));
    m_line->setFont(figuresFont(15));
    m_line->setMinimumHeight(36);
    m_line->setMaxLength(24000);
    m_line->installEventFilter(this);
    m_meaning->setObjectName(u"jotMeaning"_s);
    m_meaning->setTextFormat(Qt::PlainText);
    m_meaning->setWordWrap(true);
    m_meaning->setMinimumWidth(200);
    m_waysOn->setObjectName(u"jotWaysOn"_s);
    m_waysOn->setTextFormat(Qt::PlainText);
    m_waysOn->setFont(wordsFont(12));
    m_waysOn->setMinimumWidth(200);
    m_waysOn->hide();
    auto* list = new QPushButton(tr("What can be typed (F1)"), this);
    list->setObjectName(u"jotListButton"_s);

    m_row = new QHBoxLayout(this);
    QHBoxLayout* const row = m_row;
    row->setContentsMargins(14, 8, 12, 8);
    row->setSpacing(12);
    row->addWidget(title);
    row->addWidget(m_line, 5);
    auto* answer = new QVBoxLayout;
    answer->setSpacing(2);
    answer->addStretch();
    answer->addWidget(m_meaning);
    answer->addWidget(m_waysOn);
    answer->addStretch();
    row->addLayout(answer, 6);
    row->addWidget(list);

    connect(list, &QPushButton::clicked, this, &JotLine::listWanted);
    connect(m_line, &QLineEdit::textChanged, this, [this](const QString& line) {
        refresh();
        if (!line.isEmpty()) emit begun();
    });
    connect(m_line, &QLineEdit::textEdited, this, [this](const QString& line) {
        m_completions =
            line.trimmed().isEmpty() ? std::vector<core::JotCompletion>{} : m_complete(line);
        m_chosen = 0;
        showWaysOn();
    });
    connect(m_line, &QLineEdit::returnPressed, this, [this] {
        const QString line = m_line->text().trimmed();
        if (line.isEmpty() || !m_take(line)) {
            refresh();
            return;
        }
        m_taken.append(line);
        m_recalled = m_taken.size();
        clear();
    });
    refresh();
}

void JotLine::clear() {
    m_line->clear();
    m_completions.clear();
    showWaysOn();
}

bool JotLine::goOn() {
    if (m_completions.empty()) return false;
    m_line->setText(qs(m_completions[m_chosen++ % m_completions.size()].line));
    showWaysOn();
    return true;
}

void JotLine::showWaysOn() {
    QStringList words;
    constexpr std::size_t most = 6;
    // Those that Tab comes to next stand first.
    for (std::size_t i = 0; i < std::min(most, m_completions.size()); ++i) {
        words.append(qs(m_completions[(m_chosen + i) % m_completions.size()].word));
    }
    const bool one = m_completions.size() == 1 && m_chosen == 0;
    m_waysOn->setText(one ? tr("Tab: %1 (%2)").arg(words.first(), qs(m_completions[0].says))
                          : tr("Tab: %1").arg(words.join(u" · "_s)));
    m_waysOn->setVisible(!words.isEmpty());
}

void JotLine::offer(const QString& start) {
    m_line->setText(start);
    m_completions = m_complete(start);
    m_chosen = 0;
    showWaysOn();
    m_line->setFocus(Qt::OtherFocusReason);
    m_line->setCursorPosition(static_cast<int>(start.size()));
}

QString JotLine::words() const { return m_line->text(); }

void JotLine::add(const QString& values, const QString& how) {
    m_line->setText(m_line->text().trimmed() + u' ' + values);
    m_completions.clear();
    m_waysOn->setText(how);
    m_waysOn->show();
    m_line->setFocus(Qt::OtherFocusReason);
}

void JotLine::addBeside(QWidget* widget) { m_row->insertWidget(m_row->count() - 1, widget); }

void JotLine::focusLine() {
    m_line->setFocus(Qt::ShortcutFocusReason);
    m_line->selectAll();
}

void JotLine::type(QKeyEvent* key) {
    m_line->setFocus(Qt::OtherFocusReason);
    m_line->end(false);
    QCoreApplication::sendEvent(m_line, key);
}

void JotLine::refresh() {
    const QString line = m_line->text();
    if (line.trimmed().isEmpty()) {
        m_meaning->clear();
        return;
    }
    const auto jotted = m_understand(line);
    QPalette palette = m_meaning->palette();
    palette.setColor(QPalette::WindowText, jotted ? theme().fine : theme().ask);
    m_meaning->setPalette(palette);
    m_meaning->setText(jotted ? tr("↵ %1").arg(said(*jotted)) : said(jotted.error()));
}

bool JotLine::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_line && event->type() == QEvent::ShortcutOverride &&
        m_line->text().isEmpty()) {
        // In an empty line undo and redo mean the job's, not the line's own.
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) return true;
    }
    if (watched == m_line && event->type() == QEvent::KeyPress) {
        switch (static_cast<QKeyEvent*>(event)->key()) {
            case Qt::Key_Up:
                recall(-1);
                return true;
            case Qt::Key_Down:
                recall(1);
                return true;
            case Qt::Key_Escape:
                clear();
                return true;
            case Qt::Key_Tab:
                return goOn();
            default:
                break;
        }
    }
    return QWidget::eventFilter(watched, event);
}

void JotLine::recall(int step) {
    if (m_taken.isEmpty()) return;
    m_recalled = qBound<qsizetype>(0, m_recalled + step, m_taken.size());
    m_line->setText(m_recalled < m_taken.size() ? m_taken.at(m_recalled) : QString());
}

}  // namespace glimmet::app
