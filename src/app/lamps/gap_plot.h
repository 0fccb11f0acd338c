// Bus volts and light of lamps on the rails, from the moment the rails give nothing: what the
// capacitor behind their bridge is for.
#pragma once

#include "core/work/rail_feed.h"

#include <QWidget>

#include <optional>

class QCustomPlot;

namespace glimmet::app {

class GapPlot : public QWidget {
    Q_OBJECT
public:
    explicit GapPlot(QWidget* parent = nullptr);
    void show(const std::optional<core::GapChart>& chart);

signals:
    void jotOffered(const QString& start);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void draw();
    QCustomPlot* m_plot;
    std::optional<core::GapChart> m_chart;
};

}  // namespace glimmet::app
