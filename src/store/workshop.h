// The workshop file: every job of a workshop in one SQLite database, with every revision kept.
//
// There is no "save": each edit is one transaction, on the disk when the call returns. What the
// workshop keeps are documents, whose revisions form a tree: `head` is what a document is now,
// `tip` the end of what can be redone. Every edit, undo and redo is a change with its moves
// (document, from, to), usually one; so undo is read from the file, survives a restart, and what a
// job was at any moment can be told. What is promised under which faults: docs/reliability.md.
#pragma once

#include "core/record/job.h"
#include "core/record/workshop.h"
#include "core/result.h"

#include <QDateTime>
#include <QString>

#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::store {

using JobId = std::int64_t;
using RevisionId = std::int64_t;
using ChangeId = std::int64_t;

/// What the shelf shows of a job without reading the whole of it.
struct JobEntry {
    JobId id = 0;
    std::string name;
    std::string bodies;  ///< drawings of its units: "railcar+railcar"
    double ratio = 87;   ///< scale, 1:ratio
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

/// One job of a change that touches several.
struct Edit {
    JobId job = 0;
    core::Job after;
};

/// One of several edits of one job, in their order.
struct Entry {
    core::Job after;
    core::Text what;
};

/// One of several edits of the workshop's own record.
struct WorkshopEntry {
    core::WorkshopRecord after;
    core::Text what;
};

/// What an undo or redo did.
struct Moved {
    core::Job job;        ///< what the job is now
    core::Text what;      ///< the edit that was taken back or brought back
    bool larger = false;  ///< that edit changed other documents too, and those stay as they are
};

/// What undo and redo would take back or bring back; empty: there is nothing.
struct Undoable {
    std::optional<core::Text> undo;
    std::optional<core::Text> redo;
    bool operator==(const Undoable&) const = default;
};

/// What taking a whole change back did.
struct TakenBack {
    std::vector<JobId> moved;           ///< these are again what they were before it
    std::vector<JobId> withNewerEdits;  ///< these have moved on; nothing was done to them
};

inline constexpr std::size_t largestPhoto = 32U << 20;  ///< bytes
/// "image/png" or "image/jpeg" by the bytes' own mark; empty: neither.
[[nodiscard]] std::string_view photoKind(std::string_view bytes);
/// What a photo goes by: SHA-256 in hexadecimal digits.
[[nodiscard]] std::string photoSum(std::string_view bytes);

enum class Access { ReadWrite, ReadOnly };
/// Whether open() is to look through the file's pages first, or the caller has just had it done.
enum class Soundness { ToBeChecked, Known };

/// Looks through the pages of a workshop without writing to it: takes as long as reading it does,
/// so large files are examined off the interface thread. What is no workshop at all is open()'s to
/// tell. Errors: Damaged; InUse or Unreadable when it could not be looked through.
[[nodiscard]] core::Result<void> examined(const QString& path);

class Workshop {
public:
    /// Opens a workshop; with ReadWrite a missing file is made, whole or not at all.
    /// A file of an older schema, or one that keeps a log beside it, is brought forward (after a
    /// copy beside it); one of a newer schema is refused (TooNew) and not touched, one whose
    /// contents do not hold together (Damaged), what is no workshop (NotUnderstood), one that
    /// another Glimmet has open for writing or another program holds locked (InUse), one that may
    /// not be written (NotWritable), one that goes by several names, a folder or a device
    /// (Unreadable) likewise. ReadOnly takes what is in use or may not be written.
    /// A Workshop belongs to the thread that opened it.
    [[nodiscard]] static core::Result<std::unique_ptr<Workshop>> open(
        const QString& path, Access access, Soundness soundness = Soundness::ToBeChecked);
    ~Workshop();
    Workshop(const Workshop&) = delete;
    Workshop& operator=(const Workshop&) = delete;

    [[nodiscard]] QString path() const;  ///< of the file itself, links followed
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
    [[nodiscard]] core::Result<Undoable> undoable(JobId id) const;
    /// Whether another window or program has written since the last call of this.
    [[nodiscard]] core::Result<bool> writtenElsewhere() const;

    /// Puts a new job on the shelf. All writing calls fail with InUse on a read-only workshop, with
    /// Unreadable when the file was moved, replaced or deleted meanwhile: what was open is then
    /// kept in a file beside it, which the error names.
    [[nodiscard]] core::Result<JobId> add(const core::Job& job, const core::Text& what);
    /// Many at once, in one transaction: all or none.
    [[nodiscard]] core::Result<std::vector<JobId>> add(const std::vector<core::Job>& jobs,
                                                       const core::Text& what);
    /// A new revision on top of the head; what could be redone before leads nowhere now.
    [[nodiscard]] core::Result<ChangeId> record(JobId id, const core::Job& job,
                                                const core::Text& what);
    /// Several edits one after the other, each a change of its own: all or none.
    [[nodiscard]] core::Result<void> record(JobId id, const std::vector<Entry>& entries);
    /// One change of several jobs: all or none.
    [[nodiscard]] core::Result<ChangeId> record(const std::vector<Edit>& edits,
                                                const core::Text& what);
    /// One step back or forward in one job. Errors: Unknown when there is no such step.
    [[nodiscard]] core::Result<Moved> undo(JobId id);
    [[nodiscard]] core::Result<Moved> redo(JobId id);
    /// Takes a whole change back, in each job that still stands where it led to.
    [[nodiscard]] core::Result<TakenBack> takeBack(ChangeId id);
    /// The workshop's own record: as a new one has it until something of it is changed. Changed,
    /// undone and redone as a job is.
    [[nodiscard]] core::Result<core::WorkshopRecord> workshopRecord() const;
    [[nodiscard]] core::Result<void> recordWorkshop(const std::vector<WorkshopEntry>& entries);
    [[nodiscard]] core::Result<Undoable> undoableWorkshop() const;
    [[nodiscard]] core::Result<core::WorkshopRecord> stepWorkshop(bool forward);
    /// Takes a job off the shelf, or puts it back; its record stays either way.
    [[nodiscard]] core::Result<void> setOnShelf(JobId id, bool onShelf, const core::Text& what);
    /// Keeps a photo under the sum of its bytes, which it returns; one that is there already is
    /// kept once. Errors: NotUnderstood for what is neither PNG nor JPEG; TooMuch above
    /// `largestPhoto`.
    [[nodiscard]] core::Result<std::string> keepPhoto(std::string_view bytes);
    /// The bytes of a photo. Errors: Unknown; Damaged when they are not what was kept.
    [[nodiscard]] core::Result<std::string> photo(const std::string& sum) const;
    /// A copy of the whole workshop as it is now, whole or not at all. What stood at that path is
    /// replaced. Errors: InUse for the open file itself.
    [[nodiscard]] core::Result<void> copyTo(const QString& path) const;

private:
    struct Connection;
    explicit Workshop(std::unique_ptr<Connection> connection);
    static core::Result<std::unique_ptr<Workshop>> ready(std::unique_ptr<Connection> connection);
    std::unique_ptr<Connection> m_connection;
};

/// Reads what can be read of a damaged workshop into a new file beside it, whose path it returns.
/// The original is not touched. Errors: Unreadable when nothing can be salvaged.
struct Salvage {
    QString path;
    std::size_t jobs = 0;       ///< jobs brought over
    std::size_t revisions = 0;  ///< revisions brought over
};
[[nodiscard]] core::Result<Salvage> salvage(const QString& damagedPath);

}  // namespace glimmet::store
