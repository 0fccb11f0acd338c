// A sheet written out: as a web page, as A4 in PDF, as plain text.
//   const QByteArray bytes = sheets::pdf(core::wire::wiringSheet(facts));
#pragma once

#include "core/finding/sheet.h"

#include <QByteArray>
#include <QString>

namespace glimmet::sheets {

/// One page that needs nothing from elsewhere; UTF-8 when it is saved.
[[nodiscard]] QString html(const core::Sheet& sheet);

/// A4, its text can be selected and searched. Precondition: a QGuiApplication is there (offscreen
/// will do), for its fonts.
[[nodiscard]] QByteArray pdf(const core::Sheet& sheet);

/// For a terminal or a mail: tables in columns, lines as long as they are.
[[nodiscard]] QString plainText(const core::Sheet& sheet);

}  // namespace glimmet::sheets
