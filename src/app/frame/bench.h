// What lies on the bench: the open workshop, the open job, its findings, and what is pointed at.
// Every change of a job goes through here: recorded in the workshop as it happens, undoable, and
// followed by the signals that make the views show it.
#pragma once

#include "core/work/jot.h"
#include "core/work/stage_status.h"
#include "core/work/workshop_stages.h"
#include "store/workshop.h"

#include <QFutureWatcher>
#include <QObject>
#include <QUndoStack>

#include <functional>
#include <memory>
#include <optional>
#include <set>
#include <string>

namespace glimmet::app {

class Bench : public QObject {
    Q_OBJECT
public:
    explicit Bench(core::Catalogue catalogue, QObject* parent = nullptr);
    ~Bench() override;

    [[nodiscard]] store::Workshop* workshop() const { return m_workshop.get(); }
    [[nodiscard]] bool readOnly() const { return m_workshop && m_workshop->readOnly(); }
    [[nodiscard]] const core::Catalogue& catalogue() const { return m_catalogue; }
    [[nodiscard]] bool hasJob() const { return m_jobId.has_value(); }
    /// The workshop itself is pulled forward; the open job is then its worked example.
    [[nodiscard]] bool onWorkshop() const { return m_onWorkshop; }
    [[nodiscard]] const core::WorkshopRecord& workshopRecord() const { return m_record; }
    /// What the workshop's stations judge. Range: it is pulled forward.
    [[nodiscard]] core::WorkshopFacts workshopFacts() const {
        return {m_record, m_catalogue, m_jobId ? &m_job : nullptr, m_loads};
    }
    /// Stages of what is pulled forward, as they stand; none where nothing is.
    [[nodiscard]] std::vector<core::StageStatus> standings() const;
    [[nodiscard]] store::JobId jobId() const { return m_jobId.value_or(0); }
    [[nodiscard]] const core::Job& job() const { return m_job; }
    /// What the open job comes to. Range: there is one.
    [[nodiscard]] const core::JobAnalysis& facts() const { return *m_facts; }
    [[nodiscard]] const std::vector<core::Finding>& findings() const { return m_findings; }
    [[nodiscard]] std::string_view stage() const { return m_stage; }
    /// The id of what is pointed at, or empty.
    [[nodiscard]] const std::string& subject() const { return m_subject; }
    /// The finding that the reckoning speaks about; nullptr when there is none.
    [[nodiscard]] const core::Finding* spoken() const;
    /// Its options are being tried beside; optionsTried comes when they are ranked.
    [[nodiscard]] bool trying() const { return m_trial.isRunning(); }
    /// What undo and redo of the open job would take back and bring back.
    [[nodiscard]] const store::Undoable& undoable() const { return m_undoable; }
    [[nodiscard]] QUndoStack* shelfUndoStack() { return &m_shelfUndo; }

    void setWorkshop(std::unique_ptr<store::Workshop> workshop);
    void openJob(store::JobId id);
    void openWorkshopRecord();
    /// Shows what another window has written since; for a workshop that is open read-only.
    void follow();
    void goTo(std::string_view stage);
    void pointAt(const std::string& subject);
    void speakOf(const std::string& findingId);

    /// How a jot line would be understood now.
    [[nodiscard]] core::Result<core::Text> applyLine(const QString& line) const;
    [[nodiscard]] std::vector<core::JotCompletion> completions(const QString& line) const;
    /// The open job as it would be with a line, for as long as `seen` looks at it. False: the line
    /// is none of a job.
    bool wouldBe(const QString& line,
                 const std::function<void(const core::JobAnalysis&)>& seen) const;
    /// Enters a jot line. False, with the sentence in failed(), when nothing was taken.
    bool take(const QString& line);
    /// Enters several as one change; a refused one keeps all of them out.
    bool takeAll(const QStringList& lines);
    /// One step of the open job back or forward, as the workshop file has it. False as take().
    bool undo();
    bool redo();
    bool addJob(const core::Job& job, const core::Text& what);
    void takeOffShelf();
    /// A drawing or a lamp of the user's own, to choose from at once.
    void addPart(core::BodyDrawing drawing) { m_catalogue.bodies.push_back(std::move(drawing)); }
    void addPart(core::LampPart lamp) { m_catalogue.lamps.push_back(std::move(lamp)); }
    /// A job before another one on the shelf, or last. False as take().
    bool putOnShelf(store::JobId id, std::optional<store::JobId> before);

signals:
    void workshopChanged();
    void shelfChanged();
    void houseChanged();      ///< marks on the shelf are stale
    void jobChanged();        ///< other job, other contents: everything is to be shown anew
    void optionsTried();      ///< of the finding that is spoken of, on second thoughts
    void attentionChanged();  ///< stage, subject or finding in question
    void failed(const QString& sentence);

private:
    class ShelfCommand;
    void recompute();
    void judge();  ///< m_facts and m_findings, of m_job and m_record; asks no workshop
    void readUndoable();
    void showJudged();  ///< what goes with them, and tells of it
    void trySpoken();
    void putTried(const core::Finding& tried);
    bool moved(const core::Result<store::Moved>& step);
    void setOnShelf(store::JobId id, bool onShelf, const core::Text& what);
    bool edit(const core::Text& what, const core::Job& after);
    bool taken(const core::Result<core::JotResult>& jotted);
    bool takeForWorkshop(const QString& line);
    bool takenForWorkshop(const core::Result<core::WorkshopJotResult>& jotted);
    void setRecord(core::WorkshopRecord record);
    bool stepWorkshop(bool forward);
    bool readRecord();
    void readShelf();
    void goToJob();

    core::Catalogue m_catalogue;
    std::unique_ptr<store::Workshop> m_workshop;
    std::optional<store::JobId> m_jobId;
    core::WorkshopRecord m_record;
    std::vector<std::pair<int, std::string>> m_shelf;  ///< names, as they were read last
    std::vector<core::JobSummary> m_loads;             ///< of the jobs in its districts
    std::vector<core::SameType> m_sameType;            ///< of the open job, as it was opened
    bool m_onWorkshop = false;
    std::string_view m_stageBefore = core::jobStages().front().name;  ///< of the job
    core::Job m_job;
    std::optional<core::JobAnalysis> m_facts;  ///< of m_job
    std::vector<core::Finding> m_findings;
    qint64 m_judgingMicroseconds = 0;       ///< what judging the whole job took
    std::set<std::string> m_tried;          ///< findings whose options were tried
    QFutureWatcher<core::Finding> m_trial;  ///< options tried beside; an older one is dropped
    std::string_view m_stage = core::jobStages().front().name;
    std::string m_subject;
    std::string m_spokenId;
    store::Undoable m_undoable;
    QUndoStack m_shelfUndo;
};

}  // namespace glimmet::app
