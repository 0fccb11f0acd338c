// Jots of the power districts.
#include "core/house/district/district.h"
#include "core/work/jotted.h"
#include "core/work/shelf.h"

#include <algorithm>

namespace glimmet::core::district {
namespace {

using namespace jot;
using Kind = Argument::Kind;

std::vector<Named> districtNames(const Context& context) {
    std::vector<Named> all;
    if (!context.workshop) return all;
    for (const PowerDistrict& each : context.workshop->districts) {
        all.push_back({each.name, {}, "a power district"});
    }
    return all;
}
std::vector<Named> nowhereOnly(const Context&) { return {{"nowhere", {}, "on none of them"}}; }

/// "district quay 3A trips 4A": a new one, or another booster for one that is there.
Result<WorkshopJotResult> district(const ParsedLine& said) {
    const std::string& name = said.at("NAME").words;
    WorkshopJotResult made{{}, *said.context.workshop, {}, name};
    auto& all = made.after.districts;
    auto at =
        std::find_if(all.begin(), all.end(), [&](const auto& one) { return one.name == name; });
    const auto rating = said.one<Amperes>("AMPS");
    const auto trip = said.one<Amperes>("TRIP");
    const auto lamps = said.one<Amperes>("LAMPS");
    if (at == all.end()) {
        if (!rating) {
            return refuse(ErrorCode::Missing,
                          text("How much does its booster give? Write it like %1.",
                               said.command.examples.front()));
        }
        all.push_back({name, *rating, *rating, {}, {}});
        at = all.end() - 1;
    } else if (rating) {
        if (at->trip == at->rating) at->trip = *rating;  // nobody said otherwise
        at->rating = *rating;
    }
    if (trip) at->trip = *trip;
    if (lamps) at->lamps = *lamps;
    made.meaning = text("District %1: booster of %2, trips at %3", name, formatted(at->rating),
                        formatted(at->trip));
    if (at->lamps > Amperes{0}) {
        made.meaning = text("%1, lamps %2", std::move(made.meaning), formatted(at->lamps));
    }
    return made;
}

/// "runs Ling on quay", "runs Ling nowhere"
Result<WorkshopJotResult> runs(const ParsedLine& said) {
    const std::string& model = *said.name("MODEL");
    const auto& where = said.name("DISTRICT");
    const bool nowhere = said.name("NOWHERE").has_value();
    if (where.has_value() == nowhere) {
        return refuse(ErrorCode::Missing,
                      text("On which district? Write it like %1.", said.command.examples.front()));
    }
    WorkshopJotResult made{
        nowhere ? text("%1 runs on no district", model) : text("%1 runs on %2", model, *where),
        *said.context.workshop,
        {},
        where.value_or("")};
    const DistrictModel one{jobCalled(said.context, model)};
    for (PowerDistrict& each : made.after.districts) {
        std::erase(each.models, one);
        if (where && each.name == *where) each.models.push_back(one);
    }
    return made;
}

Result<WorkshopJotResult> removeDistrict(const ParsedLine& said) {
    const std::string& name = *said.name("DISTRICT");
    WorkshopJotResult made{text("No district %1 any more", name), *said.context.workshop, {}, {}};
    std::erase_if(made.after.districts, [&](const auto& each) { return each.name == name; });
    return made;
}

constexpr Argument districtArguments[] = {
    {.what = "NAME", .kind = Kind::Words, .needed = true, .missing = "What is it called?"},
    {.what = "AMPS", .dimension = Dimension::Current, .least = 0.2, .most = 30},
    {.what = "TRIP", .after = "trips", .dimension = Dimension::Current, .least = 0.2, .most = 40},
    {.what = "LAMPS",
     .after = "lamps",
     .dimension = Dimension::Current,
     .least = 0.001,
     .most = 20,
     .zero = true}};
constexpr Argument aDistrict{.what = "DISTRICT",
                             .kind = Kind::Name,
                             .after = "on",
                             .names = districtNames,
                             .unknown = "No district goes by “%1”. There are: %2.",
                             .none = "There is no district yet. Make one first: district quay 3A."};
constexpr Argument runsArguments[] = {
    {.what = "MODEL",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which model?",
     .names = shelfNames,
     .unknown = "No model on the shelf goes by “%1”. There are: %2.",
     .none = "Nothing stands on the shelf."},
    aDistrict,
    {.what = "NOWHERE", .kind = Kind::Name, .names = nowhereOnly}};
constexpr Argument removeArguments[] = {[] {
    Argument made = aDistrict;
    made.after = nullptr;
    made.needed = true;
    made.missing = "Which district?";
    return made;
}()};
constexpr const char* districtExamples[] = {"district quay 3A trips 4A",
                                            "district quay 3A lamps 0.4A"};
constexpr const char* runsExamples[] = {"runs Ling on quay", "runs Ling nowhere"};
constexpr const char* removeExamples[] = {"dissolve quay"};
constexpr const char* runsNoise[] = {"model"};
constexpr const char* removeNoise[] = {"district"};

constexpr Command command(const char* word, std::span<const Argument> arguments,
                          std::span<const char* const> examples, const char* meaning,
                          std::span<const char* const> noise,
                          Result<WorkshopJotResult> (*read)(const ParsedLine&)) {
    return {word, {}, arguments, examples, meaning, nullptr, false, noise, read};
}
constexpr Command table[] = {
    command("district", districtArguments, districtExamples, "a booster and where it trips", {},
            district),
    command("runs", runsArguments, runsExamples, "which model runs on which district", runsNoise,
            runs),
    command("dissolve", removeArguments, removeExamples, "a district that is no more", removeNoise,
            removeDistrict),
};

}  // namespace

std::span<const Command> commands() { return table; }

}  // namespace glimmet::core::district
