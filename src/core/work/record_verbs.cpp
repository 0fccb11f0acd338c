// Jots of the record: names, notes, times, what model it is.
#include "core/work/record_verbs.h"

#include "core/work/jotted.h"

namespace glimmet::core {
namespace {

using namespace jot;
using Kind = Takes::Kind;

Result<Jotted> note(const Said& said) {
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("What is to be noted? Write it like note clip broken rear left."));
    }
    Jotted result = jotted(said, text("Note: %1", shortened(said.rest, 200)));
    result.after.notes.push_back({said.context.today, said.rest});
    return result;
}

std::string shown(Seconds time) {
    const double minutes = time.value() / 60;
    const int hours = static_cast<int>(minutes / 60);
    const std::string rest = formatted(minutes - 60.0 * hours, Dimension::Ratio, 3) + " min";
    if (hours == 0) return rest;
    return std::to_string(hours) + " h" + (minutes > 60.0 * hours ? " " + rest : "");
}

Result<Jotted> timeSpent(const Said& said) {
    Seconds time{};
    for (const Seconds part : said.all<Seconds>("TIME")) time += part;
    const std::string& what = said.at("WORK").words;
    Jotted result = jotted(said, text("%1 on %2", shown(time), what));
    result.after.times.push_back({said.context.today, what, time});
    return result;
}

Result<Jotted> nameJob(const Said& said) {
    if (said.rest.empty() || said.rest.size() > 400) {
        return refuse(ErrorCode::OutOfRange,
                      text("A name is 1 to 400 bytes long. Write it like name Tern."));
    }
    Jotted result = jotted(said, text("Name: %1", said.rest));
    result.after.name = said.rest;
    return result;
}

Result<Jotted> owner(const Said& said) {
    Jotted result =
        jotted(said, said.rest.empty() ? text("No owner") : text("Owner: %1", said.rest));
    result.after.owner = said.rest;
    return result;
}

std::vector<Named> scaleNames(const Context&) {
    return {{"Z", {"1:220"}, "1:220"},    {"N", {"1:160"}, "1:160"},
            {"TT", {"1:120"}, "1:120"},   {"H0", {"HO", "1:87"}, "1:87"},
            {"0", {"O", "1:45"}, "1:45"}, {"1", {"1:32"}, "1:32"},
            {"G", {"1:22.5"}, "1:22.5"}};
}
Result<Jotted> scale(const Said& said) {
    const Scale chosen = *scaleNamed(*said.name("NAME"));
    Jotted result = jotted(
        said, text("Scale: %1, 1:%2", chosen.name, formatted(chosen.ratio, Dimension::Ratio)));
    result.after.scale = chosen;
    // A body that is still the usual one of its kind becomes the usual one of the new scale.
    const Body& body = said.context.job.body;
    if (body == usualBody(body, usualLength(body.kind, said.context.job.scale.ratio))) {
        const Body usual = usualBody(body, usualLength(body.kind, chosen.ratio));
        result.after = withBody(std::move(result.after), usual);
        result.meaning =
            text("%1; its body becomes %2 long", result.meaning, formatted(usual.length));
    }
    return result;
}

Result<Jotted> length(const Said& said) {
    const Millimetres value = *said.one<Millimetres>("LENGTH");
    const Body& body = said.context.job.body;
    if (body != usualBody(body, body.length)) {
        return refuse(ErrorCode::OutOfRange,
                      text("%1 has a profile of its own; its length comes from that.",
                           said.context.job.name));
    }
    Jotted result = jotted(said, text("Length: %1", formatted(value)));
    result.after = withBody(std::move(result.after), usualBody(body, value));
    return result;
}

constexpr Takes timeTakes[] = {
    {.what = "TIME",
     .needed = true,
     .missing = "How long?",
     .dimension = Dimension::Time,
     .least = 60,
     .most = 200 * 3600.0,
     .atMost = 2},
    {.what = "WORK", .kind = Kind::Words, .needed = true, .missing = "On what?"}};
constexpr Takes scaleTakes[] = {{.what = "NAME",
                                 .kind = Kind::Name,
                                 .needed = true,
                                 .missing = "Which scale?",
                                 .names = scaleNames}};
constexpr Takes lengthTakes[] = {{.what = "LENGTH",
                                  .needed = true,
                                  .missing = "How long over the buffers?",
                                  .dimension = Dimension::Length,
                                  .least = 0.005,
                                  .most = 3}};

constexpr const char* noteExamples[] = {"note clip broken rear left"};
constexpr const char* timeExamples[] = {"time 25m wiring", "time 1h 30m test run"};
constexpr const char* timeNoise[] = {"on", "for", "spent"};
constexpr const char* nameExamples[] = {"name No. 4 Ling"};
constexpr const char* ownerExamples[] = {"owner R. Tide"};
constexpr const char* scaleExamples[] = {"scale N", "scale H0"};
constexpr const char* lengthExamples[] = {"length 142mm"};

constexpr Verb recordTable[] = {
    {"note", {}, {}, noteExamples, "anything worth remembering", note, true},
    {"time", {}, timeTakes, timeExamples, "time spent", timeSpent, false, timeNoise},
    {"name", {}, {}, nameExamples, "rename the job", nameJob, true},
    {"owner", {}, {}, ownerExamples, "whose it is", owner, true},
    {"scale", {}, scaleTakes, scaleExamples, "Z, N, TT, H0, 0, 1 or G", scale},
    {"length", {}, lengthTakes, lengthExamples, "over the buffers; the picture follows", length},
};

}  // namespace

std::span<const Verb> recordVerbs() { return recordTable; }

}  // namespace glimmet::core
