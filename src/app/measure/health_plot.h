// A motor's light current from session to session: whether the drive tightens.
#pragma once

#include "core/work/reckoned.h"

#include <QWidget>

class QCustomPlot;

namespace glimmet::app {

class HealthPlot : public QWidget {
    Q_OBJECT
public:
    explicit HealthPlot(QWidget* parent = nullptr);
    /// False where light running was not read on two days: there is nothing to show.
    bool show(const core::Reckoned& facts);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    struct Marked {
        double day = 0, amps = 0;
        QString words;
    };
    QCustomPlot* m_plot;
    std::vector<Marked> m_marked;
};

}  // namespace glimmet::app
