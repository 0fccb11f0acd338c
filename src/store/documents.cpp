#include "store/documents.h"

#include "store/fields/search_words.h"
#include "store/job_json.h"
#include "store/schema.h"
#include "store/workshop_file.h"

#include <QCryptographicHash>
#include <QDateTime>
#include <QtEndian>

#include <nlohmann/json.hpp>

#include <algorithm>
#include <vector>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::Job;
using core::Result;
using core::Text;
using core::text;
using sql::Null;
using sql::orNull;
using sql::Value;

nlohmann::json textOut(const Text& said) {
    if (said.verbatim) return said.pattern;
    nlohmann::json values = nlohmann::json::array();
    for (const Text& value : said.values) values.push_back(textOut(value));
    return {{"text", said.pattern}, {"values", values}};
}

Text textIn(const nlohmann::json& value, int depth = 0) {
    if (value.is_string()) return core::verbatim(value.get<std::string>());
    Text said;
    if (!value.is_object() || depth > 8) return said;
    if (value.contains("text") && value["text"].is_string()) said.pattern = value["text"];
    if (value.contains("values") && value["values"].is_array()) {
        for (const auto& one : value["values"]) said.values.push_back(textIn(one, depth + 1));
    }
    return said;
}

std::string now() {
    return QDateTime::currentDateTimeUtc().toString(Qt::ISODateWithMs).toStdString();
}

Result<void> checked(const QString& path, const sql::Result<void>& done) {
    if (!done) return tl::unexpected(toldFailure(path, done.error()));
    return {};
}

/// The words of the search for every job, as it is now; done when an older file is brought forward.
Result<void> indexed(sql::Database& database, const QString& path) {
    std::vector<std::pair<std::int64_t, std::int64_t>> heads;
    const auto read = database.rows(
        "SELECT id, head FROM document WHERE kind = 'job'", {},
        [&](const sql::Row& row) { heads.emplace_back(row.integer(0), row.integer(1)); });
    if (!read) return checked(path, read);
    for (const auto& [document, head] : heads) {
        const auto job = jobOfRevision(database, path, true, head);
        if (!job) continue;  // opening it will say why; the others are found
        const std::string words = searchWords(*job);
        const auto put = database.run("INSERT INTO document_words(rowid, words) VALUES (?,?)",
                                      {document, std::string_view(words)});
        if (!put) return checked(path, put);
    }
    return {};
}

}  // namespace

std::string textColumn(const Text& said) {
    return textOut(said).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace);
}

Text textOfColumn(const std::string& column) {
    const auto value = nlohmann::json::parse(column, nullptr, false);
    return value.is_discarded() ? core::verbatim(column) : textIn(value);
}

std::string bodiesOf(const Job& job) {
    std::string kinds;
    for (const core::Unit& unit : job.units) {
        kinds += (kinds.empty() ? "" : "+") + unit.body.kind;
    }
    return kinds;
}

Kept kept(const Job& job) {
    return {"job", jobToJson(job, -1), job.name, bodiesOf(job), job.scale.ratio, searchWords(job)};
}
Kept kept(const core::WorkshopRecord& workshop) {
    return {"workshop", workshopToJson(workshop, -1), "Workshop", "", 1, ""};
}

std::string searchWords(const Job& job) { return SearchWords::of(job); }

std::int64_t contentSum(std::string_view content) {
    const QByteArray digest = QCryptographicHash::hash(
        QByteArrayView(content.data(), static_cast<qsizetype>(content.size())),
        QCryptographicHash::Sha256);
    return qFromBigEndian<qint64>(digest.constData());
}

Result<std::string> contentOfRevision(sql::Database& database, const QString& path,
                                      bool presentSchema, std::int64_t revision) {
    std::optional<std::string> content;
    bool sound = true;
    const auto read =
        database.rows(presentSchema ? "SELECT content, sum FROM revision WHERE id = ?"
                                    : "SELECT document FROM revision WHERE id = ?",
                      {revision}, [&](const sql::Row& row) {
                          content = row.text(0);
                          sound = !presentSchema || contentSum(*content) == row.integer(1);
                      });
    if (!read) return tl::unexpected(toldFailure(path, read.error()));
    if (!content) {
        return failure(ErrorCode::Unknown, std::to_string(revision),
                       text("There is no such revision."));
    }
    if (!sound) {
        return failure(ErrorCode::Damaged, path.toStdString(),
                       text("%1 is damaged: a job in it is not what was written. What can be read "
                            "of the file can be salvaged into a new one.",
                            shortName(path)));
    }
    return std::move(*content);
}

Result<Job> jobOfRevision(sql::Database& database, const QString& path, bool presentSchema,
                          std::int64_t revision) {
    const auto content = contentOfRevision(database, path, presentSchema, revision);
    if (!content) return tl::unexpected(content.error());
    return jobFromJson(*content);
}

Result<void> stamped(sql::Database& database, const QString& path) {
    const std::string marks[] = {"PRAGMA user_version = " + std::to_string(schemaVersion),
                                 "PRAGMA application_id = " + std::to_string(applicationId)};
    for (const std::string& mark : marks) {
        if (const auto done = database.run(mark.c_str()); !done) return checked(path, done);
    }
    return {};
}

Result<void> broughtForward(sql::Database& database, const QString& path, int fromSchema) {
    const auto told = [&](const sql::Failure& failed) { return toldFailure(path, failed); };
    if (const auto known = database.define("content_sum", contentSum); !known) {
        return checked(path, known);
    }
    // Tables that refer to each other are replaced: held together again, and looked at, at the end.
    if (const auto off = database.run("PRAGMA foreign_keys = OFF"); !off) return checked(path, off);
    const auto moved = database.transaction(
        [&]() -> Result<void> {
            const Steps steps = stepsFrom(fromSchema);
            for (const auto& part : {steps.before, steps.tables, steps.after}) {
                for (const char* sql : part) {
                    if (const auto done = database.run(sql); !done) return checked(path, done);
                }
            }
            if (const auto found = indexed(database, path); !found) return found;
            bool holds = true;
            const auto keys = database.rows("PRAGMA foreign_key_check", {},
                                            [&](const sql::Row&) { holds = false; });
            if (!keys) return checked(path, keys);
            if (!holds) {
                return failure(ErrorCode::Damaged, path.toStdString(),
                               text("%1 cannot be brought forward: its rows do not hold together. "
                                    "It has not been changed; what can be read of it can be "
                                    "salvaged into a new file.",
                                    shortName(path)));
            }
            return stamped(database, path);
        },
        told);
    if (const auto on = database.run("PRAGMA foreign_keys = ON"); !on) return checked(path, on);
    return moved;
}

Result<void> Documents::run(const char* sql, std::initializer_list<Value> values) {
    return checked(m_path, m_database.run(sql, values));
}

Result<std::int64_t> Documents::changed(std::string_view kind, const Text& what) {
    const std::string at = now();
    const std::string named = textColumn(what);
    const auto put = run("INSERT INTO change(at, kind, what) VALUES (?,?,?)",
                         {std::string_view(at), kind, std::string_view(named)});
    if (!put) return tl::unexpected(put.error());
    return m_database.lastInsertId();
}

Result<std::int64_t> Documents::made(const Kept& document) {
    const auto put = run("INSERT INTO document(kind, name, body, ratio) VALUES (?,?,?,?)",
                         {document.kind, std::string_view(document.name),
                          std::string_view(document.bodies), document.ratio});
    if (!put) return tl::unexpected(put.error());
    return m_database.lastInsertId();
}

Result<std::optional<std::int64_t>> Documents::headOf(std::int64_t document) {
    std::optional<std::int64_t> head;
    bool there = false;
    const auto read = m_database.rows("SELECT head FROM document WHERE id = ?", {document},
                                      [&](const sql::Row& row) {
                                          there = true;
                                          head = row.integerOrNull(0);
                                      });
    if (!read) return tl::unexpected(toldFailure(m_path, read.error()));
    if (!there) {
        return failure(ErrorCode::Unknown, std::to_string(document), text("There is no such job."));
    }
    return head;
}

Result<void> Documents::edited(std::int64_t change, std::int64_t document,
                               std::optional<std::int64_t> head, const Kept& after) {
    const std::string& content = after.content;
    const auto put =
        run("INSERT INTO revision(document, parent, change, sum, content) VALUES (?,?,?,?,?)",
            {document, orNull(head), change, contentSum(content), std::string_view(content)});
    if (!put) return put;
    const std::int64_t revision = m_database.lastInsertId();
    const auto way =
        run("INSERT INTO move VALUES (?,?,?,?)", {change, document, orNull(head), revision});
    if (!way) return way;
    return headSet(document, revision, true, after);
}

Result<void> Documents::moved(std::int64_t change, std::int64_t document,
                              std::optional<std::int64_t> from, std::int64_t to, const Kept& now) {
    const auto way = run("INSERT INTO move VALUES (?,?,?,?)", {change, document, orNull(from), to});
    if (!way) return way;
    return headSet(document, to, false, now);
}

Result<void> Documents::shelved(std::int64_t change, std::int64_t document,
                                std::optional<std::int64_t> head, bool onShelf) {
    const auto set =
        run("UPDATE document SET on_shelf = ? WHERE id = ?", {std::int64_t{onShelf}, document});
    if (!set) return set;
    // Off the shelf is nowhere: from or to nothing.
    return run("INSERT INTO move VALUES (?,?,?,?)",
               {change, document, onShelf ? Value(Null()) : orNull(head),
                onShelf ? orNull(head) : Value(Null())});
}

Result<void> Documents::headSet(std::int64_t document, std::int64_t head, bool tipToo,
                                const Kept& now) {
    const auto set =
        run(tipToo ? "UPDATE document SET head = ?1, tip = ?1, name = ?2, body = ?3, "
                     "ratio = ?4 WHERE id = ?5"
                   : "UPDATE document SET head = ?1, name = ?2, body = ?3, ratio = ?4 "
                     "WHERE id = ?5",
            {head, std::string_view(now.name), std::string_view(now.bodies), now.ratio, document});
    if (!set) return set;
    const auto forget = run("DELETE FROM document_words WHERE rowid = ?", {document});
    if (!forget || now.words.empty()) return forget;
    return run("INSERT INTO document_words(rowid, words) VALUES (?,?)",
               {document, std::string_view(now.words)});
}

}  // namespace glimmet::store
