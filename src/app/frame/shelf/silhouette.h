// A model as a small dark shape: how jobs are told apart on the shelf.
#pragma once

#include "core/record/body.h"

#include <QPainterPath>
#include <QRectF>

namespace glimmet::app {

/// The outline of a body with its wheels, standing on the lower edge of `where`, as large as fits.
[[nodiscard]] QPainterPath silhouette(const core::Body& body, const QRectF& where);

}  // namespace glimmet::app
