// All that can be typed into the jot line, with examples to start from.
#pragma once

#include <QFrame>

class QTextBrowser;

namespace glimmet::app {

class JotList : public QFrame {
    Q_OBJECT
public:
    explicit JotList(QWidget* parent = nullptr);
    /// Writes the list in the colours of the theme in use.
    void refresh();

signals:
    void exampleChosen(const QString& line);

private:
    QTextBrowser* m_text;
};

}  // namespace glimmet::app
