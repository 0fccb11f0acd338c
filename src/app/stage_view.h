// What the window shows of a stage: its panel, its overlay on the picture, its words when there is
// nothing to say. One line a stage in stage_views.cpp; the frame knows none by name.
#pragma once

#include "app/picture/scene.h"

#include <span>
#include <string_view>

class QWidget;

namespace glimmet::app {

class StagePanel;

/// A picture of the documentation, from the demo workshop.
struct Shot {
    const char* name;     ///< "railcar-lamps"
    int job;              ///< on the shelf, from 0
    const char* subject;  ///< what is in question, or ""
    bool nightToo = true;
};

struct StageView {
    std::string_view stage;  ///< its name in core
    StagePanel* (*panel)(QWidget* parent);
    OverlayPainter overlay;
    const char* empty;  ///< said where no finding is; to be translated ("stages")
    std::span<const Shot> shots;
};

[[nodiscard]] std::span<const StageView> stageViews();
/// Of the workshop's own stations.
[[nodiscard]] std::span<const StageView> workshopViews();
/// That of a stage of either; every stage has one.
[[nodiscard]] const StageView& stageView(std::string_view stage);

}  // namespace glimmet::app
