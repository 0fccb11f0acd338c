#include "app/frame/bench.h"

#include "app/theme/words.h"
#include "core/work/shelf.h"
#include "core/work/trials.h"
#include "store/district_loads.h"
#include "store/same_type_jobs.h"

#include <QDateTime>
#include <QElapsedTimer>
#include <QUndoCommand>
#include <QtConcurrent>

#include <future>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }
/// To the minute, for what waits.
std::string now() {
    return QDateTime::currentDateTime().toString(u"yyyy-MM-ddTHH:mm"_s).toStdString();
}

}  // namespace

class Bench::ShelfCommand : public QUndoCommand {
public:
    ShelfCommand(Bench& bench, const core::Text& what, store::JobId job, bool puts, bool done)
        : QUndoCommand(said(what)),
          m_bench(bench),
          m_what(what),
          m_job(job),
          m_puts(puts),
          m_done(done) {}
    void undo() override { m_bench.setOnShelf(m_job, !m_puts, m_what); }
    void redo() override {
        if (m_done)
            m_done = false;
        else
            m_bench.setOnShelf(m_job, m_puts, m_what);
    }

private:
    Bench& m_bench;
    core::Text m_what;
    store::JobId m_job;
    bool m_puts;
    bool m_done;
};

Bench::Bench(core::Catalogue catalogue, QObject* parent)
    : QObject(parent), m_catalogue(std::move(catalogue)) {
    connect(&m_trial, &QFutureWatcherBase::finished, this, [this] {
        if (m_trial.future().resultCount() == 0) return;
        putTried(m_trial.result());
        emit optionsTried();
    });
}
Bench::~Bench() { m_trial.waitForFinished(); }

const core::Finding* Bench::spoken() const {
    for (const core::Finding& finding : m_findings) {
        if (finding.id == m_spokenId && finding.stage == m_stage) return &finding;
    }
    const core::Finding* about = core::leading(m_findings, m_stage, m_subject);
    return about ? about : core::leading(m_findings, m_stage);
}

void Bench::setWorkshop(std::unique_ptr<store::Workshop> workshop) {
    m_shelfUndo.clear();
    m_jobId.reset();
    m_job = {};
    m_facts.reset();
    m_findings.clear();
    goToJob();
    m_record = {};
    m_workshop = std::move(workshop);
    if (m_workshop) readRecord();
    emit workshopChanged();
    emit jobChanged();
}

bool Bench::readRecord() {
    auto record = m_workshop->workshopRecord();
    if (!record) {
        emit failed(said(record.error()));
        return false;
    }
    m_record = std::move(*record);
    return true;
}

void Bench::readShelf() {
    m_shelf.clear();
    m_loads.clear();
    const auto jobs = m_workshop->jobs();
    if (!jobs) return;
    for (const store::JobEntry& entry : *jobs) {
        m_shelf.emplace_back(static_cast<int>(entry.id), entry.name);
    }
    m_loads = store::districtLoads(*m_workshop, m_record, m_catalogue);
}

void Bench::goToJob() {
    if (m_onWorkshop) m_stage = m_stageBefore;
    m_onWorkshop = false;
}

void Bench::openWorkshopRecord() {
    if (!m_workshop || m_onWorkshop) return;
    m_onWorkshop = true;
    m_stageBefore = m_stage;
    m_stage = core::workshopStages().front().name;
    m_subject.clear();
    m_spokenId.clear();
    recompute();
}

std::vector<core::StageStatus> Bench::standings() const {
    if (m_onWorkshop) return core::stageStatus(m_record, m_findings);
    return hasJob() ? core::stageStatus(m_job, m_findings) : std::vector<core::StageStatus>();
}

void Bench::openJob(store::JobId id) {
    if (!m_workshop) return;
    auto job = m_workshop->job(id);
    if (!job) {
        emit failed(said(job.error()));
        return;
    }
    goToJob();
    const bool first = !m_jobId;  // later ones are looked at in the stage that is looked at
    m_jobId = id;
    m_job = std::move(*job);
    m_sameType = store::SameTypeJobs(*m_workshop).of(id, m_job);
    m_subject.clear();
    m_spokenId.clear();
    recompute();
    const std::vector<core::StageStatus> stages = standings();
    const bool there = std::any_of(stages.begin(), stages.end(),
                                   [&](const auto& each) { return each.stage == m_stage; });
    if (first || !there) goTo(core::whereWorkIs(stages, m_findings));
}

void Bench::follow() {
    if (!m_workshop || !readOnly()) return;
    const auto written = m_workshop->writtenElsewhere();
    if (!written || !*written) return;  // a writer in the middle of it: the next look will tell
    emit shelfChanged();
    const core::WorkshopRecord before = m_record;
    if (readRecord() && !(m_record == before)) {
        emit houseChanged();
        recompute();
    }
    if (!m_jobId) return;
    auto job = m_workshop->job(*m_jobId);
    if (!job || *job == m_job) return;
    m_job = std::move(*job);
    recompute();
}

void Bench::recompute() {
    if (m_onWorkshop) readShelf();
    judge();
    readUndoable();
    showJudged();
}

void Bench::judge() {
    m_facts.reset();
    m_findings.clear();
    m_tried.clear();
    m_trial.setFuture({});
    QElapsedTimer judging;
    judging.start();
    if (m_jobId) m_facts.emplace(core::analysed(m_job, m_record.house, m_catalogue, m_sameType));
    if (m_onWorkshop)
        m_findings = core::findings(workshopFacts());
    else if (m_facts)
        m_findings = core::findings(*m_facts);
    m_judgingMicroseconds = judging.nsecsElapsed() / 1000;
}

void Bench::readUndoable() {
    m_undoable = {};
    if (m_workshop && !readOnly()) {
        auto undoable = m_onWorkshop ? m_workshop->undoableWorkshop()
                        : m_jobId    ? m_workshop->undoable(*m_jobId)
                                     : core::Result<store::Undoable>();
        if (undoable) m_undoable = std::move(*undoable);
    }
}

void Bench::showJudged() {
    trySpoken();
    emit jobChanged();
}

// What takes longer than this would be felt: it is tried beside, and an answer for a job that has
// moved on meanwhile is dropped.
constexpr qint64 feltMicroseconds = 4000;

void Bench::trySpoken() {
    const core::Finding* about = m_onWorkshop || !m_facts ? nullptr : spoken();
    if (!about || about->state == core::State::Fine || about->options.empty()) return;
    if (!m_tried.insert(about->id).second) return;
    const auto count = static_cast<qint64>(about->options.size());
    if (m_judgingMicroseconds * count < feltMicroseconds) {
        core::Finding tried = *about;
        core::Trials(*m_facts, m_findings).tryOptions(tried);
        putTried(tried);
        return;
    }
    // A new future takes the place of one that is still out: what that finds is not heard any more.
    m_trial.setFuture(
        QtConcurrent::run([job = m_job, house = m_record.house, catalogue = m_catalogue,
                           sameType = m_sameType, tried = *about]() mutable {
            core::tryOptions(tried, core::analysed(job, house, catalogue, std::move(sameType)));
            return tried;
        }));
}

void Bench::putTried(const core::Finding& tried) {
    for (core::Finding& finding : m_findings) {
        if (finding.id == tried.id) finding = tried;
    }
}

bool Bench::undo() {
    if (m_onWorkshop) return stepWorkshop(false);
    return m_workshop && m_jobId && moved(m_workshop->undo(*m_jobId));
}
bool Bench::redo() {
    if (m_onWorkshop) return stepWorkshop(true);
    return m_workshop && m_jobId && moved(m_workshop->redo(*m_jobId));
}

bool Bench::stepWorkshop(bool forward) {
    auto record = m_workshop->stepWorkshop(forward);
    if (!record) {
        emit failed(said(record.error()));
        return false;
    }
    setRecord(std::move(*record));
    return true;
}

bool Bench::takeForWorkshop(const QString& line) {
    return takenForWorkshop(
        core::applyLine(line.toStdString(), m_record, m_catalogue, today(), m_shelf));
}

bool Bench::putOnShelf(store::JobId id, std::optional<store::JobId> before) {
    if (!m_workshop || before == id) return false;
    if (readOnly()) {
        emit failed(tr("The workshop is open read-only: its shelf stays as it is."));
        return false;
    }
    readShelf();
    std::optional<int> other;
    if (before) other = static_cast<int>(*before);
    return takenForWorkshop(core::putOnShelf(m_record, m_shelf, static_cast<int>(id), other));
}

bool Bench::takenForWorkshop(const core::Result<core::WorkshopJotResult>& jotted) {
    if (!jotted) {
        emit failed(said(jotted.error()));
        return false;
    }
    if (jotted->after == m_record) {
        emit failed(tr("That is how it stands already: %1.").arg(said(jotted->meaning)));
        return false;
    }
    const auto recorded = m_workshop->recordWorkshop({{jotted->after, jotted->meaning}});
    if (!recorded) {
        emit failed(said(recorded.error()));
        return false;
    }
    if (m_onWorkshop) {
        m_stage = jotted->stage;
        m_subject = jotted->subject;
        m_spokenId.clear();
    }
    setRecord(jotted->after);
    return true;
}

/// What has become of the workshop is shown: marks are stale where jobs are judged otherwise.
void Bench::setRecord(core::WorkshopRecord record) {
    const core::WorkshopRecord was = std::exchange(m_record, std::move(record));
    if (was.shelfOrder != m_record.shelfOrder) emit shelfChanged();
    if (!(was.house == m_record.house)) emit houseChanged();
    recompute();
}

bool Bench::moved(const core::Result<store::Moved>& step) {
    if (!step) {
        emit failed(said(step.error()));
        return false;
    }
    m_job = step->job;
    recompute();
    if (step->larger) {
        emit failed(tr("%1 changed more than this job. The rest of it stays as it is.")
                        .arg(said(step->what)));
    }
    return true;
}

bool Bench::edit(const core::Text& what, const core::Job& after) {
    if (!m_workshop || !m_jobId) return false;
    // The disk takes its time, judging too, and neither needs the other: the workshop is left to
    // the other thread meanwhile. What could not be written down is as if it had not been said.
    auto recording = std::async(std::launch::async, [&] {
        auto recorded = m_workshop->record(*m_jobId, after, what);
        if (recorded) readUndoable();
        return recorded;
    });
    const core::Job before = std::exchange(m_job, after);
    judge();
    if (const auto recorded = recording.get(); !recorded) {
        m_job = before;
        judge();
        emit failed(said(recorded.error()));
        return false;
    }
    showJudged();
    return true;
}

core::Result<core::Text> Bench::applyLine(const QString& line) const {
    const std::string typed = line.toStdString();
    if (m_onWorkshop) {
        return core::applyLine(typed, m_record, m_catalogue, today(), m_shelf)
            .map([](const core::WorkshopJotResult& jotted) { return jotted.meaning; });
    }
    if (!hasJob()) {
        return core::failure(core::ErrorCode::Missing, "jot",
                             core::text("There is no model on the bench. Put one on the shelf "
                                        "first: Workshop, New job."));
    }
    return core::applyLine(typed, m_job, m_catalogue, now(), m_record)
        .map([](const core::JotResult& jotted) { return jotted.meaning; });
}

bool Bench::wouldBe(const QString& line,
                    const std::function<void(const core::JobAnalysis&)>& seen) const {
    if (m_onWorkshop || !hasJob()) return false;
    const auto with = core::applyLine(line.toStdString(), m_job, m_catalogue, now(), m_record);
    if (!with) return false;
    seen(core::analysed(with->after, m_record.house, m_catalogue, m_sameType));
    return true;
}

std::vector<core::JotCompletion> Bench::completions(const QString& line) const {
    if (m_onWorkshop)
        return core::workshopJotCompletions(line.toStdString(), m_record, m_catalogue, m_shelf);
    if (!hasJob()) return {};
    return core::jotCompletions(line.toStdString(), m_job, m_catalogue);
}

bool Bench::take(const QString& line) {
    if (m_onWorkshop) return takeForWorkshop(line);
    if (const auto meaning = applyLine(line); !meaning) {
        emit failed(said(meaning.error()));
        return false;
    }
    return taken(core::applyLine(line.toStdString(), m_job, m_catalogue, now(), m_record));
}

bool Bench::takeAll(const QStringList& lines) {
    if (!hasJob() || m_onWorkshop) {
        emit failed(tr("That belongs to a model: choose one on the shelf."));
        return false;
    }
    std::vector<std::string> words;
    for (const QString& line : lines) words.push_back(line.toStdString());
    return taken(core::applyLine(words, m_job, m_catalogue, now(), m_record));
}

bool Bench::taken(const core::Result<core::JotResult>& jotted) {
    if (!jotted) {
        emit failed(said(jotted.error()));
        return false;
    }
    if (jotted->goes) {
        goTo(jotted->stage);
        return true;
    }
    if (jotted->after == m_job) {
        emit failed(tr("That is how it stands already: %1.").arg(said(jotted->meaning)));
        return false;
    }
    if (!jotted->stage.empty()) {
        m_stage = jotted->stage;
        m_subject = jotted->subject;
    }
    // A finding that was picked by hand stays in view as long as it is about the same thing.
    if (const core::Finding* before = spoken(); !before || before->subject.id != m_subject) {
        m_spokenId.clear();
    }
    return edit(jotted->meaning, jotted->after);
}

void Bench::goTo(std::string_view stage) {
    m_stage = stage;
    m_subject.clear();
    m_spokenId.clear();
    trySpoken();
    emit attentionChanged();
}

void Bench::pointAt(const std::string& subject) {
    m_subject = subject;
    m_spokenId.clear();
    for (const core::Finding& finding : m_findings) {
        if (subject.empty() || finding.subject.id != subject) continue;
        m_stage = finding.stage;
        break;
    }
    trySpoken();
    emit attentionChanged();
}

void Bench::speakOf(const std::string& findingId) {
    m_spokenId = findingId;
    for (const core::Finding& finding : m_findings) {
        if (finding.id != findingId) continue;
        m_stage = finding.stage;
        m_subject = finding.subject.id;
    }
    trySpoken();
    emit attentionChanged();
}

bool Bench::addJob(const core::Job& job, const core::Text& what) {
    if (!m_workshop) return false;
    const auto id = m_workshop->add(job, what);
    if (!id) {
        emit failed(said(id.error()));
        return false;
    }
    m_shelfUndo.push(new ShelfCommand(*this, what, *id, true, true));
    emit shelfChanged();
    openJob(*id);
    return true;
}

void Bench::takeOffShelf() {
    if (!m_workshop || !m_jobId) return;
    if (readOnly()) {
        emit failed(tr("The workshop is open read-only: nothing can be taken off the shelf."));
        return;
    }
    m_shelfUndo.push(new ShelfCommand(*this, core::text("%1 off the shelf", m_job.name), *m_jobId,
                                      false, false));
}

void Bench::setOnShelf(store::JobId id, bool onShelf, const core::Text& what) {
    if (const auto done = m_workshop->setOnShelf(id, onShelf, what); !done) {
        emit failed(said(done.error()));
        return;
    }
    emit shelfChanged();
    if (onShelf) {
        openJob(id);
    } else if (m_jobId == id) {
        const auto jobs = m_workshop->jobs();
        if (jobs && !jobs->empty()) {
            openJob(jobs->front().id);
        } else {
            m_jobId.reset();
            m_job = {};
            recompute();
        }
    }
}

}  // namespace glimmet::app
