// The tables of a workshop file and how older ones are brought forward.
#pragma once

#include <QStringList>

namespace glimmet::store {

/// "GLMT" in the file header, so that other programs' databases are told apart.
inline constexpr unsigned applicationId = 0x474C4D54;

/// What leads from schema N to N + 1 is element N; an empty file is schema 0.
[[nodiscard]] const QList<QStringList>& migrations();

}  // namespace glimmet::store
