// What the panel of a stage shows in the picture above it. A stage adds what it needs here;
// whatever is left empty shows the model as it is.
#pragma once

#include "core/analysis/operating.h"
#include "core/track/crossing.h"

#include <QString>

#include <optional>

namespace glimmet::app {

struct PictureOverlay {
    std::optional<core::TrackUnder> track{};  ///< that the model stands on; nothing: the bench
    core::Relit relit{};                      ///< what is made of its lamps, seen in the dark
    QString words{};                          ///< that in words: "front fails"
};

}  // namespace glimmet::app
