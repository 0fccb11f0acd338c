// What the window shows of the fit: each thing with its room, its clearance in the picture.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* fitPanel(QWidget* parent);
/// Every thing outlined, with what it has to spare or lacks.
void paintFitOverlay(const OverlayInput& input);

inline constexpr Shot fitShots[] = {{"fit", 0, "", false}};
inline constexpr StageView fitView{
    "fit", fitPanel, paintFitOverlay,
    QT_TRANSLATE_NOOP("stages",
                      "Nothing is chosen yet that has to go in: a decoder, a stay-alive, or  add "
                      "speaker 15x11x8."),
    fitShots};

}  // namespace glimmet::app
