// A train as its outline, for shelf and chooser.
#pragma once

#include "core/record/body.h"

#include <QPainterPath>
#include <QRectF>

#include <vector>

namespace glimmet::app {

/// Bodies one behind the other, windows cut out, wheels on, fitted into a box and standing on its
/// lower edge.
[[nodiscard]] QPainterPath silhouette(const std::vector<const core::Body*>& bodies,
                                      const QRectF& where);

}  // namespace glimmet::app
