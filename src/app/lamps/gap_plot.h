// Bus volts and light of lamps on the rails, from the moment the rails give nothing: what the
// capacitor behind their bridge is for.
#pragma once

#include "app/plot/plot.h"
#include "core/analysis/rail_feed.h"

namespace glimmet::app {

class GapPlot : public Plot {
    Q_OBJECT
public:
    explicit GapPlot(QWidget* parent = nullptr);
    void show(const core::GapChart& chart);
};

}  // namespace glimmet::app
