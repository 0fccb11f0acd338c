// The workshop file: every job of a workshop in one SQLite database, with every revision kept.
//
// There is no "save": each edit is one transaction, on the disk when the call returns. A job's
// revisions form a tree; its head is what it is now, its tip the end of what can be redone. Undo
// moves the head, so it survives a restart, and every move is logged with its time, so the job as
// it was at any moment can be told.
#pragma once

#include "core/job/job.h"
#include "core/result.h"

#include <QDateTime>
#include <QString>

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

namespace glimmet::store {

using JobId = std::int64_t;
using RevisionId = std::int64_t;

/// What the shelf shows of a job without reading the whole of it.
struct JobEntry {
    JobId id = 0;
    std::string name;
    core::BodyKind kind{};
    double ratio = 87;  ///< scale, 1:ratio
    bool operator==(const JobEntry&) const = default;
};

/// One step in a job's history.
struct Step {
    RevisionId revision = 0;
    core::Text what;  ///< the edit that led here
    QString madeAt;   ///< ISO 8601, UTC
};
struct History {
    std::vector<Step> steps;  ///< oldest first, from as far back as asked to the tip
    std::size_t head = 0;     ///< index of what the job is now
};

enum class Access { ReadWrite, ReadOnly };
/// Whether open() is to look through the file's pages first, or the caller has just had it done.
enum class Soundness { ToBeChecked, Known };

/// Looks through the pages of a workshop without writing to it: takes as long as reading it does,
/// so large files are examined off the interface thread. Errors: Damaged, or Unreadable.
[[nodiscard]] core::Result<void> examined(const QString& path);

class Workshop {
public:
    /// Opens a workshop; with ReadWrite a missing file is made.
    /// A file of an older schema is brought forward (after a copy beside it); one of a newer
    /// schema is refused (TooNew) and not touched; one whose contents do not hold together is
    /// refused (Damaged) and not touched; what is no workshop at all is refused (NotUnderstood);
    /// one that another Glimmet has open for writing is refused (InUse) unless ReadOnly.
    /// A Workshop belongs to the thread that opened it.
    [[nodiscard]] static core::Result<std::unique_ptr<Workshop>> open(
        const QString& path, Access access, Soundness soundness = Soundness::ToBeChecked);
    ~Workshop();
    Workshop(const Workshop&) = delete;
    Workshop& operator=(const Workshop&) = delete;

    [[nodiscard]] QString path() const;
    [[nodiscard]] bool readOnly() const;

    /// The jobs on the shelf, in the order they came.
    [[nodiscard]] core::Result<std::vector<JobEntry>> jobs() const;
    /// Jobs in which every one of the words occurs (as the beginning of a word) in name, owner,
    /// wish, notes, lamps or decoder.
    [[nodiscard]] core::Result<std::vector<JobId>> search(const std::string& words) const;

    [[nodiscard]] core::Result<core::Job> job(JobId id) const;
    [[nodiscard]] core::Result<core::Job> revision(RevisionId id) const;
    /// The job as it was at a moment. Errors: Unknown when it did not exist yet.
    [[nodiscard]] core::Result<core::Job> jobAt(JobId id, const QDateTime& moment) const;
    /// The last `most` steps up to the tip, and where the head is. The oldest of them cannot be
    /// undone further.
    [[nodiscard]] core::Result<History> history(JobId id, std::size_t most) const;

    /// Puts a new job on the shelf. All writing calls fail with InUse on a read-only workshop.
    [[nodiscard]] core::Result<JobId> add(const core::Job& job, const core::Text& what);
    /// Many at once, in one transaction: all or none.
    [[nodiscard]] core::Result<std::vector<JobId>> add(const std::vector<core::Job>& jobs,
                                                       const core::Text& what);
    /// A new revision on top of the head; what could be redone before leads nowhere now.
    [[nodiscard]] core::Result<RevisionId> record(JobId id, const core::Job& job,
                                                  const core::Text& what);
    /// Undo and redo: the job becomes what it was in that revision.
    [[nodiscard]] core::Result<core::Job> moveHead(JobId id, RevisionId to);
    /// Takes a job off the shelf, or puts it back; its record stays either way.
    [[nodiscard]] core::Result<void> setOnShelf(JobId id, bool onShelf);

private:
    struct Connection;
    explicit Workshop(std::unique_ptr<Connection> connection);
    std::unique_ptr<Connection> m_connection;
};

/// The schema that this Glimmet writes.
[[nodiscard]] int schemaVersion();

/// Reads what can be read of a damaged workshop into a new file beside it, whose path it returns.
/// The original is not touched. Errors: Unreadable when nothing can be salvaged.
struct Salvage {
    QString path;
    std::size_t jobs = 0;       ///< jobs brought over, each in its newest readable state
    std::size_t revisions = 0;  ///< revisions brought over
};
[[nodiscard]] core::Result<Salvage> salvage(const QString& damagedPath);

}  // namespace glimmet::store
