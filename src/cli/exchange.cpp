#include "cli/exchange.h"

#include "cli/input.h"
#include "core/analysis/lamps/lamp_list.h"
#include "core/analysis/lamps/lamp_netlist.h"
#include "store/bundle.h"
#include "store/job_json.h"
#include "store/workshop.h"

#include <QDateTime>

namespace glimmet::cli {

namespace {

/// That job of a workshop, now or at a moment, with its photos where they are wanted; else the line
/// to complain with.
tl::expected<store::Bundle, std::string> bundleOf(const std::string& path, const Wanted& wanted,
                                                  const std::string& moment, bool photos) {
    if (auto fault = unreadable(path, "a workshop")) return tl::unexpected(std::move(*fault));
    const auto workshop =
        store::Workshop::open(QString::fromStdString(path), store::Access::ReadOnly);
    if (!workshop) return tl::unexpected(path + ": " + core::plain(workshop.error().what));
    const auto entry = entryOf(**workshop, path, wanted);
    if (!entry) return tl::unexpected(entry.error());
    QDateTime then = QDateTime::fromString(QString::fromStdString(moment), Qt::ISODate);
    if (moment.size() == 10 && then.isValid()) then.setTime(QTime(23, 59, 59, 999));
    if (!moment.empty() && !then.isValid()) {
        return tl::unexpected(path + ": --at: found “" + moment +
                              "”, allowed: a date or time like 2026-03-31 or 2026-03-31T18:00:00");
    }
    auto job = moment.empty() ? (*workshop)->job(entry->id) : (*workshop)->jobAt(entry->id, then);
    if (!job) return tl::unexpected(path + ": " + core::plain(job.error().what));
    const auto record = (*workshop)->workshopRecord();
    if (!record) return tl::unexpected(path + ": " + core::plain(record.error().what));
    core::Job whole = core::withHouse(std::move(*job), record->house);
    if (photos) return store::bundled(**workshop, std::move(whole));
    return store::Bundle{std::move(whole), {}};
}

tl::expected<core::Job, std::string> jobOf(const std::string& path, const Wanted& wanted,
                                           const std::string& moment) {
    auto bundle = bundleOf(path, wanted, moment, false);
    if (!bundle) return tl::unexpected(bundle.error());
    return std::move(bundle->job);
}

}  // namespace

Exchanged exported(const std::string& path, const Wanted& wanted, const std::string& moment) {
    const auto job = jobOf(path, wanted, moment);
    if (!job) return {{}, {job.error()}};
    return {store::jobToJson(*job) + "\n", {}};
}

Exchanged exportedBundle(const std::string& path, const Wanted& wanted, const std::string& moment) {
    const auto bundle = bundleOf(path, wanted, moment, true);
    if (!bundle) return {{}, {bundle.error()}};
    const auto bytes = store::bundleToBytes(*bundle);
    if (!bytes) return {{}, {path + ": " + core::plain(bytes.error().what)}};
    return {*bytes, {}};
}

Exchanged exportedLamp(const std::string& path, const Wanted& wanted, const std::string& lamp) {
    const auto job = jobOf(path, wanted, {});
    if (!job) return {{}, {job.error()}};
    const core::LampGroup* group = core::groupNamed(*job, lamp);
    if (!group) {
        std::string names;
        for (const core::LampGroup& each : job->groups)
            names += (names.empty() ? "" : ", ") + each.name;
        return {{}, {path + ": --lamp: found no lamp “" + lamp + "”, allowed: one of: " + names}};
    }
    const auto netlist = core::lamps::lampNetlist(*job, *group, core::houseOf(*job, {}));
    if (!netlist) return {{}, {path + ": --lamp: " + core::plain(netlist.error().what)}};
    return {core::circuit::writtenNetlist(*netlist), {}};
}

Exchanged exportedLampList(const std::string& path, const Wanted& wanted) {
    const auto job = jobOf(path, wanted, {});
    if (!job) return {{}, {job.error()}};
    const core::Catalogue none;  // a job holds its own copies of parts
    return {core::lamps::lampList(core::analysed(*job, core::houseOf(*job, {}), none)), {}};
}

Exchanged imported(const std::string& path, const std::string& source) {
    Exchanged result;
    const auto text = contents(source, "a job in JSON or a bundle");
    if (!text) {
        result.faults.push_back(text.error());
        return result;
    }
    std::vector<store::Fault> faults;
    const auto bundle = store::bundleFromBytes(*text, &faults);
    if (!bundle) {
        for (const store::Fault& fault : faults) {
            result.faults.push_back(source + ": " + store::sentence(fault));
        }
        if (faults.empty())
            result.faults.push_back(source + ": " + core::plain(bundle.error().what));
        return result;
    }
    const auto workshop =
        store::Workshop::open(QString::fromStdString(path), store::Access::ReadWrite);
    if (!workshop) {
        result.faults.push_back(path + ": " + core::plain(workshop.error().what));
        return result;
    }
    const auto record = (*workshop)->workshopRecord();
    if (!record) {
        result.faults.push_back(path + ": " + core::plain(record.error().what));
        return result;
    }
    const core::Job ours = core::adopted(bundle->job, record->house);
    if (const auto kept = store::keepPhotos(**workshop, *bundle); !kept) {
        result.faults.push_back(path + ": " + core::plain(kept.error().what));
    } else if (const auto id = (*workshop)->add(ours, core::text("Imported")); !id) {
        result.faults.push_back(path + ": " + core::plain(id.error().what));
    } else {
        result.out = "imported “" + ours.name + "”\n";
    }
    return result;
}

}  // namespace glimmet::cli
