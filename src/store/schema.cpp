#include "store/schema.h"

namespace glimmet::store {

const QList<QStringList>& migrations() {
    static const QList<QStringList> steps{
        // 1: jobs, revisions, and the log of what was the head when.
        {QStringLiteral(R"(
            CREATE TABLE job (
                id INTEGER PRIMARY KEY,
                name TEXT NOT NULL,
                kind TEXT NOT NULL,
                ratio REAL NOT NULL,
                on_shelf INTEGER NOT NULL DEFAULT 1,
                head INTEGER REFERENCES revision(id) DEFERRABLE INITIALLY DEFERRED,
                tip INTEGER REFERENCES revision(id) DEFERRABLE INITIALLY DEFERRED
            ) STRICT)"),
         QStringLiteral(R"(
            CREATE TABLE revision (
                id INTEGER PRIMARY KEY,
                job INTEGER NOT NULL REFERENCES job(id),
                parent INTEGER REFERENCES revision(id),
                made_at TEXT NOT NULL,
                what TEXT NOT NULL,
                document TEXT NOT NULL
            ) STRICT)"),
         QStringLiteral("CREATE INDEX revision_job ON revision(job)"), QStringLiteral(R"(
            CREATE TABLE head_log (
                job INTEGER NOT NULL REFERENCES job(id),
                at TEXT NOT NULL,
                revision INTEGER NOT NULL REFERENCES revision(id)
            ) STRICT)"),
         QStringLiteral("CREATE INDEX head_log_job ON head_log(job, at)")},
        // 2: full-text search over the jobs as they are now.
        {QStringLiteral("CREATE VIRTUAL TABLE job_words USING fts5(words, "
                        "tokenize = \"unicode61 remove_diacritics 2\")"),
         QStringLiteral("INSERT INTO job_words(rowid, words) SELECT id, name FROM job")}};
    return steps;
}

}  // namespace glimmet::store
