#include "cli/jot.h"

#include "cli/input.h"
#include "core/work/jot.h"
#include "store/catalogue.h"
#include "store/job_json.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <type_traits>

namespace glimmet::cli {
namespace {

using nlohmann::ordered_json;

/// What the lines are about: a job of a workshop, or one in a file.
struct Subject {
    std::unique_ptr<store::Workshop> workshop;  ///< nullptr: a job file
    store::JobId id = 0;
    core::Job job;
    core::WorkshopRecord record{};
    std::vector<std::pair<int, std::string>> shelf{};  ///< of a workshop that is spoken to
};

tl::expected<Subject, std::vector<std::string>> jobFile(const JotRequest& request) {
    const auto text = contents(request.path, "a workshop or a job in JSON");
    if (!text) return tl::unexpected(std::vector{text.error()});
    std::vector<store::Fault> faults;
    auto job = store::jobFromJson(*text, &faults);
    if (job) return Subject{nullptr, 0, std::move(*job), {}};
    std::vector<std::string> lines;
    for (const store::Fault& fault : faults) {
        lines.push_back(request.path + ": " + store::sentence(fault));
    }
    if (lines.empty()) lines.push_back(request.path + ": " + core::plain(job.error().what));
    return tl::unexpected(std::move(lines));
}

tl::expected<Subject, std::vector<std::string>> subjectOf(const JotRequest& request) {
    const auto fault = [&](const std::string& words) {
        return tl::unexpected(std::vector{request.path + ": " + words});
    };
    if (auto unread = unreadable(request.path, "a workshop or a job in JSON")) {
        return tl::unexpected(std::vector{std::move(*unread)});
    }
    auto workshop =
        store::Workshop::open(QString::fromStdString(request.path),
                              request.dryRun ? store::Access::ReadOnly : store::Access::ReadWrite);
    if (!workshop && workshop.error().code == core::ErrorCode::NotUnderstood) {
        if (request.workshop) return fault("--workshop: found a job, allowed: a workshop file");
        return jobFile(request);
    }
    if (!workshop) return fault(core::plain(workshop.error().what));
    auto record = (*workshop)->workshopRecord();
    if (!record) return fault(core::plain(record.error().what));
    auto entries = (*workshop)->jobs();
    if (!entries) return fault(core::plain(entries.error().what));
    if (request.workshop) {
        Subject spoken{std::move(*workshop), 0, {}, std::move(*record)};
        for (const store::JobEntry& entry : *entries) {
            spoken.shelf.emplace_back(static_cast<int>(entry.id), entry.name);
        }
        return spoken;
    }
    std::erase_if(*entries, [&](const store::JobEntry& entry) {
        return (request.job && entry.name != *request.job) ||
               (request.id && entry.id != *request.id);
    });
    if (entries->size() != 1) {
        return fault("--job: found " + std::to_string(entries->size()) +
                     " such jobs, allowed: the name of one (--id tells apart those of one name)");
    }
    auto job = (*workshop)->job(entries->front().id);
    if (!job) return fault(core::plain(job.error().what));
    return Subject{std::move(*workshop), entries->front().id, std::move(*job), std::move(*record)};
}

/// The lines in order, each on what the one before left. `kept`: there is a workshop to record in.
template <class Thing, class Understand, class Record>
JotRun run(const JotRequest& request, Thing thing, Understand understand, Record record,
           const char* called, std::string (*toJson)(const Thing&, int), bool kept) {
    using Entry =
        std::conditional_t<std::is_same_v<Thing, core::Job>, store::Entry, store::WorkshopEntry>;
    JotRun result;
    std::vector<Entry> entries;
    ordered_json lines = ordered_json::array();
    std::string meanings;
    std::size_t number = 0;
    for (const std::string& line : request.lines) {
        ++number;
        auto taken = understand(line, thing);
        if (!taken) {
            const std::string why = core::plain(taken.error().what);
            lines.push_back({{"line", line}, {"understood", false}, {"why", why}});
            result.faults.push_back(request.path + ": line " + std::to_string(number) +
                                    ": found “" + line + "”: " + why);
            continue;
        }
        const std::string meaning = core::plain(taken->meaning);
        lines.push_back({{"line", line}, {"understood", true}, {"meaning", meaning}});
        meanings += meaning + "\n";
        if (taken->after == thing) continue;  // that is how it stands already
        thing = taken->after;
        entries.push_back({thing, taken->meaning});
    }
    if (result.faults.empty() && kept && !request.dryRun && !entries.empty()) {
        if (const auto recorded = record(entries); !recorded) {
            result.faults.push_back(request.path + ": " + core::plain(recorded.error().what));
            return result;
        }
    }
    if (request.json) {
        ordered_json out{{"lines", std::move(lines)}};
        out[called] = ordered_json::parse(toJson(thing, -1));
        result.out = out.dump(-1, ' ', false, ordered_json::error_handler_t::replace) + "\n";
    } else if (result.faults.empty()) {
        result.out = kept ? meanings : toJson(thing, 2) + "\n";
    }
    return result;
}

}  // namespace

JotRun jot(const JotRequest& request) {
    JotRun result;
    if (request.lines.empty()) {
        result.faults.push_back(
            "jot: LINE: found nothing, allowed: jot lines after --, or - alone "
            "for lines of standard input");
        return result;
    }
    const auto loaded = store::loadedCatalogue(QString::fromStdString(request.userCatalogue));
    if (loaded.userFault) {
        result.faults.push_back(request.userCatalogue + ": " + core::plain(loaded.userFault->what));
        return result;
    }
    auto subject = subjectOf(request);
    if (!subject) {
        result.faults = std::move(subject.error());
        return result;
    }

    return request.workshop
               ? run(
                     request, subject->record,
                     [&](const std::string& line, const core::WorkshopRecord& record) {
                         return core::applyLine(line, record, loaded.catalogue,
                                                request.now.substr(0, request.now.find('T')),
                                                subject->shelf);
                     },
                     [&](const std::vector<store::WorkshopEntry>& entries) {
                         return subject->workshop->recordWorkshop(entries);
                     },
                     "workshop", store::workshopToJson, true)
               : run(
                     request, subject->job,
                     [&](const std::string& line, const core::Job& job) {
                         return core::applyLine(line, job, loaded.catalogue, request.now,
                                                subject->record);
                     },
                     [&](const std::vector<store::Entry>& entries) {
                         return subject->workshop->record(subject->id, entries);
                     },
                     "job", store::jobToJson, subject->workshop != nullptr);
}

}  // namespace glimmet::cli
