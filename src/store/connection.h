// The open file behind a Workshop.
#pragma once

#include "store/sql.h"
#include "store/workshop.h"
#include "store/workshop_file.h"

namespace glimmet::store {

struct Workshop::Connection {
    QString path;
    bool readOnly = false;
    bool present = true;             ///< of the present schema; an older one is read as it stands
    std::unique_ptr<FileLock> lock;  // before the database: closed after it
    mutable sql::Database database;
    mutable std::int64_t seenVersion = 0;
    mutable QString keptIn;  ///< where what was open has been kept, when the file went away

    [[nodiscard]] core::Error told(const sql::Failure& failed) const {
        return toldFailure(path, failed);
    }
    [[nodiscard]] tl::unexpected<core::Error> failed(const sql::Failure& failure) const {
        return tl::unexpected(told(failure));
    }
    core::Result<void> mayWrite() const;
    /// All of `work` in one transaction of a file that is still ours.
    template <class Work>
    auto writing(Work work) -> decltype(work()) {
        if (const auto may = mayWrite(); !may) return tl::unexpected(may.error());
        return database.transaction(std::move(work),
                                    [this](const sql::Failure& failure) { return told(failure); });
    }
    core::Result<Moved> step(JobId id, bool forward);
    /// Nothing until the workshop's own record is first changed.
    core::Result<std::optional<JobId>> workshopDocument();
};

}  // namespace glimmet::store
