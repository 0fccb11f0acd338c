#include "cli/check.h"

#include "core/job/checks.h"
#include "store/catalogue.h"
#include "store/job_json.h"
#include "store/workshop.h"

#include <QFile>

#include <nlohmann/json.hpp>

namespace glimmet::cli {
namespace {

using nlohmann::ordered_json;

/// A finding's figure, and what it rests on, in SI base units (lengths in mm) with the unit in
/// the key.
ordered_json figureOut(const core::Figure& figure) {
    ordered_json out{{"name", core::plain(figure.name)}, {"symbol", figure.symbol}};
    const std::string key = "value" + std::string(core::jsonSuffix(figure.dimension));
    const double factor = figure.dimension == core::Dimension::Length ? 1000.0 : 1.0;
    out[key] = nullptr;
    if (figure.value) out[key] = *figure.value * factor;
    out["basis"] = core::name(figure.basis.kind);
    out["basis_words"] = core::plain(core::words(figure.basis));
    if (!figure.basis.on.empty()) out["on"] = figure.basis.on;
    if (!figure.formula.empty()) {
        out["formula"] = figure.formula;
        out["with_values"] = core::withValues(figure);
    }
    if (!figure.inputs.empty()) {
        out["rests_on"] = ordered_json::array();
        for (const core::Figure& input : figure.inputs) out["rests_on"].push_back(figureOut(input));
    }
    return out;
}

ordered_json findingOut(const core::Finding& finding) {
    ordered_json out{{"id", finding.id},
                     {"stage", core::name(finding.stage)},
                     {"state", core::name(finding.state)},
                     {"sentence", core::plain(finding.sentence)}};
    if (!finding.subject.empty()) out["subject"] = finding.subject;
    if (!finding.action.empty()) out["action"] = core::plain(finding.action);
    if (!finding.caution.empty()) out["caution"] = core::plain(finding.caution);
    out["figures"] = ordered_json::array();
    for (const core::Figure& figure : finding.figures) out["figures"].push_back(figureOut(figure));
    out["options"] = ordered_json::array();
    for (const core::Option& option : finding.options) {
        out["options"].push_back({{"what", core::plain(option.what)},
                                  {"effect", core::plain(option.effect)},
                                  {"state", core::name(option.state)},
                                  {"jot", option.jot},
                                  {"in_place", option.inPlace}});
    }
    return out;
}

}  // namespace

core::State Checked::worst() const {
    core::State worst = core::State::Fine;
    for (const CheckedJob& job : jobs) worst = core::worse(worst, core::worstState(job.findings));
    return worst;
}

Checked checked(const std::string& path, const std::optional<std::string>& only,
                const std::string& userCatalogue) {
    Checked result;
    const auto loaded = store::loadedCatalogue(QString::fromStdString(userCatalogue));
    if (loaded.userFault) {
        result.faults.push_back(userCatalogue + ": " + core::plain(loaded.userFault->what));
        return result;
    }
    std::vector<core::Job> jobs;
    QFile file(QString::fromStdString(path));
    if (!file.open(QIODevice::ReadOnly)) {
        result.faults.push_back(
            path + ": /: found no readable file, allowed: a workshop or a job in JSON");
        return result;
    }
    if (file.peek(15) == QByteArrayLiteral("SQLite format 3")) {
        file.close();
        const auto workshop =
            store::Workshop::open(QString::fromStdString(path), store::Access::ReadOnly);
        if (!workshop) {
            result.faults.push_back(path + ": " + core::plain(workshop.error().what));
            return result;
        }
        const auto entries = (*workshop)->jobs();
        for (const store::JobEntry& entry : entries.value_or(std::vector<store::JobEntry>{})) {
            if (only && entry.name != *only) continue;
            auto job = (*workshop)->job(entry.id);
            if (job)
                jobs.push_back(std::move(*job));
            else
                result.faults.push_back(path + ": " + core::plain(job.error().what));
        }
    } else {
        std::vector<store::Fault> faults;
        auto job = store::jobFromJson(file.readAll().toStdString(), &faults);
        if (!job) {
            for (const store::Fault& fault : faults) {
                result.faults.push_back(path + ": " + store::sentence(fault));
            }
            if (faults.empty())
                result.faults.push_back(path + ": " + core::plain(job.error().what));
            return result;
        }
        if (!only || job->name == *only) jobs.push_back(std::move(*job));
    }
    if (only && jobs.empty() && result.faults.empty()) {
        result.faults.push_back(path + ": --job: found no job called “" + *only +
                                "”, allowed: the name of a job in the file");
    }
    if (!result.faults.empty()) return result;
    for (const core::Job& job : jobs) {
        result.jobs.push_back({job.name, core::findings(job, loaded.catalogue)});
    }
    return result;
}

std::string asJson(const Checked& checked) {
    ordered_json out;
    out["jobs"] = ordered_json::array();
    for (const CheckedJob& job : checked.jobs) {
        ordered_json findings = ordered_json::array();
        for (const core::Finding& finding : job.findings) findings.push_back(findingOut(finding));
        out["jobs"].push_back({{"name", job.name},
                               {"state", core::name(core::worstState(job.findings))},
                               {"next", core::plain(core::nextAction(job.findings))},
                               {"findings", std::move(findings)}});
    }
    return out.dump(2, ' ', false, ordered_json::error_handler_t::replace);
}

std::string asText(const Checked& checked) {
    std::string out;
    for (const CheckedJob& job : checked.jobs) {
        out += job.name + "\n";
        for (const core::Finding& finding : job.findings) {
            std::string state(core::name(finding.state));
            state.resize(6, ' ');
            out += "  " + state + core::plain(finding.sentence) + "\n";
        }
    }
    return out;
}

}  // namespace glimmet::cli
