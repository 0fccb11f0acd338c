// Bus volts and light of lamps on the rails, from the moment the rails give nothing: what the
// capacitor behind their bridge is for.
#pragma once

#include "core/analysis/rail_feed.h"

#include <QWidget>

class QCustomPlot;

namespace glimmet::app {

class GapPlot : public QWidget {
    Q_OBJECT
public:
    explicit GapPlot(QWidget* parent = nullptr);
    void show(const core::GapChart& chart);

signals:
    void jotOffered(const QString& start);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QCustomPlot* m_plot;
};

}  // namespace glimmet::app
