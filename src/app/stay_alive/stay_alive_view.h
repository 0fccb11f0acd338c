// What the window shows of the stay-alive: bus volts after the loss of track, the bank's wires.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* stayAlivePanel(QWidget* parent);
void paintStayAliveOverlay(const OverlayInput& input);
/// The two rails under the model, with what of them is dead, and each wheel on them.
void paintTrack(const OverlayInput& input, const core::TrackUnder& track);
/// As it is soldered: cans in a row with their stripes on the minus side, or a module in its
/// sleeve.
void paintBank(const PartInput& input);

inline constexpr PartPainter bankPainter{"bank", paintBank, "bank "};
inline constexpr Shot stayAliveShots[] = {{"stay-alive", 0, "", false}};
inline constexpr StageView stayAliveView{
    "stay-alive", stayAlivePanel, paintStayAliveOverlay,
    QT_TRANSLATE_NOOP("stages", "A stay-alive is for what rolls on powered rails."),
    stayAliveShots};

}  // namespace glimmet::app
