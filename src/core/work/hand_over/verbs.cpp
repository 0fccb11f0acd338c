// Jots of handing over: that it went home, what is waived, what the owner should know.
#include "core/analysis/unanswered.h"
#include "core/work/hand_over/hand_over.h"
#include "core/work/jotted.h"

#include <algorithm>

namespace glimmet::core::hand_over {
namespace {

using namespace jot;
using Kind = Argument::Kind;

Result<JotResult> handed(const ParsedLine& said) {
    JotResult result = jotted(said, {});
    const std::string how = lowered(said.rest);
    if (how == "back" || how == "over not" || how == "not over") {
        result.after.handOver.on.clear();
        result.meaning = text("Not handed over: it is still here");
        return result;
    }
    if (!how.empty() && how != "over")
        return refuse(ErrorCode::NotUnderstood, text("“%1” has no place here. Write it like %2.",
                                                     said.rest, said.command.examples.front()));
    if (!hasWork(said.context.job))
        return refuse(ErrorCode::NotUnderstood,
                      text("Nothing was done to this model yet that could be handed over."));
    result.after.handOver.on = said.context.today.empty() ? "yes" : said.context.today;
    result.meaning = text("Handed over");
    return result;
}
constexpr const char* handedExamples[] = {"handed over", "handed back"};

JobAnalysis factsIn(const Context& context) {
    return analysed(context.job, context.workshop ? context.workshop->house : WorkshopRules{},
                    context.catalogue);
}
std::vector<Named> openNames(const Context& context) {
    std::vector<Named> all;
    for (const Unanswered& each : unanswered(factsIn(context)))
        all.push_back({each.name, {each.id}, plain(each.words)});
    return all;
}
Result<JotResult> waive(const ParsedLine& said) {
    const std::string& name = *said.name("WHAT");
    const std::string why = asTyped(said, said.at("WHY").words);
    if (why.empty())
        return refuse(
            ErrorCode::Missing,
            text("Why is it waived? It stands on the sheet. Write it like waive %1 ….", name));
    JotResult result = jotted(said, text("Waived: %1 (%2)", name, why));
    for (const Unanswered& each : unanswered(factsIn(said.context))) {
        if (each.name != name) continue;
        auto& waived = result.after.handOver.waived;
        std::erase_if(waived, [&](const Waived& one) { return one.what == each.id; });
        waived.push_back({each.id, why, said.context.today});
        break;
    }
    return result;
}
constexpr Argument waiveArguments[] = {
    {.what = "WHAT",
     .kind = Kind::Name,
     .needed = true,
     .missing = "What is waived?",
     .names = openNames,
     .unknown = "Nothing unanswered goes by “%1”. There are: %2.",
     .none = "Nothing is unanswered here.",
     .explained = true},
    {.what = "WHY", .kind = Kind::Words}};
constexpr const char* waiveExamples[] = {"waive steps the owner does the rest"};

Result<JotResult> opens(const ParsedLine& said) {
    if (said.rest.empty())
        return refuse(ErrorCode::Missing, text("How does the body come off? Write it like %1.",
                                               said.command.examples.front()));
    JotResult result = jotted(said, text("The body comes off so: %1", said.rest));
    result.after.handOver.body = said.rest;
    return result;
}
constexpr const char* opensExamples[] = {"opens two screws below the couplers, then lift"};

Result<JotResult> care(const ParsedLine& said) {
    constexpr std::size_t most = 50;
    if (said.rest.empty())
        return refuse(ErrorCode::Missing, text("What should the owner know? Write it like %1.",
                                               said.command.examples.front()));
    if (said.context.job.handOver.care.size() >= most)
        return refuse(ErrorCode::OutOfRange, text("That is advice enough for one sheet."));
    JotResult result = jotted(said, text("For the owner: %1", said.rest));
    result.after.handOver.care.push_back(said.rest);
    return result;
}
constexpr const char* careExamples[] = {"care oil the gears once a year"};

constexpr Command table[] = {
    {"handed", {}, {}, handedExamples, "the model went home", handed, true},
    {"waive", {}, waiveArguments, waiveExamples, "what stays unanswered, and why", waive},
    {"opens", {}, {}, opensExamples, "how the body comes off, for the owner", opens, true},
    {"care", {}, {}, careExamples, "what the owner should know besides", care, true}};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::hand_over
