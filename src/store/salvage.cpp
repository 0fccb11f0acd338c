// Salvage of a damaged workshop: what SQLite can still reach of it, and of that every document that
// can be read, is put into a fresh workshop. (The sqlite3 program's own .recover would reach a
// little further, but the one that Debian 12 packs fails on every database.)
#include "store/job_json.h"
#include "store/workshop.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QSqlDatabase>
#include <QSqlQuery>
#include <QTemporaryDir>
#include <QUuid>
#include <QVariant>

#include <map>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::text;

struct Found {
    std::vector<core::Job> revisions;  ///< oldest first
};

/// Looks every revision up by its number: each look-up goes down the tree on its own, so a damaged
/// page costs the rows on it and what hangs below it, and no others.
std::map<qint64, Found> readable(const QString& path) {
    std::map<qint64, Found> jobs;
    const QString name = QUuid::createUuid().toString();
    {
        QSqlDatabase database = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), name);
        database.setDatabaseName(path);
        const bool open = database.open();
        QSqlQuery query(database);
        if (open &&
            query.prepare(QStringLiteral("SELECT job, document FROM revision WHERE id = ?"))) {
            // No revision is shorter than this, so the file's size bounds how many there can be.
            constexpr qint64 leastDocument = 256;
            const qint64 most = QFileInfo(path).size() / leastDocument + 1000;
            for (qint64 id = 1; id <= most; ++id) {
                query.bindValue(0, id);
                if (!query.exec() || !query.next()) continue;
                auto job = jobFromJson(query.value(1).toString().toStdString());
                if (job) jobs[query.value(0).toLongLong()].revisions.push_back(std::move(*job));
            }
        }
    }
    QSqlDatabase::removeDatabase(name);
    return jobs;
}

}  // namespace

core::Result<Salvage> salvage(const QString& damagedPath) {
    const QFileInfo damaged(damagedPath);
    const std::string called = damaged.fileName().toStdString();
    const auto nothing = [&] {
        return failure(ErrorCode::Unreadable, damagedPath.toStdString(),
                       text("Nothing could be salvaged from %1. It has not been touched.", called));
    };
    QTemporaryDir scratch;
    if (!scratch.isValid()) return nothing();
    // A copy, so that not even SQLite's own bookkeeping writes to the original.
    const QString copy = scratch.filePath(QStringLiteral("damaged"));
    if (!QFile::copy(damagedPath, copy)) return nothing();
    QFile::copy(damagedPath + QStringLiteral("-wal"), copy + QStringLiteral("-wal"));
    const auto jobs = readable(copy);
    if (jobs.empty()) return nothing();

    Salvage result;
    const QString stamp = QDateTime::currentDateTime().toString(QStringLiteral("yyyyMMdd-HHmmss"));
    result.path = damaged.dir().filePath(damaged.completeBaseName() + QStringLiteral(" salvaged ") +
                                         stamp + QStringLiteral(".glimmet"));
    const auto workshop = Workshop::open(result.path, Access::ReadWrite);
    if (!workshop) return tl::unexpected(workshop.error());
    for (const auto& [oldId, found] : jobs) {
        const auto id = (*workshop)->add(found.revisions.front(), text("Salvaged"));
        if (!id) return tl::unexpected(id.error());
        ++result.jobs;
        ++result.revisions;
        for (std::size_t i = 1; i < found.revisions.size(); ++i) {
            const auto kept = (*workshop)->record(*id, found.revisions[i], text("Salvaged"));
            if (!kept) return tl::unexpected(kept.error());
            ++result.revisions;
        }
    }
    return result;
}

}  // namespace glimmet::store
