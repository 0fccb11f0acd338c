// The file of a workshop, before anything is asked of what is in it: its name, our lock on it, how
// a new one comes to be, how a copy is made, and how SQLite's failures are told.
#pragma once

#include "core/result.h"
#include "store/sql.h"

#include <QString>

#include <functional>
#include <memory>
#include <string>

namespace glimmet::store {

/// The last part of a path, for sentences.
[[nodiscard]] std::string shortName(const QString& path);
/// A path as the system takes it.
[[nodiscard]] std::string systemPath(const QString& path);

/// What went wrong in SQLite, as what it is: a lock, a disk that is full, a folder that may not be
/// written, damage.
[[nodiscard]] core::Error toldFailure(const QString& path, const sql::Failure& failure);

/// The file that a path leads to, links followed. Errors: Missing when there is none (the path is
/// then one at which a file could be made); Unreadable for an empty path, a folder, a device, a
/// pipe.
[[nodiscard]] core::Result<QString> fileAt(const QString& path);

/// Our own lock: a flock on one descriptor of the file itself, so that it goes with the file
/// whatever name leads to it, and with the process however it ends. Taken before SQLite opens the
/// file and let go after SQLite has closed it: closing any other descriptor of the file would drop
/// SQLite's own locks. Nothing else in this process opens it.
class FileLock {
public:
    /// Errors: InUse when another Glimmet (or this one) holds it, NotWritable, Unreadable.
    [[nodiscard]] static core::Result<std::unique_ptr<FileLock>> taken(const QString& path);
    ~FileLock();
    FileLock(const FileLock&) = delete;
    FileLock& operator=(const FileLock&) = delete;
    /// Whether the path still leads to the file that is locked, by this one name.
    [[nodiscard]] bool standsAt(const QString& path) const;
    /// Makes a file of what is locked, wherever that is by now: SQLite no longer reads a file that
    /// has lost its name. Only between edits, when the file alone is the workshop.
    [[nodiscard]] core::Result<void> rescuedTo(const QString& path) const;

private:
    FileLock(int descriptor, unsigned long long device, unsigned long long inode);
    int m_descriptor;
    unsigned long long m_device;
    unsigned long long m_inode;
};

/// What may stand where a new file is to go.
enum class Replaces { Nothing, WhatStandsThere };
/// Makes a file whole or not at all: `fill` writes it under a name beside it, then it is put on the
/// disk and renamed into place. Errors: those of `fill`; InUse when something stands there already.
[[nodiscard]] core::Result<void> madeWhole(
    const QString& path, Replaces replaces,
    const std::function<core::Result<void>(const QString& temporary)>& fill);

/// A copy of a database as its readers see it, made whole or not at all.
[[nodiscard]] core::Result<void> copied(sql::Database& database, const QString& from,
                                        const QString& to, Replaces replaces);

/// A name for a file beside one, that nothing goes by yet: "NAME WHAT STAMP.glimmet".
[[nodiscard]] QString nameBeside(const QString& path, const QString& what);

}  // namespace glimmet::store
