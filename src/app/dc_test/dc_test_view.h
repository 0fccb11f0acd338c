// What the window shows of the proof on plain DC: currents over volts, both ways.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* dcTestPanel(QWidget* parent);
/// The bench supply clipped to the rails.
void paintDcTestOverlay(const OverlayInput& input);

inline constexpr Shot dcTestShots[] = {{"dc-test", 0, "", false}};
inline constexpr StageView dcTestView{
    "dc-test", dcTestPanel, paintDcTestOverlay,
    QT_TRANSLATE_NOOP("stages", "There is no motor that could be proved on plain DC."),
    dcTestShots};

}  // namespace glimmet::app
