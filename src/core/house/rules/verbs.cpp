// Jots of the house.
#include "core/house/rules/rules.h"
#include "core/instrument/scpi.h"
#include "core/work/jotted.h"
#include "core/work/rule_arguments.h"
#include "core/work/school_lines.h"
#include "core/work/shelf.h"

#include <algorithm>

namespace glimmet::core::rules {
namespace {

using namespace jot;
using Kind = Argument::Kind;

template <class Value>
Result<WorkshopJotResult> set(const ParsedLine& said, Value WorkshopRules::*field, Value value,
                              Text meaning, const char* subject) {
    WorkshopJotResult made{std::move(meaning), *said.context.workshop, {}, subject};
    made.after.house.*field = value;
    return made;
}

Result<WorkshopJotResult> rule(const ParsedLine& said) {
    const std::string& chosen = *said.name("NAME");
    return set(said, &WorkshopRules::rule, *named<RatingRule>(chosen),
               text("House, rating rule: %1", chosen), "rule");
}
Result<WorkshopJotResult> margin(const ParsedLine& said) {
    const double share = said.at("SHARE").quantities.front();
    return set(said, &WorkshopRules::closeMargin, share,
               text("House: close within %1 of a limit", percent(share)), "margin");
}
Result<WorkshopJotResult> spread(const ParsedLine& said) {
    const double share = said.at("SHARE").quantities.front();
    return set(said, &WorkshopRules::supplySpread, share,
               text("House: track volts differ by %1", percent(share)), "spread");
}
Result<WorkshopJotResult> rectifier(const ParsedLine& said) {
    const Volts value = *said.one<Volts>("VOLTS");
    return set(said, &WorkshopRules::rectifier, value,
               text("House, rectifier drop: %1", formatted(value)), "rectifier");
}
Result<WorkshopJotResult> bridge(const ParsedLine& said) {
    const Volts value = *said.one<Volts>("VOLTS");
    return set(said, &WorkshopRules::bridge, value,
               text("House, motor bridge drop: %1", formatted(value)), "bridge");
}
Result<WorkshopJotResult> switchDrop(const ParsedLine& said) {
    const Volts value = *said.one<Volts>("VOLTS");
    return set(said, &WorkshopRules::outputSwitch, value,
               text("House, output switch drop: %1", formatted(value)), "switch");
}
Result<WorkshopJotResult> drawers(const ParsedLine& said) {
    const std::string& chosen = *said.name("NAME");
    return set(said, &WorkshopRules::drawers, *named<Series>(chosen),
               text("House, resistors at hand: %1", chosen), "drawers");
}
Result<WorkshopJotResult> mains(const ParsedLine& said) {
    const std::string& chosen = *said.name("NAME");
    return set(said, &WorkshopRules::mains, *named<Mains>(chosen), text("House, mains: %1", chosen),
               "mains");
}
Result<WorkshopJotResult> leg(const ParsedLine& said) {
    const std::string& chosen = *said.name("LEAD");
    return set(said, &WorkshopRules::leg, *named<ResistorLeg>(chosen),
               text("House: resistors of lamps go into the %1 lead", chosen), "leg");
}
Result<WorkshopJotResult> resistors(const ParsedLine& said) {
    const std::string& chosen = *said.name("WHERE");
    return set(said, &WorkshopRules::lampResistors, *named<LampResistors>(chosen),
               chosen == "shared" ? text("House: like lamps of one output share one resistor")
                                  : text("House: each lamp gets a resistor of its own"),
               "resistors");
}
std::vector<Named> resistorPlaces(const Context&) {
    return {{"each", {"own"}, "one for each lamp"},
            {"shared", {"one"}, "one for all like lamps of an output"}};
}
std::vector<Named> legNames(const Context&) {
    return {{"minus", {"cathode", "output"}, "between lamp and output"},
            {"plus", {"anode", "common"}, "between common and lamp"}};
}

Result<WorkshopJotResult> tolerance(const ParsedLine& said) {
    const double share = said.at("SHARE").quantities.front();
    return set(said, &WorkshopRules::meterTolerance, share,
               text("House: a meter's reading may be off by %1", percent(share)), "tolerance");
}
std::vector<Named> decoderIds(const Context& context) {
    std::vector<Named> all;
    for (const Decoder& decoder : context.catalogue.decoders) {
        all.push_back({decoder.id, {decoder.name}, decoder.name});
    }
    return all;
}
std::vector<Named> noneLeft(const Context&) { return {{"none", {"no"}, "it is gone"}}; }
/// "have four-wire-1.0": one lies in the drawer.
Result<WorkshopJotResult> have(const ParsedLine& said) {
    const std::string& id = *said.name("DECODER");
    const bool gone = said.name("NONE").has_value();
    std::vector<std::string> decoders = said.context.workshop->house.decoders;
    std::erase(decoders, id);
    if (!gone) decoders.insert(std::upper_bound(decoders.begin(), decoders.end(), id), id);
    return set(said, &WorkshopRules::decoders, std::move(decoders),
               gone ? text("House: no %1 in the drawer", id) : text("House: in the drawer: %1", id),
               "have");
}
Result<WorkshopJotResult> meter(const ParsedLine& said) {
    WorkshopJotResult made{text("Bench meter: none"), *said.context.workshop, {}, "meter"};
    made.after.meter.clear();
    if (lowered(said.rest) == "none") return made;
    const auto address = scpi::address(said.rest);
    if (!address) return refuse(address.error().code, address.error().what);
    made.meaning = text("Bench meter at %1, port %2", address->host, std::to_string(address->port));
    made.after.meter = said.rest;
    return made;
}

// A span of one that lives as long as the table.
template <const Argument& argument>
constexpr Argument only[] = {argument};
constexpr const char* ruleExamples[] = {"rule strict"};
constexpr const char* marginExamples[] = {"margin 10%"};
std::vector<Named> endsOfShelf(const Context&) {
    return {{"first", {}, "behind the workshop itself"}, {"last", {}, "behind all others"}};
}
/// "shelf Ling before Tern", "shelf Ling last"
Result<WorkshopJotResult> shelf(const ParsedLine& said) {
    const std::string& name = *said.name("MODEL");
    const auto& other = said.name("OTHER");
    const auto& end = said.name("END");
    if (other.has_value() == end.has_value()) {
        return refuse(ErrorCode::Missing,
                      text("Where on the shelf? Write it like %1.", said.command.examples.front()));
    }
    const int job = jobCalled(said.context, name);
    std::optional<int> before;
    if (other) before = jobCalled(said.context, *other);
    if (before == job) {
        return refuse(ErrorCode::NotUnderstood, text("%1 cannot stand before itself.", name));
    }
    if (end == "first") {
        const std::vector<int> all = shelved(*said.context.workshop, said.context.shelf);
        const auto first =
            std::find_if(all.begin(), all.end(), [&](int each) { return each != job; });
        if (first != all.end()) before = *first;
    }
    return putOnShelf(*said.context.workshop, said.context.shelf, job, before);
}

constexpr Argument shelfArguments[] = {
    {.what = "MODEL",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which model?",
     .names = shelfNames,
     .unknown = "No model on the shelf goes by “%1”. There are: %2.",
     .none = "Nothing stands on the shelf yet."},
    {.what = "OTHER",
     .kind = Kind::Name,
     .after = "before",
     .names = shelfNames,
     .unknown = "No model on the shelf goes by “%1”. There are: %2."},
    {.what = "END", .kind = Kind::Name, .names = endsOfShelf}};
constexpr const char* shelfExamples[] = {"shelf Ling before Tern", "shelf Ling last"};

constexpr Argument haveArguments[] = {
    {.what = "DECODER",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which decoder lies there?",
     .names = decoderIds,
     .unknown = "No decoder goes by “%1”. The catalogue has: %2."},
    {.what = "NONE", .kind = Kind::Name, .names = noneLeft}};
constexpr Argument legArguments[] = {{.what = "LEAD",
                                      .kind = Kind::Name,
                                      .needed = true,
                                      .missing = "Which lead: plus or minus?",
                                      .names = legNames}};
constexpr Argument resistorsArguments[] = {{.what = "WHERE",
                                            .kind = Kind::Name,
                                            .needed = true,
                                            .missing = "One for each lamp (each), or shared?",
                                            .names = resistorPlaces}};
constexpr const char* resistorsExamples[] = {"resistors shared"};
constexpr const char* legExamples[] = {"leg plus"};
constexpr const char* toleranceExamples[] = {"tolerance 2%"};
constexpr const char* haveExamples[] = {"have four-wire-1.0", "have four-wire-1.0 none"};
constexpr const char* spreadExamples[] = {"spread 10%"};
constexpr const char* rectifierExamples[] = {"rectifier 1.4V"};
constexpr const char* bridgeExamples[] = {"bridge 0.3V"};
constexpr const char* switchExamples[] = {"switch 0.6V"};
constexpr const char* drawersExamples[] = {"drawers E24"};
constexpr const char* mainsExamples[] = {"mains 60Hz"};
constexpr const char* meterExamples[] = {"meter bench-meter:5025", "meter none"};
constexpr const char* schoolExamples[] = {"school isolation tape", "school run-in 30min"};
constexpr const char* dropNoise[] = {"drop", "drops"};

constexpr Command command(const char* word, std::span<const Argument> arguments,
                          std::span<const char* const> examples, const char* meaning,
                          Result<WorkshopJotResult> (*read)(const ParsedLine&)) {
    return {word, {}, arguments, examples, meaning, nullptr, false, dropNoise, read};
}
constexpr Command table[] = {
    command("rule", only<ruleArgument>, ruleExamples, "how the house holds ratings against motors",
            rule),
    command("mains", only<mainsArgument>, mainsExamples, "the rhythm of the AC here", mains),
    command("margin", only<marginArgument>, marginExamples, "how near to a limit counts as close",
            margin),
    command("spread", only<spreadArgument>, spreadExamples, "by how much track volts differ",
            spread),
    command("rectifier", only<dropArgument>, rectifierExamples,
            "drop of a decoder's rectifier, assumed", rectifier),
    command("bridge", only<dropArgument>, bridgeExamples, "drop of a motor bridge, assumed",
            bridge),
    command("switch", only<dropArgument>, switchExamples, "drop of a lit output, assumed",
            switchDrop),
    command("drawers", only<drawersArgument>, drawersExamples, "the resistors that are at hand",
            drawers),
    command("leg", legArguments, legExamples, "the lead of a lamp that its resistor goes into",
            leg),
    command("resistors", resistorsArguments, resistorsExamples,
            "whether like lamps of one output get a resistor each, or share one", resistors),
    command("tolerance", only<toleranceArgument>, toleranceExamples, "how far a meter may be off",
            tolerance),
    command("school", schoolArguments<schoolValues>, schoolExamples, schoolMeaning, schoolOfHouse),
    command("have", haveArguments, haveExamples, "a decoder that lies in the drawer", have),
    command("shelf", shelfArguments, shelfExamples, "where a job stands on the shelf", shelf),
    {"meter",
     {},
     {},
     meterExamples,
     "the bench meter that readings are taken from: its address",
     nullptr,
     true,
     {},
     meter},
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::rules
