#include "core/work/job_overrides.h"

#include "core/work/jotted.h"
#include "core/work/rule_arguments.h"
#include "core/work/school_lines.h"

namespace glimmet::core {
namespace {

using namespace jot;

constexpr const char* byHouse = "house";
const Named houseName{byHouse, {}, "as the house does"};

/// The rule as it was said, or the house's again; `meaning` words the former.
template <class Value, class Words>
Result<JotResult> set(const ParsedLine& said, std::optional<Value> JobOverrides::*rule,
                      const std::optional<Value>& value, Words meaning) {
    const bool asHouse = said.name("HOUSE") == byHouse || said.name("NAME") == byHouse;
    if (value && asHouse)
        return refuse(ErrorCode::NotUnderstood, text("A value and the house's: which of them?"));
    if (!value && !asHouse) {
        return refuse(ErrorCode::Missing,
                      text("%1 Write it like %2.", said.command.arguments.front().missing,
                           said.command.examples.front()));
    }
    JotResult made = jotted(said, asHouse ? text("%1: as the house has it", said.command.word)
                                          : text("For this job: %1", meaning(*value)));
    made.after.own.*rule = value;
    return made;
}

template <class Value>
std::optional<Value> chosen(const ParsedLine& said) {
    const std::string& name = *said.name("NAME");
    return name != byHouse ? named<Value>(name) : std::nullopt;
}
std::optional<double> share(const ParsedLine& said) {
    const auto& all = said.at("SHARE").quantities;
    return all.empty() ? std::nullopt : std::optional(all.front());
}

Result<JotResult> rule(const ParsedLine& said) {
    return set(said, &JobOverrides::rule, chosen<RatingRule>(said),
               [](RatingRule value) { return text("rating rule %1", std::string(name(value))); });
}
Result<JotResult> margin(const ParsedLine& said) {
    return set(said, &JobOverrides::closeMargin, share(said),
               [](double value) { return text("close within %1 of a limit", percent(value)); });
}
Result<JotResult> spread(const ParsedLine& said) {
    return set(said, &JobOverrides::supplySpread, share(said),
               [](double value) { return text("track volts differ by %1", percent(value)); });
}
Result<JotResult> tolerance(const ParsedLine& said) {
    return set(said, &JobOverrides::meterTolerance, share(said), [](double value) {
        return text("a meter's reading may be off by %1", percent(value));
    });
}
Result<JotResult> drawers(const ParsedLine& said) {
    return set(said, &JobOverrides::drawers, chosen<Series>(said), [](Series value) {
        return text("new lamps get resistors of %1", std::string(name(value)));
    });
}
Result<JotResult> mains(const ParsedLine& said) {
    return set(said, &JobOverrides::mains, chosen<Mains>(said),
               [](Mains value) { return text("mains of %1", std::string(name(value))); });
}

std::vector<Named> houseOnly(const Context&) { return {houseName}; }
std::vector<Named> rulesOrHouse(const Context& context) {
    std::vector<Named> all = ruleNames(context);
    all.push_back(houseName);
    return all;
}
std::vector<Named> mainsOrHouse(const Context& context) {
    std::vector<Named> all = mainsNames(context);
    all.push_back(houseName);
    return all;
}
std::vector<Named> seriesOrHouse(const Context& context) {
    std::vector<Named> all = seriesNames(context);
    all.push_back(houseName);
    return all;
}
constexpr Argument optional(Argument argument) {
    argument.needed = false;
    return argument;
}
constexpr Argument among(Argument argument, std::vector<Named> (*names)(const Context&)) {
    argument.names = names;
    return argument;
}
constexpr Argument house{.what = "HOUSE", .kind = Argument::Kind::Name, .names = houseOnly};
constexpr Argument ownRule[] = {among(ruleArgument, rulesOrHouse)};
constexpr Argument ownDrawers[] = {among(drawersArgument, seriesOrHouse)};
constexpr Argument ownMains[] = {among(mainsArgument, mainsOrHouse)};
constexpr const char* mainsExamples[] = {"mains 60Hz", "mains house"};
constexpr Argument ownMargin[] = {optional(marginArgument), house};
constexpr Argument ownSpread[] = {optional(spreadArgument), house};
constexpr Argument ownTolerance[] = {optional(toleranceArgument), house};
constexpr const char* ownRuleExamples[] = {"rule strict", "rule house"};
constexpr const char* ownMarginExamples[] = {"margin 10%", "margin house"};
constexpr const char* spreadExamples[] = {"spread 2%", "spread house"};
constexpr const char* toleranceExamples[] = {"tolerance 2%", "tolerance house"};
constexpr const char* drawersExamples[] = {"drawers E24", "drawers house"};
constexpr const char* schoolExamples[] = {"school isolation tape", "school isolation house"};

constexpr Command ownRuleTable[] = {
    {"rule",
     {},
     ownRule,
     ownRuleExamples,
     "how ratings are held against the motor: strict, slip, running",
     rule},
    {"margin", {}, ownMargin, ownMarginExamples, "how near to a limit counts as close", margin},
    {"spread", {}, ownSpread, spreadExamples, "by how much its track volts differ", spread},
    {"tolerance",
     {},
     ownTolerance,
     toleranceExamples,
     "how far the meter that it was read with may be off",
     tolerance},
    {"drawers", {}, ownDrawers, drawersExamples, "the resistors that its new lamps get", drawers},
    {"mains", {}, ownMains, mainsExamples, "the rhythm of the AC that it runs on", mains},
    {"school",
     {},
     schoolArguments<schoolValuesOrHouse>,
     schoolExamples,
     schoolMeaning,
     schoolOfJob},
};

}  // namespace

std::span<const Command> overrideCommands() { return ownRuleTable; }

}  // namespace glimmet::core
