// What the window shows of the meter: the pairs in the order in which to probe, the probes in the
// picture at the next one.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* meterPanel(QWidget* parent);
/// Both probes at the pair to be read next.
void paintMeterOverlay(const OverlayInput& input);

inline constexpr Shot meterShots[] = {{"meter", 0, "", false}};
inline constexpr StageView meterView{
    "meter", meterPanel, paintMeterOverlay,
    QT_TRANSLATE_NOOP("stages", "Nothing to prove by meter yet: choose a decoder or a lamp first."),
    meterShots};

}  // namespace glimmet::app
