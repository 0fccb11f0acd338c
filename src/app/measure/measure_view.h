// What the window shows of measuring: the motor's plot, the motor's wires in the picture.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StageStrip* motorStrip(QWidget* parent);
void paintMotorLens(const LensInput& input);
/// A small board with its chips and solder pads, to the size its catalogue gives.
void paintDecoder(const PartInput& input);

inline constexpr PartPainter decoderPainter{"decoder", paintDecoder, "decoder "};
inline constexpr Shot measureShots[] = {{"measure", 0, ""}};
inline constexpr StageView measureView{
    "measure", motorStrip, paintMotorLens,
    QT_TRANSLATE_NOOP("stages", "This one has no motor: nothing to measure here."), measureShots};

}  // namespace glimmet::app
