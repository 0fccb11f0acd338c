// What the window shows of the first power: its steps, what each showed.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* firstPowerPanel(QWidget* parent);
/// A ring round the lamp whose key comes next.
void paintFirstPowerOverlay(const OverlayInput& input);

inline constexpr Shot firstPowerShots[] = {{"first-power", 0, "", false}};
inline constexpr StageView firstPowerView{
    "first-power", firstPowerPanel, paintFirstPowerOverlay,
    QT_TRANSLATE_NOOP("stages", "Nothing here gets power yet: choose a decoder or a lamp first."),
    firstPowerShots};

}  // namespace glimmet::app
