#include "store/opening.h"

#include "store/documents.h"
#include "store/schema.h"
#include "store/workshop.h"
#include "store/workshop_file.h"

#include <QFileInfo>

#include <sqlite3.h>

namespace glimmet::store {

using core::ErrorCode;
using core::failure;
using core::Result;
using core::text;

namespace {

/// A file that goes by a workshop's name and is as large as one may be one whose beginning is
/// damaged: then it can be salvaged.
core::Error noWorkshop(const QString& path) {
    constexpr qint64 leastWorkshop = 4096;
    const QFileInfo file(path);
    if (file.suffix() == QLatin1String("glimmet") && file.size() >= leastWorkshop) {
        return {ErrorCode::Damaged, path.toStdString(),
                text("%1 cannot be read as a workshop: its beginning is damaged, or it never was "
                     "one. It has not been touched; what can be read of it can be salvaged into a "
                     "new file.",
                     shortName(path))};
    }
    return {
        ErrorCode::NotUnderstood, path.toStdString(),
        text("%1 is no Glimmet workshop. A job in JSON can be imported instead.", shortName(path))};
}

}  // namespace

sql::Result<sql::Database> reading(const QString& path) {
    const std::string name = systemPath(path);
    const auto usable = [](sql::Result<sql::Database> opened) {
        if (!opened) return opened;
        // SQLite opens lazily: only a question tells whether it can read.
        if (const auto asked = opened->integer("SELECT count(*) FROM sqlite_schema"); !asked) {
            opened = tl::unexpected(asked.error());
        }
        return opened;
    };
    auto plain = usable(sql::Database::opened(name, sql::Mode::Reading));
    if (plain) return plain;
    const int code = plain.error().code;
    if (code != SQLITE_READONLY && code != SQLITE_CANTOPEN) return plain;
    // A killed writer's journal wants rolling back, or a log its index.
    auto mending = usable(sql::Database::opened(name, sql::Mode::ReadingMendsJournal));
    if (mending) return mending;
    // A file with a log and nothing in it, in a folder that may not be written.
    const QFileInfo log(path + QStringLiteral("-wal"));
    const QFileInfo journal(path + QStringLiteral("-journal"));
    if (log.size() > 0 || journal.size() > 0) return plain;
    return usable(sql::Database::opened(name, sql::Mode::Immutable));
}

Result<Asked> asked(sql::Database& database, const QString& path) {
    const std::string whole = path.toStdString();
    const std::string called = shortName(path);
    const auto application = database.integer("PRAGMA application_id");
    if (!application) return tl::unexpected(toldFailure(path, application.error()));
    const auto schema = database.integer("PRAGMA user_version");
    if (!schema) return tl::unexpected(toldFailure(path, schema.error()));
    const auto journal = database.text("PRAGMA journal_mode");
    if (!journal) return tl::unexpected(toldFailure(path, journal.error()));
    if (*application != std::optional<std::int64_t>(applicationId)) {
        return tl::unexpected(noWorkshop(path));
    }
    const std::int64_t number = schema->value_or(0);
    if (number > schemaVersion) {
        return failure(ErrorCode::TooNew, whole,
                       text("%1 was written by a later Glimmet (schema %2; this one reads up to "
                            "%3). It has not been touched.",
                            called, std::to_string(number), std::to_string(schemaVersion)));
    }
    if (number < 1) {
        return failure(ErrorCode::Damaged, whole,
                       text("%1 says that it is of schema %2, which no Glimmet wrote. It has not "
                            "been touched; what can be read of it can be salvaged into a new file.",
                            called, std::to_string(number)));
    }
    return Asked{static_cast<int>(number), *journal == "wal"};
}

core::Error openingFailure(const QString& path, const sql::Failure& failed) {
    if (failed.code == SQLITE_NOTADB) return noWorkshop(path);
    if (failed.code == SQLITE_READONLY || failed.code == SQLITE_CANTOPEN) {
        return core::Error{ErrorCode::Unreadable, path.toStdString(),
                           text("%1 cannot be opened here: an edit that was cut short, or a log, "
                                "stands beside it, and its folder may not be written. Copy both "
                                "to a folder of yours.",
                                shortName(path))};
    }
    return toldFailure(path, failed);
}

Result<void> sound(sql::Database& database, const QString& path) {
    std::string verdict;
    const auto checked = database.rows("PRAGMA quick_check(1)", {}, [&](const sql::Row& row) {
        if (verdict.empty()) verdict = row.text(0);
    });
    if (!checked) return tl::unexpected(toldFailure(path, checked.error()));
    if (verdict == "ok") return {};
    return tl::unexpected(toldFailure(path, {SQLITE_CORRUPT, SQLITE_CORRUPT, verdict}));
}

Result<void> settled(sql::Database& database, const QString& path) {
    const auto journal = database.text("PRAGMA journal_mode = PERSIST");
    if (!journal) return tl::unexpected(toldFailure(path, journal.error()));
    if (*journal != "persist") {
        return failure(ErrorCode::InUse, path.toStdString(),
                       text("Another program reads %1 and keeps a log beside it. Nothing was "
                            "changed; try again when it is done.",
                            shortName(path)));
    }
    for (const char* set : {"PRAGMA synchronous = FULL", "PRAGMA foreign_keys = ON"}) {
        if (const auto done = database.run(set); !done) {
            return tl::unexpected(toldFailure(path, done.error()));
        }
    }
    const auto full = database.integer("PRAGMA synchronous");
    const auto keys = database.integer("PRAGMA foreign_keys");
    if (!full || !keys || *full != 2 || *keys != 1) {
        return failure(
            ErrorCode::Unreadable, path.toStdString(),
            text("%1 cannot be kept safely by the SQLite of this machine.", shortName(path)));
    }
    return {};
}

Result<void> emptyMade(const QString& path) {
    return madeWhole(path, Replaces::Nothing, [&](const QString& temporary) -> Result<void> {
        const auto told = [&](const sql::Failure& failed) { return toldFailure(path, failed); };
        auto made = sql::Database::opened(systemPath(temporary), sql::Mode::Creating);
        if (!made) return tl::unexpected(told(made.error()));
        // Salvage takes pages of this size where the header is gone.
        for (const char* set : {"PRAGMA page_size = 4096", "PRAGMA journal_mode = DELETE"}) {
            if (const auto done = made->run(set); !done) return tl::unexpected(told(done.error()));
        }
        return made->transaction(
            [&]() -> Result<void> {
                for (const char* sql : tables()) {
                    if (const auto done = made->run(sql); !done) {
                        return tl::unexpected(told(done.error()));
                    }
                }
                return stamped(*made, path);
            },
            told);
    });
}

Result<void> examined(const QString& path) {
    const auto file = fileAt(path);
    if (!file) return {};  // open() says what it is
    auto database = reading(*file);
    if (!database) {
        if (database.error().code == SQLITE_NOTADB) return {};
        return tl::unexpected(openingFailure(*file, database.error()));
    }
    if (const auto is = asked(*database, *file); !is) return {};
    return sound(*database, *file);
}

}  // namespace glimmet::store
