// The rows of the reckoning, painted as one piece each.
#pragma once

#include "core/finding/finding.h"

#include <QAbstractButton>
#include <QWidget>

class QPushButton;

namespace glimmet::app {

/// A figure: its name, its value, and what it rests on. Can be pressed where it can be entered.
class FigureRow : public QAbstractButton {
    Q_OBJECT
public:
    explicit FigureRow(QWidget* parent) : QAbstractButton(parent) {}
    void show(const core::Figure& figure, int width);
    [[nodiscard]] QSize sizeHint() const override { return m_size; }

signals:
    void chosen(const QString& jotStart);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    QString m_name, m_value, m_basis, m_jot;
    core::Basis::Kind m_kind{};
    int m_nameHeight = 0;
    QSize m_size;
};

/// Something to do, with what it brings, and the button that does it.
class OptionRow : public QWidget {
    Q_OBJECT
public:
    explicit OptionRow(QWidget* parent);
    void show(const core::Option& option, bool first, bool readOnly, int width);
    [[nodiscard]] QSize sizeHint() const override { return m_size; }

signals:
    void taken(const QString& jot);
    /// To be seen in the picture as long as it is held; empty: let go.
    void tried(const QString& jot);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void hideEvent(QHideEvent*) override { hold(false); }
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void hold(bool held);
    QPushButton* m_use;
    bool m_held = false;
    QString m_what, m_effect, m_jot;
    core::State m_state{};
    bool m_inPlace = false;
    int m_whatHeight = 0;
    QSize m_size;
};

/// Another finding of the stage, to go to.
class FindingRow : public QAbstractButton {
    Q_OBJECT
public:
    explicit FindingRow(QWidget* parent);
    void show(const core::Finding& finding, int width);
    [[nodiscard]] QSize sizeHint() const override { return m_size; }

signals:
    void chosen(const QString& id);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    QString m_id, m_sentence;
    core::State m_state{};
    bool m_open = false;
    QSize m_size;
};

}  // namespace glimmet::app
