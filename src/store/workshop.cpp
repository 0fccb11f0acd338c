#include "store/workshop.h"

#include "store/connection.h"
#include "store/documents.h"
#include "store/opening.h"
#include "store/schema.h"

#include <QFileInfo>

#include <algorithm>
#include <utility>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::Job;
using core::Result;
using core::Text;
using core::text;

/// Readers let go of the file after so many rows, so that nobody who writes waits for long.
constexpr std::int64_t rowsAtOnce = 200;

/// The file a path leads to; one is made where there is none and may be.
Result<QString> foundOrMade(const QString& path, Access access) {
    auto file = fileAt(path);
    if (file || file.error().code != ErrorCode::Missing || access == Access::ReadOnly) return file;
    if (const auto made = emptyMade(QFileInfo(path).absoluteFilePath()); !made) {
        return tl::unexpected(made.error());
    }
    return fileAt(path);
}

/// A copy of an older file beside it, before it is brought forward. One that is there stays.
Result<void> copyKept(sql::Database& database, const QString& path, int schema) {
    const QString copy = path + QStringLiteral(".schema%1").arg(schema);
    if (QFileInfo::exists(copy)) return {};
    if (const auto kept = copied(database, path, copy, Replaces::Nothing); !kept) {
        return failure(kept.error().code, path.toStdString(),
                       text("No copy of %1 could be made before bringing it forward: %2",
                            shortName(path), kept.error().what));
    }
    return {};
}

}  // namespace

Workshop::Workshop(std::unique_ptr<Connection> connection) : m_connection(std::move(connection)) {}
Workshop::~Workshop() = default;
QString Workshop::path() const { return m_connection->path; }
bool Workshop::readOnly() const { return m_connection->readOnly; }

Result<std::unique_ptr<Workshop>> Workshop::ready(std::unique_ptr<Connection> connection) {
    std::unique_ptr<Workshop> workshop(new Workshop(std::move(connection)));
    // What is written from now on was written since.
    if (const auto seen = workshop->writtenElsewhere(); !seen) return tl::unexpected(seen.error());
    return workshop;
}

Result<std::unique_ptr<Workshop>> Workshop::open(const QString& path, Access access,
                                                 Soundness soundness) {
    auto file = foundOrMade(path, access);
    if (!file) return tl::unexpected(file.error());
    auto connection = std::make_unique<Connection>();
    connection->path = *file;
    connection->readOnly = access == Access::ReadOnly;
    if (access == Access::ReadWrite) {
        auto lock = FileLock::taken(*file);
        if (!lock) return tl::unexpected(lock.error());
        connection->lock = std::move(*lock);
    }

    auto looking = reading(*file);
    if (!looking) return tl::unexpected(openingFailure(*file, looking.error()));
    const auto is = asked(*looking, *file);
    if (!is) return tl::unexpected(is.error());
    connection->present = is->schema >= firstWithDocuments;
    if (access == Access::ReadOnly) {
        connection->database = std::move(*looking);
        return ready(std::move(connection));
    }
    if (soundness == Soundness::ToBeChecked) {
        if (const auto whole = sound(*looking, *file); !whole) {
            return tl::unexpected(whole.error());
        }
    }
    *looking = sql::Database();  // closed, so that what follows waits for nobody of ours

    auto database = sql::Database::opened(systemPath(*file), sql::Mode::Writing);
    if (!database) return tl::unexpected(toldFailure(*file, database.error()));
    connection->database = std::move(*database);
    if (is->schema < schemaVersion || is->log) {
        if (const auto kept = copyKept(connection->database, *file, is->schema); !kept) {
            return tl::unexpected(kept.error());
        }
    }
    if (const auto set = settled(connection->database, *file); !set) {
        return tl::unexpected(set.error());
    }
    if (is->schema < schemaVersion) {
        if (const auto moved = broughtForward(connection->database, *file, is->schema); !moved) {
            return tl::unexpected(moved.error());
        }
        connection->present = true;
    }
    return ready(std::move(connection));
}

Result<std::vector<JobEntry>> Workshop::jobs() const {
    std::vector<JobEntry> entries;
    const char* batch =
        m_connection->present
            ? "SELECT id, name, body, ratio FROM document WHERE on_shelf = 1 AND kind = 'job' AND "
              "id > ? ORDER BY id LIMIT ?"
            : "SELECT id, name, kind, ratio FROM job WHERE on_shelf = 1 AND id > ? ORDER BY id "
              "LIMIT ?";
    for (std::size_t before = 0;; before = entries.size()) {
        const auto read = m_connection->database.rows(
            batch, {entries.empty() ? std::int64_t{0} : entries.back().id, rowsAtOnce},
            [&](const sql::Row& row) {
                entries.push_back({row.integer(0), row.text(1), row.text(2), row.real(3)});
            });
        if (!read) return m_connection->failed(read.error());
        if (entries.size() < before + rowsAtOnce) return entries;
    }
}

Result<std::vector<JobId>> Workshop::search(const std::string& words) const {
    // Each word becomes a quoted prefix; what the tokenizer would drop is dropped here too.
    QString match;
    QString current;
    const auto flush = [&] {
        if (!current.isEmpty()) match += QStringLiteral("\"%1\"* ").arg(current);
        current.clear();
    };
    for (const QChar c : QString::fromStdString(words)) {
        if (c.isLetterOrNumber() || c.isMark())
            current += c;
        else
            flush();
    }
    flush();
    // Signs and emoji are no words to the index, and an older file that is only read has none of
    // ours: then names are looked through as they stand. In one go: numbers of jobs are little to
    // read, and the index would be gone through anew for each batch.
    const bool byWords = m_connection->present && !match.isEmpty();
    const std::string wanted =
        byWords ? match.toStdString() : QString::fromStdString(words).trimmed().toStdString();
    const char* sql =
        byWords ? "SELECT document_words.rowid FROM document_words JOIN document ON document.id = "
                  "document_words.rowid WHERE document_words MATCH ? AND document.on_shelf = 1 "
                  "ORDER BY document_words.rowid"
        : m_connection->present
            ? "SELECT id FROM document WHERE instr(name, ?) > 0 AND on_shelf = 1 ORDER BY id"
            : "SELECT id FROM job WHERE instr(name, ?) > 0 AND on_shelf = 1 ORDER BY id";
    std::vector<JobId> found;
    const auto read =
        m_connection->database.rows(sql, {std::string_view(wanted)},
                                    [&](const sql::Row& row) { found.push_back(row.integer(0)); });
    if (!read) return m_connection->failed(read.error());
    return found;
}

Result<Job> Workshop::revision(RevisionId id) const {
    return jobOfRevision(m_connection->database, m_connection->path, m_connection->present, id);
}

Result<Job> Workshop::job(JobId id) const {
    const auto head = m_connection->database.integer(
        m_connection->present ? "SELECT head FROM document WHERE id = ? AND kind = 'job'"
                              : "SELECT head FROM job WHERE id = ?",
        {id});
    if (!head) return m_connection->failed(head.error());
    if (!*head) {
        return failure(ErrorCode::Unknown, std::to_string(id), text("There is no such job."));
    }
    return revision(**head);
}

Result<Job> Workshop::jobAt(JobId id, const QDateTime& moment) const {
    const std::string then = moment.toUTC().toString(Qt::ISODateWithMs).toStdString();
    const auto was = m_connection->database.integer(
        m_connection->present
            ? "SELECT to_revision FROM move JOIN change ON change.id = move.change WHERE document "
              "= ? AND at <= ? ORDER BY at DESC, change.id DESC LIMIT 1"
            : "SELECT revision FROM head_log WHERE job = ? AND at <= ? ORDER BY at DESC, rowid "
              "DESC LIMIT 1",
        {id, std::string_view(then)});
    if (!was) return m_connection->failed(was.error());
    if (!*was) {
        return failure(ErrorCode::Unknown, std::to_string(id),
                       text("The job was not on the shelf at that time."));
    }
    return revision(**was);
}

Result<History> Workshop::history(JobId id, std::size_t most) const {
    const bool present = m_connection->present;
    History history;
    const auto read = m_connection->database.rows(
        present ? "WITH RECURSIVE chain(id, parent, depth) AS ("
                  "  SELECT r.id, r.parent, 0 FROM revision r JOIN document d ON d.tip = r.id "
                  "  WHERE d.id = ? UNION ALL "
                  "  SELECT r.id, r.parent, depth + 1 FROM revision r JOIN chain ON "
                  "  r.id = chain.parent LIMIT ?) "
                  "SELECT chain.id, c.what, c.at, (SELECT head FROM document WHERE id = ?) "
                  "FROM chain JOIN revision r ON r.id = chain.id JOIN change c ON c.id = r.change "
                  "ORDER BY depth DESC"
                : "WITH RECURSIVE chain(id, parent, depth) AS ("
                  "  SELECT r.id, r.parent, 0 FROM revision r JOIN job j ON j.tip = r.id "
                  "  WHERE j.id = ? UNION ALL "
                  "  SELECT r.id, r.parent, depth + 1 FROM revision r JOIN chain ON "
                  "  r.id = chain.parent LIMIT ?) "
                  "SELECT chain.id, r.what, r.made_at, (SELECT head FROM job WHERE id = ?) "
                  "FROM chain JOIN revision r ON r.id = chain.id ORDER BY depth DESC",
        {id, static_cast<std::int64_t>(most), id}, [&](const sql::Row& row) {
            if (row.integer(0) == row.integer(3)) history.head = history.steps.size();
            history.steps.push_back(
                {row.integer(0), textOfColumn(row.text(1)), QString::fromStdString(row.text(2))});
        });
    if (!read) return m_connection->failed(read.error());
    return history;
}

Result<bool> Workshop::writtenElsewhere() const {
    const auto version = m_connection->database.integer("PRAGMA data_version");
    if (!version) return m_connection->failed(version.error());
    const std::int64_t now = version->value_or(0);
    return std::exchange(m_connection->seenVersion, now) != now;
}

Result<void> Workshop::copyTo(const QString& path) const {
    const QString to = QFileInfo(path).absoluteFilePath();
    if (const auto there = fileAt(path); there && *there == m_connection->path) {
        return failure(
            ErrorCode::InUse, to.toStdString(),
            text("%1 is the workshop that is open: a copy wants another name.", shortName(to)));
    } else if (!there && there.error().code != ErrorCode::Missing) {
        return tl::unexpected(there.error());
    }
    return copied(m_connection->database, m_connection->path, to, Replaces::WhatStandsThere);
}

}  // namespace glimmet::store
