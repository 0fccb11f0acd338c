// The four marks: the vial of a spirit level. Fine: the bubble stands between the lines. Close:
// it has run to an end. Over: it has left the vial. Ask: the vial is empty. Always with a word.
#pragma once

#include "core/finding/state.h"

#include <QWidget>

class QAbstractButton;
class QPainter;

namespace glimmet::app {

/// Draws the mark into a rectangle of about 2:1.
void paintMark(QPainter& painter, const QRectF& where, core::State state);
/// Of work that remains where nothing is wrong: the vial lies unfilled.
void paintOpenMark(QPainter& painter, const QRectF& where);

/// The ground of a row that can be pressed: raised where it is chosen, edged under pointer or
/// focus.
void paintRowGround(QPainter& painter, const QAbstractButton& row);

/// The mark and its word.
class StateMark : public QWidget {
    Q_OBJECT
public:
    explicit StateMark(core::State state, QWidget* parent = nullptr);
    /// `open`: nothing is wrong, work remains.
    void setState(core::State state, bool open = false);
    [[nodiscard]] core::State state() const { return m_state; }
    [[nodiscard]] QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    core::State m_state;
    bool m_open = false;
};

}  // namespace glimmet::app
