// Workshop files and jobs in JSON, as the menu offers them: opened, made, copied, salvaged,
// imported, exported; with what stands in the way said in the window.
#pragma once

#include "app/frame/bench.h"
#include "core/work/sheets.h"

#include <QObject>

class QMenu;

namespace glimmet::app {

class Notices;

class WorkshopFiles : public QObject {
    Q_OBJECT
public:
    WorkshopFiles(Bench& bench, Notices& notices, QWidget* window);

    /// Opens a workshop file and shows its first job. A large file is looked through in the
    /// background first.
    void open(const QString& path, store::Access access = store::Access::ReadWrite);
    void makeNew();
    void choose();
    void saveCopy();
    void importJob();
    void exportJob();
    /// The open job, with its photos where the name ends in .zip; written beside the interface.
    void exportTo(const QString& path);
    /// Asks where, as what.
    void saveSheet(const core::SheetKind& kind);
    /// The open job as a sheet: as A4 where the name ends in .pdf, as a page in .html, else as
    /// text.
    void saveSheetTo(const core::SheetKind& kind, const QString& path);
    /// Asks what the body of the open job's first unit is to be called, and keeps it among the
    /// user's own.
    void keepBody();
    /// Asks which of the lamps that were read at the bench, and what it is to be called.
    void keepLamp();
    void fillRecent(QMenu& menu);

signals:
    void bodyKept(const glimmet::core::BodyDrawing& drawing);
    void exportEnded(const QString& path, bool done);
    void closing();  ///< the workshop that is open is about to be another

private:
    void openExamined(const QString& path, store::Access access, store::Soundness soundness);
    void openingFailed(const core::Error& error, const QString& path, store::Access access);
    void salvage(const QString& path);
    void remember(const QString& path);
    /// Asks where to save; empty when nothing was chosen.
    [[nodiscard]] QString chosenToSave(const QString& title);
    Bench& m_bench;
    Notices& m_notices;
    QWidget* m_window;
};

}  // namespace glimmet::app
