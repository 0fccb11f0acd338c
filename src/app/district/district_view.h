// What the window shows of the power districts.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* districtPanel(QWidget* parent);

inline constexpr Shot districtShots[] = {{"districts", 0, "quay"}};
inline constexpr StageView districtView{
    "district", districtPanel, nullptr,
    QT_TRANSLATE_NOOP("stages",
                      "No power district yet. Make one for each booster: type  district quay 3A "
                      "trips 4A, then  runs Ling on quay."),
    districtShots};

}  // namespace glimmet::app
