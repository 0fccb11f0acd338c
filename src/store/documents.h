// What a workshop file holds, row by row: documents, their revisions, and the changes that moved
// them. Everything that writes runs inside a transaction of the caller's.
#pragma once

#include "core/record/job.h"
#include "core/record/workshop.h"
#include "core/result.h"
#include "store/sql.h"

#include <QString>

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace glimmet::store {

/// Sentences are kept as data, so that an old edit is named in the language of the day.
[[nodiscard]] std::string textColumn(const core::Text& said);
[[nodiscard]] core::Text textOfColumn(const std::string& column);

/// The drawings of a job's units, as the column `body` has them: "railcar+railcar".
[[nodiscard]] std::string bodiesOf(const core::Job& job);

/// A document as its rows keep it: a job, or the workshop itself.
struct Kept {
    std::string_view kind;  ///< "job", "workshop"
    std::string content;    ///< JSON
    std::string name, bodies;
    double ratio = 87;
    std::string words;  ///< of the search; empty: not searched
};
[[nodiscard]] Kept kept(const core::Job& job);
[[nodiscard]] Kept kept(const core::WorkshopRecord& workshop);

/// What the search finds a job by.
[[nodiscard]] std::string searchWords(const core::Job& job);

/// Kept with each revision: tells whether it is still, byte for byte, what was written. The first
/// eight bytes of SHA-256.
[[nodiscard]] std::int64_t contentSum(std::string_view content);

/// A revision as a job, from a file of the present schema or an older one.
/// Errors: Unknown; Damaged when it is not what was written.
[[nodiscard]] core::Result<std::string> contentOfRevision(sql::Database& database,
                                                          const QString& path, bool presentSchema,
                                                          std::int64_t revision);
[[nodiscard]] core::Result<core::Job> jobOfRevision(sql::Database& database, const QString& path,
                                                    bool presentSchema, std::int64_t revision);

/// Marks a file as a workshop of the present schema.
[[nodiscard]] core::Result<void> stamped(sql::Database& database, const QString& path);
/// Brings an older workshop to the present schema in one transaction: all of it or nothing.
[[nodiscard]] core::Result<void> broughtForward(sql::Database& database, const QString& path,
                                                int fromSchema);

class Documents {
public:
    Documents(sql::Database& database, const QString& path) : m_database(database), m_path(path) {}

    /// A change, which moves then belong to. kind: edit, undo, redo, shelf.
    [[nodiscard]] core::Result<std::int64_t> changed(std::string_view kind, const core::Text& what);
    /// A document without a revision; edited() gives it its first.
    [[nodiscard]] core::Result<std::int64_t> made(const Kept& document);
    /// Errors: Unknown when there is no such document.
    [[nodiscard]] core::Result<std::optional<std::int64_t>> headOf(std::int64_t document);
    /// A new revision on top of `head`; it becomes head and tip.
    [[nodiscard]] core::Result<void> edited(std::int64_t change, std::int64_t document,
                                            std::optional<std::int64_t> head, const Kept& after);
    /// The head goes to a revision that is there; the tip stays.
    [[nodiscard]] core::Result<void> moved(std::int64_t change, std::int64_t document,
                                           std::optional<std::int64_t> from, std::int64_t to,
                                           const Kept& now);
    [[nodiscard]] core::Result<void> shelved(std::int64_t change, std::int64_t document,
                                             std::optional<std::int64_t> head, bool onShelf);

private:
    core::Result<void> headSet(std::int64_t document, std::int64_t head, bool tipToo,
                               const Kept& now);
    core::Result<void> run(const char* sql, std::initializer_list<sql::Value> values);
    sql::Database& m_database;
    const QString& m_path;
};

}  // namespace glimmet::store
