// Jots of running in: how long, which way, what it took; hours since.
#include "core/analysis/run_in_state.h"
#include "core/quantity/format.h"
#include "core/quantity/moment.h"
#include "core/work/jotted.h"
#include "core/work/run_in/run_in.h"

namespace glimmet::core::run_in {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::vector<Named> ways(const Context&) {
    return {{"forward", {"forwards"}, "front end first"},
            {"reverse", {"backward", "backwards", "back"}, "rear end first"}};
}
std::vector<Named> moments(const Context&) {
    return {{"begins", {"start", "started", "starts", "now"}, "the clock counts from now"}};
}

WorkshopRules houseIn(const Context& context) {
    return houseOf(context.job, context.workshop ? context.workshop->house : WorkshopRules{});
}

Result<JotResult> runIn(const ParsedLine& said) {
    const auto& way = said.name("WAY");
    const Direction direction = *way == "forward" ? Direction::Forward : Direction::Reverse;
    const auto time = said.one<Seconds>("TIME");
    const auto current = said.one<Amperes>("AMPS");
    const bool begins = said.name("begins").has_value();
    JotResult result = jotted(said, {});
    RunIn& own = result.after.runIn;
    if (!hasMotor(said.context.job))
        return refuse(ErrorCode::NotUnderstood, text("It has no motor that could be run in."));
    RunInReading reading{direction, Seconds{0}, current, said.context.today};
    if (begins) {
        if (time)
            return refuse(ErrorCode::NotUnderstood,
                          text("It begins now: leave the time out. Write it like %1.",
                               "run-in forward begins"));
        own.running = Running{
            direction, std::string(said.context.now.empty() ? std::string_view(said.context.today)
                                                            : said.context.now)};
        reading.ran = runInState(said.context.job, houseIn(said.context), direction).ran;
        result.meaning = text("Runs now: %1", *way);
        if (current) own.readings.push_back(reading);
        return result;
    }
    if (time) {
        reading.ran = *time;
    } else if (own.running && own.running->direction == direction) {
        const auto since = between(own.running->since, said.context.now);
        if (since && *since > Seconds{0}) reading.ran = *since;
    } else if (!current) {
        return refuse(ErrorCode::Missing, text("How long did it run? Write it like %1.",
                                               said.command.examples.front()));
    }
    constexpr std::size_t most = 1000;
    if (own.readings.size() >= most)
        return refuse(ErrorCode::OutOfRange, text("That are readings enough for one model."));
    result.meaning = current ? text("Run in %1, after %2: %3", *way, formatted(reading.ran, 3),
                                    formatted(*current, 3))
                             : text("Run in %1: %2", *way, formatted(reading.ran, 3));
    if (own.running && own.running->direction == direction &&
        reading.ran >= houseIn(said.context).runIn)
        own.running.reset();
    own.readings.push_back(std::move(reading));
    return result;
}
constexpr Argument runInArguments[] = {{.what = "WAY",
                                        .kind = Kind::Name,
                                        .needed = true,
                                        .missing = "Which way did it run?",
                                        .names = ways,
                                        .unknown = "“%1” is not understood. There are: %2."},
                                       {.what = "begins",
                                        .kind = Kind::Name,
                                        .names = moments,
                                        .unknown = "“%1” is not understood. There are: %2."},
                                       {.what = "TIME",
                                        .dimension = Dimension::Time,
                                        .least = 1,
                                        .most = 360000,
                                        .unitNeeded = true,
                                        .zero = true,
                                        .bare = 60},
                                       {.what = "AMPS",
                                        .dimension = Dimension::Current,
                                        .least = 1e-3,
                                        .most = 20,
                                        .unitNeeded = true}};
constexpr const char* runInExamples[] = {"run-in forward 30min 210mA", "run-in reverse begins"};
constexpr const char* runInNoise[] = {"for", "at", "after"};
constexpr const char* runInAlso[] = {"ran-in"};

Result<JotResult> hours(const ParsedLine& said) {
    const auto time = said.one<Seconds>("TIME");
    JotResult result = jotted(said, {});
    Seconds& since = result.after.runIn.since;
    if (*time <= Seconds{0}) {
        since = Seconds{0};
        result.meaning = text("Oiled: its hours begin at 0");
    } else {
        since += *time;
        result.meaning =
            text("Ran %1 more, %2 since it was oiled", formatted(*time, 3), formatted(since, 3));
    }
    return result;
}
constexpr Argument hoursArguments[] = {{.what = "TIME",
                                        .needed = true,
                                        .missing = "How long did it run?",
                                        .dimension = Dimension::Time,
                                        .least = 60,
                                        .most = 3600000,
                                        .unitNeeded = true,
                                        .zero = true,
                                        .bare = 3600}};
constexpr const char* hoursExamples[] = {"hours 5h", "hours 0h"};

constexpr Command table[] = {
    {"run-in", runInAlso, runInArguments, runInExamples,
     "how long it ran each way, and its current then", runIn, false, runInNoise},
    {"hours", {}, hoursArguments, hoursExamples, "hours of service since it was oiled", hours}};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::run_in
