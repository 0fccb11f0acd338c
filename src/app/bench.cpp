#include "app/bench.h"

#include "app/words.h"

#include <QDate>
#include <QUndoCommand>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {
/// Steps of a job's history that undo reaches back; older ones stay in the workshop file.
constexpr std::size_t undoDepth = 500;
}  // namespace

/// One step of a job's history. The workshop has recorded it before it comes onto the stack.
class Bench::EditCommand : public QUndoCommand {
public:
    EditCommand(Bench& bench, const QString& what, store::RevisionId before,
                store::RevisionId after)
        : QUndoCommand(what), m_bench(bench), m_before(before), m_after(after) {}
    void undo() override { m_bench.moveTo(m_before); }
    void redo() override {
        if (m_recorded)
            m_recorded = false;
        else
            m_bench.moveTo(m_after);
    }

private:
    Bench& m_bench;
    store::RevisionId m_before;
    store::RevisionId m_after;
    bool m_recorded = true;  ///< QUndoStack::push calls redo() for what is done already
};

class Bench::ShelfCommand : public QUndoCommand {
public:
    ShelfCommand(Bench& bench, const QString& what, store::JobId job, bool puts, bool done)
        : QUndoCommand(what), m_bench(bench), m_job(job), m_puts(puts), m_done(done) {}
    void undo() override { m_bench.setOnShelf(m_job, !m_puts); }
    void redo() override {
        if (m_done)
            m_done = false;
        else
            m_bench.setOnShelf(m_job, m_puts);
    }

private:
    Bench& m_bench;
    store::JobId m_job;
    bool m_puts;
    bool m_done;
};

Bench::Bench(core::Catalogue catalogue, QObject* parent)
    : QObject(parent), m_catalogue(std::move(catalogue)) {}
Bench::~Bench() = default;

const core::Finding* Bench::spoken() const {
    for (const core::Finding& finding : m_findings) {
        if (finding.id == m_spokenId && finding.stage == m_stage) return &finding;
    }
    const core::Finding* about = core::leading(m_findings, m_stage, m_subject);
    return about ? about : core::leading(m_findings, m_stage);
}

void Bench::setWorkshop(std::unique_ptr<store::Workshop> workshop) {
    m_undo.clear();
    m_shelfUndo.clear();
    m_jobId.reset();
    m_job = {};
    m_findings.clear();
    m_workshop = std::move(workshop);
    emit workshopChanged();
    emit jobChanged();
}

void Bench::openJob(store::JobId id) {
    if (!m_workshop) return;
    auto job = m_workshop->job(id);
    if (!job) {
        emit failed(said(job.error()));
        return;
    }
    m_jobId = id;
    m_job = std::move(*job);
    m_subject.clear();
    m_spokenId.clear();
    reloadHistory();
    recompute();
}

void Bench::reloadHistory() {
    m_undo.clear();
    m_revision = 0;
    const auto history = m_workshop->history(*m_jobId, undoDepth);
    if (!history || history->steps.empty()) return;
    m_revision = history->steps[history->head].revision;
    for (std::size_t i = 1; i < history->steps.size(); ++i) {
        m_undo.push(new EditCommand(*this, said(history->steps[i].what),
                                    history->steps[i - 1].revision, history->steps[i].revision));
    }
    // Undone steps: the stack goes back to where the head is; the workshop is there already.
    m_replaying = true;
    m_undo.setIndex(static_cast<int>(history->head));
    m_replaying = false;
}

void Bench::recompute() {
    m_findings = core::findings(m_job, m_catalogue);
    emit jobChanged();
}

void Bench::moveTo(store::RevisionId revision) {
    if (m_replaying || revision == m_revision) return;
    auto job = m_workshop->moveHead(*m_jobId, revision);
    if (!job) {
        emit failed(said(job.error()));
        // The stack has moved and the job has not: make them agree again, outside this command.
        QMetaObject::invokeMethod(this, &Bench::reloadHistory, Qt::QueuedConnection);
        return;
    }
    m_revision = revision;
    m_job = std::move(*job);
    recompute();
}

bool Bench::edit(const core::Text& what, const core::Job& after) {
    if (!m_workshop || !m_jobId) return false;
    const auto revision = m_workshop->record(*m_jobId, after, what);
    if (!revision) {
        emit failed(said(revision.error()));
        return false;
    }
    const store::RevisionId before = m_revision;
    m_revision = *revision;
    m_job = after;
    m_undo.push(new EditCommand(*this, said(what), before, *revision));
    recompute();
    return true;
}

core::Result<core::Jotted> Bench::understood(const QString& line) const {
    return core::understood(line.toStdString(), m_job, m_catalogue,
                            QDate::currentDate().toString(Qt::ISODate).toStdString());
}

bool Bench::take(const QString& line) {
    if (!hasJob()) {
        emit failed(
            tr("There is no model on the bench. Put one on the shelf first: Workshop, New job."));
        return false;
    }
    auto jotted = understood(line);
    if (!jotted) {
        emit failed(said(jotted.error()));
        return false;
    }
    if (jotted->after == m_job) {
        emit failed(tr("That is how it stands already: %1.").arg(said(jotted->meaning)));
        return false;
    }
    if (jotted->stage) {
        m_stage = *jotted->stage;
        m_subject = jotted->subject;
    }
    // A finding that was picked by hand stays in view as long as it is about the same thing.
    if (const core::Finding* before = spoken(); !before || before->subject != m_subject) {
        m_spokenId.clear();
    }
    return edit(jotted->meaning, jotted->after);
}

void Bench::goTo(core::Stage stage) {
    m_stage = stage;
    m_subject.clear();
    m_spokenId.clear();
    emit attentionChanged();
}

void Bench::pointAt(const std::string& subject) {
    m_subject = subject;
    m_spokenId.clear();
    if (!subject.empty()) m_stage = core::Stage::Lamps;
    emit attentionChanged();
}

void Bench::speakOf(const std::string& findingId) {
    m_spokenId = findingId;
    for (const core::Finding& finding : m_findings) {
        if (finding.id != findingId) continue;
        m_stage = finding.stage;
        m_subject = finding.subject;
    }
    emit attentionChanged();
}

bool Bench::addJob(const core::Job& job, const core::Text& what) {
    if (!m_workshop) return false;
    const auto id = m_workshop->add(job, what);
    if (!id) {
        emit failed(said(id.error()));
        return false;
    }
    m_shelfUndo.push(new ShelfCommand(*this, said(what), *id, true, true));
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
    m_shelfUndo.push(new ShelfCommand(*this, tr("%1 off the shelf").arg(qs(m_job.name)), *m_jobId,
                                      false, false));
}

void Bench::setOnShelf(store::JobId id, bool onShelf) {
    if (const auto done = m_workshop->setOnShelf(id, onShelf); !done) {
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
            m_undo.clear();
            recompute();
        }
    }
}

}  // namespace glimmet::app
