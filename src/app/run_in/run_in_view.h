// What the window shows of running in: its readings each way.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* runInPanel(QWidget* parent);

inline constexpr Shot runInShots[] = {{"run-in", 0, "", false}};
inline constexpr StageView runInView{
    "run-in", runInPanel, nullptr,
    QT_TRANSLATE_NOOP("stages", "Nothing to run in yet: choose a decoder first."), runInShots};

}  // namespace glimmet::app
