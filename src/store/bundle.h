// A job and the photos it shows in one file: a ZIP archive with job.json and photos/SUM.png or
// .jpg, which any archive program opens.
#pragma once

#include "core/record/job.h"
#include "core/result.h"
#include "store/job_json.h"

#include <QString>

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::store {

class Workshop;

struct Bundle {
    core::Job job;
    std::map<std::string, std::string> photos;  ///< bytes by their sum
};

/// A job with those of its photos that the workshop still has.
[[nodiscard]] Bundle bundled(const Workshop& workshop, core::Job job);

/// The archive's bytes.
[[nodiscard]] core::Result<std::string> bundleToBytes(const Bundle& bundle);
/// Reads a bundle, or a job in JSON alone, whole or not at all: what a bundle holds besides a job
/// and its photos is left where it is. Faults get every fault of the job.
/// Errors: NotUnderstood, also for a photo that is not what its name says; TooMuch.
[[nodiscard]] core::Result<Bundle> bundleFromBytes(std::string_view bytes,
                                                   std::vector<Fault>* faults = nullptr);

/// Puts the photos into a workshop; the job is the caller's to add.
[[nodiscard]] core::Result<void> keepPhotos(Workshop& workshop, const Bundle& bundle);

}  // namespace glimmet::store
