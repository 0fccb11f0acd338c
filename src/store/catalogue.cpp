#include "store/catalogue.h"

#include "store/job_json.h"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>

#include <algorithm>
#include <cassert>

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
    if (!QFileInfo(userFile).isFile()) return loaded;  // nor a pipe, which would be waited for
    const auto own = catalogueFromJson(contents(userFile));
    if (!own) {
        loaded.userFault = own.error();
        return loaded;
    }
    put(loaded.catalogue.decoders, own->decoders);
    put(loaded.catalogue.lamps, own->lamps);
    return loaded;
}

std::vector<core::Job> demoJobs() {
    registerResources();
    std::vector<core::Job> jobs;
    for (const char* name : {"ling", "tern"}) {
        auto job =
            jobFromJson(contents(QStringLiteral(":/store/demo/%1.json").arg(QLatin1String(name))));
        assert(job.has_value());
        if (job) jobs.push_back(std::move(*job));
    }
    return jobs;
}

}  // namespace glimmet::store
