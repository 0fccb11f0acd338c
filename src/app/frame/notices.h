// A sentence in the window with at most one thing to do about it.
#pragma once

#include <QFrame>

#include <functional>

class QLabel;
class QPushButton;

namespace glimmet::app {

class Notices : public QFrame {
    Q_OBJECT
public:
    explicit Notices(QWidget* parent = nullptr);
    void say(const QString& sentence, const QString& actionName = {},
             std::function<void()> action = {});

private:
    QLabel* m_words;
    QPushButton* m_action;
    std::function<void()> m_do;
};

}  // namespace glimmet::app
