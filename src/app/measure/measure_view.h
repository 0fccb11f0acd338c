// What the window shows of measuring: the motor's plot, the motor's wires in the picture.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* measurePanel(QWidget* parent);
void paintMotorOverlay(const OverlayInput& input);

inline constexpr Shot measureShots[] = {{"measure", 0, ""}};
inline constexpr StageView measureView{
    "measure", measurePanel, paintMotorOverlay,
    QT_TRANSLATE_NOOP("stages", "This one has no motor: nothing to measure here."), measureShots};

}  // namespace glimmet::app
