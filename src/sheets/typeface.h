// The typeface of sheets and window. It comes along: a machine may have none at all.
#pragma once

#include <QString>

namespace glimmet::sheets {

/// Its family. Precondition: a QGuiApplication is there.
[[nodiscard]] QString typeface();

}  // namespace glimmet::sheets
