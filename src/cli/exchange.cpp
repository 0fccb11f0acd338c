#include "cli/exchange.h"

#include "core/job/lamp_netlist.h"
#include "store/job_json.h"
#include "store/workshop.h"

#include <QDateTime>
#include <QFile>

namespace glimmet::cli {

namespace {

/// The one job of that name in a workshop, now or at a moment; else the line to complain with.
tl::expected<core::Job, std::string> jobOf(const std::string& path, const std::string& wanted,
                                           const std::string& moment) {
    const auto workshop =
        store::Workshop::open(QString::fromStdString(path), store::Access::ReadOnly);
    if (!workshop) return tl::unexpected(path + ": " + core::plain(workshop.error().what));
    std::vector<store::JobEntry> found;
    std::string names;
    for (const store::JobEntry& entry :
         (*workshop)->jobs().value_or(std::vector<store::JobEntry>{})) {
        names += (names.empty() ? "" : ", ") + entry.name;
        if (wanted.empty() || entry.name == wanted) found.push_back(entry);
    }
    if (found.size() != 1) {
        return tl::unexpected(path + ": --job: found " + std::to_string(found.size()) + " jobs “" +
                              wanted + "”, allowed: the name of one of: " + names);
    }
    QDateTime then = QDateTime::fromString(QString::fromStdString(moment), Qt::ISODate);
    if (moment.size() == 10 && then.isValid()) then.setTime(QTime(23, 59, 59, 999));
    if (!moment.empty() && !then.isValid()) {
        return tl::unexpected(path + ": --at: found “" + moment +
                              "”, allowed: a date or time like 2026-03-31 or 2026-03-31T18:00:00");
    }
    auto job = moment.empty() ? (*workshop)->job(found.front().id)
                              : (*workshop)->jobAt(found.front().id, then);
    if (!job) return tl::unexpected(path + ": " + core::plain(job.error().what));
    return std::move(*job);
}

}  // namespace

Exchanged exported(const std::string& path, const std::string& wanted, const std::string& moment) {
    const auto job = jobOf(path, wanted, moment);
    if (!job) return {{}, {job.error()}};
    return {store::jobToJson(*job) + "\n", {}};
}

Exchanged exportedLamp(const std::string& path, const std::string& wanted,
                       const std::string& lamp) {
    const auto job = jobOf(path, wanted, {});
    if (!job) return {{}, {job.error()}};
    const core::Circuit* circuit = core::circuitNamed(*job, lamp);
    if (!circuit) {
        std::string names;
        for (const core::Circuit& each : job->circuits)
            names += (names.empty() ? "" : ", ") + each.name;
        return {{}, {path + ": --lamp: found no lamp “" + lamp + "”, allowed: one of: " + names}};
    }
    const auto netlist = core::lampNetlist(*job, *circuit, {});
    if (!netlist) return {{}, {path + ": --lamp: " + core::plain(netlist.error().what)}};
    return {core::circuit::writtenNetlist(*netlist), {}};
}

Exchanged imported(const std::string& path, const std::string& source) {
    Exchanged result;
    QFile file(QString::fromStdString(source));
    if (!file.open(QIODevice::ReadOnly)) {
        result.faults.push_back(source + ": /: found no readable file, allowed: a job in JSON");
        return result;
    }
    std::vector<store::Fault> faults;
    const auto job = store::jobFromJson(file.readAll().toStdString(), &faults);
    if (!job) {
        for (const store::Fault& fault : faults) {
            result.faults.push_back(source + ": " + store::sentence(fault));
        }
        if (faults.empty()) result.faults.push_back(source + ": " + core::plain(job.error().what));
        return result;
    }
    const auto workshop =
        store::Workshop::open(QString::fromStdString(path), store::Access::ReadWrite);
    if (!workshop) {
        result.faults.push_back(path + ": " + core::plain(workshop.error().what));
        return result;
    }
    if (const auto id = (*workshop)->add(*job, core::text("Imported")); !id) {
        result.faults.push_back(path + ": " + core::plain(id.error().what));
    } else {
        result.out = "imported “" + job->name + "”\n";
    }
    return result;
}

}  // namespace glimmet::cli
