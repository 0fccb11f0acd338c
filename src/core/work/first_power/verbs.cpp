// Jots of the first power: what a step showed, what was swapped after it.
#include "core/analysis/power_steps.h"
#include "core/quantity/format.h"
#include "core/work/first_power/first_power.h"
#include "core/work/jotted.h"

#include <algorithm>

namespace glimmet::core::first_power {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::vector<PowerStep> stepsIn(const Context& context) {
    return powerSteps(context.job, houseOf(context.job, context.workshop ? context.workshop->house
                                                                         : WorkshopRules{}));
}
std::vector<Named> stepNames(const Context& context) {
    std::vector<Named> all;
    for (const PowerStep& step : stepsIn(context)) {
        Named named{step.name, {step.id}, plain(step.words)};
        if (step.id == "programming") named.also = {"programming track", "prog track", "service"};
        if (step.id == "dc") named.also = {"plain dc", "direct current"};
        if (step.id == "layout") named.also = {"track", "the layout", "main track"};
        if (step.id == "body") named.also = {"body on", "closed"};
        if (step.id == "reverse") named.also = {"backward", "back"};
        all.push_back(std::move(named));
    }
    return all;
}
std::vector<Named> seens(const Context&) {
    return {{"ok", {"answers", "as it should", "good", "moves", "lights", "fine"}, "as it should"},
            {"backwards", {"turns backwards", "runs backwards", "wrong way"}, "it turns backwards"},
            {"nothing",
             {"nothing happens", "stays dark", "dark", "does not move"},
             "nothing moves or lights"},
            {"wrong end", {"wrong end lights", "wrong-end"}, "the wrong end lights"},
            {"no answer", {"does not answer", "no-answer"}, "the decoder does not answer"},
            {"too much", {"too much current", "trips", "short"}, "too much current"},
            {"smoke", {"smells", "smokes", "hot"}, "smoke or a hot smell"}};
}
Seen seenBy(const std::string& name) {
    static constexpr std::pair<std::string_view, Seen> all[] = {
        {"ok", Seen::AsItShould},      {"backwards", Seen::Backwards},
        {"nothing", Seen::Nothing},    {"wrong end", Seen::WrongEnd},
        {"no answer", Seen::NoAnswer}, {"too much", Seen::TooMuchCurrent},
        {"smoke", Seen::Smoke}};
    for (const auto& [word, seen] : all) {
        if (word == name) return seen;
    }
    return Seen::AsItShould;
}

void forget(Job& job, std::string_view step) {
    std::erase_if(job.powered, [&](const PowerSeen& each) { return each.step == step; });
}

Result<JotResult> power(const ParsedLine& said) {
    const auto& name = said.name("STEP");
    const auto steps = stepsIn(said.context);
    const auto step = std::find_if(steps.begin(), steps.end(),
                                   [&](const PowerStep& each) { return each.name == *name; });
    JotResult result = jotted(said, {});
    const std::string shown = said.name("SEEN").value_or("ok");
    if (shown == "open") {
        forget(result.after, step->id);
        result.meaning = text("Not seen yet: %1", step->words);
        return result;
    }
    const Seen seen = seenBy(shown);
    const auto current = said.one<Amperes>("AMPS");
    result.meaning = current
                         ? text("%1: %2, %3", step->words, seenWords(seen), formatted(*current, 3))
                         : text("%1: %2", step->words, seenWords(seen));
    forget(result.after, step->id);
    result.after.powered.push_back({step->id, seen, current, said.context.today});
    return result;
}
std::vector<Named> seensOrOpen(const Context& context) {
    auto all = seens(context);
    all.push_back({"open", {"again"}, "it was not seen after all"});
    return all;
}
constexpr Argument powerArguments[] = {
    {.what = "STEP",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which power?",
     .names = stepNames,
     .unknown = "There is no such step of power here: “%1”. There are: %2.",
     .none = "Nothing here gets power yet: choose a decoder or a lamp first."},
    {.what = "SEEN",
     .kind = Kind::Name,
     .names = seensOrOpen,
     .unknown = "“%1” is not understood. There are: %2."},
    {.what = "AMPS", .dimension = Dimension::Current, .least = 1e-4, .most = 20}};
constexpr const char* powerExamples[] = {"power forward ok", "power forward turns backwards",
                                         "power programming ok 32mA"};
constexpr const char* powerNoise[] = {"it", "the", "at"};

// --- what was exchanged ------------------------------------------------------------------------

std::vector<Named> swaps(const Context&) {
    return {
        {"motor leads", {"leads", "motor pair", "orange and grey"}, "orange and grey exchanged"},
        {"direction bit", {"bit", "direction"}, "the decoder takes forward as reverse"},
        {"outputs", {"lamp leads", "front and rear"}, "leads of front and rear exchanged"},
        {"led", {"diode", "lamp"}, "leads of an LED exchanged"}};
}
std::vector<Named> lampNames(const Context& context) {
    std::vector<Named> all;
    for (const LampGroup& group : context.job.groups) all.push_back({group.name, {group.id}, {}});
    return all;
}

Result<JotResult> swap(const ParsedLine& said) {
    const std::string& what = *said.name("WHAT");
    const auto& lamp = said.name("LAMP");
    if ((what == "led") != lamp.has_value())
        return refuse(
            lamp ? ErrorCode::NotUnderstood : ErrorCode::Missing,
            lamp ? text("Only an LED is swapped by its lamp: swap led %1.", *lamp)
                 : text("Which lamp's LED? Write it like swap led %1.",
                        said.context.job.groups.empty() ? std::string("front")
                                                        : said.context.job.groups.front().name));
    JotResult result = jotted(said, {});
    Job& job = result.after;
    Swap made;
    made.on = said.context.today;
    if (what == "motor leads" || what == "direction bit") {
        if (!job.decoder || !hasMotor(job))
            return refuse(ErrorCode::NotUnderstood,
                          text("There is no motor on a decoder here whose direction could be "
                               "changed."));
        made.what = what == "motor leads" ? Swapped::MotorLeads : Swapped::DirectionBit;
        result.meaning = what == "motor leads" ? text("Swapped: the motor leads. Run it again.")
                                               : text("Changed: the direction bit. Run it again.");
        for (const char* step : {"forward", "reverse"}) forget(job, step);
    } else if (what == "outputs") {
        made.what = Swapped::Outputs;
        result.meaning = text("Swapped: leads of front and rear. Press their keys again.");
        for (const LampGroup& group : job.groups) {
            if (group.output == "front" || group.output == "rear") forget(job, "lamp:" + group.id);
        }
    } else {
        const LampGroup* group = groupNamed(job, *lamp);
        made.what = Swapped::Led;
        made.of = group->id;
        result.meaning = text("Swapped: the LED leads of %1. Press its key again.", group->name);
        forget(job, "lamp:" + group->id);
    }
    job.swapped.push_back(std::move(made));
    return result;
}
constexpr Argument swapArguments[] = {{.what = "WHAT",
                                       .kind = Kind::Name,
                                       .needed = true,
                                       .missing = "What was exchanged?",
                                       .names = swaps,
                                       .unknown = "“%1” is not understood. There are: %2."},
                                      {.what = "LAMP",
                                       .kind = Kind::Name,
                                       .names = lampNames,
                                       .unknown = "No lamp goes by “%1”. There are: %2."}};
constexpr const char* swapExamples[] = {"swap motor leads", "swap direction bit", "swap outputs"};
constexpr const char* swapNoise[] = {"the", "of"};

constexpr Command table[] = {{"power",
                              {},
                              powerArguments,
                              powerExamples,
                              "what a step of the first power showed",
                              power,
                              false,
                              powerNoise},
                             {"swap",
                              {},
                              swapArguments,
                              swapExamples,
                              "what was exchanged so that it does what it should",
                              swap,
                              false,
                              swapNoise}};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::first_power
