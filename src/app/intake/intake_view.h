// What the window shows of intake: what to look at, in the order in which hands go over a model,
// and what its owner says.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* lookPanel(QWidget* parent);
/// Places to press: each item that nobody looked at, where it is on the model.
void paintLookOverlay(const OverlayInput& input);

inline constexpr Shot intakeShots[] = {{"intake", 0, "", false}};
inline constexpr StageView intakeView{"intake", lookPanel, paintLookOverlay,
                                      QT_TRANSLATE_NOOP("stages", "Look the model over first."),
                                      intakeShots};

}  // namespace glimmet::app
