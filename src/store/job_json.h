// A job as JSON: the format in which a workshop file keeps revisions and in which jobs are
// exchanged. Documented in docs/format.md, with schemas in docs/schema made from the same
// descriptions as reader and writer (store/fields).
#pragma once

#include "core/record/job.h"
#include "core/record/workshop.h"
#include "core/result.h"
#include "store/json_fields.h"

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::store {

inline constexpr int jobFormatVersion = 4;
inline constexpr int catalogueFormatVersion = 3;
inline constexpr int workshopFormatVersion = 1;

/// `indent` below 0: on one line.
[[nodiscard]] std::string jobToJson(const core::Job& job, int indent = 2);

/// Reads a job whole or not at all, of this format or an older one. Faults get every fault that
/// was found.
/// Errors: NotUnderstood with the first fault as its sentence; TooNew for a later format.
[[nodiscard]] core::Result<core::Job> jobFromJson(std::string_view text,
                                                  std::vector<Fault>* faults = nullptr);

/// The workshop itself: {"format": "glimmet-workshop", "version": 1, "house": {…}}.
[[nodiscard]] std::string workshopToJson(const core::WorkshopRecord& workshop, int indent = 2);
[[nodiscard]] core::Result<core::WorkshopRecord> workshopFromJson(std::string_view text);

/// A catalogue: {"format": "glimmet-catalogue", "version": 3, "decoders": […], "lamps": […],
/// "banks": […], "bodies": […], "faults": […]}. Its ids are told apart by who takes it in.
/// A catalogue with one body or lamp more, brought forward where it was older; an empty text is a
/// new one. Errors: of catalogueFromJson(); NotUnderstood where it has one of that id.
[[nodiscard]] core::Result<std::string> catalogueWith(std::string_view text,
                                                      const core::BodyDrawing& drawing);
[[nodiscard]] core::Result<std::string> catalogueWith(std::string_view text,
                                                      const core::LampPart& lamp);
[[nodiscard]] core::Result<core::Catalogue> catalogueFromJson(std::string_view text,
                                                              std::vector<Fault>* faults = nullptr);

/// The JSON Schemas of the present formats.
[[nodiscard]] std::string jobSchema();
[[nodiscard]] std::string catalogueSchema();
[[nodiscard]] std::string workshopSchema();

}  // namespace glimmet::store
