// All that can be typed into the jot line, with examples to start from.
#pragma once

#include "core/work/jot.h"

#include <QFrame>

#include <string_view>
#include <vector>

class QLineEdit;
class QTextBrowser;

namespace glimmet::app {

class JotList : public QFrame {
    Q_OBJECT
public:
    explicit JotList(QWidget* parent = nullptr);
    /// Writes the list in the colours of the theme in use, its filter empty and focused. The lines
    /// of the stage one is in stand first.
    void refresh(std::vector<core::JotForm> forms, std::string_view stage = {});

signals:
    void exampleChosen(const QString& line);
    void closed();  ///< with Escape

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void write();
    std::vector<core::JotForm> m_forms;
    QLineEdit* m_filter;
    QTextBrowser* m_text;
};

}  // namespace glimmet::app
