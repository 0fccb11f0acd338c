#include "store/catalogue.h"

#include "store/job_json.h"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QSaveFile>
#include <QStandardPaths>

#include <algorithm>
#include <array>
#include <cassert>
#include <string_view>
#include <utility>

// Resources of a static library are registered from outside any namespace.
static void registerResources() { Q_INIT_RESOURCE(store); }

namespace glimmet::store {
namespace {

std::string contents(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? file.readAll().toStdString() : std::string();
}

template <class Part>
void put(std::vector<Part>& parts, const std::vector<Part>& own) {
    for (auto it = own.rbegin(); it != own.rend(); ++it) {
        std::erase_if(parts, [&](const Part& part) { return part.id == it->id; });
        parts.insert(parts.begin(), *it);
    }
}

/// Locomotives before wagons before buildings: as one looks for them.
void sortedByGroup(std::vector<core::BodyDrawing>& bodies) {
    constexpr std::array<std::string_view, 6> order{
        "Locomotives", "Railcars and sets", "Coaches", "Wagons", "Working vehicles", "Structures"};
    const auto place = [&](const core::BodyDrawing& drawing) {
        return std::find(order.begin(), order.end(), drawing.group) - order.begin();
    };
    std::stable_sort(bodies.begin(), bodies.end(), [&](const auto& a, const auto& b) {
        return std::pair(place(a), a.title) < std::pair(place(b), b.title);
    });
}

}  // namespace

QString userCatalogueFile() {
    return QDir(QStandardPaths::writableLocation(QStandardPaths::GenericConfigLocation))
        .filePath(QStringLiteral("glimmet/catalogue.json"));
}

LoadedCatalogue loadedCatalogue(const QString& userFile) {
    registerResources();
    LoadedCatalogue loaded;
    auto shipped = catalogueFromJson(contents(QStringLiteral(":/store/catalogue.json")));
    assert(shipped.has_value());  // tests read it too
    if (shipped) loaded.catalogue = std::move(*shipped);
    auto faults = catalogueFromJson(contents(QStringLiteral(":/store/faults.json")));
    assert(faults.has_value());
    if (faults) loaded.catalogue.faults = std::move(faults->faults);
    const QDir bodies(QStringLiteral(":/store/bodies"));
    for (const QString& name : bodies.entryList(QDir::Files, QDir::Name)) {
        auto drawn = catalogueFromJson(contents(bodies.filePath(name)));
        assert(drawn.has_value());
        if (drawn) put(loaded.catalogue.bodies, drawn->bodies);
    }
    sortedByGroup(loaded.catalogue.bodies);
    if (!QFileInfo(userFile).isFile()) return loaded;  // nor a pipe, which would be waited for
    const auto own = catalogueFromJson(contents(userFile));
    if (!own) {
        loaded.userFault = own.error();
        return loaded;
    }
    put(loaded.catalogue.decoders, own->decoders);
    put(loaded.catalogue.lamps, own->lamps);
    put(loaded.catalogue.banks, own->banks);
    put(loaded.catalogue.bodies, own->bodies);
    put(loaded.catalogue.faults, own->faults);
    return loaded;
}

namespace {

template <class Part>
core::Result<void> kept(const QString& userFile, const Part& part) {
    const QFileInfo file(userFile);
    if (file.exists() && !file.isFile()) {
        return core::failure(core::ErrorCode::Unreadable, "catalogue",
                             core::text("%1 is no file.", userFile.toStdString()));
    }
    auto text = catalogueWith(file.exists() ? contents(userFile) : std::string(), part);
    if (!text) return tl::unexpected(text.error());
    QSaveFile out(userFile);
    const auto size = static_cast<qint64>(text->size());
    if (!QDir().mkpath(file.absolutePath()) || !out.open(QIODevice::WriteOnly) ||
        out.write(text->data(), size) != size || !out.commit()) {
        return core::failure(core::ErrorCode::NotWritable, "catalogue",
                             core::text("%1 could not be written: %2.", userFile.toStdString(),
                                        out.errorString().toStdString()));
    }
    return {};
}

}  // namespace

core::Result<void> keepPart(const QString& userFile, const core::BodyDrawing& drawing) {
    return kept(userFile, drawing);
}
core::Result<void> keepPart(const QString& userFile, const core::LampPart& lamp) {
    return kept(userFile, lamp);
}

std::vector<core::Job> demoJobs() {
    registerResources();
    std::vector<core::Job> jobs;
    for (const char* name : {"ling", "tern", "aurora", "kittiwake", "smelt", "stockfish", "vinter",
                             "holm-light", "dunlin"}) {
        auto job =
            jobFromJson(contents(QStringLiteral(":/store/demo/%1.json").arg(QLatin1String(name))));
        assert(job.has_value());
        if (job) jobs.push_back(std::move(*job));
    }
    return jobs;
}

std::vector<std::string> demoPhotos() {
    registerResources();
    std::vector<std::string> photos;
    for (const char* name : {"screws", "clips"}) {
        photos.push_back(
            contents(QStringLiteral(":/store/demo/photos/%1.jpg").arg(QLatin1String(name))));
    }
    return photos;
}

}  // namespace glimmet::store
