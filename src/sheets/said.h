// Core's sentences in the language of the user.
#pragma once

#include "core/text.h"

#include <QString>

namespace glimmet::sheets {

/// The translated pattern with its values filled in; a %n without a value stays as it is.
[[nodiscard]] QString said(const core::Text& text);

}  // namespace glimmet::sheets
