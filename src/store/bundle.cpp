#include "store/bundle.h"

#include "store/workshop.h"

#include <archive.h>
#include <archive_entry.h>

#include <memory>
#include <set>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::Result;
using core::text;

constexpr std::size_t largestBundle = 512U << 20;  ///< bytes, unpacked
constexpr std::size_t mostEntries = 2000;

using ArchivePointer = std::unique_ptr<archive, int (*)(archive*)>;
using EntryPointer = std::unique_ptr<archive_entry, void (*)(archive_entry*)>;

tl::unexpected<core::Error> broken(archive* of) {
    const char* why = archive_error_string(of);
    return failure(ErrorCode::NotUnderstood, "bundle",
                   text("This is no bundle that can be read: %1.", why ? why : "it ends early"));
}

/// photos/SUM.jpg, and nothing else, is a photo's name.
std::optional<std::string> sumOfName(std::string_view name) {
    constexpr std::string_view folder = "photos/";
    if (!name.starts_with(folder)) return {};
    name.remove_prefix(folder.size());
    const std::string_view sum = name.substr(0, name.find('.'));
    if (sum.size() != 64) return {};
    return std::string(sum);
}

}  // namespace

Bundle bundled(const Workshop& workshop, core::Job job) {
    Bundle bundle{std::move(job), {}};
    for (const core::Photo& photo : bundle.job.intake.photos) {
        if (auto bytes = workshop.photo(photo.sum)) bundle.photos[photo.sum] = std::move(*bytes);
    }
    return bundle;
}

Result<std::string> bundleToBytes(const Bundle& bundle) {
    std::string bytes;
    const ArchivePointer writer(archive_write_new(), archive_write_free);
    const auto taken = [](archive*, void* to, const void* from, std::size_t count) -> la_ssize_t {
        static_cast<std::string*>(to)->append(static_cast<const char*>(from), count);
        return static_cast<la_ssize_t>(count);
    };
    if (archive_write_set_format_zip(writer.get()) != ARCHIVE_OK ||
        archive_write_open(writer.get(), &bytes, nullptr, taken, nullptr) != ARCHIVE_OK) {
        return broken(writer.get());
    }
    const auto put = [&](const std::string& name, const std::string& contents) {
        const EntryPointer entry(archive_entry_new(), archive_entry_free);
        archive_entry_set_pathname(entry.get(), name.c_str());
        archive_entry_set_size(entry.get(), static_cast<la_int64_t>(contents.size()));
        archive_entry_set_filetype(entry.get(), AE_IFREG);
        archive_entry_set_perm(entry.get(), 0644);
        return archive_write_header(writer.get(), entry.get()) == ARCHIVE_OK &&
               archive_write_data(writer.get(), contents.data(), contents.size()) ==
                   static_cast<la_ssize_t>(contents.size());
    };
    if (!put("job.json", jobToJson(bundle.job) + "\n")) return broken(writer.get());
    for (const auto& [sum, photo] : bundle.photos) {
        const char* kind = photoKind(photo) == "image/png" ? ".png" : ".jpg";
        if (!put("photos/" + sum + kind, photo)) return broken(writer.get());
    }
    if (archive_write_close(writer.get()) != ARCHIVE_OK) return broken(writer.get());
    return bytes;
}

Result<Bundle> bundleFromBytes(std::string_view bytes, std::vector<Fault>* faults) {
    Bundle bundle;
    if (!bytes.starts_with("PK")) {
        auto job = jobFromJson(bytes, faults);
        if (!job) return tl::unexpected(job.error());
        bundle.job = std::move(*job);
        return bundle;
    }
    const ArchivePointer reader(archive_read_new(), archive_read_free);
    if (archive_read_support_format_zip(reader.get()) != ARCHIVE_OK ||
        archive_read_open_memory(reader.get(), bytes.data(), bytes.size()) != ARCHIVE_OK) {
        return broken(reader.get());
    }
    std::optional<std::string> json;
    std::size_t total = 0;
    for (std::size_t entries = 0;; ++entries) {
        archive_entry* entry = nullptr;
        const int next = archive_read_next_header(reader.get(), &entry);
        if (next == ARCHIVE_EOF) break;
        if (next != ARCHIVE_OK || entries == mostEntries) return broken(reader.get());
        const char* pathname = archive_entry_pathname(entry);
        const std::string name = pathname ? pathname : "";
        const auto sum = sumOfName(name);
        if (name != "job.json" && !sum) continue;
        // Sizes that an archive tells of itself are not believed: what comes out is counted.
        std::string contents;
        char block[65536];
        for (;;) {
            const la_ssize_t got = archive_read_data(reader.get(), block, sizeof block);
            if (got < 0) return broken(reader.get());
            if (got == 0) break;
            total += static_cast<std::size_t>(got);
            if (total > largestBundle) {
                return failure(ErrorCode::TooMuch, "bundle",
                               text("This bundle holds more than 512 MB: it is not taken."));
            }
            contents.append(block, static_cast<std::size_t>(got));
        }
        if (!sum) {
            json = std::move(contents);
        } else if (photoSum(contents) != *sum || photoKind(contents).empty()) {
            return failure(ErrorCode::NotUnderstood, name,
                           text("The photo %1 in this bundle is not what its name says.", name));
        } else {
            bundle.photos[*sum] = std::move(contents);
        }
    }
    if (!json) {
        return failure(ErrorCode::NotUnderstood, "bundle",
                       text("There is no job in this archive."));
    }
    auto job = jobFromJson(*json, faults);
    if (!job) return tl::unexpected(job.error());
    bundle.job = std::move(*job);
    // Only what the job shows comes along.
    std::set<std::string> shown;
    for (const core::Photo& photo : bundle.job.intake.photos) shown.insert(photo.sum);
    std::erase_if(bundle.photos, [&](const auto& each) { return !shown.contains(each.first); });
    return bundle;
}

Result<void> keepPhotos(Workshop& workshop, const Bundle& bundle) {
    for (const auto& [sum, bytes] : bundle.photos) {
        if (const auto kept = workshop.keepPhoto(bytes); !kept) return tl::unexpected(kept.error());
    }
    return {};
}

}  // namespace glimmet::store
