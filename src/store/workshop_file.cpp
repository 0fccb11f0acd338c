#include "store/workshop_file.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QRandomGenerator>

#include <fcntl.h>
#include <sqlite3.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <cstring>
#include <map>
#include <mutex>
#include <set>
#include <utility>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::Result;
using core::text;

/// The files that this process has locked, so that a second opening finds out without a descriptor.
using Inode = std::pair<unsigned long long, unsigned long long>;
struct Locked {
    std::mutex mutex;
    std::set<Inode> files;
    /// Descriptors on which no lock was got. Closing one would drop the locks of a reading
    /// connection that this process may have, so they wait for the next attempt.
    std::map<Inode, int> waiting;
};
Locked& locked() {
    static Locked files;
    return files;
}

tl::unexpected<core::Error> inUse(const QString& path) {
    return failure(
        ErrorCode::InUse, path.toStdString(),
        text("Another Glimmet has %1 open. It can be looked at read-only.", shortName(path)));
}

tl::unexpected<core::Error> systemFailure(const QString& path, int error) {
    const std::string called = shortName(path);
    const std::string whole = path.toStdString();
    switch (error) {
        case EACCES:
        case EPERM:
        case EROFS:
            return failure(ErrorCode::NotWritable, whole,
                           text("%1 may not be written. It can be looked at read-only.", called));
        case ENOSPC:
        case EDQUOT:
            return failure(ErrorCode::Unreadable, whole,
                           text("There is no room left on the disk for %1.", called));
        default:
            return failure(
                ErrorCode::Unreadable, whole,
                text("%1 could not be read or written: %2.", called, std::strerror(error)));
    }
}

/// A file or a folder, put on the disk: what was written or renamed in it survives a power cut.
bool putOnDisk(const std::string& path, int flags) {
    const int descriptor = ::open(path.c_str(), flags | O_CLOEXEC);
    if (descriptor < 0) return false;
    const bool done = ::fsync(descriptor) == 0;
    const int error = errno;
    ::close(descriptor);
    errno = error;
    return done;
}

/// Renames; with Nothing to be replaced also where the file system knows no such renaming.
bool renamed(const std::string& from, const std::string& to, Replaces replaces) {
    if (replaces == Replaces::WhatStandsThere) return ::rename(from.c_str(), to.c_str()) == 0;
    if (::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0) {
        return true;
    }
    if (errno != EINVAL && errno != ENOSYS) return false;
    return ::link(from.c_str(), to.c_str()) == 0 && ::unlink(from.c_str()) == 0;
}

}  // namespace

std::string shortName(const QString& path) { return QFileInfo(path).fileName().toStdString(); }
std::string systemPath(const QString& path) { return QFile::encodeName(path).toStdString(); }

core::Error toldFailure(const QString& path, const sql::Failure& failure) {
    const std::string called = shortName(path);
    const auto told = [&](ErrorCode code, core::Text what) {
        return core::Error{code, path.toStdString(), std::move(what)};
    };
    switch (failure.code) {
        case SQLITE_BUSY:
        case SQLITE_LOCKED:
        case SQLITE_PROTOCOL:
            return told(ErrorCode::InUse,
                        text("Another program holds %1 locked just now. Nothing was changed; try "
                             "again when it is done.",
                             called));
        case SQLITE_CORRUPT:
        case SQLITE_NOTADB:
            return told(ErrorCode::Damaged,
                        text("%1 is damaged. It has not been touched; what can be read of it can "
                             "be salvaged into a new file.",
                             called));
        case SQLITE_READONLY:
        case SQLITE_PERM:
        case SQLITE_AUTH:
            return told(ErrorCode::NotWritable,
                        text("%1 or its folder may not be written: nothing was changed.", called));
        case SQLITE_FULL:
            return told(
                ErrorCode::Unreadable,
                text("There is no room left on the disk: nothing was changed in %1.", called));
        case SQLITE_CANTOPEN:
            return told(
                ErrorCode::Unreadable,
                text("%1, or a file that has to stand beside it, cannot be opened.", called));
        default:
            return told(ErrorCode::Unreadable,
                        text("%1 could not be read or written: %2.", called, failure.words));
    }
}

Result<QString> fileAt(const QString& path) {
    if (path.isEmpty()) {
        return failure(ErrorCode::Unreadable, "", text("No file was named: the path is empty."));
    }
    const QString absolute = QFileInfo(path).absoluteFilePath();
    const std::string called = shortName(absolute);
    struct stat status {};
    if (::stat(systemPath(absolute).c_str(), &status) != 0) {
        if (errno == ENOENT && QFileInfo(absolute).isSymLink()) {
            return failure(ErrorCode::Unreadable, absolute.toStdString(),
                           text("%1 is a link to a file that is not there.", called));
        }
        return failure(ErrorCode::Missing, absolute.toStdString(),
                       text("There is no file %1.", called));
    }
    if (!S_ISREG(status.st_mode)) {
        return failure(ErrorCode::Unreadable, absolute.toStdString(),
                       S_ISDIR(status.st_mode)
                           ? text("%1 is a folder, not a file.", called)
                           : text("%1 is a device or a pipe, not a file.", called));
    }
    const QString real = QFileInfo(absolute).canonicalFilePath();
    return real.isEmpty() ? absolute : real;
}

namespace {

/// A journal has to stand beside a file that is written.
Result<void> folderWritable(const QString& path) {
    const std::string folder = systemPath(QFileInfo(path).absolutePath());
    if (::access(folder.c_str(), W_OK | X_OK) == 0) return {};
    if (errno == ENOENT || errno == ENOTDIR) {
        return failure(ErrorCode::Unreadable, path.toStdString(),
                       text("There is no folder for %1.", shortName(path)));
    }
    return failure(ErrorCode::NotWritable, path.toStdString(),
                   text("The folder of %1 may not be written. A workshop in it can be looked at "
                        "read-only.",
                        shortName(path)));
}

}  // namespace

Result<std::unique_ptr<FileLock>> FileLock::taken(const QString& path) {
    const std::string name = systemPath(path);
    struct stat status {};
    if (::stat(name.c_str(), &status) != 0) return systemFailure(path, errno);
    if (status.st_nlink > 1) {
        return failure(
            ErrorCode::NotWritable, path.toStdString(),
            text("%1 goes by a second name (a hard link): what is written under one name "
                 "could be lost under the other. It can be looked at read-only; a copy "
                 "of it can be opened.",
                 shortName(path)));
    }
    if (const auto may = folderWritable(path); !may) return tl::unexpected(may.error());
    const Inode inode{status.st_dev, status.st_ino};
    const std::scoped_lock guard(locked().mutex);
    if (locked().files.contains(inode)) return inUse(path);
    const auto waiting = locked().waiting.find(inode);
    const int descriptor = waiting != locked().waiting.end()
                               ? waiting->second
                               : ::open(name.c_str(), O_RDWR | O_CLOEXEC);
    if (descriptor < 0) return systemFailure(path, errno);
    struct stat opened {};
    if (::flock(descriptor, LOCK_EX | LOCK_NB) != 0 || ::fstat(descriptor, &opened) != 0) {
        const int error = errno;
        locked().waiting[inode] = descriptor;
        if (error == EWOULDBLOCK) return inUse(path);
        return systemFailure(path, error);
    }
    locked().waiting.erase(inode);
    if (Inode{opened.st_dev, opened.st_ino} != inode) {  // replaced between the two looks at it
        ::close(descriptor);
        return inUse(path);
    }
    auto lock = std::unique_ptr<FileLock>(new FileLock(descriptor, inode.first, inode.second));
    locked().files.insert(inode);
    return lock;
}

FileLock::FileLock(int descriptor, unsigned long long device, unsigned long long inode)
    : m_descriptor(descriptor), m_device(device), m_inode(inode) {}

FileLock::~FileLock() {
    const std::scoped_lock guard(locked().mutex);
    locked().files.erase({m_device, m_inode});
    ::close(m_descriptor);
}

bool FileLock::standsAt(const QString& path) const {
    struct stat status {};
    return ::stat(systemPath(path).c_str(), &status) == 0 && status.st_dev == m_device &&
           status.st_ino == m_inode && status.st_nlink == 1;
}

Result<void> FileLock::rescuedTo(const QString& path) const {
    return madeWhole(path, Replaces::Nothing, [&](const QString& temporary) -> Result<void> {
        QFile file(temporary);
        if (!file.open(QIODevice::WriteOnly)) return systemFailure(path, errno);
        QByteArray part(1 << 16, '\0');
        for (off_t at = 0;;) {
            const ssize_t count =
                ::pread(m_descriptor, part.data(), static_cast<std::size_t>(part.size()), at);
            if (count < 0) return systemFailure(path, errno);
            if (count == 0) break;
            if (file.write(part.constData(), count) != count) return systemFailure(path, errno);
            at += count;
        }
        if (!file.flush()) return systemFailure(path, errno);
        return {};
    });
}

Result<void> madeWhole(const QString& path, Replaces replaces,
                       const std::function<Result<void>(const QString&)>& fill) {
    if (const auto may = folderWritable(path); !may) return may;
    const QFileInfo file(path);
    const QString temporary = file.dir().filePath(
        QStringLiteral(".%1.making-%2-%3")
            .arg(file.fileName())
            .arg(::getpid())
            .arg(QRandomGenerator::global()->generate(), 8, 16, QLatin1Char('0')));
    const std::string name = systemPath(temporary);
    const auto cleared = [&](Result<void> result) {
        ::unlink(name.c_str());
        ::unlink((name + "-journal").c_str());
        return result;
    };
    if (auto filled = fill(temporary); !filled) {
        // The sentence speaks of the file that was asked for, not of the name it was made under.
        return cleared(std::move(filled));
    }
    if (!putOnDisk(name, O_RDWR) || !renamed(name, systemPath(path), replaces)) {
        if (errno == EEXIST) {
            return cleared(failure(ErrorCode::InUse, path.toStdString(),
                                   text("%1 is there already.", shortName(path))));
        }
        return cleared(systemFailure(path, errno));
    }
    (void)cleared({});
    if (!putOnDisk(systemPath(file.absolutePath()), O_RDONLY | O_DIRECTORY)) {
        return systemFailure(path, errno);
    }
    return {};
}

Result<void> copied(sql::Database& database, const QString& from, const QString& to,
                    Replaces replaces) {
    return madeWhole(to, replaces, [&](const QString& temporary) -> Result<void> {
        const std::string name = systemPath(temporary);
        if (const auto made = database.run("VACUUM INTO ?", {std::string_view(name)}); !made) {
            return tl::unexpected(toldFailure(
                made.error().code == SQLITE_CORRUPT || made.error().code == SQLITE_BUSY ? from : to,
                made.error()));
        }
        return {};
    });
}

QString nameBeside(const QString& path, const QString& what) {
    const QFileInfo file(path);
    const QString stamp = QDateTime::currentDateTime().toString(QStringLiteral("yyyyMMdd-HHmmss"));
    const QString start = QStringLiteral("%1 %2 %3").arg(file.completeBaseName(), what, stamp);
    QString name = file.dir().filePath(start + QStringLiteral(".glimmet"));
    for (int again = 2; QFileInfo::exists(name); ++again) {
        name = file.dir().filePath(QStringLiteral("%1-%2.glimmet").arg(start).arg(again));
    }
    return name;
}

}  // namespace glimmet::store
