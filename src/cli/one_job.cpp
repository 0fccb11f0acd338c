#include "cli/one_job.h"

#include "cli/input.h"
#include "store/catalogue.h"
#include "store/job_json.h"
#include "store/same_type_jobs.h"

namespace glimmet::cli {
namespace {

constexpr std::size_t mostNamed = 12;  // of a shelf, in a complaint
using Complaints = std::vector<std::string>;

tl::expected<OneJob, Complaints> inWorkshop(const store::Workshop& workshop,
                                            const std::string& path, const Wanted& wanted,
                                            core::Catalogue catalogue) {
    const auto complaint = [&](const core::Error& error) {
        return tl::unexpected(Complaints{path + ": " + core::plain(error.what)});
    };
    const auto entry = entryOf(workshop, path, wanted);
    if (!entry) return tl::unexpected(Complaints{entry.error()});
    auto job = workshop.job(entry->id);
    if (!job) return complaint(job.error());
    const auto record = workshop.workshopRecord();
    if (!record) return complaint(record.error());
    auto sameType = store::SameTypeJobs(workshop).of(entry->id, *job);
    return OneJob{std::move(*job), record->house, std::move(catalogue), std::move(sameType), true};
}

tl::expected<OneJob, Complaints> inFile(const std::string& path, const Wanted& wanted,
                                        core::Catalogue catalogue) {
    const auto words = contents(path, "a workshop or a job in JSON");
    if (!words) return tl::unexpected(Complaints{words.error()});
    std::vector<store::Fault> faults;
    auto job = store::jobFromJson(*words, &faults);
    Complaints lines;
    for (const store::Fault& fault : faults) lines.push_back(path + ": " + store::sentence(fault));
    if (!job && lines.empty()) lines.push_back(path + ": " + core::plain(job.error().what));
    if (!lines.empty()) return tl::unexpected(std::move(lines));
    if (!wanted.name.empty() && job->name != wanted.name) {
        return tl::unexpected(Complaints{path + ": --job: found no job called “" + wanted.name +
                                         "”, allowed: “" + job->name + "”"});
    }
    return OneJob{std::move(*job), {}, std::move(catalogue), {}, false};
}

}  // namespace

tl::expected<store::JobEntry, std::string> entryOf(const store::Workshop& workshop,
                                                   const std::string& path, const Wanted& wanted) {
    const auto entries = workshop.jobs();
    if (!entries) return tl::unexpected(path + ": " + core::plain(entries.error().what));
    std::vector<store::JobEntry> found;
    std::string names;
    for (std::size_t i = 0; i < entries->size(); ++i) {
        const store::JobEntry& entry = (*entries)[i];
        if (i < mostNamed) {
            names += (i > 0 ? ", " : "") + std::to_string(entry.id) + " “" + entry.name + "”";
        } else if (i == mostNamed) {
            names += " …";
        }
        if ((wanted.name.empty() || entry.name == wanted.name) &&
            (!wanted.id || entry.id == *wanted.id)) {
            found.push_back(entry);
        }
    }
    if (found.size() == 1) return found.front();
    return tl::unexpected(path + (wanted.id ? ": --id" : ": --job") + ": found " +
                          std::to_string(found.size()) + " such jobs, allowed: one of " + names +
                          " (--id tells apart those of one name)");
}

tl::expected<OneJob, Complaints> oneJob(const std::string& path, const Wanted& wanted,
                                        const std::string& userCatalogue) {
    auto loaded = store::loadedCatalogue(QString::fromStdString(userCatalogue));
    if (loaded.userFault) {
        return tl::unexpected(
            Complaints{userCatalogue + ": " + core::plain(loaded.userFault->what)});
    }
    if (auto fault = unreadable(path, "a workshop or a job in JSON"))
        return tl::unexpected(Complaints{std::move(*fault)});
    const auto workshop =
        store::Workshop::open(QString::fromStdString(path), store::Access::ReadOnly);
    if (workshop) return inWorkshop(**workshop, path, wanted, std::move(loaded.catalogue));
    if (workshop.error().code == core::ErrorCode::NotUnderstood)
        return inFile(path, wanted, std::move(loaded.catalogue));
    return tl::unexpected(Complaints{path + ": " + core::plain(workshop.error().what)});
}

}  // namespace glimmet::cli
