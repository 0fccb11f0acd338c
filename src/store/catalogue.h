// The parts catalogue: what ships with Glimmet, and what the user adds.
#pragma once

#include "core/record/job.h"
#include "core/result.h"

#include <QString>

#include <optional>
#include <vector>

namespace glimmet::store {

struct LoadedCatalogue {
    core::Catalogue catalogue;
    std::optional<core::Error> userFault;  ///< why the user's own file was left out, if it was
};

/// The shipped parts, with those of the user's file before them; a part of the user's replaces a
/// shipped one of the same id. A faulty file of the user's is left out whole and told about.
[[nodiscard]] LoadedCatalogue loadedCatalogue(const QString& userFile);

/// Puts a body or a lamp into the user's file, beside what is in it; a file that is not there is
/// made. Errors: NotUnderstood for one of that id; those of the file where it cannot be read or
/// written, which is left as it is.
[[nodiscard]] core::Result<void> keepPart(const QString& userFile,
                                          const core::BodyDrawing& drawing);
[[nodiscard]] core::Result<void> keepPart(const QString& userFile, const core::LampPart& lamp);

/// Where the user's own parts are looked for: catalogue.json in Glimmet's configuration folder.
[[nodiscard]] QString userCatalogueFile();

/// The jobs of the demo workshop, as shipped.
[[nodiscard]] std::vector<core::Job> demoJobs();
/// And the photos that they show.
[[nodiscard]] std::vector<std::string> demoPhotos();

}  // namespace glimmet::store
