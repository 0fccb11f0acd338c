#include "app/frame/shelf/shelf_scan.h"

#include "core/work/stage_status.h"
#include "store/same_type_jobs.h"

#include <QPromise>
#include <QtConcurrent>

namespace glimmet::app {
namespace {

constexpr std::size_t batch = 100;  // jobs told about at once: a few frames' worth of work

/// Runs on a pool thread with a connection of its own; a workshop belongs to its thread.
void lookThrough(QPromise<std::vector<ShelfStanding>>& promise, const QString& path,
                 const core::Catalogue& catalogue, const core::WorkshopRules& house) {
    const auto workshop = store::Workshop::open(path, store::Access::ReadOnly);
    if (!workshop) return;
    const auto jobs = (*workshop)->jobs();
    if (!jobs) return;
    promise.setProgressRange(0, static_cast<int>(jobs->size()));
    std::vector<ShelfStanding> standings;
    store::SameTypeJobs sameType(**workshop);
    for (std::size_t i = 0; i < jobs->size(); ++i) {
        if (promise.isCanceled()) return;
        if (const auto job = (*workshop)->job((*jobs)[i].id)) {
            const auto findings =
                core::findings(*job, catalogue, house, sameType.of((*jobs)[i].id, *job));
            standings.push_back(
                {(*jobs)[i].id, core::worstState(findings), core::nextAction(findings)});
        }
        if (standings.size() == batch || i + 1 == jobs->size()) {
            promise.addResult(std::exchange(standings, {}));
            promise.setProgressValue(static_cast<int>(i) + 1);
        }
    }
}

}  // namespace

ShelfScan::ShelfScan(QObject* parent) : QObject(parent) {
    connect(&m_watcher, &QFutureWatcherBase::resultReadyAt, this,
            [this](int index) { emit found(m_watcher.resultAt(index)); });
    connect(&m_watcher, &QFutureWatcherBase::progressValueChanged, this,
            [this](int value) { emit progressed(value, m_watcher.progressMaximum()); });
    connect(&m_watcher, &QFutureWatcherBase::finished, this, &ShelfScan::finished);
}

ShelfScan::~ShelfScan() { cancel(); }

void ShelfScan::start(const QString& workshopPath, const core::Catalogue& catalogue,
                      const core::WorkshopRules& house) {
    cancel();
    m_watcher.setFuture(QtConcurrent::run(lookThrough, workshopPath, catalogue, house));
}

void ShelfScan::cancel() {
    m_watcher.cancel();
    m_watcher.waitForFinished();
}

}  // namespace glimmet::app
