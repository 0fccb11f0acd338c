// What the window shows of the choice: decoders side by side, the hollows they could lie in.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* decoderRack(QWidget* parent);
/// Hollows with their measures, and the decoder's beside them.
void paintDecoderOverlay(const OverlayInput& input);
/// A small board with its chips and solder pads, to the size its catalogue gives.
void paintDecoder(const PartInput& input);

inline constexpr PartPainter decoderPainter{"decoder", paintDecoder, "decoder "};
inline constexpr Shot decoderShots[] = {{"decoder", 0, "", false}};
inline constexpr StageView decoderView{
    "decoder", decoderRack, paintDecoderOverlay,
    QT_TRANSLATE_NOOP("stages", "This one has no motor: there is no decoder to choose for it."),
    decoderShots};

}  // namespace glimmet::app
