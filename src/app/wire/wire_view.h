// What the window shows of the wiring: its steps, its wires, what to cut; planned wires in the
// picture.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* wirePanel(QWidget* parent);
/// Each wire from end to end in its colour.
void paintWireOverlay(const OverlayInput& input);

inline constexpr Shot wireShots[] = {{"wire", 0, "", false}};
inline constexpr StageView wireView{
    "wire", wirePanel, paintWireOverlay,
    QT_TRANSLATE_NOOP("stages", "Nothing to wire yet: choose a decoder or a lamp first."),
    wireShots};

}  // namespace glimmet::app
