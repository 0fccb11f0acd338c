#include "app/frame/notices.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include <utility>

using namespace Qt::StringLiterals;

namespace glimmet::app {

Notices::Notices(QWidget* parent)
    : QFrame(parent), m_words(new QLabel(this)), m_action(new QPushButton(this)) {
    setObjectName(u"notice"_s);
    m_words->setObjectName(u"noticeWords"_s);
    m_words->setWordWrap(true);
    m_words->setTextFormat(Qt::PlainText);
    m_action->setObjectName(u"noticeAction"_s);
    auto* dismiss = new QPushButton(tr("Understood"), this);
    dismiss->setObjectName(u"noticeDismiss"_s);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 6, 12, 6);
    row->addWidget(m_words, 1);
    row->addWidget(m_action);
    row->addWidget(dismiss);
    hide();
    connect(dismiss, &QPushButton::clicked, this, &QWidget::hide);
    connect(m_action, &QPushButton::clicked, this, [this] {
        hide();
        if (m_do) std::exchange(m_do, {})();
    });
}

void Notices::say(const QString& sentence, const QString& actionName,
                  std::function<void()> action) {
    m_words->setText(sentence);
    m_action->setText(actionName);
    m_action->setVisible(!actionName.isEmpty());
    m_do = std::move(action);
    show();
}

}  // namespace glimmet::app
