// The steps of opening a workshop file (Workshop::open): each asks SQLite, never the bytes.
#pragma once

#include "core/result.h"
#include "store/sql.h"

#include <QString>

namespace glimmet::store {

/// A connection that reads, whatever the last writer left behind and whatever may be written here.
[[nodiscard]] sql::Result<sql::Database> reading(const QString& path);
/// Why that could not be had: what SQLite says of a file that is no database is no damage.
[[nodiscard]] core::Error openingFailure(const QString& path, const sql::Failure& failed);

/// What opening asks of a file before it trusts it.
struct Asked {
    int schema = 0;    ///< 1 to schemaVersion
    bool log = false;  ///< it keeps a write-ahead log beside it
};
/// Errors: NotUnderstood (no workshop), TooNew, Damaged (a schema that no Glimmet wrote).
[[nodiscard]] core::Result<Asked> asked(sql::Database& database, const QString& path);
/// Looks through all pages. Errors: Damaged.
[[nodiscard]] core::Result<void> sound(sql::Database& database, const QString& path);
/// The settings of a connection that writes, each of them read back: a rollback journal that stays
/// beside the file, so that a copy of the file alone is the workshop; everything on the disk when a
/// call returns.
[[nodiscard]] core::Result<void> settled(sql::Database& database, const QString& path);
/// Makes a workshop with nothing in it, whole or not at all.
[[nodiscard]] core::Result<void> emptyMade(const QString& path);

}  // namespace glimmet::store
