// Beside the jot line: puts what the bench meter reads into the line that was begun.
#pragma once

#include "app/frame/bench_meter.h"

#include <QWidget>

class QMenu;
class QPushButton;
class QToolButton;

namespace glimmet::app {

class JotLine;

class HoldButton : public QWidget {
    Q_OBJECT
public:
    explicit HoldButton(JotLine& jot);

    /// "HOST:PORT", or empty: no meter, and nothing is shown.
    void setAddress(const QString& address);
    /// One that holds whatever the workshop says: the demo's stand-in.
    void useInstead(const QString& address);
    void hold();
    [[nodiscard]] BenchMeter& meter() { return m_meter; }

signals:
    void failed(const QString& sentence);

private:
    void held(const std::vector<BenchMeter::Held>& values);
    void offerDeeds(const QString& deeds);
    JotLine& m_jot;
    BenchMeter m_meter;
    QString m_address, m_instead;
    QPushButton* m_button;
    QToolButton* m_hands;  ///< what the hands of a simulated bench do
    QMenu* m_deeds;
};

}  // namespace glimmet::app
