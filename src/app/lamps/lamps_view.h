// What the window shows of the lamps: outputs and schematic, wires and free places in the picture.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* lampsPanel(QWidget* parent);
void paintLampsOverlay(const OverlayInput& input);

inline constexpr Shot lampsShots[] = {{"lamps", 0, "L4"}, {"railcar-lamps", 1, "L4", false}};
inline constexpr StageView lampsView{
    "lamps", lampsPanel, paintLampsOverlay,
    QT_TRANSLATE_NOOP("stages",
                      "No lamp yet. A lamp needs a place, a colour and an output; the resistor is "
                      "worked out for you."),
    lampsShots};

}  // namespace glimmet::app
