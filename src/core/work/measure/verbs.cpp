// Jots of the motor, the decoder and what feeds them.
#include "core/work/jotted.h"
#include "core/work/measure/measure.h"

namespace glimmet::core::measure {
namespace {

using namespace jot;
using Kind = Takes::Kind;

// What the motors, meters and layouts of all scales show; beyond it a unit was mistyped.
constexpr Ohms leastWinding{0.3}, mostWinding{2000};
constexpr Takes amps{.what = "AMPS",
                     .needed = true,
                     .missing = "A reading needs its current.",
                     .dimension = Dimension::Current,
                     .least = 0.005,
                     .most = 20};
constexpr Takes volts{.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.5, .most = 40};
constexpr Takes stallVolts{
    .what = "VOLTS",
    .needed = true,
    .missing = "A stall test needs the volts at that moment too, because they sag.",
    .dimension = Dimension::Voltage,
    .least = 0.5,
    .most = 40};

std::vector<Named> unknownOnly(const Context&) { return {{"unknown", {}, "not measured"}}; }
constexpr Takes unknown{.what = "unknown", .kind = Kind::Name, .names = unknownOnly};

Result<Jotted> noMotor(const Said& said) {
    return refuse(ErrorCode::Unknown, text("%1 has no motor to read.", said.context.job.name));
}

Text readingAs(MotorCondition condition, const std::string& what) {
    switch (condition) {
        case MotorCondition::Stalled:
            return text("Stall test: %1", what);
        case MotorCondition::Slipping:
            return text("Wheels slipping: %1", what);
        case MotorCondition::Hauling:
            return text("Hauling: %1", what);
        case MotorCondition::Light:
            break;
    }
    return text("Running light: %1", what);
}

template <MotorCondition condition>
Result<Jotted> reading(const Said& said) {
    if (!said.context.job.motor) return noMotor(said);
    TakenReading made;
    made.condition = condition;
    made.on = said.context.today;
    made.amps = *said.one<Amperes>("AMPS");
    made.volts = said.one<Volts>("VOLTS");
    if (condition == MotorCondition::Stalled) {
        const Ohms path = *made.volts / made.amps;
        if (path < leastWinding || path > mostWinding) {
            return refuse(ErrorCode::OutOfRange,
                          text("%1 at %2 would be a motor of %3; between %4 and %5 is usual. Are "
                               "the two values swapped?",
                               formatted(made.amps), formatted(*made.volts), formatted(path, 3),
                               formatted(leastWinding), formatted(mostWinding)));
        }
    }
    const std::string what =
        formatted(made.amps) + (made.volts ? " at " + formatted(*made.volts) : "");
    Jotted result = jotted(said, readingAs(condition, what));
    result.after.motor->readings.push_back(std::move(made));
    return result;
}

Result<Jotted> ohms(const Said& said) {
    if (!said.context.job.motor) return noMotor(said);
    Jotted result = jotted(said, {});
    std::string all;
    for (const Ohms value : said.all<Ohms>("OHMS")) {
        result.after.motor->windings.push_back({value, said.context.today});
        all += (all.empty() ? "" : ", ") + formatted(value);
    }
    result.meaning = text("Winding: %1", all);
    return result;
}

// --- supply ----------------------------------------------------------------------------------

Result<Jotted> supplyVolts(const Said& said, std::optional<Measured<Volts>> Supply::*field,
                           Text name) {
    const auto value = said.one<Volts>("VOLTS");
    const bool forgotten = said.name("unknown").has_value();
    if (value && forgotten) {
        return refuse(ErrorCode::NotUnderstood,
                      text("%1 and unknown: only one of them can be.", formatted(*value)));
    }
    if (!value && !forgotten) {
        return refuse(ErrorCode::Missing,
                      text("How many volts? Write it like %1.", said.verb.examples.front()));
    }
    Jotted result = jotted(
        said, value ? text("%1: %2", name, formatted(*value)) : text("%1: not measured", name));
    result.after.supply.*field = std::nullopt;
    if (value) result.after.supply.*field = Measured<Volts>{*value, said.context.today};
    return result;
}
Result<Jotted> track(const Said& said) {
    return supplyVolts(said, &Supply::volts, text("Track or supply volts"));
}
Result<Jotted> rectifier(const Said& said) {
    return supplyVolts(said, &Supply::rectifier, text("Rectifier drop"));
}
Result<Jotted> bridge(const Said& said) {
    return supplyVolts(said, &Supply::bridge, text("Motor bridge drop"));
}
Result<Jotted> switchDrop(const Said& said) {
    return supplyVolts(said, &Supply::outputSwitch, text("Output switch drop"));
}

std::vector<Named> supplyKinds(const Context&) {
    return {{"dcc", {}, "digital track"},
            {"dc", {}, "plain direct current"},
            {"battery", {"cell", "cells"}, "carried along"}};
}
Result<Jotted> supply(const Said& said) {
    const SupplyKind kind = *supplyKindNamed(*said.name("KIND"));
    const Supply& before = said.context.job.supply;
    Jotted result = jotted(said, text("Supply: %1", std::string(name(kind))));
    result.after.supply.kind = kind;
    if (const auto value = said.one<Volts>("VOLTS")) {
        result.after.supply.volts = Measured<Volts>{*value, said.context.today};
        result.meaning = text("Supply: %1, %2", std::string(name(kind)), formatted(*value));
    } else if (kind != before.kind && before.volts) {
        // Volts read on one kind of supply say nothing about another.
        result.after.supply.volts.reset();
        result.meaning =
            text("Supply: %1; the %2 read on %3 no longer count", std::string(name(kind)),
                 formatted(before.volts->value), std::string(name(before.kind)));
    }
    return result;
}

// --- rules -----------------------------------------------------------------------------------

std::vector<Named> ruleNames(const Context&) {
    return {{"strict", {}, "continuous rating above the stall current"},
            {"slip", {"slipping"}, "continuous above slipping, peak above stall"},
            {"running", {}, "continuous above 1.25 × what it runs with"}};
}
Result<Jotted> rule(const Said& said) {
    const std::string& chosen = *said.name("NAME");
    Jotted result = jotted(said, text("Rating rule: %1", chosen));
    result.after.rule = *ratingRuleNamed(chosen);
    return result;
}

Result<Jotted> margin(const Said& said) {
    const double share = said.at("SHARE").quantities.front();
    Jotted result = jotted(said, text("Close within %1 of a limit", percent(share)));
    result.after.closeMargin = share;
    return result;
}

// --- motor and decoder -----------------------------------------------------------------------

std::vector<Named> motorKinds(const Context&) {
    return {{"can", {"can motor"}, "a can motor"},
            {"coreless", {"coreless motor"}, "without an iron core"},
            {"open-frame",
             {"open frame", "open-frame motor", "open frame motor"},
             "magnet and armature in the open"},
            {"none", {"no", "no motor"}, "a model without one"}};
}
std::vector<Named> frameKinds(const Context&) {
    return {{"insulated", {}, "both brushes clear of the frame"},
            {"frame-return", {"frame return"}, "one brush on the frame"},
            {"split-frame", {"split frame"}, "each half of the frame a pole"}};
}
Result<Jotted> motor(const Said& said) {
    const auto& kind = said.name("KIND");
    const auto& frame = said.name("FRAME");
    if (!kind && !frame) {
        return refuse(ErrorCode::Missing, text("Say which: %1.", said.verb.examples.front()));
    }
    if (kind == "none") {
        if (frame) {
            return refuse(ErrorCode::NotUnderstood,
                          text("Without a motor there is no frame to wire: “%1”.", *frame));
        }
        Jotted result = jotted(said, text("Motor: none"));
        result.after.motor.reset();
        return result;
    }
    Motor made = said.context.job.motor.value_or(Motor{});
    if (kind) made.kind = *motorKindNamed(*kind);
    if (frame) made.frame = *frameKindNamed(*frame);
    Jotted result = jotted(
        said, text("Motor: %1, %2", std::string(name(made.kind)), std::string(name(made.frame))));
    result.after.motor = std::move(made);
    return result;
}

std::vector<Named> decoderNames(const Context& context) {
    std::vector<Named> all;
    for (const Decoder& decoder : context.catalogue.decoders) {
        all.push_back({decoder.id, {decoder.name}, decoder.name});
    }
    all.push_back({"none", {"no"}, "takes it out"});
    return all;
}
Result<Jotted> decoder(const Said& said) {
    const std::string& id = *said.name("NAME");
    const std::optional<Decoder>& before = said.context.job.decoder;
    Jotted result = jotted(said, text("No decoder"));
    result.after.decoder.reset();
    std::string forgotten;  // outputs of the old one that were looked at
    const Decoder* found = decoderNamed(said.context.catalogue, id);
    if (found) {
        result.after.decoder = *found;
        result.meaning = text("Decoder: %1", found->name);
    }
    for (const DecoderOutput& old : before ? before->outputs : std::vector<DecoderOutput>{}) {
        if (old.seriesMeasured.empty()) continue;
        bool kept = false;
        if (found && found->id == before->id) {
            // The same again keeps what was found out about it.
            for (DecoderOutput& output : result.after.decoder->outputs) {
                if (output.name != old.name) continue;
                output.series = old.series;
                output.seriesMeasured = old.seriesMeasured;
                kept = true;
            }
        }
        if (!kept) forgotten += (forgotten.empty() ? "" : ", ") + old.name;
    }
    if (!forgotten.empty()) {
        result.meaning = text("%1; what was found on the outputs of %2 no longer counts: %3",
                              result.meaning, before->name, forgotten);
    }
    return result;
}

// --- pickups ---------------------------------------------------------------------------------

std::vector<Named> axleNumbers(const Context& context) {
    std::vector<Named> all;
    for (std::size_t i = 1; i <= context.job.body.axles.size(); ++i) {
        all.push_back({std::to_string(i), {"axle " + std::to_string(i)}, "from the front"});
    }
    return all;
}
std::vector<Named> collectingSides(const Context&) {
    return {{"both", {"left and right", "both sides"}, "both wheels collect"},
            {"left", {"left only"}, "only the left wheel collects"},
            {"right", {"right only"}, "only the right wheel collects"},
            {"none", {"no", "nothing", "neither"}, "rubber tyres, or nothing that touches"}};
}
Result<Jotted> axle(const Said& said) {
    const std::string& number = *said.name("NUMBER");
    const std::string& side = *said.name("SIDE");
    Jotted result = jotted(said, side == "both"   ? text("Axle %1 collects on both sides", number)
                                 : side == "none" ? text("Axle %1 collects nothing", number)
                                 : side == "left" ? text("Axle %1 collects left only", number)
                                                  : text("Axle %1 collects right only", number));
    Axle& changed = result.after.body.axles[std::stoul(number) - 1];
    changed.collectsLeft = side == "both" || side == "left";
    changed.collectsRight = side == "both" || side == "right";
    return result;
}

// --- taking back -----------------------------------------------------------------------------

std::vector<Named> readingNames(const Context&) {
    return {{"stall", {"stalled"}, "the last stall test"},
            {"slip", {"slipping"}, "the last slip reading"},
            {"haul", {"hauling"}, "the last hauling reading"},
            {"light", {"running"}, "the last light-running reading"},
            {"ohms", {"winding"}, "the last winding reading"}};
}
Result<Jotted> removeReading(const Said& said) {
    const std::string& wanted = *said.name("READING");
    Jotted result = jotted(said, {});
    std::optional<Motor>& motor = result.after.motor;
    if (wanted == "ohms" && motor && !motor->windings.empty()) {
        result.meaning =
            text("Last winding reading removed: %1", formatted(motor->windings.back().value));
        motor->windings.pop_back();
        return result;
    }
    for (const auto& [word, condition] :
         {std::pair{"stall", MotorCondition::Stalled}, std::pair{"slip", MotorCondition::Slipping},
          std::pair{"haul", MotorCondition::Hauling}, std::pair{"light", MotorCondition::Light}}) {
        if (wanted != word || !motor) continue;
        auto& readings = motor->readings;
        for (auto it = readings.rbegin(); it != readings.rend(); ++it) {
            if (it->condition != condition) continue;
            result.meaning = text("Last %1 reading removed: %2", word, formatted(it->amps));
            readings.erase(std::next(it).base());
            return result;
        }
    }
    return refuse(ErrorCode::Unknown, text("There is no %1 reading to remove.", wanted));
}

// --- the table -------------------------------------------------------------------------------

constexpr Takes stallTakes[] = {amps, stallVolts};
constexpr Takes readingTakes[] = {amps, volts};
constexpr Takes ohmsTakes[] = {{.what = "OHMS",
                                .needed = true,
                                .missing = "How many ohms?",
                                .dimension = Dimension::Resistance,
                                .least = leastWinding.value(),
                                .most = mostWinding.value(),
                                .atMost = 12}};
constexpr Takes trackTakes[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 30}, unknown};
constexpr Takes dropTakes[] = {
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 0.05, .most = 4, .zero = true},
    unknown};
constexpr Takes supplyTakes[] = {
    {.what = "KIND",
     .kind = Kind::Name,
     .needed = true,
     .missing = "Which kind: dcc, dc or battery?",
     .names = supplyKinds},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 30}};
constexpr Takes motorTakes[] = {{.what = "KIND",
                                 .kind = Kind::Name,
                                 .names = motorKinds,
                                 .unknown = "“%1” is no kind of motor. There are: %2."},
                                {.what = "FRAME", .kind = Kind::Name, .names = frameKinds}};
constexpr Takes ruleTakes[] = {{.what = "NAME",
                                .kind = Kind::Name,
                                .needed = true,
                                .missing = "Which rule: strict, slip or running?",
                                .names = ruleNames}};
constexpr Takes marginTakes[] = {{.what = "SHARE",
                                  .needed = true,
                                  .missing = "How near is close?",
                                  .dimension = Dimension::Ratio,
                                  .least = 0.001,
                                  .most = 0.9,
                                  .zero = true}};
constexpr Takes decoderTakes[] = {{.what = "NAME",
                                   .kind = Kind::Name,
                                   .needed = true,
                                   .missing = "Which decoder?",
                                   .names = decoderNames,
                                   .unknown = "No decoder goes by “%1”. The catalogue has: %2."}};
constexpr Takes axleTakes[] = {{.what = "NUMBER",
                                .kind = Kind::Name,
                                .needed = true,
                                .missing = "Which axle, counted from the front?",
                                .names = axleNumbers,
                                .unknown = "There is no axle “%1”. There are: %2.",
                                .none = "This model has no axles."},
                               {.what = "SIDE",
                                .kind = Kind::Name,
                                .needed = true,
                                .missing = "Which wheels collect: both, left, right or none?",
                                .names = collectingSides}};
constexpr Takes removeTakes[] = {{.what = "READING",
                                  .kind = Kind::Name,
                                  .needed = true,
                                  .missing = "What is to be removed?",
                                  .names = readingNames}};

constexpr const char* stallWords[] = {"stalled", "stalls", "stalling"};
constexpr const char* slipWords[] = {"slipping", "slipped", "slips"};
constexpr const char* haulWords[] = {"hauling", "hauled", "hauls"};
constexpr const char* lightWords[] = {"running", "runs", "ran"};
constexpr const char* ohmsWords[] = {"ohm", "winding", "windings"};
constexpr const char* stallExamples[] = {"stall 1.15A 12V", "stall 12V 900mA", "12V 1.15A stall"};
constexpr const char* slipExamples[] = {"slip 420mA", "slip 0.6A 12V"};
constexpr const char* haulExamples[] = {"haul 350mA 12V", "hauling .35A"};
constexpr const char* lightExamples[] = {"light 180mA 12V", "running light 0.18A"};
constexpr const char* ohmsExamples[] = {"ohms 9.8", "ohms 9.8 9.6 10.1", "winding 9.8 ohms"};
constexpr const char* trackExamples[] = {"track 14.8V", "track unknown"};
constexpr const char* supplyExamples[] = {"supply dcc", "supply battery 9V"};
constexpr const char* rectifierExamples[] = {"rectifier 1.1V", "rectifier unknown"};
constexpr const char* bridgeExamples[] = {"bridge 0.3V"};
constexpr const char* switchExamples[] = {"switch 0.1V"};
constexpr const char* motorExamples[] = {"motor open-frame frame-return", "motor none"};
constexpr const char* ruleExamples[] = {"rule strict"};
constexpr const char* marginExamples[] = {"margin 10%"};
constexpr const char* decoderExamples[] = {"decoder four-wire-1.0", "decoder none"};
constexpr const char* axleExamples[] = {"axle 2 left", "axle 1 none"};
constexpr const char* axleNoise[] = {"collects", "from", "on", "wheel", "wheels", "only"};
constexpr const char* removeExamples[] = {"remove stall"};
constexpr const char* trackNoise[] = {"volts", "voltage"};
constexpr const char* readingNoise[] = {"test", "reading", "motor", "wheels"};
constexpr const char* lightNoise[] = {"light", "motor", "alone"};
constexpr const char* dropNoise[] = {"drop", "drops"};
constexpr const char* removeNoise[] = {"last", "reading", "test"};

constexpr Verb table[] = {
    {"stall", stallWords, stallTakes, stallExamples, "a stall test: a second at the most",
     reading<MotorCondition::Stalled>, false, readingNoise},
    {"slip", slipWords, readingTakes, slipExamples, "held back until the wheels slip",
     reading<MotorCondition::Slipping>, false, readingNoise},
    {"haul", haulWords, readingTakes, haulExamples, "with its usual train",
     reading<MotorCondition::Hauling>, false, readingNoise},
    {"light", lightWords, readingTakes, lightExamples, "running alone at medium speed",
     reading<MotorCondition::Light>, false, lightNoise},
    {"ohms", ohmsWords, ohmsTakes, ohmsExamples,
     "the winding, motor disconnected; several rotor positions", ohms, false, readingNoise},
    {"track",
     {},
     trackTakes,
     trackExamples,
     "track or supply volts, measured",
     track,
     false,
     trackNoise},
    {"supply",
     {},
     supplyTakes,
     supplyExamples,
     "dcc, dc or battery; its volts if measured",
     supply},
    {"rectifier",
     {},
     dropTakes,
     rectifierExamples,
     "drop of the decoder's rectifier, measured",
     rectifier,
     false,
     dropNoise},
    {"bridge",
     {},
     dropTakes,
     bridgeExamples,
     "drop of the motor bridge, measured",
     bridge,
     false,
     dropNoise},
    {"switch",
     {},
     dropTakes,
     switchExamples,
     "drop of a lit output, measured",
     switchDrop,
     false,
     dropNoise},
    {"motor", {}, motorTakes, motorExamples, "what kind of motor it is", motor},
    {"rule",
     {},
     ruleTakes,
     ruleExamples,
     "how ratings are held against the motor: strict, slip, running",
     rule},
    {"margin", {}, marginTakes, marginExamples, "how near to a limit counts as close", margin},
    {"decoder",
     {},
     decoderTakes,
     decoderExamples,
     "fit a decoder of the catalogue; none takes it out",
     decoder},
    {"axle",
     {},
     axleTakes,
     axleExamples,
     "which of its wheels collect, found with the meter",
     axle,
     false,
     axleNoise},
    {"remove",
     {},
     removeTakes,
     removeExamples,
     "the last stall, slip, haul, light, ohms",
     removeReading,
     false,
     removeNoise},
};

}  // namespace

std::span<const Verb> verbs() { return table; }

}  // namespace glimmet::core::measure
