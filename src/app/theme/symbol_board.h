// A drawing of symbols that are pressed, hovered, gone through by key and, where they hold a value,
// stepped by arrows.
#pragma once

#include <QRectF>
#include <QString>
#include <QWidget>

#include <cstddef>
#include <vector>

namespace glimmet::app {

class SymbolBoard : public QWidget {
    Q_OBJECT
public:
    explicit SymbolBoard(QWidget* parent = nullptr);

    struct Symbol {
        QRectF where;
        QString tip;
        QString jot;           ///< start of the line that changes it
        QString up{}, down{};  ///< whole lines that step it to the next value
    };
    [[nodiscard]] const std::vector<Symbol>& symbols() const { return m_symbols; }
    /// Draws it as it stands, to a picture or a page as well; notes its symbols anew.
    virtual void paint(QPainter& painter) = 0;

signals:
    void jotOffered(const QString& start);
    void jotChosen(const QString& line);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

    std::vector<Symbol> m_symbols;
    std::size_t m_inHand = 0;  ///< the symbol that keys are about
};

}  // namespace glimmet::app
