// Jots of the record: names, notes, times, what model it is.
#include "core/work/record_verbs.h"

#include "core/work/job_stages.h"
#include "core/work/jotted.h"
#include "core/work/units.h"

#include <algorithm>

namespace glimmet::core {
namespace {

using namespace jot;
using Kind = Argument::Kind;

Result<JotResult> note(const ParsedLine& said) {
    if (said.rest.empty()) {
        return refuse(ErrorCode::Missing,
                      text("What is to be noted? Write it like note clip broken rear left."));
    }
    JotResult result = jotted(said, text("Note: %1", shortened(said.rest, 200)));
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

Result<JotResult> timeSpent(const ParsedLine& said) {
    Seconds time{};
    for (const Seconds part : said.all<Seconds>("TIME")) time += part;
    const std::string& what = said.at("WORK").words;
    JotResult result = jotted(said, text("%1 on %2", shown(time), what));
    result.after.times.push_back({said.context.today, what, time});
    return result;
}

Result<JotResult> nameJob(const ParsedLine& said) {
    if (said.rest.empty() || said.rest.size() > 400) {
        return refuse(ErrorCode::OutOfRange,
                      text("A name is 1 to 400 bytes long. Write it like name Tern."));
    }
    JotResult result = jotted(said, text("Name: %1", said.rest));
    result.after.name = said.rest;
    return result;
}

Result<JotResult> owner(const ParsedLine& said) {
    // "owner has a simple controller", "owner says it stalls": no name begins so.
    for (const std::string_view tells : {"has ", "says ", "wants ", "complains ", "would "}) {
        if (!said.rest.starts_with(tells)) continue;
        return refuse(
            ErrorCode::NotUnderstood,
            text("“%1” is no name. What the owner says is kept by complaint or wants, the "
                 "controller by controller 12 keys.",
                 shortened(said.rest, 60)));
    }
    JotResult result =
        jotted(said, said.rest.empty() ? text("No owner") : text("Owner: %1", said.rest));
    result.after.owner = said.rest;
    return result;
}

std::vector<Named> scaleNames(const Context&) {
    return {{"Z", {"1:220"}, "1:220"},
            {"N", {"1:160"}, "1:160"},
            {"TT", {"1:120"}, "1:120"},
            {"H0", {"HO", "1:87", "1:87.1"}, "1:87"},
            {"OO", {"00", "1:76", "1:76.2"}, "1:76"},
            {"S", {"1:64"}, "1:64"},
            {"0", {"O", "1:45"}, "1:45"},
            {"1:48", {"O 1:48", "0 1:48", "quarter inch"}, "0 at 1:48"},
            {"1:43.5", {"1:43", "O 1:43", "0 1:43.5"}, "0 at 1:43.5"},
            {"1", {"1:32"}, "1:32"},
            {"G", {"1:22.5"}, "1:22.5"}};
}
/// Of gauge 0 some countries build larger or smaller.
Scale scaleSaid(const std::string& called) {
    if (called == "1:48") return {"0", 48};
    if (called == "1:43.5") return {"0", 43.5};
    return *scaleNamed(called);
}
Result<JotResult> scale(const ParsedLine& said) {
    const Scale chosen = scaleSaid(*said.name("NAME"));
    JotResult result = jotted(
        said, text("Scale: %1, 1:%2", chosen.name, formatted(chosen.ratio, Dimension::Ratio)));
    result.after.scale = chosen;
    // What was drawn at a scale is drawn at the new one; a model that was measured stays.
    const double factor = said.context.job.scale.ratio / chosen.ratio;
    Millimetres longest{0};
    for (std::size_t i = 0; i < result.after.units.size(); ++i) {
        const Body& body = result.after.units[i].body;
        if (body.ownMeasures) continue;
        result.after = withBody(std::move(result.after), i, scaled(body, factor));
        longest = std::max(longest, result.after.units[i].body.length);
    }
    for (Coupling& coupling : result.after.couplings) coupling.gap *= factor;
    if (longest > Millimetres{0} && chosen.name != said.context.job.scale.name) {
        result.meaning =
            result.after.units.size() == 1
                ? text("%1; its body becomes %2 long", result.meaning, formatted(longest))
                : text("%1; the longest unit becomes %2", result.meaning, formatted(longest));
    }
    return result;
}

/// The stages that the job has, by their names, their titles and other words for them.
std::vector<Named> stageNames(const Context& context) {
    std::vector<Named> all;
    for (const JobStage& each : jobStages()) {
        if (!each.applies(context.job)) continue;
        Named named{each.name, {each.title}, "a stage"};
        named.also.insert(named.also.end(), each.also.begin(), each.also.end());
        all.push_back(std::move(named));
    }
    return all;
}
Result<JotResult> go(const ParsedLine& said) {
    for (const JobStage& each : jobStages()) {
        if (each.name != *said.name("STAGE")) continue;
        JotResult result = jotted(said, text("Go to %1", std::string(each.name)));
        result.stage = each.name;
        result.goes = true;
        return result;
    }
    return refuse(ErrorCode::Unknown, text("This model has no such stage."));
}

constexpr Argument goArguments[] = {{.what = "STAGE",
                                     .kind = Kind::Name,
                                     .needed = true,
                                     .missing = "Where to?",
                                     .names = stageNames,
                                     .unknown = "This model has no stage “%1”. There are: %2."}};
constexpr Argument timeArguments[] = {
    {.what = "TIME",
     .needed = true,
     .missing = "How long?",
     .dimension = Dimension::Time,
     .least = 60,
     .most = 200 * 3600.0,
     .bare = 60,
     .atMost = 2},
    {.what = "WORK", .kind = Kind::Words, .needed = true, .missing = "On what?"}};
constexpr Argument scaleArguments[] = {{.what = "NAME",
                                        .kind = Kind::Name,
                                        .needed = true,
                                        .missing = "Which scale?",
                                        .names = scaleNames}};
constexpr const char* goExamples[] = {"go lamps"};
constexpr const char* goNoise[] = {"to", "the"};
constexpr const char* noteExamples[] = {"note clip broken rear left"};
constexpr const char* timeExamples[] = {"time 25m wiring", "time 1h 30m test run"};
constexpr const char* timeNoise[] = {"on", "for", "spent"};
constexpr const char* nameExamples[] = {"name No. 4 Ling"};
constexpr const char* ownerExamples[] = {"owner R. Tide"};
constexpr const char* scaleExamples[] = {"scale N", "scale H0", "scale 1:48"};
/// "1:76", "S": the scale and nothing else.
bool scaleAlone(const std::vector<jot::Token>& line) {
    static constexpr std::string_view letters[] = {"z", "n", "tt", "h0", "ho", "oo", "s", "g"};
    const std::string word = lowered(line.front().words);
    return line.size() == 1 &&
           (word.starts_with("1:") ||
            std::find(std::begin(letters), std::end(letters), word) != std::end(letters));
}

constexpr Command recordTable[] = {
    {"note", {}, {}, noteExamples, "anything worth remembering", note, true, {}, nullptr, 100000},
    {"time", {}, timeArguments, timeExamples, "time spent", timeSpent, false, timeNoise},
    {"name", {}, {}, nameExamples, "rename the job", nameJob, true},
    {"owner", {}, {}, ownerExamples, "whose it is", owner, true},
    {"scale",
     {},
     scaleArguments,
     scaleExamples,
     "Z, N, TT, H0, OO, S, 0, 1 or G; or its ratio",
     scale,
     false,
     {},
     nullptr,
     jot::longestWords,
     false,
     {},
     scaleAlone},
    {"go", {}, goArguments, goExamples, "to another stage", go, false, goNoise},
};

}  // namespace

std::span<const Command> recordCommands() { return recordTable; }

}  // namespace glimmet::core
