#include "cli/new_job.h"

#include "cli/json_text.h"
#include "core/jot/names.h"
#include "core/quantity/format.h"
#include "core/record/job.h"
#include "store/catalogue.h"
#include "store/job_json.h"

#include <algorithm>

namespace glimmet::cli {
namespace {

NewRun refused(const std::string& option, const std::string& found, const std::string& allowed) {
    return {{}, {"new: " + option + ": found “" + found + "”, allowed: " + allowed}};
}

tl::expected<core::Catalogue, NewRun> catalogue(const std::string& userCatalogue) {
    auto loaded = store::loadedCatalogue(QString::fromStdString(userCatalogue));
    if (loaded.userFault)
        return tl::unexpected(
            NewRun{{}, {userCatalogue + ": " + core::plain(loaded.userFault->what)}});
    return std::move(loaded.catalogue);
}

std::string unknownBody(const std::vector<core::BodyDrawing>& all, const std::string& wanted) {
    core::jot::Nearest nearest(core::lowered(wanted));
    for (const core::BodyDrawing& each : all) {
        nearest.offer(each.id);
        nearest.offer(core::lowered(each.title));
    }
    std::string near = nearest.word();
    for (const core::BodyDrawing& each : all) {
        if (near == core::lowered(each.title)) near = each.id;
    }
    return near.empty() ? "one of new --list" : "one of new --list; the nearest is “" + near + "”";
}

std::string feeds() {
    std::string all;
    for (const auto& each : core::wordsOf(core::Feed{}))
        all += (all.empty() ? "" : ", ") + std::string(each.word);
    return all;
}

}  // namespace

NewRun newJob(const std::string& name, const std::string& body, const std::string& scale,
              const std::string& feed, const std::string& userCatalogue) {
    if (name.empty()) return {{}, {"new: NAME is missing: what is the model called?"}};
    constexpr std::size_t longest = 400;
    if (name.size() > longest) return refused("NAME", core::shortened(name, 60), "400 bytes");
    const auto parts = catalogue(userCatalogue);
    if (!parts) return parts.error();
    const auto drawing =
        std::find_if(parts->bodies.begin(), parts->bodies.end(), [&](const auto& each) {
            return each.id == body || core::lowered(each.title) == core::lowered(body);
        });
    if (drawing == parts->bodies.end())
        return refused("--body", body, unknownBody(parts->bodies, body));
    core::Scale chosen;
    if (!scale.empty()) {
        const auto named = core::scaleNamed(scale);
        if (!named) return refused("--scale", scale, "Z, N, TT, H0, OO, S, 0, 1, G");
        chosen = *named;
    }
    core::Job job = core::newJob(name, *drawing, chosen);
    if (!feed.empty()) {
        const auto named = core::named<core::Feed>(feed);
        if (!named) return refused("--feed", feed, feeds());
        job.feed = *named;
    }
    return {store::jobToJson(job) + "\n", {}};
}

NewRun bodyList(bool json, const std::string& userCatalogue) {
    const auto parts = catalogue(userCatalogue);
    if (!parts) return parts.error();
    if (!json) {
        std::string out;
        for (const core::BodyDrawing& each : parts->bodies)
            out += each.id + "  " + each.title + ", " + core::formatted(each.body.length, 3) + "\n";
        return {out, {}};
    }
    JsonText out;
    out.open('{').key("bodies").open('[');
    for (const core::BodyDrawing& each : parts->bodies)
        out.open('{')
            .with("id", each.id)
            .with("title", each.title)
            .with("length_mm", each.body.length.value())
            .close('}');
    return {out.close(']').close('}').taken() + "\n", {}};
}

}  // namespace glimmet::cli
