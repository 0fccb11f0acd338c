// What changes a workshop, and what takes it back.
#include "store/connection.h"
#include "store/documents.h"
#include "store/job_json.h"
#include "store/workshop.h"

namespace glimmet::store {

using core::ErrorCode;
using core::failure;
using core::Job;
using core::Result;
using core::Text;
using core::text;

Result<void> Workshop::Connection::mayWrite() const {
    const std::string called = shortName(path);
    if (readOnly) {
        return failure(ErrorCode::InUse, path.toStdString(),
                       text("%1 is open read-only: nothing can be changed in it.", called));
    }
    if (lock->standsAt(path)) return {};
    if (keptIn.isEmpty()) {
        const QString beside = nameBeside(path, QStringLiteral("kept"));
        if (const auto kept = lock->rescuedTo(beside); !kept) {
            return failure(ErrorCode::Unreadable, path.toStdString(),
                           text("%1 was moved, replaced or deleted while it was open, and what was "
                                "open could not be kept beside it: %2 Nothing was changed.",
                                called, kept.error().what));
        }
        keptIn = beside;
    }
    return failure(
        ErrorCode::Unreadable, path.toStdString(),
        text("%1 was moved, replaced or deleted while it was open. What was open, without "
             "this edit, is kept in %2: open that.",
             called, shortName(keptIn)));
}

namespace {

/// The step from a document's head: back to its parent, or forward towards its tip.
struct NextStep {
    RevisionId to = 0;
    ChangeId edit = 0;  ///< the change that is taken back or brought back
    std::string what;
};
sql::Result<std::optional<NextStep>> nextStep(sql::Database& database, JobId id, bool forward) {
    std::optional<NextStep> found;
    const auto read = database.rows(
        forward ? "WITH RECURSIVE chain(id, parent, change) AS ("
                  "  SELECT r.id, r.parent, r.change FROM revision r JOIN document d ON "
                  "  d.tip = r.id WHERE d.id = ?1 AND d.tip <> d.head UNION ALL "
                  "  SELECT r.id, r.parent, r.change FROM revision r JOIN chain ON "
                  "  r.id = chain.parent AND "
                  "  chain.parent <> (SELECT head FROM document WHERE id = ?1)) "
                  "SELECT chain.id, c.id, c.what FROM chain JOIN change c ON c.id = chain.change "
                  "WHERE chain.parent = (SELECT head FROM document WHERE id = ?1)"
                : "SELECT r.parent, c.id, c.what FROM document d JOIN revision r ON r.id = d.head "
                  "JOIN change c ON c.id = r.change WHERE d.id = ?1 AND r.parent IS NOT NULL",
        {id}, [&](const sql::Row& row) {
            found = NextStep{row.integer(0), row.integer(1), row.text(2)};
        });
    if (!read) return tl::unexpected(read.error());
    return found;
}

}  // namespace

Result<Undoable> Workshop::undoable(JobId id) const {
    Undoable undoable;
    if (!m_connection->present) return undoable;
    for (const bool forward : {false, true}) {
        const auto step = nextStep(m_connection->database, id, forward);
        if (!step) return m_connection->failed(step.error());
        if (*step) (forward ? undoable.redo : undoable.undo) = textOfColumn((*step)->what);
    }
    return undoable;
}

Result<JobId> Workshop::add(const Job& job, const Text& what) {
    return add(std::vector<Job>{job}, what).map([](const auto& ids) { return ids.front(); });
}

Result<std::vector<JobId>> Workshop::add(const std::vector<Job>& jobs, const Text& what) {
    Documents documents(m_connection->database, m_connection->path);
    return m_connection->writing([&]() -> Result<std::vector<JobId>> {
        std::vector<JobId> ids;
        const auto change = documents.changed("edit", what);
        if (!change) return tl::unexpected(change.error());
        for (const Job& job : jobs) {
            const auto id = documents.made(kept(job));
            if (!id) return tl::unexpected(id.error());
            const auto moved = documents.edited(*change, *id, {}, kept(job));
            if (!moved) return tl::unexpected(moved.error());
            ids.push_back(*id);
        }
        return ids;
    });
}

Result<ChangeId> Workshop::record(JobId id, const Job& job, const Text& what) {
    return record(std::vector<Edit>{{id, job}}, what);
}

Result<ChangeId> Workshop::record(const std::vector<Edit>& edits, const Text& what) {
    Documents documents(m_connection->database, m_connection->path);
    return m_connection->writing([&]() -> Result<ChangeId> {
        const auto change = documents.changed("edit", what);
        if (!change) return change;
        for (const Edit& edit : edits) {
            const auto head = documents.headOf(edit.job);
            if (!head) return tl::unexpected(head.error());
            const auto moved = documents.edited(*change, edit.job, *head, kept(edit.after));
            if (!moved) return tl::unexpected(moved.error());
        }
        return change;
    });
}

Result<void> Workshop::record(JobId id, const std::vector<Entry>& entries) {
    Documents documents(m_connection->database, m_connection->path);
    return m_connection->writing([&]() -> Result<void> {
        for (const Entry& entry : entries) {
            const auto change = documents.changed("edit", entry.what);
            if (!change) return tl::unexpected(change.error());
            const auto head = documents.headOf(id);
            if (!head) return tl::unexpected(head.error());
            const auto moved = documents.edited(*change, id, *head, kept(entry.after));
            if (!moved) return moved;
        }
        return {};
    });
}

namespace {

/// What a step led to: the content there, the edit's name, whether it changed other documents too.
struct Stepped {
    RevisionId to = 0;
    std::optional<RevisionId> head;
    std::string content;
    Text what;
    bool larger = false;
};

}  // namespace

/// One step of a document; `read` makes of its content what it is, or says why not.
template <class Thing, class Read>
Result<std::pair<Thing, Stepped>> stepOf(sql::Database& database, const QString& path, JobId id,
                                         bool forward, Read read) {
    Documents documents(database, path);
    const auto told = [&](const sql::Failure& failed) {
        return tl::unexpected(toldFailure(path, failed));
    };
    const auto head = documents.headOf(id);
    if (!head) return tl::unexpected(head.error());
    const auto next = nextStep(database, id, forward);
    if (!next) return told(next.error());
    if (!*next) {
        return failure(ErrorCode::Unknown, std::to_string(id),
                       forward ? text("There is nothing to bring back.")
                               : text("There is nothing to take back."));
    }
    const auto others =
        database.integer("SELECT count(*) FROM move WHERE change = ?", {(*next)->edit});
    if (!others) return told(others.error());
    const auto content = contentOfRevision(database, path, true, (*next)->to);
    if (!content) return tl::unexpected(content.error());
    auto thing = read(*content);
    if (!thing) return tl::unexpected(thing.error());
    Stepped stepped{(*next)->to, *head, {}, textOfColumn((*next)->what), others->value_or(1) > 1};
    const auto change = documents.changed(forward ? "redo" : "undo", stepped.what);
    if (!change) return tl::unexpected(change.error());
    const auto moved = documents.moved(*change, id, *head, stepped.to, kept(*thing));
    if (!moved) return tl::unexpected(moved.error());
    return std::pair{std::move(*thing), std::move(stepped)};
}

Result<Moved> Workshop::Connection::step(JobId id, bool forward) {
    return writing([&]() -> Result<Moved> {
        auto done = stepOf<Job>(database, path, id, forward,
                                [](const std::string& content) { return jobFromJson(content); });
        if (!done) return tl::unexpected(done.error());
        return Moved{std::move(done->first), done->second.what, done->second.larger};
    });
}

Result<Moved> Workshop::undo(JobId id) { return m_connection->step(id, false); }
Result<Moved> Workshop::redo(JobId id) { return m_connection->step(id, true); }

Result<std::optional<JobId>> Workshop::Connection::workshopDocument() {
    if (!present) return std::optional<JobId>();
    const auto found =
        database.integer("SELECT id FROM document WHERE kind = 'workshop' ORDER BY id LIMIT 1");
    if (!found) return failed(found.error());
    return *found;
}

Result<core::WorkshopRecord> Workshop::workshopRecord() const {
    const auto document = m_connection->workshopDocument();
    if (!document) return tl::unexpected(document.error());
    if (!*document) return core::WorkshopRecord();
    const auto head =
        m_connection->database.integer("SELECT head FROM document WHERE id = ?", {**document});
    if (!head) return m_connection->failed(head.error());
    if (!*head) return core::WorkshopRecord();
    const auto content =
        contentOfRevision(m_connection->database, m_connection->path, true, **head);
    if (!content) return tl::unexpected(content.error());
    return workshopFromJson(*content);
}

Result<void> Workshop::recordWorkshop(const std::vector<WorkshopEntry>& entries) {
    Documents documents(m_connection->database, m_connection->path);
    return m_connection->writing([&]() -> Result<void> {
        auto document = m_connection->workshopDocument();
        if (!document) return tl::unexpected(document.error());
        if (!*document) {
            // It begins as every workshop does, so that the first edit can be taken back.
            const core::WorkshopRecord usual;
            const auto change = documents.changed("edit", text("House"));
            if (!change) return tl::unexpected(change.error());
            const auto made = documents.made(kept(usual));
            if (!made) return tl::unexpected(made.error());
            const auto begun = documents.edited(*change, *made, {}, kept(usual));
            if (!begun) return begun;
            *document = *made;
        }
        for (const WorkshopEntry& entry : entries) {
            const auto change = documents.changed("edit", entry.what);
            if (!change) return tl::unexpected(change.error());
            const auto head = documents.headOf(**document);
            if (!head) return tl::unexpected(head.error());
            const auto moved = documents.edited(*change, **document, *head, kept(entry.after));
            if (!moved) return moved;
        }
        return {};
    });
}

Result<Undoable> Workshop::undoableWorkshop() const {
    const auto document = m_connection->workshopDocument();
    if (!document) return tl::unexpected(document.error());
    return *document ? undoable(**document) : Undoable();
}

Result<core::WorkshopRecord> Workshop::stepWorkshop(bool forward) {
    return m_connection->writing([&]() -> Result<core::WorkshopRecord> {
        const auto document = m_connection->workshopDocument();
        if (!document) return tl::unexpected(document.error());
        if (!*document) {
            return failure(ErrorCode::Unknown, "workshop", text("There is nothing to take back."));
        }
        auto done = stepOf<core::WorkshopRecord>(
            m_connection->database, m_connection->path, **document, forward,
            [](const std::string& content) { return workshopFromJson(content); });
        if (!done) return tl::unexpected(done.error());
        return std::move(done->first);
    });
}

Result<TakenBack> Workshop::takeBack(ChangeId id) {
    Documents documents(m_connection->database, m_connection->path);
    sql::Database& database = m_connection->database;
    return m_connection->writing([&]() -> Result<TakenBack> {
        struct Way {
            JobId document;
            RevisionId from, to;
            bool stands;
        };
        std::vector<Way> ways;
        const auto read = database.rows(
            "SELECT m.document, m.from_revision, m.to_revision, d.head = m.to_revision FROM move m "
            "JOIN document d ON d.id = m.document WHERE m.change = ? AND m.from_revision IS NOT "
            "NULL AND m.to_revision IS NOT NULL ORDER BY m.document",
            {id}, [&](const sql::Row& row) {
                ways.push_back(
                    {row.integer(0), row.integer(1), row.integer(2), row.integer(3) != 0});
            });
        if (!read) return m_connection->failed(read.error());
        TakenBack result;
        const auto name = database.text("SELECT what FROM change WHERE id = ?", {id});
        if (!name) return m_connection->failed(name.error());
        if (ways.empty() || !*name) {
            return failure(ErrorCode::Unknown, std::to_string(id),
                           text("There is no such change to take back."));
        }
        std::optional<ChangeId> change;
        for (const Way& way : ways) {
            if (!way.stands) {
                result.withNewerEdits.push_back(way.document);
                continue;
            }
            if (!change) {
                const auto made = documents.changed("undo", textOfColumn(**name));
                if (!made) return tl::unexpected(made.error());
                change = *made;
            }
            const auto job = jobOfRevision(database, m_connection->path, true, way.from);
            if (!job) return tl::unexpected(job.error());
            const auto moved = documents.moved(*change, way.document, way.to, way.from, kept(*job));
            if (!moved) return tl::unexpected(moved.error());
            result.moved.push_back(way.document);
        }
        return result;
    });
}

Result<void> Workshop::setOnShelf(JobId id, bool onShelf, const Text& what) {
    Documents documents(m_connection->database, m_connection->path);
    return m_connection->writing([&]() -> Result<void> {
        const auto head = documents.headOf(id);
        if (!head) return tl::unexpected(head.error());
        const auto change = documents.changed("shelf", what);
        if (!change) return tl::unexpected(change.error());
        return documents.shelved(*change, id, *head, onShelf);
    });
}

}  // namespace glimmet::store
