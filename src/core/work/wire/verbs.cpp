// Jots of the wiring: what was done, what waits, what else is to be done.
#include "core/analysis/steps.h"
#include "core/quantity/format.h"
#include "core/quantity/moment.h"
#include "core/work/jotted.h"
#include "core/work/wire/wire.h"

#include <algorithm>

namespace glimmet::core::wire {
namespace {

using namespace jot;
using Kind = Argument::Kind;

WorkshopRules houseOfContext(const Context& context) {
    return houseOf(context.job, context.workshop ? context.workshop->house : WorkshopRules{});
}

std::vector<Named> stepNames(const Context& context) {
    std::vector<Named> all;
    for (const StepNow& each : stepsNow(context.job, houseOfContext(context))) {
        // By its place in the list too: "step 4 done".
        Named named{
            each.step.name, {each.step.id, std::to_string(all.size() + 1)}, plain(each.step.words)};
        if (each.step.name == "sleeve") {
            for (const char* word : {"sleeves", "heat shrink", "heat-shrink", "shrink"})
                named.also.emplace_back(word);
        }
        if (each.step.id == "tuck") named.also.emplace_back("close");
        all.push_back(std::move(named));
    }
    return all;
}
std::vector<Named> fates(const Context&) {
    return {{"done", {"ticked", "finished"}, "it is done"},
            {"skipped", {"skip", "not needed"}, "it is left out, and why"},
            {"open", {"again", "undone"}, "it is still to be done"},
            {"gone", {"strike"}, "a step of your own, or a wait, is struck"}};
}

const StepNow* named(const std::vector<StepNow>& all, std::string_view name) {
    const auto found = std::find_if(all.begin(), all.end(),
                                    [&](const StepNow& each) { return each.step.name == name; });
    return found == all.end() ? nullptr : &*found;
}

void setRecord(Job& job, StepRecord record) {
    std::erase_if(job.steps, [&](const StepRecord& each) { return each.step == record.step; });
    job.steps.push_back(std::move(record));
}

/// "20", "7.5"
std::string minutesOf(Seconds time) { return formatted(time.value() / 60, Dimension::Ratio, 3); }

Result<JotResult> strike(JotResult result, const StepNow& step) {
    const bool wait = step.step.id.starts_with(waitPrefix);
    const auto own = [&](const OwnStep& each) { return "own:" + each.id == step.step.id; };
    if (!wait && std::none_of(result.after.ownSteps.begin(), result.after.ownSteps.end(), own))
        return refuse(ErrorCode::NotUnderstood,
                      text("“%1” belongs to this model and cannot be struck. Skip it, and say why: "
                           "step %1 skipped ….",
                           step.step.name));
    std::erase_if(result.after.ownSteps, own);
    std::erase_if(result.after.steps,
                  [&](const StepRecord& each) { return each.step == step.step.id; });
    result.meaning = text("Struck: %1", step.step.name);
    return result;
}

Result<JotResult> step(const ParsedLine& said) {
    const std::vector<StepNow> all = stepsNow(said.context.job, houseOfContext(said.context));
    const StepNow* step = named(all, *said.name("STEP"));
    const std::string fate = said.name("FATE").value_or("done");
    const std::string why = asTyped(said, said.at("WHY").words);
    const auto took = said.one<Seconds>("TIME");
    JotResult result = jotted(said, {});
    if (fate == "gone") return strike(std::move(result), *step);
    if (fate != "skipped" && !why.empty())
        return refuse(ErrorCode::NotUnderstood,
                      text("“%1” has no place in a line of step. Write it like %2.", why,
                           said.command.examples.front()));
    if (fate == "open") {
        std::erase_if(result.after.steps,
                      [&](const StepRecord& each) { return each.step == step->step.id; });
        result.meaning = text("Open again: %1", step->step.words);
        return result;
    }
    if (fate == "skipped" && why.empty())
        return refuse(ErrorCode::Missing,
                      text("Why is it skipped? Write it like %1.", said.command.examples[1]));
    StepRecord record{step->step.id,
                      fate == "done" ? StepFate::Done : StepFate::Skipped,
                      said.context.today,
                      why,
                      {},
                      took.value_or(Seconds{0})};
    result.meaning = fate == "skipped" ? text("Skipped: %1 (%2)", step->step.words, why)
                     : took ? text("Done in %1 min: %2", minutesOf(*took), step->step.words)
                            : text("Done: %1", step->step.words);
    setRecord(result.after, std::move(record));
    return result;
}
constexpr Argument stepArguments[] = {
    {.what = "STEP",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which step?",
     .names = stepNames,
     .unknown = "There is no step “%1”. There are: %2.",
     .none = "No step is to be done yet: choose a decoder or a lamp first."},
    {.what = "FATE",
     .kind = Kind::Name,
     .names = fates,
     .unknown = "“%1” is not understood. There are: %2."},
    {.what = "TIME",
     .dimension = Dimension::Time,
     .least = 30,
     .most = 360000,
     .unitNeeded = true,
     .bare = 60},
    {.what = "WHY", .kind = Kind::Words}};
constexpr const char* stepExamples[] = {"step tuck done 20min",
                                        "step tuck skipped the owner does it"};

/// "wait glue 2h"
Result<JotResult> wait(const ParsedLine& said) {
    std::string what = said.at("WHAT").words;
    const auto by = said.one<Seconds>("TIME");
    if (what.empty() || !by)
        return refuse(ErrorCode::Missing, text("What has to wait, and for how long? Write it like "
                                               "%1.",
                                               said.command.examples.front()));
    const auto until = later(
        said.context.now.empty() ? std::string_view(said.context.today) : said.context.now, *by);
    if (!until)
        return refuse(ErrorCode::Missing, text("Nobody knows the time here: a wait needs it."));
    const std::vector<StepNow> all = stepsNow(said.context.job, houseOfContext(said.context));
    const StepNow* of = named(all, lowered(what));
    StepRecord record{of ? of->step.id : std::string(waitPrefix) + lowered(what),
                      StepFate::Waiting,
                      said.context.today,
                      {},
                      *until,
                      {}};
    JotResult result = jotted(said, text("Waits until %1: %2", clockOf(*until), what));
    setRecord(result.after, std::move(record));
    return result;
}
constexpr Argument waitArguments[] = {
    {.what = "WHAT", .kind = Kind::Words, .needed = true, .missing = "What has to wait?"},
    {.what = "TIME",
     .needed = true,
     .missing = "For how long?",
     .dimension = Dimension::Time,
     .least = 60,
     .most = 2592000,
     .unitNeeded = true,
     .bare = 60}};
constexpr const char* waitExamples[] = {"wait glue 2h", "wait paint 12h"};
constexpr const char* waitNoise[] = {"for"};

/// "todo fit couplers before tuck"
Result<JotResult> todo(const ParsedLine& said) {
    std::string words = said.rest;
    if (words.empty())
        return refuse(ErrorCode::Missing,
                      text("What is to be done? Write it like %1.", said.command.examples.front()));
    JotResult result = jotted(said, {});
    std::string before;
    if (const std::size_t at = words.rfind(" before "); at != std::string::npos) {
        const std::string name = lowered(words.substr(at + 8));
        const std::vector<StepNow> all = stepsNow(said.context.job, houseOfContext(said.context));
        if (const StepNow* step = named(all, name)) {
            before = step->step.id;
            words.resize(at);
            result.meaning = text("To do before “%1”: %2", step->step.name, words);
        }
    }
    if (before.empty()) result.meaning = text("To do: %1", words);
    result.after.ownSteps.push_back({newId(result.after, 'A'), words, before});
    return result;
}
constexpr const char* todoExamples[] = {"todo fit couplers before tuck", "todo paint the roof"};

constexpr Command table[] = {
    {"step", {}, stepArguments, stepExamples, "a step of the work is done, skipped or open", step},
    {"wait",
     {},
     waitArguments,
     waitExamples,
     "glue, paint: until when it has to wait",
     wait,
     false,
     waitNoise},
    {"todo", {}, {}, todoExamples, "a step of your own, before another", todo, true}};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::wire
