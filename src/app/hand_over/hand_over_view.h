// What the window shows of the hand-over: what is unanswered, the two sheets.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* handOverPanel(QWidget* parent);

inline constexpr Shot handOverShots[] = {{"hand-over", 0, "", false}};
inline constexpr StageView handOverView{"hand-over", handOverPanel, nullptr,
                                        QT_TRANSLATE_NOOP("stages", "Nothing to hand over yet."),
                                        handOverShots};

}  // namespace glimmet::app
