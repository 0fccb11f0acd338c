// Bus volts over time from the moment the track goes dead, with the volts that the processor needs
// and the time that has to be got across.
#pragma once

#include "app/plot/plot.h"
#include "core/analysis/stay_alive/bank_state.h"

#include <optional>

namespace glimmet::app {

class HoldPlot : public Plot {
    Q_OBJECT
public:
    explicit HoldPlot(QWidget* parent = nullptr);
    void show(const std::optional<core::stay_alive::HoldChart>& chart);

private:
    void draw(const core::stay_alive::HoldChart& chart);
};

}  // namespace glimmet::app
