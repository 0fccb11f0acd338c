// Salvage of a damaged workshop. SQLite's own program reads the pages that still make sense; what
// comes out is put into a fresh workshop, job by job, as far as its documents can be read.
#include "store/job_json.h"
#include "store/workshop.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QProcess>
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

/// Runs `sqlite3 damaged .recover` into `sqlite3 recovered`.
bool recovered(const QString& damaged, const QString& into) {
    QProcess reading;
    QProcess writing;
    reading.setStandardOutputProcess(&writing);
    reading.start(QStringLiteral("sqlite3"), {damaged, QStringLiteral(".recover")});
    writing.start(QStringLiteral("sqlite3"), {into});
    if (!reading.waitForStarted() || !writing.waitForStarted()) return false;
    reading.waitForFinished(120000);
    writing.waitForFinished(120000);
    return QFileInfo(into).size() > 0;
}

std::map<qint64, Found> readable(const QString& path) {
    std::map<qint64, Found> jobs;
    const QString name = QUuid::createUuid().toString();
    {
        QSqlDatabase database = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), name);
        database.setDatabaseName(path);
        if (database.open()) {
            // Where the table's own definition was lost, its rows stand in lost_and_found.
            for (const QString& sql :
                 {QStringLiteral("SELECT job, document FROM revision ORDER BY id"),
                  QStringLiteral(
                      "SELECT c1, c5 FROM lost_and_found WHERE nfield >= 6 ORDER BY id")}) {
                QSqlQuery query(database);
                if (!query.exec(sql)) continue;
                while (query.next()) {
                    auto job = jobFromJson(query.value(1).toString().toStdString());
                    if (job) jobs[query.value(0).toLongLong()].revisions.push_back(std::move(*job));
                }
                if (!jobs.empty()) break;
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
    const QString raw = scratch.filePath(QStringLiteral("recovered"));
    if (!recovered(copy, raw)) return nothing();
    const auto jobs = readable(raw);
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
