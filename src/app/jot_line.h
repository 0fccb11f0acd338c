// The jot line: type what was just measured; beside it stands how it will be understood.
#pragma once

#include "core/job/jot.h"

#include <QWidget>

#include <functional>

class QLabel;
class QLineEdit;

namespace glimmet::app {

class StateMark;

class JotLine : public QWidget {
    Q_OBJECT
public:
    using Understand = std::function<core::Result<core::Jotted>(const QString&)>;
    using Take = std::function<bool(const QString&)>;
    JotLine(Understand understand, Take take, QWidget* parent = nullptr);

    /// Puts the start of a line there to be completed.
    void offer(const QString& start);
    void focusLine();
    /// The job has changed: what stands there may mean something else now.
    void refresh();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

signals:
    void listWanted();  ///< what can be typed

private:
    void recall(int step);
    Understand m_understand;
    Take m_take;
    QLineEdit* m_line;
    QLabel* m_meaning;
    QStringList m_taken;  ///< lines of this session, for the arrow keys
    qsizetype m_recalled = 0;
};

}  // namespace glimmet::app
