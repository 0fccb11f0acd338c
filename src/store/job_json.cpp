#include "store/job_json.h"

#include "store/fields/io.h"
#include "store/schema_check.h"
#include "store/upgrade.h"

namespace glimmet::store {
namespace {

using namespace core;
using nlohmann::json;

/// The format that a document says it is of; nothing where it says none that could be.
std::optional<long long> formatOf(const json& document) {
    if (!document.is_object() || !document.contains("version")) return {};
    const json& version = document["version"];
    return version.is_number_integer() ? std::optional(version.get<long long>()) : std::nullopt;
}

/// Parses, refuses a later version before anything else is looked at, checks an older one by the
/// schema of its format and brings it forward, reads, and reports faults.
template <class Thing>
Result<Thing> documentIn(std::string_view text, int present, std::span<const OlderFormat> older,
                         std::vector<Fault>* report) {
    std::vector<Fault> faults;
    auto document = parsedJson(text, faults);
    Thing thing;
    if (document) {
        const auto format = formatOf(*document);
        if (format > present) {
            return failure(
                ErrorCode::TooNew, "/version",
                core::text("This document was written by a later Glimmet (format %1; this "
                           "one reads up to %2).",
                           std::to_string(*format), std::to_string(present)));
        }
        const bool isOlder = format >= 1 && format < present;
        if (isOlder)
            document = upgraded(std::move(*document), static_cast<int>(*format), older, faults);
        if (faults.empty()) {
            Read read(*document, "", faults);
            fields(read, thing);
        }
        if (isOlder && document->value("version", 0) == present) {
            for (Fault& fault : faults) fault.place += " (after it was brought forward)";
        }
    }
    if (report) *report = faults;
    if (!faults.empty()) {
        return failure(ErrorCode::NotUnderstood, faults.front().place,
                       verbatim(sentence(faults.front())));
    }
    return thing;
}

template <class Thing>
std::string jsonOf(const Thing& thing, int indent) {
    return Write::of(thing).dump(indent, ' ', false,
                                 nlohmann::ordered_json::error_handler_t::replace);
}

}  // namespace

std::string jobToJson(const Job& job, int indent) { return jsonOf(job, indent); }
std::string workshopToJson(const WorkshopRecord& workshop, int indent) {
    return jsonOf(workshop, indent);
}

Result<Job> jobFromJson(std::string_view text, std::vector<Fault>* faults) {
    return documentIn<Job>(text, jobFormatVersion, olderJobs(), faults);
}

Result<Catalogue> catalogueFromJson(std::string_view text, std::vector<Fault>* faults) {
    return documentIn<Catalogue>(text, catalogueFormatVersion, olderCatalogues(), faults);
}

namespace {

template <class Part>
Result<std::string> withPart(std::string_view text, std::vector<Part> Catalogue::*parts,
                             const Part& part, core::Text there) {
    Result<Catalogue> catalogue = Catalogue();
    if (!text.empty()) catalogue = catalogueFromJson(text, nullptr);
    if (!catalogue) return tl::unexpected(catalogue.error());
    std::vector<Part>& all = (*catalogue).*parts;
    if (std::any_of(all.begin(), all.end(), [&](const Part& each) { return each.id == part.id; }))
        return failure(ErrorCode::NotUnderstood, "catalogue", std::move(there));
    all.push_back(part);
    std::string made = jsonOf(*catalogue, 1) + "\n";
    // One that cannot be read back would take all the others with it.
    if (const auto back = catalogueFromJson(made, nullptr); !back) {
        return tl::unexpected(back.error());
    }
    return made;
}

}  // namespace

Result<std::string> catalogueWith(std::string_view text, const BodyDrawing& drawing) {
    return withPart(text, &Catalogue::bodies, drawing,
                    core::text("There is a body “%1” already.", drawing.id));
}
Result<std::string> catalogueWith(std::string_view text, const LampPart& lamp) {
    return withPart(text, &Catalogue::lamps, lamp,
                    core::text("There is a lamp “%1” already.", lamp.id));
}

Result<WorkshopRecord> workshopFromJson(std::string_view text) {
    return documentIn<WorkshopRecord>(text, workshopFormatVersion, {}, nullptr);
}

std::string jobSchema() { return Schema::of<Job>("Glimmet job, format 4").dump(1) + "\n"; }

std::string workshopSchema() {
    return Schema::of<WorkshopRecord>("Glimmet workshop record, format 1").dump(1) + "\n";
}

std::string catalogueSchema() {
    return Schema::of<Catalogue>("Glimmet catalogue, format 3").dump(1) + "\n";
}

}  // namespace glimmet::store
