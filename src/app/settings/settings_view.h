// What the window shows of the settings: values by meaning, the list to key in, the keys.
#pragma once

#include "app/stage_view.h"

namespace glimmet::app {

[[nodiscard]] StagePanel* settingsPanel(QWidget* parent);
/// Each key at its lamps.
void paintSettingsOverlay(const OverlayInput& input);

inline constexpr Shot settingsShots[] = {{"settings", 0, "", false}};
inline constexpr StageView settingsView{
    "settings", settingsPanel, paintSettingsOverlay,
    QT_TRANSLATE_NOOP("stages", "No decoder to set: choose one first."), settingsShots};

}  // namespace glimmet::app
