// Jots of the body: what it is drawn as, how large it is, units of a train.
#include "core/analysis/wiring/terminals.h"
#include "core/work/jotted.h"
#include "core/work/record_verbs.h"
#include "core/work/units.h"

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

using namespace jot;
using Kind = Argument::Kind;

Text ofUnitSaid(const ParsedLine& said, std::size_t unit, Text what) {
    return said.context.job.units.size() > 1
               ? text("%1, %2", std::move(what), unitCalled(said.context.job, unit))
               : what;
}

/// How long over the buffers: of a drawing all of it follows, of what was measured its length.
Result<JotResult> length(const ParsedLine& said) {
    const Millimetres value = *said.one<Millimetres>("LENGTH");
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    const Body& body = said.context.job.units[*unit].body;
    JotResult result = jotted(said, ofUnitSaid(said, *unit, text("Length: %1", formatted(value))));
    Body made = body.ownMeasures ? drawnOut(body, value, floorOf(body), body.height)
                                 : scaled(body, (value / body.length).value());
    made.length = value;
    result.after = withBody(std::move(result.after), *unit, made);
    return result;
}

/// "roof 41mm", "floor 9mm": heights above the rail head.
Result<JotResult> height(const ParsedLine& said, bool roof) {
    const Millimetres value = *said.one<Millimetres>("HEIGHT");
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    const Body& body = said.context.job.units[*unit].body;
    const Millimetres floor = roof ? floorOf(body) : value;
    const Millimetres top = roof ? value : body.height;
    if (top - floor < Millimetres{2}) {
        return refuse(ErrorCode::OutOfRange,
                      text("Between floor at %1 and roof at %2 is no room for a body.",
                           formatted(floor), formatted(top)));
    }
    const Text what = roof ? text("Roof, measured: %1", formatted(value))
                           : text("Floor, measured: %1", formatted(value));
    JotResult result = jotted(said, ofUnitSaid(said, *unit,
                                               body.structure ? text("%1 above the ground", what)
                                                              : text("%1 above the rails", what)));
    Body made = drawnOut(body, body.length, floor, top);
    made.ownMeasures = true;
    result.after = withBody(std::move(result.after), *unit, made);
    return result;
}
Result<JotResult> roof(const ParsedLine& said) { return height(said, true); }
Result<JotResult> floorHeight(const ParsedLine& said) { return height(said, false); }

Result<JotResult> width(const ParsedLine& said) {
    const Millimetres value = *said.one<Millimetres>("WIDTH");
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    JotResult result =
        jotted(said, ofUnitSaid(said, *unit, text("Width, measured: %1", formatted(value))));
    Body& body = result.after.units[*unit].body;
    const double share = (value / body.width).value();
    for (Cavity& cavity : body.cavities) {
        if (cavity.measured) continue;
        cavity.width *= share;
        cavity.across *= share;
    }
    body.width = value;
    body.ownMeasures = true;
    return result;
}

/// "axles 22mm 58mm": where they are, from the front end. Which of them are driven and
/// where wheels collect stays, by their number.
Result<JotResult> axles(const ParsedLine& said) {
    std::vector<Millimetres> at = said.all<Millimetres>("BACK");
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    JotResult result = jotted(said, {});
    Body& body = result.after.units[*unit].body;
    if (body.structure)
        return refuse(ErrorCode::OutOfRange, text("What stands on the ground has no axles."));
    std::sort(at.begin(), at.end());
    if (at.back() > body.length) {
        return refuse(ErrorCode::OutOfRange,
                      text("%1 from the front is behind its end: it is %2 long.",
                           formatted(at.back()), formatted(body.length)));
    }
    std::string all;
    std::vector<Axle> made;
    for (std::size_t i = 0; i < at.size(); ++i) {
        Axle axle{{}, Millimetres{900 / said.context.job.scale.ratio}};  // usual wheels
        if (!body.axles.empty()) axle = body.axles[std::min(i, body.axles.size() - 1)];
        axle.x = at[i];
        all += (all.empty() ? "" : ", ") + formatted(at[i]);
        made.push_back(axle);
    }
    body.axles = std::move(made);
    body.ownMeasures = true;
    result.meaning = ofUnitSaid(said, *unit, text("Axles at %1 from the front", all));
    return result;
}

/// "wheels 11mm": how large all wheels of a unit are, over the tread.
Result<JotResult> wheels(const ParsedLine& said) {
    const Millimetres value = *said.one<Millimetres>("DIAMETER");
    const auto unit = unitOf(said);
    if (!unit) return tl::unexpected(unit.error());
    JotResult result =
        jotted(said, ofUnitSaid(said, *unit, text("Wheels, measured: %1", formatted(value))));
    Body& body = result.after.units[*unit].body;
    if (body.axles.empty()) return refuse(ErrorCode::OutOfRange, text("Nothing rolls here."));
    if (value > body.length) {
        return refuse(ErrorCode::OutOfRange, text("Wheels of %1 do not go under a body of %2.",
                                                  formatted(value), formatted(body.length)));
    }
    for (Axle& each : body.axles) each.diameter = value;
    body.ownMeasures = true;
    return result;
}

// --- units -----------------------------------------------------------------------------------

std::vector<Named> bodyNames(const Context& context) {
    std::vector<Named> all;
    for (const BodyDrawing& drawing : context.catalogue.bodies) {
        all.push_back({drawing.id, {drawing.title}, drawing.title});
    }
    return all;
}

/// "unit saloon called trailer": coupled behind what is there.
Result<JotResult> unit(const ParsedLine& said) {
    const BodyDrawing& drawing = *bodyNamed(said.context.catalogue, *said.name("BODY"));
    const Job& job = said.context.job;
    if (isStructure(job) || drawing.body.structure) {
        return refuse(ErrorCode::OutOfRange,
                      text("What stands on the ground is coupled to nothing."));
    }
    constexpr std::size_t most = 20;
    if (job.units.size() >= most) {
        return refuse(ErrorCode::OutOfRange,
                      text("A job has at most %1 units.", std::to_string(most)));
    }
    const std::string& called = said.at("WORDS").words;
    for (const Named& taken : unitNames(said.context)) {
        if (lowered(taken.name) == lowered(called)) {
            return refuse(
                ErrorCode::NotUnderstood,
                text("There is a unit called %1 already. Give this one another name.", taken.name));
        }
    }
    JotResult result =
        jotted(said, called.empty() ? text("Coupled behind: %1", drawing.title)
                                    : text("Coupled behind: %1, called %2", drawing.title, called));
    result.after.couplings.push_back({Millimetres{520 / job.scale.ratio}, 0});
    result.after.units.push_back(newUnit(result.after, drawing, called));
    return result;
}

/// "body tank-engine": what a unit is drawn as. Lamps keep their places as far as they can.
Result<JotResult> body(const ParsedLine& said) {
    const BodyDrawing& drawing = *bodyNamed(said.context.catalogue, *said.name("BODY"));
    const auto at = unitOf(said);
    if (!at) return tl::unexpected(at.error());
    const Job& job = said.context.job;
    if (job.units.size() > 1 && drawing.body.structure) {
        return refuse(ErrorCode::OutOfRange,
                      text("What stands on the ground is coupled to nothing."));
    }
    JotResult result = jotted(said, text("Body: %1", drawing.title));
    result.after =
        withBody(std::move(result.after), *at, scaled(drawing.body, 1 / job.scale.ratio));
    return result;
}

/// "contacts 6": how many wires go across a coupling. Two lead the rails of one unit to the other.
Result<JotResult> contacts(const ParsedLine& said) {
    const Job& job = said.context.job;
    if (job.couplings.empty()) {
        return refuse(ErrorCode::OutOfRange,
                      text("It is one unit: there is no coupling that wires go across."));
    }
    const double count = said.at("COUNT").quantities.front();
    if (count > std::floor(count)) {
        return refuse(ErrorCode::OutOfRange, text("That is counted in whole numbers."));
    }
    std::size_t at = 0;
    if (job.couplings.size() > 1 || said.name("UNIT")) {
        const auto before = unitOf(said);
        if (!before || *before >= job.couplings.size()) {
            return refuse(
                ErrorCode::Missing,
                text("Behind which unit? Write it like contacts 6 behind %1.", unitCalled(job, 0)));
        }
        at = *before;
    }
    const std::string wires = formatted(count, Dimension::Ratio);
    JotResult result = jotted(
        said, count > 0
                  ? text("%1 wires go across the coupling behind %2", wires, unitCalled(job, at))
                  : text("No wires go across the coupling behind %1", unitCalled(job, at)));
    result.after.couplings[at].contacts = static_cast<int>(count);
    return result;
}

Result<JotResult> removeUnit(const ParsedLine& said) {
    const auto at = unitOf(said);
    if (!at) return tl::unexpected(at.error());
    const Job& job = said.context.job;
    if (job.units.size() == 1) {
        return refuse(ErrorCode::OutOfRange, text("The only unit stays; give it another body."));
    }
    const std::string called = unitCalled(job, *at);
    for (const LampGroup& group : job.groups) {
        for (const LampRow& row : group.rows) {
            for (const Lamp& lamp : row.lamps) {
                if (lamp.fitted.unit != job.units[*at].id) continue;
                return refuse(
                    ErrorCode::OutOfRange,
                    text("%1 sits in %2. Remove it first: remove %1.", group.name, called));
            }
        }
    }
    JotResult result = jotted(said, text("%1 uncoupled", called));
    Job& after = result.after;
    const auto index = static_cast<std::ptrdiff_t>(*at);
    after.units.erase(after.units.begin() + index);
    after.couplings.erase(after.couplings.begin() +
                          std::min<std::ptrdiff_t>(index, std::ssize(after.couplings) - 1));
    // What lay there is placed anew.
    if (after.decoder && after.decoder->placement &&
        after.decoder->placement->unit == job.units[*at].id) {
        after.decoder->placement.reset();
    }
    if (after.bank && after.bank->placement && after.bank->placement->unit == job.units[*at].id) {
        after.bank->placement.reset();
    }
    for (FittedItem& item : after.items) {
        if (item.placement && item.placement->unit == job.units[*at].id) item.placement.reset();
    }
    // What cannot lie elsewhere goes with it.
    std::erase_if(after.factoryLamps,
                  [&](const FactoryLamp& lamp) { return lamp.fitted.unit == job.units[*at].id; });
    std::erase_if(after.wires, [&](const Wire& wire) {
        return unitOf(job, wire.to) == *at || (wire.from && unitOf(job, *wire.from) == *at);
    });
    return result;
}

constexpr Argument lengthArguments[] = {{.what = "LENGTH",
                                         .needed = true,
                                         .missing = "How long over the buffers?",
                                         .dimension = Dimension::Length,
                                         .least = 0.005,
                                         .most = 3},
                                        unitArgument};
constexpr Argument drawn{.what = "BODY",
                         .kind = Kind::Name,
                         .needed = true,
                         .missing = "Which body?",
                         .names = bodyNames,
                         .unknown = "No body goes by “%1”. There are: %2."};
constexpr Argument newUnitArguments[] = {drawn,
                                         {.what = "WORDS", .kind = Kind::Words, .after = "called"}};
constexpr Argument bodyArguments[] = {drawn, unitArgument};
constexpr Argument contactsArguments[] = {{.what = "COUNT",
                                           .needed = true,
                                           .missing = "How many wires go across?",
                                           .dimension = Dimension::Ratio,
                                           .least = 1,
                                           .most = 40,
                                           .zero = true},
                                          [] {
                                              Argument made = unitArgument;
                                              made.after = "behind";
                                              return made;
                                          }()};
constexpr Argument uncoupleArguments[] = {[] {
    Argument made = unitArgument;
    made.after = nullptr;
    made.ofSeveral = false;
    made.needed = true;
    made.missing = "Which unit?";
    return made;
}()};

constexpr Argument size(const char* what, const char* missing, double least, double most) {
    return {.what = what,
            .needed = true,
            .missing = missing,
            .dimension = Dimension::Length,
            .least = least,
            .most = most};
}
constexpr Argument roofArguments[] = {size("HEIGHT", "How high above the rails?", 0.005, 1),
                                      unitArgument};
constexpr Argument floorArguments[] = {size("HEIGHT", "How high above the rails?", 0.001, 0.5),
                                       unitArgument};
constexpr Argument widthArguments[] = {size("WIDTH", "How wide?", 0.005, 0.5), unitArgument};
constexpr Argument wheelsArguments[] = {size("DIAMETER", "How large, over the tread?", 0.003, 0.2),
                                        unitArgument};
constexpr Argument axlesArguments[] = {{.what = "BACK",
                                        .needed = true,
                                        .missing = "Where are they, from the front end?",
                                        .dimension = Dimension::Length,
                                        .least = 0.001,
                                        .most = 3,
                                        .atMost = 20},
                                       unitArgument};
constexpr const char* lengthExamples[] = {"length 142mm"};
constexpr const char* unitExamples[] = {"unit saloon called trailer"};
constexpr const char* bodyExamples[] = {"body tank-engine"};
constexpr const char* uncoupleExamples[] = {"uncouple trailer"};
constexpr const char* contactsExamples[] = {"contacts 6"};
constexpr const char* contactsNoise[] = {"across", "the", "coupling", "wires"};
constexpr const char* roofExamples[] = {"roof 41mm"};
constexpr const char* floorExamples[] = {"floor 9mm"};
constexpr const char* widthExamples[] = {"width 31mm"};
constexpr const char* axlesExamples[] = {"axles 22mm 58mm"};
constexpr const char* wheelsExamples[] = {"wheels 11mm"};
constexpr const char* axlesNoise[] = {"at", "and"};
constexpr const char* heightNoise[] = {"at", "height"};

constexpr Command bodyTable[] = {
    {"length",
     {},
     lengthArguments,
     lengthExamples,
     "over the buffers; the picture follows",
     length},
    {"body", {}, bodyArguments, bodyExamples, "what it is drawn as", body},
    {"unit", {}, newUnitArguments, unitExamples, "couples another unit behind", unit},
    {"contacts",
     {},
     contactsArguments,
     contactsExamples,
     "wires that go across a coupling; two lead the rails' power to the next unit",
     contacts,
     false,
     contactsNoise},
    {"uncouple",
     {},
     uncoupleArguments,
     uncoupleExamples,
     "takes a unit out of the train",
     removeUnit},
    {"roof", {}, roofArguments, roofExamples, "its height, measured", roof, false, heightNoise},
    {"floor",
     {},
     floorArguments,
     floorExamples,
     "where its body begins, measured",
     floorHeight,
     false,
     heightNoise},
    {"width", {}, widthArguments, widthExamples, "over its sides, measured", width},
    {"axles",
     {},
     axlesArguments,
     axlesExamples,
     "where they are, from the front end",
     axles,
     false,
     axlesNoise},
    {"wheels", {}, wheelsArguments, wheelsExamples, "how large they are", wheels},
};

}  // namespace

std::span<const Command> bodyCommands() { return bodyTable; }

}  // namespace glimmet::core
