// Salvage of a damaged workshop: every row that still stands whole on a page of the file, found
// without the pages that lead there, put into a fresh workshop with the numbers it had. A revision
// counts only if it is, byte for byte, what was written.
#include "store/documents.h"
#include "store/job_json.h"
#include "store/page_reader.h"
#include "store/schema.h"
#include "store/workshop.h"
#include "store/workshop_file.h"

#include <QFile>
#include <QFileInfo>
#include <QTemporaryDir>

#include <algorithm>
#include <map>
#include <set>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::Result;
using core::text;
using Number = std::int64_t;
using NumberOrNull = std::optional<Number>;

struct Document {
    std::string kind, name, body;
    double ratio = 87;
    Number onShelf = 1;
    NumberOrNull head, tip;
};
struct Revision {
    Number document = 0;
    NumberOrNull parent;
    Number change = 0;
    std::string content;
};
struct Change {
    std::string at, kind, what;
};
struct Move {
    Number change = 0, document = 0;
    NumberOrNull from, to;
};
/// What is found, by its number in the damaged file.
struct Found {
    std::map<Number, Document> documents;
    std::map<Number, Revision> revisions;
    std::map<Number, Change> changes;
    std::map<Number, Move> moves;
    std::map<std::string, std::string> photos;  ///< bytes by their sum
};
/// The same of schemas 1 and 2.
struct OlderRevision {
    Number job = 0;
    NumberOrNull parent;
    std::string madeAt, what, content;
};
struct OlderLog {
    Number job = 0;
    std::string at;
    Number revision = 0;
};
struct OlderFound {
    std::map<Number, Document> jobs;
    std::map<Number, OlderRevision> revisions;
    std::map<Number, OlderLog> log;
};

// Rows are told apart by the number and types of their columns (store/schema.cpp).
using Values = std::vector<RawValue>;
template <class T>
bool is(const Values& values, std::initializer_list<std::size_t> columns) {
    return std::all_of(columns.begin(), columns.end(),
                       [&](std::size_t at) { return std::holds_alternative<T>(values[at]); });
}
bool isNumberOrNull(const Values& values, std::initializer_list<std::size_t> columns) {
    return std::all_of(columns.begin(), columns.end(), [&](std::size_t at) {
        return is<Number>(values, {at}) || is<std::monostate>(values, {at});
    });
}
Number number(const Values& values, std::size_t at) { return std::get<Number>(values[at]); }
NumberOrNull numberOrNull(const Values& values, std::size_t at) {
    const auto* found = std::get_if<Number>(&values[at]);
    return found ? NumberOrNull(*found) : std::nullopt;
}
std::string words(Values& values, std::size_t at) {
    return std::move(std::get<std::string>(values[at]));
}
/// A REAL column keeps whole numbers as integers.
std::optional<double> real(const Values& values, std::size_t at) {
    if (const auto* found = std::get_if<double>(&values[at])) return *found;
    if (const auto* found = std::get_if<Number>(&values[at])) return static_cast<double>(*found);
    return {};
}

bool isOneOf(const std::string& word, std::initializer_list<std::string_view> allowed) {
    return std::find(allowed.begin(), allowed.end(), word) != allowed.end();
}

void sort(RawRow row, Found& found, OlderFound& older) {
    Values& values = row.values;
    const bool numbered = !values.empty() && is<std::monostate>(values, {0});
    if (values.size() == 8 && numbered && is<std::string>(values, {1, 2, 3}) && real(values, 4) &&
        is<Number>(values, {5}) && isNumberOrNull(values, {6, 7})) {
        found.documents[row.id] = {
            words(values, 1),  words(values, 2),        words(values, 3),       *real(values, 4),
            number(values, 5), numberOrNull(values, 6), numberOrNull(values, 7)};
    } else if (values.size() == 6 && numbered && is<Number>(values, {1, 3, 4}) &&
               isNumberOrNull(values, {2}) && is<std::string>(values, {5})) {
        std::string content = words(values, 5);
        if (contentSum(content) != number(values, 4)) return;
        found.revisions[row.id] = {number(values, 1), numberOrNull(values, 2), number(values, 3),
                                   std::move(content)};
    } else if (values.size() == 4 && numbered && is<std::string>(values, {1, 2, 3})) {
        const std::string kind = words(values, 2);
        if (!isOneOf(kind, {"edit", "undo", "redo", "shelf"})) return;
        found.changes[row.id] = {words(values, 1), kind, words(values, 3)};
    } else if (values.size() == 4 && is<Number>(values, {0, 1}) && isNumberOrNull(values, {2, 3})) {
        found.moves[row.id] = {number(values, 0), number(values, 1), numberOrNull(values, 2),
                               numberOrNull(values, 3)};
    } else if (values.size() == 7 && numbered && is<std::string>(values, {1, 2}) &&
               real(values, 3) && is<Number>(values, {4}) && isNumberOrNull(values, {5, 6})) {
        older.jobs[row.id] = {"job",
                              words(values, 1),
                              words(values, 2),
                              *real(values, 3),
                              number(values, 4),
                              numberOrNull(values, 5),
                              numberOrNull(values, 6)};
    } else if (values.size() == 6 && numbered && is<Number>(values, {1}) &&
               isNumberOrNull(values, {2}) && is<std::string>(values, {3, 4, 5})) {
        std::string content = words(values, 5);
        if (!jobFromJson(content)) return;  // older revisions have no sum to tell by
        std::string madeAt = words(values, 3);
        std::string what = words(values, 4);
        older.revisions[row.id] = {number(values, 1), numberOrNull(values, 2), std::move(madeAt),
                                   std::move(what), std::move(content)};
    } else if (values.size() == 3 && is<std::string>(values, {0, 1, 2})) {
        std::string bytes = words(values, 2);
        std::string sum = words(values, 0);
        if (photoSum(bytes) == sum) found.photos[std::move(sum)] = std::move(bytes);
    } else if (values.size() == 3 && is<Number>(values, {0, 2}) && is<std::string>(values, {1})) {
        older.log[row.id] = {number(values, 0), words(values, 1), number(values, 2)};
    }
}

/// All rows, cut into pages as the header says or as Glimmet does: whichever gives more.
std::pair<Found, OlderFound> rowsOf(std::span<const std::byte> bytes) {
    std::pair<Found, OlderFound> most;
    const auto shape = saidShape(bytes);
    for (const PageShape& each : {shape.value_or(PageShape()), PageShape()}) {
        std::pair<Found, OlderFound> rows;
        eachRow(bytes, each, [&](RawRow row) { sort(std::move(row), rows.first, rows.second); });
        const auto count = [](const auto& of) {
            return of.first.revisions.size() + of.second.revisions.size();
        };
        if (count(rows) > count(most)) most = std::move(rows);
        if (shape == PageShape()) break;
    }
    return most;
}

/// Where a document's moves lead, one after the other.
struct Replayed {
    NumberOrNull head;
    Number onShelf = 1;
    std::set<Number> reached;
};
std::map<Number, Replayed> replayed(const Found& found) {
    std::vector<const Move*> inOrder;
    for (const auto& [id, move] : found.moves) inOrder.push_back(&move);
    std::stable_sort(inOrder.begin(), inOrder.end(),
                     [](const Move* a, const Move* b) { return a->change < b->change; });
    std::map<Number, Replayed> result;
    for (const Move* move : inOrder) {
        Replayed& now = result[move->document];
        const auto change = found.changes.find(move->change);
        const std::string kind = change == found.changes.end() ? "" : change->second.kind;
        if (!move->to || kind == "shelf") {
            now.onShelf = move->to.has_value();
            continue;
        }
        now.head = move->to;
        now.reached.insert(*move->to);
    }
    return result;
}

/// Makes what was found hold together: each document with a head that is there, each revision with
/// a parent and a change that are there, each move between revisions that are there.
void mend(Found& found) {
    const auto there = [&](NumberOrNull revision, Number document) {
        if (!revision) return false;
        const auto at = found.revisions.find(*revision);
        return at != found.revisions.end() && at->second.document == document;
    };
    std::map<Number, std::vector<Number>> byDocument;
    for (const auto& [id, revision] : found.revisions) byDocument[revision.document].push_back(id);

    const auto ways = replayed(found);
    std::map<Number, Document> documents;
    for (const auto& [id, revisions] : byDocument) {
        Document document;
        const auto row = found.documents.find(id);
        const auto way = ways.find(id);
        if (row != found.documents.end()) document = row->second;
        if (way != ways.end()) {
            // A row older than the moves comes from a page that was left behind.
            const bool stale = row == found.documents.end() ||
                               (row->second.head != way->second.head && row->second.head &&
                                way->second.reached.contains(*row->second.head));
            if (stale) {
                document.head = way->second.head;
                document.tip = revisions.back();  // every edit made its revision the tip
                document.onShelf = way->second.onShelf;
            }
        }
        if (!there(document.head, id)) document.head = revisions.back();
        if (!there(document.tip, id)) document.tip = revisions.back();
        // What the shelf shows is taken from the job itself: the row may be damaged unnoticed.
        const auto job = jobFromJson(found.revisions.at(*document.head).content);
        if (row == found.documents.end() && !job) continue;
        if (job) {
            document.kind = "job";
            document.name = job->name;
            document.body = bodiesOf(*job);
            document.ratio = job->scale.ratio;
        }
        documents[id] = std::move(document);
    }
    found.documents = std::move(documents);

    for (auto& [id, revision] : found.revisions) {
        if (revision.parent && !there(revision.parent, revision.document)) {
            // The newest that is left of those before it.
            const auto& own = byDocument[revision.document];
            const auto after = std::lower_bound(own.begin(), own.end(), *revision.parent);
            revision.parent = after == own.begin() ? std::nullopt : NumberOrNull(*(after - 1));
        }
        if (!found.changes.contains(revision.change)) {
            const auto later = found.changes.lower_bound(revision.change);
            const auto near = later != found.changes.end()     ? later
                              : later == found.changes.begin() ? found.changes.end()
                                                               : std::prev(later);
            found.changes[revision.change] = {
                near == found.changes.end() ? "" : near->second.at, "edit",
                textColumn(text("Salvaged: what this edit was is lost"))};
        }
    }
    std::erase_if(found.moves, [&](const auto& each) {
        const Move& move = each.second;
        return !found.changes.contains(move.change) || !found.documents.contains(move.document) ||
               (move.to && !there(move.to, move.document)) || (!move.to && !move.from);
    });
    for (auto& [id, move] : found.moves) {
        if (move.from && !there(move.from, move.document)) move.from.reset();
    }
    // What a job was at any moment is told by moves: a revision whose move is lost gets one.
    std::set<Number> reached;
    for (const auto& [id, move] : found.moves) {
        if (move.to) reached.insert(*move.to);
    }
    Number next = found.moves.empty() ? 1 : found.moves.rbegin()->first + 1;
    for (const auto& [id, revision] : found.revisions) {
        if (!reached.contains(id) && found.documents.contains(revision.document)) {
            found.moves[next++] = {revision.change, revision.document, revision.parent, id};
        }
    }
}

/// Puts everything into an empty workshop.
sql::Result<void> put(sql::Database& to, const Found& found) {
    for (const auto& [id, change] : found.changes) {
        const auto done = to.run("INSERT INTO change VALUES (?,?,?,?)",
                                 {id, std::string_view(change.at), std::string_view(change.kind),
                                  std::string_view(change.what)});
        if (!done) return done;
    }
    for (const auto& [id, document] : found.documents) {
        const auto done =
            to.run("INSERT INTO document VALUES (?,?,?,?,?,?,?,?)",
                   {id, std::string_view(document.kind), std::string_view(document.name),
                    std::string_view(document.body), document.ratio, document.onShelf,
                    sql::orNull(document.head), sql::orNull(document.tip)});
        if (!done) return done;
        const auto job = jobFromJson(found.revisions.at(*document.head).content);
        if (!job || document.kind != "job") continue;
        const std::string words = searchWords(*job);
        const auto indexed = to.run("INSERT INTO document_words(rowid, words) VALUES (?,?)",
                                    {id, std::string_view(words)});
        if (!indexed) return indexed;
    }
    for (const auto& [id, revision] : found.revisions) {
        if (!found.documents.contains(revision.document)) continue;
        const auto done =
            to.run("INSERT INTO revision VALUES (?,?,?,?,?,?)",
                   {id, revision.document, sql::orNull(revision.parent), revision.change,
                    contentSum(revision.content), std::string_view(revision.content)});
        if (!done) return done;
    }
    for (const auto& [id, move] : found.moves) {
        const auto done =
            to.run("INSERT INTO move VALUES (?,?,?,?)",
                   {move.change, move.document, sql::orNull(move.from), sql::orNull(move.to)});
        if (!done) return done;
    }
    for (const auto& [sum, bytes] : found.photos) {
        const auto done = to.run("INSERT INTO blob VALUES (?,?,?)",
                                 {std::string_view(sum), photoKind(bytes), sql::Blob{bytes}});
        if (!done) return done;
    }
    return {};
}

/// What was found of an older schema, as that schema's tables had it; then it is brought forward.
sql::Result<void> put(sql::Database& to, const OlderFound& found) {
    std::map<Number, Number> newest;
    for (const auto& [id, revision] : found.revisions) newest[revision.job] = id;
    const auto there = [&](NumberOrNull revision, Number job) {
        if (!revision) return false;
        const auto at = found.revisions.find(*revision);
        return at != found.revisions.end() && at->second.job == job;
    };
    std::map<Number, Number> lastLogged;
    for (const auto& [id, log] : found.log) {
        if (there(log.revision, log.job)) lastLogged[log.job] = log.revision;
    }
    for (const auto& [id, last] : newest) {
        Document document;
        if (const auto row = found.jobs.find(id); row != found.jobs.end()) document = row->second;
        if (!there(document.head, id)) {
            document.head = lastLogged.contains(id) ? lastLogged.at(id) : last;
        }
        if (!there(document.tip, id)) document.tip = last;
        const auto job = jobFromJson(found.revisions.at(*document.head).content);
        if (!job) continue;
        const std::string bodies = bodiesOf(*job);
        const auto done =
            to.run("INSERT INTO job VALUES (?,?,?,?,?,?,?)",
                   {id, std::string_view(job->name), std::string_view(bodies), job->scale.ratio,
                    document.onShelf, sql::orNull(document.head), sql::orNull(document.tip)});
        if (!done) return done;
    }
    for (const auto& [id, revision] : found.revisions) {
        const auto done = to.run(
            "INSERT INTO revision VALUES (?,?,?,?,?,?)",
            {id, revision.job,
             there(revision.parent, revision.job) ? sql::orNull(revision.parent) : sql::Value(),
             std::string_view(revision.madeAt), std::string_view(revision.what),
             std::string_view(revision.content)});
        if (!done) return done;
    }
    for (const auto& [id, log] : found.log) {
        if (!there(log.revision, log.job)) continue;
        const auto done = to.run("INSERT INTO head_log(rowid, job, at, revision) VALUES (?,?,?,?)",
                                 {id, log.job, std::string_view(log.at), log.revision});
        if (!done) return done;
    }
    return {};
}

/// The bytes of the damaged file, as a writer that was cut short would have left them: what stands
/// in a log or journal beside it is taken in by SQLite, if it still can, in a copy.
QByteArray settledBytes(const QString& damaged, const QString& copy) {
    for (const char* beside : {"", "-wal", "-journal"}) {
        const QString part = QLatin1String(beside);
        const bool done = QFile::copy(damaged + part, copy + part);
        if (!done && part.isEmpty()) return {};
    }
    {
        auto database = sql::Database::opened(systemPath(copy), sql::Mode::Writing);
        if (database) (void)database->text("PRAGMA wal_checkpoint(TRUNCATE)");
    }
    QFile file(copy);
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
}

}  // namespace

Result<Salvage> salvage(const QString& damagedPath) {
    const auto nothing = [&] {
        return failure(ErrorCode::Unreadable, damagedPath.toStdString(),
                       text("Nothing could be salvaged from %1. It has not been touched.",
                            shortName(damagedPath)));
    };
    const auto damaged = fileAt(damagedPath);
    QTemporaryDir scratch;
    if (!damaged || !scratch.isValid()) return nothing();
    const QByteArray bytes = settledBytes(*damaged, scratch.filePath(QStringLiteral("damaged")));
    auto rows =
        rowsOf(std::as_bytes(std::span(bytes.constData(), static_cast<std::size_t>(bytes.size()))));
    Found& found = rows.first;
    const OlderFound& older = rows.second;
    mend(found);
    const bool present = !found.documents.empty();
    if (!present && older.revisions.empty()) return nothing();

    Salvage result;
    result.path = nameBeside(*damaged, QStringLiteral("salvaged"));
    const auto told = [&](const sql::Failure& failed) { return toldFailure(result.path, failed); };
    const auto filled = [&](const QString& temporary) -> Result<void> {
        auto to = sql::Database::opened(systemPath(temporary), sql::Mode::Creating);
        if (!to) return tl::unexpected(told(to.error()));
        if (const auto size = to->run("PRAGMA page_size = 4096"); !size) {
            return tl::unexpected(told(size.error()));
        }
        const auto written = to->transaction(
            [&]() -> Result<void> {
                for (const char* table : present ? tables() : olderTables()) {
                    if (const auto made = to->run(table); !made) {
                        return tl::unexpected(told(made.error()));
                    }
                }
                const auto done = present ? put(*to, found) : put(*to, older);
                if (!done) return tl::unexpected(told(done.error()));
                return stamped(*to, result.path);
            },
            told);
        if (!written) return written;
        return present ? Result<void>() : broughtForward(*to, result.path, 2);
    };
    if (const auto made = madeWhole(result.path, Replaces::Nothing, filled); !made) {
        return tl::unexpected(made.error());
    }
    const auto workshop = Workshop::open(result.path, Access::ReadOnly);
    if (!workshop) return tl::unexpected(workshop.error());
    if (present) {
        result.jobs = found.documents.size();
        result.revisions = static_cast<std::size_t>(std::count_if(
            found.revisions.begin(), found.revisions.end(),
            [&](const auto& each) { return found.documents.contains(each.second.document); }));
    } else {
        std::set<Number> jobs;
        for (const auto& [id, revision] : older.revisions) jobs.insert(revision.job);
        result.jobs = jobs.size();
        result.revisions = older.revisions.size();
    }
    return result;
}

}  // namespace glimmet::store
