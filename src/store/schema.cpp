#include "store/schema.h"

#include <cassert>

namespace glimmet::store {
namespace {

// Salvage knows rows by their number of columns and the types in them (store/salvage.cpp).
constexpr const char* present[] = {
    R"(CREATE TABLE document (
        id INTEGER PRIMARY KEY,
        kind TEXT NOT NULL CHECK (kind IN ('job', 'workshop')),
        name TEXT NOT NULL,
        body TEXT NOT NULL,
        ratio REAL NOT NULL,
        on_shelf INTEGER NOT NULL DEFAULT 1,
        head INTEGER REFERENCES revision(id) DEFERRABLE INITIALLY DEFERRED,
        tip INTEGER REFERENCES revision(id) DEFERRABLE INITIALLY DEFERRED
    ) STRICT)",
    R"(CREATE TABLE revision (
        id INTEGER PRIMARY KEY,
        document INTEGER NOT NULL REFERENCES document(id),
        parent INTEGER REFERENCES revision(id),
        change INTEGER NOT NULL REFERENCES change(id),
        sum INTEGER NOT NULL,
        content TEXT NOT NULL
    ) STRICT)",
    R"(CREATE TABLE change (
        id INTEGER PRIMARY KEY,
        at TEXT NOT NULL,
        kind TEXT NOT NULL CHECK (kind IN ('edit', 'undo', 'redo', 'shelf')),
        what TEXT NOT NULL
    ) STRICT)",
    R"(CREATE TABLE move (
        change INTEGER NOT NULL REFERENCES change(id),
        document INTEGER NOT NULL REFERENCES document(id),
        from_revision INTEGER REFERENCES revision(id),
        to_revision INTEGER REFERENCES revision(id)
    ) STRICT)",
    R"(CREATE TABLE blob (
        sha256 TEXT PRIMARY KEY,
        mime TEXT NOT NULL,
        bytes BLOB NOT NULL
    ) STRICT)",
    "CREATE INDEX revision_document ON revision(document)",
    "CREATE INDEX move_document ON move(document, change)",
    "CREATE INDEX move_change ON move(change)",
    "CREATE VIRTUAL TABLE document_words USING fts5(words, "
    "tokenize = \"unicode61 remove_diacritics 2\")",
};

constexpr const char* older[] = {
    R"(CREATE TABLE job (
        id INTEGER PRIMARY KEY,
        name TEXT NOT NULL,
        kind TEXT NOT NULL,
        ratio REAL NOT NULL,
        on_shelf INTEGER NOT NULL DEFAULT 1,
        head INTEGER REFERENCES revision(id) DEFERRABLE INITIALLY DEFERRED,
        tip INTEGER REFERENCES revision(id) DEFERRABLE INITIALLY DEFERRED
    ) STRICT)",
    R"(CREATE TABLE revision (
        id INTEGER PRIMARY KEY,
        job INTEGER NOT NULL REFERENCES job(id),
        parent INTEGER REFERENCES revision(id),
        made_at TEXT NOT NULL,
        what TEXT NOT NULL,
        document TEXT NOT NULL
    ) STRICT)",
    "CREATE INDEX revision_job ON revision(job)",
    R"(CREATE TABLE head_log (
        job INTEGER NOT NULL REFERENCES job(id),
        at TEXT NOT NULL,
        revision INTEGER NOT NULL REFERENCES revision(id)
    ) STRICT)",
    "CREATE INDEX head_log_job ON head_log(job, at)",
    "CREATE VIRTUAL TABLE job_words USING fts5(words, "
    "tokenize = \"unicode61 remove_diacritics 2\")",
};

// Schemas 1 and 2 kept head moves in head_log, without saying what each was, and names and dates
// with the revisions. The numbers of jobs and revisions stay.
constexpr const char* olderAside[] = {
    "ALTER TABLE revision RENAME TO old_revision",
    "ALTER TABLE job RENAME TO old_job",
    "DROP INDEX revision_job",
};
constexpr const char* olderTakenOver[] = {
    "INSERT INTO document SELECT id, 'job', name, kind, ratio, on_shelf, head, tip FROM old_job",
    // Each entry of the log is a change: an edit where a revision comes up for the first time.
    R"(CREATE TEMP TABLE walk AS
        SELECT l.rowid AS change, l.job, l.at, l.revision,
               lag(l.revision) OVER (PARTITION BY l.job ORDER BY l.rowid) AS before,
               l.rowid = min(l.rowid) OVER (PARTITION BY l.revision) AS fresh
        FROM head_log l)",
    R"(INSERT INTO change SELECT w.change, w.at,
               CASE WHEN w.fresh THEN 'edit' WHEN w.revision < w.before THEN 'undo' ELSE 'redo' END,
               r.what
        FROM walk w JOIN old_revision r
          ON r.id = CASE WHEN NOT w.fresh AND w.revision < w.before THEN w.before ELSE w.revision END
        ORDER BY w.change)",
    // No Glimmet left a revision out of its log; if one should be missing, it is made up for.
    R"(CREATE TEMP TABLE unlogged AS
        SELECT r.id, (SELECT coalesce(max(id), 0) FROM change) + row_number() OVER (ORDER BY r.id)
               AS change
        FROM old_revision r WHERE r.id NOT IN (SELECT revision FROM walk))",
    R"(INSERT INTO change SELECT u.change, r.made_at, 'edit', r.what
        FROM unlogged u JOIN old_revision r ON r.id = u.id)",
    R"(INSERT INTO revision SELECT r.id, r.job, r.parent,
               coalesce((SELECT min(w.change) FROM walk w WHERE w.revision = r.id),
                        (SELECT u.change FROM unlogged u WHERE u.id = r.id)),
               content_sum(r.document), r.document FROM old_revision r ORDER BY r.id)",
    "INSERT INTO move SELECT change, job, before, revision FROM walk ORDER BY change",
    "DROP TABLE temp.walk",
    "DROP TABLE temp.unlogged",
    "DROP TABLE head_log",
    "DROP TABLE IF EXISTS job_words",
    "DROP TABLE old_revision",
    "DROP TABLE old_job",
};

constexpr const char* searchAnew[] = {"DELETE FROM document_words"};

}  // namespace

std::span<const char* const> tables() { return present; }

std::span<const char* const> olderTables() { return older; }

Steps stepsFrom(int schema) {
    assert(schema >= 1 && schema <= schemaVersion);
    if (schema < firstWithDocuments) return {olderAside, present, olderTakenOver};
    return {searchAnew, {}, {}};
}

}  // namespace glimmet::store
