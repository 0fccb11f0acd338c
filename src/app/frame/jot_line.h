// The jot line: type what was just measured; beside it stands how it will be understood.
#pragma once

#include "core/work/jot.h"

#include <QWidget>

#include <functional>
#include <vector>

class QHBoxLayout;
class QKeyEvent;
class QLabel;
class QLineEdit;

namespace glimmet::app {

class StateMark;

class JotLine : public QWidget {
    Q_OBJECT
public:
    using Understand = std::function<core::Result<core::Text>(const QString&)>;
    using Take = std::function<bool(const QString&)>;
    using Complete = std::function<std::vector<core::JotCompletion>(const QString&)>;
    JotLine(Understand understand, Take take, Complete complete, QWidget* parent = nullptr);

    /// Puts the start of a line there to be completed.
    void offer(const QString& start);
    void focusLine();
    /// A key that was typed where nothing takes it: it goes on with the line.
    void type(QKeyEvent* key);
    [[nodiscard]] QString words() const;
    /// Puts what was measured behind what stands there, with how it was measured beside it.
    void add(const QString& values, const QString& how);
    /// The job has changed: what stands there may mean something else now.
    void refresh();
    /// Something that helps with the line, at its end.
    void addBeside(QWidget* widget);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

signals:
    void listWanted();  ///< what can be typed
    void begun();       ///< something stands in the line

private:
    void recall(int step);
    void clear();
    bool goOn();  ///< Tab: the next way to go on; false where there is none
    void showWaysOn();
    Understand m_understand;
    Take m_take;
    Complete m_complete;
    QLineEdit* m_line;
    QLabel* m_meaning;
    QLabel* m_waysOn;
    QHBoxLayout* m_row;
    std::vector<core::JotCompletion> m_completions;  ///< of what was typed last
    std::size_t m_chosen = 0;                        ///< how many of them Tab has gone through
    QStringList m_taken;                             ///< lines of this session, for the arrow keys
    qsizetype m_recalled = 0;
};

}  // namespace glimmet::app
