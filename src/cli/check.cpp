#include "cli/check.h"

#include "cli/input.h"
#include "cli/json_text.h"
#include "core/work/stage_status.h"
#include "core/work/trials.h"
#include "core/work/workshop_stages.h"
#include "store/catalogue.h"
#include "store/district_loads.h"
#include "store/job_json.h"
#include "store/same_type_jobs.h"

#include <algorithm>
#include <condition_variable>
#include <cstdint>
#include <map>
#include <mutex>
#include <thread>

namespace glimmet::cli {
namespace {

/// A finding's figure, and what it rests on, in SI base units (lengths in mm) with the unit in
/// the key.
void put(JsonText& out, const core::Figure& figure) {
    out.open('{').with("name", core::plain(figure.name)).with("symbol", figure.symbol);
    out.key("value" + std::string(core::jsonSuffix(figure.dimension)));
    const double factor = figure.dimension == core::Dimension::Length ? 1000.0 : 1.0;
    if (figure.value)
        out.value(*figure.value * factor);
    else
        out.null();
    out.with("basis", core::name(figure.basis.kind));
    out.with("basis_words", core::plain(core::words(figure.basis)));
    if (!figure.basis.on.empty()) out.with("on", figure.basis.on);
    if (!figure.formula.empty()) {
        out.with("formula", figure.formula).with("with_values", core::withValues(figure));
    }
    if (!figure.inputs.empty()) {
        out.key("rests_on").open('[');
        for (const core::Figure& input : figure.inputs) put(out, input);
        out.close(']');
    }
    out.close('}');
}

void put(JsonText& out, const core::Option& option) {
    out.open('{')
        .with("what", core::plain(option.what))
        .with("effect", core::plain(option.effect))
        .with("state", core::name(option.state))
        .with("jot", option.jot)
        .with("in_place", option.inPlace)
        .with("kind", option.kind == core::Option::Kind::Answer ? "answer" : "remedy")
        .close('}');
}

void put(JsonText& out, const core::Finding& finding) {
    out.open('{')
        .with("id", finding.id)
        .with("stage", finding.stage)
        .with("state", core::name(finding.state))
        .with("sentence", core::plain(finding.sentence));
    if (!finding.subject.id.empty()) {
        out.key("subject").open('{').with("id", finding.subject.id);
        out.with("name", finding.subject.name).close('}');
    }
    if (!finding.action.empty()) out.with("action", core::plain(finding.action));
    if (!finding.caution.empty()) out.with("caution", core::plain(finding.caution));
    out.key("figures").open('[');
    for (const core::Figure& figure : finding.figures) put(out, figure);
    out.close(']').key("options").open('[');
    for (const core::Option& option : finding.options) put(out, option);
    out.close(']').close('}');
}

/// One job, judged and worded.
struct Judged {
    std::string out;
    core::State worst = core::State::Fine;
};
using JudgedOrWhy = core::Result<Judged>;

/// How the stages of a job stand, the next action first.
Judged stagesOf(const core::Job& job, std::optional<store::JobId> id,
                const std::vector<core::Finding>& findings, bool asJson) {
    Judged result{{}, core::worstState(findings)};
    const std::string next = core::plain(core::nextAction(findings));
    const auto standings = core::stageStatus(job, findings);
    if (!asJson) {
        result.out = job.name + ": " + next + "\n";
        for (const core::StageStatus& stage : standings) {
            std::string words(core::name(stage.kind));
            words.resize(8, ' ');
            result.out +=
                "  " + words + std::string(stage.stage) + ": " + core::plain(stage.why) + "\n";
        }
        return result;
    }
    JsonText out;
    out.open('{').with("name", job.name);
    if (id) out.with("id", static_cast<std::int64_t>(*id));
    out.with("next", next).key("stages").open('[');
    for (const core::StageStatus& stage : standings) {
        out.open('{')
            .with("stage", stage.stage)
            .with("kind", core::name(stage.kind))
            .with("state", core::name(stage.worst))
            .with("why", core::plain(stage.why))
            .close('}');
    }
    result.out = out.close(']').close('}').taken();
    return result;
}

/// The findings as lines under their head.
void putFindings(const std::vector<core::Finding>& findings, Judged& result) {
    for (const core::Finding& finding : findings) {
        std::string state(core::name(finding.state));
        state.resize(6, ' ');
        result.out += "  " + state + core::plain(finding.sentence) + "\n";
    }
}

Judged judged(const core::Job& job, std::optional<store::JobId> id,
              const core::Catalogue& catalogue, const core::WorkshopRules& house,
              std::vector<core::SameType> sameType, const CheckRequest& request) {
    const core::JobAnalysis facts = core::analysed(job, house, catalogue, std::move(sameType));
    auto findings = core::findings(facts);
    if (request.stages) return stagesOf(job, id, findings, request.json);
    Judged result{{}, core::worstState(findings)};
    if (!request.json) {
        result.out = job.name + "\n";
        putFindings(findings, result);
        return result;
    }
    JsonText out;
    out.open('{').with("name", job.name);
    if (id) out.with("id", static_cast<std::int64_t>(*id));
    out.with("state", core::name(result.worst));
    out.with("next", core::plain(core::nextAction(findings)));
    out.key("findings").open('[');
    core::Trials trials(facts, findings);
    for (core::Finding& finding : findings) {
        trials.tryOptions(finding);
        put(out, finding);
    }
    result.out = out.close(']').close('}').taken();
    return result;
}

/// The jobs of a workshop, judged side by side and handed on in their order.
class JobRow {
public:
    JobRow(const CheckRequest& request, const std::vector<store::JobEntry>& entries,
           const core::Catalogue& catalogue, const core::WorkshopRules& house)
        : m_request(request), m_entries(entries), m_catalogue(catalogue), m_house(house) {
        const std::size_t cores = std::max(1U, std::thread::hardware_concurrency());
        for (std::size_t i = 0; i < std::min(cores, entries.size()); ++i) {
            m_workers.emplace_back([this] { work(); });
        }
    }
    ~JobRow() {
        for (std::thread& worker : m_workers) worker.join();
    }
    JobRow(const JobRow&) = delete;
    JobRow& operator=(const JobRow&) = delete;

    /// The job at `index`; to be called once for each, in order.
    JudgedOrWhy next(std::size_t index) {
        std::unique_lock lock(m_mutex);
        m_changed.wait(lock, [&] { return m_done.contains(index); });
        JudgedOrWhy result = std::move(m_done.extract(index).mapped());
        ++m_handedOn;
        m_changed.notify_all();
        return result;
    }

private:
    static constexpr std::size_t ahead = 16;  // jobs that may wait in memory for one before them

    void work() {
        // A workshop belongs to its thread.
        const auto workshop =
            store::Workshop::open(QString::fromStdString(m_request.path), store::Access::ReadOnly);
        std::optional<store::SameTypeJobs> sameType;
        if (workshop) sameType.emplace(**workshop);
        for (;;) {
            std::unique_lock lock(m_mutex);
            m_changed.wait(
                lock, [&] { return m_next == m_entries.size() || m_next < m_handedOn + ahead; });
            if (m_next == m_entries.size()) return;
            const std::size_t mine = m_next++;
            lock.unlock();
            JudgedOrWhy result =
                workshop ? (*workshop)->job(m_entries[mine].id).map([&](const core::Job& job) {
                    const store::JobId id = m_entries[mine].id;
                    return judged(job, id, m_catalogue, m_house, sameType->of(id, job), m_request);
                })
                         : tl::unexpected(workshop.error());
            lock.lock();
            m_done.emplace(mine, std::move(result));
            m_changed.notify_all();
        }
    }

    const CheckRequest& m_request;
    const std::vector<store::JobEntry>& m_entries;
    const core::Catalogue& m_catalogue;
    const core::WorkshopRules& m_house;
    std::mutex m_mutex;
    std::condition_variable m_changed;
    std::map<std::size_t, JudgedOrWhy> m_done;
    std::size_t m_next = 0;      ///< the first that nobody has taken
    std::size_t m_handedOn = 0;  ///< how many have left
    std::vector<std::thread> m_workers;
};

/// Prints what is judged, with what JSON needs around and between.
class Page {
public:
    Page(Checked& checked, bool asJson, const std::function<void(std::string_view)>& print)
        : m_checked(checked), m_json(asJson), m_print(print) {}
    void put(const Judged& job) {
        if (m_json) m_print(m_checked.jobs == 0 ? "{\"jobs\":[\n" : ",\n");
        m_print(job.out);
        ++m_checked.jobs;
        m_checked.worst = core::worse(m_checked.worst, job.worst);
    }
    void end() {
        if (!m_json) return;
        if (m_checked.jobs > 0)
            m_print("\n]}\n");
        else if (m_checked.faults.empty())
            m_print("{\"jobs\":[]}\n");
    }

private:
    Checked& m_checked;
    bool m_json;
    const std::function<void(std::string_view)>& m_print;
};

/// House rules and power districts: what the workshop's own stations say.
void checkStations(const CheckRequest& request, const store::Workshop& workshop,
                   const core::Catalogue& catalogue, Checked& checked,
                   const std::function<void(std::string_view)>& print) {
    const auto record = workshop.workshopRecord();
    if (!record) {
        checked.faults.push_back(request.path + ": " + core::plain(record.error().what));
        return;
    }
    const auto loads = store::districtLoads(workshop, *record, catalogue);
    const auto findings = core::findings(core::WorkshopFacts{*record, catalogue, nullptr, loads});
    checked.worst = core::worse(checked.worst, core::worstState(findings));
    if (!request.json) {
        Judged lines{"the workshop\n", {}};
        putFindings(findings, lines);
        print(lines.out);
        return;
    }
    JsonText out;
    out.open('{').key("workshop").open('{');
    out.with("state", core::name(core::worstState(findings)));
    out.with("next", core::plain(core::nextAction(findings)));
    out.key("findings").open('[');
    for (const core::Finding& finding : findings) put(out, finding);
    print(out.close(']').close('}').close('}').taken() + "\n");
}

void checkWorkshop(const CheckRequest& request, const store::Workshop& workshop,
                   const core::Catalogue& catalogue, Checked& checked, Page& page) {
    auto entries = workshop.jobs();
    if (!entries) {
        checked.faults.push_back(request.path + ": " + core::plain(entries.error().what));
        return;
    }
    std::erase_if(*entries, [&](const store::JobEntry& entry) {
        return (request.job && entry.name != *request.job) ||
               (request.id && entry.id != *request.id);
    });
    if (entries->empty() && (request.job || request.id)) {
        checked.faults.push_back(request.path +
                                 (request.id
                                      ? ": --id: found no job " + std::to_string(*request.id)
                                      : ": --job: found no job called “" + *request.job + "”") +
                                 ", allowed: one that is on the shelf");
        return;
    }
    const auto record = workshop.workshopRecord();
    if (!record) {
        checked.faults.push_back(request.path + ": " + core::plain(record.error().what));
        return;
    }
    JobRow row(request, *entries, catalogue, record->house);
    for (std::size_t i = 0; i < entries->size(); ++i) {
        const JudgedOrWhy job = row.next(i);
        if (job) {
            page.put(*job);
        } else {
            checked.faults.push_back(request.path + ": job " + std::to_string((*entries)[i].id) +
                                     " “" + (*entries)[i].name +
                                     "”: " + core::plain(job.error().what));
        }
    }
}

void checkDocument(const CheckRequest& request, const core::Catalogue& catalogue, Checked& checked,
                   Page& page) {
    const auto text = contents(request.path, "a workshop or a job in JSON");
    if (!text) {
        checked.faults.push_back(text.error());
        return;
    }
    std::vector<store::Fault> faults;
    const auto job = store::jobFromJson(*text, &faults);
    for (const store::Fault& fault : faults) {
        checked.faults.push_back(request.path + ": " + store::sentence(fault));
    }
    if (!job) {
        if (faults.empty()) {
            checked.faults.push_back(request.path + ": " + core::plain(job.error().what));
        }
    } else if (request.job && job->name != *request.job) {
        checked.faults.push_back(request.path + ": --job: found no job called “" + *request.job +
                                 "”, allowed: “" + job->name + "”");
    } else {
        page.put(judged(*job, {}, catalogue, {}, {}, request));
    }
}

}  // namespace

Checked check(const CheckRequest& request, const std::function<void(std::string_view)>& print) {
    Checked checked;
    const auto loaded = store::loadedCatalogue(QString::fromStdString(request.userCatalogue));
    if (loaded.userFault) {
        checked.faults.push_back(request.userCatalogue + ": " +
                                 core::plain(loaded.userFault->what));
        return checked;
    }
    if (auto fault = unreadable(request.path, "a workshop or a job in JSON")) {
        checked.faults.push_back(std::move(*fault));
        return checked;
    }
    const auto workshop =
        store::Workshop::open(QString::fromStdString(request.path), store::Access::ReadOnly);
    if (request.workshop) {
        if (workshop)
            checkStations(request, **workshop, loaded.catalogue, checked, print);
        else
            checked.faults.push_back(request.path + ": " + core::plain(workshop.error().what));
        return checked;
    }
    Page page(checked, request.json, print);
    if (workshop) {
        checkWorkshop(request, **workshop, loaded.catalogue, checked, page);
    } else if (workshop.error().code == core::ErrorCode::NotUnderstood) {
        checkDocument(request, loaded.catalogue, checked, page);
    } else {
        checked.faults.push_back(request.path + ": " + core::plain(workshop.error().what));
    }
    page.end();
    return checked;
}

}  // namespace glimmet::cli
