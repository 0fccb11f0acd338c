// Looks through every job of a workshop in the background, to mark what is wrong on the shelf.
#pragma once

#include "app/frame/shelf/shelf_model.h"
#include "core/record/part.h"
#include "core/record/workshop_rules.h"

#include <QFutureWatcher>
#include <QObject>

namespace glimmet::app {

class ShelfScan : public QObject {
    Q_OBJECT
public:
    explicit ShelfScan(QObject* parent = nullptr);
    ~ShelfScan() override;
    /// Starts over; what was going on before is cancelled.
    void start(const QString& workshopPath, const core::Catalogue& catalogue,
               const core::WorkshopRules& house = {});
    void cancel();

signals:
    void found(const std::vector<glimmet::app::ShelfStanding>& standings);
    void progressed(int done, int of);
    void finished();

private:
    QFutureWatcher<std::vector<ShelfStanding>> m_watcher;
};

}  // namespace glimmet::app
