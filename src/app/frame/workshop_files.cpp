#include "app/frame/workshop_files.h"

#include "app/frame/notices.h"
#include "app/theme/words.h"
#include "sheets/sheet.h"
#include "store/bundle.h"
#include "store/catalogue.h"

#include <QAction>
#include <QCoreApplication>
#include <QDir>
#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QMenu>
#include <QSaveFile>
#include <QSettings>
#include <QtConcurrent>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {
constexpr int recentFiles = 8;
constexpr qint64 quicklyExamined = 4 << 20;  // bytes that are looked through within a frame
/// A job to a file: with its photos, read from the workshop, or as JSON alone.
bool exported(const core::Job& job, const QString& workshop, const QString& path) {
    std::string bytes;
    if (path.endsWith(u".zip"_s, Qt::CaseInsensitive)) {
        const auto from = store::Workshop::open(workshop, store::Access::ReadOnly);
        if (!from) return false;
        auto packed = store::bundleToBytes(store::bundled(**from, job));
        if (!packed) return false;
        bytes = std::move(*packed);
    } else {
        bytes = store::jobToJson(job) + "\n";
    }
    QSaveFile file(path);  // what stood there stays whole until the new one is
    const auto size = static_cast<qint64>(bytes.size());
    return file.open(QIODevice::WriteOnly) && file.write(bytes.data(), size) == size &&
           file.commit();
}

/// "Quay lantern 2": "quay-lantern-2".
std::string idOf(const QString& title) {
    QString id;
    for (const QChar each : title.toLower()) id += each.isLetterOrNumber() ? each : u'-';
    return id.toStdString();
}
}  // namespace

WorkshopFiles::WorkshopFiles(Bench& bench, Notices& notices, QWidget* window)
    : QObject(window), m_bench(bench), m_notices(notices), m_window(window) {}

QString WorkshopFiles::chosenToSave(const QString& title) {
    QString path = QFileDialog::getSaveFileName(m_window, title, QDir::homePath(),
                                                tr("Glimmet workshops (*.glimmet)"));
    if (!path.isEmpty() && QFileInfo(path).suffix().isEmpty()) path += u".glimmet"_s;
    return path;
}

void WorkshopFiles::open(const QString& path, store::Access access) {
    if (QFileInfo(path).size() < quicklyExamined) {
        openExamined(path, access, store::Soundness::ToBeChecked);
        return;
    }
    m_notices.say(tr("Looking through %1 …").arg(QFileInfo(path).fileName()));
    auto* watcher = new QFutureWatcher<core::Result<void>>(this);
    connect(watcher, &QFutureWatcherBase::finished, this, [this, watcher, path, access] {
        const auto sound = watcher->result();
        watcher->deleteLater();
        m_notices.hide();
        if (sound)
            openExamined(path, access, store::Soundness::Known);
        else
            openingFailed(sound.error(), path, access);
    });
    watcher->setFuture(QtConcurrent::run([path] { return store::examined(path); }));
}

void WorkshopFiles::openingFailed(const core::Error& error, const QString& path,
                                  store::Access access) {
    const bool readable =
        access == store::Access::ReadWrite &&
        (error.code == core::ErrorCode::InUse || error.code == core::ErrorCode::NotWritable);
    if (readable) {
        m_notices.say(said(error), tr("Open read-only"),
                      [this, path] { open(path, store::Access::ReadOnly); });
    } else if (error.code == core::ErrorCode::Damaged) {
        m_notices.say(said(error), tr("Salvage into a new file"), [this, path] { salvage(path); });
    } else {
        m_notices.say(said(error));
    }
}

void WorkshopFiles::openExamined(const QString& path, store::Access access,
                                 store::Soundness soundness) {
    auto opened = store::Workshop::open(path, access, soundness);
    if (!opened) {
        openingFailed(opened.error(), path, access);
        return;
    }
    remember(path);
    m_notices.hide();
    emit closing();
    m_bench.setWorkshop(std::move(*opened));
    const auto jobs = m_bench.workshop()->jobs();
    if (jobs && !jobs->empty()) m_bench.openJob(jobs->front().id);
    if (m_bench.readOnly()) {
        m_notices.say(tr("%1 is open read-only: look as you like, nothing can be changed.")
                          .arg(QFileInfo(path).fileName()));
    }
}

void WorkshopFiles::salvage(const QString& path) {
    m_notices.say(tr("Reading what can be read of %1 …").arg(QFileInfo(path).fileName()));
    auto* watcher = new QFutureWatcher<core::Result<store::Salvage>>(this);
    connect(watcher, &QFutureWatcherBase::finished, this, [this, watcher] {
        const auto rescued = watcher->result();
        watcher->deleteLater();
        if (!rescued) {
            m_notices.say(said(rescued.error()));
            return;
        }
        open(rescued->path);
        m_notices.say(tr("Salvaged into %1: %2. The damaged file is as it was.")
                          .arg(QFileInfo(rescued->path).fileName(),
                               jobCount(static_cast<int>(rescued->jobs))));
    });
    watcher->setFuture(QtConcurrent::run([path] { return store::salvage(path); }));
}

void WorkshopFiles::makeNew() {
    const QString path = chosenToSave(tr("New workshop"));
    if (path.isEmpty()) return;
    open(path);
}

void WorkshopFiles::saveCopy() {
    const QString path = chosenToSave(tr("Save a copy"));
    if (path.isEmpty()) return;
    const auto copied = m_bench.workshop()->copyTo(path);
    m_notices.say(copied ? tr("A copy of the workshop is in %1. The one that is open stays open.")
                               .arg(QFileInfo(path).fileName())
                         : said(copied.error()));
}

void WorkshopFiles::choose() {
    const QString path =
        QFileDialog::getOpenFileName(m_window, tr("Open workshop"), QDir::homePath(),
                                     tr("Glimmet workshops (*.glimmet);;All files (*)"));
    if (!path.isEmpty()) open(path);
}

void WorkshopFiles::importJob() {
    const QString path = QFileDialog::getOpenFileName(
        m_window, tr("Import job"), QDir::homePath(),
        tr("Jobs in JSON, or with photos in a ZIP file (*.json *.zip);;All files (*)"));
    if (path.isEmpty()) return;
    QFile file(path);
    if (!QFileInfo(path).isFile() || !file.open(QIODevice::ReadOnly)) {
        m_notices.say(tr("%1 cannot be read.").arg(QFileInfo(path).fileName()));
        return;
    }
    const auto bundle = store::bundleFromBytes(file.readAll().toStdString());
    const auto kept = bundle && m_bench.workshop() ? store::keepPhotos(*m_bench.workshop(), *bundle)
                                                   : core::Result<void>();
    if (!bundle || !kept) {
        m_notices.say(
            tr("%1 was not imported. %2")
                .arg(QFileInfo(path).fileName(), said(bundle ? kept.error() : bundle.error())));
        return;
    }
    m_bench.addJob(core::adopted(bundle->job, m_bench.workshopRecord().house),
                   core::text("Imported"));
}

void WorkshopFiles::saveSheet(const core::SheetKind& kind) {
    if (!m_bench.hasJob()) return;
    const QString title = QCoreApplication::translate("core", kind.title);
    const QString path = QFileDialog::getSaveFileName(
        m_window, title, QDir::home().filePath(qs(std::string(kind.name)) + u".pdf"_s),
        tr("On A4 (*.pdf);;As a page (*.html);;As text (*.txt)"));
    if (!path.isEmpty()) saveSheetTo(kind, path);
}

void WorkshopFiles::saveSheetTo(const core::SheetKind& kind, const QString& path) {
    const core::Sheet sheet = kind.make(m_bench.facts());
    const QString ending = QFileInfo(path).suffix().toLower();
    const QByteArray bytes = ending == u"pdf"_s    ? sheets::pdf(sheet)
                             : ending == u"html"_s ? sheets::html(sheet).toUtf8()
                                                   : sheets::plainText(sheet).toUtf8();
    QSaveFile file(path);
    if (!file.open(QIODevice::WriteOnly) || file.write(bytes) != bytes.size() || !file.commit())
        m_notices.say(tr("%1 could not be written: %2.").arg(path, file.errorString()));
    else
        m_notices.say(tr("Written to %1.").arg(path));
}

void WorkshopFiles::exportJob() {
    if (!m_bench.hasJob()) return;
    // What has photos goes with them in one file; JSON alone can still be asked for.
    const bool photos = !m_bench.job().intake.photos.empty();
    const QString zip = tr("With its photos (*.zip)"), json = tr("Jobs in JSON (*.json)");
    const QString path = QFileDialog::getSaveFileName(
        m_window, tr("Export job"), QDir::homePath() + (photos ? u"/job.zip"_s : u"/job.json"_s),
        photos ? zip + u";;"_s + json : json);
    if (!path.isEmpty()) exportTo(path);
}

void WorkshopFiles::exportTo(const QString& path) {
    core::Job job = core::withHouse(m_bench.job(), m_bench.workshopRecord().house);
    // Photos are many megabytes: they are read and packed beside the interface.
    const auto write = [job = std::move(job), from = m_bench.workshop()->path(), path] {
        return exported(job, from, path);
    };
    QtConcurrent::run(write).then(this, [this, path](bool done) {
        if (!done) m_notices.say(tr("%1 could not be written.").arg(QFileInfo(path).fileName()));
        emit exportEnded(path, done);
    });
}

void WorkshopFiles::keepBody() {
    if (!m_bench.hasJob()) return;
    const core::Job& job = m_bench.job();
    std::size_t unit = 0;
    if (job.units.size() > 1) {
        QStringList units;
        for (std::size_t i = 0; i < job.units.size(); ++i) units << qs(core::unitCalled(job, i));
        bool chosen = false;
        const QString which = QInputDialog::getItem(m_window, tr("Keep body"), tr("Of which unit?"),
                                                    units, 0, false, &chosen);
        if (!chosen) return;
        unit = static_cast<std::size_t>(units.indexOf(which));
    }
    const QString title =
        QInputDialog::getText(m_window, tr("Keep body"),
                              tr("What are models with this body called? Its measures are kept for "
                                 "any scale; this one's are at 1:%1.")
                                  .arg(job.scale.ratio))
            .simplified()
            .left(80);
    if (title.isEmpty()) return;
    const core::BodyDrawing drawing = core::ownDrawing(job, unit, idOf(title), title.toStdString());
    if (core::bodyNamed(m_bench.catalogue(), drawing.id)) {
        m_notices.say(tr("There is a body “%1” already; this one needs another name.").arg(title));
        return;
    }
    if (const auto kept = store::keepPart(store::userCatalogueFile(), drawing); !kept) {
        m_notices.say(said(kept.error()));
        return;
    }
    m_bench.addPart(drawing);
    emit bodyKept(drawing);
    m_notices.say(tr("“%1” stands among the shapes of new jobs now, under “Your own”.").arg(title));
}

void WorkshopFiles::keepLamp() {
    if (!m_bench.hasJob()) return;
    const std::vector<core::LampPart> read = core::partsRead(m_bench.job());
    if (read.empty()) {
        m_notices.say(
            tr("No lamp of this model was read at the bench yet: hold it to the supply "
               "and type what you read, like wired front 12V 8.4mA 9V 5.6mA."));
        return;
    }
    QStringList names;
    for (const core::LampPart& each : read) names << qs(each.name);
    bool chosen = read.size() == 1;
    QString which = names.front();
    if (!chosen) {
        which = QInputDialog::getItem(m_window, tr("Keep lamp"), tr("Which one?"), names, 0, false,
                                      &chosen);
    }
    if (!chosen) return;
    const QString title =
        QInputDialog::getText(m_window, tr("Keep lamp"),
                              tr("What is it called in your drawers? %1; it is kept as it was "
                                 "read.")
                                  .arg(which))
            .simplified()
            .left(80);
    if (title.isEmpty()) return;
    core::LampPart part = read[static_cast<std::size_t>(names.indexOf(which))];
    part.id = idOf(title);
    part.name = title.toStdString();
    if (core::lampNamed(m_bench.catalogue(), part.id) ||
        core::lampNamed(m_bench.catalogue(), part.name)) {
        m_notices.say(tr("There is a lamp “%1” already; this one needs another name.").arg(title));
        return;
    }
    if (const auto kept = store::keepPart(store::userCatalogueFile(), part); !kept) {
        m_notices.say(said(kept.error()));
        return;
    }
    m_notices.say(tr("“%1” is a part of your own now: lamp front %2.").arg(title, qs(part.id)));
    m_bench.addPart(std::move(part));
}

void WorkshopFiles::remember(const QString& path) {
    QSettings settings;
    QStringList recent = settings.value(u"workshops/recent"_s).toStringList();
    const QString whole = QFileInfo(path).absoluteFilePath();
    recent.removeAll(whole);
    recent.prepend(whole);
    settings.setValue(u"workshops/recent"_s, recent.mid(0, recentFiles));
}

void WorkshopFiles::fillRecent(QMenu& menu) {
    menu.clear();
    const QStringList recent = QSettings().value(u"workshops/recent"_s).toStringList();
    for (const QString& path : recent) {
        auto* action = menu.addAction(QFileInfo(path).completeBaseName());
        action->setToolTip(path);
        connect(action, &QAction::triggered, this, [this, path] { open(path); });
    }
    if (recent.isEmpty()) menu.addAction(tr("none yet"))->setEnabled(false);
}

}  // namespace glimmet::app
