// What the window shows of the house rules: the list of them, the example as it is measured.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* rulesPanel(QWidget* parent);

inline constexpr Shot rulesShots[] = {{"house", 0, ""}};
inline constexpr StageView rulesView{"rules", rulesPanel, nullptr,
                                     QT_TRANSLATE_NOOP("stages", "The rules of the house."),
                                     rulesShots};

}  // namespace glimmet::app
